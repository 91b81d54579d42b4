"""Examine an engine: run every check and keep what they say."""

from __future__ import annotations

from collections.abc import Generator
from dataclasses import dataclass
from functools import cached_property

from honest_lift.checks.by_family import of_families
from honest_lift.checks.clearance.retainer_seal import check_retainer_seal
from honest_lift.checks.finding import Finding
from honest_lift.checks.spring.card import check_against_card
from honest_lift.checks.spring.card_lift import check_card_lift
from honest_lift.checks.spring.condition import check_conditions
from honest_lift.checks.spring.direction import check_direction, progressive_springs
from honest_lift.checks.spring.free_length import check_free_length
from honest_lift.checks.spring.heights import check_bind_margin, check_installed_height
from honest_lift.checks.spring.loads import check_open_load, check_seat_load
from honest_lift.checks.spring.manual_load import check_manual_load
from honest_lift.checks.spring.spring_set import check_in_set
from honest_lift.checks.spring.stress import check_open_stress
from honest_lift.checks.spring.type_words import check_type
from honest_lift.checks.train.at_red_line import check_at_red_line
from honest_lift.checks.train.float_margin import check_float_margin
from honest_lift.checks.train.in_motion import InMotion, check_in_motion, moving_on
from honest_lift.checks.train.lobe_contact import check_lobe_contact
from honest_lift.checks.unbegun import unbegun
from honest_lift.checks.valves import AtValve, Gathered, gather
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.spring.form import forms_of
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value, last_few
from honest_lift.facts.place import split_position
from honest_lift.numbers.verdict import Verdict, worst

_OF_SPRINGS = frozenset(
    {"spring_load", "bind_height", "free_length", "spring_condition", "reference_load", "in_tester"}
)
_DIRECTION = frozenset({"spring_direction"})
_SPRING = frozenset({"spring"})


@dataclass(frozen=True)
class Examination:
    """All findings of an engine, those of valves first, in head order within each check."""

    findings: tuple[Finding, ...]
    positions: tuple[str, ...]
    moved: InMotion | None = None  # every valve in motion, where a red line asks for it

    @cached_property
    def by_position(self) -> dict[str, tuple[Finding, ...]]:
        """Give the findings of each valve."""
        found: dict[str, list[Finding]] = {name: [] for name in self.positions}
        of_cylinder: dict[str, list[str]] = {}
        for name in self.positions:
            of_cylinder.setdefault(str(split_position(name)[0]), []).append(name)
        for one in self.findings:
            at = of_cylinder.get(one.place.name, []) if one.place.kind == "cylinder" else [one.position]
            for name in at:  # what is told of a cylinder is told at every valve of it
                if name in found:
                    found[name].append(one)
        return {name: tuple(ones) for name, ones in found.items()}

    @cached_property
    def by_spring(self) -> dict[str, tuple[Finding, ...]]:
        """Give the findings of each spring by its id."""
        found: dict[str, tuple[Finding, ...]] = {}
        for one in self.findings:
            if one.place.kind == "spring":
                found[one.place.name] = (*found.get(one.place.name, ()), one)
        return found

    def finding(self, check: str, position: str) -> Finding | None:
        """Find what a check says of a valve."""
        return next((one for one in self.by_position.get(position, ()) if one.check.name == check), None)

    def verdict(self, position: str, step: str = "") -> Verdict:
        """Give the worst verdict of a valve, of one step or of all."""
        return worst(one.verdict for one in self.by_position.get(position, ()) if step in ("", one.check.step))

    def of_engine(self, step: str = "") -> Verdict:
        """Give the worst verdict of what is fitted, of one step or of all."""
        return self._by_step.get(step, Verdict.UNPROVEN)

    @cached_property
    def _by_step(self) -> dict[str, Verdict]:
        of_step: dict[str, set[Verdict]] = {}
        for one in self.findings:
            if one.position:
                of_step.setdefault(one.check.step, set()).add(one.verdict)
        told = {step: worst(verdicts) for step, verdicts in of_step.items()}
        return told | {"": worst(told.values())}


def examine(book: Book) -> Examination:
    """Run every check on an engine as it stands. What only springs decide is remembered while they stay as they are."""
    *_, whole = examining(book)
    assert isinstance(whole, Examination)
    return whole


