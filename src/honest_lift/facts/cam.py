"""What a cam card says of one lobe: durations at stated lifts, and where its middle stands in the turn."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.place import Role
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures


class Duration(Struct, frozen=True, forbid_unknown_fields=True):
    """How long the lobe holds the lifter above a lift: crank degrees."""

    lift_mm: float
    crank_deg: float


class CamLobe(Struct, frozen=True, forbid_unknown_fields=True):
    """The lobes of one role by their card. `centreline_deg`: crank degrees of their middle from TDC of the overlap.

    An intake's is counted after that TDC, an exhaust's before it, both positive as cards print them.
    """

    id: Role
    durations: tuple[Duration, ...] = ()
    centreline_deg: float | None = None
    source: str = ""

    @property
    def centre_deg(self) -> float | None:
        """Give the middle in crank degrees from TDC of the overlap, later is positive."""
        if self.centreline_deg is None:
            return None
        return self.centreline_deg if self.id == "intake" else -self.centreline_deg


def read_durations(text: str, unit: str) -> tuple[Duration, ...]:
    """Read durations as they are quoted: `284 at .006, 236 at .050, 150 at .200`; lifts in the unit or with their own.

    Raises EntryError with what was given and what would be right.
    """
    found = []
    for part in (one.strip() for one in text.replace(";", ",").split(",") if one.strip()):
        degrees, at, lift = part.partition(" at ")
        if not at:
            raise EntryError(f"“{part}”: write a duration and its lift, as in 236 at .050; put commas between several.")
        crank, height = (
            parse(degrees, Field.within("angle", "deg", (1.0, 600.0))), parse(lift, Field.within("length", unit, (0.01, 25.0))),
        )  # fmt: skip
        if crank is None or height is None:
            raise EntryError(f"“{part}”: a figure is missing; write it as 236 at .050.")
        found.append(Duration(height, crank))
    return tuple(sorted(found, key=lambda one: one.lift_mm))


def durations_text(lobe: CamLobe, unit: str) -> str:
    """Write durations the way `read_durations` reads them."""
    return ", ".join(
        f"{in_figures(one.crank_deg, 'angle', 'deg').removesuffix('.0')} at {in_figures(one.lift_mm, 'length', unit)}"
        for one in lobe.durations
    )
