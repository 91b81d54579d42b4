"""The job in hand: what is being done to the engine, and so which checks are asked of it.

A check that is asked and that nobody has begun is unproven; one that is not asked is no verdict, unless it fails: what somebody has
measured and found bad stands, whatever was ordered. Source: the order of the work, common practice, no source.
"""

from __future__ import annotations

from msgspec import Struct

SPRINGS = frozenset({
    "spring_type", "spring_condition", "free_card", "free_set", "set_shortest", "set_share", "set_weakest", "set_spread",
    "card_seat_load", "card_open_load", "card_bind", "manual_load", "spring_direction",
})  # fmt: skip
HEIGHTS = frozenset({
    "installed_height", "coil_bind_clearance", "seat_load", "open_load", "retainer_seal", "card_lift", "open_stress",
    "retainer_rocker", "hardened_base", "spring_on_floor", "spring_over_boss", "spring_on_retainer", "spring_standing",
    "retainer_level", "parts_condition", "seal_seen", "rocker_seen",
})  # fmt: skip
LOCKS = frozenset({"lock_angle", "lock_stem", "lock_out", "lock_engaged"})
BARE_HEAD = frozenset({
    "guide_clearance", "valve_margin", "tip_level", "tip_height", "spring_seat_level", "cutter_touch",
    "spring_seat_runout", "seat_contact",
    "leak_test",
})  # fmt: skip
CONTACT = frozenset({"mark_centre", "mark_width"})
GEOMETRY = frozenset({"half_lift", "half_lift_seen", "true_ratio", "uneven_tip"})
SET_UP = frozenset({"preload", "plunger_left", "lash_set"})
NEAR_THE_GEAR = frozenset({
    "pushrod_to_head", "slot_stud", "roller_sideways", "shaft_side_play", "guide_plate", "wipe_centre", "wipe_room",
})  # fmt: skip
THROUGH_THE_TURN = frozenset({"piston_valve", "valve_to_valve"})
CHAMBERS = frozenset({"chamber_pours", "chamber_spread"})
CYLINDER = frozenset({"squish", "compression", "compression_spread"})
SPEED = frozenset({"float_margin", "flexible_float", "bounce_margin", "coils_in_motion", "piston_valve_speed"})
WHERE_LIMITED = frozenset({  # looked at where somebody states a limit, or a pocket
    "dynamic_ratio", "pocket_wall", "seating_velocity", "take_up", "surge_order", "nose_load", "nose_pressure",
})  # fmt: skip
FACES = frozenset({"deck_finish"})
EVERY = (
    SPRINGS | HEIGHTS | LOCKS | BARE_HEAD | CONTACT | GEOMETRY | SET_UP | NEAR_THE_GEAR | THROUGH_THE_TURN | CHAMBERS
    | CYLINDER | SPEED | WHERE_LIMITED | FACES
)  # fmt: skip

AS_BEGUN = "as begun"
EVERYTHING = "everything"


class Preset(Struct, frozen=True):
    """A kind of job. `title` as it is chosen, `meaning` in a line, `asks`: the checks it asks for."""

    title: str
    meaning: str
    asks: frozenset[str]


PRESETS: dict[str, Preset] = {
    EVERYTHING: Preset("everything", "The whole engine: every check there is for its gear.", EVERY),
    "new heads": Preset(
        "new heads", "Heads built up and fitted: all but geometry by dimensions and the speed they are held to.",
        EVERY - SPEED - GEOMETRY,
    ),
    "valve job": Preset(
        "valve job", "Guides, seats, valves; springs set up again; chambers poured; what sits on the tips set again.",
        BARE_HEAD | LOCKS | SPRINGS | HEIGHTS | CHAMBERS | SET_UP | CONTACT,
    ),
    "spring change": Preset(
        "spring change", "Other springs on heads that stay as they are.", SPRINGS | HEIGHTS | LOCKS,
    ),
    "cam change": Preset(
        "cam change", "Another camshaft: lift, clearances through the turn, lash or preload, contact on the tips.",
        SPRINGS | HEIGHTS | THROUGH_THE_TURN | SET_UP | CONTACT | NEAR_THE_GEAR,
    ),
    "ratio change": Preset(
        "ratio change", "Other rockers: lift, clearances, and the rockers' own geometry.",
        SPRINGS | HEIGHTS | THROUGH_THE_TURN | SET_UP | CONTACT | GEOMETRY | NEAR_THE_GEAR,
    ),
    "milling": Preset(
        "milling", "Heads or block cut: chambers, compression, squish, clearances, and what the pushrods see of it.",
        CHAMBERS | CYLINDER | THROUGH_THE_TURN | SET_UP | CONTACT | FACES,
    ),
    "check-up": Preset(
        "check-up", "A running engine looked over: springs as they are, lash or preload, contact on the tips.",
        frozenset({"seat_load", "set_share", "set_weakest", "set_spread", "spring_condition", "leak_test"}) | SET_UP | CONTACT,
    ),
    "bare heads": Preset(
        "bare heads for somebody", "Heads sold or handed on without their engine: what can be proven on the bench.",
        BARE_HEAD | LOCKS | SPRINGS | HEIGHTS - {"retainer_rocker", "rocker_seen"} | CHAMBERS,
    ),
    AS_BEGUN: Preset("as it comes", "Nothing is asked for: what somebody begins is judged, nothing else.", frozenset()),
}  # fmt: skip


class Job(Struct, frozen=True, forbid_unknown_fields=True):
    """What is done: a preset by its key, and single checks asked for more, or less, than it asks."""

    preset: str = EVERYTHING
    more: tuple[str, ...] = ()
    less: tuple[str, ...] = ()

    @property
    def title(self) -> str:
        """Give its name."""
        preset = PRESETS.get(self.preset)
        changed = ", changed" if self.more or self.less else ""
        return f"{preset.title if preset else self.preset}{changed}"

    @property
    def asks(self) -> frozenset[str]:
        """Give the checks that are asked. A preset that only another version knows asks for everything."""
        preset = PRESETS.get(self.preset)
        return ((EVERY if preset is None else preset.asks) | frozenset(self.more)) - frozenset(self.less)

    def shows(self, check: str) -> bool:
        """Tell whether a check's verdict counts: it is asked, or whatever is begun counts, or everything does by whatever name."""
        preset = self.preset if self.preset in PRESETS else EVERYTHING
        return check in self.asks or (preset in (AS_BEGUN, EVERYTHING) and check not in self.less)
