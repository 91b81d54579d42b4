"""Quantities of the rocker's plane, seen from the side: pivot, arms, tip, lifter and pushrod.

Along the stem and square to it: the tip of the closed valve is where everything counts from, and the pivot's side is inboard.
"""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.facts.quantity import Quantity, Way

GEOMETRY = (  # what the gear is put together from; stud gear finds its pivot's height itself, a shaft its pushrod
    "pivot_out", "pivot_up", "valve_arm", "pushrod_arm", "arm_angle", "tip_radius", "lifter_across", "lifter_below",
    "lifter_lean", "pushrod_length", "stud_lean",
)  # fmt: skip
_ANYWHERE: tuple[PlaceKind, ...] = ("position", "role", "engine")
_PAGE = "Rocker"
_TIP: tuple[Slot, ...] = ("valve", "seat", "lash shim")  # what counts from the closed valve's tip goes with it
_BLOCK: tuple[Slot, ...] = (
    "head face",
    "gasket",
    "block face",
    "cam",
)  # and where the lifter lies with every cut and base circle


def _caliper(howto: str, *also: Slot) -> tuple[Way, ...]:
    return (Way("caliper", "caliper", ("caliper", "height_micrometer"), ("rocker", *also), howto=howto),)


def _protractor(howto: str) -> tuple[Way, ...]:
    return (Way("protractor", "protractor", ("protractor",), ("rocker",), howto=howto),)


