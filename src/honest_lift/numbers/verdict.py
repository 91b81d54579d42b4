"""The four verdicts. They are decided in `decision`; this file stands apart so that a window can show them early."""

from __future__ import annotations

from collections.abc import Iterable
from enum import IntEnum


class Verdict(IntEnum):
    """The four verdicts, in rising order of what must be looked at first."""

    PASSES = 0
    CLOSE = 1
    UNPROVEN = 2
    FAILS = 3

    @property
    def word(self) -> str:
        """Give the verdict's word."""
        return self.name.lower()


def worst(verdicts: Iterable[Verdict]) -> Verdict:
    """Give the verdict of a whole: fails > unproven > close > passes; nothing at all is unproven."""
    return max(verdicts, default=Verdict.UNPROVEN)
