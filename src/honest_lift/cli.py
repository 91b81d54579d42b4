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

from honest_lift import __version__
from honest_lift.commands import export, gauges, report
from honest_lift.commands.given import FAULT, NAMES, book_of, has_display, no_demo
from honest_lift.demo.demonstrations import DEMONSTRATIONS, FIRST

_EXAMPLES = """\
examples:
  honest-lift                          open the window with the last engine, or an empty one
  honest-lift --demo                   open it with the invented demonstration engine
  honest-lift --demo four              the second one, a four on buckets; check demo:four
  honest-lift river.liftbook           open an engine file
  honest-lift check river.liftbook     print every finding and its reason
  honest-lift check demo --json        the same as JSON (docs/findings.md)
  honest-lift curves demo --valve 3i   print valve lifts around the turn as CSV
  honest-lift report demo --pdf a.pdf  write the build sheet; --html a.html, --customer, --both
  honest-lift export demo --to tables  readings and findings as CSV and JSON; --comma
  honest-lift gauges 4                 a simulated bench with the course's fourth case
  honest-lift verify river.liftbook    prove that nothing in its book was altered
  honest-lift shots pictures           draw every main view as PNG, no monitor needed

check ends with 0 when all pass or are close, 1 when something fails, 3 when nothing fails but something is
unproven, 2 when the file can't be read or the answer can't be written. verify ends with 0 when all holds, 1 when not.
"""
_DESCRIPTION = "Proves valve springs, heights and clearances from real measurements with their uncertainty."
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
        return FAULT
    except Exception:  # a bug must not look like a failing engine
        traceback.print_exc()
        print("honest-lift: this is a fault of the program, and says nothing of the engine.", file=sys.stderr)
        return FAULT
    return status


def _write_no_more() -> None:
    """Send what still waits to be written nowhere, so that Python can end without another complaint."""
    os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())


def _run(arguments: list[str]) -> int:
    parser, commands = _parsers()
    if not arguments or arguments[0] not in (*commands, "-h", "--help", "--version"):
        arguments = ["open", *arguments]  # what most people want needs no command
    options = parser.parse_args(arguments)
    return int(options.run(options, commands[options.command]))


def _parsers() -> tuple[argparse.ArgumentParser, dict[str, argparse.ArgumentParser]]:
    """Give the parser of the whole line, and that of each command."""
    whole = _parser("honest-lift", description=_DESCRIPTION, epilog=_EXAMPLES, usage="honest-lift [command] …")
    whole.add_argument("--version", action="version", version=f"Honest Lift {__version__}")
    told = whole.add_subparsers(dest="command", title="commands", metavar="")
    commands = {}
    for name, about, fill, run in (
        ("open", "open the window with an engine; the command may be left out", _fill_open, _window),
        ("check", "print every finding of an engine, with its reason", _fill_check, _check),
        ("curves", "print valve lift, velocity, acceleration and piston around the turn", _fill_curves, _curves),
        ("gauges", "open a simulated bench whose tools send over lines, with a practice case", gauges.fill, gauges.run),
        ("report", "write the build sheet of an engine, as HTML or PDF", report.fill, report.run),
        ("export", "write readings and findings as CSV and JSON into a folder", export.fill, export.run),
        ("verify", "prove the book of an engine file: every entry, every fact", _fill_verify, _verify),
        ("shots", "draw every main view with the demonstration engine, 1280x800", _fill_shots, _shots),
    ):
        shown = "honest-lift" if name == "open" else f"honest-lift {name}"
        one = told.add_parser(name, prog=shown, help=about, description=f"{about[:1].upper()}{about[1:]}.")
        fill(one)
        one.set_defaults(run=run)
        commands[name] = one
    return whole, commands


def _parser(name: str, **more: str) -> argparse.ArgumentParser:
    return argparse.ArgumentParser(prog=name, formatter_class=argparse.RawDescriptionHelpFormatter, **more)  # type: ignore[arg-type]


