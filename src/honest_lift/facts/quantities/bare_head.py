"""Quantities of the bare head: guides, valves and their seats, tips, and the seats the springs stand on."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantity import Choice, Quantity, Way
from honest_lift.numbers.verdict import Verdict

DEPTHS = ("top", "middle", "bottom")
_FAILS = Verdict.FAILS
_TIP: tuple[Slot, ...] = ("valve", "seat", "pocket", "lash shim")

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "stem_diameter", "stem in the guide", "ds", "length", ("position",), (2.0, 20.0), (4.5, 13.0),
        (Way("micrometer", "outside micrometer on the stem", ("outside_micrometer",), ("valve",),
             howto="Where the stem runs in the guide, not where the locks grip: they can be two sizes."),
         Way("caliper", "caliper on the stem", ("caliper",), ("valve",),
             howto="Too coarse to prove a guide clearance; its uncertainty says so.")),
        "Diameter of the stem where it runs at that depth of the guide.", members=DEPTHS,
    ),
    Quantity(
        "guide_bore", "guide bore", "dg", "length", ("position",), (2.0, 20.0), (4.5, 13.0),
        (Way("bore_gauge", "bore gauge", ("bore_gauge",), ("guide",),
             howto="Set on a ring or with the micrometer that reads the stem; turn it for the largest."),
         Way("small_hole", "small-hole gauge and micrometer", ("small_hole_gauge",), ("guide",),
             howto="Drag it through until it just touches, then read over it.")),
        "Bore of the guide at that depth.", members=DEPTHS,
    ),
    Quantity(
        "guide_clearance", "guide clearance, read as such", "cg", "length", ("position",), (0.0, 1.0), (0.005, 0.3),
        (Way("bore_gauge", "bore gauge zeroed on the stem", ("bore_gauge",), ("valve", "guide"),
             howto="Set the gauge to nought over this valve's own stem, then read it in its guide."),),
        "Bore of the guide less the stem, in one reading, at that depth.", members=DEPTHS,
    ),
    Quantity(
        "seat_contact", "contact ring", "", "observed", ("position",), (0.0, 2.0), (0.0, 2.0),
        (Way("blue", "blued valve dropped on its seat", (), ("valve", "seat", "guide"),
             howto="Drop it straight, lift it without turning, look at the ring."),),
        "What the blued seat shows.",
        choices=(Choice("even", "the ring is even and unbroken"),
                 Choice("broken", "the ring is broken: cut or lap the seat and look again", _FAILS),
                 Choice("off-centre", "the ring is off centre: guide and seat are not in line, cut the seat again", _FAILS)),
    ),
    Quantity(
        "seat_width", "contact ring, width", "ws", "length", ("position",), (0.1, 10.0), (0.6, 4.0),
        (Way("caliper", "caliper or rule over the blued ring", ("caliper", "rule"), ("valve", "seat")),),
        "Width of the ring valve and seat touch on, along the seat: with the spring's load it gives the seat's pressure.",
    ),
    Quantity(
        "leak_test", "leak test", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("fluid", "fluid over the closed valve, port watched", (), ("valve", "seat", "guide"),
             howto="Valve closed by a light spring, fluid in the chamber, watch the port."),),
        "Whether the closed valve holds a fluid.", "Solvent, alcohol and fuel burn: ventilate, no flame.",
        choices=(Choice("dry", "it holds"), Choice("weeping", "it leaks; repair the seat, then test again", _FAILS)),
    ),
    Quantity(
        "valve_margin", "valve margin", "mv", "length", ("position",), (0.0, 10.0), (0.4, 3.0),
        (Way("caliper", "caliper on the edge", ("caliper",), ("valve",),
             howto="Straight edge of the head between its seat face and its front, where it is thinnest."),),
        "Thickness of the valve's edge. A valve gone sharp has none left and is scrap.",
    ),
    Quantity(
        "head_diameter", "valve head diameter", "dv", "length", ("position",), (8.0, 90.0), (18.0, 60.0),
        (Way("caliper", "caliper over the head", ("caliper", "outside_micrometer"), ("valve",)),),
        "A valve faced much smaller than its like sinks into the port.",
    ),
    Quantity(
        "stem_tip_height", "stem tip height", "zt", "length", ("position",), (5.0, 200.0), (25.0, 80.0),
        (Way("stem_height_gauge", "stem-height gauge", ("stem_height_gauge", "height_micrometer"), _TIP),
         Way("caliper", "caliper or depth gauge", ("caliper", "depth_gauge"), _TIP)),
        "From the bare seat of the spring to the valve's tip, valve on its seat.",
    ),
    Quantity(
        "tip_height_target", "specified tip height", "zt*", "length", ("position", "role", "engine"), (5.0, 200.0),
        (25.0, 80.0), meaning="The tip height the maker's manual, or the shop, specifies.", page="Head parts",
    ),
    Quantity(
        "spring_seat_height", "spring seat over specification", "zs", "length", ("position",), (-10.0, 10.0), (-2.0, 2.0),
        (Way("indicator", "indicator zeroed on the specification", ("indicator", "depth_gauge"), ("pocket",),
             howto="Burrs stoned off, indicator zeroed on the specified height; + is high."),),
        "Height of the spring seat over its specified height; below is minus.",
    ),
    Quantity(
        "seat_plane", "wanted plane of the spring seats", "zp", "length", ("head", "engine"), (-10.0, 10.0), (-2.0, 0.5),
        meaning="The plane the spring seats of a head are to be cut to, over specification; below it is minus.", page="Head parts",
    ),
    Quantity(
        "cutter_touch", "cutter's touch-off", "zc", "length", ("position",), (-300.0, 300.0), (-60.0, 60.0),
        (Way("quill", "cutter fed down by hand until it touches", ("indicator", "depth_gauge", "caliper"), ("pocket",),
             howto="Quill read where the cutter just touches, up is plus; where its nought lies drops out over a head."),),
        "Height at which the cutter first touches the seat: against the map it shows a burr, a pilot off, or another seat.",
    ),
    Quantity(
        "spring_seat_runout", "spring-seat runout", "rs", "length", ("position",), (0.0, 5.0), (0.0, 0.5),
        (Way("indicator", "indicator turned about a pilot in the guide", ("indicator",), ("pocket", "guide"),
             howto="Oil the pilot so that it does not mark the bore; whole sweep of the needle."),),
        "Runout of the spring seat to its guide, over a full turn.",
    ),
    Quantity(
        "floor_diameter", "spring pocket floor, diameter", "df", "length", ("position", "role", "engine"),
        (8.0, 90.0), (20.0, 60.0), (Way("caliper", "caliper in the pocket", ("caliper",), ("pocket", "locator")),),
        "Largest circle of the flat the spring sits on: past it there is a ledge, a wall or a step.", page="Head parts",
    ),
    Quantity(
        "pilot_diameter", "boss inside the spring, diameter", "dp", "length", ("position", "role", "engine"),
        (4.0, 60.0), (9.0, 40.0), (Way("caliper", "caliper over the boss", ("caliper",), ("pocket", "locator")),),
        "Diameter of what is inside the spring at its foot: guide boss, cup or locator.", page="Head parts",
    ),
    Quantity(
        "spring_standing", "spring on its floor", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at, spring in place", (), ("spring", "pocket", "locator"),
             howto="Turn the spring in its pocket: it must sit flat on the floor all round."),),
        "Whether the spring sits on the floor of its pocket. On a ledge beside it 1 mm and more of height is lost.",
        choices=(Choice("floor", "it sits on the floor all round"),
                 Choice("ledge", "it sits on a ledge; open the pocket, or fit another spring or locator", _FAILS)),
    ),
    Quantity(
        "retainer_level", "retainer level", "", "observed", ("position",), (0.0, 2.0), (0.0, 2.0),
        (Way("straight_edge", "straight edge over the retainers", (), ("spring", "pocket", "locator", "retainer", "locks", "valve",
                                                                       "seat"),
             howto="Straight edge across all retainers of a row, then across the tips."),),
        "Whether the retainer is level with its neighbours under a straight edge.",
        choices=(Choice("level", "it is level with its neighbours"),
                 Choice("high", "it is high, so its spring has less load than its neighbours'", _FAILS),
                 Choice("low", "it is low, so its spring has more load than its neighbours'", _FAILS)),
    ),
    Quantity(
        "parts_condition", "valve, retainer and locks", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at in good light", (), ("valve", "retainer", "locks"),
             howto="Worn tip, scored locks and retainer, pits, a bent stem. “retire: worn tip” writes the reason down."),),
        "Whether the parts are fit to be used again.",
        choices=(Choice("reuse", "fit to be used"),
                 Choice("retire", "not fit to be used: fit another", _FAILS, needs_reason=True)),
    ),
)  # fmt: skip
