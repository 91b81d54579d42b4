"""Crank angles as people write them: signed from TDC of the overlap, or before and after a dead centre.

Which turn of the crank a bottom dead centre belongs to follows from the valve: an intake closes about the one after
the overlap, an exhaust opens about the one before.
"""

from __future__ import annotations

import re

from honest_lift.numbers.entry import EntryError

_ANGLE = re.compile(
    r"([+\-\u2212]?)(\d{1,4}(?:[.,]\d*)?|[.,]\d+)\s*(?:°|deg\w*)?\s*([ab])?\s*(tdc|bdc)?\.?", re.IGNORECASE
)
LARGEST_DEG = 1440.0
# As programs write figures: 8.94e-01. Without a point or a sign in it, 1e2 is a valve's name.
SCIENTIFIC = re.compile(r"[+\-]?\d+\.\d*[eE][+\-]?\d+|[+\-]?\d+[eE][+\-]\d+")


def read_angle(text: str, role: str) -> float:
    """Read a crank angle: `-12`, `12 BTDC`, `40 ABDC`. `role`: intake or exhaust. Raises EntryError.

    >>> read_angle("12 BTDC", "intake"), read_angle("40 ABDC", "intake"), read_angle("50 BBDC", "exhaust")
    (-12.0, 220.0, -230.0)
    """
    if SCIENTIFIC.fullmatch(text.strip()) and abs(float(text)) <= LARGEST_DEG:
        return float(text)
    found = _ANGLE.fullmatch(" ".join(text.replace("before", "b").replace("after", "a").split()))
    if found is None:
        raise EntryError(f"“{text.strip()}”: write a crank angle as -12, or as 12 BTDC, 40 ABDC.")
    sign, figure, side, centre = (found[1], found[2], (found[3] or "").lower(), (found[4] or "").lower())
    if centre and not side:
        raise EntryError(f"“{text.strip()}”: say whether it lies before or after, as in 12 BTDC or 12 ATDC.")
    if side and sign:
        raise EntryError(f"“{text.strip()}”: a sign and before or after say it twice; leave one of them.")
    value = float(figure.replace(",", "."))
    if value > LARGEST_DEG:
        raise EntryError(f"“{text.strip()}”: a crank angle lies within {LARGEST_DEG:g} degrees.")
    signed = -value if sign in ("-", "\u2212") or side == "b" else value
    bottom = 180.0 if role == "intake" else -180.0
    return signed + (bottom if centre == "bdc" else 0.0)
