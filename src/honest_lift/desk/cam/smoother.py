"""Smooths measured lobes beside the window, one after the other; Cancel leaves the rest for later."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QObject, pyqtSignal

from honest_lift.desk.session import Session
from honest_lift.desk.workers import Errand

_AT_ONCE = 1  # one lobe is smoothed before anyone could look up


class Smoother(QObject):
    """`went_on` tells how many of how many are done; the last time both are the same."""

    went_on = pyqtSignal(int, int)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self._errand: Errand | None = None
        self._given_up: frozenset[object] = frozenset()

    @property
    def is_working(self) -> bool:
        """Tell whether lobes are being smoothed."""
        return self._errand is not None and not self._errand.is_over

    def cancel(self) -> None:
        """Stop after the lobe at hand."""
        if self._errand is not None and self.is_working:
            self.session.searches.cancel(self._errand)

    def start(self) -> bool:
        """Smooth what is not smoothed yet; tells whether that takes a while."""
        from honest_lift.estimates.cam.lobe_read import lobe_read, to_be_read

        if self.is_working:
            return True
        book = self.session.book
        waiting = to_be_read(book)
        if {one.key for one in waiting} <= self._given_up:
            return False  # cancelled: the rest is smoothed one by one as it is looked at
        if len(waiting) <= _AT_ONCE:
            for one in waiting:
                lobe_read(book, one.found)
            return False
        done = [0]

        def take(solved: tuple[Any, Any]) -> None:
            from honest_lift.estimates.solved import remember

            remember(*solved)
            done[0] += 1
            if done[0] < len(waiting):
                self.went_on.emit(done[0], len(waiting))

        errand = self.session.searches.start("solve", tuple(waiting), told=take)
        errand.ended.connect(lambda: self._over(errand, len(waiting)))
        self._errand = errand
        return True

    def _over(self, errand: Errand, count: int) -> None:
        from honest_lift.estimates.cam.lobe_read import to_be_read

        if errand.is_cancelled or errand.error:
            self._given_up = frozenset(one.key for one in to_be_read(self.session.book))
        self.went_on.emit(count, count)
