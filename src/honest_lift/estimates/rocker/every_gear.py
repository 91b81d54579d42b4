"""The gear of every valve at once: true lift, mark, half-lift angle and ratio, with their doubt and what bars them.

Valves with the very same gear are worked out once. A gear that can't be, or within its doubts may not reach, has no figure.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace as with_figures
from functools import partial

import numpy as np
from msgspec import Struct

from honest_lift.estimates.alike import Parts, derive_of, first_of_each, laid_out, plain
from honest_lift.estimates.estimate import Estimate, column
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.rocker.gear import FIGURES, figures_of
from honest_lift.estimates.rocker.parts import QUOTED, RESTS_ON, kind_of, told_everywhere
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import by_place
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.mechanics.rocker.finger import FingerGear, set_on_pivot
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud
from honest_lift.mechanics.rocker.tip_end import OnTheTip, works
from honest_lift.mechanics.rocker.witness_mark import mark_of
from honest_lift.numbers.doubt import Array, Figure, Ground

AS_WELL_AS_STATED = Ground.SPECIFIED | Ground.PREDICTED  # what a known change moved still goes before a nominal ratio
BY_TIP = "by_tip"
_RAISED_MM = 0.1  # small enough for a slope
_MOST_RANGES = 3  # so many assumed ranges are scanned over their whole grid; more only say that nothing is proven
_SLOTS = slots_of(RESTS_ON)


class Rockers(Struct, frozen=True):
    """FIGURES of every valve in head order, and BY_TIP, as an estimate (n, 7); which are known as well as a stated ratio is, if
    only predicted.

    BY_TIP: how the angle at half lift changes with the tip's height, degrees a mm, pushrod and stand as they are.
    """

    figures: Estimate
    proven: np.ndarray

    def of(self, name: str) -> Estimate:
        """Give one of FIGURES as an estimate (n,)."""
        return column(self.figures, (*FIGURES, BY_TIP).index(name))


def rockers_of(book: Book) -> Rockers | None:
    """Give the gear of every valve as it is stated; None for buckets, without valves, or where no dimension is told yet."""
    if kind_of(book.engine) is None or not book.engine.layout.positions:
        return None
    return _rockers(narrowed(book, RESTS_ON, _SLOTS)) if _begun(book) else None


def _begun(book: Book) -> bool:
    """Tell whether anybody has stated or read a dimension of the gear: most engines begin without."""
    kind = kind_of(book.engine)
    names = frozenset((*(kind.names if kind else ()), *QUOTED)) - {"lobe_lift", "lash"}
    return any(one.quantity in names for one in book.engine.facts) or any(
        name in names for name, _ in by_place(book.journal)
    )


@by_value
def _rockers(book: Book) -> Rockers:
    figures = of_every_valve(book, partial(_figures, on_shaft=book.engine.rocker_mount == "shaft"))
    ground = figures.figure.ground
    proven = (ground & ~int(AS_WELL_AS_STATED)) == 0
    return Rockers(figures, proven & np.isfinite(figures.figure.value).all(axis=1))


def _figures(gear: OnTheTip, lobe: Array, lash: Array, *, on_shaft: bool) -> Array:
    raised = _under_a_raised_tip(gear, lash, on_shaft=on_shaft)
    by_tip = (mark_of(raised, lobe).off_square_deg - mark_of(gear, lobe).off_square_deg) / _RAISED_MM
    return np.concatenate([figures_of(gear, lobe, lash), by_tip[..., None]], axis=-1)


def _under_a_raised_tip(gear: OnTheTip, lash: Array, *, on_shaft: bool) -> OnTheTip:
    """Give the gear over a raised tip: the nut or screw takes the lash up; on a fixed pivot a thinner pad does."""
    if isinstance(gear, FingerGear):
        return gear if on_shaft else set_on_pivot(gear.raised(_RAISED_MM), lash)
    assert isinstance(gear, PushrodGear)
    lower = with_figures(gear, lifter_y=gear.lifter_y - _RAISED_MM, pivot_up=gear.pivot_up - _RAISED_MM)
    return set_on_shaft(lower, lash) if on_shaft else set_on_stud(lower, lash)


Work = Callable[..., Array]


def of_every_valve(book: Book, work: Work, others: tuple[str, ...] = (), off_mm: float = 0.0) -> Estimate:
    """Give what is worked from gear, lobe lift, lash and `others` at every valve, as an estimate (n, k).

    `work` takes a gear and arrays (copies, n) and gives (copies, n, k). `off_mm`: added to the part that is moved to put the
    geometry right.
    """
    kind = kind_of(book.engine)
    assert kind is not None

    def worked(parts: Parts) -> Array:
        gear, lobe = kind.make(off_mm, parts), parts["lobe_lift"]
        reached = np.where(works(gear, lobe), lobe, np.nan)
        return work(gear, reached, parts["lash"], *(parts[name] for name in others))

    more = {name: at_each_valve(book, name) for name in others}
    told = [
        {**one.parts, **{name: each[case] for name, each in more.items()}}
        for case, one in enumerate(told_everywhere(book))
    ]
    first, of_valve = first_of_each([tuple(map(plain, one.values())) for one in told])
    with np.errstate(invalid="ignore", divide="ignore"):
        figure = derive_of(worked, laid_out([told[case] for case in first], _MOST_RANGES)).figure
    return Estimate(_sound(figure).take(np.array(of_valve, dtype=np.int64)), tuple(tuple(one.values()) for one in told))


def _sound(figure: Figure) -> Figure:
    """Bar what has no figure, or whose links may not reach with a fact displaced by its doubt."""
    lacking = np.asarray(~np.isfinite(figure.value).all(axis=-1), dtype=bool)
    reaches = np.ones(len(lacking), dtype=bool)
    for copies in (figure.plus, figure.minus, figure.grid):
        if len(copies):
            reaches &= np.isfinite(copies).all(axis=-1).all(axis=0)
    figure = figure.on_ground(lacking, Ground.MISSING)
    return figure.on_ground(np.logical_and(~lacking, ~reaches), Ground.UNSOUND)
