"""Who holds a file: a lock the system drops by itself when its holder ends, however it ends."""

from __future__ import annotations

import contextlib
import hashlib
import os
import socket
from datetime import datetime
from getpass import getuser
from pathlib import Path

import msgspec
from msgspec import Struct

from honest_lift.facts import disk

_LONGEST_NAME = 200  # bytes; file systems take 255, and the lock's own letters come on top
_HOLDER_BYTES = 4096


class Holder(Struct, frozen=True):
    """Who holds a file, for a person to read."""

    pid: int = 0
    user: str = ""
    host: str = ""
    since: str = ""

    @property
    def words(self) -> str:
        """Say who it is: `Ash on benchtop, since 2026-11-23 14:02 (process 4711)`."""
        if not self.pid:
            return "another program"
        return f"{self.user} on {self.host}, since {self.since} (process {self.pid})"


class Lock:
    """A held lock. Let go of it with `release`; the system does when the process ends."""

    def __init__(self, path: Path, handle: int) -> None:
        self._path, self._handle = path, handle

    def release(self) -> None:
        """Let go and take the lock's file away, if the folder lets it go; without a holder it is no lock."""
        disk.remove(self._path)
        disk.close(self._handle)


def lock_beside(path: Path) -> Lock | Holder | None:
    """Take the lock of an engine file; give who holds it when somebody does, None where locks can't be kept.

    The lock is a file beside it, named `.name.lock`, so that it goes with the folder: copies elsewhere are free.
    """
    real = Path(os.path.realpath(path))
    name = os.fsencode(real.name)
    if len(name) > _LONGEST_NAME:
        name = name[: _LONGEST_NAME - 32] + hashlib.sha256(name).hexdigest()[:32].encode()
    return take_lock(real.with_name(f".{os.fsdecode(name)}.lock"))


def take_lock(path: Path) -> Lock | Holder | None:
    """Take a lock file; give its holder when it is held, None where no lock can be kept (a read-only folder)."""
    for _ in range(100):  # its last holder may take it away between opening and locking
        try:
            handle = disk.open_to_hold(path)
        except OSError:
            return None
        try:
            if not disk.hold(handle):
                holder = _holder(path)
                disk.close(handle)
                return holder
        except OSError:  # a file system that knows no locks
            disk.close(handle)
            return None
        if disk.is_the_same(path, handle):
            with contextlib.suppress(OSError):  # on a full disk it holds all the same, and only its holder goes unnamed
                disk.cut_to(handle, 0)
                disk.append(handle, msgspec.json.encode(_me()))
            return Lock(path, handle)
        disk.close(handle)
    return None


def _me() -> Holder:
    try:
        user = getuser()
    except (KeyError, OSError):  # an account without a name
        user = str(os.getuid())
    return Holder(os.getpid(), user, socket.gethostname(), datetime.now().strftime("%Y-%m-%d %H:%M"))


def _holder(path: Path) -> Holder:
    try:
        return msgspec.json.decode(disk.read_file(path, _HOLDER_BYTES), type=Holder)
    except (OSError, msgspec.DecodeError, UnicodeDecodeError):
        return Holder()
