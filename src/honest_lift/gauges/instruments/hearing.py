"""What is heard of an instrument: each line understood, in order, once; what is none, said. No port and no clock in it.

The line that was under way when a port was opened is let go, for its head is missing: unless the instrument was silent for longer
than a line takes, or answers only when asked. A line that is cut off by unplugging is never read.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal

from msgspec import Struct

from honest_lift.gauges.instruments.instrument import Instrument
from honest_lift.gauges.instruments.pattern import Shown
from honest_lift.gauges.instruments.splitter import Splitter
from honest_lift.gauges.instruments.steady import Steady

_SHOWN_OF_LINE = 40


class Heard(Struct, frozen=True):
    """One thing that was heard. `kind`: a figure, something odd, or that the instrument is there, or gone.

    `is_steady`: the figure may be taken. `stand`: counts the stands of a gauge that sends all the time, and the lines of one that
    does not: two figures with one number are one reading. `moving_by`: how far it moved over the last lines, in its unit. `line`:
    as it came.
    """

    kind: Literal["figure", "odd", "there", "gone"]
    shown: Shown | None = None
    words: str = ""
    is_steady: bool = False
    stand: int = 0
    moving_by: float = 0.0
    line: str = ""


class Hearing:
    """Understands what comes from one instrument."""

    def __init__(self, instrument: Instrument) -> None:
        self.instrument = instrument
        self._steady = Steady(instrument.steady_lines, instrument.steady_steps, instrument.steady_s)
        self._splitter = Splitter()
        self._opened_s: float | None = None
        self._lines = 0

    def opened(self, at_s: float) -> Heard:
        """Take notice that the port is open."""
        self._splitter = Splitter(starts_amid=not self.instrument.asks)
        self._opened_s = at_s
        self._steady.forget()
        return Heard("there", words=f"{self.instrument.name} is on the line")

    def fed(self, data: bytes, at_s: float) -> Iterator[Heard]:
        """Understand what came. Lines come in order, none twice."""
        if not data:
            return
        if self._opened_s is not None:
            if at_s - self._opened_s > self.instrument.line_s:  # it was silent: this is a line from its head
                self._splitter = Splitter()
            self._opened_s = None
        for line, why in self._splitter.feed(data):
            yield self._understood(line, at_s) if not why else Heard("odd", words=f"{self.instrument.name}: {why}")

    def lost(self, why: str) -> Heard:
        """Take notice that the port is gone; half a line is let go."""
        half = self._splitter.cut()
        self._steady.forget()
        cut = f"; the line it was sending, “{half[:_SHOWN_OF_LINE]}”, is not taken" if half else ""
        return Heard("gone", words=f"{self.instrument.name} is gone: {why}{cut}")

    def absent(self, why: str) -> Heard:
        """Take notice that there is nobody on the port."""
        return Heard("gone", words=f"{self.instrument.name} is not there: {why}")

    def _understood(self, line: str, at_s: float) -> Heard:
        shown = self.instrument.pattern.read(line)
        if isinstance(shown, str):
            words = f"{self.instrument.name} sent “{line[:_SHOWN_OF_LINE]}”, which is not taken: {shown}"
            return Heard("odd", words=words, line=line)
        if not self.instrument.streams:
            self._lines += 1
            return Heard("figure", shown, is_steady=True, stand=self._lines, line=line)
        is_steady = self._steady.takes(shown, at_s)
        low, high = self._steady.span
        return Heard("figure", shown, is_steady=is_steady, stand=self._steady.stand, moving_by=high - low, line=line)
