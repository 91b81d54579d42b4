"""Room about a rocker over its travel: its slot to the stud, and its underside to the valve's retainer.

Both in the plane of `pushrod_rocker`. Source: plane geometry.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.numbers.doubt import Array

_SHARES = 17  # of the lobe's lift that are looked at


def slot_to_stud(
    gear: PushrodGear, lobe_mm: Array, slot_mm: Array, stud_mm: Array, depth_mm: Array, square_at_deg: Array
) -> Array:
    """Give the least room between stud and either end of the slot over the lift; below nothing they meet.

    `depth_mm`: how far the slot's edge lies under the middle of the pivot; `square_at_deg`: angle of the valve arm above square
    to the stud at which the stud stands in the slot's middle. A stud of diameter d turned by t fills d / cos t of the slot and
    its middle wanders by depth x tan t.
    """
    least = np.full(np.broadcast(lobe_mm, slot_mm, gear.pivot_out).shape, np.inf)
    for share in np.linspace(0.0, 1.0, _SHARES):
        turned = np.radians(gear.angle_deg(share * lobe_mm) + gear.stud_lean_deg - square_at_deg)
        taken = stud_mm / (2.0 * np.cos(turned)) + depth_mm * np.abs(np.tan(turned))
        least = np.minimum(least, slot_mm / 2.0 - taken)
    return least


def retainer_to_rocker(gear: OnTheTip, lobe_mm: Array, under_mm: Array, below_mm: Array, across_mm: Array) -> Array:
    """Give the least room between the rocker's underside and the retainer's edge on the pivot's side; below nothing they meet.

    `under_mm`: how far the underside lies under the line from pivot to roller's centre, parallel to it; `below_mm`: how far the
    retainer's top lies under the stem's tip; `across_mm`: its diameter.
    """
    least = np.full(np.broadcast(lobe_mm, under_mm, gear.pivot_out).shape, np.inf)
    for share in np.linspace(0.0, 1.0, _SHARES):
        lobe = share * lobe_mm
        alpha = np.radians(gear.angle_deg(lobe))
        edge_x, edge_y = (
            -across_mm / 2.0 + gear.pivot_out,
            -gear.lift(lobe) - below_mm - gear.pivot_up,
        )  # from the pivot
        over = edge_x * np.sin(alpha) - edge_y * np.cos(alpha)  # of the arm's line over the edge, square to the arm
        least = np.minimum(least, over - under_mm)
    return least
