"""What is read at each valve with its rocker in place: preload or lash, sideways play, and what comes near the gear.

Each is held at every valve once anybody has read it at one: the valve nobody looked at is then unproven.
"""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.looked_at import seen_fine
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.on_valves import everywhere, is_given, looked_at, names_of, on_valves, read_or_worked
from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.estimates.rocker.room import (
    SLOT,
    UNDERSIDE,
    preload_by_lever,
    preload_by_turns,
    retainer_room,
    slot_room,
)
from honest_lift.facts.engine import Book
from honest_lift.facts.fact import Fact
from honest_lift.facts.journal_index import is_read
from honest_lift.facts.place import ENGINE, Place, at_position, at_role
from honest_lift.numbers.doubt import Ground

PRELOAD = Check(
    "preload", "Lifter preload", "rocker", "length", "How far the lifter's plunger is pressed down with its valve closed.",
)  # fmt: skip
PLUNGER_LEFT = Check(
    "plunger_left", "Plunger's travel left", "rocker", "length", "Travel of the lifter's plunger less its preload.",
)  # fmt: skip
LASH_SET = Check("lash_set", "Lash as set", "rocker", "length", "Lash as it was read, less what the card asks for.")
PUSHROD_HEAD = Check(
    "pushrod_to_head", "Pushrod to head", "rocker", "length",
    "Least gap round the pushrod, top and bottom, over a full turn.",
)  # fmt: skip
SLOT_STUD = Check(
    "slot_stud", "Slot to stud", "rocker", "length", "Least gap of the stud in the rocker's slot over the travel.",
)  # fmt: skip
SIDEWAYS = Check(
    "roller_sideways", "Roller on the stem, sideways", "rocker", "length", "Roller centre beside the stem's, along the shaft.",
)  # fmt: skip
SIDE_PLAY = Check(
    "shaft_side_play", "Side play on the shaft", "rocker", "length", "Room of a rocker along its shaft between its spacers.",
)  # fmt: skip
WIPE_CENTRE = Check(
    "wipe_centre", "Wipe on the cam pad", "rocker", "length",
    "Centre of the wipe from the centre of the pad; toward the valve positive.",
)  # fmt: skip
WIPE_ROOM = Check(
    "wipe_room", "Pad beside the wipe", "rocker", "length", "What is left of the cam pad beside the lobe's wipe.",
)  # fmt: skip
RETAINER_ROCKER = Check(
    "retainer_rocker", "Retainer to rocker", "heights", "length",
    "Least distance between retainer and rocker over the whole travel.",
)  # fmt: skip
GUIDE_PLATE = Check("guide_plate", "Guide plate", "rocker", OBSERVED, "How the pushrod runs in its guide plate.")


def check_rocker_seen(book: Book) -> list[Finding]:
    """Give the findings of everything that was read with the rockers in place."""
    found = _preload(book) if book.engine.lifter.startswith("hydraulic") else _lash(book)
    found += [one for check in (SIDEWAYS, SIDE_PLAY, WIPE_CENTRE, WIPE_ROOM) if is_given(book, check.name)
              for one in on_valves(book, check, everywhere(book, check.name), {})]  # fmt: skip
    if book.engine.gear != "bucket":  # a bucket has no rocker over its retainer
        found += _retainer(book)
    if book.engine.gear != "pushrod":
        return found
    if is_given(book, PUSHROD_HEAD.name):
        found += on_valves(book, PUSHROD_HEAD, everywhere(book, PUSHROD_HEAD.name), {})
    if is_given(book, GUIDE_PLATE.name):
        found += looked_at(book, GUIDE_PLATE, GUIDE_PLATE.name)
    return found + _slot(book)


def _retainer(book: Book) -> list[Finding]:
    worked = any(is_given(book, name) for name in UNDERSIDE)
    room = (
        read_or_worked(book, RETAINER_ROCKER.name, retainer_room(book))[0]
        if worked
        else everywhere(book, RETAINER_ROCKER.name)
    )
    return on_valves(book, RETAINER_ROCKER, room, {}, seen_fine(book, "rocker_seen"))


