"""The piston against crank angle, with a pin that may stand off the bore's middle.

Source: Heywood, Internal Combustion Engine Fundamentals, section 2.2 (no offset); the offset by the same triangle.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import asin, sqrt

import numpy as np

from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError


class CrankError(MendableError):
    """A crank that can't turn; the sentence says why."""


@dataclass(frozen=True, slots=True)
class SliderCrank:
    """Crank radius, rod between centres, and pin offset: positive toward the side the crankpin moves to after TDC."""

    radius_mm: float
    rod_mm: float
    offset_mm: float = 0.0

    def __post_init__(self) -> None:
        if self.radius_mm <= 0 or self.rod_mm - self.radius_mm <= abs(self.offset_mm):
            raise CrankError(
                f"A rod of {self.rod_mm:g} mm can't turn on a crank of {self.radius_mm:g} mm radius with the pin "
                f"{self.offset_mm:g} mm off the centre: the rod must be the longer by more than the offset."
            )

    @property
    def stroke_mm(self) -> float:
        """Give the stroke: a little more than twice the radius where the pin is offset."""
        return sqrt((self.rod_mm + self.radius_mm) ** 2 - self.offset_mm**2) - sqrt(
            (self.rod_mm - self.radius_mm) ** 2 - self.offset_mm**2
        )

    def drop(self, crank_deg: Array) -> Array:
        """Give how far the piston stands below its own TDC, mm, at crank degrees (...) from that TDC."""
        angle = np.deg2rad(crank_deg) + asin(self.offset_mm / (self.rod_mm + self.radius_mm))
        top = sqrt((self.rod_mm + self.radius_mm) ** 2 - self.offset_mm**2)
        sideways = self.radius_mm * np.sin(angle) - self.offset_mm
        return np.asarray(top - self.radius_mm * np.cos(angle) - np.sqrt(self.rod_mm**2 - sideways**2))


def crank_of_stroke(stroke_mm: float, rod_mm: float, offset_mm: float = 0.0) -> SliderCrank:
    """Give the crank that has a stroke. Raises CrankError.

    The stroke's two roots, squared and solved for the radius: a^2 = s^2 (4 l^2 - 4 d^2 - s^2) / (4 (4 l^2 - s^2)).
    """
    if not 0 < stroke_mm < 2 * (rod_mm - abs(offset_mm)):
        raise CrankError(
            f"A stroke of {stroke_mm:g} mm can't be had with a rod of {rod_mm:g} mm: the rod is at least half as long."
        )
    rods, strokes = 4.0 * rod_mm**2, stroke_mm**2
    radius = stroke_mm / 2.0 * sqrt((rods - 4.0 * offset_mm**2 - strokes) / (rods - strokes))
    return SliderCrank(radius, rod_mm, offset_mm)
