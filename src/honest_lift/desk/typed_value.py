"""What is typed into the reading bar, understood: a value, an assumption with its range, or nothing; and in words."""

from __future__ import annotations

from fractions import Fraction

from msgspec import Struct

from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.fitments import STACKS
from honest_lift.facts.observation import read_word
from honest_lift.facts.place import of_spring
from honest_lift.facts.quantity import Way
from honest_lift.numbers.bounds import is_bound, parse_bounds
from honest_lift.numbers.entry import EntryError, Field, as_difference, is_rough, parse, parse_rough
from honest_lift.numbers.units import in_words, unit_of

_OTHER = {"in": "mm", "mm": "in", "lbf": "N", "N": "lbf"}


class Typed(Struct, frozen=True):
    """What was typed, in the inside unit. `value` is None for a blank; `low` and `high` belong to an assumption."""

    value: float | None
    is_assumed: bool = False
    low: float | None = None
    high: float | None = None
    note: str = ""  # typed with it: the reason of an observation
    is_bound: bool = False  # only what goes and what does not: `low` and `high` are its bounds
    at: float | None = None  # the coordinate typed with it: the height a load was read at, as in 137 at 1.765


def read_typed(session: Session, task: Task, way: Way | None, text: str, also: dict[str, str]) -> Typed:
    """Read what is typed, with what else its way asks for. Raises EntryError with a sentence."""
    row = task.row
    if row.choices:
        read = read_word(row, text)
        return Typed(None) if read is None else Typed(float(read[0]), note=read[1])
    field = Field.within(row.dimension, session.unit(row.dimension), row.physical)
    if is_rough(text):
        rough = parse_rough(text, field)
        return Typed(rough.value, True, rough.low, rough.high)
    if is_bound(text):
        return _bound(task, way, text, field)
    if row.at == HEIGHT:
        return _at_height(session, task, way, text, field)
    if way is None or not way.asked:
        return Typed(parse(text, field))
    return Typed(_with_asked(session, task, way, text, also))


def _bound(task: Task, way: Way | None, text: str, field: Field) -> Typed:
    """Read what goes and what does not."""
    if task.row.at or task.quantity in STACKS or (way is not None and way.asked):
        name = f"{task.title[:1].upper()}{task.title[1:]}"
        raise EntryError(f"{name} is read as a figure: what goes and what does not is not enough.")
    read = parse_bounds(text, field)
    ends = [one for one in (read.low, read.high) if one is not None]
    return Typed(sum(ends) / len(ends), low=read.low, high=read.high, is_bound=True)


HEIGHT = "test_height"


def _at_height(session: Session, task: Task, way: Way | None, text: str, field: Field) -> Typed:
    """Read a load that may say the height it was read at, whatever heights the set is pressed at: `137 at 1.765`."""
    load, named, height = text.partition(" at ")
    row = CATALOG[HEIGHT]
    at = (
        parse(height, Field.within(row.dimension, session.unit(row.dimension), row.physical))
        if named
        else task.height_mm
    )
    value = parse(load, field)
    if value is not None and not named and way is not None and way.squeezes:
        raise EntryError(
            f"“{text.strip()}” lacks the height the tester showed, over spring and parts: type both, as in 137 at 1.825."
        )
    if value is not None and at is None:
        raise EntryError(f"“{text.strip()}” lacks the height it was read at: type both, as in 137 at 1.765.")
    return Typed(value, at=at)


def _with_asked(session: Session, task: Task, way: Way, text: str, also: dict[str, str]) -> float | None:
    """Work out what the figures of one reading come to, such as a burette's end less its start."""
    row, unit = task.row, session.unit(task.row.dimension)
    high = Fraction(str(3 * row.physical[1])) / unit_of(row.dimension, unit).factor
    loose = Field(row.dimension, unit, Fraction(0), high)
    figure = parse(text, loose)
    if figure is None:
        return None
    others, told = {}, []
    for asked in way.asked:
        other = parse(also.get(asked.key, "") or asked.usual, loose)
        if other is None:
            raise EntryError(f"The {asked.title} is missing: type it into the small field beside the entry.")
        others[asked.key] = other
        told.append(f"{asked.title} {in_words(other, row.dimension, unit)}")
    total = way.comes_to(figure, others)
    low, most = row.physical
    if not low <= total <= most:
        raise EntryError(
            f"With {' and '.join(told)} this comes to {in_words(total, row.dimension, unit)}, which {row.title} can't be. "
            + ("Are start and end exchanged?" if total < low else "Check both figures.")
        )
    return total


