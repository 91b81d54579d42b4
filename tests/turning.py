"""Small engines whose valves are turned over a piston, for tests."""

from __future__ import annotations

from engines import Bench
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.lobe_edits import TakeTables
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.facts.tools import Tool
from lobes import walked_table

WHEEL = Tool("wheel", "degree_wheel", "wheel", "angle", resolution=0.5, accuracy=0.25, repeatability=0.2)
DIAL = Tool("dial", "indicator", "dial", "length", resolution=0.01, accuracy=0.01, repeatability=0.007)
CLAY = Tool("clay", "clay", "clay", "length", resolution=0.1, accuracy=0.1, repeatability=0.05)
LOBE = ((0.1524, 284.0), (1.27, 236.0), (5.08, 150.0))


def engine(drop=7.0, rods="steel", lean=0.0):
    made = Bench().do(Describe({"rod_material": rods}, "rods"))
    for tool in (WHEEL, DIAL, CLAY):
        made.do(Put("tools", tool))
    made.state("lobe_lift", 8.97, tolerance=0.02).state("rocker_ratio", 1.5, tolerance=0.005).state(
        "lash", 0.4, tolerance=0.02
    )
    made.state("stroke", 88.0).state("rod_length", 145.0).state("valve_lean", lean, tolerance=0.0 if not lean else 0.3)
    for role in ("intake", "exhaust"):
        made.do(Put("lobes", CamLobe(role, tuple(Duration(*one) for one in LOBE), 108.0, "invented")))
    for name in made.names:
        if drop:
            made.read("valve_drop", at_position(name), drop, "indicator", "dial")
    return made


OVER, LEAN = 92.0, 22.0


def opposed_heads(over=OVER, cant=0.0, walked=True):
    """Two stems 22 degrees either side of the cylinder, both lobes walked and degreed."""
    made = engine(drop=None)
    for role, diameter in (("intake", 50.0), ("exhaust", 40.0)):
        made.state("lean_toward", LEAN, at_role(role), tolerance=0.3).state(
            "face_angle", 45.0, at_role(role), tolerance=0.5
        )
        made.state("lean_across", cant if role == "intake" else 0.0, at_role(role), tolerance=0.2)
        for name in made.names:
            if at_position(name).role == role:
                made.read("head_diameter", at_position(name), diameter, "caliper", "solid")
                made.read("valve_margin", at_position(name), 1.5, "caliper", "solid")
    made.state("heads_step", 0.0, ENGINE, tolerance=0.05)
    made.read("heads_over", at_position("1i"), over, "caliper", "solid")
    for name, centre in (("1i", 108.0), ("1e", -108.0)) if walked else ():
        table = walked_table(made.book, at_position(name), LOBE, 8.97, centre_deg=centre, tool="dial", wheel="wheel")
        made.do(TakeTables((table,)))
    return made
