"""The migration chain of the engine file: one function a version, each lifting a raw document to the next."""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from importlib.resources import as_file, files
from typing import Any

from honest_lift.facts import disk
from honest_lift.facts.renamed import renamed

Raw = dict[str, Any]
CURRENT = 15
_LARGEST = 1_000_000


def _to_second(raw: Raw) -> Raw:
    """Version 2 adds fields, and a check whose default limit the first version could not hold."""
    engine = raw.get("engine")
    limits = engine.get("limits") if isinstance(engine, dict) else None
    if isinstance(limits, list) and not any(
        isinstance(one, dict) and one.get("check") == "retainer_seal" for one in limits
    ):
        limits += [one for one in _added("limits") if one["check"] == "retainer_seal"]
    return raw


def _to_third(raw: Raw) -> Raw:
    """Version 3 adds checks of the bare head, the locks and the springs: each gets its default limits."""
    return _with_new_limits(raw, _NEW_IN_THIRD)


def _with_new_limits(raw: Raw, checks: frozenset[str]) -> Raw:
    """Add the default limits of checks that an older version did not know, where the file states none."""
    engine = raw.get("engine")
    limits = engine.get("limits") if isinstance(engine, dict) else None
    if isinstance(limits, list):
        known = {one.get("check") for one in limits if isinstance(one, dict)}
        limits += [one for one in _added("limits") if one["check"] in checks - known]
    return raw


def _added(table: str) -> list[Raw]:
    """Give the limits, or tolerances, that migrations have ever added, as they were then.

    A file of an older version gets these from every program: those of a newer one would judge an old engine by other limits.
    """
    with as_file(files("honest_lift.facts") / "added_by_migrations.json") as path:
        rows: list[Raw] = json.loads(disk.read_file(path, _LARGEST))[table]
    return rows


_NEW_IN_FOURTH = frozenset({"mark_centre", "mark_width"})
_NEW_IN_THIRD = frozenset({
    "guide_clearance", "valve_margin", "tip_level", "tip_height", "spring_seat_level", "spring_seat_runout",
    "spring_on_floor", "spring_over_boss", "spring_on_retainer", "lock_angle", "lock_stem", "lock_out", "lock_engaged",
    "retainer_rocker", "free_card", "free_set", "card_lift",
})  # fmt: skip


def _to_fourth(raw: Raw) -> Raw:
    """Version 4 adds wheel tables to the journal, more ways of quoting a cam card, and checks of the mark on the tip."""
    return _with_new_limits(raw, _NEW_IN_FOURTH)


_NEW_IN_FIFTH = frozenset({
    "half_lift", "true_ratio", "uneven_tip", "preload", "plunger_left", "lash_set", "pushrod_to_head", "slot_stud",
    "roller_sideways", "shaft_side_play", "wipe_centre", "wipe_room", "piston_valve",
    "valve_to_valve", "pocket_wall",
})  # fmt: skip


def _to_fifth(raw: Raw) -> Raw:
    """Version 5 adds checks of the rocker's geometry and of what is read with it in place."""
    return _with_new_limits(raw, _NEW_IN_FIFTH)


_NEW_IN_SIXTH = frozenset({"chamber_pours", "chamber_spread", "compression_spread", "squish", "float_margin"})


_STATED_IN_SIXTH = frozenset({
    "bore", "gasket_thickness", "gasket_bore", "gasket_volume", "piston_volume", "pocket_volume", "crevice_volume",
    "deck_clearance", "check_lift", "chamber_area", "red_line",
})  # fmt: skip


def _to_sixth(raw: Raw) -> Raw:
    """Version 6 adds checks of chambers, compression and squish, and slots of piston and block."""
    return _with_new_tolerances(_with_new_limits(raw, _NEW_IN_SIXTH), _STATED_IN_SIXTH)


_NEW_IN_SEVENTH = frozenset({"set_shortest"})


