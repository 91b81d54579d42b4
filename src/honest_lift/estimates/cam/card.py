"""What a cam card comes to: however it quotes a lobe, one middle and one set of durations; and where it contradicts itself."""

from __future__ import annotations

import numpy as np
from msgspec import Struct

from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.solved import PENDING, answer_to
from honest_lift.facts.cam import CamLobe, Duration, side_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import at_role
from honest_lift.mechanics.cam.card_lobe import CardError, Flank, flank_from_card
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.numbers.units import in_words

_ROUNDED_DEG = 0.6  # cards print whole degrees: two of them halved are off by up to half a degree
_DURATION_DEG = 1.1
_BY_SHAPE_DEG = 2.0  # a middle from the lift at TDC rests on an assumed shape
_LIFT_MM = 0.06


class Middle(Struct, frozen=True):
    """A lobe's middle in crank degrees, positive as cards print it, and what gives it."""

    centreline_deg: float
    by: str
    rounding_deg: float = _ROUNDED_DEG


def lobe_of(engine: Engine, role: str) -> CamLobe | None:
    """Give what the card says of a role's lobes; None for nothing."""
    return next((one for one in engine.lobes if one.id == role), None)


def durations_of(lobe: CamLobe) -> tuple[Duration, ...]:
    """Give the stated durations, and the one the events come to where none is stated at their lift."""
    by_events = _of_events(lobe)
    known = any(by_events and abs(one.lift_mm - by_events.lift_mm) < 1e-6 for one in lobe.durations)
    more = (by_events,) if by_events and not known else ()
    return tuple(sorted((*lobe.durations, *more), key=lambda one: one.lift_mm))


def _of_events(lobe: CamLobe) -> Duration | None:
    if lobe.opens_deg is None or lobe.closes_deg is None or lobe.events_at_mm is None:
        return None
    return Duration(lobe.events_at_mm, lobe.closes_deg - lobe.opens_deg)


def middles(book: Book, role: str) -> tuple[Middle, ...]:
    """Give every middle the card tells of a role's lobes, the surest first."""
    engine, lobe = book.engine, lobe_of(book.engine, role)
    side, found = side_of(role), []
    if lobe and lobe.centreline_deg is not None:
        found.append(Middle(lobe.centreline_deg, "card"))
    if lobe and lobe.opens_deg is not None and lobe.closes_deg is not None:
        found.append(Middle(side * (lobe.opens_deg + lobe.closes_deg) / 2.0, "events"))
    if engine.cam_separation_deg is not None:
        advance = engine.cam_advance_deg or 0.0
        found.append(Middle(engine.cam_separation_deg - side * advance, "separation and advance"))
    if lobe and (by_lift := _by_tdc_lift(book, lobe)):
        found.append(by_lift)
    return tuple(found)


def centre_deg(book: Book, role: str) -> float | None:
    """Give the middle that stands for a role's lobes by the card, crank degrees from TDC of the overlap; None for none."""
    told = middles(book, role)
    return told[0].centreline_deg * side_of(role) if told else None


def flank_of(book: Book, role: str) -> Flank | str:
    """Give the flank the card describes, or what is missing or wrong."""
    lobe = lobe_of(book.engine, role)
    durations = durations_of(lobe) if lobe else ()
    if len(durations) < 2:
        return f"state two durations or more of the {role} lobe"
    lift = resolve(book, "lobe_lift", at_role(role)).value
    if not lift > 0:
        return f"not stated for the {role}: lobe lift"
    found: Flank | str | None = answer_to(OfCard(lift, tuple((one.lift_mm, one.crank_deg) for one in durations)))
    if found is None:
        return PENDING
    return found if isinstance(found, Flank) else f"{role}: {found}"


class OfCard(Struct, frozen=True):
    """The flank of a card, to be solved: its lift, and lifts with their durations in crank degrees."""

    lift_mm: float
    durations: tuple[tuple[float, float], ...]

    @property
    def key(self) -> tuple[object, ...]:
        """See `Problem`."""
        return ("card", self.lift_mm, self.durations)

    def solve(self) -> Flank | str:
        """Give the flank, or what is wrong with the card."""
        try:
            return flank_from_card(self.lift_mm, self.durations)
        except CardError as error:
            return str(error)


