"""Values out of physical sense: a negative lift, a NaN, a load of 1e9. They are set aside and named, never used.

The rest of the file opens. What was set aside is kept in the book as it stood.
"""

from __future__ import annotations

import math
from functools import lru_cache
from typing import Any

from msgspec import Struct, json
from msgspec.structs import fields, replace

from honest_lift.facts.bolts import BoltPlan, bolts_are_odd
from honest_lift.facts.book.logged import KINDS as KINDS_OF_LOG
from honest_lift.facts.book.logged import Logged, is_day, log_is_odd
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.changes import KINDS
from honest_lift.facts.engine import Book, SetAside
from honest_lift.facts.fact import Fact
from honest_lift.facts.firing import firing_is_odd
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.layout import Layout, in_a_row
from honest_lift.facts.limits import Limit
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import Place, at_position, split_position
from honest_lift.facts.trials import Trial
from honest_lift.facts.wheel_table import READ_AS, WheelTable
from honest_lift.numbers.mendable import MendableError

_BY_ENDING = {"_mm": (0.0, 500.0), "_n": (0.1, 20000.0), "_percent": (0.0, 100.0)}
_BY_NAME = {
    "resolution": (0.0, 1000.0), "accuracy": (0.0, 1000.0), "repeatability": (0.0, 1000.0),
    "coils": (0.0, 50.0), "active_coils": (0.1, 50.0), "crank_deg": (1.0, 600.0), "centreline_deg": (1.0, 359.0),
    "opens_deg": (-720.0, 720.0), "closes_deg": (-720.0, 720.0), "gross_ratio": (0.5, 3.0),
    "tensile_a": (100.0, 5000.0), "tensile_m": (0.0, 1.0),
    "lowest": (-20000.0, 20000.0), "highest": (-20000.0, 20000.0), "comfort": (0.0, 20000.0),
    "plus_minus": (0.0, 1000.0), "percent": (0.0, 100.0), "amount": (-200.0, 200.0),
}  # fmt: skip
_TABLES = (
    "cards",
    "sets",
    "fitments",
    "tools",
    "references",
    "limits",
    "tolerances",
    "lobes",
    "bucket_stock",
    "shim_stock",
)
_OF_ENGINE = {"cam_separation_deg": (30.0, 180.0), "cam_advance_deg": (-60.0, 60.0)}
_PUSHROD, _BUCKET = (30.0, 500.0), (0.3, 10.0)
_ANGLES, _LIFTS = (-1440.0, 1440.0), (-100.0, 100.0)
_BY_DAY = frozenset({"seat_load_engine"})  # told by the days it was read on
_DRAWN = (-100000.0, 100000.0)  # where a valve is drawn


def sensible(book: Book) -> Book:
    """Give the book with every senseless value set aside. The same book when there is none."""
    aside: list[SetAside] = []
    engine = book.engine
    facts = tuple(fact for fact in engine.facts if not _fact_is_odd(fact, aside))
    changed: dict[str, Any] = {}
    for table in _TABLES:
        rows = tuple(
            _mended(row, f"{table.removesuffix('s')} {getattr(row, 'id', '')}".strip(), aside)
            for row in getattr(engine, table)
        )
        if table == "limits":  # half a window would pass what the whole one refuses
            ends = [_ends(one) for one in engine.limits]
            rows = tuple(new if _ends(new) == old else _no_limit(new) for new, old in zip(rows, ends, strict=True))
        if table == "references":  # half a certificate would be surer than the whole one
            pairs = zip(rows, engine.references, strict=True)
            rows = tuple(new if new == old else replace(new, points=()) for new, old in pairs)
        if table == "cards":
            rows = tuple(_whole_window(new, old) for new, old in zip(rows, engine.cards, strict=True))
        rows = tuple(one for one in rows if _is_whole(one))
        if rows != getattr(engine, table):
            changed[table] = rows
    for name, inside in _OF_ENGINE.items():
        value = getattr(engine, name)
        if value is not None and (why := out_of_sense(value, *inside)):
            aside.append(SetAside("engine", name, repr(value), why))
            changed[name] = None
    if any(why := out_of_sense(one, *_PUSHROD) for one in engine.pushrod_stock):
        aside.append(SetAside("engine", "pushrod_stock", repr(engine.pushrod_stock), why))
        changed["pushrod_stock"] = ()
    if any(why := out_of_sense(one, *_BUCKET) for one in engine.bucket_sold):
        aside.append(SetAside("engine", "bucket_sold", repr(engine.bucket_sold), why))
        changed["bucket_sold"] = ()
    for name, why_odd, none in (("firing", firing_is_odd, ()), ("bolts", bolts_are_odd, BoltPlan())):
        if why := why_odd(getattr(engine, name)):
            aside.append(SetAside("engine", name, repr(getattr(engine, name)), why))
            changed[name] = none
    trials = tuple(one for one in engine.trials if not _trial_is_odd(one, aside))
    if len(trials) < len(engine.trials):
        changed["trials"] = trials
    layout = _drawable(engine.layout, aside)
    journal = tuple(entry for entry in book.journal if not _entry_is_odd(entry, aside))
    if not aside:
        return book
    engine = replace(engine, facts=facts, layout=layout, **changed)
    return replace(book, engine=engine, journal=journal, set_aside=book.set_aside + tuple(aside))


