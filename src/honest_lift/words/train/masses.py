"""The sheet of masses in words: what moves at a valve, what of it counts there, and what speed it is worth."""

from __future__ import annotations

from math import isfinite, sqrt

from msgspec import Struct

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import reason
from honest_lift.drawings.bars import Bar
from honest_lift.estimates.train.masses import Moving, is_asked, moving_of
from honest_lift.facts.engine import Book
from honest_lift.numbers.units import in_words

_LESS = 0.1


class MassLine(Struct, frozen=True):
    """One part that moves, in words: its mass, what counts of it, that at the valve, its share, what a tenth less is worth."""

    title: str
    mass: str
    counts: str
    at_valve: str
    share: str
    worth: str


def mass_lines(book: Book, position: str, control: Finding | None) -> tuple[MassLine, ...]:
    """Give a line a part that moves at a valve; none where no red line is stated."""
    one = _moving(book, position)
    if one is None:
        return ()
    unit = book.engine.unit("mass")
    parts = [(title, mass, counts) for title, mass, counts in _parts(one) if mass != 0.0]
    whole = sum(mass * counts for _, mass, counts in parts)
    speed = control.term("float_speed") if control else float("nan")
    lines = []
    for title, mass, counts in parts:
        own = mass * counts
        lines.append(MassLine(
            title, _say(mass, unit), f"{counts * 100:.0f} %", _say(own, unit), f"{own / whole * 100:.0f} %" if whole > 0 else "–",
            _worth(speed, whole, own * _LESS),
        ))  # fmt: skip
    return (*lines, MassLine("together", "", "", _say(whole, unit), "", f"{speed:.0f} rpm" if isfinite(speed) else "–"))


def mass_bars(book: Book, position: str, lines: tuple[MassLine, ...]) -> tuple[Bar, ...]:
    """Give each part's mass at the valve as a bar, with what a tenth less of it is worth."""
    one = _moving(book, position)
    if one is None:
        return ()
    own = {title: mass * counts for title, mass, counts in _parts(one)}
    told = [line for line in lines if line.title in own]
    worth = {line.title: f"a tenth less: {line.worth}" if line.worth != "–" else "" for line in told}
    most = max((own[line.title] for line in told), default=0.0)
    return tuple(
        Bar(line.title, own[line.title], f"{line.at_valve}, {line.share}", worth[line.title], own[line.title] == most)
        for line in told
    )


def _moving(book: Book, position: str) -> Moving | None:
    names = [one.id for one in book.engine.layout.positions]
    return moving_of(book)[names.index(position)] if position in names and is_asked(book) else None


def _parts(one: Moving) -> list[tuple[str, float, float]]:
    own = {name: each.value for name, each in one.masses.items()}
    over = 1.0 / one.ratio**2
    return [
        ("valve", own["valve_mass"], 1.0), ("retainer and locks", own["retainer_mass"], 1.0),
        ("spring", own["spring_mass"], own["spring_share"]),
        ("rocker or follower, at the valve", own["rocker_at_valve"], 1.0),
        ("pushrod, over the ratio squared", own["pushrod_mass"], over), ("lifter or bucket", own["lifter_mass"], over),
    ]  # fmt: skip


def _say(value: float, unit: str) -> str:
    return in_words(value, "mass", unit) if isfinite(value) else "not known"


def _worth(speed: float, whole: float, less: float) -> str:
    """Say what less mass is worth: the speed goes with one over the root of the mass."""
    if not (isfinite(speed) and isfinite(less) and whole > less):
        return "–"
    return f"+{speed * (sqrt(whole / (whole - less)) - 1.0):.0f} rpm"


def float_words(book: Book, position: str, control: Finding | None) -> tuple[str, ...]:
    """Say at what speed a valve floats, or what is missing."""
    if control is None:
        return ("State the red line under Engine and parts, Masses: without it valve float is not checked.",)
    lost, red = control.term("float_speed"), control.term("red_line")
    lines = (
        [f"Valve float at about {round(lost, -2):,.0f} rpm, the red line is {red:,.0f} rpm."] if isfinite(lost) else []
    )
    return (*lines, reason(control, book.engine))
