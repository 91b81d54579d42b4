"""What is left to coil bind and to a card's most lift, mm: stated here once, for checks, windows of height and the search.

Heights are the spring's own, from its seat to its retainer; valve lift is along the stem. Any one shape, or shapes that broadcast.
Source: common practice; the definitions stand in each line.
"""

from __future__ import annotations

from honest_lift.numbers.doubt import Array

GEOMETRY_PERCENT = 5.0  # what wire, diameter and coils of a card leave in doubt of a stress. From memory


def coil_bind_clearance(installed_mm: Array, lift_mm: Array, bind_mm: Array) -> Array:
    """Give what is left between the open height and coil bind; negative where the coils stack first.

    >>> import numpy as np
    >>> float(np.round(coil_bind_clearance(np.array(1.835), np.array(0.571), np.array(1.176)), 3))  # in any one unit
    0.088
    """
    return installed_mm - lift_mm - bind_mm


def height_of_clearance(clearance_mm: Array, lift_mm: Array, bind_mm: Array) -> Array:
    """Give the installed height that leaves a coil-bind clearance: the other way round.

    >>> import numpy as np
    >>> float(np.round(height_of_clearance(np.array(0.088), np.array(0.571), np.array(1.176)), 3))
    1.835
    """
    return clearance_mm + lift_mm + bind_mm


def lift_left(most_lift_mm: Array, lift_mm: Array) -> Array:
    """Give what is left of the most lift a spring's card allows."""
    return most_lift_mm - lift_mm
