"""The public interface for scripts and notebooks, stable under semantic versioning: what is named in `__all__`, and nothing else.

Lengths are in mm, loads in N, volumes in cc, angles in degrees. An uncertainty is expanded, at 95 percent. Examples: docs/api.md.
"""

from __future__ import annotations

from pathlib import Path
from typing import Any

import numpy as np
from msgspec import Struct
from numpy.typing import ArrayLike, NDArray

from honest_lift.checks.examine import Examination
from honest_lift.checks.examine import examine as _examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, EditError, State, now, reading_of
from honest_lift.facts.engine import Book
from honest_lift.facts.fact import Fact
from honest_lift.facts.file import FileError, read_book, write_book
from honest_lift.facts.history import History
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, at_role, of_spring
from honest_lift.facts.quantity import Quantity
from honest_lift.facts.reach import refusal
from honest_lift.facts.restated import Meant, gone_stale
from honest_lift.facts.written_out import TargetError, look_at_engine_target
from honest_lift.mechanics.spring import load_curve, margins
from honest_lift.numbers.decision import decide
from honest_lift.numbers.doubt import Figure, Source, exact
from honest_lift.numbers.units import INSIDE
from honest_lift.numbers.verdict import Verdict
from honest_lift.sheets.findings_json import findings_report

__all__ = [
    "EditError",
    "Engine",
    "FileError",
    "Stands",
    "coil_bind_clearance",
    "demo",
    "load_at",
    "open_engine",
    "verdict",
]

_COVERS = 2.0  # standard uncertainties of an expanded one


class Stands(Struct, frozen=True):
    """What stands for a quantity at a place: NaN and kind "missing" where nothing does. `note`: what a person should know of it."""

    value: float
    uncertainty: float
    unit: str
    kind: str
    note: str


class Engine:
    """An engine and its book: read what stands, take readings, examine, save. Every change is an entry of the book."""

    def __init__(self, book: Book) -> None:
        self._history = History(book)
        self._seen: Examination | None = None

    @property
    def name(self) -> str:
        """Give its name."""
        return self._history.book.engine.name

    @property
    def valves(self) -> tuple[str, ...]:
        """Give the ids of its valves in head order."""
        return tuple(one.id for one in self._history.book.engine.layout.positions)

    @property
    def springs(self) -> tuple[str, ...]:
        """Give the ids of its springs."""
        return tuple(one.id for one in self._history.book.engine.springs)

    def stands(self, quantity: str, place: str = "") -> Stands:
        """Give what stands for a quantity (docs/nomenclature.md) at a place, as in `read`. Raises KeyError for no quantity."""
        row = CATALOG[quantity]
        found = resolve(self._history.book, quantity, self._place(place))
        return Stands(found.value, _COVERS * found.whole_u, INSIDE[row.dimension], found.kind, found.note)

    def read(
        self, quantity: str, place: str, value: float, *, way: str = "", tool: str = "", at: float | None = None
    ) -> None:
        """Take a reading, in the inside unit. It replaces what was read there the same way.

        `place`: a valve such as 3i, "spring 4", "cylinder 2", "intake", or "" for the engine. `way`: its key; the quantity's first
        where none is named; `tool`: its name in the drawer; the drawer's default where none is named. `at`: the height a spring's
        load was read at. Raises EditError.
        """
        book, row = self._history.book, CATALOG[quantity]
        chosen = way or (row.ways[0].key if row.ways else "")
        if row.way(chosen) is None:
            ways = ", ".join(one.key for one in row.ways)
            raise EditError(f"“{chosen}” is no way to read {row.title}: {ways or 'it is stated'}.")
        _prove_possible(row, value)
        if row.at and at is None:
            raise EditError(
                f"{row.title[:1].upper()}{row.title[1:]} is read at a {CATALOG[row.at].title}: give it as at=…"
            )
        named = next((one.id for one in book.engine.tools if tool and one.name == tool), "")
        if tool and not named:
            raise EditError(
                f"There is no tool “{tool}” in the drawer: {', '.join(one.name for one in book.engine.tools)}."
            )
        made = reading_of(
            book, quantity, self._place(place), float(value), text=str(float(value)), unit=INSIDE[row.dimension], way=chosen,
            tool=named, at={row.at: at} if row.at and at is not None else {},
        )  # fmt: skip
        if why := refusal(book.engine, made):
            raise EditError(why)
        self._do(Confirm((made,)))

    def state(
        self, quantity: str, value: float, place: str = "", *, tolerance: float | None = None, source: str = "",
        meant: Meant | None = None,
    ) -> None:  # fmt: skip
        """State a figure from a card or a manual, in the inside unit, with its tolerance.

        `meant`: of a figure that replaces another one on which readings rest, "corrected" (it was always so) or "another part"
        (what was read of the old part goes stale). Raises EditError, where that has to be said too.
        """
        _prove_possible(CATALOG[quantity], value)
        facts = (Fact(quantity, self._place(place), float(value), tolerance=tolerance, source=source, when=now()),)
        book = self._history.book
        gone = gone_stale(book, State(facts).apply(book)[0]) if meant is None else ()
        if gone:
            raise EditError(
                f"{len(gone)} readings were taken with the part whose {CATALOG[quantity].title} this replaces: "
                'add meant="corrected" if it was always so, or meant="another part".'
            )
        self._do(State(facts, meant or "another part"))

    def verdict(self, valve: str = "") -> str:
        """Give the worst verdict of a valve, or of the engine: passes, close, fails or unproven. Raises EditError for no valve."""
        if valve and valve not in self.valves:
            raise EditError(f"“{valve}” is no valve of this engine: {', '.join(self.valves)}.")
        seen = self._examined()
        return (seen.verdict(valve) if valve else seen.of_engine()).word

    def findings(self) -> list[dict[str, Any]]:
        """Give every finding as a record of plain values: `pandas.DataFrame(engine.findings())` is a frame."""
        import msgspec

        report = findings_report(self._history.book, self._examined())
        records: list[dict[str, Any]] = msgspec.to_builtins(report.findings)
        return records

    def save(self, path: str | Path) -> None:
        """Write it to a file, whole; over an older engine, which becomes its backup. Raises FileError for anything else there."""
        try:
            look_at_engine_target(Path(path), agreed=False)
        except TargetError as error:
            raise FileError(str(error)) from None
        write_book(self._history.book, Path(path))

    def _do(self, edit: Any) -> None:
        self._history.do(edit)
        self._seen = None

    def _examined(self) -> Examination:
        if self._seen is None:
            self._seen = _examine(self._history.book)
        return self._seen

    def _place(self, text: str) -> Place:
        """Read a place as it is named here. Raises EditError for one the engine does not have."""
        kind, _, name = text.partition(" ")
        if not text:
            return ENGINE
        if text in self.valves:
            return at_position(text)
        if text in ("intake", "exhaust"):
            return at_role(text)
        if kind == "spring" and name in self.springs:
            return of_spring(name)
        if kind == "cylinder" and name in map(str, self._history.book.engine.layout.cylinders):
            return at_cylinder(name)
        raise EditError(
            f"“{text}” is no place of this engine: {', '.join(self.valves)}, intake, exhaust, spring N, cylinder N."
        )


