"""Words on the screen, always plain: what a file or a hand put into a name is shown as it stands, and nothing in it is opened."""

from __future__ import annotations

from html import escape

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QLabel, QWidget


class Label(QLabel):
    """A label of plain text. Every label of the desk is one."""

    def __init__(self, text: str = "", parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.setTextFormat(Qt.TextFormat.PlainText)
        self.setText(text)


def plain(text: str) -> str:
    """Give a text, for where Qt itself decides whether it is rich (tooltips, dialogs of its own), so that it shows as it stands."""
    return f"<qt>{escape(text).replace(chr(10), '<br>')}</qt>" if Qt.mightBeRichText(text) else text
