"""The command line: the window, and the same answers without one.

Exit status of `check`: 0 when all pass or are close, 1 when something fails, 3 when nothing fails but
something is unproven, 2 when the file can't be read, the call is wrong, or the machine or the program is at fault.
"""

from __future__ import annotations

import argparse
import gc
import os
import sys
import traceback
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift import __version__

if TYPE_CHECKING:
    from honest_lift.facts.engine import Book

_EXAMPLES = """\
examples:
  honest-lift                          open the window with the last engine, or an empty one
  honest-lift --demo                   open it with the invented demonstration engine
  honest-lift river.liftbook           open an engine file
  honest-lift check river.liftbook     print every finding and its reason
  honest-lift check demo --json        the same as JSON (docs/findings.md)
  honest-lift curves demo --valve 3i   print valve lifts around the turn as CSV
  honest-lift shots pictures           draw every main view as PNG, no monitor needed

check ends with 0 when all pass or are close, 1 when something fails, 3 when nothing fails but something is
unproven, 2 when the file can't be read or the answer can't be written.
"""
_FAULT = 2  # of the file, the call, the machine or the program
_STATUS = {"passes": 0, "close": 0, "fails": 1, "unproven": 3}


def main(arguments: list[str] | None = None) -> int:
    """Run the program and give its exit status."""
    arguments = list(sys.argv[1:] if arguments is None else arguments)
    try:
        status = _run(arguments)
        sys.stdout.flush()  # what can't be written is said here, not while Python ends
    except BrokenPipeError:  # the reader, such as head, has seen enough
        _write_no_more()
        return 0
    except OSError as error:  # a full device, say: that is a fault of the machine, and no verdict of an engine
        _write_no_more()
        print(f"honest-lift: not everything could be written: {error.strerror or error}.", file=sys.stderr)
        return _FAULT
    except Exception:  # a bug must not look like a failing engine
        traceback.print_exc()
        print("honest-lift: this is a fault of the program, and says nothing of the engine.", file=sys.stderr)
        return _FAULT
    return status


def _write_no_more() -> None:
    """Send what still waits to be written nowhere, so that Python can end without another complaint."""
    os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())


def _run(arguments: list[str]) -> int:
    if arguments[:1] == ["check"]:
        return _check(arguments[1:])
    if arguments[:1] == ["curves"]:
        return _curves(arguments[1:])
    if arguments[:1] == ["shots"]:
        return _shots(arguments[1:])
    return _window(arguments)


def _parser(name: str, **more: str) -> argparse.ArgumentParser:
    return argparse.ArgumentParser(prog=name, formatter_class=argparse.RawDescriptionHelpFormatter, **more)  # type: ignore[arg-type]


def _check(arguments: list[str]) -> int:
    parser = _parser("honest-lift check", description="Print every finding of an engine, with its reason.")
    parser.add_argument("file", help="an engine file, or “demo” for the demonstration engine")
    parser.add_argument("--json", action="store_true", help="as JSON, schema honest-lift/findings (docs/findings.md)")
    options = parser.parse_args(arguments)
    book = _book_of(options.file)
    if book is None:
        return 2

    from honest_lift.checks.examine import examine

    examination = examine(book)
    if options.json:
        import msgspec

        from honest_lift.sheets.findings_json import findings_report
        from honest_lift.sheets.terminal import say_json

        report = msgspec.json.format(msgspec.json.encode(findings_report(book, examination)), indent=1)
        say_json(report.decode(), sys.stdout)
    else:
        from honest_lift.sheets.findings_text import findings_text
        from honest_lift.sheets.terminal import say

        for line in findings_text(book, examination):
            say(line, sys.stdout)
    return _STATUS[examination.of_engine().word]


def _book_of(file: str) -> Book | None:
    """Give the book of a file, or of the demonstration; None, and it is said, where it can't be read."""
    from honest_lift.facts.file import FileError, read_book

    if file == "demo":
        from honest_lift.demo.engine import demo_book

        return demo_book()
    try:
        return read_book(Path(file))
    except FileError as error:
        from honest_lift.sheets.terminal import say

        say(f"honest-lift: {error}", sys.stderr)
        return None


def _curves(arguments: list[str]) -> int:
    parser = _parser(
        "honest-lift curves", description="Print valve lift, velocity, acceleration and piston around the turn."
    )
    parser.add_argument("file", help="an engine file, or “demo” for the demonstration engine")
    parser.add_argument("--valve", default="", help="a valve of the cylinder, such as 3i; without one by the card")
    options = parser.parse_args(arguments)
    book = _book_of(options.file)
    if book is None:
        return 2
    if options.valve and book.engine.position(options.valve) is None:
        names = " ".join(one.id for one in book.engine.layout.positions)
        print(
            f"honest-lift: “{options.valve}” is no valve of this engine; there are {names or 'none'}.", file=sys.stderr
        )
        return 2

    from honest_lift.estimates.cam_turn import crank_of, turns_of
    from honest_lift.sheets.cam_curves import curves_csv

    turns, crank = turns_of(book, options.valve), crank_of(book)
    for missing in [one.missing for one in turns.values() if one.missing]:
        print(f"honest-lift: {missing}.", file=sys.stderr)
    if not any(one.valve for one in turns.values()):
        return 3
    print(curves_csv(turns, None if isinstance(crank, str) else crank, book.engine.unit("length")), end="")
    return 0


def _shots(arguments: list[str]) -> int:
    parser = _parser("honest-lift shots", description="Draw every main view with the demonstration engine, 1280x800.")
    parser.add_argument("folder", type=Path, help="where the PNG files go; made if it is not there")
    options = parser.parse_args(arguments)
    os.environ["QT_QPA_PLATFORM"] = "offscreen"
    from honest_lift.desk.shots import take_shots

    try:
        options.folder.mkdir(parents=True, exist_ok=True)
        for path in take_shots(options.folder):
            print(path)
    except OSError as error:
        print(f"honest-lift: {options.folder}: pictures can't be written: {error.strerror}.", file=sys.stderr)
        return 2
    return 0


def _window(arguments: list[str]) -> int:
    parser = _parser(
        "honest-lift",
        description="Proves valve springs, heights and clearances from real measurements with their doubt.",
        epilog=_EXAMPLES,
    )
    parser.add_argument("file", nargs="?", type=Path, help="an engine file to open")
    parser.add_argument("--demo", action="store_true", help="open the invented demonstration engine")
    parser.add_argument("--platform", help="Qt's platform, such as offscreen; without one a display is needed")
    parser.add_argument("--version", action="version", version=f"Honest Lift {__version__}")
    options = parser.parse_args(arguments)
    if options.platform:
        os.environ["QT_QPA_PLATFORM"] = options.platform
    displays = ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
    if not any(os.environ.get(name) for name in displays):
        print(
            "honest-lift: no display to open a window on; give one, or run with --platform offscreen.",
            file=sys.stderr,
        )
        return 2
    gc.disable()  # nothing made at the start is thrown away; the window turns it on again when it has been drawn
    from honest_lift.desk.app import run

    return run(options.file, demo=options.demo)


if __name__ == "__main__":
    sys.exit(main())
