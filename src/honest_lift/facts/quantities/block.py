"""Quantities of block, crank and piston: what makes the cylinder's volume, and what is left over the piston at TDC."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

PISTON_POINTS = ("front", "rear", "thrust side", "other side")  # over the pin, and square to it
OPPOSITE = (("front", "rear"), ("thrust side", "other side"))  # the mean of a pair is free of the piston's rock
_CYLINDER: tuple[PlaceKind, ...] = ("cylinder", "engine")
_DECK: tuple[Slot, ...] = ("piston", "block face")
_PAGE = "Block"


def _traced(face: Slot) -> Way:
    return Way("tester", "roughness tester, across the cut", ("roughness_tester",), (face,),
               howto="Face clean, stylus across the lay of the cut, beside the bores.")  # fmt: skip


def _compared(face: Slot) -> Way:
    return Way("compared", "held against comparator plates", ("roughness_comparator",), (face,),
               howto="Nail and eye across plates of known roughness: coarse.")  # fmt: skip


ROWS: tuple[Quantity, ...] = (
    Quantity("stroke", "stroke", "S", "length", ("engine",), (10.0, 400.0), (30.0, 160.0), page=_PAGE, part=("piston",),
             meaning="Travel of the piston between its dead centres."),
    Quantity("rod_length", "rod length", "l", "length", ("engine",), (20.0, 800.0), (60.0, 280.0), page=_PAGE, part=("piston",),
             meaning="Connecting rod, centre to centre."),
    Quantity("pin_offset", "pin offset", "d", "length", ("engine",), (-20.0, 20.0), (-3.0, 3.0), page=_PAGE, part=("piston",),
             meaning="Pin off the bore's centre; positive toward the side the crankpin moves to ATDC."),
    Quantity("bore", "bore", "B", "length", _CYLINDER, (15.0, 500.0), (35.0, 150.0),
             (Way("bore_gauge", "bore gauge, as it is finished", ("bore_gauge", "inside_micrometer"), ("block face",),
                  howto="Below the ring's travel and above it, both ways across; the mean."),
              Way("caliper", "caliper", ("caliper",), ("block face",), howto="Near enough for a volume, too coarse for a fit.")),
             "Diameter of the cylinder.", page=_PAGE, part=("piston",)),
    Quantity("deck_clearance", "deck clearance", "cd", "length", _CYLINDER, (-5.0, 20.0), (-0.5, 3.0),
             (Way("indicator", "indicator on a bridge", ("indicator", "depth_gauge"), _DECK,
                  howto="At true TDC, mean of two points across from each other, so that the piston's rock goes out."),),
             "How far the piston's flat is below the deck at TDC; out of the bore is minus.", members=PISTON_POINTS,
             page=_PAGE),
    Quantity("gasket_thickness", "head gasket, crushed", "tg", "length", ("cylinder", "head", "engine"), (0.0, 10.0), (0.3, 3.0),
             (Way("caliper", "caliper or micrometer on a used one", ("caliper", "outside_micrometer"), ("gasket",),
                  howto="On a gasket that was torqued down, beside a bore."),),
             "Thickness of the head gasket as torqued; 0 where barrels seal on the head itself.", page=_PAGE, one_a_head=True),
    Quantity("gasket_bore", "head gasket, its bore", "Bg", "length", _CYLINDER, (15.0, 520.0), (35.0, 160.0),
             (Way("caliper", "caliper over the opening", ("caliper",), ("gasket",),
                  howto="Both ways across; where it is not round, state the gasket's volume instead."),),
             "Diameter of the gasket's opening, which is larger than the bore.", page=_PAGE),
    Quantity("gasket_volume", "head gasket, volume of its opening", "Vg", "volume", _CYLINDER, (0.0, 100.0), (1.0, 30.0),
             (Way("traced", "traced on paper, weighed or counted, x thickness", ("scale", "rule"), ("gasket",),
                  howto="For openings that are not round: area of the opening times the crushed thickness."),),
             "Volume inside the gasket's opening as torqued; goes before its bore.", page=_PAGE),
    Quantity("head_register", "head's register into the barrel", "hr", "length", _CYLINDER, (0.0, 30.0), (0.0, 10.0),
             (Way("depth_gauge", "depth gauge", ("depth_gauge", "caliper"), ("head face",),
                  howto="From the face that seals to the end of the register; pour the chamber with a plate that fits the bore."),),
             "How far a register of the head reaches down into the barrel; none where nothing is stated.", page=_PAGE),
    Quantity("piston_volume", "piston's dish; a dome is minus", "Vp", "volume", _CYLINDER, (-200.0, 300.0), (-40.0, 60.0),
             (Way("poured", "dish poured under a plate", ("burette", "syringe"), ("piston",),
                  howto="Plate greased on the crown, dish and pockets filled through its hole."),),
             "Volume of the crown under its flat, pockets included if they were poured: a dish is plus, a dome minus.",
             page=_PAGE),
    Quantity("bore_pour", "poured down the bore", "Vd", "volume", ("cylinder",), (0.5, 2000.0), (5.0, 300.0),
             (Way("burette", "burette through a plate on the deck", ("burette", "syringe"), _DECK,
                  howto="Piston set below the deck so that the dome clears the plate, ring land sealed with grease."),),
             "What fills the bore over the piston, set a stated way down: tells dish or dome with its pockets.", page=_PAGE),
    Quantity("pour_depth", "piston depth for that pour", "hd", "length", ("cylinder",), (0.0, 100.0), (2.0, 40.0),
             (Way("depth_gauge", "depth gauge, mean of two sides", ("depth_gauge", "indicator"), _DECK,
                  howto="From the deck to the piston's flat, where it was poured."),),
             "How far the piston's flat stood below the deck when the bore was poured.", page=_PAGE),
    Quantity("pocket_volume", "valve pockets beside the dish", "Vv", "volume", _CYLINDER, (0.0, 60.0), (0.0, 15.0),
             (Way("poured", "burette into the pockets", ("burette", "syringe"), ("piston",)),),
             "Volume of the valve pockets, where the dish or dome is stated without them; none where not stated.",
             page=_PAGE),
    Quantity("top_land", "top ring's land, height", "hl", "length", _CYLINDER, (0.5, 40.0), (2.0, 15.0),
             (Way("caliper", "caliper from the crown to the top ring", ("caliper", "depth_gauge"), ("piston",)),),
             "From the crown down to the top ring.", page=_PAGE),
    Quantity("land_clearance", "top land in its bore, clearance", "cl", "length", _CYLINDER, (0.0, 5.0), (0.1, 1.5),
             (Way("micrometer", "bore less the land's diameter", ("outside_micrometer", "caliper"), ("piston",),
                  howto="Measured over the land, not over the skirt; the whole difference of the diameters."),),
             "Bore less the diameter of the top land.", page=_PAGE),
    Quantity("crevice_volume", "crevice round the top land", "Vz", "volume", _CYLINDER, (0.0, 30.0), (0.0, 3.0),
             meaning="Volume round the top land, above the ring. State 0 to leave it out, as many do, and say so.", page=_PAGE),
    Quantity("squish", "squish (quench), by clay or solder", "qs", "length", ("cylinder",), (0.0, 15.0), (0.3, 4.0),
             (Way("solder", "soft solder, head bolted down on its gasket", ("caliper", "outside_micrometer"),
                  ("head face", "gasket", *_DECK),
                  howto="Strips over the pin on both sides of the flat, turned through TDC, thinnest end measured."),
              Way("clay", "clay, head bolted down on its gasket", ("clay", "caliper"), ("head face", "gasket", *_DECK),
                  howto="Turn twice by hand, cut across, measure the thinnest place; it springs back.", short="clay, gasket in"),
              Way("clay_bare", "clay, head bolted down without its gasket", ("clay", "caliper"), ("head face", *_DECK),
                  ((1, "gasket_thickness"),), short="clay, no gasket",
                  howto="The crushed gasket is added; head bolted all the way down.")),
             "Least distance between the piston's flat and the head's at TDC, cold.",
             "Turning an engine by hand crushes fingers: plugs out, loose clothing clear.", page=_PAGE, ways_alike=False),
    Quantity("head_finish", "finish of the head's face, Ra", "Rh", "roughness", ("cylinder", "head", "engine"), (0.0, 50.0),
             (0.1, 8.0), (_traced("head face"), _compared("head face")), "Mean roughness of the head's face, across the cut.",
             page=_PAGE),
    Quantity("deck_finish", "finish of the block's deck, Ra", "Rd", "roughness", ("cylinder", "engine"), (0.0, 50.0),
             (0.1, 8.0), (_traced("block face"), _compared("block face")), "Mean roughness of the block's deck, across the cut.",
             page=_PAGE),
    Quantity("check_lift", "check lift of the dynamic ratio", "hc", "length", ("engine",), (0.01, 5.0), (0.1, 2.0),
             meaning="Intake valve lift at which compression is taken to begin; the usual one if none is chosen.", page=_PAGE),
    Quantity("chain_crank", "sprocket on the crank, pitch radius", "rc", "length", ("engine",), (5.0, 200.0), (15.0, 60.0),
             meaning="Pitch radius of the crank's sprocket of an overhead cam's chain.", page=_PAGE),
    Quantity("chain_cam", "sprocket on the cam, pitch radius", "Rc", "length", ("engine",), (5.0, 400.0), (30.0, 120.0),
             meaning="Pitch radius of the cam's sprocket: twice the crank's where the chain runs straight to it.", page=_PAGE),
    Quantity("chain_between", "between the sprocket centres", "C", "length", ("engine",), (20.0, 1500.0), (100.0, 600.0),
             meaning="Distance of crank and cam, along the taut strand's plane.", page=_PAGE),
)  # fmt: skip
