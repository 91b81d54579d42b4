"""The other way round: with the springs that are fitted, the most lift, the highest speed, the ratio, or the cam that still passes.

Each answer is a trial on a copy of the engine, judged by the ordinary checks. What does not pass today counts as it stands: an
answer is one in which nothing that passes now stops passing.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from math import isfinite, nan

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.train.float_margin import FLOAT_MARGIN
from honest_lift.checks.train.in_motion import FLEXIBLE_FLOAT
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import EditError, new_id
from honest_lift.facts.engine import Book
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.trial import ripple
from honest_lift.shelf.kinds import Part

CHECKS = frozenset({
    "coil_bind_clearance", "open_load", "seat_load", "retainer_seal", "card_lift", "open_stress", "float_margin", "piston_valve",
    "pocket_wall", "valve_to_valve", "flexible_float", "bounce_margin", "coils_in_motion", "piston_valve_speed",
})  # fmt: skip
RATIOS = (1.5, 1.55, 1.6, 1.65, 1.7)
_STEPS, _REACH = 11, 0.5  # halvings of half as much lift again: 0.25 percent of it


class Outcome(Struct, frozen=True):
    """What a trial comes to. `limiting`: the finding with the least to spare; `stopped`: those that pass now and would not.

    `why_not`: why it can't be tried, or says nothing. `verdict`: of a bound, that of what it is told from.
    """

    title: str
    amount: float = nan
    limiting: Finding | None = None
    stopped: tuple[Finding, ...] = ()
    why_not: str = ""
    passing: int = 0  # of so many findings concerned, as they would stand, what is no longer told among them
    of: int = 0
    lost: int = 0  # that pass now and would no longer be told
    verdict: Verdict = Verdict.UNPROVEN

    @property
    def sign(self) -> Verdict | None:
        """Give the worst of what stops, or passes where all would; None where nothing stops and something does not pass today."""
        if not self.of:
            return self.verdict
        worst = [*(one.provisional for one in self.stopped), *[Verdict.UNPROVEN] * self.lost]
        return max(worst) if worst else Verdict.PASSES if self.passing == self.of else None

    @property
    def still_passes(self) -> bool:
        """Tell whether nothing that passes now stops passing."""
        return not self.why_not and not self.stopped and not self.lost


def tried(book: Book, now: Examination, title: str, changes: Sequence[Change], amount: float = nan) -> Outcome:
    """Try changes and say what they come to."""
    try:
        found = ripple(book, now, changes)
    except EditError as error:
        return Outcome(title, amount, why_not=str(error))
    passing = {
        (one.check.name, one.position) for one in now.findings if _counts(one) and one.provisional is Verdict.PASSES
    }
    if not passing:
        return Outcome(title, amount, why_not=_NOTHING)
    then = [one for one in found.found.findings if _counts(one)]
    stopped = [
        one for one in then if one.provisional is not Verdict.PASSES and (one.check.name, one.position) in passing
    ]
    lost = len(passing - {(one.check.name, one.position) for one in then})
    limiting = min((one for one in then if (one.check.name, one.position) in passing), key=_spare, default=None)
    passing_then = sum(one.provisional is Verdict.PASSES for one in then)
    return Outcome(title, amount, limiting=min(stopped, key=_spare, default=limiting), stopped=tuple(stopped),
                   passing=passing_then, of=len(then) + lost, lost=lost)  # fmt: skip


_NOTHING = "nothing that it could stop passes yet: measure what the checks lack first"


def _counts(one: Finding) -> bool:
    return bool(one.position) and one.check.name in CHECKS


def _spare(one: Finding) -> float:
    return one.weakness if isfinite(one.weakness) else float("inf")


def ratios(book: Book, now: Examination) -> Iterator[Outcome]:
    """Try every usual rocker ratio."""
    for ratio in RATIOS:
        yield tried(book, now, f"ratio {ratio:.2f}", [Change(new_id(), "ratio", "", ratio)], ratio)


def cams(book: Book, now: Examination, cards: Sequence[Part]) -> Iterator[Outcome]:
    """Try every cam card: its durations and its lobe lifts."""
    for card in cards:
        changes = [
            change
            for role in ("intake", "exhaust")
            for change in (
                Change(new_id(), "cam", role, part=str(card.values.get(f"{role}_durations", ""))),
                Change(new_id(), "lobe_lift", role, card.figure(f"{role}_lift")),
            )
        ]
        yield tried(book, now, f"{card.number} {card.name}".strip(), changes, card.figure("intake_lift"))


def most_lift(book: Book, now: Examination, role: str) -> Iterator[Outcome]:
    """Halve toward the largest lobe lift of a role at which nothing stops passing; the last outcome is the answer."""
    positions = [one.id for one in book.engine.layout.positions if one.role == role]
    lobe = at_valve(book, "lobe_lift", positions[0]).value if positions else nan
    if not isfinite(lobe):
        yield Outcome(f"{role} lift", why_not=f"the {role} lobe's lift is not stated")
        return
    title = f"{role} lobe lift"
    low, high = lobe, lobe * (1.0 + _REACH)
    best = beyond = tried(book, now, title, [Change(new_id(), "lobe_lift", role, high)], high)
    if best.still_passes or best.why_not:
        yield best
        return
    best = tried(book, now, title, [Change(new_id(), "lobe_lift", role, lobe)], lobe)
    for _ in range(_STEPS):
        middle = (low + high) / 2.0
        found = tried(book, now, title, [Change(new_id(), "lobe_lift", role, middle)], middle)
        if found.still_passes:
            low, best = middle, found
        else:
            high, beyond = middle, found
        yield _with_limit(best, beyond)
    yield _with_limit(best, beyond)


def _with_limit(best: Outcome, beyond: Outcome) -> Outcome:
    """Give the best so far with what stops the next step."""
    return replace(best, limiting=beyond.limiting, stopped=(), lost=0, why_not=beyond.why_not)


SPEEDS = {FLOAT_MARGIN: "highest speed", FLEXIBLE_FLOAT: "highest speed, train that bends"}


def highest_speed(now: Examination, check: Check = FLOAT_MARGIN) -> Outcome:
    """Give the red line at which no valve floats yet, by the one that floats first: of a rigid train an upper bound."""
    found = [one for one in now.findings if one.check == check and isfinite(one.figure)]
    told = [(_red_line(one), one) for one in found]
    if not told:
        lacking = "state the red line and the masses under Masses: valve float is not known yet"
        return Outcome(SPEEDS[check], why_not=lacking)
    speed, limiting = min(told, key=lambda pair: pair[0])
    return Outcome(SPEEDS[check], speed, limiting, verdict=limiting.verdict)


def _red_line(one: Finding) -> float:
    """Give the red line over which the least that is asked is left, doubt and all."""
    lost = one.term("float_speed")
    red = one.term("red_line")
    doubt_rpm = one.expanded / 100.0 * red
    return (lost - doubt_rpm) / (1.0 + one.lowest / 100.0)
