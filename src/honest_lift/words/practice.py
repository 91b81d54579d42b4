"""Practice in words: what was found and missed, what it would have cost, and how one gets on."""

from __future__ import annotations

from collections.abc import Iterable

from honest_lift.facts.place import at_cylinder, at_position
from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.judge import Judgement, Marked
from honest_lift.gauges.practice.progress import Result

_MOST_LINES = 12


def where_words(one: Marked) -> str:
    """Say where a fault is."""
    if not one.place:
        return "on the bench" if not one.kind.checks else "everywhere"
    if one.kind.at == "role":
        return f"every {one.place}"
    return at_cylinder(one.place).title if one.kind.at == "cylinder" else at_position(one.place).title


def judged_lines(case: Case, judged: Judgement) -> tuple[str, ...]:
    """Say what came of a case, the missed first."""
    found = [one for one in judged.marked if one.how]
    lines = [f"{case.title}: {len(found)} of {len(judged.marked)} found.", ""]
    missed = (f"{one.kind.title}, {where_words(one)}. It would have meant: {one.kind.cost}." for one in judged.missed)
    lines += _listed("Missed", missed)
    lines += _listed("Found", (f"{one.kind.title}, {where_words(one)}: {one.how}." for one in found))
    lines += _listed("Condemned, and sound", (f"{one}." for one in judged.condemned))
    lines += _listed("Passed, and bad in truth", (f"{one}." for one in judged.passed))
    lines += _listed("Signed for, and bad in truth", (f"{one}." for one in judged.signed))
    lines.append(f"{judged.readings} readings; {judged.in_vain} of them proved nothing.")
    if judged.is_clean:
        lines.append("Everything was found, and nothing sound was condemned.")
    return tuple(lines)


def _listed(title: str, told: Iterable[str]) -> list[str]:
    every = list(told)
    if not every:
        return []
    more = [f"  and {len(every) - _MOST_LINES} more"] if len(every) > _MOST_LINES else []
    return [f"{title}:", *(f"  {one}" for one in every[:_MOST_LINES]), *more, ""]


HEADINGS = ("", "case", "tried", "best", "last", "condemned", "in vain")


def progress_rows(results: Iterable[Result], cases: Iterable[Case]) -> list[tuple[str, ...]]:
    """Give for each case, under HEADINGS, how often it was tried, and the best and last that came of it."""
    every, rows = list(results), list[tuple[str, ...]]()
    for case in cases:
        own = [one for one in every if one.case == case.key]
        if not own:
            rows.append((case.key, case.title, "not yet", "", "", "", ""))
            continue
        best, last = max(own, key=lambda one: (one.found - one.condemned - one.passed, one.found)), own[-1]
        rows.append((case.key, case.title, str(len(own)), f"{best.found} of {best.faults}", f"{last.found} of {last.faults}",
                     str(last.condemned), str(last.in_vain)))  # fmt: skip
    return rows


def progress_lines(results: Iterable[Result], cases: Iterable[Case]) -> tuple[str, ...]:
    """Give the same as lines of text, in columns."""
    rows = [HEADINGS, *progress_rows(results, cases)]
    wide = [max(len(row[i]) for row in rows) for i in range(len(HEADINGS))]
    return tuple("  ".join(cell.ljust(width) for cell, width in zip(row, wide, strict=True)).rstrip() for row in rows)
