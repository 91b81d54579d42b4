"""The quantity catalog: one row per thing that can be measured or stated.

Grids, reading queue, nomenclature and help are drawn from it; to add a measurement is to add a row. Ranges
are in the inside unit. Outside `physical` a value is refused; outside `plausible` it is asked once.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind


class Asked(Struct, frozen=True):
    """A figure typed beside the entry and read with the same tool: where a burette started. `sign`: how it counts."""

    key: str
    title: str
    sign: int
    usual: str = ""  # what stands there until somebody types another


class Way(Struct, frozen=True):
    """A way to measure a quantity: tools that suit it, what is added to the reading, what it depends on.

    `corrections`: (sign, quantity) to be added to the raw reading. `depends`: slots whose change makes a
    reading taken this way stale; `noted`: slots whose change leaves it standing and makes what follows
    predicted. `sign`: how the entry itself counts, beside what is `asked`. `carried_by`: kinds of tool that
    carried the height to the tester, so that its offset is shared with the height read in the head.
    """

    key: str
    title: str
    tools: tuple[str, ...]
    depends: tuple[Slot, ...] = ()
    corrections: tuple[tuple[int, str], ...] = ()
    howto: str = ""
    short: str = ""  # for a narrow column
    noted: tuple[Slot, ...] = ()
    asked: tuple[Asked, ...] = ()
    sign: int = 1
    carried_by: tuple[str, ...] = ()

    @property
    def figures(self) -> int:
        """Give how many figures are read with the tool for one reading."""
        return 1 + len(self.asked)

    def comes_to(self, figure: float, others: dict[str, float]) -> float:
        """Give what the figures of one reading come to, such as a burette's end less its start. KeyError for one missing.

        >>> CATALOG["chamber_volume"].way("burette").comes_to(64.6, {"start": 0.4})
        64.2
        """
        return round(self.sign * figure + sum(one.sign * others[one.key] for one in self.asked), 12)


class Quantity(Struct, frozen=True):
    """A row of the catalog."""

    name: str
    title: str
    symbol: str
    dimension: str
    places: tuple[PlaceKind, ...]
    physical: tuple[float, float]
    plausible: tuple[float, float]
    ways: tuple[Way, ...] = ()
    meaning: str = ""
    caution: str = ""
    at: str = ""  # the coordinate a reading is taken at, as a quantity name

    def way(self, key: str) -> Way | None:
        """Find a way by its key."""
        return next((way for way in self.ways if way.key == key), None)


_SEATED: tuple[Slot, ...] = ("valve", "seat", "pocket", "retainer", "locks")
_STACKED: tuple[Slot, ...] = (*_SEATED, "locator", "shims")
_CHAMBER: tuple[Slot, ...] = ("valve", "seat", "head face")
_OVER_PISTON: tuple[Slot, ...] = ("valve", "seat", "head face", "gasket")
_EYES = "A compressed valve spring can put an eye out: eye protection on, tool square, never over the face."

_ROWS: tuple[Quantity, ...] = (
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
            Way("height_micrometer_on_spacer", "height micrometer on a part left out later", ("height_micrometer",),
                (*_SEATED, "locator"), ((1, "left_out"), (-1, "shims")),
                "What stands under the gauge and is left out later is added; shims to come come off.",
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
        "Distance between the surface the outer spring stands on and the one on the retainer it pushes.",
    ),
    Quantity(
        "valve_lift", "lift at the valve", "L", "length", ("position",), (1.0, 40.0), (4.0, 25.0),
        (Way("indicator", "indicator on the retainer, checking spring", ("indicator",), ("cam", "rocker"),
             howto="Through a full turn at running lash, solid lifter, along the stem."),),
        "Largest opening of the valve along its stem, lash taken up.",
        "Turning an engine by hand crushes fingers: plugs out, loose clothing clear.",
    ),
    Quantity(
        "seal_gap", "retainer to seal, closed", "gs", "length", ("position",), (0.0, 60.0), (5.0, 30.0),
        (Way("caliper", "caliper, valve closed, locks pulled tight", ("caliper", "depth_gauge"),
             ("valve", "seat", "retainer", "locks", "seal"),
             howto="From the retainer's underside to the seal, or to the guide where it stands higher."),),
        "Distance from the retainer's underside to the seal, or the guide, with the valve closed.",
    ),
    Quantity(
        "lobe_lift", "lobe lift", "Lc", "length", ("position", "role", "engine"), (1.0, 25.0), (3.0, 16.0),
        (Way("indicator", "indicator on the lifter", ("indicator",), ("cam",),
             howto="From the base circle to the nose, along the lifter's axis."),),
        "Largest lift at the lifter.",
    ),
    Quantity(
        "rocker_ratio", "rocker ratio", "R", "ratio", ("position", "role", "engine"), (0.8, 2.6), (1.2, 2.0),
        meaning="Lift at the valve over lift at the lifter; 1 for a bucket.",
    ),
    Quantity(
        "lash", "lash", "s", "length", ("position", "role", "engine"), (0.0, 3.0), (0.05, 1.2),
        (Way("feeler", "feeler gauges at the valve", ("feeler",),
             howto="On the base circle, cold or hot as the card says."),),
        "Gap at the valve on the base circle. A hydraulic lifter has none.",
    ),
    Quantity(
        "locator_thickness", "locator thickness", "tl", "length", ("position", "role", "engine"), (0.0, 15.0),
        (0.0, 6.0), (Way("caliper", "caliper on the part", ("caliper", "outside_micrometer"), ("locator",)),),
        "Thickness under the spring of the locator or cup that comes on the bare pad; 0 where there is none.",
    ),
    Quantity(
        "left_out", "part left out later", "tx", "length", ("position", "role", "engine"), (0.0, 30.0), (0.0, 10.0),
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
        "shims", "shims", "tsh", "length", ("position",), (0.0, 20.0), (0.0, 6.0),
        meaning="Height of the shim stack under the outer spring; 0 where there is none.",
    ),
    Quantity(
        "target_height", "target installed height", "h1*", "length", ("position", "role", "engine"), (5.0, 150.0),
        (20.0, 80.0), meaning="The installed height the build is set up to: the spring card's, or one's own.",
    ),
    Quantity(
        "spring_load", "spring load", "F", "load", ("spring",), (0.0, 9000.0), (80.0, 7000.0),
        (Way("tester", "spring tester, on its own retainer", ("spring_tester",),
             howto="Set the stop, press to it, read at the first drag."),
         Way("tester_carried", "spring tester, stop set by the height micrometer", ("spring_tester",),
             howto="Lock the gauge at the height read in the head and set the stop by it: its offset cancels.",
             carried_by=("height_micrometer",))),
        "Load of the spring, or of one of its members, at a stated height.", _EYES, at="test_height",
    ),
    Quantity(
        "bind_height", "bind height", "hb", "length", ("spring",), (3.0, 120.0), (10.0, 60.0),
        (Way("tester", "pressed solid, height read", ("height_micrometer", "caliper", "outside_micrometer")),),
        "Height at which the coils stand solid. Seeing light between the coils is no reading of it.", _EYES,
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
        "chamber_volume", "chamber volume", "Vch", "volume", ("cylinder",), (1.0, 500.0), (5.0, 150.0),
        (Way("burette", "burette, level at the start and at the end", ("burette",), _CHAMBER,
             howto="Plate greased and level, plug in, valves sealed; read at the bottom of the meniscus.",
             asked=(Asked("start", "start", -1, "0"),)),
         Way("syringe", "syringe, filled at the start and left at the end", ("syringe",), _CHAMBER,
             howto="Full at the start, what is left at the end; add the fillings as 60+60.",
             asked=(Asked("start", "start", 1),), sign=-1)),
        "Volume of the chamber in the head, valves and plug in place, to the plane of its face.",
    ),
    Quantity(
        "valve_drop", "valve drop at TDC", "d0", "length", ("position",), (0.0, 60.0), (0.5, 30.0),
        (Way("indicator", "indicator on the retainer, piston at true TDC", ("indicator",), _OVER_PISTON,
             howto="Piston at true TDC, checking spring: push the valve down until it touches.",),),
        "How far the valve can open from its seat before it touches the piston at true TDC.",
    ),
    Quantity(
        "test_height", "height on the tester", "ht", "length", ("spring",), (3.0, 150.0), (15.0, 80.0),
        meaning="The height a spring is pressed to when its load is read.",
    ),
)  # fmt: skip

CATALOG: dict[str, Quantity] = {row.name: row for row in _ROWS}
