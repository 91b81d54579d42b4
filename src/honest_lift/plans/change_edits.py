"""From a named change to the edit that makes it: what is fitted, and what is stated anew beside it."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec.structs import replace

from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.card_text import read_durations
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.changes import KINDS, MASSES, Change, ChangeKind, holders_of
from honest_lift.facts.edits import Edit, EditError, Fit, Put, Several, State, fit_springs, fitment, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import ENGINE, Place, Role, at_position, at_role, position_title
from honest_lift.mechanics.cylinder.chain import cam_retard_deg
from honest_lift.numbers.units import in_words

_COMES_DOWN = {"head_cut": 1.0, "block_cut": 1.0, "gasket": -1.0, "tower": -1.0}  # the cam over the crank, per mm
_ROLES = ("intake", "exhaust")
_STATED = {"ratio": "rocker_ratio", "lash": "lash", "lobe_lift": "lobe_lift"}


def words_of(engine: Engine, change: Change) -> str:
    """Say a change in a line: `head cut 0.020 in, left head`."""
    kind = KINDS[change.kind]
    if kind.how == "part":
        owner = next((one.name for one in engine.sets if one.id == change.part), change.part)
        amount = owner
    else:
        amount = in_words(change.amount, kind.dimension, engine.unit(kind.dimension))
    where = f", {_where_words(kind, change.where)}" if change.where else ""
    return f"{kind.title.partition(';')[0]} {'to ' if kind.how == 'to' else ''}{amount}{where}"


def _where_words(kind: ChangeKind, where: str) -> str:
    if kind.slot in ("head face", "gasket", "block face", "cam tower"):
        return f"{where} head"
    return f"cylinder {where}" if kind.slot == "piston" else where if where in _ROLES else position_title(where)


def edit_of(book: Book, change: Change) -> Edit:
    """Give the edit that makes a change. Raises EditError with a sentence where it can't be made."""
    kind, engine = KINDS[change.kind], book.engine
    if not holders_of(engine.layout, kind, change.where):
        gone = f"there is no “{change.where}” on this engine any more" if change.where else "lay the heads out first"
        raise EditError(f"{kind.title}: {gone}.")
    edits = {
        "springs": _springs,
        "shims": _shims,
        "cam": _card,
        "ratio": _anew,
        "lash": _anew,
        "lobe_lift": _anew,
        **dict.fromkeys(MASSES, _heavier),
    }.get(change.kind, _fitted)(book, kind, change)
    return Several(tuple(edits), words_of(engine, change))


def _fit(book: Book, kind: ChangeKind, change: Change, amounts: dict[str, float], part: str = "") -> Fit:
    engine, words = book.engine, words_of(book.engine, change)
    fits = tuple(
        fitment(engine, kind.slot, holder, note=words, change=kind.key, amount=amount, part=part)
        for holder, amount in amounts.items()
    )
    return Fit(fits, words)


