"""A trial in words: what moves, what turns, why something does not move, and what would have to be read again."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import figure_words
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.changes import Change
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import ENGINE, position_title
from honest_lift.facts.staleness import done_since
from honest_lift.plans.trial import Ripple, Rippled

_SHOWN = 4
LOST = "lost"  # nobody can say what it becomes: it has to be read again
_STILL = {  # what a change is often thought to move, and does not
    "head_cut": "Squish stays as it is where the flat lies in the face's plane: a cut brings flat and face down together.",
    "shims": "Retainer to seal stays as it is: shims move the spring, not the retainer.",
    "block_cut": "The chamber's volume stays as it is: a cut off the block takes its part out of deck and squish.",
    "lash_cap": "Installed height stays as it is: a cap on the tip moves the rocker, not the retainer.",
}


def trial_words(book: Book, changes: Sequence[Change], found: Ripple) -> tuple[str, ...]:
    """Say what a trial comes to, in lines."""
    worse = [one for one in found.moved if one.turn == "worse"]
    better = [one for one in found.moved if one.turn == "better"]
    told = f"{len(found.moved)} findings move"
    told += f", {len(worse)} turn for the worse" if worse else ", none turns for the worse"
    told += f" and {len(better)} for the better." if better else "."
    lines = [
        told,
        *(_turned(book.engine, ones, words) for ones, words in ((worse, "Worse"), (better, "Better")) if ones),
    ]
    lines += dict.fromkeys(_STILL[one.kind] for one in changes if one.kind in _STILL)
    lines.append("Nothing in a trial is proven: what a change moves is predicted until it is read again.")
    return tuple(lines)


def _turned(engine: Engine, ones: Sequence[Rippled], words: str) -> str:
    told = [f"{where_of(one.there)} {one.there.check.title.lower()} {turn_words(engine, one)}" for one in ones[:_SHOWN]]
    more = f", and {len(ones) - _SHOWN} more" if len(ones) > _SHOWN else ""
    return f"{words}: {'; '.join(told)}{more}."


def where_of(finding: Finding) -> str:
    """Name where a finding is: its valve, or its cylinder or spring."""
    return position_title(finding.position) if finding.place.kind == "position" else finding.place.title


def turn_words(engine: Engine, one: Rippled) -> str:
    """Say a finding's figure now and in the trial, with both verdicts where they differ."""
    before, after = _bare(engine, one.before), LOST if one.is_lost else _bare(engine, one.after)
    verdicts = f" ({one.verdicts[0].word} to {one.verdicts[1].word})" if one.turn else ""
    return f"{before} to {after}{verdicts}"


def _bare(engine: Engine, one: Finding | None) -> str:
    return "nothing" if one is None else figure_words(one, engine).partition(" ±")[0]


def again_words(tried: Book, readings: Sequence[Standing]) -> str:
    """Say what would have to be read again: what is predicted by the changes, and what is only stale; "" for nothing."""
    predicted: dict[str, int] = {}
    stale: dict[str, int] = {}
    for one in readings:
        done = done_since(tried.engine, one)
        told = predicted if done and all(each.amount is not None for each in done) else stale
        told[one.reading.quantity] = told.get(one.reading.quantity, 0) + 1
    parts = []
    if predicted:
        parts.append(f"To be read again, shifted by what is changed where that is known: {_counted(predicted)}.")
    if stale:
        parts.append(f"To be read again, not known until then: {_counted(stale)}.")
    return " ".join(parts)


def _counted(quantities: dict[str, int]) -> str:
    return ", ".join(f"{CATALOG[name].title} ({count})" for name, count in quantities.items())


_DOWN = frozenset({"head_cut", "block_cut", "gasket", "crown_cut", "piston_higher"})


def missing_words(book: Book, changes: Sequence[Change]) -> tuple[str, ...]:
    """Say what would have to be stated before the changes can be told whole."""
    lines, kinds = [], {one.kind for one in changes}
    areas = [of_cylinder(book, "chamber_area", one).value for one in book.engine.layout.cylinders]
    if "head_cut" in kinds and not all(one > 0 for one in areas):
        lines.append("State the area of the chamber's opening (Block): nothing else says how much a cut takes.")
    if kinds & _DOWN and not isfinite(resolve(book, "valve_lean", ENGINE).value):
        lines.append(
            "State the stem's angle to the cylinder (Pockets and allowances): a cut comes down along the cylinder."
        )
    return tuple(lines)


def worst_words(engine: Engine, one: Finding | None) -> str:
    """Give a check's worst figure with its place."""
    if one is None:
        return "–"
    where = {"position": one.position, "cylinder": f"cyl. {one.place.name}"}.get(one.place.kind, one.place.name)
    return f"{_bare(engine, one)}, {where}"
