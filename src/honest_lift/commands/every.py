"""Every command in the order they are told: its name, what it is for, what it takes, and what it does."""

from __future__ import annotations

import argparse
from collections.abc import Callable

from msgspec import Struct

from honest_lift.commands import (
    check,
    completion,
    curves,
    export,
    gauges,
    install,
    match,
    migrate,
    opening,
    report,
    shots,
    verify,
)


class Command(Struct, frozen=True):
    """One command. `about` begins small; `fill` gives its parser what it takes, `run` does it and gives the exit status."""

    name: str
    about: str
    fill: Callable[[argparse.ArgumentParser], None]
    run: Callable[[argparse.Namespace, argparse.ArgumentParser], int]


COMMANDS = (
    Command("open", "open the window with an engine; the command may be left out", opening.fill, opening.run),
    Command("check", "print every finding of an engine, with its reason", check.fill, check.run),
    Command("match", "list what on a shelf of parts suits an engine", match.fill, match.run),
    Command("report", "write papers: build sheet, work order, book, shim card, a blank grid", report.fill, report.run),
    Command("export", "write readings and findings as CSV and JSON, drawings as SVG and PNG", export.fill, export.run),
    Command("curves", "print valve lift, velocity, acceleration and piston around the turn", curves.fill, curves.run),
    Command("verify", "prove the book of an engine file: every entry, every fact", verify.fill, verify.run),
    Command("migrate", "bring engine files of an older version to the present one", migrate.fill, migrate.run),
    Command(
        "gauges", "open a simulated bench whose tools send over lines, with a practice case", gauges.fill, gauges.run
    ),
    Command("shots", "draw every main view with the demonstration engine, 1280x800", shots.fill, shots.run),
    Command("install", "put the program into the desktop's menu, or take it out again", install.fill, install.run),
    Command("completion", "print what makes a shell complete its commands", completion.fill, completion.run),
)
