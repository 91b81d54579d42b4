"""Quantities of the spring's pocket: installed height and what is under and over the spring."""

from __future__ import annotations

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantity import Choice, Quantity, Way
from honest_lift.numbers.verdict import Verdict

_SEATED: tuple[Slot, ...] = ("valve", "seat", "pocket", "retainer", "locks")
_STACKED: tuple[Slot, ...] = (*_SEATED, "locator", "shims")

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "installed_height", "installed height", "h1", "length", ("position",), (5.0, 150.0), (20.0, 80.0),
        (
            Way("height_micrometer", "height micrometer, shims in place", ("height_micrometer",), _STACKED,
                howto="Locator and shims under the gauge, locks pulled tight: the reading is the height.",
                short="micrometer, in place"),
            Way("height_micrometer_bare", "height micrometer on the bare pad", ("height_micrometer",), _SEATED,
                ((-1, "locator_thickness"), (-1, "shims")),
                "Gauge on the bare pad, locks pulled tight: locator and shims come off the reading.",
                "micrometer, bare pad", noted=("shims",)),
            Way("height_micrometer_bare_locator", "height micrometer on the fitted locator, shims to come",
                ("height_micrometer",), (*_SEATED, "locator"), ((-1, "shims"),),
                "Gauge on the fitted locator, locks pulled tight: only shims that come later come off.",
                "micrometer, no shims", noted=("shims",)),
            Way("height_micrometer_on_spacer", "height micrometer on a temporary spacer", ("height_micrometer",),
                (*_SEATED, "locator"), ((1, "left_out"), (-1, "shims")),
                "A temporary spacer under the gauge is added; shims to come come off.",
                "micrometer, on spacer", noted=("shims",)),
            Way("caliper", "caliper over the retainer, shims in place", ("caliper",), _STACKED,
                ((-1, "retainer_thickness"),),
                "Pad to the retainer's top edge: its thickness at the spring step comes off. Beware dished ones.",
                "caliper over retainer"),
            Way("tip_height", "tip height, from the bare pad", ("height_micrometer", "caliper", "indicator"), _SEATED,
                ((-1, "tip_to_step"), (-1, "locator_thickness"), (-1, "shims")),
                "Bare pad to the valve's tip, less tip to spring step with retainer and locks held together.",
                "tip height", noted=("shims",)),
            Way("rule", "machinist's rule, shims in place", ("rule",), _STACKED,
                howto="Coarse: a rule in 1/32 in can seldom prove a height.", short="rule"),
        ),
        "Distance between the outer spring's seat and the face of the retainer it pushes.",
    ),
    Quantity(
        "shims", "shims", "tsh", "length", ("position",), (0.0, 20.0), (0.0, 6.0),
        meaning="Height of the shim stack under the outer spring; 0 where there is none.",
    ),
    Quantity(
        "inner_shims", "shims under the inner", "tsi", "length", ("position",), (0.0, 20.0), (0.0, 6.0),
        meaning="Height of the stack under the inner members of a nest, where it is not the outer's own.",
    ),
    Quantity(
        "target_height", "target installed height", "h1*", "length", ("position", "role", "engine"), (5.0, 150.0),
        (20.0, 80.0), meaning="The installed height the build is set up to: the spring card's, or one's own.",
    ),
    Quantity(
        "locator_thickness", "locator thickness", "tl", "length", ("position", "role", "engine"), (0.0, 15.0),
        (0.0, 6.0), (Way("caliper", "caliper on the part", ("caliper", "outside_micrometer"), ("locator",)),),
        "Thickness under the spring of the locator or cup that comes on the bare pad; 0 where there is none.",
    ),
    Quantity(
        "left_out", "temporary spacer", "tx", "length", ("position", "role", "engine"), (0.0, 30.0), (0.0, 10.0),
        (Way("caliper", "caliper on the part", ("caliper", "outside_micrometer")),),
        "Thickness of a part that stood under the height micrometer and is not fitted in the end.",
    ),
    Quantity(
        "retainer_thickness", "retainer thickness at the step", "tr", "length", ("position", "role", "engine"),
        (0.5, 25.0), (1.5, 12.0), (Way("caliper", "caliper on the part", ("caliper", "outside_micrometer"), ("retainer",)),),
        "From the retainer's top edge to its step for the outer spring.",
    ),
    Quantity(
        "tip_to_step", "tip to spring step", "ts", "length", ("position", "role", "engine"), (0.2, 40.0), (1.0, 20.0),
        (Way("caliper", "caliper, parts held together", ("caliper",), ("valve", "retainer", "locks")),),
        "From the valve's tip to the retainer's outer spring step, locks pulled tight, off the head.",
    ),
    Quantity(
        "seal_gap", "retainer to seal, closed", "gs", "length", ("position",), (0.0, 60.0), (5.0, 30.0),
        (Way("caliper", "caliper, valve closed, locks pulled tight", ("caliper", "depth_gauge"),
             ("valve", "seat", "retainer", "locks", "seal", "guide"),
             howto="From the retainer's underside to the seal, or to the guide where it is higher."),),
        "Distance from the retainer's underside to the seal, or the guide, with the valve closed.",
    ),
    Quantity(
        "bind_travel", "travel to bind, read on the head", "st", "length", ("position",), (0.0, 60.0), (3.0, 30.0),
        (Way("indicator", "indicator on the retainer, pushed until the coils are solid", ("indicator", "caliper"),
             (*_STACKED, "spring"),
             howto="Closed valve to where the coils are solid; nothing else may stop it: no piston, no seal."),),
        "How far the valve can be pushed open, on its own stack, before the coils are solid.",
        "A compressed valve spring can put an eye out: eye protection on, tool square, never over the face.",
    ),
    Quantity(
        "seal_seen", "retainer and seal, looked at", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at, at full lift", (), ("valve", "seat", "retainer", "locks", "seal", "guide", "cam", "rocker")),),
        "An observation at full lift: that it looks fine proves no distance.",
        choices=(Choice("fine", "retainer and seal were seen apart at full lift", Verdict.UNPROVEN),
                 Choice("touches", "the retainer touches the seal", Verdict.FAILS)),
    ),
    Quantity(
        "rocker_seen", "retainer and rocker, looked at", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at, over the whole travel", (),
             ("valve", "seat", "retainer", "locks", "cam", "rocker", "lash shim", "cam tower", "adjuster")),),
        "An observation over the whole travel: that it looks fine proves no distance.",
        choices=(Choice("fine", "retainer and rocker were seen apart over the whole travel", Verdict.UNPROVEN),
                 Choice("touches", "the rocker touches the retainer", Verdict.FAILS)),
    ),
)  # fmt: skip
