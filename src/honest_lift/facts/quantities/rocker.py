"""Quantities of the rocker's plane, seen from the side: pivot, arms, tip, lifter and pushrod.

Along the stem and square to it: the tip of the closed valve is where everything counts from, and the pivot's side is inboard.
"""

from __future__ import annotations

from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

_ANYWHERE: tuple[PlaceKind, ...] = ("position", "role", "engine")
_PAGE = "Rocker"


def _caliper(howto: str) -> tuple[Way, ...]:
    return (Way("caliper", "caliper", ("caliper", "height_micrometer"), ("rocker",), howto=howto),)


def _protractor(howto: str) -> tuple[Way, ...]:
    return (Way("protractor", "protractor", ("protractor",), ("rocker",), howto=howto),)


ROWS: tuple[Quantity, ...] = (
    Quantity("pivot_out", "pivot to the stem", "X", "length", _ANYWHERE, (5.0, 120.0), (20.0, 60.0),
             _caliper("Square to the stem, from its axis to the middle of the shaft or trunnion."),
             "Distance of the rocker's pivot from the stem's axis.", page=_PAGE),
    Quantity("pivot_up", "pivot over the tip", "Y", "length", _ANYWHERE, (-60.0, 60.0), (-20.0, 20.0),
             _caliper("Along the stem, from the closed valve's tip up to the middle of the pivot; below the tip negative."),
             "Height of the pivot over the closed valve's tip. Stud gear finds its own from the pushrod.", page=_PAGE),
    Quantity("valve_arm", "valve arm", "b", "length", _ANYWHERE, (5.0, 120.0), (25.0, 55.0),
             _caliper("Middle of the pivot to the middle of the roller, or of the pad's own radius."),
             "Arm from the pivot to the roller's centre, or the centre of the pad's arc.", page=_PAGE),
    Quantity("pushrod_arm", "pushrod arm", "a", "length", _ANYWHERE, (5.0, 120.0), (15.0, 40.0),
             _caliper("Middle of the pivot to the middle of the pushrod's ball in its cup."),
             "Arm from the pivot to the pushrod's ball.", page=_PAGE),
    Quantity("arm_angle", "angle between the arms", "gamma", "angle", _ANYWHERE, (60.0, 220.0), (140.0, 190.0),
             _protractor("From the valve arm over the top to the pushrod arm, through the three middles."),
             "Angle from the valve arm over the top to the pushrod arm; 180 is a straight rocker.", page=_PAGE),
    Quantity("tip_radius", "roller or pad radius", "rho", "length", _ANYWHERE, (0.5, 80.0), (3.0, 30.0),
             _caliper("Half the roller's diameter; a pad's radius by a radius gauge."),
             "Radius that touches the valve's tip: half the roller, or the pad's arc.", page=_PAGE),
    Quantity("lifter_across", "lifter's cup to the stem", "Tx", "length", _ANYWHERE, (-50.0, 300.0), (60.0, 180.0),
             _caliper("Square to the stem, the lifter down: from the stem's axis to the middle of the pushrod's lower ball."),
             "Distance of the lifter's cup from the stem's axis, on the pivot's side positive.", page=_PAGE),
    Quantity("lifter_below", "lifter's cup under the tip", "Ty", "length", _ANYWHERE, (10.0, 500.0), (80.0, 280.0),
             _caliper("Along the stem, the lifter down: from the closed tip to the middle of the pushrod's lower ball."),
             "How far the lifter's cup lies under the closed valve's tip, along the stem.", page=_PAGE),
    Quantity("lifter_lean", "lifter to the stem, angle", "u", "angle", _ANYWHERE, (-80.0, 80.0), (-10.0, 50.0),
             _protractor("Between lifter bore and stem in this plane; the top leaning toward the valve counts positive."),
             "Angle of the lifter's bore to the stem; its top toward the valve is positive.", page=_PAGE),
    Quantity("stud_lean", "stud to the stem, angle", "w", "angle", _ANYWHERE, (-45.0, 45.0), (-15.0, 15.0),
             _protractor("Between stud and stem in this plane; the top leaning toward the valve counts positive."),
             "Angle of the stud to the stem; its top toward the valve is positive. Not stated: parallel.", page=_PAGE),
    Quantity("pushrod_length", "pushrod length", "Lp", "length", _ANYWHERE, (30.0, 500.0), (120.0, 320.0),
             _caliper("Over both balls, less one ball's diameter: between their middles."),
             "Length between the middles of the pushrod's balls.", page=_PAGE),
    Quantity("valve_lean", "stem to the cylinder, angle", "beta", "angle", _ANYWHERE, (-60.0, 60.0), (-5.0, 30.0),
             _protractor("Between stem and cylinder axis in this plane; the stem's top toward the lifters counts positive."),
             "Angle of the stem to the cylinder's axis; its top toward the lifters is positive.", page=_PAGE),
    Quantity("nut_pitch", "pitch of the rocker's nut", "p", "length", _ANYWHERE, (0.3, 3.0), (0.8, 1.6),
             _caliper("Ten threads, a tenth of them; 24 threads an inch are 0.0417 in."),
             "How far the nut of stud gear goes down in a turn.", page=_PAGE),
    Quantity("mark_middle", "middle of the mark on the tip", "m", "length", ("position",), (-10.0, 10.0), (-2.0, 2.0),
             (Way("seen", "by rule or caliper, tip blued and turned over", ("caliper", "rule"), ("rocker", "cam", "valve"),
                  howto="Blue the tip, turn the engine by hand; from the stem's middle, away from the pivot positive."),),
             "Where the middle of the mark lies on the tip; outboard, away from the pivot, positive.", page=_PAGE),
    Quantity("mark_width", "width of the mark on the tip", "w", "length", ("position",), (0.01, 12.0), (0.2, 4.0),
             (Way("seen", "by rule or caliper, tip blued and turned over", ("caliper", "rule"), ("rocker", "cam", "valve"),
                  howto="Blue the tip, turn the engine by hand; across the mark, in the rocker's plane."),),
             "Width of the mark on the tip in the rocker's plane.", page=_PAGE),
)  # fmt: skip