def out_of_sense(value: float, low: float, high: float) -> str:
    """Say why a value makes no sense; "" when it does."""
    if not math.isfinite(value):
        return "it is not a number"
    if not low <= value <= high:
        return f"it lies outside {low:g} to {high:g}"
    return ""


def _entry_is_odd(entry: AnyEntry, aside: list[SetAside]) -> bool:
    if isinstance(entry, WheelTable):
        return _table_is_odd(entry, aside)
    if isinstance(entry, Logged):
        if why := log_is_odd(entry):
            aside.append(SetAside("the log", KINDS_OF_LOG[entry.kind], f"{entry.day} {entry.words}".strip(), why))
        return bool(why)
    if not isinstance(entry, Reading):
        return False
    row = CATALOG.get(entry.quantity)
    if row is not None and _is_plain(entry, row.physical):
        return False
    if why := _no_such_place(entry.place):
        which = "place"
    elif row is None:
        why, which = f"nothing called “{entry.quantity}” is measured here", "quantity"
    elif why := out_of_sense(entry.value, *row.physical) or _bounds_are_odd(entry, row.physical):
        which = row.title
    else:
        odd = (
            (name, out_of_sense(value, *CATALOG[name].physical)) for name, value in entry.at.items() if name in CATALOG
        )
        which, why = next(((CATALOG[name].title, bad) for name, bad in odd if bad), ("", ""))
        if entry.quantity in _BY_DAY and not is_day(entry.when[:10]):
            which, why = "when", f"“{entry.when}” says no day, and without its day it is no part of a history"
        if unknown := [name for name in entry.at if name not in CATALOG]:
            which, why = unknown[0], "nothing of that name is known here"
    if why:
        at = {name: value for name, value in entry.at.items() if math.isfinite(value)}
        aside.append(
            SetAside(entry.place.title, which, _given(entry), why, entry.quantity, entry.place, entry.when, at)
        )
    return bool(why)


def _is_plain(entry: Reading, physical: tuple[float, float]) -> bool:
    """Tell at a glance that a reading makes sense, as almost all do: a figure at one place, taken at no other figure."""
    low, high = physical
    return (
        low <= entry.value <= high and not entry.at and not entry.is_bound and entry.quantity not in _BY_DAY
        and not _no_such_place(entry.place)
    )  # fmt: skip


def _bounds_are_odd(entry: Reading, physical: tuple[float, float]) -> str:
    """Say why what goes and what does not makes no sense; "" when it does, or the reading is a figure."""
    ends = [one for one in (entry.low, entry.high) if one is not None]
    if bad := next((why for one in ends if (why := out_of_sense(one, *physical))), ""):
        return bad
    return "what goes lies beyond what does not" if len(ends) == 2 and ends[0] >= ends[1] else ""


def _table_is_odd(table: WheelTable, aside: list[SetAside]) -> bool:
    """Set a whole wheel table aside: one that lost a row somewhere is another lobe."""
    quantity = READ_AS[table.read_at]
    why = _no_such_place(table.place)
    if not why and table.place.kind not in ("position", "role"):
        why = "a lobe is of a valve, or of all intakes or exhausts"
    if not why and len(table.crank_deg) != len(table.lift_mm):
        why = f"it has {len(table.crank_deg)} angles and {len(table.lift_mm)} lifts"
    if not why and table.read_at == "valve" and table.place.kind != "position":
        why = "what was read at one valve speaks of no other"
    if not why and len(table.crank_deg) < 5:
        why = "fewer than five rows are no lobe"
    angles = (*table.crank_deg, *(table.stops_deg or ()))
    bad = [one for one in angles if out_of_sense(one, *_ANGLES)] + [
        one for one in table.lift_mm if out_of_sense(one, *_LIFTS)
    ]
    if not why and bad:
        why = f"{bad[0]!r} in it makes no sense"
    if why:
        given = f"{len(table.crank_deg)} rows read at the {table.read_at}"
        aside.append(SetAside(table.place.title, "wheel table", given, why, quantity, table.place))
    return bool(why)


