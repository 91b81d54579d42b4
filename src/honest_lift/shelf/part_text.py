"""One cell of a part as it is typed or stands in a file: read into its figure, text or yes and no, or refused with a sentence."""

from __future__ import annotations

import re

from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.formula_cell import is_formula
from honest_lift.numbers.units import Unit, unit_of, units_of
from honest_lift.shelf.kinds import FLAG, MOST_LETTERS, TEXT, Column

_PLAIN = re.compile(r"[+-]?(\d+\.?\d*|\.\d+)", re.ASCII)
_YES, _NO = ("yes", "y", "true", "1"), ("no", "n", "false", "0")


def read_cell(text: str, column: Column, unit: str) -> float | str | bool | None:
    """Read a cell as its column wants it, figures in `unit` where they say none; None for a blank.

    Raises EntryError saying what was given, what is wrong and what would be right.
    """
    text = text.strip()
    if not text:
        return None
    if column.dimension == TEXT:
        return read_text(text)
    if column.dimension == FLAG:
        if text.lower() in _YES or text.lower() in _NO:
            return text.lower() in _YES
        raise EntryError(f"“{shown(text)}” is neither yes nor no.")
    if _PLAIN.fullmatch(text) and len(text) < 16:
        return _plain(text, column, unit)
    try:
        return parse(text, Field.within(column.dimension, unit, column.inside))
    except EntryError:
        if text.startswith("="):
            raise EntryError(
                f"“{shown(text)}” is a formula: type the figure it gives. Formulas are never run."
            ) from None
        raise


def _plain(text: str, column: Column, unit: str) -> float:
    """Read a plain decimal: what tens of thousands of cells are, without the grammar of sums and fractions."""
    own = unit_of(column.dimension, unit)
    value = float(text) * float(own.factor) + float(own.zero)
    low, high = column.inside
    if not low - 1e-9 <= value <= high + 1e-9:
        raise EntryError(
            f"{text} {own.symbol} is out of range: {column.title} lies between {_in(low, own)} and {_in(high, own)} {own.symbol}"
            ". Is the unit in the header right?"
        )
    return value


def _in(value: float, own: Unit) -> str:
    return f"{(value - float(own.zero)) / float(own.factor):g}"


def read_text(text: str) -> str:
    """Read a text. Raises EntryError for one that a spreadsheet would run, is too long, or holds what can't be printed."""
    if is_formula(text):
        raise EntryError(f"“{shown(text)}” begins like a formula of a spreadsheet: begin it with a letter or a figure.")
    if len(text) > MOST_LETTERS:
        raise EntryError(f"a text of {len(text)} letters is too long: up to {MOST_LETTERS}.")
    if not text.isprintable():
        raise EntryError(f"“{shown(text)}” holds a character that can't be printed.")
    return text


def shown(text: str) -> str:
    """Give a given text as it can be shown in a sentence: short, and printable."""
    plain = "".join(one if one.isprintable() else "�" for one in text[:41])
    return plain if len(text) <= 40 else plain[:40] + "…"


def read_header(text: str, column: Column) -> str:
    """Read the unit of a header such as `seat_height [in]`; "" where the column has none. Raises EntryError."""
    given = text.partition("[")[2].rstrip("] ").strip()
    known = units_of(column.dimension) if column.is_figure else ()
    if not column.has_unit:
        if given:
            raise EntryError(f"“{shown(text)}”: {column.title} has no unit.")
        return ""
    found = next((one for one in known if given in (one.symbol, *one.spellings)), None)
    symbols = ", ".join(dict.fromkeys(one.symbol for one in known))
    if not given:
        raise EntryError(f"“{shown(text)}” says no unit: write {column.key} [{known[0].symbol}], or one of {symbols}.")
    if found is None:
        raise EntryError(f"“{shown(text)}”: “{shown(given)}” is no unit of {column.title}: {symbols}.")
    return found.symbol
