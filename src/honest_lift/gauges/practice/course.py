"""The course: twelve cases that follow the order of the job, each a little harder. Engines, figures and owners are invented."""

from __future__ import annotations

from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.faults import Fault

_HEAD = ("valve_margin", "stem_tip_height")
_HEIGHTS = ("installed_height", "locator_thickness")
_SPRINGS = ("installed_height", "spring_load", "bind_height", "free_length")

COURSE: tuple[Case, ...] = (
    Case("1", "A bare head", "single", 101,
         "A single's head, valves in, springs off. Look at ports and contact rings, read the margins: is it fit to be built up?",
         _HEAD, 1, faults=(Fault("leaking seat", "1e"), Fault("worn tip", "1i"))),
    Case("2", "Valves from two boxes", "twin", 102,
         "The owner bought four valves, “all the same”. Margins and tips, before seats are cut.",
         _HEAD, 1, faults=(Fault("other valve", "2e"), Fault("leaking seat", "1i"))),
    Case("3", "Retainers and locks", "four", 103,
         "Built up by somebody else. Look at every lock and retainer, and read each height.",
         ("installed_height", "lock_out", "retainer_thickness"), 1,
         faults=(Fault("dished retainer", "2i"), Fault("wrong lock", "4e"))),
    Case("4", "Heights", "V8", 104,
         "Heads ready for springs; the micrometer came out of a drawer. Every height, spacers in, pockets without shims.",
         _HEIGHTS, 2, faults=(Fault("no spacer", "7i"), Fault("not zeroed"), Fault("shims in", "4e"))),
    Case("5", "A set of springs", "twin", 105,
         "Used springs, “one season”. The tester was last used by a stranger. Loads at seat and open height.",
         _SPRINGS, 2, faults=(Fault("weak spring", "2i"), Fault("stack"))),
    Case("6", "One of these is not like the others", "four", 106,
         "New springs from two bags. Look at each, load each, and see how it lies.",
         _SPRINGS, 2, faults=(Fault("linear spring", "3i"), Fault("upside down", "1e"), Fault("ledge", "4i"))),
    Case("7", "Twins", "V8", 107,
         "Double springs after two seasons. The engine has lost its top end.",
         _SPRINGS, 3, twin_springs=True, faults=(Fault("weak inner", "5i"), Fault("tester high"))),
    Case("8", "Intake and exhaust", "six", 108,
         "The set has two kinds of spring, by paint. The leaflet says: paint up. Look at the followers while they are off.",
         (*_SPRINGS, "wipe_centre"), 3,
         faults=(Fault("exchanged", "4"), Fault("paint reversed", "intake"), Fault("worn follower", "2e"))),
    Case("9", "Chambers", "four", 109,
         "Pour all four before the head is milled.",
         ("chamber_volume",), 3, faults=(Fault("bubble", "2"), Fault("plug depth", "4"), Fault("leaking seat", "3e"))),
    Case("10", "Lift at the retainer", "V8", 110,
         "Checking pushrod in, indicator on the retainer, wheel on the crank. How much does each valve truly lift, and when?",
         ("valve_lift", "lobe"), 4, faults=(Fault("limber pushrod"), Fault("bled lifter", "6i"), Fault("slipped wheel"))),
    Case("11", "Clay", "twin", 111,
         "Clay was pressed yesterday; the sheet says “no gasket”. Is there room?",
         ("piston_valve_clay", "gasket_thickness"), 4, faults=(Fault("clay"), Fault("gasket sign"))),
    Case("12", "The whole engine", "V8", 112,
         "Milled heads, new cam, old springs. Everything, before it leaves the bench.",
         ("locator_thickness", *_SPRINGS, *_HEAD, "seal_gap", "valve_lift", "mark_centre", "seat_load_engine"), 5,
         faults=(Fault("long pushrod"), Fault("weak role", "exhaust"), Fault("dished retainer", "3i"), Fault("no spacer", "8e"),
                 Fault("tester high"))),
)  # fmt: skip


def course_case(key: str) -> Case | None:
    """Find a case of the course by its key."""
    return next((one for one in COURSE if one.key == key), None)