def _prove_possible(row: Quantity, value: float) -> None:
    """Refuse what a quantity can't be, and what is no figure. Raises EditError."""
    low, high = row.physical
    if not low <= value <= high:
        raise EditError(f"{value:g} {INSIDE[row.dimension]} can't be {row.title}: {low:g} to {high:g} is possible.")


def open_engine(path: str | Path) -> Engine:
    """Open an engine file. Raises FileError."""
    return Engine(read_book(Path(path)))


def demo(name: str = "eight") -> Engine:
    """Give an invented demonstration engine: eight, four or seasons."""
    return Engine(demonstration(name))


def coil_bind_clearance(installed_mm: ArrayLike, lift_mm: ArrayLike, bind_mm: ArrayLike) -> NDArray[np.float64]:
    """Give what is left between the open height and coil bind (...), mm, of arrays that broadcast; negative where coils stack."""
    return np.asarray(
        margins.coil_bind_clearance(*(np.asarray(one, dtype=np.float64) for one in (installed_mm, lift_mm, bind_mm)))
    )


def load_at(height_mm: ArrayLike, heights_mm: ArrayLike, loads_n: ArrayLike) -> NDArray[np.float64]:
    """Give a spring's loads (n,), N, at heights (n,), mm, from its measured points (p,) in any order; beyond them by a chord."""
    heights, loads = (np.asarray(one, dtype=np.float64) for one in (heights_mm, loads_n))
    order = np.argsort(heights)
    wanted = np.atleast_1d(np.asarray(height_mm, dtype=np.float64))
    return load_curve.load_at(wanted[:, None], heights[order][None], loads[order][None])[:, 0]


def verdict(
    figure: ArrayLike, uncertainty: ArrayLike, lowest: ArrayLike | None = None, highest: ArrayLike | None = None
) -> list[str]:  # fmt: skip
    """Judge figures (n,) with their expanded uncertainty against limits: passes, close or fails; unproven for NaN."""
    value = np.atleast_1d(np.asarray(figure, dtype=np.float64))
    ends = [
        np.broadcast_to(np.asarray(np.nan if one is None else one, dtype=np.float64), value.shape)
        for one in (lowest, highest)
    ]
    doubt = np.broadcast_to(np.asarray(uncertainty, dtype=np.float64), value.shape) / _COVERS
    known: Figure = exact(value).doubted(Source("given", "as given", shared=False), doubt)
    return [Verdict(int(one)).word for one in decide(known, *ends).verdict]
