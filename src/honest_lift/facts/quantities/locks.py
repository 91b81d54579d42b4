"""Quantities of locks, retainer and what comes near them."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Choice, Quantity, Way
from honest_lift.numbers.verdict import Verdict

_ANY: tuple[PlaceKind, ...] = ("position", "role", "engine")
_LOCKED: tuple[Slot, ...] = ("valve", "retainer", "locks")

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "retainer_angle", "angle of the retainer's taper", "ar", "angle", _ANY, (2.0, 30.0), (6.0, 11.0),
        (Way("protractor", "protractor on the part", ("protractor",), ("retainer",)),),
        "7 and 10 degrees are usual, and look alike.", page="Head parts",
    ),
    Quantity(
        "lock_angle", "angle of the locks", "al", "angle", _ANY, (2.0, 30.0), (6.0, 11.0),
        (Way("protractor", "protractor on the part", ("protractor",), ("locks",)),),
        "The locks' own angle: with another one in the retainer part of the taper carries everything.", page="Head parts",
    ),
    Quantity(
        "stem_at_lock", "stem where the locks grip", "dl", "length", _ANY, (2.0, 20.0), (4.5, 13.0),
        (Way("micrometer", "outside micrometer by the groove", ("outside_micrometer", "caliper"), ("valve",),
             howto="Beside the groove, not in the guide: they can be two sizes."),),
        "Diameter of the stem where the locks grip it.", page="Head parts",
    ),
    Quantity(
        "lock_stem", "stem the locks are made for", "dk", "length", _ANY, (2.0, 20.0), (4.5, 13.0),
        (Way("pin", "pin that the closed locks just grip", ("outside_micrometer", "caliper"), ("locks",)),),
        "The stem size the locks are made for.", page="Head parts",
    ),
    Quantity(
        "lock_out", "lock protrusion over the retainer", "kl", "length", ("position",), (-5.0, 12.0), (-1.0, 4.0),
        (Way("depth_gauge", "depth gauge or caliper on the retainer", ("depth_gauge", "caliper"), _LOCKED,
             howto="Locks seated by a tap: how far they protrude over the retainer; below it is minus."),),
        "How far the locks protrude over the retainer.",
    ),
    Quantity(
        "lock_length", "length of the locks", "ll", "length", _ANY, (2.0, 25.0), (5.0, 15.0),
        (Way("caliper", "caliper over a lock", ("caliper", "outside_micrometer"), ("locks",)),),
        "Length of a lock along the stem.", page="Head parts",
    ),
    Quantity(
        "retainer_rocker", "retainer to rocker", "gr", "length", ("position",), (0.0, 30.0), (0.3, 10.0),
        (Way("feeler", "feeler or wire, turned through the lift", ("feeler", "caliper"),
             ("retainer", "locks", "valve", "rocker", "cam", "seat", "lash shim", "cam tower", "adjuster"),
             howto="Least gap anywhere from closed to full lift and back."),),
        "Least distance between the retainer and the rocker's underside over the whole travel.",
        "Turning an engine by hand crushes fingers: plugs out, loose clothing clear.",
    ),
    Quantity(
        "retainer_spigot", "retainer's step inside the spring, diameter", "dq", "length", _ANY, (4.0, 60.0), (9.0, 40.0),
        (Way("caliper", "caliper over the step", ("caliper", "outside_micrometer"), ("retainer",)),),
        "Across the step that centres the outer spring from inside.", page="Head parts",
    ),
    Quantity(
        "retainer_under", "retainer's underside under its step", "hu", "length", _ANY, (-5.0, 30.0), (0.0, 15.0),
        (Way("caliper", "caliper, from the step for the outer spring", ("caliper", "depth_gauge"), ("retainer",)),),
        "How far the retainer reaches below its step for the outer spring, toward the seal.", page="Head parts",
    ),
    Quantity(
        "parts_offset", "retainer and locks over standard height", "od", "length", _ANY, (-6.0, 6.0), (-3.0, 3.0),
        meaning="How much higher this retainer and these locks carry the spring's step than standard ones; none where not stated.",
        page="Head parts",
    ),
    Quantity(
        "retainer_mass", "mass of retainer and locks", "mr", "mass", _ANY, (0.001, 0.3), (0.004, 0.08),
        (Way("scale", "scale", ("scale",), ("retainer", "locks")),), "Retainer and both locks together.", page="Head parts",
    ),
    Quantity(
        "valve_mass", "mass of the valve", "mw", "mass", _ANY, (0.005, 1.5), (0.02, 0.4),
        (Way("scale", "scale", ("scale",), ("valve",)),), "The bare valve.", page="Head parts",
    ),
    Quantity(
        "hardened_base", "hardened base under the spring", "", "observed", ("engine",), (0.0, 1.0), (0.0, 1.0),
        meaning="A hardened shim or cup between the spring and an aluminium head.", page="Engine",
        choices=(Choice("fitted", "a hardened base lies under every spring"),
                 Choice("none", "aluminium heads need a hardened shim or cup under every spring: the coil eats into the head",
                        Verdict.FAILS)),
    ),
)  # fmt: skip
