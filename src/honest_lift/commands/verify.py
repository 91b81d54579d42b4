"""The book of an engine file, proven: every entry, every fact."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from honest_lift.commands.given import FAULT
from honest_lift.commands.stopping import reader_may_leave


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument("file", type=Path, help="an engine file")
    parser.add_argument(
        "--fingerprint", default="", metavar="N-HEX", help="one that was printed of it, such as 128-9f86d081884c7d65"
    )


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status: 0 when all holds, 1 when not."""
    from honest_lift.facts.file import FileError, proof_of_file
    from honest_lift.sheets.proof_text import proof_text
    from honest_lift.sheets.terminal import say

    try:
        proof = proof_of_file(options.file)
        lines, holds = proof_text(proof, options.fingerprint)
    except (FileError, ValueError) as error:
        say(f"honest-lift: {error}", sys.stderr)
        return FAULT
    with reader_may_leave():
        for line in lines:
            say(line, sys.stdout)
    return 0 if holds else 1
