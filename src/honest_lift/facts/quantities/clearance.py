"""Quantities of clearances through the turn: what lies between piston and valve, and between the valves."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

_ANYWHERE: tuple[PlaceKind, ...] = ("position", "role", "engine")
_OVER_PISTON: tuple[Slot, ...] = ("valve", "seat", "head face", "gasket", "block face", "piston")
_THROUGH: tuple[Slot, ...] = (*_OVER_PISTON, "cam", "rocker", "lash shim", "cam tower", "adjuster")
_TURNED = "Turning an engine by hand crushes fingers: plugs out, loose clothing clear."
_PAGE = "Pockets and allowances"

ROWS: tuple[Quantity, ...] = (
    Quantity("valve_drop", "valve drop at TDC", "d0", "length", ("position",), (0.0, 60.0), (0.5, 30.0),
             (Way("indicator", "indicator on the retainer, piston at true TDC", ("indicator",), _OVER_PISTON,
                  howto="Piston at true TDC, checking spring: push the valve down until it touches."),),
             "How far the valve can open from its seat before it touches the piston at true TDC."),
    Quantity("valve_recess", "valve under the head's face", "rv", "length", _ANYWHERE, (-10.0, 30.0), (-2.0, 12.0),
             (Way("depth_gauge", "depth gauge on the closed valve", ("depth_gauge", "caliper"), ("valve", "seat", "head face"),
                  howto="Along the cylinder, at the point of the valve's edge that comes nearest; proud of the face is minus."),),
             "How far the closed valve's nearest point lies behind the head's face, along the cylinder.", page=_PAGE),
    Quantity("pocket_depth", "valve pocket in the piston, depth", "hp", "length", _ANYWHERE, (0.0, 30.0), (0.0, 12.0),
             (Way("depth_gauge", "depth gauge in the pocket", ("depth_gauge", "caliper"), ("piston",),
                  howto="From the piston's flat down to the pocket's floor where the valve would touch."),),
             "How deep the pocket is under the piston's flat at the touching point; none is 0.", page=_PAGE),
    Quantity("pocket_lean", "pocket's floor to the crown, angle", "bp", "angle", _ANYWHERE, (-45.0, 45.0), (0.0, 30.0),
             (Way("protractor", "protractor in the pocket", ("protractor",), ("piston",),
                  howto="Between the pocket's floor and the flat crown, leaning as the valve does; a flat crown is 0."),),
             "Angle of the pocket's floor to the flat crown; parallel to the valve it is the stem's own angle.", page=_PAGE),
    Quantity("pocket_radius", "valve pocket, radius", "rp", "length", _ANYWHERE, (5.0, 80.0), (12.0, 35.0),
             (Way("caliper", "caliper over the pocket", ("caliper",), ("piston",),
                  howto="Half its diameter, down where the valve's edge runs."),),
             "Radius of the pocket's wall in the piston.", page=_PAGE),
    Quantity("pocket_offset", "valve off its pocket's centre", "e0", "length", _ANYWHERE, (-20.0, 20.0), (-3.0, 3.0),
             (Way("clay", "clay ring or blueing, at TDC", ("caliper", "clay"), ("valve", "seat", "head face", "piston"),
                  howto="Closed valve's centre off the pocket's centre; toward where the valve moves as it opens is positive."),),
             "How far the closed valve's centre lies off the pocket's centre at TDC.", page=_PAGE),
    Quantity("rod_stretch", "rod stretch at the red line", "ds", "length", ("engine",), (0.0, 3.0), (0.05, 1.0),
             meaning="What the rod grows longer at the red line, as its maker or your own sums have it: an allowance.",
             page=_PAGE),
    Quantity("bearing_room", "bearing clearance, taken up", "dl", "length", ("engine",), (0.0, 1.0), (0.02, 0.3),
             meaning="Crankpin, wrist pin and main bearing clearance that the piston takes up at TDC: an allowance.", page=_PAGE),
    Quantity("heat_room", "heat, piston and valve nearer", "dt", "length", ("engine",), (-2.0, 3.0), (0.0, 0.6),
             meaning="By how much piston, rod and valve come nearer hot than cold, less what the block grows: an allowance.",
             page=_PAGE),
    Quantity("lobe_shape", "lobe's shape between its durations", "sl", "length", ("position",), (-5.0, 5.0), (-1.0, 1.0),
             meaning="How far a lobe drawn from a card may be off between its stated durations. Walk it with a degree wheel.",
             page="Measured lobes"),
    Quantity("piston_valve_clay", "piston to valve by clay", "cc", "length", ("position",), (0.0, 30.0), (0.5, 12.0),
             (Way("clay", "clay, head on its gasket", ("clay", "caliper"), _THROUGH,
                  howto="Turn twice by hand, cut across, measure the thinnest place, along the stem.", short="clay, gasket in"),
              Way("clay_bare", "clay, head on without its gasket", ("clay", "caliper"), _THROUGH, ((1, "gasket_thickness"),),
                  howto="The crushed gasket is added; head bolted all the way down.", short="clay, no gasket")),
             "Thinnest place of the clay between piston and valve, along the stem.", _TURNED, page=_PAGE),
    Quantity("piston_valve_room", "piston to valve at an angle", "cr", "length", ("position",), (0.0, 40.0), (0.3, 25.0),
             (Way("indicator", "light spring, indicator, valve pushed down", ("indicator",), _THROUGH,
                  howto="At a stated crank angle: from where the cam holds it, push the valve down to the piston and read."),),
             "How far the valve can still be pushed down at a crank angle before it meets the piston.", _TURNED,
             at="crank_at", page=_PAGE),
    Quantity("crank_at", "crank angle from overlap TDC", "th", "angle", ("position",), (-180.0, 180.0), (-60.0, 60.0),
             meaning="Crank angle a clearance was read at, from overlap TDC; BTDC is minus.", page=_PAGE),
)  # fmt: skip
