"""Files for somebody else: papers, tables, drawings, recordings. Every writer of every command and dialog goes through here.

What the program itself keeps (engines, their backups, journals, locks, shelves of parts) is never a target. A file that is
there and was not written by the program, or was changed since, is written over only when somebody agrees to it.
"""

from __future__ import annotations

import hashlib
import os
import re
from pathlib import Path

import msgspec

from honest_lift.facts import disk
from honest_lift.facts.file import ENDING as ENGINE
from honest_lift.facts.file import FORMAT, LARGEST_BYTES
from honest_lift.facts.journal_file import journal_folder
from honest_lift.numbers.mendable import MendableError

_HEAD_BYTES = 4096
_AN_ENGINE = "an engine"
_BACKUP, _SHELF_HEAD = ".bak", b"SQLite format 3\0"
_LOCK = re.compile(r"\..+\.lock")
_MOST_KEPT = 4000  # of files whose digests are remembered; the oldest go first
_KEPT_BYTES = 4_000_000


class TargetError(MendableError):
    """A path that nothing may be written to: what stands there, and what to do instead."""


class ThereError(TargetError):
    """A file that somebody else wrote, or changed: it is written over only when a person agrees."""


def look_at_target(path: Path, *, agreed: bool = False) -> None:
    """Look at a target before the work. Raises TargetError; ThereError where it may be written over once that is `agreed`."""
    real = Path(os.path.realpath(path))
    try:
        if not disk.is_there(real):
            if named := _ours_by_name(real):
                raise TargetError(f"{path}: this name is kept for {named}: choose another ending.")
            return
        if not disk.is_file(real):
            raise TargetError(f"{path}: this is a folder or a device, and no file: choose another name.")
        if ours := _ours_by_name(real) or _ours_by_content(real):
            raise TargetError(f"{path}: this is {ours}, which is never written over: choose another name.")
        if not agreed and _written_before().get(str(real)) != _digest(disk.read_file(real, LARGEST_BYTES)):
            raise ThereError(
                f"{path}: there is a file already that Honest Lift did not write, or that was changed since."
            )
    except disk.TooLargeError:
        raise ThereError(f"{path}: there is a large file already that Honest Lift did not write.") from None
    except OSError as error:
        raise TargetError(f"{path}: {disk.why(error)}.") from None


def look_at_engine_target(path: Path, *, agreed: bool) -> None:
    """Look at where an engine is to be saved. Raises TargetError where something else of the program's stands or belongs.

    ThereError where a file stands that is no engine, and nobody `agreed` to that: a dialog has asked by then.
    """
    real = Path(os.path.realpath(path))
    try:
        is_there = disk.is_there(real)
        held = _ours_by_content(real) if is_there else ""
    except OSError:
        return  # saving itself says what is wrong with the path
    ours = next((one for one in (_ours_by_name(real), held) if one and one != _AN_ENGINE), "")
    if ours:
        raise TargetError(f"{path}: this is {ours}, which no engine is saved over: choose another name.")
    if is_there and not held and not agreed:
        raise ThereError(f"{path}: there is a file already, and it is no engine: choose another name.")


def write_out(path: Path, data: bytes, *, agreed: bool = False) -> None:
    """Write a file in one step; a link is followed, and rights are kept. Raises TargetError as above, and OSError."""
    look_at_target(path, agreed=agreed)
    disk.put_out(path, data)
    wrote(path, data)


def wrote(path: Path, data: bytes) -> None:
    """Remember that a file is the program's own as it now stands, so that it may be written anew without a question."""
    real = str(Path(os.path.realpath(path)))
    before = _written_before()
    before.pop(real, None)
    kept = {**before, real: _digest(data)}
    try:
        disk.make_folder(_memory().parent)
        disk.put_whole(_memory(), msgspec.json.encode(dict(list(kept.items())[-_MOST_KEPT:])))
    except OSError:  # then it asks the next time, which harms nothing
        return


def _digest(data: bytes) -> str:
    return hashlib.sha256(data).hexdigest()


def _memory() -> Path:
    return journal_folder().parent / "written-out.json"


def _written_before() -> dict[str, str]:
    try:
        return msgspec.json.decode(disk.read_file(_memory(), _KEPT_BYTES), type=dict[str, str])
    except (OSError, ValueError):
        return {}


def _ours_by_name(real: Path) -> str:
    """Say what the program keeps under such a name; "" for nothing."""
    name = real.name.lower()
    if name.endswith(ENGINE):
        return _AN_ENGINE
    if name.endswith(ENGINE + _BACKUP):
        return "the backup of an engine"
    if _LOCK.fullmatch(name):
        return "the lock of an open file"
    if real.parent == Path(os.path.realpath(journal_folder())):
        return "a journal of readings"
    return ""


def _ours_by_content(real: Path) -> str:
    """Say what the program keeps that a file holds, whatever it is called; "" for nothing."""
    head = disk.head_of(real, _HEAD_BYTES)
    if head.startswith(_SHELF_HEAD):
        return "a shelf of parts, or another database"
    if head.lstrip().startswith(b"{") and FORMAT.encode() in head:
        return _AN_ENGINE
    if head.startswith(b'{"entry":'):
        return "a journal of readings"
    if head.startswith(b'{"pid":') and b'"host":' in head:
        return "the lock of an open file"
    return ""
