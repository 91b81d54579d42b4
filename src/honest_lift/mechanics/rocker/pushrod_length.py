"""The ways a pushrod's length is quoted, brought to the length between the middles of its balls.

Overall: over both balls. Gauge length: between two rings of a known hole set on the balls, so that their oil holes do not
count. Source: geometry of a sphere; common practice for the two ways.
"""

from __future__ import annotations

from math import sqrt


def beyond_middles(ball_mm: float, hole_mm: float = 0.0) -> float:
    """Give what a quoted length counts beyond the balls' middles, both ends together, mm. `hole_mm`: of the gauge's rings.

    >>> round(beyond_middles(7.9375), 4), round(beyond_middles(7.9375, 3.556), 4)
    (7.9375, 7.0964)
    """
    return sqrt(ball_mm**2 - hole_mm**2)


def slopes(ball_mm: float, hole_mm: float = 0.0) -> tuple[float, float]:
    """Give how that changes with the ball and with the hole, mm a mm."""
    ends = beyond_middles(ball_mm, hole_mm)
    return ball_mm / ends, -hole_mm / ends


def turned_out(shortest_mm: float, turns: float, pitch_mm: float) -> float:
    """Give the length of an adjustable checking pushrod turned out from its shortest."""
    return shortest_mm + turns * pitch_mm
