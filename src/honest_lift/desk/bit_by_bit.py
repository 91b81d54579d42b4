"""Work that would hold the window up, done a bit at a time between what the person does; something newer takes its place."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any

from PyQt6.QtCore import QObject, QTimer


class BitByBit(QObject):
    """One piece of work at a time."""

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._bits: Iterator[Any] = iter(())
        self._found: list[Any] = []
        self._then: Callable[[list[Any]], None] = lambda _: None
        self._timer = QTimer(self)
        self._timer.timeout.connect(self._go_on)

    def start(self, bits: Iterator[Any], then: Callable[[list[Any]], None]) -> None:
        """Work through `bits`, and hand on what they gave; what was being worked at is left."""
        self._bits, self._found, self._then = bits, [], then
        self._timer.start(0)

    @property
    def is_at_work(self) -> bool:
        """Tell whether something is being worked at."""
        return self._timer.isActive()

    def leave(self) -> None:
        """Leave what is being worked at."""
        self._timer.stop()
        self._bits = iter(())

    def _go_on(self) -> None:
        try:
            self._found.append(next(self._bits))
        except StopIteration:
            self._timer.stop()
            self._then(self._found)
        except BaseException:
            self._timer.stop()  # or it would slip again and again
            raise
