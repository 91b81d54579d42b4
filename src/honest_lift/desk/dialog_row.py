"""The row of buttons under a dialog that only looks: what can be done there, and Done."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QDialog, QHBoxLayout, QPushButton

from honest_lift.desk.mnemonics import underline


def dialog_row(dialog: QDialog, acts: tuple[tuple[str, Callable[[], None]], ...]) -> QHBoxLayout:
    """Lay a button for each act from the left, and Done on the right, which Enter presses."""
    row, made_all = QHBoxLayout(), list[QPushButton]()
    for words, does in acts:
        made = QPushButton(words)
        made.clicked.connect(lambda _, do=does: do())
        row.addWidget(made)
        made_all.append(made)
    row.addStretch(1)
    done = QPushButton(dialog.tr("Done"))
    done.setDefault(True)
    done.clicked.connect(dialog.accept)
    row.addWidget(done)
    underline([*made_all, done], set())
    return row
