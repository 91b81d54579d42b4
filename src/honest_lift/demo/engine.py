"""Builds the demonstration engine: a river-racing hydroplane's pushrod V8, its used springs and a new set.

Planted for the program to find: spring 11 has collapsed, so its used set is condemned; a spacer was left in
the pocket of 5 intake; the inner of spring 14 binds early; 8 exhaust and its spring were never measured. Slips of the bare
heads and of a lobe's table are planted beside their own figures.
"""

from __future__ import annotations

from collections.abc import Callable
from itertools import count

from msgspec.structs import replace

from honest_lift.demo.bare_head import written_down
from honest_lift.demo.lobes import walked_lobes
from honest_lift.demo.tables import (
    CHAMBERS,
    HEIGHTS,
    MOVING,
    NEW_FREE,
    NEW_SPRINGS,
    PISTON,
    ROCKER,
    SEAL_GAPS,
    SHIM_STOCK,
    TEST_HEIGHTS,
    USED_FREE,
    USED_SPRINGS,
    VALVE_DROPS,
)
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.card_text import read_durations
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.firing import read_firing
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.fresh import default_tools
from honest_lift.facts.job import Job
from honest_lift.facts.journal import AnyEntry, Moved, Noted, Reading, StruckOut
from honest_lift.facts.layout import COMMON, Layout, read_layout
from honest_lift.facts.limits import Limit, default_limits
from honest_lift.facts.parts import Member, Spring, SpringCard, SpringSet
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, at_role, of_spring
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.staleness import depends_on
from honest_lift.facts.tools import KINDS, Tool
from honest_lift.numbers.entry import Field, parse

_ASKS = "Millrace 304 solid roller, cam card (invented)"


def demo_book(engine_id: str = "demonstration") -> Book:
    """Give the demonstration engine with its readings."""
    layout = read_layout(COMMON["V8, two heads of eight"])
    engine = Engine(
        engine_id,
        job=Job("new heads"),
        firing=read_firing("1-8-4-3-6-5-7-2", layout),
        name="Reedmace 366",
        note="Invented demonstration engine: river-racing hydroplane, solid roller, nested springs.",
        layout=layout,
        lifter="solid roller",
        head_material="iron",
        rod_material="steel",
        guide_material="iron",
        cam_card="Millrace 304 solid roller (invented)",
        lobes=(
            CamLobe("intake", read_durations("304 at .006, 248 at .050, 166 at .200", "in"), 106.0, _ASKS),
            CamLobe("exhaust", read_durations("312 at .006, 254 at .050, 170 at .200", "in"), 114.0, _ASKS),
        ),
        facts=_facts(),
        cards=(_card(),),
        sets=(
            SpringSet("used", "used set, two seasons", "tidewater", "used", _test_heights()),
            SpringSet("new", "new set in its box", "tidewater", "new", _test_heights()),
        ),
        springs=tuple(Spring(row[0], "used") for row in USED_SPRINGS)
        + tuple(Spring(row[0], "new") for row in NEW_SPRINGS),
        fitments=_fitments(layout),
        tools=_tools(),
        default_tools=default_tools({tool.kind: tool.id for tool in _tools()}) | _default_tools(),
        shim_stock=tuple(ShimSize(text, _inches(text), count) for text, count in SHIM_STOCK),
        limits=_limits(),
        people=("Ash", "Rowan"),
        hand="Ash",
    )
    return Book(engine, _journal(engine))


def _inches(text: str) -> float:
    return parse(text, Field("length", "in")) or 0.0


def _pounds(text: str) -> float:
    return parse(text, Field("load", "lbf")) or 0.0


def _test_heights() -> tuple[float, ...]:
    return tuple(_inches(text) for text in TEST_HEIGHTS)