def _fitted(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    if change.amount == 0.0:  # nothing is changed, and nothing goes stale
        return []
    holders = holders_of(book.engine.layout, kind, change.where)
    edits: list[Edit] = [_fit(book, kind, change, dict.fromkeys(holders, change.amount))]
    if later := _retard_deg(book, change):
        advance = replace(change, kind="advance", where="", amount=-later)
        edits.append(_fit(book, KINDS["advance"], advance, {"engine": -later}))
    return edits


def _retard_deg(book: Book, change: Change) -> float:
    """Give the crank degrees an overhead cam stands later by its chain; 0 where it has none that is stated.

    One chain over two heads would turn each cam by its own head: only what is done to all of them is told.
    """
    if change.kind not in _COMES_DOWN or book.engine.gear == "pushrod" or change.where:
        return 0.0
    chain = [resolve(book, name, ENGINE).value for name in ("chain_cam", "chain_crank", "chain_between")]
    if not all(map(isfinite, chain)):
        return 0.0
    late = 2.0 * cam_retard_deg(_COMES_DOWN[change.kind] * change.amount, *chain)
    return late if isfinite(late) else 0.0


def _shims(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    """Lay so much more under every spring; take it out where it is less."""
    engine, fits = book.engine, []
    if change.amount == 0.0:
        return []
    for position in holders_of(engine.layout, kind, change.where):
        there = engine.fitted("shims", position)
        if there is None or there.thicknesses_mm is None:
            raise EditError(f"No shims are stated at {position_title(position)}: enter 0 where there are none.")
        height = sum(there.thicknesses_mm) + change.amount
        if height < 0:
            raise EditError(f"There are not so many shims at {position_title(position)} to take out.")
        stack = (*there.thicknesses_mm, change.amount) if change.amount >= 0 else (round(height, 6),)
        fits.append(
            fitment(engine, "shims", position, thicknesses_mm=tuple(one for one in stack if one), note=kind.title)
        )
    return [Fit(tuple(fits), words_of(engine, change))]


def _springs(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    engine = book.engine
    names = [one.id for one in engine.springs if one.set == change.part]
    positions = holders_of(engine.layout, kind, change.where)
    if len(names) < len(positions):
        raise EditError(f"That set has {len(names)} springs for {len(positions)} valves.")
    return [fit_springs(engine, dict(zip(positions, names, strict=False)), words_of(engine, change))]


def _card(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    """Put another card's durations in: what was walked or read of the cam before speaks of another one."""
    engine, durations = book.engine, read_durations(change.part, "mm")
    known = {one.id: one for one in engine.lobes}
    roles: tuple[Role, ...] = ("intake", "exhaust")
    other = fitment(engine, "cam", "engine", note=words_of(engine, change), change="cam")
    lobes = [  # told last: they speak of the cam that is fitted then, whenever the second turns
        replace(known.get(role, CamLobe(role)), durations=durations, when=now())
        for role in roles
        if change.where in ("", role)
    ]
    if not lobes:
        raise EditError("A cam card is of all intakes or of all exhausts, not of one valve.")
    return [Fit((other,), words_of(engine, change)), *(Put("lobes", one) for one in lobes)]


def _anew(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    """State a figure anew, and tell what was read with the old one by how much it is another.

    The figure is stated last: by its time it speaks of what is fitted then, whenever the second turns.
    """
    quantity, engine = _STATED[change.kind], book.engine
    positions = [one for one in engine.layout.positions if change.where in ("", one.role, one.id)]
    before = {one.id: at_valve(book, quantity, one.id).value for one in positions}
    if all(was == change.amount for was in before.values()):
        return []
    if kind.slot != "cam":
        amounts = {name: _moved(change, was) for name, was in before.items() if isfinite(was) and was > 0}
        fits = [_fit(book, kind, change, amounts)] if amounts else []
        return [*fits, State(_facts(engine, quantity, change), "corrected")]
    fits = []
    for role in dict.fromkeys(one.role for one in positions):  # one cam, and a lift of its own for each role
        was = [before[one.id] for one in positions if one.role == role and isfinite(before[one.id])]
        if was and was[0] > 0:
            fits.append(_fit(book, kind, change, {"engine": _moved(change, was[0])}, part=role))
    return [*fits, State(_facts(engine, quantity, change), "corrected")]


def _heavier(book: Book, kind: ChangeKind, change: Change) -> list[Edit]:
    """Fit parts of another mass, otherwise as they were; what is stated of theirs is stated anew, each by as much."""
    engine, quantity = book.engine, kind.key
    positions = holders_of(engine.layout, kind, change.where)
    known = {name: at_valve(book, quantity, name).value for name in positions}
    if change.amount == 0.0:
        return []
    if lacking := [name for name, value in known.items() if not isfinite(value)]:
        raise EditError(f"{CATALOG[quantity].title[:1].upper()}{CATALOG[quantity].title[1:]} is not known at "
                        f"{position_title(lacking[0])}: state it first (Head parts).")  # fmt: skip
    if any(value + change.amount <= 0 for value in known.values()):
        raise EditError("They do not weigh so much now.")
    there, source = _place(engine, change.where), words_of(engine, change)
    stated = [one for one in engine.facts if one.quantity == quantity and (there == ENGINE or one.place == there)]
    if not stated and there != ENGINE:  # stated for more than this: from now on this one by itself
        stated = [
            replace(one, place=there) for one in engine.facts if one.quantity == quantity and one.place in _over(there)
        ][:1]
    # the figure is stated last: it speaks of what is fitted then, whenever the second turns
    fit = _fit(book, kind, change, dict.fromkeys(positions, change.amount))
    facts = tuple(
        replace(one, value=one.value + change.amount, text="", low=None if one.low is None else one.low + change.amount,
                high=None if one.high is None else one.high + change.amount, source=source, when=now())
        for one in stated
    )  # fmt: skip
    return [fit, State(facts, "corrected")] if facts else [fit]


def _over(there: Place) -> tuple[Place, ...]:
    """Give the places that speak of a valve or a role besides its own, the nearest first."""
    return (at_role(there.role), ENGINE) if there.kind == "position" else (ENGINE,)


def _moved(change: Change, was: float) -> float:
    return change.amount - was if change.kind == "lash" else change.amount / was


def _facts(engine: Engine, quantity: str, change: Change) -> tuple[Fact, ...]:
    """Give the facts to state: every one that stands where the change is meant for, else one there."""
    there = _place(engine, change.where)
    wanted = [one for one in engine.facts if one.quantity == quantity and (there == ENGINE or one.place == there)]
    stated: Sequence[Fact] = wanted or [Fact(quantity, there, change.amount)]
    source = words_of(engine, change)
    return tuple(
        replace(one, value=change.amount, kind="specified", text="", low=None, high=None, source=source, when=now())
        for one in stated
    )


def _place(engine: Engine, where: str) -> Place:
    if where in _ROLES:
        return at_role(where)
    return at_position(where) if where else ENGINE