def _to_seventh(raw: Raw) -> Raw:
    """Version 7 judges the shortest of a used set by a limit of its own."""
    return _with_new_limits(raw, _NEW_IN_SEVENTH)


def _to_eighth(raw: Raw) -> Raw:
    """Version 8 adds what an engine was copied from: nothing an older file could say."""
    return raw


def _to_ninth(raw: Raw) -> Raw:
    """Version 9 names the job in hand: an older file names none, and everything is asked of it."""
    return raw


def _to_tenth(raw: Raw) -> Raw:
    """Version 10 names checks, quantities and built-in limits by the trade's terms."""
    told: Raw = renamed(raw)
    return told


def _to_eleventh(raw: Raw) -> Raw:
    """Version 11 lets a tool state what it can read at all, and names a limit's `rule` and `comfort` as the window does."""
    told: Raw = renamed(raw)
    return told


_NEW_IN_TWELFTH = frozenset({"flexible_float", "bounce_margin", "coils_in_motion"})


def _to_twelfth(raw: Raw) -> Raw:
    """Version 12 adds the speeds of a train that bends, and what they rest on."""
    return _with_new_limits(raw, _NEW_IN_TWELFTH)


_NEW_IN_THIRTEENTH = frozenset({"piston_valve_speed"})


def _to_thirteenth(raw: Raw) -> Raw:
    """Version 13 holds the room between piston and valve at speed too."""
    return _with_new_limits(raw, _NEW_IN_THIRTEENTH)


def _to_fourteenth(raw: Raw) -> Raw:
    """Version 14 keeps a book: every edit is an entry, and a chain lies over the journal. It begins with the first edit."""
    return raw


def _to_fifteenth(raw: Raw) -> Raw:
    """Version 15 keeps the days a tool was calibrated on before: an older file knows only the last.

    Angles of locks and retainers on a card were taken as exact by default, and nothing is. “No hardened base” was what a file said
    of which nobody had said anything: it is not said now.
    """
    engine = raw.get("engine")
    if isinstance(engine, dict) and engine.get("hardened_base") is False:
        engine["hardened_base"] = None
    rows = engine.get("tolerances") if isinstance(engine, dict) else None
    for one in rows if isinstance(rows, list) else ():
        if isinstance(one, dict) and one.get("quantity") in _EXACT_BEFORE and one.get("plus_minus") == 0.0:
            one |= {"plus_minus": 0.25, "source": "from memory: what a maker grinds 7 or 10 degrees to"}
    return raw


_EXACT_BEFORE = frozenset({"retainer_angle", "lock_angle"})


def _with_new_tolerances(raw: Raw, quantities: frozenset[str]) -> Raw:
    """Add the default tolerances of quantities that an older version did not know, where the file states none."""
    engine = raw.get("engine")
    rows = engine.get("tolerances") if isinstance(engine, dict) else None
    if isinstance(rows, list):
        known = {one.get("quantity") for one in rows if isinstance(one, dict)}
        rows += [one for one in _added("tolerances") if one["quantity"] in quantities - known]
    return raw


CHAIN: Mapping[int, Callable[[Raw], Raw]] = {
    1: _to_second,
    2: _to_third,
    3: _to_fourth,
    4: _to_fifth,
    5: _to_sixth,
    6: _to_seventh,
    7: _to_eighth,
    8: _to_ninth,
    9: _to_tenth,
    10: _to_eleventh,
    11: _to_twelfth,
    12: _to_thirteenth,
    13: _to_fourteenth,
    14: _to_fifteenth,
}  # from version: function


def migrate(raw: Raw, version: int, chain: Mapping[int, Callable[[Raw], Raw]] = CHAIN, current: int = CURRENT) -> Raw:
    """Lift a raw document from its version to the current one. Raises KeyError for a version nobody wrote."""
    while version < current:
        raw = chain[version](raw)
        version += 1
    return raw
