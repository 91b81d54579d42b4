"""What is seen of valve trains in motion during the last cycle of each: gaps, bounce, blows, coils, forces.

Source: the definitions; common practice for what counts as loft.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

LOFT_LIFT_MM = 1.0  # lift above which a gap in the train counts as loft: lash and ramps lie below it
_NEAR_SEAT_MM = 0.05  # so near its seat a falling valve is about to meet it
SPANS = 144  # of the cycle, over each of which it is kept how far a valve stood beyond what was asked


@dataclass(frozen=True, slots=True)
class Moved:
    """What trains did in their last cycle, over (c,): mm, N, mm/s.

    `loft_mm`: widest gap in the train, between cam and lifter or lifter and valve, while the cam asks for over LOFT_LIFT_MM;
    `bounce_mm`: highest the valve stood while the cam asked for nothing; `seating_mm_s`: fastest it met its seat; `coil_gap_mm`:
    the least that was left between the coils that close last, over all of them; `push_n`: largest force through the train;
    `lift_mm`: greatest lift; `beyond_mm` (c, SPANS): farthest the valve stood open beyond what the cam asks for, over each span of
    the crank from -360 degrees about the lobe's centre on.
    """

    loft_mm: Array
    bounce_mm: Array
    seating_mm_s: Array
    coil_gap_mm: Array
    push_n: Array
    lift_mm: Array
    beyond_mm: Array


@dataclass(frozen=True, slots=True)
class Trace:
    """The last cycle (t, c): crank degrees about the lobe's centre, lift asked for and reached in mm, train and springs in N."""

    crank_deg: Array
    asked_mm: Array
    lift_mm: Array
    push_n: Array
    spring_n: Array


class _Coils(Protocol):
    room: Array
    shorter: Array


class Watch:
    """Looks now and then, and keeps the extremes (c,). `keeps`: every look of all columns as well."""

    def __init__(self, columns: int, *, keeps: bool = False) -> None:
        self._loft, self._bounce, self._seating, self._push, self._lift = (np.zeros(columns) for _ in range(5))
        self._coils = np.full(columns, np.inf)
        self._beyond, self._first = np.zeros(columns * SPANS), np.arange(columns) * SPANS
        self._kept: list[tuple[Array, ...]] | None = [] if keeps else None
        self._last: Array | None = None

    def look(
        self, counts: NDArray[np.bool_], crank_deg: Array, asked: Array, gap: Array, x: Array, speed: Array, push: Array,
        top: Array, coils: _Coils,
    ) -> None:  # fmt: skip
        """Look at all columns; those whose last cycle has begun count."""
        _raise(self._loft, gap, counts & (asked > LOFT_LIFT_MM))
        shut = counts & (asked <= 0.0)
        _raise(self._bounce, x, shut)
        _raise(self._seating, -speed, counts & (x < _NEAR_SEAT_MM))
        _raise(self._push, push, counts)
        _raise(self._lift, x, counts)
        self._beyond_asked(crank_deg, np.where(counts, x - np.maximum(asked, 0.0), 0.0))
        np.minimum(self._coils, self._left(coils), out=self._coils, where=counts)
        if self._kept is not None and counts.all():
            self._kept.append((crank_deg, asked, x.copy(), push, top))

    def _beyond_asked(self, crank_deg: Array, beyond: Array) -> None:
        """Keep how far each valve stands beyond what is asked, in the span of the cycle it is in."""
        span = self._first + np.minimum((crank_deg + 360.0) * (SPANS / 720.0), SPANS - 1.0).astype(np.int64)
        self._beyond[span] = np.maximum(self._beyond[span], beyond)

    def _left(self, coils: _Coils) -> Array:
        """Give what is left between the coils of each spring that close last, over all of them; of the one with the least."""
        if self._last is None:
            widest = coils.room.max(axis=1, keepdims=True)
            last = coils.room >= widest - 1e-9
            self._last = np.where(last, last.sum(axis=1, keepdims=True), np.nan)
        with np.errstate(invalid="ignore"):
            return np.asarray(np.nanmin((coils.room - coils.shorter) * self._last, axis=(0, 1)))

    def moved(self) -> Moved:
        """Give what was seen."""
        beyond = self._beyond.reshape(-1, SPANS)
        return Moved(self._loft, self._bounce, self._seating, self._coils, self._push, self._lift, beyond)

    def trace(self) -> Trace:
        """Give every look."""
        return Trace(*(np.array(column) for column in zip(*(self._kept or []), strict=True)))


def _raise(most: Array, value: Array, counts: NDArray[np.bool_]) -> None:
    np.maximum(most, value, out=most, where=counts)
