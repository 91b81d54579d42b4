"""How far pieces of one kind differ from one another, where one of them was read and stands for the others.

A gasket measured to 4 micrometres says that well what that gasket is, and not so well what the next one is. Figures by kind are
from memory: an engine's own tolerances may state another one, and pieces read one by one need none.
"""

from __future__ import annotations

from collections.abc import Sequence

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.limits import Tolerance
from honest_lift.facts.quantity import Quantity

_IN = 25.4
# Plus or minus between pieces, in the inside unit of the dimension; percent for an area. From memory.
_BY_DIMENSION = {"length": 0.05, "angle": 0.2, "mass": 0.001, "volume": 0.3, "ratio": 0.01, "roughness": 0.2}
_AREA_PERCENT = 2.0
_BY_QUANTITY = {
    "gasket_thickness": 0.035,  # composite or layered, torqued alike
    "bore": 0.02,
    "lobe_lift": 0.002 * _IN,
    "retainer_thickness": 0.001 * _IN,
    "retainer_spigot": 0.001 * _IN,
    "retainer_under": 0.001 * _IN,
    "stem_at_lock": 0.0005 * _IN,
    "lock_stem": 0.0005 * _IN,
    "retainer_angle": 0.1,
    "lock_angle": 0.1,
    "pushrod_ball": 0.01,
    "gauge_hole": 0.01,
    "lash_pad": 0.01,
    "base_circle": 0.03,
    "retainer_mass": 0.0005,
}
# One thing for all, however many places it is used at: there is no other piece it could differ from.
_ONE_THING = frozenset(
    {"left_out", "in_tester", "fill_time", "water_temperature", "checking_shortest", "checking_pitch", "nut_pitch"}
)


def may_stand_for_others(row: Quantity) -> bool:
    """Tell whether a quantity is read at a piece and may be told for several: it then has a spread between pieces."""
    wide = any(place in ("role", "head", "engine") for place in row.places)
    return wide and bool(row.ways) and not row.choices and row.name not in _ONE_THING


def between_pieces(tolerances: Sequence[Tolerance], quantity: str, value: float) -> float:
    """Give plus or minus, in the quantity's inside unit, by which another piece may differ from the one that was read.

    >>> between_pieces((), "gasket_thickness", 1.0)
    0.035
    """
    row = CATALOG[quantity]
    if not may_stand_for_others(row):
        return 0.0
    stated = next((one.between for one in tolerances if one.quantity == quantity), None)
    if stated is not None:
        return stated
    if row.dimension == "area":
        return abs(value) * _AREA_PERCENT / 100.0
    return _BY_QUANTITY.get(quantity, _BY_DIMENSION[row.dimension])
