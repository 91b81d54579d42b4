"""The truth opened: what was found, missed and wrongly condemned, what was measured in vain, and what it would have cost.

A fault is found by naming the part where it is, by a finding that fails there, or, one of the bench's, by figures that came out
right in spite of it. Judged by the rules the person chose.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.checks.examine import examine
from honest_lift.checks.finding import Finding
from honest_lift.checks.signed import signature_of
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import Place
from honest_lift.gauges.bench.bench import MEASURES, Bench
from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.faults import FAULTS, Fault, FaultKind, places_of
from honest_lift.gauges.practice.truth import true_book
from honest_lift.numbers.verdict import Verdict

_MOST_REPEATS = 3  # of one reading at one place: more prove nothing that was not proven
_MOSTLY = 0.75  # of a role's valves, where the whole role is at fault
_SHOWS: dict[str, tuple[str, ...]] = {  # by what a bench's fault makes wrong: checks whose figures would be wrong
    "spring_load": ("seat_load", "open_load", "set_share"), "installed_height": ("installed_height",),
    "chamber_volume": ("chamber_spread",), "piston_valve_clay": ("piston_valve",),
    "valve_lift": ("coil_bind_clearance", "open_load"),
}  # fmt: skip


class Claim(Struct, frozen=True, forbid_unknown_fields=True):
    """What a person says is wrong: a part, and the valve, role or cylinder; "" for the bench."""

    part: str
    place: str = ""


class Marked(Struct, frozen=True):
    """A fault of the case, and how it was found; "" for one that was missed."""

    kind: FaultKind
    place: str
    how: str


class Judgement(Struct, frozen=True):
    """What came of a case.

    `condemned`: what is sound and was failed or named; `passed`: findings that passed and are bad in truth; `signed`: those that
    somebody signed for, and that are bad in truth; `in_vain`: how many readings proved nothing; `readings`: how many there were.
    """

    marked: tuple[Marked, ...]
    condemned: tuple[str, ...]
    passed: tuple[str, ...]
    signed: tuple[str, ...]
    in_vain: int
    readings: int

    @property
    def missed(self) -> tuple[Marked, ...]:
        """Give the faults nobody found."""
        return tuple(one for one in self.marked if not one.how)

    @property
    def is_clean(self) -> bool:
        """Tell whether all was found, and nothing was condemned or passed that should not be."""
        return not self.missed and not self.condemned and not self.passed


def judge(case: Case, bench: Bench, book: Book, claims: tuple[Claim, ...]) -> Judgement:
    """Judge a person's book and claims by the truth."""
    own = {_key(one): one for one in examine(book).findings}
    true = {_key(one): one for one in examine(true_book(book, bench)).findings}
    marked = tuple(Marked(FAULTS[one.kind], one.place, _found(bench, one, own, true, claims)) for one in case.faults)
    passed = tuple(
        _told(one) for key, one in own.items()
        if one.verdict is Verdict.PASSES and key in true and true[key].verdict is Verdict.FAILS
    )  # fmt: skip
    bad = {key for key, one in true.items() if one.verdict is Verdict.FAILS}
    signed = tuple(_told(one) for key, one in own.items() if key in bad and _stands(book, one))
    vain, count = _in_vain(case, book)
    return Judgement(marked, _condemned(case, bench, own, true, claims), passed, signed, vain, count)


_Findings = dict[tuple[str, Place], Finding]


def _key(one: Finding) -> tuple[str, Place]:
    return one.check.name, one.place


def _stands(book: Book, one: Finding) -> bool:
    """Tell whether somebody signed for a finding as it stands."""
    signed = signature_of(book, one)
    return signed is not None and signed.holds


def _told(one: Finding) -> str:
    return f"{one.check.title}, {one.place.title}"


def _found(bench: Bench, fault: Fault, own: _Findings, true: _Findings, claims: tuple[Claim, ...]) -> str:
    kind, places = FAULTS[fault.kind], places_of(bench.engine, fault)
    if any(one.part == kind.part and one.place in (fault.place, *places) for one in claims):
        return "named"
    if kind.checks:
        spots = places if kind.at != "bench" else [one for one in bench.places(_first_read(kind)) if one]
        failing = [_fails_at(bench, spot, kind, own) for spot in spots]
        return "a finding fails there" if failing and sum(failing) >= _MOSTLY * len(failing) else ""
    return "figures came out right in spite of it" if _came_right(bench, fault, own, true) else ""


def _first_read(kind: FaultKind) -> str:
    return "mark_centre" if kind.key == "long pushrod" else "installed_height"


def _fails_at(bench: Bench, name: str, kind: FaultKind, own: _Findings) -> bool:
    """Tell whether a check of the fault fails at a valve, at either of a cylinder's, or of the spring that is fitted there."""
    cylinder = [one for one in bench.engine.fitted if one[:-1] == name]
    valves = cylinder or [name]
    springs = [bench.engine.fitted[one] for one in valves if one in bench.engine.fitted]
    return any(
        one.verdict is Verdict.FAILS and check in kind.checks
        and (one.position in valves or (place.kind == "spring" and place.name in springs))
        for (check, place), one in own.items()
    )  # fmt: skip


def _came_right(bench: Bench, fault: Fault, own: _Findings, true: _Findings) -> bool:
    """Tell whether what a bench's fault makes wrong was measured, everywhere it would be, and is right."""
    kind = FAULTS[fault.kind]
    told = []
    for (check, place), one in own.items():
        here = fault.place in ("", one.position, place.name)
        if check not in _SHOWS.get(kind.wrongs, ()) or not here:
            continue
        truth = true.get((check, place))
        if truth is None or truth.figure != truth.figure:
            continue
        told.append(one.figure == one.figure and abs(one.figure - truth.figure) <= one.expanded)
    return bool(told) and sum(told) >= 0.95 * len(told)


def _condemned(
    case: Case, bench: Bench, own: _Findings, true: _Findings, claims: tuple[Claim, ...]
) -> tuple[str, ...]:  # fmt: skip
    """Give what was failed or named and is sound; what a fault of the bench made wrong is excused where that was named."""
    named = {FAULTS[one.kind].wrongs for one in case.faults if any(c.part == FAULTS[one.kind].part for c in claims)}
    excused = {check for what in named for check in _SHOWS.get(what, ())}
    failed = [
        _told(one) for key, one in own.items()
        if one.verdict is Verdict.FAILS and key[0] not in excused and key in true and true[key].verdict is Verdict.PASSES
    ]  # fmt: skip
    faulty = {
        (FAULTS[one.kind].part, place) for one in case.faults for place in (one.place, *places_of(bench.engine, one))
    }
    wrong = [f"{one.part}, {one.place or 'the bench'}" for one in claims if (one.part, one.place) not in faulty]
    return (*failed, *wrong)


def _in_vain(case: Case, book: Book) -> tuple[int, int]:
    """Count the readings that prove nothing: struck out or replaced, more than three alike, or of what was not asked."""
    every = [one for one in standing(book.journal) if one.reading.quantity in _measured()]
    counted: dict[tuple[object, ...], int] = {}
    vain = 0
    for one in every:
        key = (one.reading.quantity, one.place, *sorted(one.reading.at.items()))
        counted[key] = counted.get(key, 0) + (not one.fate)
        asked = one.reading.quantity in case.measure or one.reading.quantity == "reference_load"
        vain += bool(one.fate) or counted[key] > _MOST_REPEATS or not asked
    return vain, len(every)


def _measured() -> frozenset[str]:
    return frozenset(one for each in MEASURES.values() for one in each)
