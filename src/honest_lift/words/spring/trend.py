"""The seat-load trend in words: each spring's state, and what all of them together say of the day's tool."""

from __future__ import annotations

from math import exp, isfinite

from honest_lift.estimates.spring.seat_trend import Flag, OfSpring, SeatTrend
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words

RULE = (
    "Each spring against its own settled baseline, less what all of them moved by that day. More than 7 percent down asks for "
    "three readings of it and of three neighbours; 6 percent down then is a loss; 10 percent, replace it. Flags, no verdicts: a "
    "lever tester shows a change and proves no load."
)
_FEW = (
    "Fewer than three valves with a baseline were read on the last day: what the tool is off by is still in. Read a reference "
    "spring beside them."
)
_ODD_DAY = 0.04


def spring_words(one: OfSpring) -> str:
    """Say how a spring goes: `2 exhaust, spring 7: 91 percent of its baseline: replace it`."""
    where = position_title(one.position) if one.position else "on the bench"
    kept = f"{100.0 * one.kept:.0f} percent of its baseline: " if isfinite(one.kept) else ""
    name = "" if one.spring.startswith("at ") else f", spring {one.spring}"
    return f"{where}{name}: {kept}{one.flag.value}."


def kept_words(one: OfSpring) -> str:
    """Say what a spring kept of its baseline, `91 %`; "" where it has none yet."""
    return f"{100.0 * one.kept:.0f} %" if isfinite(one.kept) else ""


def trend_lines(trend: SeatTrend, engine: Engine) -> tuple[str, ...]:
    """Say what the trend comes to: the springs that ask for something, or that none does; and a day on which all moved."""
    if not trend.springs:
        return (
            "Nothing was read on the engine yet. Read every valve right after assembly: later loss shows against that.",
            RULE,
        )
    flagged = [spring_words(one) for one in trend.flagged]
    lines = flagged or ["No spring asks for anything."]
    still = [one for one in trend.springs if one.flag in (Flag.SETTLING, Flag.BASE)]
    if still:
        lines.append(f"{len(still)} still without a baseline: it takes the first running, then three days of readings.")
    if trend.keeps_the_tool_in:
        lines.append(_FEW)
    odd = [(day, moved) for day, moved in zip(trend.days, trend.median, strict=True) if abs(moved) > _ODD_DAY]
    lines += [
        f"On {day} all moved by {100.0 * (exp(moved) - 1.0):+.0f} percent together: settling, or the tool. Check the reference "
        "spring."
        for day, moved in odd
    ]
    return (*lines, RULE)


def bench_words(engine: Engine, one: OfSpring | None, bench_n: float) -> str:
    """Set the last reading on the engine beside the bench figure at the installed height; "" without both."""
    if one is None or not one.loads_n or not isfinite(bench_n):
        return ""
    unit, last = engine.unit("load"), one.loads_n[-1]
    share = round(100.0 * (last / bench_n - 1.0))
    return (
        f"Last read on the engine {in_words(last, 'load', unit)}, by the bench {in_words(bench_n, 'load', unit)} "
        f"({share:+d} percent): beside each other, and never in one curve."
    )
