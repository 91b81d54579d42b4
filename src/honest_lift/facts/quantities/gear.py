"""Quantities of cam and rocker: lifts, ratio, lash."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantity import Quantity, Way

_LASHED: tuple[Slot, ...] = ("cam", "rocker", "valve", "seat", "lash shim", "cam tower", "adjuster")
_FACES: tuple[Slot, ...] = (
    "head face",
    "gasket",
    "block face",
)  # between a lifter in the block and a rocker on the head

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "valve_lift", "lift at the valve", "L", "length", ("position",), (1.0, 40.0), (4.0, 25.0),
        (Way("indicator", "indicator on the retainer, checking spring", ("indicator",), ("cam", "rocker", "adjuster"),
             howto="Through a full turn at running lash, solid lifter, along the stem."),),
        "Largest opening of the valve along its stem, lash taken up.",
        "Turning an engine by hand crushes fingers: plugs out, loose clothing clear.", stated_for=("rocker", "cam"),
    ),
    Quantity(
        "lobe_lift", "lobe lift", "Lc", "length", ("position", "role", "engine"), (1.0, 25.0), (3.0, 16.0),
        (Way("indicator", "indicator on the lifter", ("indicator",), ("cam",),
             howto="From the base circle to the nose, along the lifter's axis."),),
        "Largest lift at the lifter.", stated_for=("cam",),
    ),
    Quantity(
        "lobe_centreline", "centreline by the wheel", "c", "angle", ("position", "role"), (1.0, 359.0), (90.0, 130.0),
        (Way("equal_lifts", "equal lifts by the degree wheel, TDC by the stop both ways", ("degree_wheel",), ("cam",),
             howto="Halfway between the angles at one lift on both flanks; never by the peak.", short="equal lifts"),),
        "Lobe centreline in crank degrees from overlap TDC: an intake's ATDC, an exhaust's BTDC.",
        "Turn slowly onto the stop: a stop hit hard bends, and marks the piston.",
    ),
    Quantity(
        "rocker_ratio", "rocker ratio", "R", "ratio", ("position", "role", "engine"), (0.8, 2.6), (1.2, 2.0),
        meaning="Lift at the valve over lift at the lifter; 1 for a bucket.", stated_for=("rocker",),
    ),
    Quantity(
        "lash", "lash", "s", "length", ("position", "role", "engine"), (0.0, 3.0), (0.05, 1.2),
        (Way("feeler", "feeler gauges at the valve", ("feeler",), _LASHED,
             howto="On the base circle, cold.", on_pushrods=_FACES),
         Way("feeler_hot", "feeler gauges at the valve, engine hot", ("feeler",), _LASHED,
             howto="On the base circle, at running temperature, as the card's hot figure needs.", short="hot",
             on_pushrods=_FACES)),
        "Gap at the valve on the base circle. A hydraulic lifter has none.", ways_alike=False, stated_for=("rocker", "cam"),
        part=("adjuster",),
    ),
    Quantity(
        "lifter_bleed", "lifter bleed-down", "b", "length", ("role", "engine"), (0.0, 3.0), (0.0, 0.6),
        meaning="What a hydraulic lifter sinks while it lifts. The cam's curves and events are shown less it; every check, and "
        "every drawing of a clearance, has the lifter hard.",
    ),
)  # fmt: skip
