"""Who holds a file: a lock the system drops by itself when its holder ends, however it ends."""

from __future__ import annotations

import fcntl
import os
import socket
from datetime import datetime
from getpass import getuser
from pathlib import Path
from typing import BinaryIO

import msgspec
from msgspec import Struct


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

    def __init__(self, path: Path, file: BinaryIO) -> None:
        self._path, self._file = path, file

    def release(self) -> None:
        """Let go and take the lock's file away."""
        self._path.unlink(missing_ok=True)
        self._file.close()


def lock_beside(path: Path) -> Lock | Holder | None:
    """Take the lock of an engine file; give who holds it when somebody does, None where locks can't be kept.

    The lock is a file beside it, named `.name.lock`, so that it goes with the folder: copies elsewhere are free.
    """
    real = path.resolve()
    return take_lock(real.with_name(f".{real.name}.lock"))


def take_lock(path: Path) -> Lock | Holder | None:
    """Take a lock file; give its holder when it is held, None where no lock can be kept (a read-only folder)."""
    try:
        file = path.open("a+b")
    except OSError:
        return None
    try:
        fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except BlockingIOError:
        file.seek(0)
        holder = _holder(file.read())
        file.close()
        return holder
    except OSError:  # a file system that knows no locks
        file.close()
        return None
    if not _is_the_same(file, path):  # taken away by its last holder between opening and locking
        file.close()
        return take_lock(path)
    file.truncate(0)
    file.write(msgspec.json.encode(_me()))
    file.flush()
    return Lock(path, file)


def _is_the_same(file: BinaryIO, path: Path) -> bool:
    try:
        return os.path.samestat(os.fstat(file.fileno()), path.stat())
    except OSError:
        return False


def _me() -> Holder:
    try:
        user = getuser()
    except (KeyError, OSError):  # an account without a name
        user = str(os.getuid())
    return Holder(os.getpid(), user, socket.gethostname(), datetime.now().strftime("%Y-%m-%d %H:%M"))


def _holder(data: bytes) -> Holder:
    try:
        return msgspec.json.decode(data, type=Holder)
    except msgspec.DecodeError:
        return Holder()
