"""A build sheet as PDF, by Qt's own writer: the same template as the HTML, on A4."""

from __future__ import annotations

from PyQt6.QtCore import QBuffer, QIODevice, QMarginsF, QSizeF
from PyQt6.QtGui import QFont, QPageLayout, QPageSize, QPdfWriter, QTextDocument

from honest_lift.desk.theme import FAMILY

_MARGINS = QMarginsF(12, 12, 12, 14)
_POINTS = 8


def pdf_of_html(html: str, title: str) -> bytes:
    """Give a sheet as PDF, made in memory: onto a disk that refuses, Qt would only fail in silence."""
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(held)
    writer.setTitle(title)
    writer.setCreator("Honest Lift")
    writer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    writer.setPageOrientation(QPageLayout.Orientation.Landscape)
    writer.setPageMargins(_MARGINS, QPageLayout.Unit.Millimeter)
    document = QTextDocument()
    document.setDefaultFont(QFont(FAMILY, _POINTS))
    document.setHtml(html)
    document.setPageSize(QSizeF(writer.width(), writer.height()) / writer.logicalDpiX() * 96.0)
    document.print(writer)
    held.close()
    return bytes(held.data().data())
