"""What would put a finding right: another stack of shims, or another spring, tried on the checks themselves.

A remedy is offered with what it does to every other margin of the valve. What it promises is predicted, and proves
nothing until it is measured.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from itertools import combinations_with_replacement

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.examine import examine
from honest_lift.checks.finding import Finding
from honest_lift.checks.train.in_motion import foretold
from honest_lift.facts.edits import Edit, Fit, fit_springs, fitment
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.spring.shims import MOST_SHIMS
from honest_lift.plans.tried import effects, helps

_SHOWN = 3
_OF_STACK = {"installed_height", "coil_bind_clearance", "seat_load", "open_load"}


class Remedy(Struct, frozen=True):
    """One change, what it would do, and the edit that does it."""

    what: str
    effects: tuple[str, ...]
    edit: Edit
    changes: int
    weakest: float

    @property
    def words(self) -> str:
        """Say what to do and what comes of it."""
        return f"{self.what}: {', '.join(self.effects)}"


def remedies_tried(book: Book, finding: Finding) -> Iterator[Remedy | None]:
    """Give, one at a time since each asks the checks anew, what comes of every other stack and every spare spring.

    Of a failing or close finding of heights and loads; None for what leaves another margin of them at the valve failing.
    """
    if (
        finding.verdict not in (Verdict.FAILS, Verdict.CLOSE)
        or not finding.position
        or finding.check.name not in _OF_STACK
    ):
        return
    now = _of_valve(book, finding.position)
    for what, changes, edit in (*_stacks(book, finding.position), *_springs(book, finding.position)):
        yield _tried(book, finding, now, what, changes, edit)


def remedies_of(tried: Iterable[Remedy | None]) -> tuple[Remedy, ...]:
    """Give of what was tried that which is offered, the smallest change first."""
    return tuple(sorted((one for one in tried if one), key=lambda one: (one.changes, -one.weakest)))[:_SHOWN]


def _stacks(book: Book, position: str) -> list[tuple[str, int, Edit]]:
    """Give other stacks that the stock, and what lies there, allow."""
    engine = book.engine
    fitted = engine.fitted("shims", position)
    if fitted is None or fitted.thicknesses_mm is None:
        return []
    present = fitted.thicknesses_mm
    sizes = dict.fromkeys([*present, *(one.thickness_mm for one in engine.shim_stock if one.is_for("outer"))])
    stacks = {tuple(sorted(one)) for n in range(MOST_SHIMS + 1) for one in combinations_with_replacement(sizes, n)}
    heights: dict[int, tuple[float, ...]] = {}
    for stack in sorted(stacks, key=len):  # of stacks alike in height the one with the fewest shims
        heights.setdefault(round(1000 * sum(stack)), stack)
    heights.pop(round(1000 * sum(present)), None)
    return [
        (_stack_words(engine, present, one), _changed(present, one), _fit(engine, position, one))
        for one in heights.values()
    ]


def _fit(engine: Engine, position: str, stack: tuple[float, ...]) -> Edit:
    return Fit(
        (fitment(engine, "shims", position, thicknesses_mm=stack, note="remedy"),),
        f"shims at {position_title(position)}",
    )


def _changed(before: tuple[float, ...], after: tuple[float, ...]) -> int:
    """Count the shims taken out and laid in."""
    left, more = list(before), 0
    for one in after:
        if one in left:
            left.remove(one)
        else:
            more += 1
    return len(left) + more


def _stack_words(engine: Engine, before: tuple[float, ...], after: tuple[float, ...]) -> str:
    out, into = list(before), []
    for one in after:
        if one in out:
            out.remove(one)
        else:
            into.append(one)

    def say(stack: list[float]) -> str:
        return " and ".join(in_words(one, "length", engine.unit("length")) for one in stack)

    if out and into:
        return f"change {say(out)} of shims for {say(into)}"
    return f"take {say(out)} of shims out" if out else f"lay {say(into)} of shims in"


def _springs(book: Book, position: str) -> list[tuple[str, int, Edit]]:
    """Give the spare springs of the same card: another one may do where no stack does."""
    engine = book.engine
    own = engine.card_of(engine.spring_at(position))
    spare = [
        one.id for one in engine.springs if not engine.position_of(one.id) and engine.card_of(one.id) == own and own
    ]
    return [
        (f"fit spring {one}", 10, fit_springs(engine, {position: one}, f"spring {one} at {position_title(position)}"))
        for one in spare
    ]


def _tried(book: Book, finding: Finding, now: dict[str, Finding], what: str, changes: int, edit: Edit) -> Remedy | None:
    engine, _ = edit.apply(book)
    then = _of_valve(replace(book, engine=engine), finding.position)
    if not helps(finding, now, then) or any(
        one.provisional in (Verdict.FAILS, Verdict.UNPROVEN) for one in then.values()
    ):
        return None
    told = effects(book.engine, now, then, says_close=True)
    return Remedy(what, told, edit, changes, min(one.weakness for one in then.values()))


def _of_valve(book: Book, position: str) -> dict[str, Finding]:
    with foretold(book):
        found = examine(book).by_position.get(position, ())
    return {one.check.name: one for one in found if one.check.name in _OF_STACK}
