"""The valves around the turn from what is stated of the camshaft: a lobe by its card, its shape assumed."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.estimates.resolve import resolve
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_role
from honest_lift.facts.remember import by_value
from honest_lift.mechanics.cam.card_lobe import CardError, Flank, flank_from_card
from honest_lift.mechanics.cam.turn import ValveTurn


class Turn(Struct, frozen=True):
    """One role's valve around the turn, or why there is none to show."""

    role: str
    valve: ValveTurn | None = None
    missing: str = ""


def turn_of(book: Book, role: str) -> Turn:
    """Give the valve of a role around the turn. What is missing, or can't be, is said."""
    lobe = next((one for one in book.engine.lobes if one.id == role), None)
    if lobe is None or len(lobe.durations) < 2 or lobe.centre_deg is None or not _is_whole(lobe):
        return Turn(role, missing=f"state two durations or more and the centreline of the {role} lobe")
    parts = {name: _of_role(book, name, role) for name in ("lobe_lift", "rocker_ratio", "lash")}
    if lacking := [name.replace("_", " ") for name, value in parts.items() if not isfinite(value)]:
        return Turn(role, missing=f"not stated for the {role}: {', '.join(lacking)}")
    try:
        flank = _flank((parts["lobe_lift"], tuple((one.lift_mm, one.crank_deg) for one in lobe.durations)))
    except CardError as error:
        return Turn(role, missing=f"{role}: {error}")
    return Turn(role, ValveTurn(flank, lobe.centre_deg, parts["rocker_ratio"], parts["lash"]))


def _is_whole(lobe: CamLobe) -> bool:
    """Tell whether no figure of it was set aside when the file was read."""
    return all(isinstance(one.lift_mm, float) and isinstance(one.crank_deg, float) for one in lobe.durations)


def contradictions(book: Book) -> tuple[str, ...]:
    """Say what of the stated durations and centrelines can't all be so."""
    lobes = {one.id: one for one in book.engine.lobes}
    found = []
    for lobe in lobes.values():
        if lobe.centreline_deg is not None and not 90.0 <= lobe.centreline_deg <= 135.0:
            found.append(
                f"a centreline of {lobe.centreline_deg:g} degrees at the {lobe.id} is unusual: mostly 98 to 120"
            )
    return tuple(found)


def separation_deg(intake: CamLobe, exhaust: CamLobe) -> float | None:
    """Give the lobe separation in cam degrees: half the way between both middles."""
    if intake.centreline_deg is None or exhaust.centreline_deg is None:
        return None
    return (intake.centreline_deg + exhaust.centreline_deg) / 2.0


def advance_deg(intake: CamLobe, exhaust: CamLobe) -> float | None:
    """Give the advance in crank degrees: how much earlier the cam stands than with both middles alike; retard is negative."""
    if intake.centreline_deg is None or exhaust.centreline_deg is None:
        return None
    return (exhaust.centreline_deg - intake.centreline_deg) / 2.0


def _of_role(book: Book, quantity: str, role: str) -> float:
    if quantity == "lash" and book.engine.lifter.startswith("hydraulic"):
        return 0.0
    if quantity == "rocker_ratio" and book.engine.gear == "bucket":
        return 1.0
    return resolve(book, quantity, at_role(role)).value


@by_value
def _flank(card: tuple[float, tuple[tuple[float, float], ...]]) -> Flank:
    return flank_from_card(*card)