ROWS: tuple[Quantity, ...] = (
    Quantity("pivot_out", "pivot to the stem", "X", "length", _ANYWHERE, (5.0, 120.0), (20.0, 60.0),
             _caliper("Square to the stem, from its axis to the centre of the shaft or trunnion."),
             "Distance of the rocker's pivot from the stem's axis.", page=_PAGE),
    Quantity("pivot_up", "pivot over the tip", "Y", "length", _ANYWHERE, (-60.0, 60.0), (-20.0, 20.0),
             _caliper("Along the stem, from the closed valve's tip up to the centre of the pivot; below the tip negative.", *_TIP),
             "Height of the pivot over the closed valve's tip. Stud gear finds its own from the pushrod.", page=_PAGE),
    Quantity("valve_arm", "valve arm", "b", "length", _ANYWHERE, (5.0, 120.0), (25.0, 55.0),
             _caliper("Centre of the pivot to the centre of the roller, or of the pad's own radius."),
             "Arm from the pivot to the roller's centre, or the centre of the pad's arc.", page=_PAGE),
    Quantity("pushrod_arm", "pushrod arm", "a", "length", _ANYWHERE, (5.0, 120.0), (15.0, 40.0),
             _caliper("Centre of the pivot to the centre of the pushrod's ball in its cup."),
             "Arm from the pivot to the pushrod's ball.", page=_PAGE),
    Quantity("arm_angle", "angle between the arms", "gamma", "angle", _ANYWHERE, (60.0, 220.0), (140.0, 190.0),
             _protractor("From the valve arm over the top to the pushrod arm, through the three centres."),
             "Angle from the valve arm over the top to the pushrod arm; 180 is a straight rocker.", page=_PAGE),
    Quantity("tip_radius", "roller or pad radius", "rho", "length", _ANYWHERE, (0.5, 80.0), (3.0, 30.0),
             _caliper("Half the roller's diameter; a pad's radius by a radius gauge."),
             "Radius that touches the valve's tip: half the roller, or the pad's arc.", page=_PAGE),
    Quantity("lifter_across", "lifter's cup to the stem", "Tx", "length", _ANYWHERE, (-50.0, 300.0), (60.0, 180.0),
             _caliper("Square to the stem, the lifter down: from the stem's axis to the centre of the pushrod's lower ball.",
                      *_BLOCK),
             "Distance of the lifter's cup from the stem's axis, on the pivot's side positive.", page=_PAGE),
    Quantity("lifter_below", "lifter's cup under the tip", "Ty", "length", _ANYWHERE, (10.0, 500.0), (80.0, 280.0),
             _caliper("Along the stem, the lifter down: from the closed tip to the centre of the pushrod's lower ball.",
                      *_TIP, *_BLOCK),
             "How far the lifter's cup lies under the closed valve's tip, along the stem.", page=_PAGE),
    Quantity("lifter_lean", "lifter to the stem, angle", "u", "angle", _ANYWHERE, (-80.0, 80.0), (-10.0, 50.0),
             _protractor("Between lifter bore and stem in this plane; the top leaning toward the valve counts positive."),
             "Angle of the lifter's bore to the stem; its top toward the valve is positive.", page=_PAGE),
    Quantity("stud_lean", "stud to the stem, angle", "w", "angle", _ANYWHERE, (-45.0, 45.0), (-15.0, 15.0),
             _protractor("Between stud and stem in this plane; the top leaning toward the valve counts positive."),
             "Angle of the stud to the stem; its top toward the valve is positive. Not stated: parallel.", page=_PAGE),
    Quantity("pushrod_length", "pushrod length", "Lp", "length", _ANYWHERE, (30.0, 500.0), (120.0, 320.0),
             _caliper("Over both balls, less one ball's diameter, gives it between centres."),
             "Length between the centres of the pushrod's balls.", page=_PAGE),
    Quantity("pushrod_overall", "pushrod, overall length", "Lo", "length", _ANYWHERE, (30.0, 520.0), (120.0, 330.0),
             _caliper("Over both balls, end to end."),
             "Length over both balls. Without the length between centres it is less one ball's diameter.", page=_PAGE),
    Quantity("pushrod_gauge", "pushrod, gauge length", "Lg", "length", _ANYWHERE, (30.0, 520.0), (120.0, 330.0),
             _caliper("Between rings of a known hole set on both balls, as the maker's gauge has it."),
             "Length between two rings set on the balls, so that oil holes do not count. State ball and ring's hole.",
             page=_PAGE),
    Quantity("pushrod_ball", "pushrod's ball, diameter", "db", "length", _ANYWHERE, (2.0, 25.0), (5.0, 13.0),
             _caliper("Across the ball; where the two ends differ, half of both together."),
             "Diameter of the pushrod's balls.", page=_PAGE),
    Quantity("gauge_hole", "hole of the gauge's rings", "dh", "length", _ANYWHERE, (0.0, 20.0), (1.0, 8.0),
             _caliper("Across the hole that the ball sits in; the maker of the pushrod says which his lengths are by."),
             "Hole of the rings a gauge length is measured between.", page=_PAGE),
    Quantity("valve_lean", "stem to the cylinder, angle", "beta", "angle", _ANYWHERE, (-60.0, 60.0), (-5.0, 30.0),
             _protractor("Between stem and cylinder axis in this plane; the stem's top toward the lifters counts positive."),
             "Angle of the stem to the cylinder's axis; its top toward the lifters is positive.", page=_PAGE),
    Quantity("nut_pitch", "pitch of the rocker's nut", "p", "length", _ANYWHERE, (0.3, 3.0), (0.8, 1.6),
             _caliper("Ten threads, a tenth of them; 24 threads an inch are 0.0417 in."),
             "How far the nut of stud gear goes down in a turn.", page=_PAGE),
    Quantity("plunger_travel", "travel of the lifter's plunger", "tp", "length", _ANYWHERE, (0.2, 20.0), (1.0, 8.0),
             _caliper("From its clip, free, down to where it is solid."),
             "How far a hydraulic lifter's plunger can go down. Preload has to stay inside it.", page=_PAGE),
    Quantity("slot_length", "slot in the rocker, length", "ls", "length", _ANYWHERE, (5.0, 60.0), (10.0, 30.0),
             _caliper("Along the rocker, between the ends that can meet the stud."),
             "Length of the slot the stud goes through.", page=_PAGE),
    Quantity("stud_diameter", "stud, diameter in the slot", "ds", "length", _ANYWHERE, (3.0, 30.0), (7.0, 13.0),
             _caliper("Across the stud, or its nut, where it is in the slot."),
             "Diameter of what is in the slot.", page=_PAGE),
    Quantity("slot_depth", "slot's edge under the pivot", "hs", "length", _ANYWHERE, (0.0, 40.0), (0.5, 15.0),
             _caliper("From the centre of the pivot down to the slot's lower edge, square to the arms."),
             "How far under the pivot's centre the edge of the slot lies.", page=_PAGE),
    Quantity("slot_angle", "stud centred in the slot at", "as", "angle", _ANYWHERE, (-60.0, 60.0), (-20.0, 20.0),
             _protractor("Rocker on its stud, stud centred in the slot: the valve arm's angle above square to the stud."),
             "Angle of the valve arm above square to the stud at which the stud is in the centre of the slot.", page=_PAGE),
    Quantity("under_rocker", "rocker's underside to its arm", "hu", "length", _ANYWHERE, (-20.0, 40.0), (1.0, 15.0),
             _caliper("From the line between pivot and roller's centre down to the underside, over the retainer."),
             "How far the underside lies below the line from pivot to roller's centre, over the retainer's edge.", page=_PAGE),
    Quantity("retainer_below", "retainer's top under the tip", "hr", "length", _ANYWHERE, (0.0, 40.0), (2.0, 15.0),
             (Way("caliper", "caliper", ("caliper", "depth_gauge"), ("valve", "retainer", "locks", "lash shim"),
                  howto="From the stem's tip down to the top of the retainer's edge, locks seated."),),
             "How far the retainer's top edge lies under the stem's tip.", page=_PAGE),
    Quantity("retainer_across", "retainer, diameter", "dr", "length", _ANYWHERE, (8.0, 80.0), (18.0, 45.0),
             (Way("caliper", "caliper over the retainer", ("caliper",), ("retainer",)),),
             "Outside diameter of the retainer.", page=_PAGE),
    Quantity("checking_shortest", "checking pushrod, screwed in", "L0", "length", ("engine",), (30.0, 500.0), (100.0, 300.0),
             (Way("caliper", "caliper", ("caliper", "height_micrometer"),
                  howto="Screwed in all the way, between its ball centres."),),
             "Length of the adjustable checking pushrod screwed in, between the centres of its balls.", page=_PAGE),
    Quantity("checking_pitch", "checking pushrod, a turn", "pc", "length", ("engine",), (0.2, 5.0), (0.5, 2.0),
             (Way("caliper", "caliper", ("caliper",),
                  howto="Ten turns out, a tenth of what it grew; 20 threads an inch are 0.050 in."),),
             "How much longer the checking pushrod grows a turn.", page=_PAGE),
)  # fmt: skip
