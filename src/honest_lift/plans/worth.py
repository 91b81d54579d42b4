"""Most worth measuring again: which one thing behind a finding, measured better, would settle it, and with what.

Nothing is estimated here by rule of thumb: the reading is put into a copy of the book with its present value, and the
checks are asked what they would say.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from math import isfinite

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.examine import examine
from honest_lift.checks.finding import Finding
from honest_lift.checks.train.in_motion import foretold
from honest_lift.estimates.rocker.parts import RESTS_ON
from honest_lift.estimates.spring.heights import corrected
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Put, reading_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place, at_position, of_reference
from honest_lift.facts.tools import Tool
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.best_way import Means, means_of

_WORTH = 0.92  # a doubt that shrinks by less is not worth the walk to the tool box
_REPEATS = 3
_REFERENCE_PERCENT = 0.3  # what a certified reference spring is true to. Common practice, no source
_LIFT = {"rocker_ratio", *RESTS_ON}


class Worth(Struct, frozen=True):
    """One thing to measure, and what the finding would be if it read the same again.

    `repeats`: how often, where it is the scatter that counts. `way` is "" for a tester held against a reference spring.
    """

    quantity: str
    place: Place
    way: str
    tool: str
    repeats: int
    expanded: float
    verdict: Verdict

    @property
    def words(self) -> str:
        """Say what to measure: `lift at the valve of 3 exhaust`."""
        if not self.way:
            return "hold the spring tester against a reference spring"
        times = f", {self.repeats} times" if self.repeats > 1 else ""
        return f"{CATALOG[self.quantity].title} of {self.place.title}{times}"


def worth_tried(book: Book, finding: Finding) -> Iterator[Worth | None]:
    """Give, one at a time since each asks the checks anew, what comes of everything that could be measured again.

    Inputs that are missing are no part of this: they have to be measured in any case.
    """
    if not isfinite(finding.figure):
        return
    for wanted in dict.fromkeys(_wanted(finding)):
        yield _tried(book, finding, *wanted)
    for tool in _uncalibrated(book, finding):
        yield _with_reference(book, finding, tool)


def worth_of(finding: Finding, tried: Iterable[Worth | None]) -> tuple[Worth, ...]:
    """Give of what was tried that which is worth it, the best first."""
    useful = [
        one for one in tried if one and (one.verdict < finding.verdict or one.expanded < _WORTH * finding.expanded)
    ]
    return tuple(sorted(useful, key=lambda one: (_settled(one.verdict), one.expanded)))


def _wanted(finding: Finding) -> list[tuple[str, Place, float]]:
    """Give what could be measured again: quantity, place, and the value it has now as the checks use it."""
    height = finding.figure if finding.check.name == "installed_height" else finding.term("installed_height")
    wanted = [
        (one.quantity, one.asked, height if one.quantity == "installed_height" else one.value)
        for one in finding.inputs
        if one.asked and one.kind != "not applicable" and one.quantity != "spring_load"
    ]
    if finding.position and any(one.quantity in _LIFT for one in finding.inputs):
        wanted.append(("valve_lift", at_position(finding.position), finding.term("valve_lift")))
    return [
        one for one in wanted
        if isfinite(one[2]) and CATALOG[one[0]].ways and one[1].kind in CATALOG[one[0]].places
    ]  # fmt: skip


def _settled(verdict: Verdict) -> int:
    return {Verdict.PASSES: 0, Verdict.FAILS: 0, Verdict.CLOSE: 1}.get(verdict, 2)


def _tried(book: Book, finding: Finding, quantity: str, place: Place, value: float) -> Worth | None:
    """Try the two finest ways that can be worked out once, and the better of them several times where once settles nothing."""
    best: Worth | None = None
    tried = 0
    for means in means_of(book.engine, quantity, value):
        one = _read_again(book, finding, quantity, place, value, means, 1)
        best = one if one and (best is None or one.expanded < best.expanded) else best
        tried += one is not None
        if tried == 2:
            break
    if best is None or _settled(best.verdict) == 0:
        return best
    means = next(
        one for one in means_of(book.engine, quantity, value) if (one.way.key, one.tool.id) == (best.way, best.tool)
    )
    more = _read_again(book, finding, quantity, place, value, means, _REPEATS)
    return more if more and more.expanded < _WORTH * best.expanded else best


def _read_again(
    book: Book, finding: Finding, quantity: str, place: Place, value: float, means: Means, repeats: int
) -> Worth | None:
    """Put the reading, as the tool would show it, into a copy of the book, and ask the check again."""
    if means.way.corrections:
        value -= corrected(book, means.way.key, place.name, 0.0)[0]
    if not isfinite(value):
        return None
    for i in range(repeats):
        reading = reading_of(book, quantity, place, value, text="", unit="", way=means.way.key, tool=means.tool.id,
                             repeat=i > 0)  # fmt: skip
        book = replace(book, journal=(*book.journal, reading))
    again = _same(book, finding)
    if again is None:
        return None
    return Worth(quantity, place, means.way.key, means.tool.id, repeats, again.expanded, again.verdict)


def _uncalibrated(book: Book, finding: Finding) -> list[Tool]:
    """Give the testers behind a finding that no reference spring was ever held against."""
    names = {name for one in finding.inputs if one.quantity == "spring_load" for name in one.tool.split(", ")}
    held = {one.tool for one in book.engine.calibrations}
    return [one for one in book.engine.tools if one.name in names and one.dimension == "load" and one.id not in held]


def _with_reference(book: Book, finding: Finding, tool: Tool) -> Worth | None:
    """Ask what the finding would be with a tester as true as it repeats, which is what a calibration leaves."""
    true = replace(tool, accuracy=None, accuracy_percent=max(tool.repeatability_percent or 0.0, _REFERENCE_PERCENT))
    again = _same(replace(book, engine=Put("tools", true, "corrected").apply(book)[0]), finding)
    if again is None:
        return None
    return Worth("reference_load", of_reference(""), "", tool.id, 1, again.expanded, again.verdict)


def _same(book: Book, finding: Finding) -> Finding | None:
    """Give what would be found at the same place by the same check."""
    with foretold(book):
        found = examine(book).findings
    return next((one for one in found if one.check == finding.check and one.place == finding.place), None)
