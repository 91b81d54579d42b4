"""Builds the second demonstration: a four on buckets out of a hill-climb trials car, metric, used springs of two roles.

A valve job with a spring change. Planted for the program to find: spring A4 is an exhaust's (its loads rise on a line), and its
free length was not read; B3 has set; A3 has a mark nobody judged; A1 stands upside down; the guide of 3 exhaust is worn at its
foot; the seat of 3 intake was cut deep, and its shims were not written down; 4 intake was faced too often, and its gap is proven
too little; the cutter touched 2 exhaust on a burr, and its lash is gone; 1 exhaust weeps; no hardened base lies under 4 exhaust;
the pours of 4 disagree, and chamber 3 is large.
"""

from __future__ import annotations

from honest_lift.demo.crew import Crew
from honest_lift.demo.four_tables import (
    CHAMBERS,
    EXHAUST_SPRINGS,
    INTAKE_SPRINGS,
    LAYOUT,
    SEEN,
    SET_UP,
    SOLD_AS,
    TEST_HEIGHTS,
    TEST_HEIGHTS_EXHAUST,
    VALVES,
)
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.card_text import read_durations
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import METRIC_UNITS, Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.firing import read_firing
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.fresh import default_tools
from honest_lift.facts.job import Job
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.layout import read_layout
from honest_lift.facts.limits import Limit, default_limits
from honest_lift.facts.made_of import MadeOf
from honest_lift.facts.parts import Member, Spring, SpringCard, SpringSet
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, at_role, of_spring
from honest_lift.facts.quantities.bare_head import DEPTHS
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.tools import KINDS, Tool
from honest_lift.facts.which_valve import NUMBERED
from honest_lift.numbers.entry import Field as Typed
from honest_lift.numbers.entry import parse

_CARD = "Dipper 268 camshaft, card (invented)"
_DAY = "2026-04-11"
_BEGAN = f"{_DAY}T07:55:00Z"
_TOOLS = {
    "gauge": ("height micrometer, 0.01 mm", "height micrometer"), "caliper": ("caliper, 0.02 mm", "caliper"),
    "indicator": ("dial indicator, 0.01 mm", "indicator"), "feeler": ("feeler gauges", "feelers"),
    "tester": ("bench spring tester, 1 percent", "bench tester"), "bore gauge": ("dial bore gauge, 0.0001 in", "guide bore gauge"),
    "micrometer": ("outside micrometer, 0.0001 in", "micrometer"), "depth gauge": ("depth gauge, 0.02 mm", "depth gauge"),
    "burette": ("burette, 0.2 cc", "burette"),
}  # fmt: skip
_SEEN = {
    "seat_contact": ("blue", "even"), "leak_test": ("fluid", "dry"), "spring_standing": ("looked", "floor"),
    "retainer_level": ("straight_edge", "level"), "parts_condition": ("looked", "reuse"),
}  # fmt: skip


def four_book(engine_id: str = "demonstration-four") -> Book:
    """Give the second demonstration engine with its readings."""
    layout = read_layout(LAYOUT)
    tools = _tools()
    springs = (*INTAKE_SPRINGS, *EXHAUST_SPRINGS)
    engine = Engine(
        engine_id, name="Wagtail 1600", job=Job("valve job"), firing=read_firing("1-3-4-2", layout),
        note="Invented demonstration engine: hill-climb trials car, one camshaft on buckets, shimmed lash, used springs.",
        layout=layout, gear="bucket", lifter="solid flat", head_material="aluminium", guide_material="iron",
        hardened_base=True, made_of=(MadeOf(at_position("4e"), base="none"),), rod_material="steel", cam_card=_CARD,
        lobes=(
            CamLobe("intake", read_durations("268 at 0.2, 228 at 1.0, 170 at 4.0", "mm"), 108.0, _CARD, lash_cold_mm=0.18),
            CamLobe("exhaust", read_durations("264 at 0.2, 226 at 1.0, 168 at 4.0", "mm"), 112.0, _CARD, lash_cold_mm=0.25),
        ),
        facts=_facts(), cards=_cards(),
        sets=(SpringSet("intakes", "intakes' springs, used", "heron", "used", tuple(map(float, TEST_HEIGHTS))),
              SpringSet("exhausts", "exhausts' springs, used", "bittern", "used", tuple(map(float, TEST_HEIGHTS)))),
        springs=tuple(Spring(row[0], "intakes" if row in INTAKE_SPRINGS else "exhausts") for row in springs),
        fitments=_fitments(), tools=tools,
        default_tools=default_tools({one.kind: one.id for one in tools}) | {"spring_load/tester_over_parts": "tester"},
        shim_stock=tuple(ShimSize(text, float(text), count, "both", hardened=True) for text, count in (("0.5", 12), ("1.0", 6))),
        bucket_stock=(ShimSize("2.50", 2.50, 2), ShimSize("2.55", 2.55, 3), ShimSize("2.65", 2.65, 1)),
        limits=_limits(), people=("Linnet", "Teal"), hand="Linnet", units=dict(METRIC_UNITS),
    )  # fmt: skip
    return Book(engine, tuple(_journal(Crew(engine, _DAY, ("Linnet", "Teal")))))


