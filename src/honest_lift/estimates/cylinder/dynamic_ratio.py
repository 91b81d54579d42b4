"""The effective ratio: what is compressed from where the intake closes, by the real cam, at a check lift that is named."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np
from msgspec import Struct

from honest_lift.estimates.alike import Parts, derive_of, laid_out, worked_alike
from honest_lift.estimates.cylinder.clearance_volume import LeftOver
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.train.assembled import EveryTrain, Lifted
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, Place, at_position
from honest_lift.mechanics.clearance.piston_valve import piston_drop
from honest_lift.mechanics.cylinder.volumes import compression_ratio, disc_cc
from honest_lift.numbers.doubt import Array, Ground

USUAL_LIFT_MM = 0.050 * 25.4  # the check lift where nobody has chosen one: a convention, and named with the figure
_CLOSING = np.arange(130.0, 331.0, 2.0)  # crank degrees from TDC of the overlap that an intake closes within
_MOST_RANGES = 3


class Effective(Struct, frozen=True):
    """Of every cylinder (n,): the effective ratio, and the crank degrees from TDC of the overlap its intake closes at."""

    ratio: Estimate
    closes_deg: Array
    lift_mm: float


class _Closing(Struct, frozen=True):
    """The first intake of a cylinder, ready to be turned to where it closes; or what is missing."""

    position: str
    lifted: Lifted
    missing: tuple[Input, ...]

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give its parts."""
        return self.lifted.inputs

    @property
    def alike(self) -> tuple[object, ...]:
        """Give how it is carried."""
        return self.lifted.alike

    @property
    def lobes(self) -> object:
        """Give what tells its lobe from others."""
        return self.lifted.lobe_key


def check_lift_mm(book: Book) -> float:
    """Give the intake valve lift at which compression is taken to begin."""
    chosen = resolve(book, "check_lift", ENGINE).value
    return chosen if isfinite(chosen) else USUAL_LIFT_MM


def dynamic_ratio(book: Book, whole: LeftOver) -> Effective:
    """Work it out for every cylinder in head order. What lacks a part, or whose valve never lifts so far, has no figure."""
    lift_mm = check_lift_mm(book)
    intakes = _intakes(book, whole.chambers.cylinders)
    closes = worked_alike(
        "lobe_shape", intakes, lambda some, rows, of_row: _closes(book, [one.lifted for one in some], lift_mm)
    )
    cylinders = whole.chambers.cylinders
    crank = [estimate_of([_of_engine(book, name)] * len(cylinders)) for name in ("stroke", "rod_length", "pin_offset")]
    bore = estimate_of([of_cylinder(book, "bore", one) for one in cylinders])
    ratio = derive(_ratio, closes, *crank, bore, whole.left)
    figure = ratio.figure.on_ground(~np.isfinite(ratio.figure.value), Ground.MISSING)
    chosen = resolve(book, "check_lift", ENGINE)
    if chosen.ground & ~Ground.MISSING:  # nobody has to choose one, and what was chosen is held to what it is
        figure = figure.on_ground(np.full(len(cylinders), True), chosen.ground)
        ratio = Estimate(figure, tuple((*own, chosen) for own in ratio.inputs))
    return Effective(Estimate(figure, ratio.inputs), closes.figure.value, lift_mm)


def _of_engine(book: Book, name: str) -> Input:
    told = resolve(book, name, ENGINE)
    if name == "pin_offset" and not told.is_told:
        return Input(name, "", "not applicable", 0.0, asked=ENGINE)
    return told


def _intakes(book: Book, cylinders: Sequence[str]) -> list[_Closing]:
    known, layout = EveryTrain(book), book.engine.layout
    order = [one.id for one in layout.positions]
    found = []
    for cylinder in cylinders:
        position = next((one for one in layout.of_cylinder(cylinder) if at_position(one).role == "intake"), "")
        if not position:
            lacking = Input("lobe_shape", "", "missing", ground=Ground.MISSING, asked=Place("cylinder", cylinder))
            found.append(_Closing(layout.of_cylinder(cylinder)[0], Lifted(), (lacking,)))
            continue
        lifted = known.lifted(order.index(position), position)
        found.append(_Closing(position, lifted, lifted.missing))
    return found


def _closes(book: Book, lifted: Sequence[Lifted], lift_mm: float) -> Estimate:
    """Give the crank degrees from TDC at which valves that are carried alike fall through a lift, (n,)."""
    motion = Motion(book, lifted)

    def closing(parts: Parts) -> Array:
        return _falls_through(motion.lift(_CLOSING[:, None, None], parts), lift_mm)

    with np.errstate(invalid="ignore"):
        return derive_of(closing, laid_out([one.parts for one in lifted], _MOST_RANGES))


def _falls_through(lifts: Array, lift_mm: float) -> Array:
    """Give where lifts (k, ...) over _CLOSING last fall through a lift, by the chord; NaN where none does."""
    falls = (lifts[:-1] > lift_mm) & (lifts[1:] <= lift_mm)
    row = falls.shape[0] - 1 - np.argmax(falls[::-1], axis=0)
    before, after = (np.take_along_axis(lifts, (row + by)[None], axis=0)[0] for by in (0, 1))
    share = (before - lift_mm) / np.where(before > after, before - after, np.nan)
    at = _CLOSING[row] + share * (_CLOSING[1] - _CLOSING[0])
    return np.asarray(np.where(falls.any(axis=0), at, np.nan))


def _ratio(closes: Array, stroke: Array, rod: Array, offset: Array, bore: Array, left: Array) -> Array:
    """Give the ratio of what is over the piston where the intake closes to what is left at TDC."""
    drop = piston_drop(closes, stroke, rod, offset)
    return compression_ratio(disc_cc(bore, drop), left)
