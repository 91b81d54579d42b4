"""Quantities of chambers and ports: what is poured, watched, weighed and flowed."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Asked, Quantity, Way

_CHAMBER: tuple[Slot, ...] = ("valve", "seat", "head face")
_PORT: tuple[Slot, ...] = ("valve", "seat")
_CYLINDER: tuple[PlaceKind, ...] = ("cylinder", "engine")
_BURNS = "Solvent, alcohol and fuel burn: ventilate, no flame."
_PAGE = "Block"

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "chamber_volume", "chamber volume", "Vch", "volume", ("cylinder",), (1.0, 500.0), (5.0, 150.0),
        (Way("burette", "burette, level at the start and at the end", ("burette",), _CHAMBER,
             howto="Plate greased and level, plug in, valves sealed; read at the bottom of the meniscus.",
             asked=(Asked("start", "start", -1, "0"),)),
         Way("syringe", "syringe, filled at the start and left at the end", ("syringe",), _CHAMBER,
             howto="Full at the start, what is left at the end; add the fillings as 60+60.",
             asked=(Asked("start", "start", 1),), sign=-1)),
        "Volume of the chamber in the head, valves and plug in place, to the plane of its face.", _BURNS, middle=True,
    ),
    Quantity(
        "chamber_as_sold", "chamber volume as sold", "Vcs", "volume", ("cylinder", "head", "engine"), (1.0, 500.0), (5.0, 150.0),
        meaning="What the head's maker or seller says. It is shown beside what was poured; no ratio is calculated from it.",
        page=_PAGE,
    ),
    Quantity(
        "fill_time", "time the pour took", "tf", "time", _CYLINDER, (5.0, 3600.0), (20.0, 600.0),
        (Way("watch", "watch", ("watch",), (), howto="From the first drop to the last."),),
        "How long the chamber took to fill: with a leak it tells what was lost meanwhile.", page=_PAGE,
    ),
    Quantity(
        "leak_drop", "lost in a minute, full", "ql", "volume", ("cylinder",), (0.0, 50.0), (0.0, 2.0),
        (Way("topped_up", "topped up after a minute", ("burette", "syringe"), _CHAMBER,
             howto="Fill it to the hole, wait one minute, read what it takes to fill again; 0 for none."),),
        "What the full chamber loses in a minute: 0 proves that it holds.", _BURNS,
    ),
    Quantity(
        "chamber_water", "water that fills the chamber, weighed", "mw", "mass", ("cylinder",), (0.001, 0.5), (0.005, 0.15),
        (Way("scale", "scale, head before and after", ("scale",), _CHAMBER,
             howto="What the head, or the vessel you pour from, weighs more or less; clean water, a drop of washing-up liquid."),),
        "Mass of the water that fills the chamber.",
    ),
    Quantity(
        "water_temperature", "temperature of that water", "Tw", "temperature", _CYLINDER, (1.0, 45.0), (10.0, 30.0),
        (Way("thermometer", "thermometer", ("thermometer",), ()),), "Tells the density of the water.", page=_PAGE,
    ),
    Quantity(
        "chamber_area", "chamber's opening at the head's face", "Ach", "area", _CYLINDER, (100.0, 60000.0), (800.0, 20000.0),
        (Way("traced", "traced on paper and counted, or weighed", ("rule", "scale"), ("head face",),
             howto="Blue the face, press paper on it, count squares or weigh the cut-out against a known one."),),
        "Area of the chamber in the plane of the head's face: what a cut takes off per depth.", page=_PAGE,
    ),
    Quantity(
        "port_volume", "port volume", "Vpt", "volume", ("position",), (1.0, 1000.0), (20.0, 400.0),
        (Way("burette", "burette, valve closed, through the port's face", ("burette", "syringe"), _PORT,
             howto="Port's face level, valve sealed; to the plane of the flange.", asked=(Asked("start", "start", -1, "0"),)),),
        "Volume of the port from its flange to the valve.", _BURNS,
    ),
    Quantity(
        "port_flow", "port flow at a lift", "Qp", "flow", ("position",), (0.1, 1000.0), (5.0, 300.0),
        (Way("bench", "flow bench, at its test depression", ("flow_bench",), _PORT,
             howto="Note the depression: figures of two benches do not compare."),),
        "Flow of the port with its valve open by a stated lift.", at="flow_lift",
    ),
    Quantity(
        "flow_lift", "valve lift on the bench", "hb", "length", ("position",), (0.0, 60.0), (0.5, 25.0),
        meaning="Lift a port was flowed at.",
    ),
)  # fmt: skip