def _fact_is_odd(fact: Fact, aside: list[SetAside]) -> bool:
    row = CATALOG.get(fact.quantity)
    if why := _no_such_place(fact.place):
        pass
    elif row is None:
        why = f"nothing called “{fact.quantity}” is known here"
    else:
        low, high = row.physical
        why = out_of_sense(fact.value, low, high)
        for end in (fact.low, fact.high):
            why = why or ("" if end is None else out_of_sense(end, low, high))
        why = why or ("" if fact.tolerance is None else out_of_sense(fact.tolerance, 0.0, high))
        if not why and fact.low is not None and fact.high is not None and fact.low > fact.high:
            why = "its range runs backwards"
    if why:
        title = row.title if row else fact.quantity
        aside.append(SetAside(fact.place.title, title, _given(fact), why, fact.quantity, fact.place, fact.when))
    return bool(why)


def _trial_is_odd(trial: Trial, aside: list[SetAside]) -> bool:
    """Set a whole trial aside: without one of its changes it is another."""
    why = ""
    for one in trial.changes:
        kind = KINDS.get(one.kind)
        why = why or (f"nothing is changed that is called “{one.kind}”" if kind is None else "")
        why = why or (out_of_sense(one.amount, *kind.inside) if kind and kind.how != "part" else "")
    if why:
        aside.append(SetAside("engine", f"trial {trial.name}", json.encode(trial).decode(), why))
    return bool(why)


def _drawable(layout: Layout, aside: list[SetAside]) -> Layout:
    """Give a layout that can be drawn: a head with a coordinate that is none is drawn in a row."""
    heads = []
    for head in layout.heads:
        bad = [one for one in head.positions if any(out_of_sense(at, *_DRAWN) for at in (one.x_mm, one.y_mm))]
        for one in bad:
            given, why = f"{one.x_mm!r}, {one.y_mm!r}", "it is no place in a drawing"
            aside.append(SetAside(at_position(one.id).title, "where it is drawn", given, why))
        heads.append(in_a_row(head) if bad else head)
    return (
        replace(layout, heads=tuple(heads))
        if any(a is not b for a, b in zip(heads, layout.heads, strict=True))
        else layout
    )


@lru_cache(maxsize=4096)
def _no_such_place(place: Place) -> str:
    """Say why a place can't be one; "" when it can, whether or not the engine has it today."""
    if place.kind == "role" and place.name not in ("intake", "exhaust"):
        return "a role is intake or exhaust"
    if place.kind != "position":
        return ""
    try:
        split_position(place.name)
    except MendableError as error:
        return str(error)
    return ""


def _mended(record: Any, place: str, aside: list[SetAside]) -> Any:
    """Give a record with its senseless numbers taken out; nested records likewise."""
    changed: dict[str, Any] = {}
    for name in record.__struct_fields__:
        value = getattr(record, name)
        if isinstance(value, float) and (why := _odd_field(name, value)):
            aside.append(SetAside(place, name, repr(value), why))
            changed[name] = None
        elif isinstance(value, tuple) and value and isinstance(value[0], Struct):
            each = (_mended(one, f"{place} {getattr(one, 'name', '')}".strip(), aside) for one in value)
            changed[name] = tuple(one for one in each if _is_whole(one))
        elif isinstance(value, tuple) and any(isinstance(one, float) and _odd_field(name, one) for one in value):
            aside.append(SetAside(place, name, str(value), "a figure in it makes no sense"))
            changed[name] = None if name == "thicknesses_mm" else ()
    return replace(record, **changed) if changed else record


def _is_whole(record: Any) -> bool:
    """Tell whether a record kept all it can't be without: a duration whose lift makes no sense is none."""
    return all(getattr(record, name) is not None for name in _required(type(record)))


_needed: dict[type, tuple[str, ...]] = {}


def _required(kind: type[Struct]) -> tuple[str, ...]:
    """Give the fields that a kind of record can't be without, told once a kind."""
    if kind not in _needed:
        _needed[kind] = tuple(info.name for info in fields(kind) if info.required)
    return _needed[kind]


def _ends(limit: Limit) -> tuple[float | None, float | None]:
    return limit.lowest, limit.highest


def _no_limit(limit: Limit) -> Limit:
    """Give a limit that states no end any more, and that bars a pass until somebody states it anew."""
    return replace(limit, lowest=None, highest=None, set_aside=True)


def _whole_window(new: SpringCard, old: SpringCard) -> SpringCard:
    """Give a card whose manual is whole as it was, or not there: half of its window would pass what the whole one refuses."""
    ends = ("manual_height_mm", "manual_least_n", "manual_most_n")
    if all(getattr(new, one) == getattr(old, one) for one in ends):
        return new
    return replace(new, **dict.fromkeys(ends))


def _odd_field(name: str, value: float) -> str:
    ending = next((bounds for end, bounds in _BY_ENDING.items() if name.endswith(end)), None)
    low, high = _BY_NAME.get(name) or ending or (-1e6, 1e6)
    return out_of_sense(value, low, high)


def _given(record: Struct) -> str:
    return (
        json.encode(record).decode() if not isinstance(record, Reading) else f"{record.text} ({record.value!r} inside)"
    )
