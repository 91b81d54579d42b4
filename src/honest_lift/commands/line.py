"""The whole line: its parser with that of each command. Help, completion and the manual page come from them."""

from __future__ import annotations

import argparse

from honest_lift import __version__
from honest_lift.commands.every import COMMANDS

_EXAMPLES = """\
examples:
  honest-lift                          open the window with the last engine, or an empty one
  honest-lift --demo                   open it with the invented demonstration engine
  honest-lift --demo four              the second one, a four on buckets; check demo:four
  honest-lift river.liftbook           open an engine file
  honest-lift check river.liftbook     print every finding and its reason
  honest-lift check demo --json        the same as JSON (docs/findings.md)
  honest-lift curves demo --valve 3i   print valve lifts around the turn as CSV
  honest-lift match demo --invented    what on the invented shelf suits it; --list 1 what to buy
  honest-lift report demo --pdf a.pdf  write the build sheet; --paper order, book, shims, grid
  honest-lift export demo --to tables  readings and findings as CSV and JSON; --comma, --drawings
  honest-lift gauges 4                 a simulated bench with the course's fourth case
  honest-lift verify river.liftbook    prove that nothing in its book was altered
  honest-lift migrate old/*.liftbook   bring older files to this version, each kept beside
  honest-lift shots pictures           draw every main view as PNG, no monitor needed

check ends with 0 when all pass or are close, 1 when something fails, 3 when nothing fails but something is
unproven, 2 when the file can't be read or the answer can't be written. verify ends with 0 when all holds, 1 when not.
"""
_DESCRIPTION = "Proves valve springs, heights and clearances from real measurements with their uncertainty."


def parsers() -> tuple[argparse.ArgumentParser, dict[str, argparse.ArgumentParser]]:
    """Give the parser of the whole line, and that of each command: help, completion and the man page come from them."""
    whole = _parser("honest-lift", description=_DESCRIPTION, epilog=_EXAMPLES, usage="honest-lift [command] …")
    whole.add_argument("--version", action="version", version=f"Honest Lift {__version__}")
    told = whole.add_subparsers(dest="command", title="commands", metavar="")
    parsed = {}
    for one in COMMANDS:
        shown = "honest-lift" if one.name == "open" else f"honest-lift {one.name}"
        about = f"{one.about[:1].upper()}{one.about[1:]}."
        own = told.add_parser(one.name, prog=shown, help=one.about, description=about)
        one.fill(own)
        own.set_defaults(run=one.run)
        parsed[one.name] = own
    return whole, parsed


def _parser(name: str, **more: str) -> argparse.ArgumentParser:
    return argparse.ArgumentParser(prog=name, formatter_class=argparse.RawDescriptionHelpFormatter, **more)  # type: ignore[arg-type]
