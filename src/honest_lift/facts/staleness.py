"""What a reading rests on, and whether that has been changed since. Staleness is told by comparing, never stored."""

from __future__ import annotations

from collections.abc import Sequence
from operator import is_
from typing import Any, cast

from msgspec.structs import replace

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.changes import is_untouched
from honest_lift.facts.engine import Engine
from honest_lift.facts.fitments import CHANGEABLE, RESTACKED, SCOPES, STACKS, Fitment, Slot, holders, in_place, since
from honest_lift.facts.ledger import Standing
from honest_lift.facts.memory.remember import named_memory
from honest_lift.facts.place import Place, at_position
from honest_lift.facts.which_valve import ITSELF, NUMBERED, VALVE, valve_at, valve_of, worked_on

_NOTED = "~"  # before the key of a part that was only noted: its change makes nothing stale


def depends_on(engine: Engine, quantity: str, way: str, place: Place) -> dict[str, str]:
    """Give slot to fitment id ("" for none) for what a reading taken this way rests on, and what it only notes."""
    rests = {key: _id_of(fitted) for key, (_, _, fitted) in _rests_on(engine, quantity, way, place).items()}
    found = CATALOG[quantity].way(way)
    noted = found.noted if found and place.kind == "position" else ()
    return rests | {f"{_NOTED}{slot}": _id_of(engine.fitted(slot, place.name)) for slot in noted}


def noted_change(engine: Engine, one: Standing) -> Slot | None:
    """Give a part that was noted with a reading and is another now; None where all are the same, or none was noted."""
    for key, then in one.depends_on.items():
        if key.startswith(_NOTED):
            slot = cast(Slot, key.removeprefix(_NOTED))
            if _id_of(engine.fitted(slot, one.place.name)) != then and not _only_stated(
                engine, slot, one.place.name, then
            ):
                return slot
    return None


def _rests_on(engine: Engine, quantity: str, way: str, place: Place) -> dict[str, tuple[Slot, str, Fitment | None]]:
    """Give, for each part a reading taken this way rests on: its key, slot, where it sits and what is fitted there now."""
    found = CATALOG[quantity].way(way) if quantity in CATALOG else None
    slots = found.rests_on(engine.gear) if found is not None else ()
    if not slots:
        return {}
    fitted = in_place(engine.fitments)
    against = engine.layout.opposite(place.name) if CATALOG[quantity].pair and place.kind == "position" else ""
    return {
        key: (slot, holder, fitted.get((slot, holder)))
        for slot in slots
        for key, holder in (*holders(engine.layout, slot, place).items(), *_against(engine, slot, against))
    }


def _against(engine: Engine, slot: Slot, position: str) -> list[tuple[str, str]]:
    """Give the key and place of a part of the valve that stands against one; none for what both share."""
    if not position or SCOPES.get(slot):
        return []
    return [(f"{slot}@{key}", key) for key in holders(engine.layout, slot, at_position(position)).values()]


def changes_since(engine: Engine, one: Standing) -> list[tuple[Slot, Fitment | None]]:
    """Give every part a reading rests on that is no longer what it was taken with.

    What its way depends on today counts too, though an older program did not write it down (`_fitted_then`).
    """
    rests = _rests_on(engine, one.reading.quantity, one.reading.way, one.place)
    found = [
        (slot, now) for key, (slot, holder, now) in rests.items()
        for then in [_fitted_then(engine, one, key, slot, holder)]
        if _id_of(now) != then and _touching(engine, one, slot, holder, then)
    ]  # fmt: skip
    gone = (key for key, then in one.depends_on.items() if then and key not in rests and not key.startswith(_NOTED))
    return found + [(cast(Slot, key.partition("@")[0]), None) for key in gone]


def _fitted_then(engine: Engine, one: Standing, key: str, slot: Slot, holder: str) -> str:
    """Give the id of what was in a slot when a reading was taken: as it names it, else the last that was fitted by then."""
    if key in one.depends_on:
        return one.depends_on[key]
    by_then = [
        each.id for each in since(engine.fitments, slot, holder, "") if each.when and each.when < one.reading.when
    ]
    return by_then[-1] if by_then else ""


