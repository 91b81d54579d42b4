"""What every rocker or finger does at the valve's end: a roller or pad on an arm about a pivot presses the stem's tip.

The stem's axis is x = 0 and its tip y = 0 with the valve closed; the valve opens toward -y. The pivot stands at (-X, Y), and the
arm at an angle above square to the stem, positive with the roller's centre above the pivot. Source: plane geometry.
"""

from __future__ import annotations

from abc import ABC, abstractmethod

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array


class OnTheTip(ABC):
    """The valve's end of a gear. `pivot_out`: X; `pivot_up`: Y; `valve_arm`: to the roller's, or the pad arc's, centre."""

    pivot_out: Array
    pivot_up: Array
    valve_arm: Array
    tip_radius: Array

    @abstractmethod
    def angle_deg(self, lobe_mm: Array) -> Array:
        """Give the arm's angle at a lobe lift; NaN where the links do not reach."""

    @abstractmethod
    def ratio(self, lobe_mm: Array) -> Array:
        """Give valve lift over lobe lift at a lobe lift."""

    def gap(self, lobe_mm: Array) -> Array:
        """Give how far the roller stands above the closed tip: the lash at no lobe lift, below nothing once it lifts."""
        return self.pivot_up + self.valve_arm * np.sin(np.radians(self.angle_deg(lobe_mm))) - self.tip_radius

    def lift(self, lobe_mm: Array) -> Array:
        """Give the valve's lift along its stem."""
        return np.maximum(-self.gap(lobe_mm), 0.0)

    def contact(self, lobe_mm: Array) -> Array:
        """Give where the roller touches the tip, from the stem's axis; outboard, away from the pivot, positive."""
        return self.valve_arm * np.cos(np.radians(self.angle_deg(lobe_mm))) - self.pivot_out


def works(gear: OnTheTip, most_lobe_mm: Array) -> NDArray[np.bool_]:
    """Tell where a gear works over the lobe's lift: the links reach, and the valve arm goes down all the way."""
    shares = np.linspace(0.0, 1.0, 9).reshape(-1, *[1] * np.ndim(most_lobe_mm))
    angles = gear.angle_deg(shares * most_lobe_mm)
    with np.errstate(invalid="ignore"):
        return np.asarray(np.all(np.abs(angles) < 90.0, axis=0) & np.all(np.diff(angles, axis=0) < 0, axis=0))
