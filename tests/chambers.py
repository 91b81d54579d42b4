"""Small engines whose chambers are poured and pistons read, for tests."""

from __future__ import annotations

from engines import Bench
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import ENGINE, at_cylinder
from honest_lift.facts.tools import Tool

BURETTE = Tool(
    "burette", "burette", "burette", "volume",
    resolution=0.2, accuracy=0.1, repeatability=0.1, repeatability_found=True,
)  # fmt: skip
DEPTH = Tool("depth", "indicator", "indicator", "length", resolution=0.01, accuracy=0.005, repeatability=0.005)
SCALE = Tool("scale", "scale", "scale", "mass", resolution=0.0001, accuracy=0.0001, repeatability=0.0001)
GLASS = Tool("glass", "thermometer", "thermometer", "temperature", resolution=0.5, accuracy=0.5, repeatability=0.3)
LAYOUT = "head: 1e 1i 2i 2e 3e 3i 4i 4e"


def poured(volumes=(60.0, 60.2, 60.1, 60.3), deck=0.3, layout=LAYOUT, pours=1):
    """A four-cylinder head, its chambers poured, decks read at both sides of the pin, everything else stated."""
    made = Bench(layout).do(Describe({"rod_material": "steel"}, "rods"))
    for tool in (BURETTE, DEPTH, SCALE, GLASS):
        made.do(Put("tools", tool))
    made.do(Put("limits", Limit("asked", "compression", 9.5, 11.5, 0.3, origin="shop")))
    for name, value, tolerance in (
        ("bore", 100.0, 0.02), ("stroke", 88.0, 0.05), ("rod_length", 145.0, 0.2), ("gasket_thickness", 0.7, 0.02),
        ("gasket_bore", 102.0, 0.1), ("piston_volume", 4.0, 0.1), ("crevice_volume", 0.5, 0.0), ("chamber_area", 5200.0, 50.0),
        ("valve_lean", 0.0, 0.0),
    ):  # fmt: skip
        made.state(name, value, ENGINE, tolerance=tolerance)
    for cylinder, volume in zip(made.engine.layout.cylinders, volumes, strict=True):
        for _ in range(pours):
            pour(made, cylinder, volume)
        for point in ("thrust side", "other side"):
            off = 0.06 if point == "thrust side" else -0.06
            made.read("deck_clearance", at_cylinder(cylinder, point), deck + off, "indicator", "depth")
    return made


def pour(made, cylinder, volume, *, repeat=True):
    """Pour a chamber once more, or anew."""
    return made.read(
        "chamber_volume", at_cylinder(cylinder), volume, "burette", "burette", repeat=repeat, also={"start": "0"}
    )
