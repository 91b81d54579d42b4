"""What is said of a figure that can't be: the range that would do, and the unit in which it would be right."""

from __future__ import annotations

import re
from collections.abc import Callable
from fractions import Fraction

from honest_lift.numbers.units import Unit, units_of

_LIKELY = {  # what a tool of the shop may have shown
    "mm": "Millimetres", "in": "Inches", "thou": "Thousandths", "lbf": "Pounds", "N": "Newtons", "kgf": "Kilograms of force",
    "cc": "Cubic centimetres", "g": "Grams", "°C": "Celsius", "°F": "Fahrenheit",
}  # fmt: skip
_HAS_UNIT = re.compile(r"[A-Za-z°µ\"'″′]")


def out_of_range(
    text: str, bare: Fraction, unit: Unit, lowest: Fraction | None, highest: Fraction | None, inside: Callable[[Fraction], bool]
) -> str:  # fmt: skip
    """Say that a figure, `bare` in the field's own unit, lies out of its range. `inside` tells of a total in the inside unit."""
    return (
        f"{float(bare):g} {unit.symbol}".rstrip() + f" is outside {_range_words(lowest, highest, unit.symbol)}. "
        f"{_other_unit(text, bare, unit, inside)}"
    )


def _other_unit(text: str, bare: Fraction, own: Unit, inside: Callable[[Fraction], bool]) -> str:
    """Say in which unit a bare figure would be right, where there is one; else what to look at."""
    if not _HAS_UNIT.search(text):
        for unit in units_of(own.dimension):
            if unit.symbol in _LIKELY and unit is not own and inside(bare * unit.factor + unit.zero):
                return f"{_LIKELY[unit.symbol]}? Type {float(bare):g} {unit.symbol}."
    return "Check the figure and its unit."


def _range_words(lowest: Fraction | None, highest: Fraction | None, unit: str) -> str:
    if lowest is None:
        return f"max {float(highest or 0):.3g} {unit}".rstrip()
    if highest is None:
        return f"min {float(lowest):.3g} {unit}".rstrip()
    return f"{float(lowest):.3g} to {float(highest):.3g} {unit}".rstrip()
