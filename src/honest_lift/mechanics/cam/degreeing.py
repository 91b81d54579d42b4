"""Degreeing a cam: true TDC by a stop, the middle by equal lifts, and what an offset key or dowel moves.

Crank degrees throughout, later positive. Source: plane geometry; common practice for the order of work.
"""

from __future__ import annotations

from math import radians


def middle_of(first_deg: float, other_deg: float) -> float:
    """Give the angle halfway between two wheel readings, the short way round."""
    apart = (other_deg - first_deg + 180.0) % 360.0 - 180.0
    return first_deg + apart / 2.0


def middle_of_lobe(opening_deg: float, closing_deg: float) -> float:
    """Give the middle between the angles at one lift, opening flank first, the way the crank turns between them."""
    return opening_deg + ((closing_deg - opening_deg) % 720.0) / 2.0


def from_tdc(middle_deg: float, tdc_deg: float, usual_deg: float) -> float:
    """Give a middle counted from TDC, in the turn that brings it nearest to where such a lobe usually stands."""
    off = middle_deg - tdc_deg
    return (off - usual_deg + 180.0) % 360.0 - 180.0 + usual_deg


def offset_for(move_crank_deg: float, radius_mm: float, *, at_cam: bool) -> float:
    """Give the offset in mm that moves the cam so many crank degrees, at a key or dowel this far from its shaft's middle.

    A degree at the cam is two of the crank, so that a dowel at the cam needs half the angle.
    """
    return radius_mm * radians(abs(move_crank_deg) / (2.0 if at_cam else 1.0))


def tooth_deg(cam_teeth: int) -> float:
    """Give the crank degrees of one tooth of the cam's sprocket."""
    return 720.0 / cam_teeth