def _facts() -> tuple[Fact, ...]:
    def stated(quantity: str, place: Place, text: str, unit: str = "in", source: str = _ASKS) -> Fact:
        value = parse(text, Field(CATALOG[quantity].dimension, unit))
        return Fact(quantity, place, value or 0.0, text=text, unit=unit, source=source)

    return (
        stated("lobe_lift", at_role("intake"), ".353"),
        stated("lobe_lift", at_role("exhaust"), ".348"),
        stated("rocker_ratio", ENGINE, "1.6", "", "roller rockers, card (invented)"),
        stated("lash", at_role("intake"), ".018"),
        stated("lash", at_role("exhaust"), ".020"),
        stated("target_height", ENGINE, "1.800", source="spring card"),
        replace(stated("pocket_lean", ENGINE, "15", "deg", "measured on a dummy, invented"), tolerance=1.0),
        stated("stroke", ENGINE, "3.480", source="invented"),
        stated("rod_length", ENGINE, "6.000", source="invented"),
        *(
            replace(stated(name, ENGINE, text, unit, "measured on a dummy, invented"), tolerance=tolerance)
            for name, text, unit, tolerance in ROCKER
        ),
        *(
            replace(stated(name, ENGINE, text, unit, "piston card (invented)"), tolerance=tolerance)
            for name, text, unit, tolerance in PISTON
        ),
        stated("red_line", ENGINE, "6800", "rpm", "what it is built for (invented)"),
        *(
            replace(stated(name, place, text, unit, "weighed or measured on one, invented"), tolerance=tolerance)
            for name, place, text, unit, tolerance in MOVING
        ),
        stated("retainer_angle", ENGINE, "10", "deg", "retainer card (invented)"),
        stated("lock_angle", ENGINE, "10", "deg", "lock card (invented)"),
    )


def _card() -> SpringCard:
    return SpringCard(
        "tidewater",
        "Tidewater nest (invented)",
        (
            Member("outer", wire_mm=5.4, mean_diameter_mm=34.3, coils=5.4, active_coils=3.4, free_length_mm=_inches("2.200")),
            Member("inner", _inches(".110"), _inches(".002"), wire_mm=4.0, mean_diameter_mm=24.4, coils=6.55,
                   active_coils=4.55, free_length_mm=_inches("2.080")),
        ),
        _inches("1.800"), _pounds("215"), _inches("1.250"), _pounds("520"), _inches("1.170"), _inches("2.200"),
        _inches(".570"), paint="two green stripes, upward", mass_kg=0.128,
    )  # fmt: skip


def _fitments(layout: Layout) -> tuple[Fitment, ...]:
    springs = [row[0] for row in USED_SPRINGS]
    stacks = {row[0]: row[1] for row in HEIGHTS}
    fitted: list[Fitment] = []
    for spring, position in zip(springs, layout.positions, strict=True):
        shims = tuple(_inches(f"{one} thou") for one in stacks[position.id].split())
        fitted.append(Fitment(f"spring-{position.id}", "spring", position.id, spring, when=_when(0), by="Rowan"))
        fitted.append(
            Fitment(f"shims-{position.id}", "shims", position.id, thicknesses_mm=shims, when=_when(0), by="Rowan")
        )
    return tuple(fitted)


def _tools() -> tuple[Tool, ...]:
    wanted = {
        "gauge": ("height micrometer, 0.001 in", "height micrometer no. 2"),
        "caliper": ("caliper, 0.02 mm", "caliper no. 1"),
        "rule": ("rule, 1/32 in", "bench rule"),
        "indicator": ("dial indicator, 0.001 in", "indicator no. 1"),
        "feeler": ("feeler gauges", "feelers"),
        "tester": ("bench spring tester, 1 percent", "bench tester"),
        "micrometer": ("outside micrometer, 0.0001 in", "stem micrometer"),
        "bore gauge": ("dial bore gauge, 0.0001 in", "guide bore gauge"),
        "stem gauge": ("stem-height gauge, 0.001 in", "stem-height gauge"),
        "fine indicator": ("dial indicator, 0.01 mm", "indicator no. 2"),
        "depth gauge": ("depth micrometer, 0.001 in", "depth micrometer"),
        "wheel": ("degree wheel, 1 degree", "degree wheel"),
        "burette": ("burette, 0.2 cc", "burette"),
    }
    kinds = {kind.title: kind for kind in KINDS}
    return tuple(
        Tool(
            **{
                **{f: getattr(kinds[title].tool, f) for f in Tool.__struct_fields__},
                "id": name,
                "name": nickname,
            }
        )
        for name, (title, nickname) in wanted.items()
    )


