"""What people type, read as a number: `1.783`, `1 25/32`, `45.35 mm`, `37 thou`, `1.865-.085`, `2x.030`.

    entry  := blank | [sign] term { op term }              op, sign := '+' | '-'
    term   := [ count ('x' | '*') ] number [ unit ]        count := 1..9
    number := decimal | fraction | mixed | comma form

Exact fractions inside; the value leaves as a float of the inside unit. Python's own `float` is not used on
typed text: it takes `nan`, `1_800`, `1e3` and digits of other scripts, and people mistype all of them.
"""

from __future__ import annotations

import re
from fractions import Fraction
from functools import cache
from itertools import product

from msgspec import Struct

from honest_lift.numbers.examples import EXAMPLES
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.out_of_range import out_of_range
from honest_lift.numbers.units import LENGTH, TEMPERATURE, TURNS, UNITS, Unit, unit_of

_LONGEST = 80
_DENOMINATORS = {
    LENGTH: ({2, 4, 8, 16, 32, 64, 128}, "a rule is divided in 2, 4, 8, 16, 32, 64 or 128"),
    TURNS: ({2, 3, 4, 6, 8, 12, 16, 24}, "a turn is divided in 2, 3, 4, 6, 8, 12, 16 or 24"),
}
_VULGAR = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
_PLAIN = str.maketrans(
    {
        "–": "-",
        "−": "-",
        "—": "-",
        "″": '"',
        "”": '"',
        "“": '"',
        "×": "x",
        "\u00a0": " ",
        "\u202f": " ",
        "\t": " ",
    }
)

_COUNT = re.compile(r"([1-9]) *[xX*] *")
_MIXED_SPACE = re.compile(r"([0-9]+) +([0-9]+)/([0-9]+)(?![0-9])")
_MIXED_DASH = re.compile(r"([0-9]+)-([0-9]+)/([0-9]+)(?![0-9])")
_FRACTION = re.compile(r"([0-9]+)/([0-9]+)(?![0-9])")
_THOUSANDS = re.compile(r"[0-9]{1,3}(?:,[0-9]{3})+\.[0-9]+(?![0-9,.])")
_COMMA = re.compile(r"([0-9]*),([0-9]+)(?![0-9,.])")
_PLAIN_DECIMAL = re.compile(r"[0-9]+(?:\.[0-9]+)?|\.[0-9]+")
_DECIMAL = re.compile(r"[0-9]+\.?[0-9]*|\.[0-9]+")
_ROUGH = re.compile(r" *(?:[~≈]|(?:about|approx\.?|circa|ca\.?|around) )", re.IGNORECASE)
_OFF = re.compile(r"±|\+/?-(?= *[0-9.,])")
_TO = re.compile(r"\.\.+| to ", re.IGNORECASE)
_SPELLINGS = sorted(((spelling, unit) for unit in UNITS for spelling in unit.spellings), key=lambda pair: -len(pair[0]))


class EntryError(MendableError):
    """A person's mistake in typing: the message says what was given, what is wrong and what would be right."""


class Field(Struct, frozen=True):
    """Where an entry is typed: its dimension, the unit of bare figures, and the range in that unit."""

    dimension: str
    unit: str
    lowest: Fraction | None = None
    highest: Fraction | None = None
    signed: bool = False

    @classmethod
    def within(cls, dimension: str, unit: str, inside: tuple[float, float]) -> Field:
        """Make a field whose range is given in the inside unit."""
        return _within(dimension, unit, inside)

    @property
    def own(self) -> Unit:
        """Give the unit of bare figures."""
        return unit_of(self.dimension, self.unit)


@cache
def _within(dimension: str, unit: str, inside: tuple[float, float]) -> Field:
    own = unit_of(dimension, unit)
    low, high = ((Fraction(str(end)) - own.zero) / own.factor for end in inside)
    return Field(dimension, unit, low, high, signed=low < 0)


class Rough(Struct, frozen=True):
    """A value somebody only thinks they know: `~1.8`, `about 1.8 ±.05`, `~1.75 to 1.85`. It is no reading.

    Inside unit; `low` and `high` are None where no range was typed.
    """

    value: float
    low: float | None = None
    high: float | None = None