def doubtful(session: Session, task: Task, typed: Typed) -> str:
    """Say what is unusual about what was typed, so that it is asked once; "" for nothing."""
    if typed.is_assumed and typed.low is None:
        return "An assumption without a range can neither pass nor fail. Add one, as in ~1.8 ±.05; Enter again takes it without."
    low, high = task.row.plausible
    value = typed.value or 0.0
    if question := unlike_the_engine(session, task.quantity, value):
        return question
    if low <= value <= high:
        return ""
    dimension, unit = task.row.dimension, session.unit(task.row.dimension)
    given, *span = (in_words(one, dimension, unit) for one in (value, low, high))
    return f"{given} is unusual for {task.title}, mostly {span[0]} to {span[1]}. Enter again takes it."


def unlike_the_engine(session: Session, quantity: str, value: float) -> str:
    """Say what does not go together with the engine as it is stated, so that it is asked once; "" for nothing."""
    if quantity == "lash" and value > 0 and session.engine.lifter.startswith("hydraulic"):
        return (
            "The lifters are stated as hydraulic, which run without lash. Is it read with solid ones for checking, or is the "
            "lifter stated wrongly (Engine)? Enter again takes it."
        )
    return ""


def read_two_ways(session: Session, task: Task, typed: Typed, text: str) -> str:
    """Say that a dash may be a minus, where both readings are plausible, so that it is asked once; "" where it is plain."""
    row = task.row
    field = Field.within(row.dimension, session.unit(row.dimension), row.physical)
    other = as_difference(text, field)
    low, high = row.plausible
    if other is None or not (low <= other <= high and low <= (typed.value or 0.0) <= high):
        return ""
    unit = session.unit(row.dimension)
    mixed, less = (in_words(one, row.dimension, unit) for one in (typed.value or 0.0, other))
    whole, _, rest = text.strip().partition("-")
    return f"“{text.strip()}” is read as {mixed}, and not as {less}. Enter again takes it; the difference is {whole}.0-{rest}."


def understood_words(session: Session, task: Task, way: Way | None, typed: Typed, text: str) -> str:
    """Say what was understood: in both systems, or beside the unit it was typed in, and what has to come off or be added."""
    if typed.value is None:
        return ""
    if task.row.choices:
        choice = task.row.choices[int(typed.value)]
        return f"{choice.key}: {choice.says}"
    dimension, unit = task.row.dimension, session.unit(task.row.dimension)
    words = in_words(typed.value, dimension, unit)
    if typed.is_assumed:
        return _assumed_words(session, task, typed)
    if typed.is_bound:
        return _bound_words(session, task, typed)
    own = text.partition(" at ")[0].strip()
    if any(one.isalpha() for one in own.replace("x", "").replace("X", "")) and not (way and way.asked):
        words = f"{own} = {words}"
    elif other := _OTHER.get(unit):
        words += f" = {in_words(typed.value, dimension, other)}"
    if typed.at is not None:
        words += f" at {in_words(typed.at, 'length', session.unit('length'))}{_less_beside(session, way, typed.at)}"
    if task.quantity != "installed_height" or not session.position or way is None:
        return words
    from honest_lift.estimates.spring.heights import corrected

    height, parts = corrected(session.book, way.key, session.position, typed.value)
    if not parts:
        return words
    signs = {quantity: sign for sign, quantity in way.corrections}
    taken = ", ".join(
        f"{'less' if signs[one.quantity] < 0 else 'plus'} {one.title} {in_words(one.value, 'length', unit)}"
        for one in parts
    )
    return f"{words}; {taken}: {in_words(height, 'length', unit)}"


def _less_beside(session: Session, way: Way | None, shown_mm: float) -> str:
    """Say what comes off the height a tester shows, where parts were pressed with the spring; "" where none were."""
    if way is None or not way.squeezes or not session.spring:
        return ""
    from honest_lift.estimates.resolve import resolve

    parts, unit = resolve(session.book, way.squeezes, of_spring(session.spring)), session.unit("length")
    if parts.value != parts.value:
        return f" on the tester; {parts.title}: not stated yet, and until it is the load proves nothing"
    own = in_words(shown_mm - parts.value, "length", unit)
    return f" on the tester, less {in_words(parts.value, 'length', unit)}: {own} of spring"


def _bound_words(session: Session, task: Task, typed: Typed) -> str:
    dimension, unit = task.row.dimension, session.unit(task.row.dimension)
    low, high = ("" if one is None else in_words(one, dimension, unit) for one in (typed.low, typed.high))
    words = f"between {low} and {high}" if low and high else f"more than {low}" if low else f"less than {high}"
    return f"{words}: it proves that, and nothing nearer"


def _assumed_words(session: Session, task: Task, typed: Typed) -> str:
    dimension, unit = task.row.dimension, session.unit(task.row.dimension)
    words = f"assumed {in_words(typed.value, dimension, unit)}"
    if typed.low is None or typed.high is None:
        return f"{words}, without a range. Add one, as in ~1.8 ±.05 or ~1.75 to 1.85."
    low, high = (in_words(end, dimension, unit) for end in (typed.low, typed.high))
    return f"{words}, from {low} to {high}. What rests on it never passes."
