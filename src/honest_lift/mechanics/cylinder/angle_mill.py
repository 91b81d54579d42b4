"""A head milled at an angle about one rail: how deep at the far rail, and how far it tips, for a depth at the chambers.

A plane tipped about the near rail takes from a straight-walled chamber exactly its opening times the depth at the opening's
middle: the parts deeper and shallower than the middle cancel. Source: the centroid of a plane figure (Pappus), by definition.
"""

from __future__ import annotations

from math import atan2, degrees

from msgspec import Struct

from honest_lift.numbers.mendable import MendableError


class AngleCut(Struct, frozen=True):
    """A cut at an angle: the depth at the far rail, mm, and the angle the face tips by, degrees."""

    far_mm: float
    angle_deg: float


def angle_cut(depth_mm: float, to_middle_mm: float, across_mm: float) -> AngleCut:
    """Give the cut about the near rail that is `depth_mm` deep at the chambers' middle.

    `to_middle_mm`: from the near rail to the middle of the chambers' openings; `across_mm`: from the near rail to the far one.
    Raises MendableError where the middle does not lie between the rails.

    >>> round(angle_cut(0.5, 60.0, 150.0).far_mm, 3)
    1.25
    """
    if not 0.0 < to_middle_mm < across_mm:
        raise MendableError("the chamber centres must lie between the rails")
    return AngleCut(depth_mm * across_mm / to_middle_mm, degrees(atan2(depth_mm, to_middle_mm)))
