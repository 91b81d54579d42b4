"""Quantities of overhead cams: a finger follower's plane and its pads, and a bucket's shim."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

FINGER = (  # what a finger is put together from; one on a screw finds its pivot's height itself, a fixed one its pad
    "pivot_out", "pivot_up", "valve_arm", "tip_radius", "finger_arm", "finger_angle", "follower_radius", "cam_across",
    "cam_above", "base_circle", "lash_pad",
)  # fmt: skip
_ANYWHERE: tuple[PlaceKind, ...] = ("position", "role", "engine")
_PAGE = "Rocker"
_WIPED: tuple[Slot, ...] = ("rocker", "cam", "valve", "lash shim", "cam tower")
_FINGERS = "Turning an engine by hand crushes fingers: plugs out, loose clothing clear."


def _caliper(howto: str, *depends: Slot) -> tuple[Way, ...]:
    return (Way("caliper", "caliper", ("caliper", "height_micrometer"), depends or ("rocker",), howto=howto),)


ROWS: tuple[Quantity, ...] = (
    Quantity("finger_arm", "finger's arm to the roller", "c", "length", _ANYWHERE, (3.0, 120.0), (10.0, 45.0),
             _caliper("Centre of the pivot to the centre of the roller, or of the cam pad's own radius."),
             "Arm from the pivot to the roller's centre, or the centre of the pad's arc, under the cam.", page=_PAGE),
    Quantity("finger_angle", "angle up to that arm", "delta", "angle", _ANYWHERE, (-60.0, 90.0), (-20.0, 45.0),
             (Way("protractor", "protractor", ("protractor",), ("rocker",),
                  howto="From the valve arm up to the roller's arm, through the three centres; the roller below it is minus."),),
             "Angle from the valve arm up to the arm of the roller or pad.", page=_PAGE),
    Quantity("follower_radius", "roller or cam pad, radius", "rf", "length", _ANYWHERE, (2.0, 200.0), (5.0, 60.0),
             _caliper("Half the roller's diameter; a pad's arc by a radius gauge."),
             "Radius that the lobe runs on: half the roller, or the pad's arc.", page=_PAGE),
    Quantity("pad_centre", "centre of the cam pad, angle", "mu", "angle", _ANYWHERE, (20.0, 160.0), (60.0, 120.0),
             (Way("protractor", "protractor", ("protractor",), ("rocker",),
                  howto="About the pad arc's own centre: from the finger's arm round to the centre of the pad."),),
             "Where the centre of a sliding finger's pad lies on its arc. A roller has none.", page=_PAGE),
    Quantity("cam_across", "cam's centre to the stem", "Cx", "length", _ANYWHERE, (-60.0, 100.0), (0.0, 45.0),
             _caliper("Square to the stem, from its axis to the centre of the cam's bearing.", "rocker", "cam tower"),
             "Distance of the cam's centre from the stem's axis; on the pivot's side positive.", page=_PAGE),
    Quantity("cam_above", "cam's centre over the tip", "Cy", "length", _ANYWHERE, (-20.0, 120.0), (10.0, 60.0),
             _caliper("Along the stem, from the closed valve's tip up to the centre of the cam's bearing.",
                      "rocker", "cam tower", "valve", "seat"),
             "Height of the cam's centre over the closed valve's tip.", page=_PAGE),
    Quantity("base_circle", "base circle, diameter", "db", "length", _ANYWHERE, (5.0, 120.0), (20.0, 50.0),
             _caliper("Across the lobe, off its flanks: the min diameter. A reground cam has a smaller one.", "cam"),
             "Diameter of the lobe's base circle.", page=_PAGE),
    Quantity("lash_pad", "lash pad on the tip, thickness", "tp", "length", _ANYWHERE, (0.0, 15.0), (1.0, 6.0),
             (Way("micrometer", "outside micrometer", ("outside_micrometer", "caliper"), ("lash shim",)),),
             "Thickness of the pad or cap between the stem and the finger.", page=_PAGE),
    Quantity("wipe_centre", "centre of the wipe on the cam pad", "mw", "length", ("position",), (-30.0, 30.0), (-6.0, 6.0),
             (Way("seen", "rule or caliper, pad blued", ("caliper", "rule"), _WIPED,
                  howto="Blue the pad, turn over by hand: centre of the wipe from the pad's centre, toward the valve positive."),),
             "Where the lobe's wipe on the finger's pad has its centre; toward the valve positive.", _FINGERS, page=_PAGE),
    Quantity("wipe_room", "min pad beside the wipe", "rw", "length", ("position",), (-5.0, 30.0), (0.2, 8.0),
             (Way("seen", "rule or caliper, pad blued", ("caliper", "rule"), _WIPED,
                  howto="From the wipe's nearer end to the edge of the pad's ground face; over the edge is minus."),),
             "What is left of the pad beside the lobe's wipe, at its nearer edge.", _FINGERS, page=_PAGE),
    Quantity("lash_shim", "bucket shim, thickness", "tb", "length", ("position",), (0.3, 10.0), (1.5, 4.5),
             meaning="Thickness of the shim in or on the bucket.", page=_PAGE),
)  # fmt: skip
