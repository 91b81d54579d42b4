"""What a simulation of a valve train rests on beside its masses and loads: stiffness and damping, stated or from a usual range.

A guessed stiffness proves nothing. Damping is never known better than from memory: it is a doubt of every figure, and bars none.
"""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.estimates.estimate import Input
from honest_lift.estimates.motion.stiffness_read import stiffness_at, stiffness_read
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import COVERAGE, Ground

RESTS_ON = frozenset({"train_stiffness", "lift_lost", "train_damping", "spring_damping"})
# N/mm at the valve: usual, and from where to where. From memory; the handbook has the first and the last
USUAL_STIFFNESS = {"pushrod": (5000.0, 3000.0, 8000.0), "finger follower": (9000.0, 5000.0, 16000.0),
                   "bucket": (25000.0, 15000.0, 40000.0)}  # fmt: skip
_ELSE = (8000.0, 4000.0, 16000.0)  # of rockers straight on the cam
_TRAIN = (7.0, 2.25)  # percent of critical; with its coverage from 3 to 12. From memory
_SPRING, _NESTED = (1.5, 0.5, 3.0), (3.0, 1.0, 6.0)  # percent: usual, and from where to where. From memory
HYDRAULIC = "the lifter's own dynamics are not modelled: it may pump up or bleed down"
GUESSED = "its stiffness is guessed: state it"


def bending_of(book: Book, position: str) -> dict[str, Input]:
    """Give stiffness and damping at a valve by name: what was read goes before what was stated, that before a usual range."""
    card = book.engine.card_of(book.engine.spring_at(position))
    usual, low, high = _of_spring(card)
    return {
        "train_stiffness": _stiffness(book, position),
        "train_damping": _or_usual(book, "train_damping", position, *_TRAIN),
        "spring_damping": _or_usual(book, "spring_damping", position, usual, (high - low) / (2.0 * COVERAGE)),
    }


def _stiffness(book: Book, position: str) -> Input:
    place = at_position(position)
    told = stiffness_at(book, position) or at_valve(book, "train_stiffness", position)
    if odd := stiffness_read(book, position).why_not:  # something nearer was read that makes no sense
        told = replace(told, ground=told.ground | Ground.UNSOUND, note=odd)
    if told.ground & Ground.MISSING and (odd or not told.note):
        usual, low, high = USUAL_STIFFNESS.get(book.engine.gear, _ELSE)
        told = Input("train_stiffness", "a usual range", "assumed", usual, ground=Ground.ASSUMED, low=low, high=high,
                     note=odd or GUESSED, asked=place)  # fmt: skip
    if book.engine.lifter.startswith("hydraulic"):
        return replace(told, ground=told.ground | Ground.ASSUMED | Ground.UNRANGED, note=HYDRAULIC)
    return told


def _or_usual(book: Book, name: str, position: str, usual: float, u: float) -> Input:
    told = at_valve(book, name, position)
    if not told.ground & Ground.MISSING or told.note:
        return told
    return Input(name, "usual, from memory", "not applicable", usual, asked=at_position(position),
                 each=((f"usual:{name}", f"{told.title}, from memory", u),))  # fmt: skip


def _of_spring(card: SpringCard | None) -> tuple[float, float, float]:
    return _NESTED if card is not None and len(card.members) > 1 else _SPRING


def usual_damping(*, nested: bool) -> float:
    """Give the usual damping of a spring's surge, percent of critical. From memory."""
    return (_NESTED if nested else _SPRING)[0]


def on_assumed_coils(damping: Input, card: SpringCard | None, members: int) -> Input:
    """Give the damping of a spring simulated on coils that nobody measured: assumed over its whole range; else as it is.

    `members`: how many of a nest were pressed by themselves.
    """
    why = coils_assumed(card, members)
    if not why:
        return damping
    _, low, high = _of_spring(card)
    return replace(damping, kind="assumed", ground=damping.ground | Ground.ASSUMED, low=min(low, damping.value),
                   high=max(high, damping.value), note=why, each=())  # fmt: skip


def coils_assumed(card: SpringCard | None, members: int) -> str:
    """Say what of a spring's coils the simulation has to assume; "" where its measured curve tells all."""
    if card is None:
        return ""
    if card.form == "tapered":
        return "a tapered spring is simulated as if its coils were alike"
    if len(card.members) > 1 and members < 2:
        return "a nest that was pressed as one is simulated as one spring: press its members apart"
    return ""
