"""Which picture shows how a quantity is measured."""

from __future__ import annotations

from collections.abc import Callable

from honest_lift.drawings.measured import at_the_spring as spring
from honest_lift.drawings.measured import at_the_valve as valve
from honest_lift.drawings.scene import Scene

_OF: dict[Callable[[], Scene], tuple[str, ...]] = {
    spring.installed_height: ("installed_height", "left_out", "target_height"),
    spring.shims: ("shims", "locator_thickness", "base"),
    spring.seal_gap: ("seal_gap", "seal_seen"),
    spring.stem_tip: ("stem_tip_height", "spring_seat_height", "tip_to_step"),
    spring.lock_out: (
        "lock_out",
        "lock_length",
        "lock_stem",
        "stem_at_lock",
        "lock_angle",
        "retainer_angle",
        "retainer_thickness",
    ),
    spring.retainer_rocker: ("retainer_rocker", "under_rocker", "retainer_below", "retainer_across", "rocker_seen"),
    spring.spring_load: ("spring_load", "reference_load", "in_tester"),
    spring.bind_height: ("bind_height", "bind_travel"),
    spring.free_length: ("free_length",),
    spring.across_spring: ("spring_outside", "spring_inside", "floor_diameter", "pilot_diameter", "retainer_spigot"),
    spring.on_scale: ("spring_mass", "retainer_mass", "valve_mass", "pushrod_mass", "lifter_mass"),
    valve.valve_margin: ("valve_margin", "face_angle", "seat_width", "seat_contact"),
    valve.head_diameter: ("head_diameter",),
    valve.guide: ("stem_diameter", "guide_bore", "guide_clearance"),
    valve.seat_runout: ("spring_seat_runout", "cutter_touch"),
    valve.lash: ("lash",),
    valve.witness_mark: ("mark_centre", "mark_width", "checking_width", "checking_centre"),
    valve.pushrod_length: ("pushrod_length", "pushrod_overall", "pushrod_gauge", "pushrod_ball", "gauge_hole"),
    valve.rocker_dimensions: (
        "pivot_out",
        "pivot_up",
        "valve_arm",
        "pushrod_arm",
        "arm_angle",
        "tip_radius",
        "half_lift_seen",
    ),
    valve.lobe: ("lobe_lift", "base_circle", "lobe_centreline", "valve_lift"),
    valve.piston_to_valve: ("piston_valve_clay", "piston_valve_room", "valve_drop", "pocket_depth", "valve_recess"),
    valve.deck_clearance: ("deck_clearance",),
    valve.gasket: ("gasket_thickness", "gasket_bore", "gasket_volume"),
    valve.squish: ("squish", "head_register"),
    valve.chamber: ("chamber_volume", "chamber_water", "bore_pour", "piston_volume", "port_volume"),
    valve.preload: ("lifter_preload", "plunger_travel", "nut_turns"),
}
PICTURES = {name: draw for draw, names in _OF.items() for name in names}


def picture_of(quantity: str) -> Scene | None:
    """Give the picture of how a quantity is measured; None where words say it."""
    draw = PICTURES.get(quantity)
    return draw() if draw else None