def _facts() -> tuple[Fact, ...]:
    def stated(quantity: str, place: Place, text: str, tolerance: float | None = None, source: str = _CARD) -> Fact:
        dimension = CATALOG[quantity].dimension
        unit = METRIC_UNITS[dimension]
        value = parse(text, Typed(dimension, unit)) or 0.0
        return Fact(quantity, place, value, text=text, unit=unit, source=source, tolerance=tolerance, when=_BEGAN)

    shop = "measured on one (invented)"
    return (
        stated("lobe_lift", at_role("intake"), "9.40"), stated("lobe_lift", at_role("exhaust"), "9.25"),
        stated("lash", at_role("intake"), "0.18"), stated("lash", at_role("exhaust"), "0.25"),
        stated("target_height", ENGINE, "36.00", source="spring cards"),
        stated("locator_thickness", ENGINE, "0", 0.0, "none are fitted (invented)"),
        stated("retainer_angle", ENGINE, "7", source=shop), stated("lock_angle", ENGINE, "7", source=shop),
        stated("lock_stem", ENGINE, "7.00", source=shop), stated("stem_at_lock", ENGINE, "7.00", 0.01, shop),
        stated("lock_length", ENGINE, "7.5", 0.1, shop), stated("retainer_spigot", ENGINE, "19.0", 0.05, shop),
        stated("floor_diameter", ENGINE, "32.0", 0.1, shop), stated("pilot_diameter", ENGINE, "17.5", 0.1, shop),
        stated("chamber_as_sold", ENGINE, SOLD_AS, source="the seller's list (invented)"),
        stated("tip_height_target", ENGINE, "42.10", 0.0, "the manual (invented)"),
    )  # fmt: skip


def _cards() -> tuple[SpringCard, ...]:
    return (
        SpringCard("heron", "Heron, progressive (invented)", (Member("outer", wire_mm=4.0, mean_diameter_mm=25.4),),
                   36.0, 240.0, 27.0, 560.0, 25.2, 45.4, form="progressive", manual_height_mm=36.0, manual_least_n=228.0,
                   manual_most_n=252.0),
        SpringCard("bittern", "Bittern, linear (invented)", (Member("outer", wire_mm=4.1, mean_diameter_mm=25.4),),
                   36.0, 258.0, 27.0, 582.0, 25.4, 43.2, form="linear", manual_height_mm=36.0, manual_least_n=245.0,
                   manual_most_n=271.0),
    )  # fmt: skip


def _limits() -> tuple[Limit, ...]:
    asked = (("seat_load", 220.0, 290.0), ("open_load", 520.0, 640.0))
    return (*(Limit(f"cam-{check}", check, low, high, origin="cam card", source=_CARD) for check, low, high in asked),
            *default_limits())  # fmt: skip


