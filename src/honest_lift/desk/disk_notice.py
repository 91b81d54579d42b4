"""What is not on the disk, said over the sheet for as long as it is not."""

from __future__ import annotations

from PyQt6.QtWidgets import QSizePolicy

from honest_lift.desk.label import Label
from honest_lift.desk.session import Session


class DiskNotice(Label):
    """A line of its own, there only while something that was confirmed could be lost."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.setObjectName("diskNotice")
        self.setWordWrap(True)
        self.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        self.setVisible(False)
        session.unsafe.connect(self.show_words)

    def show_words(self, words: str) -> None:
        """Show what is not on the disk; "" once all is."""
        self.setText(words)
        self.setVisible(bool(words))
