"""Edits of valves with numbers: naming the one that is there, putting one into a seat, exchanging two.

What was read of a valve alone goes where the valve goes; what was read of valve and seat stays with the seat, and counts again when
that valve is back in it and neither was worked on.
"""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Edit, EditError, fitment, new_id, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.journal import AnyEntry, Moved
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.place import Place, at_position, position_title
from honest_lift.facts.staleness import depends_on, is_stale
from honest_lift.facts.which_valve import EXCHANGED, NUMBERED, PUT, VALVE, place_of_valve, valve_at, valve_of

_LONGEST = 12


class NumberValves(Edit, frozen=True):
    """Say which valve sits where; nothing is changed by it. `numbers`: position to number."""

    numbers: dict[str, str]

    @property
    def sentence(self) -> str:
        """Say what is numbered."""
        first = next(iter(self.numbers))
        if len(self.numbers) == 1:
            return f"valve of {position_title(first)} is number {self.numbers[first]}"
        return f"{len(self.numbers)} valves numbered"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the numbers. Raises EditError where a number is none, or another valve's."""
        engine, told = book.engine, [one.strip() for one in self.numbers.values()]
        if wrong := [one for one in told if not one or len(one) > _LONGEST]:
            raise EditError(f"“{wrong[0]}”: a valve's number is a few figures or letters, as in 7 or A2.")
        twice = [one for one in told if told.count(one) > 1]
        there = [
            one for at, one in self.numbers.items() if place_of_valve(engine.fitments, one.strip()) not in ("", at)
        ]
        if twice or there:
            raise EditError(f"Valve {(twice or there)[0]} would sit at two places: each number is one valve's.")
        made = tuple(
            fitment(engine, VALVE, at, part=number.strip(), change=NUMBERED, note="numbered")
            for at, number in self.numbers.items() if valve_at(engine.fitments, at) != number.strip()
        )  # fmt: skip
        return _with(engine, made), ()


class PutValves(Edit, frozen=True):
    """Put valves into seats. `places`: position to the valve's number; a valve that sat elsewhere leaves there."""

    places: dict[str, str]

    @property
    def sentence(self) -> str:
        """Say which valve goes where."""
        return ", ".join(f"valve {number} into {position_title(at)}" for at, number in self.places.items())

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append fitments, and take along what was read of the valves alone."""
        engine = book.engine
        if wrong := [one for one in self.places.values() if not one.strip() or len(one.strip()) > _LONGEST]:
            raise EditError(f"“{wrong[0]}”: a valve's number is a few figures or letters, as in 7 or A2.")
        before = {number: place_of_valve(engine.fitments, number) for number in self.places.values()}
        for at, number in self.places.items():
            if (was := before[number]) and at_position(was).role != at_position(at).role:
                raise EditError(
                    f"Valve {number} is an {at_position(was).role} valve, and {position_title(at)} takes none."
                )
        swapped = set(before.values()) == set(self.places)
        left = [at for at in before.values() if at and at not in self.places]
        made = tuple(
            fitment(engine, VALVE, at, part=number, change=EXCHANGED if swapped else PUT, note=f"valve {number} put in")
            for at, number in self.places.items()
        ) + tuple(fitment(engine, VALVE, at, part="", change=PUT, note="its valve was taken out") for at in left)  # fmt: skip
        after = _with(engine, made)
        return after, tuple(one for at, number in self.places.items() for one in _along(book, after, number, at))


def exchange_valves(engine: Engine, one: str, other: str) -> PutValves:
    """Give the edit that exchanges the valves of two positions. Raises EditError where one of them has no number."""
    numbers = {at: valve_at(engine.fitments, at) for at in (one, other)}
    if lacking := [at for at, number in numbers.items() if not number]:
        raise EditError(f"The valve of {position_title(lacking[0])} has no number: number the valves first.")
    return PutValves({one: numbers[other], other: numbers[one]})


def of_the_valve_alone(quantity: str, way: str) -> bool:
    """Tell whether a reading taken this way rests on its valve and on nothing else."""
    found = CATALOG[quantity].way(way)
    return found is not None and found.depends == (VALVE,) and not CATALOG[quantity].pair


def _along(book: Book, after: Engine, number: str, at: str) -> list[Moved]:
    """Give the moves of what was read of a valve alone, where it counts, from wherever it was read to where it now sits."""
    own = [
        one
        for one in standing(book.journal)
        if not one.fate and _is_of(book.engine, one, number) and one.place.name != at
    ]
    return [
        Moved(new_id(), now(), after.hand, one.reading.id, to, depends_on(after, one.reading.quantity, one.reading.way, to))
        for one in own if not is_stale(_back_in(book.engine, one, number), one)
        for to in [Place("position", at, one.place.member)]
    ]  # fmt: skip


def _is_of(engine: Engine, one: Standing, number: str) -> bool:
    if one.place.kind != "position" or not of_the_valve_alone(one.reading.quantity, one.reading.way):
        return False
    return valve_of(engine.fitments, one.place.name, one.depends_on.get(VALVE, "")) == number


def _back_in(engine: Engine, one: Standing, number: str) -> Engine:
    """Give the engine with a valve back where a reading of it was taken: what is stale even then was worked on since."""
    return _with(engine, (fitment(engine, VALVE, one.place.name, part=number, change=PUT),))


def _with(engine: Engine, made: tuple[Fitment, ...]) -> Engine:
    return replace(engine, fitments=engine.fitments + made)