def _touching(engine: Engine, one: Standing, slot: Slot, holder: str, then: str) -> tuple[Fitment, ...]:
    """Give what was fitted in a slot since, less what leaves a reading as it was by its nature."""
    if _only_stated(engine, slot, holder, then):
        return ()
    done = since(engine.fitments, slot, holder, then)
    if slot == VALVE and any(each.change in ITSELF for each in done):
        done = _of_this_valve(engine, holder, then, done)
    return tuple(each for each in done if not is_untouched(one.reading.quantity, each.change))


def _of_this_valve(engine: Engine, holder: str, then: str, done: tuple[Fitment, ...]) -> tuple[Fitment, ...]:
    """Give what was done to the valve a reading was taken of, where it sits there still or again; else all that was fitted."""
    number = valve_of(engine.fitments, holder, then)
    if number and number == done[-1].part:
        nameless = (each for each in done if not each.part and each.change not in ITSELF)
        return (*nameless, *worked_on(engine.fitments, number, then))
    return tuple(each for each in done if each.change != NUMBERED)


def _only_stated(engine: Engine, slot: Slot, holder: str, then: str) -> bool:
    """Tell whether all that was written of a slot since is that no shims lie there: that states, and changes nothing."""
    if then or slot not in STACKS.values():
        return False
    return all(each.height_mm == 0.0 for each in since(engine.fitments, slot, holder, then))


def done_since(engine: Engine, one: Standing) -> tuple[Fitment, ...] | None:
    """Give everything that was done to what a reading rests on since it was taken, in order; None where that can't be told.

    Another stack of shims counts as a change by what both differ.
    """
    rests = _rests_on(engine, one.reading.quantity, one.reading.way, one.place)
    if any(then and key not in rests and not key.startswith(_NOTED) for key, then in one.depends_on.items()):
        return None
    done: list[Fitment] = []
    for key, (slot, holder, now) in rests.items():
        then = _fitted_then(engine, one, key, slot, holder)
        if _id_of(now) == then:
            continue
        own = _touching(engine, one, slot, holder, then)
        if not own:
            continue
        if slot in STACKS.values() and not all(each.change for each in own):
            restacked = _restacked(engine, then, now)
            if restacked is None:
                return None
            own = (restacked,)
        done += own
    order = {each.id: i for i, each in enumerate(engine.fitments)}
    return tuple(sorted(done, key=lambda each: order[each.id]))


def _restacked(engine: Engine, then: str, now: Fitment | None) -> Fitment | None:
    """Give what another stack comes to as a change by an amount; None where one of both is not stated."""
    before = next((each for each in engine.fitments if each.id == then), None)
    if before is None or now is None or before.height_mm is None or now.height_mm is None:
        return None
    return replace(now, change=RESTACKED, amount=now.height_mm - before.height_mm)


def is_of_this_valve(engine: Engine, one: Standing) -> bool:
    """Tell whether a reading is of the valve that sits at its place now; two that are known by number may be others."""
    if one.place.kind != "position" or VALVE not in one.depends_on:
        return True
    now, then = (
        valve_at(engine.fitments, one.place.name),
        valve_of(engine.fitments, one.place.name, one.depends_on[VALVE]),
    )
    return not now or not then or now == then


def is_stale(engine: Engine, one: Standing) -> bool:
    """Tell whether something a reading depended on was fitted, cut or changed since."""
    return bool(changes_since(engine, one))


def stale_among(engine: Engine, readings: Sequence[Standing]) -> int:
    """Count the stale ones. Each answer is remembered while its reading, what is fitted and the layout are the very same."""
    held = (engine.fitments, engine.layout)
    if not all(map(is_, _told.get("held", (None, None)), held)):
        _told.clear()
        _told["held"] = held
    count = 0
    for one in readings:
        known = _told.get(one.reading.id)
        if known is None or known[0] is not one:
            known = _told[one.reading.id] = (one, is_stale(engine, one))
        count += known[1]
    return count


_told: dict[str, Any] = named_memory()


def staleness(engine: Engine, one: Standing) -> str:
    """Say why a reading is stale: what it depended on was changed since. "" when it is not."""
    changed = changes_since(engine, one)
    if not changed:
        return ""
    slot, now = changed[0]
    when = f" on {now.when[:10]}" if now and now.when else ""
    what = now.note if now and now.note else CHANGEABLE.get(slot, "") or "measure again"
    return f"{slot} changed{when} after it was measured: {what}"


def _id_of(one: Fitment | None) -> str:
    return one.id if one else ""
