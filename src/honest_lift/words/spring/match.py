"""A match in words: its candidates, what they are weakest in, why a part is left out, and what has to be bought and cut."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from math import isfinite, nan

from honest_lift.checks.clearance.retainer_seal import RETAINER_SEAL
from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.spring.card_lift import CARD_LIFT
from honest_lift.checks.spring.heights import COIL_BIND_CLEARANCE
from honest_lift.checks.spring.loads import OPEN_LOAD, SEAT_LOAD
from honest_lift.checks.spring.stress import OPEN_STRESS
from honest_lift.checks.train.float_margin import BOUND, FLOAT_MARGIN
from honest_lift.drawings.bars import Bar
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_figures, in_words
from honest_lift.plans.match.accept import Chosen, card_of, named
from honest_lift.plans.match.at_speed import card_surge_hz
from honest_lift.plans.match.endurance import endurance_of
from honest_lift.plans.match.left_out import Reason
from honest_lift.plans.match.match import Answer, Candidate, Match
from honest_lift.plans.match.other_way import Outcome

BY_NAME: dict[str, Check] = {
    one.name: one
    for one in (SEAT_LOAD, OPEN_LOAD, COIL_BIND_CLEARANCE, RETAINER_SEAL, CARD_LIFT, OPEN_STRESS, FLOAT_MARGIN)
}
SIDES = {"least": "min", "most": "max"}
_FAILS = {
    "seat_load most": "seat load {0} above max", "seat_load least": "seat load {0} below min",
    "open_load most": "open load {0} above max", "open_load least": "open load {0} below min",
    "coil_bind_clearance least": "binds {0} early",
    "coil_bind_clearance most": "is {0} too far from coil bind", "open_stress most": "its wire bears {0} too much",
    "card_lift least": "{0} more lift than its maker allows", "retainer_seal least": "the retainer comes {0} too near the seal",
    "float_margin least": "floats {0} too low over the red line",
}  # fmt: skip
_DIMENSION = {one.name: one.dimension for one in BY_NAME.values()}


def weakest_words(one: Candidate) -> str:
    """Say where a candidate's margin is smallest: `max seat load, 3 exhaust`."""
    check, _, side = one.at_check.partition(" ")
    return f"{SIDES[side]} {BY_NAME[check].title.lower()}, {position_title(one.at_position)}"


def rung_title(name: str) -> str:
    """Name a margin: `Seat load, max`."""
    check, _, side = name.partition(" ")
    return f"{BY_NAME[check].title}, {SIDES[side]}"


def rung_words(rung: float, position: str) -> str:
    """Say a rung and where it is least: `0.59 at 3e`."""
    return f"{rung:.2f} at {position}" if isfinite(rung) else "not known"


def nature_words(engine: Engine, match: Match, one: Candidate) -> dict[str, str]:
    """Give by title what a candidate's springs are like beside their margins: form, mass, surge, and from where each floats."""
    row = match.row("springs", one.spring)
    members, mass = match.springs.members[row], match.found.figures["springs"]["mass"][row]
    narrow = match.springs.top_outside_mm[row] < match.springs.outside_mm[row]
    hz = card_surge_hz(match, one)
    return {
        "Form": f"nest of {members:.0f}" if members > 1 else "one, tapered" if narrow else "one, straight",
        "Mass of the spring": in_words(mass, "mass", engine.unit("mass")) if isfinite(mass) else "not known",
        "Surge frequency, shut": f"{hz:.0f} Hz"
        if isfinite(hz)
        else "each member for itself"
        if members > 1
        else "not known",
        "Float, rigid train": f"{one.speed_rpm:.0f} rpm" if isfinite(one.speed_rpm) else "not known",
        "Float, train that bends": f"{one.bends_rpm:.0f} rpm" if isfinite(one.bends_rpm) else "not simulated",
    }


def outcome_amount(engine: Engine, one: Outcome) -> str:
    """Say what an outcome comes to: a lift, a speed, or nothing beside its title."""
    if not isfinite(one.amount):
        return ""
    if one.title.startswith("highest speed"):
        return f"{one.amount:.0f} rpm"
    return (
        f"{one.amount:.2f}" if one.title.startswith("ratio") else in_words(one.amount, "length", engine.unit("length"))
    )


def outcome_bars(engine: Engine, outcomes: Iterable[Outcome]) -> tuple[Bar, ...]:
    """Give what each outcome leaves to its nearest limit, in shares of the comfort margin; filled: nothing stops passing."""
    bars = []
    for one in outcomes:
        limit, stops = one.limiting, len(one.stopped) + one.lost
        nearest = f"nearest: {limit.check.title.lower()} at {limit.position}" if limit else one.why_not
        beside = f"{nearest}, {stops} stop passing" if stops else nearest
        bars.append(Bar(one.title, _left(limit), outcome_amount(engine, one), beside, not stops))
    return tuple(bars)


def _left(limit: Finding | None) -> float:
    """Give the margin in shares of the comfort margin, none below nothing; NaN where there is no limit."""
    if limit is None or not isfinite(limit.margin) or not limit.comfort:
        return nan
    return max(limit.margin / limit.comfort, 0.0)


def reason_words(engine: Engine, reason: Reason) -> str:
    """Say why a part is left out: `binds 0.016 in early at 5 intake`."""
    if reason.is_in:
        return "it is in a candidate"
    where = f" at {position_title(reason.position)}" if reason.position else ""
    if reason.check in _FAILS:
        return (
            _FAILS[reason.check].format(_amount(engine, reason.check.split()[0], reason.amount))
            + where
            + ", uncertainty included"
        )
    by = f" by {in_words(reason.amount, 'length', engine.unit('length'))}" if isfinite(reason.amount) else ""
    return f"{reason.check}{by}{where}"


