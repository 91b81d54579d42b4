"""A match accepted: springs, retainers, locks, shims and cuts as one edit, with what their cards say and the heights aimed at.

What was read of the old parts goes stale by that; heights become predicted from the offset of the new ones, and prove nothing until
each is read again.
"""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.facts.edits import Edit, Fit, Put, Several, State, Unstate, fit_springs, fitment, new_id, now
from honest_lift.facts.engine import Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.parts import Member, MemberName, Spring, SpringCard, SpringSet
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.plans.match.match import Candidate, Match
from honest_lift.shelf.kinds import Part

_NAMES: tuple[MemberName, ...] = ("outer", "inner", "damper")
_MASS_PERCENT, _WIDTH_MM, _STEM_MM = 3.0, 0.1, 0.01  # what a card's figures are good for. From memory
_ROUND_MM = 0.5


class Chosen(Struct, frozen=True):
    """The parts of a candidate, off the shelf."""

    spring: Part
    retainer: Part
    locks: Part


def accept(engine: Engine, match: Match, one: Candidate, parts: Chosen) -> Edit:
    """Give the one edit that fits a candidate at every position."""
    words = f"match: {named(parts.spring)}, {named(parts.retainer)}, {named(parts.locks)}"
    names = _free_names(engine, len(engine.layout.positions))
    card, group = card_of(one, parts.spring), new_id()
    springs = {position.id: name for position, name in zip(engine.layout.positions, names, strict=True)}
    bought = SpringSet(group, named(parts.spring), card.id, "new", _test_heights(match, one, card))
    fits = [*_parts(engine, one, words), *_stacks(engine, match, one, words)]
    return Several((
        Put("cards", card), Put("sets", bought), *(Put("springs", Spring(name, group)) for name in names),
        fit_springs(engine, springs, words), Fit(tuple(fits), words), *_unstated(engine),
        State(_facts(parts), "corrected"), State(_targets(match, one), "corrected"),  # its parts are fitted above
    ), words)  # fmt: skip


def named(part: Part) -> str:
    """Name a part: its name and number."""
    return f"{part.name} {part.number}".strip()


def _free_names(engine: Engine, many: int) -> list[str]:
    taken = {one.id for one in engine.springs}
    names: list[str] = []
    number = 1
    while len(names) < many:
        if f"M{number}" not in taken:
            names.append(f"M{number}")
        number += 1
    return names


def card_of(one: Candidate, spring: Part) -> SpringCard:
    """Give the card of a candidate's spring as the engine would hold it."""

    def told(key: str) -> float | None:
        return spring.figure(key) if isfinite(spring.figure(key)) else None

    count = int(spring.figure("members"))
    first = Member("outer", wire_mm=told("wire"), mean_diameter_mm=told("mean_diameter"), coils=told("coils"),
                   active_coils=told("active_coils"), free_length_mm=told("free_length"))  # fmt: skip
    others = tuple(Member(name, None) for name in _NAMES[1:count])
    return SpringCard(
        "/".join(one.spring), named(spring), (first, *others), told("seat_height"), told("seat_load"), told("open_height"),
        told("open_load"), told("bind_height"), told("free_length"), told("most_lift"),
        shot_peened=spring.values.get("peened") is True, mass_kg=told("mass"),
    )  # fmt: skip


def _test_heights(match: Match, one: Candidate, card: SpringCard) -> tuple[float, ...]:
    """Give heights for the tester that hold every pocket's shut and open height between them."""
    tall = -(-max(one.heights_mm) // _ROUND_MM) * _ROUND_MM
    opened = min(h - lift for h, lift in zip(one.heights_mm, match.bench.pockets.lift_mm.tolist(), strict=True))
    low = max((opened // _ROUND_MM) * _ROUND_MM, (card.bind_height_mm or 0.0) + 0.1)
    return (tall, round((tall + low) / 2.0, 1), round(low, 3))


def _parts(engine: Engine, one: Candidate, words: str) -> list[Fitment]:
    down = one.down_mm if isfinite(one.down_mm) else None
    fits = []
    for position in engine.layout.positions:
        fits.append(fitment(engine, "retainer", position.id, note=words, change="retainer_under", amount=down))
        fits.append(fitment(engine, "locks", position.id, note=words, change="lock_offset", amount=one.offset_mm))
    return fits


def _stacks(engine: Engine, match: Match, one: Candidate, words: str) -> list[Fitment]:
    fits = []
    for position, stack, cut in zip(match.bench.positions, one.stacks_mm, one.cuts_mm, strict=True):
        if cut > 0:
            fits.append(fitment(engine, "pocket", position, note=words, change="pocket_cut", amount=cut))
        there = engine.fitted("shims", position)
        if there is None or there.thicknesses_mm != stack:
            fits.append(fitment(engine, "shims", position, thicknesses_mm=stack, note=words))
    return fits


_OF_PARTS = ("retainer_angle", "lock_angle", "lock_stem", "lock_length", "retainer_mass", "retainer_spigot", "retainer_under",
             "parts_offset")  # fmt: skip


def _unstated(engine: Engine) -> list[Unstate]:
    """Take away what was stated of the old parts nearer than the engine: it would go before what is stated of the new ones."""
    return [
        Unstate(one.quantity, one.place) for one in engine.facts if one.quantity in _OF_PARTS and one.place != ENGINE
    ]


def _facts(parts: Chosen) -> tuple[Fact, ...]:
    offset = sum(one for part in (parts.retainer, parts.locks) if isfinite(one := part.figure("offset")))
    mass = parts.retainer.figure("mass") + parts.locks.figure("mass")
    told = (
        ("retainer_angle", parts.retainer.figure("angle"), 0.0), ("lock_angle", parts.locks.figure("angle"), 0.0),
        ("lock_stem", parts.locks.figure("stem"), _STEM_MM), ("lock_length", parts.locks.figure("length"), _WIDTH_MM),
        ("retainer_mass", mass, mass * _MASS_PERCENT / 100.0), ("retainer_spigot", parts.retainer.figure("spigot"), _WIDTH_MM),
        ("retainer_under", parts.retainer.figure("under"), _WIDTH_MM), ("parts_offset", offset, 0.0),
    )  # fmt: skip
    source = f"card of {named(parts.retainer)} and {named(parts.locks)}"
    return tuple(
        Fact(quantity, ENGINE, value, tolerance=tolerance, source=source, when=now())
        for quantity, value, tolerance in told if isfinite(value)
    )  # fmt: skip


def _targets(match: Match, one: Candidate) -> tuple[Fact, ...]:
    return tuple(
        Fact("target_height", at_position(position), round(height, 6), source="the match", when=now())
        for position, height in zip(match.bench.positions, one.heights_mm, strict=True)
    )
