"""The head line of a sheet: its title, and beside it what it shows at the moment."""

from __future__ import annotations

from PyQt6.QtWidgets import QHBoxLayout, QLabel

from honest_lift.desk.label import Label


def sheet_head(title: str, subtitle: QLabel) -> QHBoxLayout:
    """Lay a title and a changing subtitle side by side."""
    words = Label(title)
    words.setObjectName("title")
    subtitle.setObjectName("subtitle")
    subtitle.setWordWrap(True)
    row = QHBoxLayout()
    row.addWidget(words)
    row.addSpacing(16)
    row.addWidget(subtitle, 1)
    return row
