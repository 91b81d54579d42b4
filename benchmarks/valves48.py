"""Forty-eight valves: from one edit to its findings, in milliseconds, medians of many.

One process, one engine: forty-eight pockets, springs of their own with two members, every one measured.
"""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable

from msgspec.structs import replace

from honest_lift.checks.examine import examine
from honest_lift.demo.engine import demo_book
from honest_lift.estimates.cam.card import flank_of
from honest_lift.facts.edits import Confirm, Edit, Put, State, fit_springs, reading_of
from honest_lift.facts.engine import Book
from honest_lift.facts.fact import Fact
from honest_lift.facts.history import History
from honest_lift.facts.layout import read_layout
from honest_lift.facts.memory import remember
from honest_lift.facts.parts import Spring, SpringSet
from honest_lift.facts.place import ENGINE, at_position, of_spring

_ROUNDS = 15
_TARGETS = {"one installed height": 10, "one lash": 40, "one part shared by all": 60, "full recompute": 150}


def engine_of_48() -> History:
    """Build the engine out of the demonstration's card, tools and limits, by the edits a person makes."""
    demo = demo_book("forty-eight").engine
    heads = [
        f"{name}: " + " ".join(f"{c}{r}{i}" for c in cylinders for r in "ie" for i in (1, 2))
        for name, cylinders in (("left", range(1, 12, 2)), ("right", range(2, 13, 2)))
    ]
    layout = read_layout("\n".join(heads))
    names = [one.id for one in layout.positions]
    springs = tuple(Spring(str(i + 1), "set") for i in range(len(names)))
    heights = (48.26, 45.72, 38.1, 30.48)
    engine = replace(
        demo, layout=layout, fitments=(), springs=springs, sets=(SpringSet("set", "set", "tidewater", "new", heights),)
    )
    history = History(Book(engine))
    history.do(fit_springs(engine, {name: str(i + 1) for i, name in enumerate(names)}, "springs fitted"))
    _read(
        history, [("locator_thickness", ENGINE, 1.5, "caliper", {}), ("retainer_thickness", ENGINE, 3.3, "caliper", {})]
    )
    for i, name in enumerate(names):
        rows = [("installed_height", at_position(name), 45.72 + 0.01 * (i % 7), "height_micrometer", {})]
        rows += [("lash", at_position(name), 0.45, "feeler", {}), ("seal_gap", at_position(name), 16.6, "caliper", {})]
        for height, load in zip(heights, (700.0, 930.0, 1680.0, 2390.0), strict=True):
            rows.append(("spring_load", of_spring(str(i + 1)), load + i % 5, "tester", {"test_height": height}))
        rows += [
            ("bind_height", of_spring(str(i + 1), m), h, "tester", {}) for m, h in (("outer", 29.1), ("inner", 26.2))
        ]
        _read(history, rows)
    return history


def _read(history: History, rows: list) -> None:
    made = [
        reading_of(history.book, q, place, value, text=f"{value}", unit="mm", way=way, at=at)
        for q, place, value, way, at in rows
    ]
    history.do(Confirm(tuple(made)))


def _height(book: Book, i: int) -> Edit:
    one = reading_of(book, "installed_height", at_position("3i1"), 45.70 + 0.003 * i, text="1", unit="mm",
                     way="height_micrometer")  # fmt: skip
    return Confirm((one,))


def _lash(book: Book, i: int) -> Edit:
    one = reading_of(book, "lash", at_position("3i1"), 0.40 + 0.003 * i, text="1", unit="mm", way="feeler")
    return Confirm((one,))


def _ratio(book: Book, i: int) -> Edit:
    return State((Fact("rocker_ratio", ENGINE, 1.55 + 0.003 * i),))


def _tool(book: Book, i: int) -> Edit:
    tool = book.engine.tool("gauge")
    assert tool is not None
    return Put("tools", replace(tool, accuracy=0.02 + 0.001 * i))


def _timed(history: History, edit: Callable[[Book, int], Edit] | None) -> float:
    took = []
    for i in range(_ROUNDS):
        if edit:
            history.do(edit(history.book, i))
        else:
            remember.forget_all()
            for role in ("intake", "exhaust"):  # a lobe is drawn from its card once, and timed by itself
                flank_of(history.book, role)
        start = time.perf_counter()
        examine(history.book)
        took.append(1000 * (time.perf_counter() - start))
    return statistics.median(took)


def main() -> None:
    """Print the medians in milliseconds and what they are held to (0 for nothing)."""
    history = engine_of_48()
    examine(history.book)
    rows = {
        "one installed height": _height, "one lash": _lash, "one part shared by all": _ratio,
        "one tool's accuracy": _tool, "full recompute": None,
    }  # fmt: skip
    for name, edit in rows.items():
        print(name.replace(" ", "_"), _timed(history, edit), _TARGETS.get(name, 0))


if __name__ == "__main__":
    main()
