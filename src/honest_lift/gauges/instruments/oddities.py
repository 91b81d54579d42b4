"""What is odd about a figure of a gauge, so that it is asked before it is taken: another unit, or a zero nobody has looked at."""

from __future__ import annotations

from honest_lift.gauges.instruments.pattern import Shown
from honest_lift.numbers.units import from_inside, to_inside, units_of

_NEAR = 0.15  # how near to a factor of two units a figure must lie to be taken for the other


def other_unit(value: float, others: list[float], plausible: tuple[float, float], dimension: str, unit: str) -> str:
    """Give the unit a gauge seems to be set to, where it is not `unit`; "" where nothing speaks for it.

    `value` and `others`, what was read so of the same at other places, in the inside unit; `plausible`: what such a thing
    mostly is. A figure that fits both, or neither, says nothing.

    >>> other_unit(46.1 * 25.4, [46.0, 46.2], (30.0, 60.0), "length", "in")
    'mm'
    >>> other_unit(46.1, [46.0], (30.0, 60.0), "length", "mm")
    ''
    """
    if value <= 0.0:
        return ""
    factor = {one.symbol: float(one.factor) for one in units_of(dimension)}
    for other in _SWITCHED.get(dimension, ()):
        meant = value * factor[other] / factor[unit]
        if other != unit and _fits(meant, others, plausible) and not _fits(value, others, plausible):
            return other
    return ""


_SWITCHED = {"length": ("mm", "in"), "load": ("lbf", "N", "kgf"), "mass": ("g", "kg", "oz")}  # as gauges are switched


def _fits(value: float, others: list[float], plausible: tuple[float, float]) -> bool:
    """Tell whether a figure is like those of other places, or, where there are none, like what such a thing mostly is."""
    if not others:
        return plausible[0] <= value <= plausible[1]
    usual = sorted(others)[len(others) // 2]
    return usual > 0.0 and abs(value / usual - 1.0) < _NEAR


def meant_by(value: float, dimension: str, unit: str, other: str) -> float:
    """Give what a figure is, in the inside unit, that was taken for `unit` and meant `other`.

    >>> meant_by(25.4, "length", "mm", "in")
    645.16
    """
    return to_inside(from_inside(value, dimension, unit), dimension, other)


_CLOSED_STEPS = 100  # of its last digit: a gauge that shows more has something in it


def is_closed(shown: Shown) -> bool:
    """Tell whether a gauge can be closed on nothing with what it shows."""
    return abs(shown.value) <= _CLOSED_STEPS * shown.step


class Zero:
    """Keeps the readings since a gauge's zero was looked at. `after`: when it is due; 0 for never."""

    def __init__(self, after: int) -> None:
        self.after = after
        self.since: list[str] = []  # ids of readings

    @property
    def is_due(self) -> bool:
        """Tell whether it should be looked at before another reading is taken."""
        return 0 < self.after <= len(self.since)

    def took(self, reading: str) -> None:
        """Take notice of a reading."""
        self.since.append(reading)

    def looked_at(self, shown: Shown) -> tuple[float, tuple[str, ...]]:
        """Take notice of what the gauge shows closed: how far it has drifted, in its unit, and the readings that stand in doubt.

        Within a step of its last digit it has not drifted; then nothing is in doubt.
        """
        since, self.since = tuple(self.since), []
        drifted = abs(shown.value) > 1.01 * shown.step
        return (shown.value, since) if drifted else (0.0, ())