class _Term(Struct, frozen=True):
    sign: int
    values: tuple[Fraction, ...]  # one, or two where a comma can be read two ways
    unit: Unit | None
    whole: bool  # a bare whole number: `1-13/16` hangs on it
    fraction: bool  # a plain fraction, proper or not
    inches: bool  # written with a fraction, so inches where no unit says otherwise


_NOTED = re.compile(r"#\s*[A-Za-z]{2,}")  # words behind a figure, as on a shop sheet


def parse(text: str, field: Field) -> float | None:
    """Read typed text as a value in the inside unit of the field's dimension; None for a blank.

    Raises EntryError with a sentence for everything else. Source of the grammar: common practice.

    >>> parse("1-25/32", Field("length", "in"))
    45.24375
    """
    if len(text) > _LONGEST:
        raise EntryError(f"This is {len(text)} characters long; a measurement is a short sum such as 1.865-.085.")
    plain = _normal(text)
    if not plain:
        return None
    if _NOTED.search(text):
        raise EntryError(f"“{text.strip()}”: # means pounds here. Ctrl+T writes a note on a reading.")
    if is_rough(plain):
        raise EntryError(
            f"“{text.strip()}” says of itself that it is no measurement. "
            "It can be entered as assumed, with a range, as in ~1.8 ±.05: what rests on it never passes."
        )
    if _PLAIN_DECIMAL.fullmatch(plain):  # most of what is typed
        figure, own = Fraction(plain), field.own
        total = figure * own.factor + own.zero
        is_inside = (field.lowest is None or figure >= field.lowest) and (
            field.highest is None or figure <= field.highest
        )
        return float(total if is_inside else _in_range(plain, {total}, field))
    terms = _terms(plain, field)
    _check_units(terms, field)
    totals = {
        sum(
            (Fraction(t.sign) * v * _factor(t, field, len(terms)) for t, v in zip(terms, choice, strict=True)),
            _zero(terms, field),
        )
        for choice in product(*(t.values for t in terms))
    }
    return float(_in_range(text.strip(), totals, field))


def as_difference(text: str, field: Field) -> float | None:
    """Give what `2-3/32`, which is read as two and three thirty-seconds, would be as a difference; None for anything else.

    >>> as_difference("2-3/32", Field("length", "in")), as_difference("2 3/32", Field("length", "in"))
    (48.41875, None)
    """
    plain = _normal(text)
    if not _MIXED_DASH.match(plain):
        return None
    whole, _, rest = plain.partition("-")
    try:
        return parse(f"{whole}.0-{rest}", field)
    except EntryError:
        return None


def is_rough(text: str) -> bool:
    """Tell whether typed text says of itself that it is no measurement."""
    return _ROUGH.match(text) is not None


def parse_rough(text: str, field: Field) -> Rough:
    """Read text that says of itself that it is no measurement. Raises EntryError with a sentence.

    >>> parse_rough("~1.8 ±.05", Field("length", "mm"))
    Rough(value=1.8, low=1.75, high=1.85)
    """
    whole = _ROUGH.sub("", text, count=1)
    if len(ends := _TO.split(whole)) == 2:
        low, high = (_wanted(end, field) for end in ends)
        if low > high:
            raise EntryError(f"“{text.strip()}”: the range runs backwards. Write the smaller figure first.")
        return Rough((low + high) / 2, low, high)
    around, *off = _OFF.split(whole)
    value = _wanted(around, field)
    if not off:
        return Rough(value)
    if len(off) > 1:
        raise EntryError(f"“{text.strip()}”: one range is enough, as in ~1.8 ±.05.")
    if field.dimension == TEMPERATURE:
        raise EntryError(f"Give the range of a temperature by its ends, as in ~65 to 75. {EXAMPLES[TEMPERATURE]}")
    by = _wanted(off[0], Field(field.dimension, field.unit))
    low, high = (
        float(_in_range(text.strip(), {Fraction(str(value)) + side * Fraction(str(by))}, field)) for side in (-1, 1)
    )
    return Rough(value, low, high)