def _fill_open(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("file", nargs="*", type=Path, help="an engine file to open")
    parser.add_argument(
        "--demo", nargs="?", const=FIRST, metavar="NAME", help=f"open an invented demonstration engine: {NAMES}"
    )
    parser.add_argument("--platform", help="Qt's platform, such as offscreen; without one a display is needed")
    parser.add_argument("--version", action="version", version=f"Honest Lift {__version__}")


def _fill_check(parser: argparse.ArgumentParser) -> None:
    parser.add_argument(
        "file", help="an engine file, or “demo” for the demonstration engine, “demo:four” for the second"
    )
    parser.add_argument("--json", action="store_true", help="as JSON, schema honest-lift/findings (docs/findings.md)")


def _fill_curves(parser: argparse.ArgumentParser) -> None:
    parser.add_argument(
        "file", help="an engine file, or “demo” for the demonstration engine, “demo:four” for the second"
    )
    parser.add_argument("--valve", default="", help="a valve of the cylinder, such as 3i; without one by the card")


def _fill_verify(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("file", type=Path, help="an engine file")
    parser.add_argument(
        "--fingerprint", default="", metavar="N-HEX", help="one that was printed of it, such as 128-9f86d081884c7d65"
    )


def _fill_shots(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("folder", type=Path, help="where the PNG files go; made if it is not there")


def _check(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    book = book_of(options.file)
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


def _curves(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    book = book_of(options.file)
    if book is None:
        return 2
    if options.valve and book.engine.position(options.valve) is None:
        names = " ".join(one.id for one in book.engine.layout.positions)
        print(
            f"honest-lift: “{options.valve}” is no valve of this engine; there are {names or 'none'}.", file=sys.stderr
        )
        return 2

    from honest_lift.estimates.train.turn import crank_of, turns_of
    from honest_lift.sheets.cam_curves import curves_csv

    turns, crank = turns_of(book, options.valve), crank_of(book)
    for missing in [one.missing for one in turns.values() if one.missing]:
        print(f"honest-lift: {missing}.", file=sys.stderr)
    if not any(one.valve for one in turns.values()):
        return 3
    print(curves_csv(turns, None if isinstance(crank, str) else crank, book.engine.unit("length")), end="")
    return 0


def _verify(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    from honest_lift.facts.file import FileError, proof_of_file
    from honest_lift.sheets.proof_text import proof_text
    from honest_lift.sheets.terminal import say

    try:
        proof = proof_of_file(options.file)
        lines, holds = proof_text(proof, options.fingerprint)
    except (FileError, ValueError) as error:
        say(f"honest-lift: {error}", sys.stderr)
        return FAULT
    for line in lines:
        say(line, sys.stdout)
    return 0 if holds else 1


def _shots(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
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


def _window(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    file = _one_file(options, parser)
    if not has_display(options):
        return FAULT
    gc.disable()  # nothing made at the start is thrown away; the window turns it on again when it has been drawn
    from honest_lift.desk.app import run

    return run(file, demo=options.demo or "")


def _one_file(options: argparse.Namespace, parser: argparse.ArgumentParser) -> Path | None:
    """Give the file to open. Ends with a sentence on several files, a file beside the demonstration, or a misspelt command."""
    names = [str(one) for one in options.file]
    if len(names) > 1:
        parser.error(f"{len(names)} files were given ({', '.join(names)}); one is opened at a time.{_meant(names[0])}")
    if names and options.demo:
        parser.error(f"both --demo and {names[0]} were given: one of them is opened.")
    if options.demo and options.demo not in DEMONSTRATIONS:
        file = options.demo if options.demo.endswith(".liftbook") or Path(options.demo).exists() else ""
        parser.error(f"both --demo and {file} were given: one of them is opened." if file else no_demo(options.demo))
    if names and not Path(names[0]).exists() and (meant := _meant(names[0])):
        parser.error(f"{names[0]}: there is no such file.{meant}")
    return options.file[0] if names else None


def _meant(word: str) -> str:
    """Ask about a command that a word may have been meant for; "" for none."""
    from difflib import get_close_matches

    near = get_close_matches(word, ("open", "check", "curves", "report", "export", "shots", "gauges", "verify"), 1, 0.6)
    return f" Was the command “{near[0]}” meant?" if near else ""


if __name__ == "__main__":
    sys.exit(main())
