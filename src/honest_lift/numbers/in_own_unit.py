"""Lengths within a sentence of the trade, such as the name of a rule, told in the unit the engine is shown in."""

from __future__ import annotations

import re

from honest_lift.numbers.units import LENGTH, unit_of

_TOLD = re.compile(r"(?<![/0-9.])(±?)([0-9]*\.?[0-9]+)(?: to ([0-9]*\.?[0-9]+))? ?(in|mm)\b(?! a | an )")


def in_own_unit(text: str, unit: str) -> str:
    """Give a text whose lengths in inches or millimetres are told in a length unit; those told in it already stay as written.

    >>> in_own_unit("0.035 to 0.045 in, steel rods", "mm"), in_own_unit("about 1 mm", "in"), in_own_unit("±0.05 mm", "mm")
    ('0.89 to 1.14 mm, steel rods', 'about 0.039 in', '±0.05 mm')
    """

    def told(found: re.Match[str]) -> str:
        sign, first, last, written = found.groups()
        if written == unit or unit not in ("in", "mm"):
            return found[0]
        factor = float(unit_of(LENGTH, written).factor / unit_of(LENGTH, unit).factor)
        figures = " to ".join(_figure(float(one) * factor, unit) for one in (first, last) if one)
        return f"{sign}{figures} {unit}"

    return _TOLD.sub(told, text)


def _figure(value: float, unit: str) -> str:
    return f"{value:.3f}" if unit == "in" else f"{value:.2f}"
