"""Checks that look at every valve together, in families: each is worked out again only when what it rests on changes."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from honest_lift.checks.clearance.piston_valve import WORKED_FROM, check_through_turn
from honest_lift.checks.clearance.squish import check_squish
from honest_lift.checks.clearance.valve_pair import check_valve_pair
from honest_lift.checks.cylinder.chambers import check_chambers
from honest_lift.checks.cylinder.compression import check_compression
from honest_lift.checks.cylinder.deck_finish import check_deck_finish
from honest_lift.checks.finding import Finding
from honest_lift.checks.head.guides import check_guides
from honest_lift.checks.head.locks import check_locks
from honest_lift.checks.head.tips import check_tips
from honest_lift.checks.head.valve_heads import check_valve_heads
from honest_lift.checks.looked_at import BARE_HEAD, SEEN, check_looked_at, check_seen
from honest_lift.checks.rocker.geometry import check_rocker_geometry
from honest_lift.checks.rocker.seen import check_rocker_seen
from honest_lift.checks.spring.seats import check_spring_seats
from honest_lift.estimates.clearance.valve_pair import RESTS_ON as OF_PAIR
from honest_lift.estimates.cylinder.chambers import RESTS_ON as OF_CHAMBER
from honest_lift.estimates.cylinder.clearance_volume import PARTS
from honest_lift.estimates.rocker.parts import RESTS_ON
from honest_lift.estimates.rocker.room import SLOT, TURNS, UNDERSIDE
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value

Family = Callable[[Book], list[Finding]]


def _family(check: Family, *quantities: str) -> Family:
    """Make a family that remembers: it sees only its own quantities, and the parts they depend on."""
    remembered = by_value(check)
    return partial(_narrowly, remembered, frozenset(quantities), slots_of(quantities) | {"spring"})


def _narrowly(check: Family, quantities: frozenset[str], slots: frozenset[str], book: Book) -> list[Finding]:
    return check(narrowed(book, quantities, slots, parts=True))


_FAMILIES = (
    _family(check_guides, "stem_diameter", "guide_bore", "guide_clearance"),
    _family(check_valve_heads, "valve_margin", "head_diameter"),
    _family(check_tips, "stem_tip_height", "tip_height_target"),
    _family(check_spring_seats, "spring_seat_height", "cutter_touch", "spring_seat_runout", "floor_diameter", "pilot_diameter",
            "spring_outside", "spring_inside"),
    _family(check_locks, "retainer_angle", "lock_angle", "stem_at_lock", "lock_stem", "lock_out", "lock_length",
            "retainer_spigot", "spring_inside"),
    _family(check_rocker_geometry, "mark_centre", "mark_width", "rocker_ratio", "stem_tip_height", "tip_height_target", *RESTS_ON),
    _family(check_rocker_seen, "lifter_preload", "plunger_travel", "pushrod_to_head", "slot_stud", "roller_sideways",
            "shaft_side_play", "guide_plate", "wipe_centre", "wipe_room", "retainer_rocker", "rocker_seen", "rocker_ratio",
            *UNDERSIDE, *RESTS_ON, *SLOT, *TURNS),
    _family(check_through_turn, *WORKED_FROM),
    _family(check_valve_pair, "valve_to_valve", *OF_PAIR, "lobe_centreline", "lobe_shape", "valve_lift", "rocker_ratio", *RESTS_ON),
    _family(check_chambers, *OF_CHAMBER),
    _family(check_compression, *OF_CHAMBER, *PARTS, "deck_clearance", "rod_length", "pin_offset", "check_lift", "lobe_centreline",
            "lobe_shape", "valve_lift", "rocker_ratio", *RESTS_ON),
    _family(check_squish, "deck_clearance", "gasket_thickness", "head_register", "squish"),
    _family(check_seen, *(check.name for check in SEEN)),
    _family(check_deck_finish, "head_finish", "deck_finish"),
    _family(check_looked_at, *(check.name for check in BARE_HEAD)),
)  # fmt: skip


def of_families(book: Book) -> list[Finding]:
    """Give the findings of every family."""
    if not book.engine.layout.positions:
        return []
    return [finding for family in _FAMILIES for finding in family(book)]