def _slot(book: Book) -> list[Finding]:
    if book.engine.rocker_mount != "stud":
        return []
    if any(is_given(book, name) for name in SLOT):
        return on_valves(book, SLOT_STUD, read_or_worked(book, SLOT_STUD.name, slot_room(book))[0], {})
    return on_valves(book, SLOT_STUD, everywhere(book, SLOT_STUD.name), {}) if is_given(book, SLOT_STUD.name) else []


def _preload(book: Book) -> list[Finding]:
    if is_given(book, "nut_turns") and book.engine.gear == "pushrod" and book.engine.rocker_mount == "stud":
        pressed = read_or_worked(book, "lifter_preload", _by_turns(book))[0]
    elif is_given(book, "lifter_preload"):
        pressed = everywhere(book, "lifter_preload")
    else:
        return []
    found = on_valves(book, PRELOAD, pressed, {})
    if is_given(book, "plunger_travel"):
        travel = everywhere(book, "plunger_travel")
        terms = {"plunger_travel": travel.figure.value, "preload": pressed.figure.value}
        found += on_valves(book, PLUNGER_LEFT, derive(np.subtract, travel, pressed), terms)
    return found


def _by_turns(book: Book) -> Estimate:
    """Give what the nut's turns come to by the gear as it was measured; where it was not, by the lever at the tip, in bounds."""
    exact = preload_by_turns(book)
    measured = exact.figure.ground & int(Ground.MISSING) == 0
    return exact if measured.all() else either(measured, exact, preload_by_lever(book))


def _lash(book: Book) -> list[Finding]:
    """Hold each lash that was read against the card's, cold or hot as it was read."""
    if not is_read(book.journal, "lash"):
        return []
    read = estimate_of([_read_here(one) for each in everywhere(book, "lash").inputs for one in each])
    wanted = np.array(
        [wanted_lash_mm(book, name, one[0].way) for name, one in zip(names_of(book), read.inputs, strict=True)]
    )
    off = derive(lambda own: own - wanted, read)
    unasked = ~np.isfinite(wanted) & np.isfinite(read.figure.value)
    inputs = tuple(
        (*own, *((_NOT_ASKED,) if lacks else ())) for own, lacks in zip(off.inputs, unasked.tolist(), strict=True)
    )
    off = Estimate(off.figure.on_ground(unasked, Ground.MISSING), inputs)
    terms = {"lash": read.figure.value, "asked_for": wanted}
    return on_valves(book, LASH_SET, off, terms)


_NOT_ASKED = Input(
    "lash", "", "missing", ground=Ground.MISSING, note="the cam card's lash is not stated, so there is nothing to hold it against",
)  # fmt: skip


def _read_here(one: Input) -> Input:
    """Keep a lash that was read at this very valve; one stated, or read for all of them, was not set here by anybody."""
    if (one.kind == "measured" and one.is_own) or one.ground & Ground.MISSING:
        return one
    return Input(
        "lash", one.where, "missing", ground=Ground.MISSING, note="stated, and not read at this valve", asked=one.asked
    )


def wanted_lash_mm(book: Book, position: str, way: str) -> float:
    """Give the lash a valve is to have: the card's hot or cold one, else what is stated for its role; NaN for neither."""
    place = at_position(position)
    lobe = next((one for one in book.engine.lobes if one.id == place.role), None)
    hot = way == "feeler_hot"
    card = (lobe.lash_hot_mm if hot else lobe.lash_cold_mm) if lobe else None
    if card is not None:
        return card
    stated = None if hot else _stated(book.engine.facts, at_role(place.role)) or _stated(book.engine.facts, ENGINE)
    return stated.value if stated and stated.kind == "specified" and isfinite(stated.value) else float("nan")


def _stated(facts: tuple[Fact, ...], place: Place) -> Fact | None:
    return next((one for one in facts if one.quantity == "lash" and one.place == place), None)
