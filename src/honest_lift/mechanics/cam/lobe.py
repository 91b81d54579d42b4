"""What every lobe answers, drawn from a card or measured: lift and its derivatives about its own middle.

Source: the definitions.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

import numpy as np

from honest_lift.mechanics.cam.card_lobe import Flank
from honest_lift.numbers.doubt import Array


class Lobe(Protocol):
    """A lobe over cam degrees from its middle, the opening flank before 0. Nothing outside `start_deg` to `end_deg`."""

    @property
    def start_deg(self) -> float:
        """Give where it begins to lift, in cam degrees: below 0."""
        ...

    @property
    def end_deg(self) -> float:
        """Give where it is down again."""
        ...

    @property
    def lift_mm(self) -> float:
        """Give its greatest lift."""
        ...

    def lift(self, cam_deg: Array) -> Array:
        """Give the lift in mm at cam degrees (...)."""
        ...

    def velocity(self, cam_deg: Array) -> Array:
        """Give the slope in mm per cam degree."""
        ...

    def acceleration(self, cam_deg: Array) -> Array:
        """Give the acceleration in mm per cam degree squared."""
        ...


@dataclass(frozen=True, slots=True)
class CardLobe:
    """A lobe with both flanks alike, as a card describes it."""

    flank: Flank

    @property
    def start_deg(self) -> float:
        """Give where it begins to lift."""
        return -self.flank.end_deg

    @property
    def end_deg(self) -> float:
        """Give where it is down again."""
        return self.flank.end_deg

    @property
    def lift_mm(self) -> float:
        """Give its greatest lift."""
        return self.flank.lift_mm

    def lift(self, cam_deg: Array) -> Array:
        """Give the lift in mm."""
        return self.flank.lift(np.abs(cam_deg))

    def velocity(self, cam_deg: Array) -> Array:
        """Give the slope in mm per cam degree."""
        return self.flank.velocity(np.abs(cam_deg)) * np.sign(cam_deg)

    def acceleration(self, cam_deg: Array) -> Array:
        """Give the acceleration in mm per cam degree squared."""
        return self.flank.acceleration(np.abs(cam_deg))


@dataclass(frozen=True, slots=True)
class ScaledLobe:
    """A lobe whose lift was read, or stated, apart from its shape: everything by one factor."""

    lobe: Lobe
    factor: float

    @property
    def start_deg(self) -> float:
        """Give where it begins to lift."""
        return self.lobe.start_deg

    @property
    def end_deg(self) -> float:
        """Give where it is down again."""
        return self.lobe.end_deg

    @property
    def lift_mm(self) -> float:
        """Give its greatest lift."""
        return self.lobe.lift_mm * self.factor

    def lift(self, cam_deg: Array) -> Array:
        """Give the lift in mm."""
        return self.lobe.lift(cam_deg) * self.factor

    def velocity(self, cam_deg: Array) -> Array:
        """Give the slope in mm per cam degree."""
        return self.lobe.velocity(cam_deg) * self.factor

    def acceleration(self, cam_deg: Array) -> Array:
        """Give the acceleration in mm per cam degree squared."""
        return self.lobe.acceleration(cam_deg) * self.factor


def of_lift(lobe: Lobe, lift_mm: float) -> Lobe:
    """Give a lobe of the same shape with another greatest lift."""
    return lobe if lift_mm == lobe.lift_mm else ScaledLobe(lobe, lift_mm / lobe.lift_mm)
