"""What a reading rests on, and whether that has been changed since. Staleness is told by comparing, never stored."""

from __future__ import annotations

from collections.abc import Sequence
from operator import is_
from typing import Any, cast

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.fitments import CHANGEABLE, SCOPES, Fitment, Slot, holders, in_place
from honest_lift.facts.journal import Standing
from honest_lift.facts.place import Place, at_position
from honest_lift.facts.remember import named_memory

_NOTED = "~"  # before the key of a part that was only noted: its change makes nothing stale


def depends_on(engine: Engine, quantity: str, way: str, place: Place) -> dict[str, str]:
    """Give slot to fitment id ("" for none) for what a reading taken this way rests on, and what it only notes."""
    rests = {key: _id_of(fitted) for key, (_, fitted) in _rests_on(engine, quantity, way, place).items()}
    found = CATALOG[quantity].way(way)
    noted = found.noted if found and place.kind == "position" else ()
    return rests | {f"{_NOTED}{slot}": _id_of(engine.fitted(slot, place.name)) for slot in noted}


def noted_change(engine: Engine, one: Standing) -> Slot | None:
    """Give a part that was noted with a reading and is another now; None where all are the same, or none was noted."""
    for key, then in one.depends_on.items():
        if key.startswith(_NOTED):
            slot = cast(Slot, key.removeprefix(_NOTED))
            if _id_of(engine.fitted(slot, one.place.name)) != then:
                return slot
    return None


def _rests_on(engine: Engine, quantity: str, way: str, place: Place) -> dict[str, tuple[Slot, Fitment | None]]:
    """Give, for each part a reading taken this way rests on: its key, slot and what is fitted there now."""
    found = CATALOG[quantity].way(way) if quantity in CATALOG else None
    if found is None or not found.depends:
        return {}
    fitted = in_place(engine.fitments)
    against = engine.layout.opposite(place.name) if CATALOG[quantity].pair and place.kind == "position" else ""
    return {
        key: (slot, fitted.get((slot, holder)))
        for slot in found.depends
        for key, holder in (*holders(engine.layout, slot, place).items(), *_against(engine, slot, against))
    }


def _against(engine: Engine, slot: Slot, position: str) -> list[tuple[str, str]]:
    """Give the key and place of a part of the valve that stands against one; none for what both share."""
    if not position or SCOPES.get(slot):
        return []
    return [(f"{slot}@{key}", key) for key in holders(engine.layout, slot, at_position(position)).values()]


def changes_since(engine: Engine, one: Standing) -> list[tuple[Slot, Fitment | None]]:
    """Give every part a reading rests on that is no longer what it was taken with.

    What its way depends on today counts too: a slot the reading does not name was empty when it was taken.
    """
    rests = _rests_on(engine, one.reading.quantity, one.reading.way, one.place)
    found = [pair for key, pair in rests.items() if _id_of(pair[1]) != one.depends_on.get(key, "")]
    gone = (key for key, then in one.depends_on.items() if then and key not in rests and not key.startswith(_NOTED))
    return found + [(cast(Slot, key.partition("@")[0]), None) for key in gone]


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
