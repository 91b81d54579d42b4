"""Lobes and sweeps solved beside the window: what rests on one is pending until it has come, and the engine is examined again then.

Sweeps that nobody waits for any more, since what they were of has changed, are given up.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterator
from pathlib import Path
from typing import Any, TypeVar

from PyQt6.QtCore import QObject

from honest_lift.desk.workers import Errand, Workers
from honest_lift.facts.engine import Book

_GIVEN_UP = ("sweep", "worth")  # kinds of problems, by their keys, that are not worth solving for later


def cached(name: str) -> Path:
    """Give the file of the person's cache folder that something is kept in."""
    from platformdirs import user_cache_path

    return user_cache_path("honest-lift") / f"{name}.msgpack"


Part = TypeVar("Part")


class LobesBeside(QObject):
    """`came`: called when lobes have come. `kept`: the file solved lobes are kept in from run to run."""

    def __init__(self, parent: QObject, came: Callable[[], None], kept: Path | None = None) -> None:
        super().__init__(parent)
        self.workers = Workers(self)
        self._came, self._kept = came, kept
        self._asked: set[Hashable] = set()
        self._running: dict[Errand, frozenset[Hashable]] = {}
        self._solved: list[tuple[Any, Any]] = []
        self._given_up = self._looks = False

    def left_for_later(self, parts: Iterator[Part]) -> Iterator[Part]:
        """Go through parts of work, leave what is not solved for later, and after the last have it solved beside the window."""
        from honest_lift.estimates.solved import left_for_later

        if self._given_up:
            yield from parts
            return
        self._look_first()
        wanted: dict[Hashable, Any] = {}
        while True:
            with left_for_later() as more:  # not over a yield: whoever goes on may solve something else meanwhile
                part = next(parts, None)
            wanted |= more
            if part is None:
                break
            yield part
        self._have_solved(wanted)

    def _have_solved(self, wanted: dict[Hashable, Any]) -> None:
        """Have solved what is wanted and not asked yet; what is being solved and is wanted no more is given up."""
        for errand, keys in self._running.items():
            if not keys & set(wanted) and all(isinstance(key, tuple) and key[0] in _GIVEN_UP for key in keys):
                self.workers.cancel(errand)
        fresh = {key: one for key, one in wanted.items() if key not in self._asked}
        if fresh:
            self._asked |= set(fresh)
            errand = self.workers.start("solve", tuple(fresh.values()), told=self._take)
            self._running[errand] = frozenset(fresh)
            errand.ended.connect(lambda: self._over(errand))

    def warm_up(self) -> None:
        """Have the process started, where lobes are likely to be asked of it: nothing was kept from an earlier run."""
        if self._kept is not None and not self._kept.exists():
            self.workers.warm_up()

    def foresee(self, book: Book) -> None:
        """Have solved what a book will ask for, while the window is being drawn."""
        if self._kept is not None and not self._kept.exists():
            self.workers.start("foresee_lobes", book, told=self._take)

    def _look_first(self) -> None:
        """Find what earlier runs solved, from the first time on."""
        if self._kept is not None and not self._looks:
            from honest_lift.estimates.solved import look_first
            from honest_lift.workers.kept_lobes import KeptLobes

            self._looks = True
            look_first(KeptLobes(self._kept).find)

    @property
    def is_at_work(self) -> bool:
        """Tell whether a lobe is still to come."""
        return bool(self._asked)

    def _take(self, solved: tuple[Any, Any]) -> None:
        from honest_lift.estimates.solved import remember

        remember(*solved)
        self._solved.append(solved)

    def _over(self, errand: Errand) -> None:
        """Examine again; where the process could not, from now on in the window."""
        self._asked -= self._running.pop(
            errand, frozenset()
        )  # what was given up is asked again where it is wanted again
        self._given_up = bool(errand.error)
        if self._kept is not None and self._solved:
            self.workers.start("keep_lobes", str(self._kept), tuple(self._solved))
            self._solved = []
        self._came()

    def close(self) -> None:
        """End the process; from now on lobes are solved in the window."""
        self.workers.close()
        self._asked.clear()
        self._running.clear()
        self._given_up = True
