"""Quantities of springs on the bench."""

from __future__ import annotations

from honest_lift.facts.quantity import Choice, Quantity, Way
from honest_lift.numbers.verdict import Verdict

_LOOKED = (
    "Look first: pits, wear, scored ends. “retire: pitted” writes the reason down, “reuse: light rust” what was seen."
)
_EYES = "A compressed valve spring can put an eye out: eye protection on, tool square, never over the face."

ROWS: tuple[Quantity, ...] = (
    Quantity(
        "spring_load", "spring load", "F", "load", ("spring",), (0.0, 9000.0), (80.0, 7000.0),
        (Way("tester", "spring tester, on its own retainer", ("spring_tester",),
             howto="Set the stop, press to it, read at the first drag."),
         Way("tester_carried", "spring tester, stop set by the height micrometer", ("spring_tester",),
             howto="Lock the gauge at the height read in the head and set the stop by it: its offset cancels.",
             carried_by=("height_micrometer",)),
         Way("tester_over_parts", "spring tester, retainer, shim or locator pressed with it", ("spring_tester",),
             howto="The height as the tester shows it: what else is in the tester comes off.", short="tester, parts in it",
             squeezes="in_tester")),
        "Load of the spring, or of one of its members, at a stated height.", _EYES, at="test_height",
    ),
    Quantity(
        "bind_height", "bind height", "hb", "length", ("spring",), (3.0, 120.0), (10.0, 60.0),
        (Way("tester", "pressed solid, height read", ("height_micrometer", "caliper", "outside_micrometer")),),
        "Height at which the coils are solid. Seeing light between the coils is no reading of it.", _EYES,
    ),
    Quantity(
        "free_length", "free length", "h0", "length", ("spring",), (5.0, 200.0), (20.0, 100.0),
        (Way("caliper", "caliper over the spring", ("caliper", "outside_micrometer")),),
        "Length of the spring, or of one of its members, with nothing on it.",
    ),
    Quantity(
        "reference_load", "load of a reference spring", "R", "load", ("reference",), (0.0, 9000.0), (80.0, 7000.0),
        (Way("tester", "on the spring tester", ("spring_tester",),
             howto="At each certified height, a low load and a high one, before the springs and every few heads."),),
        "What the tester shows for a spring of known loads. It corrects the tester and is never corrected itself.",
        _EYES, at="test_height",
    ),
    Quantity(
        "test_height", "height on the tester", "ht", "length", ("spring",), (3.0, 150.0), (15.0, 80.0),
        meaning="The height a spring is pressed to when its load is read.",
    ),
    Quantity(
        "in_tester", "parts in the tester beside the spring", "tt", "length", ("spring", "engine"), (0.0, 60.0), (0.2, 20.0),
        (Way("caliper", "caliper on the parts", ("caliper", "outside_micrometer")),),
        "Thickness of retainer (at its step), shims and locator that are pressed together with the spring.", page="Tester",
    ),
    Quantity(
        "spring_outside", "outside diameter of the spring", "do", "length", ("spring",), (8.0, 90.0), (20.0, 60.0),
        (Way("caliper", "caliper over the coils", ("caliper", "outside_micrometer")),),
        "Across the outer spring at its foot.",
    ),
    Quantity(
        "spring_inside", "inside diameter of the spring", "di", "length", ("spring",), (5.0, 80.0), (12.0, 50.0),
        (Way("caliper", "caliper in the coils", ("caliper",)),),
        "Across the inside of the innermost member at its foot.",
    ),
    Quantity(
        "spring_mass", "mass of the spring", "ms", "mass", ("spring",), (0.005, 1.0), (0.02, 0.3),
        (Way("scale", "scale", ("scale",)),), "The whole nest.",
    ),
    Quantity(
        "spring_condition", "condition of the spring", "", "observed", ("spring",), (0.0, 2.0), (0.0, 2.0),
        (Way("looked", "looked at in good light", (), howto=_LOOKED),),
        "Whether the spring is fit to be used again.",
        choices=(Choice("reuse", "fit to be used"),
                 Choice("retire", "not fit to be used: fit another", Verdict.FAILS, needs_reason=True),
                 Choice("suspect", "something was seen and is not decided", Verdict.UNPROVEN, needs_reason=True)),
    ),
    Quantity(
        "spring_direction", "direction of the spring", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at, spring in place", (), ("spring",),
             howto="Closely wound coils go against the head."),),
        "Which way up a progressive spring is.",
        choices=(Choice("close coils down", "its close coils are against the head"),
                 Choice("upside down", "its close coils are against the retainer; turn it over", Verdict.FAILS),
                 Choice("no direction", "its coils are spaced alike, so it fits either way up", needs_reason=True)),
    ),
    Quantity(
        "coil_light", "light between the coils", "", "observed", ("position",), (0.0, 1.0), (0.0, 1.0),
        (Way("looked", "looked at, at full lift", (), ("spring", "shims", "cam", "rocker")),),
        "An observation, never a bind check: light shows where the gap is, not how wide it is.",
        choices=(Choice("light", "light was seen between the coils at full lift", Verdict.UNPROVEN),
                 Choice("none", "no light was seen between the coils at full lift", Verdict.UNPROVEN)),
    ),
    Quantity(
        "spring_type", "type of the spring", "", "observed", ("spring",), (0.0, 1.0), (0.0, 1.0),
        meaning="From its curve, its card and the valve it is fitted at; it is not typed in.",
        choices=(Choice("right", "its curve, its loads and its place agree with its card and set"),
                 Choice("wrong", "it is not the spring it should be", Verdict.FAILS)),
    ),
    Quantity(
        "wire_geometry", "wire and coils of the card", "", "ratio", ("spring",), (0.5, 1.5), (0.5, 1.5),
        meaning="Uncertainty of a card's wire, diameters and coils; it is not typed in.",
    ),
)  # fmt: skip