def _amount(engine: Engine, check: str, amount: float) -> str:
    dimension = _DIMENSION[check]
    return in_words(amount, dimension, engine.unit(dimension))


def answer_words(match: Match, answer: Answer) -> str:
    """Say what is found, and on what it rests."""
    if not answer.is_complete:
        return f"{answer.count} so far, {answer.looked} of {answer.of} springs looked at…"
    if not answer.count:
        return f"None of {answer.of} springs comes through with any retainer, locks and shims: ask of one why it is not used."
    many = f"{answer.count} candidates" if answer.count > 1 else "one candidate"
    shown = (
        f", the best {len(answer.listed)} by their weakest point listed" if answer.count > len(answer.listed) else ""
    )
    return f"{many}{shown}. They pass on their cards, at {len(match.bench.positions)} pockets as measured, and prove nothing yet."


def plan_words(engine: Engine, match: Match, one: Candidate) -> str:
    """Say a candidate's shim plan in a line: every pocket with its stack, its cut and its height."""
    unit = engine.unit("length")
    told = []
    for position, stack, cut, height in zip(
        match.bench.positions, one.stacks_mm, one.cuts_mm, one.heights_mm, strict=True
    ):
        shims = "+".join(in_figures(thick, "length", unit) for thick in stack) or "none"
        deeper = f", cut {in_figures(cut, 'length', unit)}" if cut > 0 else ""
        told.append(f"{position} {shims}{deeper} to {in_figures(height, 'length', unit)}")
    return f"Shims under {one.spring[1]}, {unit}: {'; '.join(told)}."


def endurance_words(engine: Engine, match: Match, one: Candidate, parts: Chosen) -> tuple[str, ...]:
    """Say what the outer spring bears where it is worst off, and its margin to fatigue; nothing where its wire is not told."""
    told = endurance_of(match, one, parts.spring)
    if told is None:
        return ()
    stress = in_words(told.stress_mpa, "stress", engine.unit("stress"))
    wire = "shot-peened" if card_of(one, parts.spring).shot_peened else "unpeened"
    margin = f"fatigue safety factor {told.margin:.2f}, smallest at {position_title(told.position)}"
    return (f"Outer spring by its {wire} wire: {stress} open, {margin} (1 is infinite life; advice, no verdict).",)


def shopping_words(engine: Engine, match: Match, one: Candidate, parts: Chosen) -> tuple[str, ...]:
    """Give the shopping and machining list of a candidate, in lines."""
    many, length = len(engine.layout.positions), engine.unit("length")
    lines = [f"{many} springs {named(parts.spring)}", f"{many} retainers {named(parts.retainer)}",
             f"{many} pairs of locks {named(parts.locks)}"]  # fmt: skip
    shims = Counter(round(thick, 6) for stack in one.stacks_mm for thick in stack)
    lines += [f"{_many(count)} {in_words(thick, 'length', length)}" for thick, count in sorted(shims.items())]
    cuts = [(position, cut) for position, cut in zip(match.bench.positions, one.cuts_mm, strict=True) if cut > 0]
    lines += [
        f"cut the pocket of {position_title(position)} by {in_words(cut, 'length', length)}" for position, cut in cuts
    ]
    lines += [
        f"{position_title(position)}: measure its height first, it is not in this match"
        for position in match.bench.left_out
    ]
    lines.append(f"Then read every height, every spring at {_heights(engine, one)}, its bind, and the gap to the seal.")
    lines += endurance_words(engine, match, one, parts)
    if isfinite(one.speed_rpm):
        lines.append(f"Valve float at about {round(one.speed_rpm, -2):,.0f} rpm, {BOUND}.")
    return tuple(lines)


def _many(count: int) -> str:
    return f"{count} {'shim' if count == 1 else 'shims'}"


def _heights(engine: Engine, one: Candidate) -> str:
    low, high = min(one.heights_mm), max(one.heights_mm)
    unit = engine.unit("length")
    return f"{in_words(low, 'length', unit)} to {in_words(high, 'length', unit)} and at full lift"


def list_text(engine: Engine, match: Match, one: Candidate, parts: Chosen) -> str:
    """Give the shopping and machining list as a page of text, pocket by pocket."""
    unit, load = engine.unit("length"), engine.unit("load")
    title = "Shopping and machining list, by the match. By cards: nothing is proven yet."
    head = [engine.name or "engine without a name", title, ""]
    body = [
        *shopping_words(engine, match, one, parts),
        "",
        "pocket      shims                          height      seat load",
    ]
    for position, stack, height, seat in zip(
        match.bench.positions, one.stacks_mm, one.heights_mm, one.seat_load_n, strict=True
    ):
        shims = " + ".join(in_words(thick, "length", unit) for thick in stack) or "none"
        body.append(f"{position:<12}{shims:<31}{in_words(height, 'length', unit):<12}{in_words(seat, 'load', load)}")
    notes = [f"{note[:1].upper()}{note[1:]}." for note in match.notes]
    caution = "A compressed valve spring can put an eye out: eye protection, the tool square on the retainer, never over the face."
    return "\n".join([*head, *body, "", *notes, "Weakest: " + weakest_words(one) + ".", caution, ""])
