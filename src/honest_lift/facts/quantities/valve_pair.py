"""Quantities of two valves of a cylinder that may meet: how their heads stand to each other, and the gap of a mock-up.

What belongs to a pair is read at its intake; read at the exhaust it counts as well.
"""

from __future__ import annotations

from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

_ANYWHERE: tuple[PlaceKind, ...] = ("position", "role", "engine")
_PAIR: tuple[PlaceKind, ...] = ("position", "engine")
_PAGE = "Pockets and allowances"

ROWS: tuple[Quantity, ...] = (
    Quantity("heads_over", "over both valve heads, closed", "vo", "length", _PAIR, (20.0, 200.0), (45.0, 130.0),
             (Way("caliper", "caliper over both heads", ("caliper", "outside_micrometer"), ("valve", "seat"),
                  howto="Both closed: outer edge of the intake's head to that of the exhaust's, square to the cylinder."),),
             "Outer edge to outer edge over the intake's and the exhaust's closed heads, square to the cylinder.", page=_PAGE,
             pair=True),
    Quantity("heads_step", "exhaust's head below the intake's", "vs", "length", _PAIR, (-20.0, 20.0), (-5.0, 5.0),
             (Way("depth_gauge", "depth gauge on both faces", ("depth_gauge", "caliper"), ("valve", "seat"),
                  howto="On the centre of each closed head, from the head's face; toward the piston is plus."),),
             "How much nearer the piston the centre of the exhaust's closed head is, along the cylinder.", page=_PAGE,
             pair=True),
    Quantity("lean_toward", "opens toward the other valve, angle", "at", "angle", _ANYWHERE, (-60.0, 60.0), (-10.0, 40.0),
             (Way("protractor", "protractor on the guide, seen along the crank or across it", ("protractor",), (),
                  howto="Square to the plane through both heads, stem to the cylinder; tips apart, heads together is plus."),),
             "Angle at which the valve opens toward the other one, in the plane through both heads.", page=_PAGE),
    Quantity("lean_across", "cant angle", "as", "angle", _ANYWHERE, (-45.0, 45.0), (-20.0, 20.0),
             (Way("protractor", "protractor on the guide, seen along both heads", ("protractor",), (),
                  howto="Along the line through both heads; one side is plus for both. State 0 where nothing is canted."),),
             "Angle at which the valve opens out of the plane through both heads.", page=_PAGE),
    Quantity("face_angle", "valve face, angle", "af", "angle", _ANYWHERE, (15.0, 65.0), (28.0, 56.0),
             (Way("protractor", "protractor on the face", ("protractor",), ("valve",),
                  howto="From the plane of the head: 45 as a rule, 30 or 50 to 55 on some."),),
             "Angle of the valve's sealing face from the plane of its head.", page=_PAGE),
    Quantity("tdc_lift", "valve lift at overlap TDC", "L0", "length", ("position", "role"), (0.0, 25.0), (0.3, 9.0),
             (Way("indicator", "indicator on the retainer, crank at overlap TDC", ("indicator",),
                  ("valve", "cam", "rocker", "lash shim", "adjuster"),
                  howto="Lash as it runs; from the closed valve to overlap TDC, along the stem."),),
             "Valve lift at overlap TDC, along its stem.", page=_PAGE),
    Quantity("valve_to_valve", "valve to valve, both set to TDC lift", "cv", "length", ("position",), (0.0, 40.0), (0.5, 15.0),
             (Way("feeler", "feeler or wire, both valves set by their TDC lift", ("feeler", "caliper"),
                  ("valve", "seat", "cam", "rocker"),
                  howto="Each valve open by its TDC lift, read between the heads; the min may be a few degrees off."),),
             "Gap between the intake's and the exhaust's head with both set open by their TDC lifts.", page=_PAGE,
             pair=True),
)  # fmt: skip
