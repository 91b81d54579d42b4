"""What something tried at a valve does to its margins: whether it helps, and each figure before and after."""

from __future__ import annotations

from collections.abc import Mapping

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import digits
from honest_lift.facts.engine import Engine
from honest_lift.numbers.units import in_figures
from honest_lift.numbers.verdict import Verdict

ByCheck = Mapping[str, Finding]


def helps(finding: Finding, now: ByCheck, then: ByCheck) -> bool:
    """Tell whether a finding would pass, and nothing would fail that does not fail already."""
    again = then.get(finding.check.name)
    if again is None or again.provisional is not Verdict.PASSES:
        return False
    return not any(
        one.provisional is Verdict.FAILS and now[name].provisional is not Verdict.FAILS for name, one in then.items()
    )


def effects(engine: Engine, now: ByCheck, then: ByCheck, *, says_close: bool = False) -> tuple[str, ...]:
    """Say every figure that moves, before and after; `says_close`: and which are close then."""
    moved = ((now[name], one) for name, one in then.items() if one.figure != now[name].figure)
    return tuple(_effect(engine, before, after, says_close=says_close) for before, after in moved)


def _effect(engine: Engine, before: Finding, after: Finding, *, says_close: bool) -> str:
    dimension = after.check.dimension
    unit, places = engine.unit(dimension), digits(after, engine)
    figures = " to ".join(in_figures(one.figure, dimension, unit, places) for one in (before, after))
    close = ", close" if says_close and after.provisional is not Verdict.PASSES else ""
    return f"{after.check.title.lower()} {f'{figures} {unit}'.rstrip()}{close}"
