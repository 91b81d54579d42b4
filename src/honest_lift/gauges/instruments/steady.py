"""Whether a gauge stands still: its last lines lie within a step or so of each other, for long enough."""

from __future__ import annotations

from collections import deque
from typing import NamedTuple

from honest_lift.gauges.instruments.pattern import Shown


class _Came(NamedTuple):
    shown: Shown
    at_s: float


class Steady:
    """Watches the lines of a gauge. `lines` of them over `for_s` within `steps` of its last digit are a stand.

    `stand` counts them: a gauge that creeps away from where its stand began is another, though each line is next to the last.
    """

    def __init__(self, lines: int, steps: int, for_s: float) -> None:
        self._lines, self._steps, self._for_s = lines, steps, for_s
        self._last: deque[_Came] = deque()
        self._began: Shown | None = None  # where the stand it is in began
        self.stand = 0

    def takes(self, shown: Shown, at_s: float) -> bool:
        """Take a line, and tell whether the gauge stands still with it."""
        if self._last and self._last[-1].shown.unit != shown.unit:
            self._last.clear()
        self._last.append(_Came(shown, at_s))
        while len(self._last) > self._lines and at_s - self._last[1].at_s >= self._for_s:
            self._last.popleft()
        low, high = self.span
        long_enough = len(self._last) >= self._lines and at_s - self._last[0].at_s >= self._for_s
        if not long_enough or high - low > (self._steps + 0.01) * shown.step:
            self._began = None
            return False
        if self._began is None or abs(shown.value - self._began.value) > (self._steps + 1.01) * shown.step:
            self._began = shown
            self.stand += 1
        return True

    @property
    def span(self) -> tuple[float, float]:
        """Give the least and most of the last lines, in their unit."""
        values = [one.shown.value for one in self._last]
        return (min(values), max(values)) if values else (0.0, 0.0)

    def forget(self) -> None:
        """Begin anew: what came before was another stand."""
        self._last.clear()
        self._began = None
