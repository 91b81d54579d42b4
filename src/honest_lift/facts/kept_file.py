"""A small file of one's own, kept as JSON beside the engines: a shop's route, the gauges of a bench, results of practice."""

from __future__ import annotations

from pathlib import Path
from typing import Any, TypeVar

import msgspec

from honest_lift.facts import disk
from honest_lift.numbers.mendable import MendableError

Kept = TypeVar("Kept")


def keep(path: Path, what: Any) -> None:
    """Write a file whole, and make its folder. Raises MendableError where the disk does not take it."""
    try:
        disk.make_folder(path.parent)
        disk.put_whole(path, msgspec.json.format(msgspec.json.encode(what), indent=1) + b"\n")
    except OSError as error:
        raise MendableError(f"{path}: can't be written: {disk.why(error)}.") from None


def kept(path: Path, kind: type[Kept], most_bytes: int, mend: str) -> Kept | None:
    """Read a file; None where there is none. Raises MendableError for one that is something else; `mend`: what to do then."""
    try:
        if not disk.is_there(path):
            return None
        return msgspec.json.decode(disk.read_file(path, most_bytes), type=kind)
    except (OSError, ValueError) as error:
        said = disk.why(error) if isinstance(error, OSError) else str(error)
        raise MendableError(f"{path}: can't be read: {said}. {mend}") from None
