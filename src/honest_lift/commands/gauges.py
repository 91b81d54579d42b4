"""The simulated bench, with a practice case."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.commands.given import FAULT, has_display

if TYPE_CHECKING:
    from honest_lift.gauges.practice.case import Case


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument(
        "case", nargs="?", default="", help="a case of the course by its number, or a case's file; else you choose"
    )
    parser.add_argument("--list", action="store_true", help="list the course, and how you get on with it")
    parser.add_argument("--platform", help="Qt's platform, such as offscreen; without one a display is needed")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    from honest_lift.gauges.practice.case import read_case
    from honest_lift.gauges.practice.course import COURSE, course_case
    from honest_lift.numbers.mendable import MendableError

    try:
        if options.list:
            from honest_lift.gauges.practice.progress import results
            from honest_lift.words.practice import progress_lines

            print("\n".join(progress_lines(results(), COURSE)))
            return 0
        case = course_case(options.case)
        if case is None and options.case:
            if not Path(options.case).exists():
                raise MendableError(
                    f"“{options.case}” is no case of the course, 1 to {len(COURSE)}, and there is no such file."
                )
            case = read_case(Path(options.case))
    except MendableError as error:
        from honest_lift.sheets.terminal import say

        say(f"honest-lift: {error}", sys.stderr)
        return FAULT
    return _bench(case) if has_display(options) else FAULT


def _bench(case: Case | None) -> int:
    from honest_lift.desk.bench.app import run_bench

    return run_bench(case)
