"""A new engine from a short sheet of answers: one edit, of ordinary edits, each of which can be changed later.

A template is a kind of engine as it stands on many benches, invented and of no make: it sets layout, gear and rules, never a figure
that is measured.
"""

from __future__ import annotations

from itertools import islice

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe, Edit, EditError, LayOut, Put, Several, State, fit_springs, new_id, now
from honest_lift.facts.engine import Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.job import PRESETS, Job
from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.facts.limits import Limit
from honest_lift.facts.parts import Form, Member, MemberName, Spring, SpringCard, SpringSet
from honest_lift.facts.place import ENGINE
from honest_lift.facts.tools import KINDS, Tool

SPRINGS: dict[str, tuple[MemberName, ...]] = {  # kinds of spring, by their members
    "single": ("outer",), "beehive": ("outer",), "double": ("outer", "inner"), "triple": ("outer", "inner", "damper"),
}  # fmt: skip
TYPES: dict[str, Form] = {"not known": "", "linear": "linear", "progressive": "progressive"}


class Template(Struct, frozen=True):
    """What a kind of engine presets: a common layout, its gear and lifters, what its heads are of."""

    layout: str
    gear: str
    lifter: str
    head: str = ""
    mount: str = "stud"


TEMPLATES = {
    "pushrod V8, solid roller": Template("V8, two heads of eight", "pushrod", "solid roller"),
    "pushrod V8, hydraulic roller": Template("V8, two heads of eight", "pushrod", "hydraulic roller"),
    "pushrod V8, valves in turn": Template("V8, valves in turn", "pushrod", "hydraulic flat", mount="shaft"),
    "overhead-cam four on buckets": Template("In-line four, eight valves", "bucket", "solid flat", "aluminium"),
    "four-valve four on buckets": Template("In-line four, sixteen valves", "bucket", "solid flat", "aluminium"),
    "overhead-cam six on fingers": Template("In-line six, twelve valves", "finger follower", "solid flat", "aluminium"),
    "V-twin, pushrods": Template("V-twin", "pushrod", "solid roller", "aluminium"),
    "single, two valves": Template("Single, two valves", "pushrod", "solid flat"),
}


class Answers(Struct, frozen=True):
    """What was answered, inside units; None, or "", for what was left empty.

    `lift_mm` at the lobe, or at the valve without lash where `at_valve`. `seat_n`, `open_n`: least and most, each may be None.
    """

    name: str = ""
    layout: str = ""
    gear: str = "pushrod"
    lifter: str = ""
    head: str = ""
    mount: str = "stud"
    job: str = "everything"
    spring: str = "single"
    type: Form = ""
    lift_mm: float | None = None
    at_valve: bool = False
    ratio: float | None = None
    lash_mm: float | None = None
    target_mm: float | None = None
    seat_n: tuple[float | None, float | None] = (None, None)
    open_n: tuple[float | None, float | None] = (None, None)
    heights_mm: tuple[float, ...] = ()
    tools: tuple[
        str, ...
    ] = ()  # kinds that are in the drawer, by their titles: each stands for what was there of its kind


def begin(engine: Engine, told: Answers) -> Edit:
    """Give the one edit that sets a new engine up. Raises EditError where a lift at the valve has no ratio to come from."""
    if told.job not in PRESETS:
        raise EditError(f"“{told.job}” is no job: choose one of {', '.join(PRESETS)}.")
    _prove_consistent(told)
    layout = read_layout(COMMON.get(told.layout, told.layout))
    details = {"gear": told.gear, "lifter": told.lifter, "head_material": told.head, "rocker_mount": told.mount,
               "job": Job(told.job), "name": told.name or engine.name}  # fmt: skip
    edits: list[Edit] = [LayOut(layout), Describe(details, "gear and job")]
    if facts := _facts(told):
        edits.append(State(facts))
    edits += [Put("limits", one) for one in _asked(told)]
    edits += [Put("tools", one) for one in _tools(engine, told.tools)]
    names = list(islice(engine.free_spring_numbers(), len(layout.positions)))
    card, group = new_id(), new_id()
    members = tuple(Member(name, 0.0 if name == "outer" else None) for name in SPRINGS[told.spring])
    edits += [
        Put("cards", SpringCard(card, f"{told.spring} spring", members, form=told.type)),
        Put("sets", SpringSet(group, "springs in hand", card, "new", told.heights_mm)),
        *(Put("springs", Spring(name, group)) for name in names),
    ]
    laid = replace(engine, layout=layout)
    edits.append(
        fit_springs(laid, dict(zip([one.id for one in layout.positions], names, strict=True)), "springs fitted")
    )
    return Several(tuple(edits), "a new engine begun")


def _prove_consistent(told: Answers) -> None:
    """Refuse answers that contradict each other. Raises EditError, saying which of them to change."""
    if told.lash_mm and told.lifter.startswith("hydraulic"):
        raise EditError("Hydraulic lifters run without lash: leave the lash empty, or choose solid lifters.")
    if told.ratio is not None and told.gear == "bucket":
        raise EditError("A bucket has no rocker: leave the rocker ratio empty, or choose another valve gear.")


def _tools(engine: Engine, titles: tuple[str, ...]) -> list[Tool]:
    """Give the tools chosen, each in place of the drawer's default of its kind, so that every way knows it."""
    kinds = [one for one in KINDS if one.title in titles]
    known = {one.kind: one.id for one in reversed(engine.tools)}
    return [
        replace(one.tool, id=known.get(one.kind, one.kind))
        for one in kinds
        if one.title not in {t.name for t in engine.tools}
    ]


def _facts(told: Answers) -> tuple[Fact, ...]:
    lobe = told.lift_mm
    if lobe is not None and told.at_valve:
        if told.ratio is None and told.gear != "bucket":
            raise EditError(
                "Lift at the valve needs the rocker ratio to tell the lobe's: type it, or the lift at the lobe."
            )
        lobe /= told.ratio or 1.0
    low, high = CATALOG["lobe_lift"].physical
    if lobe is not None and not low <= lobe <= high:
        raise EditError(
            "That lift makes no lobe: check the figure, its unit, and whether it is at the lobe or at the valve."
        )
    stated = (
        ("lobe_lift", lobe),
        ("rocker_ratio", told.ratio),
        ("lash", told.lash_mm),
        ("target_height", told.target_mm),
    )
    return tuple(Fact(name, ENGINE, value, source="card", when=now()) for name, value in stated if value is not None)


def _asked(told: Answers) -> list[Limit]:
    both = (("seat_load", told.seat_n), ("open_load", told.open_n))
    return [
        Limit(f"cam-{check}", check, low, high, origin="cam card", source="card")
        for check, (low, high) in both if low is not None or high is not None
    ]  # fmt: skip
