"""The engine a person starts a case with: the owner's sheet, the bench's tools, and nothing measured. Figures are invented."""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.facts.calibrations import CertifiedPoint, ReferenceSpring
from honest_lift.facts.edits import Describe, Edit, Put, Several, State, fit_springs, new_id
from honest_lift.facts.engine import INCH_UNITS, METRIC_UNITS, Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fresh import default_tools
from honest_lift.facts.history import History
from honest_lift.facts.job import AS_BEGUN, Job
from honest_lift.facts.place import ENGINE
from honest_lift.gauges.bench.hidden import HiddenSpring
from honest_lift.gauges.bench.kinds import CERTIFIED_MM, KINDS, REFERENCE, sound_engine
from honest_lift.gauges.bench.tools import CARDS, card_in, drawer
from honest_lift.gauges.practice.case import Case, hidden
from honest_lift.plans.new_engine import Answers, begin

_WITHIN = 0.10  # of its load: what the cam's card asks of seat and open


def nominal(case: Case) -> HiddenSpring:
    """Give the spring as its card would describe it: one of a sound set."""
    sound = sound_engine(case.engine, 0, twin_springs=case.twin_springs, progressive=case.progressive)
    return sound.springs["1"]


def starting_book(case: Case) -> Book:
    """Give the book a case begins with."""
    kind, spring = KINDS[case.engine], nominal(case)
    heights = (kind.height_mm, kind.height_mm - kind.lift_mm)
    told = Answers(
        f"Practice {case.key}: {case.title}", kind.layout, kind.gear, kind.lifter, job="everything",
        spring="double" if case.twin_springs else "single", lift_mm=(kind.lift_mm + 0.25) / kind.ratio,
        ratio=None if kind.gear == "bucket" else kind.ratio, lash_mm=0.25, target_mm=kind.height_mm,
        seat_n=_about(spring.load_n(heights[0])), open_n=_about(spring.load_n(heights[1])), heights_mm=heights,
    )  # fmt: skip
    history = History(Book(Engine(new_id())))
    history.do(begin(history.book.engine, told))
    history.do(Several(tuple(_bench_of(case, history.book.engine)), "the bench's tools"))
    return history.book


def _about(load_n: float) -> tuple[float, float]:
    return round(load_n * (1.0 - _WITHIN)), round(load_n * (1.0 + _WITHIN))


def _bench_of(case: Case, engine: Engine) -> list[Edit]:
    """Give the edits that put the bench's tools in the drawer, and what lies on it into the engine."""
    load = "lbf" if case.unit == "in" else "N"
    units = {"length": case.unit, "load": load}
    tools = [
        card_in(name, units.get(one.dimension, "")) if one.dimension in units else one for name, one in CARDS.items()
    ]
    truth, by_kind = hidden(case), dict[str, str]()
    for one in (*tools, *drawer()[len(CARDS) :]):
        by_kind.setdefault(one.kind, one.id)
    points = tuple(CertifiedPoint(height, REFERENCE.load_n(height)) for height in CERTIFIED_MM)
    own = INCH_UNITS if case.unit == "in" else METRIC_UNITS
    kind, spring = KINDS[case.engine], nominal(case)
    shut, opened = kind.height_mm, kind.height_mm - kind.lift_mm
    card = replace(
        engine.cards[0], seat_height_mm=shut, seat_load_n=round(spring.load_n(shut)), open_height_mm=opened,
        open_load_n=round(spring.load_n(opened)), bind_height_mm=round(spring.solid_mm, 1),
    )  # fmt: skip
    return [
        Put("cards", card),
        *(Put("tools", one) for one in (*tools, *drawer()[len(CARDS) :])),
        Describe({"default_tools": default_tools(by_kind), "units": dict(own), "job": Job(AS_BEGUN)}, "tools and units"),
        Put("references", ReferenceSpring("ref", "reference spring", points, plus_minus_n=2.0)),
        State((Fact("locator_thickness", ENGINE, truth.true("locator_thickness", ""), tolerance=0.02, source="the sheet"),)),
        fit_springs(engine, dict(truth.fitted), "springs as they lie in the heads"),
    ]  # fmt: skip
