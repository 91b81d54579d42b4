"""What was read with the head bolted down without its gasket: the crushed gasket is added, with what it is in doubt of."""

from __future__ import annotations

from math import isfinite, nan

from msgspec.structs import replace

from honest_lift.estimates.estimate import Input, summed
from honest_lift.numbers.doubt import Ground


def with_gasket(told: Input, gasket: Input) -> Input:
    """Add the crushed gasket to a reading of clay taken without it; where nobody knows the gasket there is no figure.

    >>> told, gasket = Input("squish", "", "measured", 0.38), Input("gasket_thickness", "", "measured", 0.69)
    >>> round(with_gasket(told, gasket).value, 2)
    1.07
    """
    if not isfinite(gasket.value):
        note = "read without its gasket, and the gasket's thickness is not stated"
        return replace(told, value=nan, ground=told.ground | Ground.MISSING, note=note)
    barred = gasket.ground | (Ground.UNRANGED if gasket.ground & Ground.ASSUMED else Ground.NONE)
    return summed(replace(told, ground=told.ground | barred), told.value + gasket.value, [(1.0, told), (1.0, gasket)])
