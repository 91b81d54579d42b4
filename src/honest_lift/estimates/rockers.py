"""The gear of every valve at once: true lift, mark, half-lift angle and ratio, with their doubt and what bars them.

Valves with the very same gear are worked out once. A gear that can't be, or within its doubts may not reach, has no figure.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

import numpy as np
from msgspec import Struct

from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.rocker import FIGURES, figures_of
from honest_lift.estimates.rocker_parts import RESTS_ON, kind_of, told_everywhere
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, narrowed
from honest_lift.facts.remember import by_value
from honest_lift.mechanics.gear.on_the_tip import works
from honest_lift.numbers.doubt import Array, Figure, Ground

_MOST_RANGES = 3  # so many assumed ranges are scanned over their whole grid; more only say that nothing is proven
_SLOTS = slots_of(RESTS_ON)


class Rockers(Struct, frozen=True):
    """FIGURES of every valve in head order as an estimate (n, 6), and which of them are known as well as a stated ratio is."""

    figures: Estimate
    proven: np.ndarray

    def of(self, name: str) -> Estimate:
        """Give one of FIGURES as an estimate (n,)."""
        return column(self.figures, FIGURES.index(name))


def rockers_of(book: Book) -> Rockers | None:
    """Give the gear of every valve as it is stated; None where the engine has buckets or no valves."""
    if kind_of(book.engine) is None or not book.engine.layout.positions:
        return None
    return _rockers(narrowed(book, RESTS_ON, _SLOTS))


@by_value
def _rockers(book: Book) -> Rockers:
    figures = of_every_valve(book, figures_of)
    ground = figures.figure.ground
    proven = (ground & ~int(Ground.SPECIFIED)) == 0
    return Rockers(figures, proven & np.isfinite(figures.figure.value).all(axis=1))


Work = Callable[..., Array]


def of_every_valve(book: Book, work: Work, others: tuple[str, ...] = (), off_mm: float = 0.0) -> Estimate:
    """Give what is worked from gear, lobe lift, lash and `others` at every valve, as an estimate (n, k).

    `work` takes arrays (copies, n) and gives (copies, n, k). `off_mm`: added to the part that is moved to put the geometry right.
    """
    kind = kind_of(book.engine)
    assert kind is not None
    count = len(kind.names)

    def worked(*parts: Array) -> Array:
        parts = tuple(np.broadcast_arrays(*parts))
        gear = kind.make(off_mm, *parts[:count])
        lobe, lash = parts[count - 2], parts[count - 1]
        return work(gear, np.where(works(gear, lobe), lobe, np.nan), lash, *parts[count:])

    more = [at_each_valve(book, name) for name in others]
    told = [(*one.inputs, *(each[case] for each in more)) for case, one in enumerate(told_everywhere(book))]
    alike: dict[tuple[object, ...], int] = {}
    of_valve = [alike.setdefault(tuple(map(_plain, one)), len(alike)) for one in told]
    own = [_few_ranges(told[of_valve.index(case)]) for case in range(len(alike))]
    with np.errstate(invalid="ignore", divide="ignore"):
        figure = derive(
            worked, *(estimate_of([one[part] for one in own]) for part in range(count + len(others)))
        ).figure
    return Estimate(_sound(figure).take(np.array(of_valve, dtype=np.int64)), tuple(told))


def column(several: Estimate, at: int = 0) -> Estimate:
    """Give one of the figures (n, k) as an estimate (n,)."""
    one = several.figure
    figure = replace(
        one, value=one.value[:, at], plus=one.plus[..., at], minus=one.minus[..., at], grid=one.grid[..., at]
    )
    return Estimate(figure, several.inputs)


def _plain(one: Input) -> tuple[object, ...]:
    """Give what tells two inputs apart as far as figures go."""
    value = one.value if one.value == one.value else None  # NaN is not equal to itself
    return (value, one.own_u, one.shared, int(one.ground), one.low if one.low == one.low else None,
            one.high if one.high == one.high else None, one.low_is_physical)  # fmt: skip


def _few_ranges(parts: tuple[Input, ...]) -> tuple[Input, ...]:
    ranged = [one for one in parts if one.ground & Ground.ASSUMED and not one.ground & Ground.UNRANGED]
    if len(ranged) <= _MOST_RANGES:
        return parts
    return tuple(replace(one, ground=one.ground | Ground.UNRANGED) if one in ranged else one for one in parts)


def _sound(figure: Figure) -> Figure:
    """Bar what has no figure, or whose links may not reach with a fact displaced by its doubt."""
    lacking = np.asarray(~np.isfinite(figure.value).all(axis=-1), dtype=bool)
    reaches = np.ones(len(lacking), dtype=bool)
    for copies in (figure.plus, figure.minus, figure.grid):
        if len(copies):
            reaches &= np.isfinite(copies).all(axis=-1).all(axis=0)
    figure = figure.on_ground(lacking, Ground.MISSING)
    return figure.on_ground(np.logical_and(~lacking, ~reaches), Ground.UNSOUND)
