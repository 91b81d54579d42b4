"""Quantities read at each valve with its rocker in place: the mark, preload, sideways play, and what comes near the gear."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantity import Choice, Quantity, Way
from honest_lift.numbers.verdict import Verdict

_PAGE = "Rocker"
_CUT: tuple[Slot, ...] = (
    "valve",
    "seat",
    "lash shim",
    "head face",
    "gasket",
    "block face",
)  # what brings tip and lifter nearer
_TURNED: tuple[Slot, ...] = ("rocker", "cam", *_CUT)

_CHECKED: tuple[Slot, ...] = ("cam", *_CUT)  # another pushrod is what it is about
_FINGERS = "Turning an engine by hand crushes fingers: plugs out, loose clothing clear."
_OVER = "rule or caliper, tip blued"
_PLACED = Way("placed", "placed on the drawing by eye", ("rule",), _TURNED, short="placed",
              howto="Draw the mark's two ends on the tip on the sheet, as it is seen.")  # fmt: skip

ROWS: tuple[Quantity, ...] = (
    Quantity("mark_centre", "witness mark, centre", "m", "length", ("position",), (-10.0, 10.0), (-2.0, 2.0),
             (Way("seen", _OVER, ("caliper", "rule"), _TURNED,
                  howto="Blue the tip, turn the engine by hand; from the stem's centre, away from the pivot positive."), _PLACED),
             "Centre of the witness mark on the tip; outboard, away from the pivot, positive.", _FINGERS, page=_PAGE),
    Quantity("mark_width", "witness mark, width", "w", "length", ("position",), (0.01, 12.0), (0.2, 4.0),
             (Way("seen", _OVER, ("caliper", "rule"), _TURNED,
                  howto="Blue the tip, turn the engine by hand; across the mark, in the rocker's plane."), _PLACED),
             "Width of the witness mark in the rocker's plane.", _FINGERS, page=_PAGE),
    Quantity("nut_turns", "turns of the nut from no lash", "n", "turns", ("position",), (0.0, 6.0), (0.1, 1.5),
             (Way("turned", "turns counted by eye", ("turn_count",), _TURNED,
                  howto="Valve on its base circle, pushrod just without play, then count the turns down."),),
             "Turns of the rocker's nut from no lash; with thread pitch and geometry they give the plunger's preload.",
             page=_PAGE),
    Quantity("lever_share", "nut's way at the plunger, of the lever's", "", "ratio", ("position",), (0.1, 2.0), (0.8, 1.1),
             page=_PAGE, meaning="What a leaning pushrod and the arms' swing leave of the lever at the tip; it is not typed in."),
    Quantity("lifter_preload", "preload at the plunger", "tl", "length", ("position",), (0.0, 15.0), (0.3, 3.0),
             (Way("plunger", "at the plunger, caliper or feeler", ("caliper", "depth_gauge", "feeler"),
                  (*_TURNED, "adjuster"),
                  howto="Valve on its base circle: from the clip down to the plunger, less what it shows free."),),
             "How far a hydraulic lifter's plunger is pressed down with its valve closed.", page=_PAGE),
    Quantity("pushrod_to_head", "pushrod to head", "gp", "length", ("position",), (0.0, 30.0), (0.2, 8.0),
             (Way("feeler", "feeler or wire, top and bottom", ("feeler", "caliper"), ("rocker", "cam", "head face"),
                  howto="All round the pushrod, at its top and at its bottom, through a full turn; the min."),),
             "Least gap between the pushrod and its hole or the head's wall, all round, over a full turn.", _FINGERS, page=_PAGE),
    Quantity("slot_stud", "slot to stud", "gs", "length", ("position",), (0.0, 20.0), (0.2, 6.0),
             (Way("feeler", "wire or feeler through the lift", ("feeler", "caliper"), (*_TURNED, "adjuster"),
                  howto="Both ends of the slot, valve closed and full open; the min."),),
             "Least gap between the stud and the ends of the rocker's slot over the whole travel.", _FINGERS, page=_PAGE),
    Quantity("roller_sideways", "roller off the stem, sideways", "qs", "length", ("position",), (-10.0, 10.0), (-2.0, 2.0),
             (Way("caliper", "caliper or rule, along the shaft", ("caliper", "rule"), ("rocker", "valve"),
                  howto="Centre of the roller from the centre of the stem, along the shaft; towards the head's front positive."),),
             "How far the roller's centre is beside the stem's, along the shaft.", page=_PAGE),
    Quantity("shaft_side_play", "side play on the shaft", "qp", "length", ("position",), (0.0, 5.0), (0.05, 1.5),
             (Way("feeler", "feeler beside the rocker", ("feeler",), ("rocker",),
                  howto="Rocker pushed to one side: what the feeler finds on the other. Spacers set it."),),
             "Room of a rocker along its shaft, between its spacers.", page=_PAGE),
    Quantity("guide_plate", "pushrod in its guide plate or slot", "", "observed", ("position",), (0.0, 3.0), (0.0, 3.0),
             (Way("looked", "looked at, turned over by hand", (), ("rocker", "valve")),),
             "How the pushrod runs in its guide plate, or a lifter in its slot.", page=_PAGE,
             choices=(Choice("free", "the pushrod runs free and holds the rocker in line"),
                      Choice("tight", "the pushrod binds in its plate: move or open the plate", Verdict.FAILS),
                      Choice("off", "the plate pulls the rocker off the stem: move the plate", Verdict.FAILS),
                      Choice("loose", "the rocker can swing off the stem: another plate or slot", Verdict.FAILS))),
    Quantity("half_lift_seen", "square at half lift, set square", "", "observed", ("position",), (0.0, 2.0), (0.0, 2.0),
             (Way("square", "set square on the stem, at half lift", (), _TURNED,
                  howto="Opened by half its lift: square along the stem against the line from pivot to contact."),),
             "The arm's line from pivot to contact against the stem at half lift.", _FINGERS, page=_PAGE,
             choices=(Choice("square", "the arm is square to the stem at half lift"),
                      Choice("above", "the arm's tip is above square at half lift, which asks for a longer pushrod or a "
                             "higher stand; a set square shows which way, not how far", Verdict.UNPROVEN),
                      Choice("below", "the arm's tip is below square at half lift, which asks for a shorter pushrod or a "
                             "lower stand; a set square shows which way, not how far", Verdict.UNPROVEN))),
    Quantity("checking_width", "witness mark width, checking pushrod", "wc", "length", ("position",), (0.01, 12.0), (0.2, 4.0),
             (Way("seen", _OVER, ("caliper", "rule"), _CHECKED,
                  howto="Checking pushrod turned to a length, checking springs, blue the tip, turn the engine over by hand."),),
             "Width of the witness mark with an adjustable checking pushrod at a stated length.", _FINGERS, at="checking_length",
             page=_PAGE),
    Quantity("checking_centre", "witness mark centre, checking pushrod", "mc", "length", ("position",), (-10.0, 10.0), (-2.0, 2.0),
             (Way("seen", _OVER, ("caliper", "rule"), _CHECKED,
                  howto="The same witness mark: its centre from the stem's, away from the pivot positive."),),
             "Centre of the witness mark with an adjustable checking pushrod at a stated length.", _FINGERS, at="checking_length",
             page=_PAGE),
    Quantity("checking_length", "length of the checking pushrod", "Lc", "length", ("position",), (30.0, 520.0), (120.0, 330.0),
             meaning="Length an adjustable checking pushrod was turned to: its shortest and the turns of its thread.", page=_PAGE),
)  # fmt: skip
