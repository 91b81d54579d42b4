"""A simulated stand-in for a degree wheel and indicator on a line: an invented lobe, walked in steps.

It dwells, turns back once to take up the slack as a person does, and misreads a little; every walk is another. Invented.
"""

from __future__ import annotations

import random
import threading
from collections.abc import Iterator
from math import cos, pi

_START_DEG, _END_DEG, _STEP_DEG = -130.0, 330.0, 2.0
_MIDDLE_DEG, _HALF_DEG, _LIFT_MM = 106.0, 142.0, 8.9
_WHEEL_DEG, _INDICATOR_MM = 0.15, 0.01
_BACK_ROWS = 3


class WalkedLobe:
    """The stand-in. `pause_s`: between two lines; `seed`: another seed walks with other misreadings."""

    name = "simulated degree wheel (invented lobe)"

    def __init__(self, pause_s: float = 0.02, seed: int | None = None) -> None:
        self._pause_s, self._random = pause_s, random.Random(seed)

    def lines(self, stop: threading.Event) -> Iterator[str]:
        """Give a heading and each row as it is read."""
        yield "crank deg; lift mm"
        steps = [_START_DEG + _STEP_DEG * i for i in range(int((_END_DEG - _START_DEG) / _STEP_DEG) + 1)]
        for at in steps[:_BACK_ROWS] + steps:
            if stop.wait(self._pause_s):
                return
            yield f"{at:.1f}; {self._lift(at):.2f}"

    def _lift(self, at: float) -> float:
        share = abs(at + self._random.gauss(0.0, _WHEEL_DEG) - _MIDDLE_DEG) / _HALF_DEG
        lift = _LIFT_MM * ((1 + cos(pi * share)) / 2) ** 1.5 if share < 1 else 0.0
        return round(lift / _INDICATOR_MM) * _INDICATOR_MM