def _wanted(text: str, field: Field) -> float:
    """Read a figure that must be there."""
    value = parse(text, field)
    if value is None:
        raise EntryError(
            f"A figure is missing: write it as ~1.8, ~1.8 ±.05 or ~1.75 to 1.85. {EXAMPLES[field.dimension]}"
        )
    return value


def _normal(text: str) -> str:
    for sign, written in _VULGAR.items():
        if sign not in text:
            continue
        text = re.sub(rf"(?<=[0-9]) *{sign}", f" {written}", text).replace(sign, written)
    return text.translate(_PLAIN).replace("''", '"').strip()


def _terms(text: str, field: Field) -> list[_Term]:
    terms: list[_Term] = []
    at, sign = 0, 1
    if text[0] in "+-":
        sign, at = (1 if text[0] == "+" else -1), 1
        at += len(text[at:]) - len(text[at:].lstrip())
    led = at > 0
    while True:
        term, at = _term(text, at, sign, field, alone=not terms and not led)
        if terms and sign < 0 and term.fraction and terms[-1].whole:
            first, second = text.split("-", 1)[0].strip(), text[:at].rsplit("-", 1)[1].strip()
            raise EntryError(
                f"“{text}” could be a mixed fraction or a difference. "
                f"Write “{first} {second}” for the sum, or “{first}.0-{second}” for the difference."
            )
        terms.append(term)
        before = at
        while at < len(text) and text[at] == " ":
            at += 1
        if at == len(text):
            return terms
        if text[at] not in "+-":
            raise EntryError(f"“{text}”: “{text[before:].strip()}” is not understood. {EXAMPLES[field.dimension]}")
        sign, at = (1 if text[at] == "+" else -1), at + 1
        while at < len(text) and text[at] == " ":
            at += 1


def _term(text: str, at: int, sign: int, field: Field, *, alone: bool) -> tuple[_Term, int]:
    count = 1
    if match := _COUNT.match(text, at):
        count, at = int(match[1]), match.end()
    values, at, whole, fraction, inches = _number(text, at, field, first=alone and count == 1)
    unit, at = _unit(text, at, field)
    values = tuple(count * value for value in values)
    return _Term(sign, values, unit, whole and unit is None, fraction, inches), at


def _number(text: str, at: int, field: Field, *, first: bool) -> tuple[tuple[Fraction, ...], int, bool, bool, bool]:
    """Read one number: its values, where it ends, and whether it is whole, a fraction, written in inches."""
    if match := _MIXED_SPACE.match(text, at):
        part = _part(match[2], match[3], field, proper=True)
        return (Fraction(int(match[1])) + part,), match.end(), False, False, True
    if first and (match := _MIXED_DASH.match(text, at)):
        part = _part(match[2], match[3], field, proper=True)
        if match[1].strip("0") == "":
            raise EntryError(f"“{text}”: write {match[2]}/{match[3]} without the 0, or with its sign.")
        return (Fraction(int(match[1])) + part,), match.end(), False, False, True
    if match := _FRACTION.match(text, at):
        return (_part(match[1], match[2], field, proper=False),), match.end(), False, True, True
    if match := _THOUSANDS.match(text, at):
        return (Fraction(match[0].replace(",", "")),), match.end(), False, False, False
    if match := _COMMA.match(text, at):
        return _comma(text, match), match.end(), False, False, False
    if match := _DECIMAL.match(text, at):
        return (
            (Fraction(match[0] + "0" if match[0].endswith(".") else match[0]),),
            match.end(),
            match[0].isdigit(),
            False,
            False,
        )
    rest = text[at:] or "nothing"
    raise EntryError(f"“{text}”: a figure is needed in place of “{rest}”. {EXAMPLES[field.dimension]}")


def _part(over: str, under: str, field: Field, *, proper: bool) -> Fraction:
    if field.dimension not in _DENOMINATORS:
        raise EntryError(f"{over}/{under}: fractions are read in lengths and turns only. {EXAMPLES[field.dimension]}")
    divisions, words = _DENOMINATORS[field.dimension]
    if int(under) not in divisions:
        raise EntryError(f"{over}/{under}: {words}, not in {under}.")
    if proper and int(over) >= int(under):
        raise EntryError(f"{over}/{under} after a whole number must be less than one.")
    return Fraction(int(over), int(under))


