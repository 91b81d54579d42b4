"""Plain text on paper: through the print dialog, or straight into a PDF."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QMarginsF
from PyQt6.QtGui import QFont, QPageLayout, QPageSize, QTextDocument
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session

_POINTS = 9


def print_text(parent: QWidget, text: str, title: str) -> bool:
    """Ask for a printer and print the text; False where the person thinks better of it."""
    printer = _printer(title)
    dialog = QPrintDialog(printer, parent)
    dialog.setWindowTitle(title)
    if dialog.exec() != QPrintDialog.DialogCode.Accepted:
        return False
    _document(text, title).print(printer)
    return True


def save_text(parent: QWidget, session: Session, text: str, title: str) -> None:
    """Ask where to write the text, as it is or as a PDF, and write it; what the disk refuses is said."""
    path = questions.card_to_save(parent, Path.home() / f"{title.lower()}.txt")
    if path is None:
        return
    try:
        if path.suffix.lower() == ".pdf":
            write_pdf(path, text, title)
        else:
            path.write_text(text, encoding="utf-8")
    except OSError as error:
        questions.tell(parent, parent.tr("Not saved"), f"{path}: {error.strerror or error}.")
        return
    session.told.emit(parent.tr("Saved: {0}").format(path.name))


def write_pdf(path: Path, text: str, title: str) -> None:
    """Write the text into a PDF. OSError when the file can't be written."""
    with path.open("wb"):  # Qt would only fail in silence
        pass
    printer = _printer(title)
    printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
    printer.setOutputFileName(str(path))
    _document(text, title).print(printer)


def _printer(title: str) -> QPrinter:
    printer = QPrinter(QPrinter.PrinterMode.HighResolution)
    printer.setDocName(title)
    printer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    printer.setPageMargins(QMarginsF(15, 15, 15, 15), QPageLayout.Unit.Millimeter)
    return printer


def _document(text: str, title: str) -> QTextDocument:
    document = QTextDocument()
    font = QFont("monospace", _POINTS)
    font.setStyleHint(QFont.StyleHint.Monospace)
    document.setDefaultFont(font)
    document.setMetaInformation(QTextDocument.MetaInformation.DocumentTitle, title)
    document.setPlainText(text)
    return document
