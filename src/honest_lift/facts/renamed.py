"""What files and journals of earlier versions called otherwise: checks, quantities, limits' fields and built-in names."""

from __future__ import annotations

import re
from typing import Any

NAMES = {
    "bind_margin": "coil_bind_clearance", "control": "float_margin", "effective_ratio": "dynamic_ratio",
    "mark_middle": "mark_centre", "pad_middle": "pad_centre", "wipe_middle": "wipe_centre", "checking_middle": "checking_centre",
}  # fmt: skip
_NAMED_BY = ("check", "quantity", "more", "less")  # fields whose text, or list of texts, names one
_FIELDS = {"school": "rule", "reserve": "comfort"}  # fields of limits
_KEYED_BY = ("default_tools", "at")  # dictionaries by a quantity, or by a quantity and its way
_RULES = {
    "within 0.020 in of the middle": "within 0.020 in of the centre",
    "within 0.040 in of the pad's middle": "within 0.040 in of the pad's centre",
    "contact lost 5 percent above the red line": "float 5 percent above the red line",
    "not past the card's most lift": "not over the card's max lift",
}


def renamed(raw: Any, field: str = "") -> Any:
    """Give a raw document with the present names; what a person wrote is left as it is."""
    if isinstance(raw, dict):
        keyed = field in _KEYED_BY
        return {_key(key) if keyed else _FIELDS.get(key, key): renamed(value, key) for key, value in raw.items()}
    if isinstance(raw, list):
        return [renamed(one, field) for one in raw]
    if not isinstance(raw, str):
        return raw
    if field in _NAMED_BY:
        return NAMES.get(raw, raw)
    if field == "school":
        return _RULES.get(raw) or re.sub(
            r" in at (least|most)\b", lambda one: f" in {'min' if one[1] == 'least' else 'max'}", raw
        )
    return raw


def _key(key: str) -> str:
    name, slash, way = key.partition("/")
    return f"{NAMES.get(name, name)}{slash}{way}"
