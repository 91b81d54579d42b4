"""Quantities of the valve train in motion: the red line, and the masses that the spring has to turn round."""

from __future__ import annotations

from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

_ANY: tuple[PlaceKind, ...] = ("position", "role", "engine")
_PAGE = "Masses"

ROWS: tuple[Quantity, ...] = (
    Quantity("red_line", "red line", "nr", "speed", ("engine",), (500.0, 25000.0), (2500.0, 12000.0), page=_PAGE,
             meaning="The highest speed the engine is meant to be turned to, crank."),
    Quantity("rocker_at_valve", "rocker or follower, its mass at the valve", "mk", "mass", _ANY, (0.0, 0.5), (0.005, 0.12),
             page=_PAGE, stated_for=("rocker",),
             meaning="Its moment of inertia over the valve arm squared; about a third of its mass where it was not swung."),
    Quantity("pushrod_mass", "mass of the pushrod", "mp", "mass", _ANY, (0.0, 0.5), (0.02, 0.15),
             (Way("scale", "scale", ("scale",), ("rocker",)),), "The bare pushrod.", page=_PAGE),
    Quantity("lifter_mass", "mass of the lifter or bucket", "mf", "mass", _ANY, (0.0, 1.0), (0.02, 0.25),
             (Way("scale", "scale", ("scale",), ("cam",)),), "Lifter with its roller and oil, or the bucket with its shim.",
             page=_PAGE),
    Quantity("port_pressure", "boost in the port at the red line", "pp", "pressure", _ANY, (0.0, 10.0), (0.0, 4.0), page=_PAGE,
             meaning="Above the air about: it opens the valve. None where nothing is stated."),
    Quantity("train_stiffness", "stiffness of the valve train at the valve", "kt", "rate", _ANY, (100.0, 300000.0),
             (1500.0, 60000.0), page=_PAGE, stated_for=("rocker",),
             meaning="Load at the tip over the lift it takes away, all from cam to tip in place and no lash. A float speed rests "
                     "on it: until it is stated or read, a usual range is taken, which proves nothing."),
    Quantity("lift_lost", "lift lost to a load on the tip", "dl", "length", ("position",), (0.0, 10.0), (0.005, 2.0),
             (Way("indicator", "indicator on the retainer, tip loaded", ("indicator",),
                  ("rocker", "cam", "valve", "retainer", "locks", "adjuster"),
                  howto="Checking spring in, the cam near full lift, all clearance taken up and the indicator zeroed. Load the "
                        "tip, read what the valve gives way: two loads and more.", short="indicator, tip loaded"),),
             "What the valve gives way under a load, cam and everything to the tip in place: the stiffness of the train.",
             "The tip is loaded by a lever or a known spring: stand clear of it, eye protection on.", at="tip_load", page=_PAGE),
    Quantity("tip_load", "load on the tip", "Ft", "load", ("position",), (1.0, 9000.0), (50.0, 3000.0),
             meaning="The load under which the valve gave way: a lever tester, weights, or a spring of known load.", page=_PAGE),
    Quantity("train_damping", "damping of the valve train", "zt", "percent", _ANY, (0.1, 60.0), (2.0, 15.0), page=_PAGE,
             meaning="As a share of the critical one. Of 7, give or take, where nothing is stated."),
    Quantity("spring_damping", "damping of the spring's surge", "zs", "percent", _ANY, (0.05, 60.0), (0.3, 12.0), page=_PAGE,
             meaning="As a share of the critical one. Of 1.5, with a damper or another spring in it 3, where nothing is stated."),
    Quantity("surge_frequency", "surge frequency, tapped", "fs", "frequency", ("position",), (20.0, 5000.0), (150.0, 1200.0),
             (Way("tap", "tapped, spectrum of a microphone", ("spectrum",), ("spring", "shims", "locator", "seat"),
                  howto="Valve shut, spring at its installed height, rocker off. Tap a middle coil with a rod, hold the "
                        "microphone to it: the lowest strong line. Twice it and three times it show as well.",
                  short="tapped"),),
             "The lowest frequency at which the installed spring's coils surge.", page=_PAGE),
    Quantity("lobe_width", "width of the lobe", "bl", "length", _ANY, (2.0, 80.0), (8.0, 30.0),
             (Way("caliper", "caliper", ("caliper",), ("cam",), howto="Across the ground face that the follower runs on."),),
             "Width of the lobe that its follower runs on: what carries the load over the nose.", page=_PAGE),
    Quantity("nose_acceleration", "lobe's acceleration over its nose, of what is drawn", "an", "ratio", ("position",), (0.2, 5.0),
             (0.8, 1.25), meaning="How far off the drawn lobe is where the spring has to hold it. Walk it with a degree wheel.",
             page="Measured lobes"),
)  # fmt: skip
