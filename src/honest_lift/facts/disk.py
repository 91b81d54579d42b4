"""Every call to the disk that engines, journals and locks are kept with, in this one place.

Whatever is written here is flushed, so that it outlives a power cut, and read only where it is a regular file. All of it
goes by `os` and `fcntl` of this module, so that a test can put a disk in their place that is full, broken or cut off.
"""

from __future__ import annotations

import contextlib
import errno
import fcntl
import os
import stat
from pathlib import Path

_NOT_LOCKED = (errno.EWOULDBLOCK, errno.EAGAIN, errno.EACCES)


class NotRegularError(OSError):
    """What stands at a path is no regular file: a folder, a pipe, a device."""


class TooLargeError(OSError):
    """A file larger than its reader takes."""


def why(error: OSError) -> str:
    """Say in the system's words why a call failed."""
    return error.strerror or str(error) or type(error).__name__


def read_file(path: Path, most_bytes: int) -> bytes:
    """Read a regular file whole. Raises OSError; NotRegularError and TooLargeError before anything is read."""
    handle = os.open(path, os.O_RDONLY | os.O_CLOEXEC | os.O_NONBLOCK)  # a pipe nobody writes to would be waited for
    try:
        told = os.fstat(handle)
        if not stat.S_ISREG(told.st_mode):
            kind = "a folder" if stat.S_ISDIR(told.st_mode) else "a pipe or a device"
            raise NotRegularError(errno.EINVAL, f"it is {kind}, and no file")
        if told.st_size > most_bytes:
            raise _too_large(told.st_size, most_bytes)
        parts, left = [], most_bytes + 1
        while left and (part := os.read(handle, min(left, 1 << 20))):
            parts.append(part)
            left -= len(part)
        if not left:  # it grew under the reader
            raise _too_large(most_bytes + 1, most_bytes)
        return b"".join(parts)
    finally:
        os.close(handle)


def _too_large(size: int, most_bytes: int) -> TooLargeError:
    return TooLargeError(errno.EFBIG, f"{size / 1e6:.0f} MB; at most {most_bytes / 1e6:.0f} MB are read")


def is_there(path: Path) -> bool:
    """Tell whether something stands at a path. Raises OSError where that can't be told."""
    try:
        os.stat(path)
    except (FileNotFoundError, NotADirectoryError):
        return False
    return True


def is_file(path: Path) -> bool:
    """Tell whether a regular file stands at a path, and no folder, pipe or device. Raises OSError."""
    return stat.S_ISREG(os.stat(path).st_mode)


def head_of(path: Path, most_bytes: int) -> bytes:
    """Read the beginning of a file. Raises OSError."""
    handle = os.open(path, os.O_RDONLY | os.O_CLOEXEC | os.O_NONBLOCK)
    try:
        return os.read(handle, most_bytes)
    finally:
        os.close(handle)


def rights_of(path: Path) -> int:
    """Give who may read and write a file, as `put_whole` takes it. Raises OSError."""
    return stat.S_IMODE(os.stat(path).st_mode)


def is_the_same(path: Path, handle: int) -> bool:
    """Tell whether a path still leads to an open file."""
    try:
        return os.path.samestat(os.stat(path), os.fstat(handle))
    except OSError:
        return False


def make_folder(folder: Path) -> None:
    """Make a folder, for its owner alone, and those above it. OSError where it can't be."""
    if not is_there(folder):
        make_folder(folder.parent)
        with contextlib.suppress(FileExistsError):  # another program was quicker
            os.mkdir(folder, 0o700)
            flush_folder(folder.parent)


def files_in(folder: Path, ending: str) -> list[Path]:
    """Give the files of a folder by their ending, in the order of their names; none where there is no folder."""
    try:
        return sorted(folder / name for name in os.listdir(folder) if name.endswith(ending))
    except FileNotFoundError:
        return []


def make_file(path: Path) -> int:
    """Make a new file to write to and give its handle. FileExistsError where something stands there; OSError."""
    return os.open(path, os.O_RDWR | os.O_APPEND | os.O_CREAT | os.O_EXCL | os.O_CLOEXEC, 0o666)


