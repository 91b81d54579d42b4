"""Cells of a pasted column that can't stand: they are shown where they belong, with why, until something is read there."""

from __future__ import annotations

from collections.abc import Callable


class Refused:
    """By task and name of the place: the text, and why. `changed` is called when there are others."""

    def __init__(self, changed: Callable[[], None]) -> None:
        self._cells: dict[tuple[object, str], tuple[str, str]] = {}
        self._changed = changed

    def show(self, task: object, cells: dict[str, tuple[str, str]]) -> None:
        """Remember what was refused of a task, in place of all before."""
        self._cells = {(task, name): one for name, one in cells.items()}
        self._changed()

    def at(self, task: object, name: str) -> tuple[str, str] | None:
        """Give what was refused at a place, and why."""
        return self._cells.get((task, name))

    def mend(self, task: object, name: str) -> None:
        """Forget what was refused at a place: it has been read."""
        self._cells.pop((task, name), None)