def examining(book: Book) -> Generator[str | Examination, None, None]:
    """Run every check, a part at a time: the name of each as it is done, and the examination last. Whoever types need not wait."""
    _, of_springs, progressive = _springs(narrowed(book, _OF_SPRINGS, _SPRING, parts=True))
    standing = check_direction(narrowed(book, _DIRECTION, _SPRING, parts=True), progressive)
    gathered = gathered_of(book)
    yield "springs"
    moved = yield from moving_on(book, gathered)
    yield "motion"
    at_speed = [*check_in_motion(book, moved), *check_at_red_line(book, moved), *check_lobe_contact(book, moved)]
    yield "speed"
    of_valves = _of_valves(book, gathered)
    yield "valves"
    found = [*of_valves, *at_speed, *of_families(book), *standing, *of_springs]
    yield "families"
    yield _examination(book, found, moved)


def _examination(book: Book, found: list[Finding], moved: InMotion | None) -> Examination:
    """Put findings in their order, with what is asked and not begun, and without what does not belong to the job."""
    found += unbegun(book, found)
    job = book.engine.job
    shown = {name for name in {one.check.name for one in found} if job.shows(name)}
    found = [one for one in found if one.verdict is Verdict.FAILS or one.check.name in shown or _was_seen(one)]
    names = tuple(one.id for one in book.engine.layout.positions)
    order = {name: i for i, name in enumerate((*names, ""))}
    checks = {check: i for i, check in enumerate(dict.fromkeys(one.check.name for one in found))}
    found.sort(key=lambda one: (not one.position, checks[one.check.name], order[one.position]))
    return Examination(tuple(found), names, moved)


def _was_seen(one: Finding) -> bool:
    """Tell whether a person saw something that is not right: it counts, whatever the job asks."""
    return bool(one.word) and one.provisional is not Verdict.PASSES


def gathered_of(book: Book) -> Gathered:
    """Give what stands at every valve, with the curves of all springs in hand, the one that is not there last."""
    curves, _, _ = _springs(narrowed(book, _OF_SPRINGS, _SPRING, parts=True))
    index = {name: i for i, name in enumerate((*(one.id for one in book.engine.springs), ""))}
    return gather(book, curves, index)


def _of_valves(book: Book, gathered: Gathered) -> list[Finding]:
    """Judge every valve, and work out anew only those where something has changed, all in one batch."""
    held = (book.engine.limits, book.engine.lifter, book.engine.units)  # units: remarks are written in them
    known = _judged[0].found if _judged and _judged[0].held == held else {}
    unknown = (None, ())
    changed = [i for i, one in enumerate(gathered.at) if known.get(one.name, unknown)[0] != one]
    found = {one.name: known.get(one.name, unknown)[1] for one in gathered.at}
    if changed:
        valves = gathered.valves(changed)
        batch = (check(book, valves) for check in _OF_VALVES)
        by_valve: dict[str, list[Finding]] = {gathered.at[i].name: [] for i in changed}
        for one in (each for check in batch for each in check):  # a check that does not belong to a valve says nothing
            by_valve[one.position].append(one)
        found |= {name: tuple(own) for name, own in by_valve.items()}
    _judged[:] = [_Judged(held, {one.name: (one, found[one.name]) for one in gathered.at})]
    return [finding for own in found.values() for finding in own]


_OF_VALVES = (
    check_installed_height, check_bind_margin, check_seat_load, check_open_load, check_retainer_seal, check_card_lift,
    check_open_stress, check_float_margin,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class _Judged:
    """What was found at each valve, what stood there then, the limits it was held against and the units it is told in."""

    held: tuple[object, ...]
    found: dict[str, tuple[AtValve | None, tuple[Finding, ...]]]


_judged: list[_Judged] = last_few()


@by_value
def _springs(book: Book) -> tuple[Curves, tuple[Finding, ...], frozenset[str]]:
    """Give the curves of all springs, the one that is not there last, what is found of those in hand, and the progressive ones."""
    names = tuple(one.id for one in book.engine.springs)
    curves = spring_curves(book, (*names, ""))
    if not names:
        return curves, (), frozenset()
    in_hand = curves.take(range(len(names)))
    forms = forms_of(in_hand)
    found = (
        *check_type(book, names, in_hand, forms), *check_conditions(book, names), *check_against_card(book, names, in_hand),
        *check_manual_load(book, names, in_hand), *check_free_length(book, names), *check_in_set(book, names, in_hand),
    )  # fmt: skip
    return curves, found, progressive_springs(book, names, forms)
