"""Engine files of an older version, brought to the present one; what stood there is kept beside it."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from honest_lift.commands.given import FAULT


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument("file", nargs="+", type=Path, help="an engine file; several are brought over one by one")
    parser.add_argument(
        "--to", type=Path, metavar="DIR", help="write them there under their names; without it each in its place"
    )


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status: 2 when one of them could not be brought over; the others are."""
    return max(_migrated(path, options.to) for path in options.file)


def _migrated(path: Path, folder: Path | None) -> int:
    from honest_lift.facts import disk
    from honest_lift.facts.file import ChangedError, FileError, backup_of, read_marked, version_of, write_book
    from honest_lift.facts.locks import Holder, lock_beside
    from honest_lift.facts.migrations import CURRENT
    from honest_lift.sheets.terminal import say

    lock = None
    try:
        before = version_of(path)
        book, mark = read_marked(path)
        if folder is None and before == CURRENT:
            say(f"{path}: is of version {CURRENT} already.", sys.stdout)
            return 0
        target = path if folder is None else folder / path.name
        if folder is not None:
            disk.make_folder(folder)
        if folder is not None and disk.is_there(target):
            raise FileError(f"{target}: there is a file of that name already; nothing was written over it.")
        lock = lock_beside(target)
        if isinstance(lock, Holder):
            raise FileError(f"{target}: {lock.words} has it open: close it there first.")
        write_book(book, target, mark if folder is None else "")
    except (FileError, ChangedError) as error:
        say(f"honest-lift: {error}", sys.stderr)
        return FAULT
    except OSError as error:
        say(f"honest-lift: {folder}: {disk.why(error)}.", sys.stderr)
        return FAULT
    finally:
        if lock is not None and not isinstance(lock, Holder):
            lock.release()
    kept = f"; what stood there is {backup_of(target).name}" if folder is None else ""
    say(f"{target}: version {before} to {CURRENT}{kept}.", sys.stdout)
    for one in book.set_aside:
        say(f"  set aside, since it makes no sense: {one.place}, {one.field}: {one.given}", sys.stdout)
    return 0
