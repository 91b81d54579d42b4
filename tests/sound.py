"""Two engines in which everything passes, with as much as can be read or stated: a pushrod twin on a solid roller cam, all of it
through the turn and over the pistons; and a hydraulic one whose heads lean together, its gear by dimensions, its springs used."""

from __future__ import annotations

from msgspec.structs import replace

from chambers import DEPTH, pour
from engines import Bench
from gears import dimensioned
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Put, Unstate
from honest_lift.facts.limits import Limit
from honest_lift.facts.lobe_edits import TakeTables
from honest_lift.facts.place import ENGINE, at_cylinder, at_position, at_role, of_spring
from honest_lift.facts.tools import Tool
from lobes import walked_table
from turning import CLAY, DIAL, LEAN, LOBE, WHEEL

BURETTE = Tool("burette", "burette", "burette", "volume", resolution=0.02, accuracy=0.05, repeatability=0.02)
FEELER = Tool("feeler", "feeler", "feeler", "length", resolution=0.01, accuracy=0.005, repeatability=0.003)
SCALE = Tool("scale", "scale", "scale", "mass", resolution=0.0001, accuracy=0.0001, repeatability=0.0001)
TWIN = "front: 1e 1i\nrear: 2i 2e"
STRAIGHT = tuple((h, 560.0 + 50.0 * (52.0 - h)) for h in (52.0, 48.0, 44.0, 40.0, 35.0))


def _twin(lifter: str, lift: float) -> Bench:
    made = Bench(TWIN, lifter=lifter).do(Describe({"rod_material": "steel"}, "rods"))
    for tool in (WHEEL, DIAL, CLAY, DEPTH, FEELER, SCALE, BURETTE):
        made.do(Put("tools", tool))
    return made.complete(lift=lift)


def _walk(made: Bench, lift_mm: float) -> None:
    durations = tuple(Duration(*one) for one in LOBE)
    for role, centre in (("intake", 108.0), ("exhaust", -108.0)):
        made.do(Put("lobes", CamLobe(role, durations, 108.0, "invented", lash_cold_mm=0.4)))
        for name in made.names:
            if at_position(name).role == role:
                place = at_position(name)
                table = walked_table(made.book, place, LOBE, lift_mm, centre_deg=centre, tool="dial", wheel="wheel")
                made.do(TakeTables((table,)))


def _over_the_pistons(made: Bench) -> None:
    for name, value, tolerance in (
        ("stroke", 88.0, 0.02), ("rod_length", 145.0, 0.05), ("pin_offset", 0.0, 0.02), ("valve_lean", 0.0, 0.0),
        ("bore", 100.0, 0.005), ("gasket_thickness", 0.7, 0.01), ("gasket_bore", 102.0, 0.02), ("piston_volume", 4.0, 0.02),
        ("crevice_volume", 0.5, 0.0), ("chamber_area", 5200.0, 20.0), ("pocket_volume", 1.0, 0.01), ("head_register", 0.0, 0.0),
    ):  # fmt: skip
        made.state(name, value, tolerance=tolerance)
    for name in made.names:
        made.read("valve_drop", at_position(name), 9.0, "indicator", "dial")
    for cylinder in made.engine.layout.cylinders:
        pour(made, cylinder, 60.0)
        made.read("leak_drop", at_cylinder(cylinder), 0.0, "topped_up", "burette")
        for point in ("thrust side", "other side"):
            made.read("deck_clearance", at_cylinder(cylinder, point), 0.3, "indicator", "depth")
    made.do(Put("limits", Limit("asked", "compression", 9.5, 12.0, 0.3, origin="shop")))
    made.do(Put("limits", Limit("felt", "dynamic_ratio", 6.0, 12.0, 0.3, origin="shop")))


def pushrods() -> Bench:
    """Give the first: stated ratio and lash, walked lobes, poured chambers, weighed parts, what was seen at the rockers."""
    made = _twin("solid roller", 7.0 * 1.5 - 0.4).state("lobe_lift", 7.0, tolerance=0.01)
    _walk(made, 7.0)
    _over_the_pistons(made)
    made.state("red_line", 3500.0, tolerance=0.0)
    for name, mass in (("valve_mass", 0.1), ("retainer_mass", 0.02), ("pushrod_mass", 0.06), ("lifter_mass", 0.1),
                       ("rocker_at_valve", 0.03)):  # fmt: skip
        made.state(name, mass, tolerance=0.0001)
    made.state("train_stiffness", 9000.0, tolerance=200.0)
    for name, value in (("base_circle", 30.0), ("lobe_width", 12.0), ("follower_radius", 9.5)):
        made.state(name, value, tolerance=0.01)
    for check, least, most in (("seating_velocity", None, 2.0), ("take_up", None, 2.0), ("surge_order", 3.0, None),
                               ("nose_load", None, 9000.0), ("nose_pressure", None, 4000.0)):  # fmt: skip
        made.do(Put("limits", Limit(f"own {check}", check, least, most, origin="shop")))
    for spring in made.engine.springs:
        made.read("spring_mass", of_spring(spring.id), 0.09, "scale", "scale")
    for name in made.names:
        for quantity, value, way in (("lash", 0.4, "feeler"), ("pushrod_to_head", 2.0, "feeler"), ("mark_centre", 0.1, "seen"),
                                     ("mark_width", 0.7, "seen"), ("shaft_side_play", 0.2, "feeler")):  # fmt: skip
            made.read(quantity, at_position(name), value, way, "feeler")
    return made.do(Unstate("lash", ENGINE)).do(Unstate("lobe_lift", ENGINE))  # nothing stands in for what was read


def leaning() -> Bench:
    """Give the second: gear by its dimensions, preload, heads that lean together, used springs of one type."""
    made = _twin("hydraulic roller", 13.63)
    card = replace(
        made.engine.cards[0], seat_height_mm=49.0, seat_load_n=710.0, open_height_mm=36.0, open_load_n=1360.0
    )
    made.do(Put("cards", card)).do(Put("sets", replace(made.engine.sets[0], condition="used")))
    made.state("target_height", 49.0).do(Unstate("rocker_ratio", ENGINE)).do(Unstate("lobe_lift", ENGINE))
    dimensioned(made, tolerance=0.03)
    _walk(made, 8.966)
    for i, name in enumerate(made.names):
        spring = str(i + 1)
        made.strike(spring).spring(spring, STRAIGHT, 32.5).read(
            "free_length", of_spring(spring), 63.0, "caliper", "solid"
        )
        made.height(name, 49.0).look("spring_condition", of_spring(spring), "reuse")
        made.read("head_diameter", at_position(name), 50.0 if name[1] == "i" else 40.0, "caliper", "solid")
        made.read("lifter_preload", at_position(name), 1.1, "plunger", "dial")
    made.state("plunger_travel", 4.0, tolerance=0.05).state("heads_step", 0.0, tolerance=0.02)
    for role in ("intake", "exhaust"):
        made.state("lean_toward", LEAN, at_role(role), tolerance=0.1).state(
            "face_angle", 45.0, at_role(role), tolerance=0.2
        )
        made.state("lean_across", 0.0, at_role(role), tolerance=0.1)
    for name in ("1i", "2i"):
        made.read("heads_over", at_position(name), 96.0, "caliper", "solid")
    return made
