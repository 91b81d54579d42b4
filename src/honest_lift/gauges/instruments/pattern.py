"""What a line of an instrument means: where its number, sign and unit stand. A line that is not wholly so gives no value.

What a gauge shows is kept as it was sent, to the last zero: its text is what the reading says it was read as.
"""

from __future__ import annotations

import re
from typing import Literal

from msgspec import Struct

from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import units_of

LONGEST = 60  # characters: a longer line is no figure of a gauge


class Shown(Struct, frozen=True):
    """What a gauge showed: its figure as sent, such as -0.05, its unit, and how many decimals it showed."""

    figure: str
    unit: str

    @property
    def text(self) -> str:
        """Give it as a person would type it.

        >>> Shown("46.10", "mm").text
        '46.10 mm'
        """
        return f"{self.figure} {self.unit}".strip()

    @property
    def value(self) -> float:
        """Give the figure, in its own unit."""
        return float(self.figure)

    @property
    def step(self) -> float:
        """Give its last digit's step, in its own unit.

        >>> Shown("46.10", "mm").step
        0.01
        """
        return float(10.0 ** -len(self.figure.partition(".")[2]))


class Pattern(Struct, frozen=True, forbid_unknown_fields=True):
    """Where number, sign and unit stand in a line.

    `dimension`: what the instrument measures, for kg is a load on one and a mass on another. `before`, `after`: fixed signs round
    the figure and its unit, as they are sent. `sign`: where the sign stands; one that is `must`, stands in every line. `digits`:
    how many there are, 0 for any number; `decimals`: how many of them behind the point, None for any. `point`: whether the point
    is sent, or left to be put before the last `decimals`. `unit`: the unit of a line that names none, "" where every line names
    its own. `codes`: words for units that are the gauge's own, such as I for in.
    """

    dimension: str = "length"
    before: str = ""
    after: str = ""
    sign: Literal["may", "must", "behind"] = "may"
    digits: int = 0
    decimals: int | None = None
    point: bool = True
    unit: str = ""
    codes: dict[str, str] = {}

    def read(self, line: str) -> Shown | str:
        """Give what a line shows, or why it shows nothing.

        >>> Pattern().read("-0.05 mm")
        Shown(figure='-0.05', unit='mm')
        >>> Pattern(sign="must", digits=6, decimals=3, point=False, unit="in").read("+001815")
        Shown(figure='1.815', unit='in')
        >>> Pattern().read("12.312.345 mm")
        'it is not a number and a unit'
        """
        if len(line) > LONGEST:
            return f"it is longer than {LONGEST} signs"
        found = _framed(self.before, self.after).fullmatch(line)
        if found is None:
            return f"it lacks what stands round every figure: {f'{self.before} … {self.after}'.strip()}"
        return self._figure_and_unit(found["middle"].strip())

    def _figure_and_unit(self, text: str) -> Shown | str:
        found = _BEHIND.fullmatch(text) if self.sign == "behind" else _BEFORE.fullmatch(text)
        if found is None:
            return "it is not a number and a unit"
        digits, sign = found["digits"], found["sign"] or ""
        if self.sign == "must" and not sign:
            return "its sign is missing: the line may have been cut"
        if why := self._digits_amiss(digits):
            return why
        word = found["unit"].strip()
        unit = self._unit_of(word)
        if unit is None:
            return f"“{word}” is no unit of {self.dimension}"
        if not unit:
            return "it names no unit, and none is set for this instrument"
        return Shown(_tidy(sign, digits, 0 if self.point else self.decimals or 0), unit)

    def _digits_amiss(self, digits: str) -> str:
        """Say what is wrong with the digits; "" for nothing."""
        whole, dot, behind = digits.replace(",", ".").partition(".")
        count = len(whole) + len(behind)
        if self.digits and count != self.digits:
            return f"it has {count} digits where there are {self.digits}: the line may have been cut"
        if self.point and self.decimals is not None and len(behind) != self.decimals:
            return f"it has {len(behind)} decimals where there are {self.decimals}: the line may have been cut"
        if not self.point and (dot or count <= (self.decimals or 0)):
            return "it has a point where none is sent" if dot else "it has too few digits: the line may have been cut"
        return ""

    def _unit_of(self, word: str) -> str | None:
        """Give the unit a word stands for; the one that is set for no word; None for a word nobody knows."""
        if not word:
            return self.unit
        if word in self.codes:
            return self.codes[word]
        known = next(
            (one for one in units_of(self.dimension) if word.lower() in one.spellings or word == one.symbol), None
        )
        return known.symbol if known else None


_BEFORE = re.compile(r"(?P<sign>[+-]?) ?(?P<digits>[0-9]+(?:[.,][0-9]*)?|[.,][0-9]+)(?P<unit>[^0-9+\-.,]*)", re.ASCII)
_BEHIND = re.compile(r"(?P<digits>[0-9]+(?:[.,][0-9]*)?|[.,][0-9]+)(?P<sign>[+-]?)(?P<unit>[^0-9+\-.,]*)", re.ASCII)


def _framed(before: str, after: str) -> re.Pattern[str]:
    return re.compile(f"{re.escape(before)}(?P<middle>.*){re.escape(after)}", re.DOTALL)


def _tidy(sign: str, digits: str, implied: int) -> str:
    """Write a figure as it is typed: a point, no zeros that only fill the field, a minus where there is one."""
    digits = digits.replace(",", ".")
    if implied:
        digits = f"{digits[:-implied]}.{digits[-implied:]}"
    whole, dot, behind = digits.partition(".")
    return f"{'-' if sign == '-' else ''}{whole.lstrip('0') or '0'}{dot if behind else ''}{behind}"


def learned_from(line: str, dimension: str, unit: str) -> Pattern:
    """Give the strictest pattern that a line a gauge sent would fit; `unit`: what it reads in where the line names none.

    Raises MendableError for a line with no figure in it, or with two.

    >>> learned_from("CH +012.345 mm OK", "length", "").read("CH -000.050 mm OK")
    Shown(figure='-0.050', unit='mm')
    """
    line = line.strip()
    figures = list(_FIGURE.finditer(line))
    if len(figures) != 1:
        said = "no figure" if not figures else f"{len(figures)} figures"
        raise MendableError(f"“{line[:LONGEST]}” has {said} in it: set by hand what stands round the one that is read.")
    figure = figures[0][0]
    digits = figure.lstrip("+-").replace(",", ".")
    word, after = _unit_word(line[figures[0].end() :], dimension)
    filled = digits[:1] == "0" and digits[1:2].isdigit()  # zeros fill the field, so that its length is fixed
    made = Pattern(
        dimension, line[: figures[0].start()].strip(), after, "must" if figure[0] == "+" else "may",
        len(digits.replace(".", "")) if filled else 0, len(digits.partition(".")[2]), unit="" if word else unit,
    )  # fmt: skip
    shown = made.read(line)
    if isinstance(shown, str):
        raise MendableError(f"“{line[:LONGEST]}”: {shown}. Choose the unit it reads in.")
    return made


_FIGURE = re.compile(r"[+-]?[0-9]*[.,][0-9]+|[+-]?(?<![A-Za-z0-9.,])[0-9]+", re.ASCII)


def _unit_word(rest: str, dimension: str) -> tuple[str, str]:
    """Part what stands behind a figure into the word for its unit, "" for none, and the rest."""
    word, _, after = rest.strip().partition(" ")
    return (word, after.strip()) if Pattern(dimension)._unit_of(word) else ("", rest.strip())
