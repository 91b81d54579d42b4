"""Quantities of chamber and piston."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantity import Asked, Quantity, Way

_CHAMBER: tuple[Slot, ...] = ("valve", "seat", "head face")
_OVER_PISTON: tuple[Slot, ...] = ("valve", "seat", "head face", "gasket")

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "stroke", "stroke", "S", "length", ("engine",), (10.0, 400.0), (30.0, 160.0), page="Block",
        meaning="Travel of the piston between its dead centres.",
    ),
    Quantity(
        "rod_length", "rod length", "l", "length", ("engine",), (20.0, 800.0), (60.0, 280.0), page="Block",
        meaning="Connecting rod between the middles of its bores.",
    ),
    Quantity(
        "pin_offset", "pin offset", "d", "length", ("engine",), (-20.0, 20.0), (-3.0, 3.0), page="Block",
        meaning="Pin off the bore's middle; positive toward the side the crankpin moves to after TDC.",
    ),
    Quantity(
        "chamber_volume", "chamber volume", "Vch", "volume", ("cylinder",), (1.0, 500.0), (5.0, 150.0),
        (Way("burette", "burette, level at the start and at the end", ("burette",), _CHAMBER,
             howto="Plate greased and level, plug in, valves sealed; read at the bottom of the meniscus.",
             asked=(Asked("start", "start", -1, "0"),)),
         Way("syringe", "syringe, filled at the start and left at the end", ("syringe",), _CHAMBER,
             howto="Full at the start, what is left at the end; add the fillings as 60+60.",
             asked=(Asked("start", "start", 1),), sign=-1)),
        "Volume of the chamber in the head, valves and plug in place, to the plane of its face.",
    ),
    Quantity(
        "valve_drop", "valve drop at TDC", "d0", "length", ("position",), (0.0, 60.0), (0.5, 30.0),
        (Way("indicator", "indicator on the retainer, piston at true TDC", ("indicator",), _OVER_PISTON,
             howto="Piston at true TDC, checking spring: push the valve down until it touches.",),),
        "How far the valve can open from its seat before it touches the piston at true TDC.",
    ),
)  # fmt: skip
