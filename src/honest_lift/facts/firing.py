"""The firing order: which cylinder fires how many degrees of the crank after the first, over one cycle of 720."""

from __future__ import annotations

import re
from itertools import pairwise

from msgspec import Struct

from honest_lift.facts.layout import Layout
from honest_lift.numbers.mendable import MendableError

CYCLE_DEG = 720.0
# By how many cylinders there are: usual orders, the commonest first. Common practice, no source; the engine's manual goes first
USUAL: dict[int, tuple[str, ...]] = {
    1: ("1",), 2: ("1@0 2@405", "1@0 2@360", "1@0 2@180"), 3: ("1-2-3", "1-3-2"), 4: ("1-3-4-2", "1-2-4-3", "1-4-3-2"),
    5: ("1-2-4-5-3",), 6: ("1-5-3-6-2-4", "1-6-2-4-3-5", "1-6-5-4-3-2", "1-2-3-4-5-6"),
    8: ("1-8-4-3-6-5-7-2", "1-5-4-2-6-3-7-8", "1-3-7-2-6-5-4-8", "1-8-7-2-6-5-4-3"),
}  # fmt: skip
_HOW = "write it like 1-3-4-2, or with degrees of the crank like 1@0 2@405 where they do not fire evenly"


class Fires(Struct, frozen=True, forbid_unknown_fields=True):
    """A cylinder, and when it is at TDC to fire: degrees of the crank after the first."""

    cylinder: int
    at_deg: float


def read_firing(text: str, layout: Layout) -> tuple[Fires, ...]:
    """Read a firing order of the cylinders of a layout. Raises MendableError with what would be right.

    >>> from honest_lift.facts.layout import read_layout
    >>> [one.at_deg for one in read_firing("1-3-4-2", read_layout("1i 1e 2i 2e 3i 3e 4i 4e"))]
    [0.0, 180.0, 360.0, 540.0]
    """
    parts = [one for one in re.split(r"[\s,;–-]+", text.strip()) if one]
    told = [re.fullmatch(r"(\d+)(?:@(\d+(?:\.\d+)?))?", one) for one in parts]
    if not parts or None in told:
        raise MendableError(f"“{text.strip()[:40]}” is no firing order: {_HOW}.")
    cylinders = [int(one[1]) for one in told if one]
    if sorted(cylinders) != sorted(layout.cylinders):
        own = " ".join(map(str, sorted(layout.cylinders)))
        raise MendableError(f"The firing order must name every cylinder once: this engine has {own or 'none'}.")
    at = [one[2] for one in told if one]
    if any(at) and not all(at):
        raise MendableError(f"Some cylinders have degrees and some have not: {_HOW}.")
    degrees = [float(one) for one in at] if all(at) else [CYCLE_DEG * i / len(parts) for i in range(len(parts))]
    firing = tuple(Fires(cylinder, deg) for cylinder, deg in zip(cylinders, degrees, strict=True))
    if why := firing_is_odd(firing):
        raise MendableError(f"{why}: {_HOW}.")
    return firing


def firing_is_odd(firing: tuple[Fires, ...]) -> str:
    """Say why a firing order makes no sense, whatever the engine; "" when it does, or there is none."""
    at = [one.at_deg for one in firing]
    rises = all(a < b for a, b in pairwise(at))  # not so for what is no figure
    if at and not (at[0] == 0.0 and rises and at[-1] < CYCLE_DEG):
        return f"Degrees begin at 0, rise, and stay below {CYCLE_DEG:.0f}"
    return "A cylinder fires twice" if len({one.cylinder for one in firing}) < len(firing) else ""


def firing_text(firing: tuple[Fires, ...]) -> str:
    """Write a firing order the way `read_firing` reads it."""
    even = all(abs(one.at_deg - CYCLE_DEG * i / len(firing)) < 1e-9 for i, one in enumerate(firing))
    if even and firing:
        return "-".join(str(one.cylinder) for one in firing)
    return " ".join(f"{one.cylinder}@{one.at_deg:g}" for one in firing)
