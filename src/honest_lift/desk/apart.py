"""Work of seconds on a thread of its own, with a word on how far it is and Cancel; the window goes on being drawn."""

from __future__ import annotations

import threading
from collections.abc import Callable
from typing import TypeVar

from PyQt6.QtCore import QEventLoop, Qt, QTimer
from PyQt6.QtWidgets import QProgressDialog, QWidget

T = TypeVar("T")
_SHOWN_AFTER_MS, _LOOKED_MS = 400, 40


class _CancelledError(Exception):
    """The person thought better of it."""


def run_apart(parent: QWidget, title: str, rows: str, work: Callable[[Callable[[int], None]], T]) -> T | None:
    """Run `work` on a thread and give what it gave; None where it was cancelled. What it raises is raised here.

    `work` gets what it tells how many rows it has done; `rows`: how that is said, `{0} rows read`.
    """
    found: list[T] = []
    wrong: list[BaseException] = []
    done = [0]
    cancelled = threading.Event()

    def told(count: int) -> None:
        done[0] = count
        if cancelled.is_set():
            raise _CancelledError

    def run() -> None:
        try:
            found.append(work(told))
        except BaseException as error:
            wrong.append(error)

    thread = threading.Thread(target=run, name=title, daemon=True)
    dialog = QProgressDialog(title, parent.tr("Cancel"), 0, 0, parent)
    dialog.setWindowModality(Qt.WindowModality.WindowModal)
    dialog.canceled.connect(cancelled.set)
    loop = QEventLoop()

    def look() -> None:
        if thread.is_alive():
            dialog.setLabelText(rows.format(f"{done[0]:,}") if done[0] else title)
        else:
            loop.quit()

    timer = QTimer()
    timer.timeout.connect(look)
    timer.start(_LOOKED_MS)
    soon = QTimer()
    soon.setSingleShot(True)
    soon.timeout.connect(dialog.show)
    soon.start(_SHOWN_AFTER_MS)
    thread.start()
    loop.exec()
    timer.stop()
    soon.stop()
    dialog.canceled.disconnect()
    dialog.close()
    if wrong and not isinstance(wrong[0], _CancelledError):
        raise wrong[0]
    return found[0] if found and not cancelled.is_set() else None
