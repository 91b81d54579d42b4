"""The user's parts shelf, opened when it is first looked at; while it holds nothing at all, the invented shelf is laid out."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, pyqtSignal

if TYPE_CHECKING:
    from honest_lift.plans.match.parts import OnShelf
    from honest_lift.shelf.kinds import Part, PartKind
    from honest_lift.shelf.store import Shelf


class ShelfHere(QObject):
    """One shelf file for all pages of the sheet. `changed`: parts were laid on or taken off; `chosen`: the shelf looked at."""

    changed = pyqtSignal()

    def __init__(self, *, kept: bool = True) -> None:
        """Open the user's own; not `kept`, the invented one in memory, and nothing of the user's (pictures)."""
        super().__init__()
        self._kept = kept
        self._shelf: Shelf | None = None
        self.chosen = ""  # all of them
        self.trouble = ""
        self._read: tuple[object, OnShelf] | None = None

    @property
    def shelf(self) -> Shelf:
        """Give the shelf; one that can't be opened is empty, and says why in `trouble`."""
        if self._shelf is None:
            self._shelf = self._opened()
        return self._shelf

    def _opened(self) -> Shelf:
        from honest_lift.demo.shelf import lay_out
        from honest_lift.shelf.store import Shelf, ShelfError, usual_path

        try:
            shelf = Shelf(usual_path() if self._kept else None)
            if not shelf.names():
                lay_out(shelf)
        except ShelfError as error:
            self.trouble = str(error)
            return Shelf(None)
        return shelf

    def read(self) -> OnShelf:
        """Give what the search looks through; remembered while nothing on the shelf changes."""
        from honest_lift.plans.match.parts import on_shelf

        held = (self.shelf.changes, self.chosen)
        if self._read is None or self._read[0] != held:
            self._read = (held, on_shelf(self.shelf, (self.chosen,) if self.chosen else ()))
        return self._read[1]

    def part(self, kind: PartKind, key: tuple[str, str]) -> Part | None:
        """Give a part by shelf and number."""
        return self.shelf.part(kind, *key)

    def tell(self) -> None:
        """Tell everyone that the shelf changed."""
        self.changed.emit()
