"""The window, with an engine or the last one; what is typed without a command is for this one."""

from __future__ import annotations

import argparse
import gc
from difflib import get_close_matches
from pathlib import Path

from honest_lift import __version__
from honest_lift.commands.given import FAULT, NAMES, has_display, no_demo
from honest_lift.demo.demonstrations import DEMONSTRATIONS, FIRST


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument("file", nargs="*", type=Path, help="an engine file to open")
    parser.add_argument(
        "--demo", nargs="?", const=FIRST, metavar="NAME", help=f"open an invented demonstration engine: {NAMES}"
    )
    parser.add_argument("--platform", help="Qt's platform, such as offscreen; without one a display is needed")
    parser.add_argument("--version", action="version", version=f"Honest Lift {__version__}")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Open it, and give the exit status when it has been closed."""
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
    from honest_lift.commands.every import COMMANDS

    near = get_close_matches(word, [one.name for one in COMMANDS], 1, 0.6)
    return f" Was the command “{near[0]}” meant?" if near else ""
