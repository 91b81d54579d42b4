"""What becomes of a paper: looked at, printed, or written as PDF or HTML. What stands on it is each dialog's own."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtPrintSupport import QPrintDialog, QPrinter, QPrintPreviewDialog
from PyQt6.QtWidgets import QDialog, QDialogButtonBox, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.label import Label
from honest_lift.desk.printing import printer_for
from honest_lift.desk.session import Session
from honest_lift.desk.worked_through import worked_through
from honest_lift.desk.writing_out import write_out

if TYPE_CHECKING:
    from honest_lift.sheets.papers import Paper

_HTML = (".html", ".htm")
Coming = Callable[[], "Iterator[str | Paper]"]


class PaperDialog(QDialog):
    """Asks what becomes of a paper. A dialog of its own puts what it asks into `column`.

    `coming` puts the paper together: the name of each part as it is done, the paper last.
    """

    def __init__(self, parent: QWidget, session: Session, title: str, words: str, coming: Coming) -> None:
        super().__init__(parent)
        self.session, self._coming = session, coming
        self.setWindowTitle(title)
        self.column = QVBoxLayout()
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Close)
        role = QDialogButtonBox.ButtonRole.ActionRole
        self.look = buttons.addButton(self.tr("&Look at it…"), role)
        self.paper = buttons.addButton(self.tr("&Print…"), role)
        self.file = buttons.addButton(self.tr("&Save…"), role)
        told = Label(words)
        told.setWordWrap(True)
        whole = QVBoxLayout(self)
        whole.addWidget(told)
        whole.addLayout(self.column)
        whole.addWidget(buttons)
        self.look.clicked.connect(self.preview)
        self.paper.clicked.connect(self.print_it)
        self.file.clicked.connect(self.save)
        buttons.rejected.connect(self.reject)

    def _made(self) -> Paper | None:
        """Give the paper; None where the person thinks better of it, or it can't be, which is said."""
        from honest_lift.numbers.mendable import MendableError
        from honest_lift.sheets.papers import Paper

        try:
            made = worked_through(self, self.windowTitle(), self._coming())
        except MendableError as error:
            questions.tell(self, self.windowTitle(), str(error))
            return None
        return made if isinstance(made, Paper) else None

    def save(self) -> None:
        """Ask where to write it, as PDF or HTML, and write it; what the disk refuses is said."""
        from honest_lift.desk.paper import pdf_coming

        name = "".join(c if c.isalnum() or c in "-_ ." else "-" for c in self.session.engine.name).strip() or "engine"
        path = questions.paper_to_save(self, Path.home() / f"{name}.pdf")
        paper = self._made() if path is not None else None
        if path is None or paper is None:
            return
        html = path.suffix.lower() in _HTML
        what = paper.html() if html else worked_through(self, self.windowTitle(), pdf_coming(paper))
        if what is not None and write_out(self, self.session, path, what):
            self.accept()

    def preview(self) -> None:
        """Show it as it would be printed; it can be printed from there."""
        if (paper := self._made()) is None:
            return
        preview = QPrintPreviewDialog(self._printer(paper), self)
        preview.paintRequested.connect(lambda printer: self._print_on(printer, paper))
        preview.exec()

    def print_it(self) -> None:
        """Ask for a printer and print it."""
        if (paper := self._made()) is None:
            return
        printer = self._printer(paper)
        dialog = QPrintDialog(printer, self)
        dialog.setWindowTitle(self.windowTitle())
        if dialog.exec() == QDialog.DialogCode.Accepted:
            self._print_on(printer, paper)
            self.accept()

    def _print_on(self, printer: QPrinter, paper: Paper) -> None:
        from honest_lift.desk.paper import printed

        worked_through(self, self.windowTitle(), printed(paper, printer))

    def _printer(self, paper: Paper) -> QPrinter:
        from honest_lift.desk.paper import set_up

        printer: QPrinter = printer_for(paper.title)
        set_up(printer, lying=paper.lying)
        return printer
