"""What a cam card says of one lobe: durations at stated lifts, and where its middle stands in the turn."""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.fact import Fact
from honest_lift.facts.place import Place, Role, at_role


class Duration(Struct, frozen=True, forbid_unknown_fields=True):
    """How long the lobe holds the lifter above a lift: crank degrees."""

    lift_mm: float
    crank_deg: float


class CamLobe(Struct, frozen=True, forbid_unknown_fields=True):
    """The lobes of one role by their card, in every way cards quote them; what a card does not say is None.

    `centreline_deg`: crank degrees of their middle from TDC of the overlap: an intake's after it, an exhaust's before it, both
    positive as cards print them. `opens_deg`, `closes_deg`: crank degrees, later positive, at `events_at_mm` of lobe
    lift. `tdc_lift_mm`: open at that TDC, at the lifter or the valve. `gross_lift_mm`: at the valve by `gross_ratio`, no lash.
    """

    id: Role
    durations: tuple[Duration, ...] = ()
    centreline_deg: float | None = None
    source: str = ""
    opens_deg: float | None = None
    closes_deg: float | None = None
    events_at_mm: float | None = None
    tdc_lift_mm: float | None = None
    tdc_read_at: Literal["lifter", "valve"] = "lifter"
    gross_lift_mm: float | None = None
    gross_ratio: float | None = None
    lash_cold_mm: float | None = None
    lash_hot_mm: float | None = None
    base_circle_mm: float | None = None
    when: str = ""  # its lift was stated, and speaks of the camshaft of then; "" in files that did not know

    @property
    def centre_deg(self) -> float | None:
        """Give the stated middle in crank degrees from TDC of the overlap, later is positive."""
        return None if self.centreline_deg is None else self.centreline_deg * side_of(self.id)

    @property
    def gross_lobe_mm(self) -> float | None:
        """Give the lobe lift that the gross lift and its ratio come to."""
        return self.gross_lift_mm / self.gross_ratio if self.gross_lift_mm and self.gross_ratio else None


def side_of(role: str) -> float:
    """Give the side of the overlap's TDC a role's lobe stands on: 1 after it, -1 before it."""
    return 1.0 if role == "intake" else -1.0


def lift_by_card(lobes: tuple[CamLobe, ...], place: Place) -> Fact | None:
    """Give the lobe lift that a gross valve lift over its ratio states for a role; None where no card quotes one."""
    lobe = next((one for one in lobes if place == at_role(one.id)), None)
    if lobe is None or lobe.gross_lobe_mm is None:
        return None
    return Fact("lobe_lift", place, lobe.gross_lobe_mm, source="gross valve lift over the ratio it is quoted with",
                when=lobe.when)  # fmt: skip
