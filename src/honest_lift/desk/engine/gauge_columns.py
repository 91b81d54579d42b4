"""What is set up of a gauge, a column each: its port, what its lines mean, when and how a figure counts."""

from __future__ import annotations

from typing import Any

from msgspec.structs import replace

from honest_lift.desk.record_table import Column, text_column
from honest_lift.desk.session import Session
from honest_lift.gauges.instruments.instrument import SPEEDS, Instrument
from honest_lift.gauges.instruments.pattern import Pattern
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.units import units_of

_DIMENSIONS = ("length", "load", "volume", "angle", "mass", "time", "torque", "pressure", "temperature", "flow")
_SENDS = ("a line at a time", "all the time")
_TAKES = ("Enter", "the gauge")
_FRAMES = ("8N", "8E", "8O", "7E", "7O", "7N")
_SIGNS = {"may": "where it is", "must": "in every line", "behind": "behind it"}
_POINTS = {True: "sent", False: "not sent"}


def gauge_columns(session: Session) -> list[Column]:
    """Give the columns, the most wanted first."""
    return [
        text_column("name", "name", width=150),
        Column("port", lambda one: one.port, lambda one, text: replace(one, port=text.strip()), choices_of=lambda one: _ports(),
               width=170),
        Column("measures", lambda one: one.pattern.dimension, _put_dimension, lambda: _DIMENSIONS, width=88),
        Column("unit, if none is sent", lambda one: one.pattern.unit, _put_unit,
               choices_of=lambda one: ["", *(unit.symbol for unit in units_of(one.pattern.dimension))], width=120),
        Column("baud", lambda one: str(one.speed), lambda one, text: replace(one, speed=_whole(text, "a speed")),
               lambda: list(map(str, SPEEDS)), right=True, width=70),
        Column("sends", lambda one: _SENDS[one.streams], lambda one, text: replace(one, streams=text == _SENDS[1]),
               lambda: _SENDS, width=118),
        text_column("is asked by", "asks", width=80),
        Column("taken by", lambda one: _TAKES[one.takes_itself], lambda one, text: replace(one, takes_itself=text == _TAKES[1]),
               lambda: _TAKES, width=84),
        Column("tool in the drawer", lambda one: one.tool, lambda one, text: replace(one, tool=text.strip()),
               choices_of=lambda one: ["", *(tool.name for tool in session.engine.tools)], width=170),
        Column("zero after", lambda one: str(one.zero_after),
               lambda one, text: replace(one, zero_after=_whole(text, "a number of readings")), right=True, width=76),
        Column("frame", lambda one: f"{one.bits}{one.parity}", _put_frame, lambda: _FRAMES, width=60),
        Column("sign", lambda one: _SIGNS[one.pattern.sign], _put_sign, lambda: list(_SIGNS.values()), width=92),
        Column("digits", lambda one: str(one.pattern.digits or "any"), _put_digits, right=True, width=60),
        Column("decimals", lambda one: "any" if one.pattern.decimals is None else str(one.pattern.decimals), _put_decimals,
               right=True, width=70),
        Column("point", lambda one: _POINTS[one.pattern.point], _put_point, lambda: list(_POINTS.values()), width=84),
        Column("unit letters", lambda one: " ".join(f"{code}={unit}" for code, unit in one.pattern.codes.items()), _put_codes,
               width=110),
        _framing("before", "before it"), _framing("after", "behind it"),
        Column("on", lambda one: "on" if one.is_on else "off", lambda one, text: replace(one, is_on=text == "on"),
               lambda: ("on", "off"), width=50),
    ]  # fmt: skip


def _ports() -> list[str]:
    from honest_lift.gauges.line import ports

    return ["", *ports()]


def _whole(text: str, what: str) -> int:
    plain = text.strip()
    if not (plain.isascii() and plain.isdigit() and len(plain) < 8):
        raise EntryError(f"“{text}” is not {what}: a whole number is wanted.")
    return int(plain)


def _put_dimension(one: Instrument, text: str) -> Instrument:
    return replace(one, pattern=replace(one.pattern, dimension=text, unit="", codes={}))


def _put_unit(one: Instrument, text: str) -> Instrument:
    known = [unit.symbol for unit in units_of(one.pattern.dimension)]
    if text.strip() and text.strip() not in known:
        raise EntryError(f"“{text}” is no unit of {one.pattern.dimension}: {', '.join(known)}.")
    return replace(one, pattern=replace(one.pattern, unit=text.strip()))


def _put_decimals(one: Instrument, text: str) -> Instrument:
    if text.strip() in ("", "any"):
        return replace(one, pattern=replace(one.pattern, decimals=None))
    count = _whole(text, "a number of decimals")
    if count > 6:
        raise EntryError(f"“{text}”: a gauge shows up to 6 decimals.")
    return replace(one, pattern=replace(one.pattern, decimals=count))


def _put_frame(one: Instrument, text: str) -> Instrument:
    return replace(one, bits=int(text[0]), parity=text[1])


def _put_sign(one: Instrument, text: str) -> Instrument:
    sign = next(key for key, words in _SIGNS.items() if words == text)
    return replace(one, pattern=replace(one.pattern, sign=sign))


def _put_point(one: Instrument, text: str) -> Instrument:
    if text == _POINTS[False] and not one.pattern.decimals:
        raise EntryError(
            "A gauge that sends no point needs its decimals first: how many of its digits stand behind it."
        )
    return replace(one, pattern=replace(one.pattern, point=text == _POINTS[True]))


def _put_digits(one: Instrument, text: str) -> Instrument:
    count = 0 if text.strip() in ("", "any") else _whole(text, "a number of digits")
    if count > 12:
        raise EntryError(f"“{text}”: a gauge shows up to 12 digits.")
    return replace(one, pattern=replace(one.pattern, digits=count))


def _put_codes(one: Instrument, text: str) -> Instrument:
    """Read the gauge's own letters for units: `I=in M=mm`."""
    known = [unit.symbol for unit in units_of(one.pattern.dimension)]
    codes: dict[str, str] = {}
    for pair in text.split():
        code, _, unit = pair.partition("=")
        if not code or unit not in known:
            raise EntryError(f"“{pair}”: write the gauge's letter and the unit it stands for, as in M={known[0]}.")
        codes[code] = unit
    return replace(one, pattern=replace(one.pattern, codes=codes))


def _framing(field: str, title: str) -> Column:
    def get(one: Any) -> str:
        return str(getattr(one.pattern, field))

    def put(one: Any, text: str) -> Any:
        pattern: Pattern = replace(one.pattern, **{field: text.strip()})
        return replace(one, pattern=pattern)

    return Column(title, get, put, width=76)
