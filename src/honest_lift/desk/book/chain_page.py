"""What stands in the book: its fingerprint, every entry in order, signatures under findings, and the book on paper."""

from __future__ import annotations

from PyQt6.QtWidgets import QPlainTextEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session

_HINT = (
    "Every edit is an entry, and a chain lies over all of them: honest-lift verify names the first that does not hold. Whoever "
    "rewrites the whole file can rewrite the chain: keep the fingerprint on paper, it shows that. The book goes with the engine "
    "when it is sold."
)
_LATEST = 400


class ChainPage(QWidget):
    """Entries as lines, the latest first."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.mark, self.lines = Label(), QPlainTextEdit()
        self.mark.setObjectName("working")
        self.mark.setAccessibleName(self.tr("Fingerprint of the book"))
        self.lines.setReadOnly(True)
        self.lines.setTabChangesFocus(True)
        self.lines.setAccessibleName(self.tr("Entries of the book, the latest first"))
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.mark)
        column.addLayout(
            in_row(button(self.tr("Prove it now"), self.prove), button(self.tr("Print the book…"), self.print_book),
                   button(self.tr("Save the book as text…"), self.save_book))
        )  # fmt: skip
        column.addWidget(self.lines, 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom: both come with the window's."""

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.sheets.book_text import entry_line

        book = self.session.book
        shown = self.tr("fingerprint {0}").format(book.chains[-1].fingerprint) if book.chains else ""
        self.mark.setText(shown or self.tr("No book yet: it begins with the first edit."))
        latest = list(enumerate(book.journal, 1))[-_LATEST:]
        self.lines.setPlainText("\n".join(entry_line(i, one, book.engine) for i, one in reversed(latest)))

    def prove(self) -> None:
        """Prove the whole book as it would be written, and say what does not hold."""
        from msgspec import to_builtins

        from honest_lift.desk import questions
        from honest_lift.facts.book.proof import proof_of
        from honest_lift.sheets.proof_text import proof_text

        lines, _ = proof_text(proof_of(to_builtins(self.session.book, str_keys=True)))
        questions.tell(self, self.tr("The book"), "\n".join(lines))

    def _text(self) -> str:
        from honest_lift.sheets.book_text import book_text

        return "\n".join(book_text(self.session.book, self.session.examination))

    def print_book(self) -> None:
        """Print the book for a buyer, signatures and waivers included."""
        from honest_lift.desk.printing import print_text

        print_text(self, self._text(), self.tr("Book of {0}").format(self.session.engine.name))

    def save_book(self) -> None:
        """Write the book as text, or as a PDF."""
        from honest_lift.desk.printing import save_text

        save_text(self, self.session, self._text(), self.tr("Book of {0}").format(self.session.engine.name))
