"""Every main view as PNG, no monitor needed."""

from __future__ import annotations

import argparse
import os
import sys
from pathlib import Path

from honest_lift.commands.given import FAULT, add_force, may_write


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument("folder", type=Path, help="where the PNG files go; made if it is not there")
    add_force(parser)


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    os.environ["QT_QPA_PLATFORM"] = "offscreen"
    from honest_lift.desk.qt_there import has_qt

    if not has_qt():
        return FAULT
    from honest_lift.desk.shots import names, take_shots

    try:
        options.folder.mkdir(parents=True, exist_ok=True)
        if not may_write([options.folder / name for name in names()], force=options.force):
            return FAULT
        for path in take_shots(options.folder):
            print(path)
    except OSError as error:
        print(f"honest-lift: {options.folder}: pictures can't be written: {error.strerror}.", file=sys.stderr)
        return FAULT
    return 0
