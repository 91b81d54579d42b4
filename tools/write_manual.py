"""Draws the parts of the manual that come from the program: what is read at a step, every check, keys, glossary, papers.

A part stands between two marks in a page of `src/honest_lift/manual`, and is drawn in its place. A test holds the pages to it.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from functools import cache
from math import isfinite
from pathlib import Path

from honest_lift.checks.examine import Examination, examine
from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.terms import TERMS as WORKED_FROM
from honest_lift.checks.unbegun import every_check
from honest_lift.checks.working import working
from honest_lift.commands.every import COMMANDS
from honest_lift.demo.demonstrations import DEMONSTRATIONS, demonstration
from honest_lift.desk.actions import ACTIONS
from honest_lift.desk.manual_window import FIXED_KEYS
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.drawings.measured.pictures import picture_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import rules_of
from honest_lift.facts.place import position_title
from honest_lift.facts.sources import published
from honest_lift.sheets.svg import scene_svg
from honest_lift.words.glossary import TERMS

MANUAL = Path(__file__).parents[1] / "src" / "honest_lift" / "manual"
_PART = re.compile(r"(<!-- drawn: ([a-z]+) ?([a-z]*) -->\n).*?(<!-- end -->)", re.DOTALL)
_WIDE, _HIGH = 520.0, 300.0
_LOOKED_AT = "Looked at, and written down as a word; there is nothing to calculate."


def pages() -> Iterator[tuple[str, str]]:
    """Give every page (name, text) with its parts drawn anew, and every drawing (name, SVG)."""
    for path in sorted(MANUAL.glob("*.md")):
        yield (
            path.name,
            _PART.sub(lambda found: f"{found[1]}{_drawn(found[2], found[3])}{found[4]}", path.read_text("utf-8")),
        )
    for quantity in _pictured():
        scene = picture_of(quantity)
        assert scene is not None
        yield f"{quantity}.svg", scene_svg([(_HIGH, scene)], _WIDE)


def _drawn(kind: str, about: str) -> str:
    return "\n".join(_KINDS[kind](about)) + "\n"


@cache
def _pictured() -> tuple[str, ...]:
    return tuple(name for name in CATALOG if picture_of(name) is not None)


def _readings(step: str) -> Iterator[str]:
    names = dict.fromkeys(task.quantity for task in STEPS[step].tasks(_session()))
    for name in names:
        row = CATALOG[name]
        yield f"### {_capital(row.title)}"
        yield ""
        yield row.meaning or f"{_capital(row.title)}, as it is read."
        yield ""
        yield from (f"- *{way.title}*: {way.howto or 'as the tool shows it'}" for way in row.ways)
        yield from (f"- `{one.key}`: {one.says}" for one in row.choices)
        if row.caution:
            yield from ("", f"**{row.caution}**")
        yield ""
        if name in _pictured():
            yield from (f"![Where {row.title} is measured]({name}.svg)", "")


@cache
def _session() -> Session:
    session = Session()
    session.take(demonstration("eight"), None)
    return session


def _checks(step: str) -> Iterator[str]:
    for check in every_check().values():
        if check.step == step:
            yield from _check(check)


def _check(check: Check) -> Iterator[str]:
    yield f"### {check.title}"
    yield ""
    yield check.meaning
    yield ""
    found = _example(check.name)
    if found is None:
        yield "Worked from: " + (_LOOKED_AT if check.dimension == OBSERVED else "what the step above reads.")
    else:
        engine, where, lines, rests = found
        yield f"As it is worked in {engine} (invented), {where}:"
        yield ""
        yield from (f"    {line}" for line in lines)
        yield ""
        yield f"Rests on: {', '.join(rests)}."
    yield ""
    rules = rules_of(check.name)
    if rules:
        yield "| rule | why | source |"
        yield "| --- | --- | --- |"
        yield from (f"| {_cell(one.limit.rule)} | {_cell(one.why)} | {published(one.limit.source)} |" for one in rules)
    else:
        yield "No rule is built in: the limit is a maker's, a manual's or your own, stated under Engine and parts, Limits."
    yield ""


@cache
def _examples() -> tuple[tuple[Book, Examination], ...]:
    books = [demonstration(name) for name in DEMONSTRATIONS]
    return tuple((book, examine(book)) for book in books)


def _example(name: str) -> tuple[str, str, tuple[str, ...], list[str]] | None:
    """Give the working of a check in the first demonstration that has a figure of it, one that passes before any other."""
    for book, seen in _examples():
        own = [one for one in seen.findings if one.check.name == name and isfinite(one.figure)]
        one = min(own, key=lambda found: found.verdict, default=None)
        if one is not None:
            return book.engine.name, _where(one), working(one, book.engine), _rests_on(one)
    return None


def _where(one: Finding) -> str:
    return position_title(one.position) if one.position else one.place.title


def _rests_on(one: Finding) -> list[str]:
    told = list(dict.fromkeys(own.title for own in one.inputs))
    return told or [WORKED_FROM.get(term.key, (term.key, ""))[0] for term in one.terms] or ["what was read"]


def _keys(_: str) -> Iterator[str]:
    yield "| key | what it does | menu |"
    yield "| --- | --- | --- |"
    for row in ACTIONS:
        if row.key:
            yield f"| **{row.key}** | {_plain(row.title)} | {_plain(row.menu)} |"
    yield from (f"| **{key}** | {what} | |" for key, what in FIXED_KEYS)


def _glossary(_: str) -> Iterator[str]:
    yield "| term | what it means |"
    yield "| --- | --- |"
    yield from (f"| {term} | {_cell(meaning)} |" for term, meaning in TERMS.items())


def _steps(_: str) -> Iterator[str]:
    yield from (f"{number}. [{one.title}]({one.key}.md), {one.keys}" for number, one in enumerate(STEPS.values(), 1))


def _commands(_: str) -> Iterator[str]:
    yield "| command | what it is for |"
    yield "| --- | --- |"
    yield from (f"| `honest-lift {one.name}` | {one.about} |" for one in COMMANDS)


_KINDS: dict[str, Callable[[str], Iterator[str]]] = {
    "readings": _readings, "checks": _checks, "keys": _keys, "glossary": _glossary, "steps": _steps, "commands": _commands,
}  # fmt: skip


def _capital(words: str) -> str:
    return words[:1].upper() + words[1:]


def _plain(words: str) -> str:
    return words.replace("&", "").rstrip("…")


def _cell(words: str) -> str:
    return words.replace("|", "/")


if __name__ == "__main__":
    for name, text in pages():
        (MANUAL / name).write_text(text, encoding="utf-8")
    print(f"{len(list(MANUAL.glob('*.md')))} pages, {len(_pictured())} drawings")
