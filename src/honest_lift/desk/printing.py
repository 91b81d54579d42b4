"""Plain text on paper: through the print dialog, or straight into a PDF."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QBuffer, QIODevice, QMarginsF
from PyQt6.QtGui import QFont, QPageLayout, QPageSize, QPdfWriter, QTextDocument
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.desk.writing_out import write_out

_POINTS = 9
_MARGINS = QMarginsF(15, 15, 15, 15)


def print_text(parent: QWidget, text: str, title: str) -> bool:
    """Ask for a printer and print the text; False where the person thinks better of it."""
    printer = printer_for(title)
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
    write_out(parent, session, path, pdf_of(text, title) if path.suffix.lower() == ".pdf" else text)


def pdf_of(text: str, title: str) -> bytes:
    """Give the text as a PDF. It is made in memory: onto a disk that refuses, Qt would only fail in silence."""
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(held)
    writer.setTitle(title)
    writer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    writer.setPageMargins(_MARGINS, QPageLayout.Unit.Millimeter)
    _document(text, title).print(writer)
    held.close()
    return bytes(held.data().data())


def printer_for(title: str) -> QPrinter:
    """Give a printer of A4, upright, under a title."""
    printer = QPrinter(QPrinter.PrinterMode.HighResolution)
    printer.setDocName(title)
    printer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    printer.setPageMargins(_MARGINS, QPageLayout.Unit.Millimeter)
    return printer


def _document(text: str, title: str) -> QTextDocument:
    document = QTextDocument()
    font = QFont("monospace", _POINTS)
    font.setStyleHint(QFont.StyleHint.Monospace)
    document.setDefaultFont(font)
    document.setMetaInformation(QTextDocument.MetaInformation.DocumentTitle, title)
    document.setPlainText(text)
    return document