def _comma(text: str, match: re.Match[str]) -> tuple[Fraction, ...]:
    whole, rest = match[1], match[2]
    decimal = Fraction(f"{whole or 0}.{rest}")
    if len(rest) != 3 or whole in ("", "0"):
        return (decimal,)
    if 1 <= len(whole) <= 3 and whole[0] != "0":
        return (decimal, Fraction(whole + rest))
    raise EntryError(f"“{text}”: the comma can't be read as a decimal or as thousands. Write it with a point.")


def _unit(text: str, at: int, field: Field) -> tuple[Unit | None, int]:
    start = at
    while start < len(text) and text[start] == " ":
        start += 1
    if start == len(text):
        return None, at
    fitting: list[tuple[str, Unit]] = []
    for spelling, unit in _SPELLINGS:
        if text[start : start + len(spelling)].lower() != spelling:
            continue
        end = start + len(spelling)
        if end < len(text) and text[end - 1].isalpha() and (text[end].isalpha() or text[end] == "/"):
            continue
        if not fitting or len(spelling) == len(fitting[0][0]):
            fitting.append((spelling, unit))
    for spelling, unit in fitting:
        if unit.dimension == field.dimension:
            return unit, start + len(spelling)
    if fitting:
        raise EntryError(
            f"“{text}”: {fitting[0][1].symbol} is a unit of {fitting[0][1].dimension}, and this is a "
            f"{field.dimension} field. {EXAMPLES[field.dimension]}"
        )
    return None, at


def _check_units(terms: list[_Term], field: Field) -> None:
    if len(terms) == 1 or all(term.unit for term in terms):
        return
    inch_field = field.dimension != LENGTH or field.own.system == "inch"
    bare_fraction = any(term.inches and term.unit is None for term in terms) and not inch_field
    foreign = any(term.unit and term.unit.system != field.own.system for term in terms)
    if foreign or bare_fraction:
        raise EntryError(
            f"Some figures carry a unit or a fraction of the other system and some carry none: "
            f"write the unit on each. Bare figures here are in {field.unit}."
        )


def _factor(term: _Term, field: Field, count: int) -> Fraction:
    if term.unit:
        return term.unit.factor
    if term.inches and count == 1 and field.dimension == LENGTH:
        return unit_of(LENGTH, "in").factor
    return field.own.factor


def _zero(terms: list[_Term], field: Field) -> Fraction:
    """Give where the zero of a temperature's unit lies; the sum of two temperatures is none."""
    if field.dimension != TEMPERATURE:
        return Fraction(0)
    if len(terms) > 1:
        raise EntryError(f"Temperatures are not added or taken from each other. {EXAMPLES[TEMPERATURE]}")
    return (terms[0].unit or field.own).zero


def _in_range(text: str, totals: set[Fraction], field: Field) -> Fraction:
    lowest, highest = field.lowest, field.highest
    bounded = lowest is not None or highest is not None

    def own(total: Fraction) -> Fraction:
        return (total - field.own.zero) / field.own.factor

    def inside(total: Fraction) -> bool:
        return (lowest is None or own(total) >= lowest) and (highest is None or own(total) <= highest)

    fitting = [total for total in totals if inside(total)]
    if len(totals) > 1 and (not bounded or len(fitting) != 1):
        readings = " or ".join(f"{float(own(t)):g}" for t in sorted(totals))
        raise EntryError(
            f"“{text}” can be read as {readings} {field.unit}. Write it with a point, or without the comma."
        )
    total = fitting[0] if fitting else next(iter(totals))
    if not fitting:
        raise EntryError(out_of_range(text, own(total), field.own, lowest, highest, inside))
    if own(total) < 0 and not field.signed and field.dimension != TEMPERATURE:
        raise EntryError(f"{float(own(total)):g} {field.unit}: this cannot be negative.")
    return total