def _default_tools() -> dict[str, str]:
    return {
        "installed_height/height_micrometer": "gauge",
        "installed_height/height_micrometer_bare": "gauge",
        "installed_height/caliper": "caliper",
        "installed_height/tip_height": "caliper",
        "installed_height/rule": "rule",
        "valve_lift/indicator": "indicator",
        "lobe_lift/indicator": "indicator",
        "lobe_centreline/equal_lifts": "wheel",
        "lash/feeler": "feeler",
        "locator_thickness/caliper": "caliper",
        "retainer_thickness/caliper": "caliper",
        "tip_to_step/caliper": "caliper",
        "spring_load/tester": "tester",
        "bind_height/tester": "caliper",
    }


def _limits() -> tuple[Limit, ...]:
    asked = [("seat_load", "195", "235"), ("open_load", "480", "560")]
    ratio = Limit(
        "fuel-compression", "compression", 10.7, 11.3, 0.2, origin="shop", source="the fuel it will run on (invented)"
    )
    return (*(
        Limit(f"cam-{check}", check, _pounds(low), _pounds(high), origin="cam card", source=_ASKS)
        for check, low, high in asked
    ), *default_limits(), ratio)  # fmt: skip


def _journal(engine: Engine) -> tuple[AnyEntry, ...]:
    """Write the journal in the order the crew worked: springs, then the heads, with a few slips on the way."""
    numbers = count(1)
    entries: list[AnyEntry] = []

    def read(quantity: str, place: Place, text: str, unit: str, way: str, tool: str, **more: object) -> Reading:
        number = next(numbers)
        value = _value(quantity, text, unit)
        one = Reading(f"r{number:03}", _when(number), "Ash" if number % 5 else "Rowan", quantity, place, text, unit,
                      value, way, tool, **more)  # type: ignore[arg-type]  # fmt: skip
        entries.append(one)
        return one

    _bare_head(engine, entries)
    for spring, loads, outer, inner in (*USED_SPRINGS, *NEW_SPRINGS):
        heights = ("1.900", "1.800", "1.500", "1.250") if spring == "14" else TEST_HEIGHTS
        loads = f"{loads} 505" if spring == "14" else loads
        for height, load in zip(heights, loads.split(), strict=False):
            at = {"test_height": _inches(height)}
            read("spring_load", of_spring(spring), load, "lbf", "tester", "tester", at=at)
        for member, text in (("outer", outer), ("inner", inner)):
            if text:
                read("bind_height", of_spring(spring, member), text, "in", "tester", "caliper")
    for names, lengths in ((USED_SPRINGS, USED_FREE), (NEW_SPRINGS, NEW_FREE)):
        for (spring, *_), thousandths in zip(names, lengths, strict=False):
            read("free_length", of_spring(spring, "outer"), f"{thousandths / 1000:.3f}", "in", "caliper", "caliper")
    for spring, *_ in USED_SPRINGS[:-1]:
        read("spring_condition", of_spring(spring), "reuse", "", "looked", "")
    read("locator_thickness", ENGINE, ".060", "in", "caliper", "caliper")
    read("retainer_thickness", ENGINE, "3.30 mm", "in", "caliper", "caliper")
    for position, _, way, tool, text in HEIGHTS:
        if text:
            depends = _depends(engine, way, position)
            read("installed_height", at_position(position), text, "in", way, tool, depends_on=depends)
    for position, gap in zip((row[0] for row in HEIGHTS), SEAL_GAPS, strict=True):
        depends = depends_on(engine, "seal_gap", "caliper", at_position(position))
        read("seal_gap", at_position(position), f"{gap} mm", "in", "caliper", "caliper", depends_on=depends)
    _slips(engine, entries, read)
    for position, drop in zip((row[0] for row in HEIGHTS), VALVE_DROPS, strict=True):
        depends = depends_on(engine, "valve_drop", "indicator", at_position(position))
        read("valve_drop", at_position(position), f"{drop} mm", "in", "indicator", "fine indicator", depends_on=depends)
    entries.extend(walked_lobes(engine, _when(310)))
    _chambers(engine, read)
    return tuple(entries)