def open_to_hold(path: Path) -> int:
    """Open a file to be held, made where there is none, and give its handle. Raises OSError."""
    return os.open(path, os.O_RDWR | os.O_APPEND | os.O_CREAT | os.O_CLOEXEC | os.O_NONBLOCK, 0o666)


def append(handle: int, data: bytes) -> None:
    """Write data whole at the end of a file and flush it to the disk. Raises OSError; part of it may stand there then."""
    left = memoryview(data)
    while left:
        left = left[os.write(handle, left) :]
    os.fsync(handle)


def size_of(handle: int) -> int:
    """Give the bytes of an open file."""
    return int(os.fstat(handle).st_size)


def cut_to(handle: int, size: int) -> None:
    """Cut an open file to a size and flush it."""
    os.ftruncate(handle, size)
    os.fsync(handle)


def close(handle: int) -> None:
    """Close a file; what is wrong with it by now has been said by the flush before."""
    with contextlib.suppress(OSError):
        os.close(handle)


def put_whole(path: Path, data: bytes, *, mode: int | None = None, backup: Path | None = None) -> None:
    """Put a file in its place in one step: written beside it first, flushed, read back, then renamed. Raises OSError.

    A failure leaves what stood there as it was. `mode`: the rights it gets; `backup`: where what stood there is kept.
    """
    spare = path.with_name(f".honest-lift.{os.urandom(6).hex()}.part")
    try:
        handle = make_file(spare)
        try:
            if mode is not None:
                os.fchmod(handle, mode)
            append(handle, data)
        finally:
            close(handle)
        if read_file(spare, len(data)) != data:
            raise OSError(errno.EIO, "what was written reads back as something else")
        if backup is not None:
            copy_beside(path, backup)
        os.replace(spare, path)
    except BaseException:
        remove(spare)
        raise
    flush_folder(path.parent)


def put_out(path: Path, data: bytes) -> None:
    """Write a file for somebody else, in one step; a link is followed, and rights are kept. Raises OSError."""
    real = Path(os.path.realpath(path))
    put_whole(real, data, mode=rights_of(real) if is_there(real) else None)


def move(path: Path, to: Path) -> None:
    """Move a file within its disk; what stands at `to` is replaced. Raises OSError."""
    os.replace(path, to)
    flush_folder(to.parent)
    if to.parent != path.parent:
        flush_folder(path.parent)


def copy_beside(path: Path, to: Path) -> None:
    """Give a file a second name, in place of what has it. Raises OSError; then what had it still does."""
    spare = to.with_name(f".honest-lift.{os.urandom(6).hex()}.part")
    try:
        try:
            os.link(path, spare)
        except OSError:  # a file system without hard links
            put_whole(to, read_file(path, _ANY_BYTES))
            return
        os.replace(spare, to)
    except BaseException:
        remove(spare)
        raise


_ANY_BYTES = 1 << 40


def remove(path: Path) -> None:
    """Take a file away if it can be; what stays is found again by its next user."""
    with contextlib.suppress(OSError):
        os.unlink(path)


def flush_folder(folder: Path) -> None:
    """Flush a folder, so that a new name in it outlives a power cut. OSError where it can't be."""
    handle = os.open(folder, os.O_RDONLY | os.O_CLOEXEC)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)


def hold(handle: int) -> bool:
    """Take an open file for this program alone; False where another holds it. OSError where files can't be held."""
    try:
        fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError as error:
        if error.errno in _NOT_LOCKED:
            return False
        raise
    return True


def is_held(path: Path) -> bool:
    """Tell whether a program at work holds a file; one that can't be asked is held by nobody."""
    try:
        handle = os.open(path, os.O_RDONLY | os.O_CLOEXEC | os.O_NONBLOCK)
    except OSError:
        return False
    try:
        return not hold(handle)
    except OSError:
        return False
    finally:
        close(handle)
