"""Smooths measured lobes on a thread of its own, one after the other; Cancel leaves the rest for later."""

from __future__ import annotations

import threading
from contextlib import suppress

from PyQt6.QtCore import QObject, pyqtSignal

from honest_lift.desk.session import Session

_AT_ONCE = 1  # one lobe is smoothed before anyone could look up


class Smoother(QObject):
    """`went_on` tells how many of how many are done; the last time both are the same."""

    went_on = pyqtSignal(int, int)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self._stop = threading.Event()
        self._thread: threading.Thread | None = None
        self._given_up: tuple[str, ...] = ()

    @property
    def is_working(self) -> bool:
        """Tell whether lobes are being smoothed."""
        return self._thread is not None and self._thread.is_alive()

    def cancel(self) -> None:
        """Stop after the lobe at hand."""
        self._stop.set()

    def start(self) -> bool:
        """Smooth what is not smoothed yet; tells whether that takes a thread."""
        from honest_lift.estimates.cam.lobe_read import is_read, lobe_read
        from honest_lift.facts.ledger import tables

        book = self.session.book
        waiting = [one for one in tables(book.journal) if not is_read(book, one)]
        if self.is_working:
            return True
        ids = tuple(one.table.id for one in waiting)
        if self._stop.is_set() and set(ids) <= set(self._given_up):
            return False  # cancelled: the rest is smoothed one by one as it is looked at
        if len(waiting) <= _AT_ONCE:
            for one in waiting:
                lobe_read(book, one)
            return False
        self._stop.clear()

        def run() -> None:
            for done, one in enumerate(waiting, 1):
                if self._stop.is_set():
                    self._given_up = ids[done - 1 :]
                    self.went_on.emit(len(ids), len(ids))
                    break
                lobe_read(book, one)
                with suppress(RuntimeError):  # the window may have been closed meanwhile
                    self.went_on.emit(done, len(waiting))

        self._thread = threading.Thread(target=run, name="lobes", daemon=True)
        self._thread.start()
        return True
