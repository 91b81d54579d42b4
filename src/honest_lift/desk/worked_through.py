"""Work that goes part by part in the window's own thread, with the name of each part and Cancel: Qt draws nowhere else."""

from __future__ import annotations

from collections.abc import Iterator
from time import monotonic
from typing import TypeVar

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QApplication, QProgressDialog, QWidget

T = TypeVar("T")
_SHOWN_AFTER_S = 0.4


def worked_through(parent: QWidget, title: str, parts: Iterator[str | T]) -> T | None:
    """Go through the parts and give the last, which is what came of them; None where the person thinks better of it."""
    dialog = QProgressDialog(title, parent.tr("Cancel"), 0, 0, parent)
    dialog.setWindowTitle(title)
    dialog.setWindowModality(Qt.WindowModality.WindowModal)
    dialog.setMinimumDuration(2**31 - 1)  # it is shown here, once there is something to wait for
    dialog.setAutoReset(False)
    began, came = monotonic(), None
    try:
        for part in parts:
            if isinstance(part, str):
                dialog.setLabelText(part)
            else:
                came = part
            if monotonic() - began > _SHOWN_AFTER_S and not dialog.isVisible():
                dialog.show()
            QApplication.processEvents()
            if dialog.wasCanceled():
                return None
    finally:
        dialog.reset()
        dialog.deleteLater()
    return came
