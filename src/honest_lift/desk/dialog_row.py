"""The row of buttons under a dialog that only looks: what can be done there, and Done."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QDialog, QHBoxLayout, QPushButton


def dialog_row(dialog: QDialog, acts: tuple[tuple[str, Callable[[], None]], ...]) -> QHBoxLayout:
    """Lay a button for each act from the left, and Done on the right, which Enter presses."""
    row = QHBoxLayout()
    for words, does in acts:
        made = QPushButton(words)
        made.clicked.connect(lambda _, do=does: do())
        row.addWidget(made)
    row.addStretch(1)
    done = QPushButton(dialog.tr("Done"))
    done.setDefault(True)
    done.clicked.connect(dialog.accept)
    row.addWidget(done)
    return row