def _by_tdc_lift(book: Book, lobe: CamLobe) -> Middle | None:
    """Give the middle at which the card's own lobe stands open by its lift at TDC."""
    if lobe.tdc_lift_mm is None or isinstance(flank := flank_of(book, lobe.id), str):
        return None
    wanted = lobe.tdc_lift_mm
    if lobe.tdc_read_at == "valve":  # cards quote it without lash
        wanted /= resolve(book, "rocker_ratio", at_role(lobe.id)).value
    if not 0.0 < wanted < flank.lift_mm:
        return None
    half = roots_between(lambda at: flank.lift(at) - wanted, np.array(0.0), np.array(flank.end_deg - 1e-9))
    return Middle(2.0 * float(half), "lift at TDC", _BY_SHAPE_DEG)


def contradictions(book: Book) -> tuple[str, ...]:
    """Say what on the card can't all be so, each with both figures."""
    found = []
    for lobe in book.engine.lobes:
        found += [*_of_middles(book, lobe.id), *_of_durations(book.engine, lobe), *_of_lift(book, lobe)]
        if lobe.opens_deg is not None and lobe.closes_deg is not None and lobe.closes_deg <= lobe.opens_deg:
            found.append(f"{lobe.id}: it closes before it opens: is an event on the wrong side of its dead centre?")
    return tuple(found)


def _of_middles(book: Book, role: str) -> list[str]:
    told = middles(book, role)
    found = [
        f"{role}: {other.by} {_gives(other.by)} {other.centreline_deg:.1f}, {first.by} says {first.centreline_deg:.1f}"
        for first, other in ((told[0], one) for one in told[1:])
        if abs(other.centreline_deg - first.centreline_deg) > max(first.rounding_deg, other.rounding_deg)
    ]
    if told and not 90.0 <= told[0].centreline_deg <= 135.0:
        found.append(f"{role}: a centreline of {told[0].centreline_deg:g} degrees is unusual: mostly 98 to 120")
    return found


def _gives(by: str) -> str:
    return "gives" if by == "lift at TDC" else "give"


def _of_durations(engine: Engine, lobe: CamLobe) -> list[str]:
    by_events = _of_events(lobe)
    return [
        f"{lobe.id}: events give {by_events.crank_deg:.1f} degrees at {in_words(one.lift_mm, 'length', engine.unit('length'))}, "
        f"card says {one.crank_deg:.1f}"
        for one in lobe.durations
        if by_events and abs(one.lift_mm - by_events.lift_mm) < 1e-6
        and abs(one.crank_deg - by_events.crank_deg) > _DURATION_DEG
    ]  # fmt: skip


def _of_lift(book: Book, lobe: CamLobe) -> list[str]:
    """Hold the gross lift against the lobe lift, and the card's lash against the one that is stated."""
    unit = book.engine.unit("length")
    lift = resolve(book, "lobe_lift", at_role(lobe.id)).value
    found = []
    if lobe.gross_lobe_mm is not None and abs(lobe.gross_lobe_mm - lift) > _LIFT_MM:
        found.append(
            f"{lobe.id}: gross lift over its ratio gives {in_words(lobe.gross_lobe_mm, 'length', unit)} at the lobe, "
            f"stated is {in_words(lift, 'length', unit)}"
        )
    lash = resolve(book, "lash", at_role(lobe.id)).value
    told = [one for one in (lobe.lash_cold_mm, lobe.lash_hot_mm) if one is not None]
    if told and lash == lash and all(abs(one - lash) > 0.006 for one in told):
        said = " or ".join(in_words(one, "length", unit) for one in told)
        found.append(f"{lobe.id}: the card's lash is {said}, stated is {in_words(lash, 'length', unit)}")
    return found
