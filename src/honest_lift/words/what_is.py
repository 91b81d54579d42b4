"""What a quantity, a check or a step is, in a few lines: for a tooltip, and whole for the card under Shift+F1."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.limits import rules_of
from honest_lift.facts.sources import published
from honest_lift.numbers.in_own_unit import in_own_unit
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding


def quantity_hint(name: str) -> str:
    """Say what a quantity is, in a line; "" where its title says it all.

    >>> quantity_hint("free_length")
    'Free length: length of the spring, or of one of its members, with nothing on it.'
    """
    row = CATALOG[name]
    return f"{_capital(row.title)}: {row.meaning[:1].lower()}{row.meaning[1:]}" if row.meaning else ""


def quantity_card(name: str, engine: Engine) -> str:
    """Say what a quantity is, its range in the engine's unit, each way it is measured and the caution that goes with it."""
    row, unit = CATALOG[name], engine.unit(CATALOG[name].dimension)
    lines = [_capital(row.title), row.meaning]
    if row.dimension != "observed":
        low, high = (in_words(one, row.dimension, unit) for one in row.plausible)
        lines.append(f"Mostly {low} to {high}.")
    lines += ["", *(_way_line(way.title, way.howto) for way in row.ways)]
    lines += [f"  {one.key}: {one.says}" for one in row.choices]
    lines += ["", row.caution] if row.caution else []
    return "\n".join(lines).strip()


def finding_card(finding: Finding, engine: Engine) -> str:
    """Say what a check holds to what, how it is calculated here, where its limit is from and which other rules there are."""
    from honest_lift.checks.wording import limit_words, source_words
    from honest_lift.checks.working import working

    check = finding.check
    lines = [check.title, check.meaning, "", *working(finding, engine)]
    lines += [
        "",
        f"Limit: {limit_words(finding, engine)}" + (f", {source}" if (source := source_words(finding, engine)) else ""),
    ]
    rules, unit = rules_of(check.name), engine.unit("length")
    lines += (
        [
            "",
            "Rules:",
            *(
                f"  {in_own_unit(f'{one.limit.rule}: {one.why}', unit)} ({published(one.limit.source)})"
                for one in rules
            ),
        ]
        if rules
        else []
    )
    return "\n".join(lines).strip()


def _way_line(title: str, howto: str) -> str:
    return f"{_capital(title)}: {howto}" if howto else _capital(title)


def _capital(text: str) -> str:
    return text[:1].upper() + text[1:]