def _chambers(engine: Engine, read: Callable[..., Reading]) -> None:
    """Write what was poured and what the pistons read, and the gasket of the build before."""
    read("gasket_thickness", ENGINE, ".039", "in", "caliper", "micrometer")
    for cylinder, pours, points in CHAMBERS:
        for text in pours.split():
            depends = depends_on(engine, "chamber_volume", "burette", at_cylinder(cylinder))
            read(
                "chamber_volume",
                at_cylinder(cylinder),
                text,
                "cc",
                "burette",
                "burette",
                depends_on=depends,
                also={"start": "0"},
            )
        for point, thousandths in zip(("thrust side", "other side"), points.split(), strict=True):
            place = at_cylinder(cylinder, point)
            depends = depends_on(engine, "deck_clearance", "indicator", place)
            read("deck_clearance", place, f"{int(thousandths) / 1000:.3f}", "in", "indicator", "fine indicator",
                 depends_on=depends)  # fmt: skip


def _bare_head(engine: Engine, entries: list[AnyEntry]) -> None:
    """Write what was found of the bare heads, the day before."""
    for number, (quantity, place, text, way, tool) in enumerate(written_down()):
        unit = "" if CATALOG[quantity].choices else "in"
        entries.append(Reading(
            f"h{number:03}", _when(number, day=13), "Rowan" if number % 3 else "Ash", quantity, place, text, unit,
            _value(quantity, text, unit), way, tool, depends_on=depends_on(engine, quantity, way, place),
        ))  # fmt: skip


def _value(quantity: str, text: str, unit: str) -> float:
    row = CATALOG[quantity]
    if row.choices:
        return float(next(i for i, one in enumerate(row.choices) if one.key == text))
    return parse(text, Field.within(row.dimension, unit, row.physical)) or 0.0


def _slips(engine: Engine, entries: list[AnyEntry], read: object) -> None:
    """Add a repeat, a reading typed at the wrong valve and moved, a misread one struck out, and a note."""
    assert callable(read)
    shimmed = {"way": "height_micrometer", "tool": "gauge"}
    read(
        "installed_height",
        at_position("3e"),
        "1.800",
        "in",
        **shimmed,
        depends_on=_depends(engine, "height_micrometer", "3e"),
    )
    wrong = read("installed_height", at_position("7i"), "1.804", "in", **shimmed,
                 depends_on=_depends(engine, "height_micrometer", "7i"))  # fmt: skip
    entries.append(
        Moved(
            "m001",
            _when(301),
            "Ash",
            wrong.id,
            at_position("7e"),
            _depends(engine, "height_micrometer", "7e"),
        )
    )
    bad = read("installed_height", at_position("1i"), "1.810", "in", **shimmed,
               depends_on=_depends(engine, "height_micrometer", "1i"))  # fmt: skip
    entries.append(StruckOut("s001", _when(302), "Ash", bad.id, "gauge stood on a burr"))
    rule = next(one for one in entries if isinstance(one, Reading) and one.way == "rule")
    entries.append(Noted("n001", _when(303), "Rowan", rule.id, "gauge was lent out, read by rule"))


def _depends(engine: Engine, way: str, position: str) -> dict[str, str]:
    return depends_on(engine, "installed_height", way, at_position(position))


def _when(minute: int, day: int = 14) -> str:
    hour, rest = divmod(8 * 60 + minute, 60)
    return f"2026-03-{day}T{hour:02}:{rest:02}:00Z"
