"""The machinist's work order as text: a box to tick and a line to write the figure that proves it, job by job."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import groupby

from honest_lift.checks.wording import figure_words, limit_words, title
from honest_lift.facts.engine import Engine
from honest_lift.plans.head.work_order import Ordered, measured_again

_CAUTION = "Eye protection on. Solvent burns: ventilate, no flame. What is cut can't be put back: the maker's least sizes go first."


def work_order_text(engine: Engine, jobs: tuple[Ordered, ...]) -> Iterator[str]:
    """Give the order line by line; it says so where there is nothing to do."""
    yield f"Work order, {engine.name or 'engine without a name'}"
    yield _CAUTION
    if not jobs:
        yield ""
        yield "Nothing fails that a machinist would put right."
    for stage, own in groupby(jobs, key=lambda one: one.stage):
        yield ""
        yield f"{stage.title}. To be measured again afterwards: {measured_again(stage)}."
        for one in own:
            yield f"  [ ] {title(one.finding)}: {figure_words(one.finding, engine)}; {limit_words(one.finding, engine)}"
            yield from (f"        {'or ' if i else ''}{cure}" for i, cure in enumerate(one.cures))
            yield "        done, and measured: ________________"