def _fitments() -> tuple[Fitment, ...]:
    made = [Fitment(f"spring-{row[1]}", "spring", row[1], row[0], when=_BEGAN, by="Teal")
            for row in (*INTAKE_SPRINGS, *EXHAUST_SPRINGS)]  # fmt: skip
    for name, number, *_ in VALVES:
        made.append(
            Fitment(f"valve-{name}", "valve", name, number, when=_BEGAN, by="Teal", change=NUMBERED, note="numbered")
        )
    for name, shim, *_, bucket in SET_UP:
        if shim:
            made.append(Fitment(f"shims-{name}", "shims", name, thicknesses_mm=(float(shim),), when=_BEGAN, by="Teal"))
        if bucket:
            made.append(
                Fitment(f"bucket-{name}", "lash shim", name, thicknesses_mm=(float(bucket),), when=_BEGAN, by="Teal")
            )
    return tuple(made)


def _tools() -> tuple[Tool, ...]:
    kinds = {kind.title: kind.tool for kind in KINDS}
    return tuple(
        Tool(**{**{f: getattr(kinds[title], f) for f in Tool.__struct_fields__}, "id": name, "name": nickname})
        for name, (title, nickname) in _TOOLS.items()
    )


def _journal(crew: Crew) -> list[AnyEntry]:
    """Write it in the order of the work: bare head, springs, set up, poured."""
    _bare_head(crew)
    _springs(crew)
    _set_up(crew)
    for cylinder, pours in CHAMBERS:
        for text in pours.split():
            crew.read("chamber_volume", at_cylinder(cylinder), text, "burette", "burette", also={"start": "0"})
    return crew.entries


def _bare_head(crew: Crew) -> None:
    for name, _, clearances, margin, head, ring, tip, seat, touch, runout, out in VALVES:
        place = at_position(name)
        for depth, text in zip(DEPTHS, clearances.split(), strict=True):
            crew.read("guide_clearance", at_position(name, depth), text, "bore_gauge", "bore gauge")
        for quantity, text, way, tool in (
            ("valve_margin", margin, "caliper", "caliper"), ("head_diameter", head, "caliper", "caliper"),
            ("seat_width", ring, "caliper", "caliper"), ("stem_tip_height", tip, "caliper", "depth gauge"),
            ("spring_seat_height", seat, "indicator", "indicator"), ("cutter_touch", touch, "quill", "indicator"),
            ("spring_seat_runout", runout, "indicator", "indicator"), ("lock_out", out, "depth_gauge", "depth gauge"),
        ):  # fmt: skip
            crew.read(quantity, place, text, way, tool)
        for quantity, (way, word) in _SEEN.items():
            crew.read(quantity, place, "weeping" if (name, quantity) == ("1e", "leak_test") else word, way)


def _springs(crew: Crew) -> None:
    crew.read("in_tester", ENGINE, "2.60", "caliper", "micrometer")
    for rows, heights, way in (
        (INTAKE_SPRINGS, TEST_HEIGHTS, "tester"), (EXHAUST_SPRINGS, TEST_HEIGHTS_EXHAUST, "tester_over_parts"),
    ):  # fmt: skip
        for name, at, loads, bind, free, seen in rows:
            place = of_spring(name)
            for height, load in zip(heights, loads.split(), strict=True):
                crew.read("spring_load", place, load, way, "tester", at={"test_height": float(height)})
            crew.read("bind_height", place, bind, "tester", "caliper")
            if free:
                crew.read("free_length", place, free, "caliper", "caliper")
            crew.read("spring_outside", place, "29.4", "caliper", "caliper")
            crew.read("spring_inside", place, "21.3", "caliper", "caliper")
            crew.read("spring_condition", place, seen, "looked", note=SEEN.get(name, ""))
            if rows is INTAKE_SPRINGS:
                word = "upside down" if name == "A1" else "close coils down"  # planted: A1
                crew.read("spring_direction", at_position(at), word, "looked")


def _set_up(crew: Crew) -> None:
    for name, shim, height, gap, lash, _ in SET_UP:
        place = at_position(name)
        crew.read("installed_height", place, height, "height_micrometer" if shim else "height_micrometer_bare", "gauge")
        crew.read("seal_gap", place, gap, "caliper", "caliper")
        crew.read("lash", place, lash, "feeler", "feeler")
