"""What the pages of the engine-and-parts sheet share: a title, a hint, and following the session."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QLabel, QPushButton, QScrollArea, QVBoxLayout, QWidget

from honest_lift.desk.flow import Flow
from honest_lift.desk.following import follow
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import RecordTable
from honest_lift.desk.session import Session


class Page(QWidget):
    """A page: widgets from top to bottom. `refresh` follows the session."""

    def __init__(self, session: Session, hint: str) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("page")
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(14, 10, 14, 10)
        self.column.setSpacing(8)
        self.column.addWidget(hint_label(hint))
        follow(self, (session.changed,), self.refresh)

    def refresh(self) -> None:
        """Show the engine as it is."""

    def follow(self, table: RecordTable, put) -> RecordTable:
        """Let a table's changes become edits and its refusals be said."""
        table.records.put.connect(put)
        table.records.refused.connect(self.session.warned)
        return table

    def add_row(self, *widgets: QWidget) -> None:
        """Add widgets side by side."""
        self.column.addLayout(in_row(*widgets))


def in_row(*widgets: QWidget) -> Flow:
    """Lay widgets side by side from the left, in more lines where they need them."""
    return Flow(*widgets)


def hint_label(words: str) -> QLabel:
    """Make a line of explanation."""
    label = Label(words)
    label.setObjectName("hint")
    label.setWordWrap(True)
    return label


def button(words: str, does) -> QPushButton:
    """Make a button."""
    made = QPushButton(words)
    made.clicked.connect(lambda: does())
    return made


def scrolled(label: QLabel) -> QScrollArea:
    """Let words that may be many scroll in the room that is left for them."""
    area = QScrollArea()
    area.setWidget(label)
    area.setWidgetResizable(True)
    area.setFrameShape(QFrame.Shape.NoFrame)
    area.setStyleSheet("QScrollArea { background: transparent; }")
    for one in (area.viewport(), label):
        one.setAutoFillBackground(False)
    label.setAlignment(Qt.AlignmentFlag.AlignTop)
    return area
