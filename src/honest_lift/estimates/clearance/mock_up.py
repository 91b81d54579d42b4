"""A mock-up of two valves at TDC of the overlap on the bench: how far each is opened, and how far its stem then protrudes.

Stem protrusion less TDC lift: common practice, no source.
"""

from __future__ import annotations

from math import isfinite, nan

import numpy as np
from msgspec import Struct

from honest_lift.estimates.alike import values_of
from honest_lift.estimates.cam.card import lobe_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position


class Opened(Struct, frozen=True):
    """A valve for the mock-up: open by a lift, told from where, its stem protruding so far when closed; mm, NaN: not known."""

    position: str
    lift_mm: float = nan
    told_by: str = ""
    closed_mm: float = nan

    @property
    def set_to_mm(self) -> float:
        """Give how far the stem is to protrude.

        >>> round(Opened("1i", 0.226, closed_mm=2.010).set_to_mm, 3)  # in any one unit
        1.784
        """
        return self.closed_mm - self.lift_mm


def opened_at_tdc(book: Book, position: str) -> Opened:
    """Give the lift of a valve at overlap TDC: as it was read, by its lobe, else by its card; and its protrusion."""
    closed = at_valve(book, "stem_tip_height", position).sound
    for told_by, lift in (("read", _read), ("its lobe", _by_lobe), ("its card", _by_card)):
        if isfinite(value := lift(book, position)):
            return Opened(position, value, told_by, closed)
    return Opened(position, closed_mm=closed)


def _read(book: Book, position: str) -> float:
    return at_valve(book, "tdc_lift", position).sound


def _by_lobe(book: Book, position: str) -> float:
    order = [one.id for one in book.engine.layout.positions]
    lifted = EveryTrain(book).lifted(order.index(position), position)
    if lifted.missing or lifted.lobe is None:
        return nan
    return float(Motion(book, [lifted]).lift(np.array([[0.0]]), values_of(lifted.parts))[0, 0])


def _by_card(book: Book, position: str) -> float:
    """A card quotes it at the valve or at the lifter, without lash."""
    lobe = lobe_of(book.engine, at_position(position).role)
    if lobe is None or lobe.tdc_lift_mm is None:
        return nan
    if lobe.tdc_read_at == "valve":
        return lobe.tdc_lift_mm
    lash = at_valve(book, "lash", position).value
    return lobe.tdc_lift_mm * at_valve(book, "rocker_ratio", position).value - (lash if isfinite(lash) else 0.0)
