"""What several commands are given: an engine by file or name, and a display."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Iterable
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.demo.demonstrations import DEMONSTRATIONS, FIRST, demonstration

if TYPE_CHECKING:
    from honest_lift.facts.engine import Book

FAULT = 2  # exit status: of the file, the call, the machine or the program
NAMES = ", ".join(DEMONSTRATIONS)


def add_engine(parser: argparse.ArgumentParser) -> None:
    """Let a command take an engine."""
    parser.add_argument(
        "file", help="an engine file, or “demo” for the demonstration engine, “demo:four” for the second"
    )


def book_of(file: str) -> Book | None:
    """Give the book of a file, or of the demonstration; None, and it is said, where it can't be read."""
    from honest_lift.facts.file import FileError, read_book

    if file == "demo" or file.startswith("demo:"):
        name = file.partition(":")[2] or FIRST
        if name in DEMONSTRATIONS:
            return demonstration(name)
        print(f"honest-lift: {no_demo(name)}", file=sys.stderr)
        return None
    try:
        return read_book(Path(file))
    except FileError as error:
        from honest_lift.sheets.terminal import say

        say(f"honest-lift: {error}", sys.stderr)
        return None


def add_force(parser: argparse.ArgumentParser) -> None:
    """Let a command write over files that the program did not write."""
    parser.add_argument(
        "--force", action="store_true", help="write over files that Honest Lift did not write; never over an engine"
    )


def may_write(targets: Iterable[Path], *, force: bool) -> bool:
    """Tell whether every target may be written; look before the work, and say what stands in the way."""
    from honest_lift.facts.written_out import TargetError, ThereError, look_at_target
    from honest_lift.sheets.terminal import say

    for path in targets:
        try:
            look_at_target(path, agreed=force)
        except TargetError as error:
            more = " Add --force to write over it." if isinstance(error, ThereError) else ""
            say(f"honest-lift: {error}{more}", sys.stderr)
            return False
    return True


def no_demo(name: str) -> str:
    """Say that there is no such demonstration."""
    return f"there is no demonstration “{name}”; there are {NAMES}."


def has_display(options: argparse.Namespace) -> bool:
    """Tell whether there is a display to open a window on; none is said."""
    from honest_lift.desk.qt_there import has_qt

    if options.platform:
        os.environ["QT_QPA_PLATFORM"] = options.platform
    if not has_qt():
        return False
    displays = ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
    if any(os.environ.get(name) for name in displays):
        return True
    print("honest-lift: no display to open a window on; give one, or run with --platform offscreen.", file=sys.stderr)
    return False
