"""The ways to a ratio in words: their amounts, the pushrod they want, and which of them keeps what passes."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, nan

from honest_lift.checks.wording import figure_alone
from honest_lift.drawings.bars import Bar
from honest_lift.estimates.rocker.gear import rocker_of
from honest_lift.facts.changes import KINDS, Change
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import at_position
from honest_lift.mechanics.cylinder.angle_mill import angle_cut
from honest_lift.numbers.units import in_words
from honest_lift.plans.cylinder.to_ratio import Answer
from honest_lift.plans.trial_lines import worst_of
from honest_lift.words.rocker.moved import together

_IN_GEAR = {"head_cut": "head", "block_cut": "block", "gasket": "gasket"}


def amounts_words(engine: Engine, changes: Sequence[Change]) -> str:
    """Write the amounts of a way's changes, in their order."""
    return ", ".join(_amount(engine, one) for one in changes)


def _amount(engine: Engine, change: Change) -> str:
    dimension = KINDS[change.kind].dimension
    told = in_words(abs(change.amount), dimension, engine.unit(dimension))
    pair = {"gasket": ("thicker", "thinner"), "dish": ("more dish", "less dish")}.get(change.kind)
    if pair is None:
        return f"{told} off" if change.amount >= 0 else f"{told} on"
    return f"{told} {pair[0] if change.amount >= 0 else pair[1]}"


def pushrod_words(book: Book, position: str, changes: Sequence[Change]) -> str:
    """Say what pushrod keeps the geometry at a valve as it is; a dash where the gear is not known, or there is no pushrod."""
    amounts = {_IN_GEAR[one.kind]: one.amount for one in changes if one.kind in _IN_GEAR}
    if book.engine.gear != "pushrod" or not position:
        return "–"
    if not amounts:
        return "as it is"
    rocker = rocker_of(book, at_position(position).role, position, with_doubt=False)
    told = together(book, rocker, amounts)
    return told.pushrod if told.pushrod != "not known" else "–"


def way_bars(book: Book, position: str, ways: Sequence[Answer]) -> tuple[Bar, ...]:
    """Give what each way takes off or puts on, lengths to one scale, with the squish, the clearance and the pushrod it leaves."""
    bars = []
    for one in ways:
        if one.found is None:
            bars.append(Bar(one.title, nan, one.why_not))
            continue
        lengths = [abs(change.amount) for change in one.changes if KINDS[change.kind].dimension == "length"]
        told = [_left(book, one, check, name) for check, name in (("squish", "squish"), ("piston_valve", "to valve"))]
        pushrod = pushrod_words(book, position, one.changes)
        told.append("" if pushrod in ("–", "as it is") else f"pushrod {pushrod}")
        better = not any(each.turn == "worse" for each in one.found.moved)
        amount = sum(lengths) if lengths else nan
        bars.append(
            Bar(one.title, amount, amounts_words(book.engine, one.changes), ", ".join(filter(None, told)), better)
        )
    return tuple(bars)


def _left(book: Book, way: Answer, check: str, name: str) -> str:
    """Say what a check comes to, where it is worst, once a way is gone."""
    worst = None if way.found is None else worst_of(way.found.found, check)
    return "" if worst is None or not isfinite(worst.figure) else f"{name} {figure_alone(worst, book.engine)}"


def ways_words(engine: Engine, ways: Sequence[Answer], face: tuple[float, float] | None = None) -> tuple[str, ...]:
    """Say which ways keep what passes, and what none of them changes.

    `face`: from the near rail to the chambers' middle and to the far rail, mm, for the head cut at an angle.
    """
    clean = [one for one in ways if one.found is not None and not any(each.turn == "worse" for each in one.found.moved)]
    lines = []
    if clean:
        lines.append(f"Nothing turns for the worse by: {'; '.join(_named(engine, one) for one in clean)}.")
    elif any(one.found for one in ways):
        lines.append("Every way turns something for the worse: choose which, or put two together in a trial.")
    pairs = [one for one in ways if one.found and len(one.changes) > 1]
    lines += [f"{_start(one)}, the first for the squish: {amounts_words(engine, one.changes)}." for one in pairs]
    lines += [f"{_start(one)}: {one.why_not}." for one in ways if one.why_not]
    lines += [_at_an_angle(engine, one, face) for one in ways if face and one.found and one.title == "head cut"]
    lines.append("A head cut leaves squish as it is; a block cut and a gasket move it. Figures are predicted, and the worst of all "
                 "cylinders.")  # fmt: skip
    return tuple(lines)


def _at_an_angle(engine: Engine, one: Answer, face: tuple[float, float]) -> str:
    """Say the head cut as a cut tipped about the near rail."""
    cut = angle_cut(one.changes[0].amount, *face)
    middle, far = (in_words(each, "length", engine.unit("length")) for each in (one.changes[0].amount, cut.far_mm))
    return (
        f"Head cut at an angle about the near rail: {middle} at the chamber centres, {far} at the far rail, {cut.angle_deg:.2f} "
        "degrees; the manifold's face must follow by that angle, and the deck's thickness at the far rail be kept."
    )


def _start(one: Answer) -> str:
    return f"{one.title[:1].upper()}{one.title[1:]}"


def _named(engine: Engine, one: Answer) -> str:
    known = [each for each in one.changes if isfinite(each.amount)]
    return f"{one.title} ({amounts_words(engine, known)})"
