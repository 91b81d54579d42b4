"""A cam driven by a chain over the head: what a cut off the head, or a thicker gasket, does to its timing.

The taut strand runs straight between two sprockets and the tensioner takes up the slack one, so that the cam turns back by what
the strand is too long: t cos(phi) / R, sin(phi) = (R - r) / C, phi the strand to the line of centres. Source: plane geometry.
"""

from __future__ import annotations

from math import asin, cos, degrees


def cam_retard_deg(head_down_mm: float, cam_radius_mm: float, crank_radius_mm: float, between_mm: float) -> float:
    """Give how many cam degrees later the cam stands for the head coming down; a rise is earlier. NaN where it can't be.

    >>> round(cam_retard_deg(0.5, 60.0, 30.0, 260.0), 3)
    0.474
    """
    share = (cam_radius_mm - crank_radius_mm) / between_mm if between_mm > 0 else 2.0
    if abs(share) >= 1.0 or cam_radius_mm <= 0:
        return float("nan")
    return degrees(head_down_mm * cos(asin(share)) / cam_radius_mm)
