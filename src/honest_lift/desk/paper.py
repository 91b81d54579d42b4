"""HTML on paper, by Qt: part by part, page by page, drawings as lines and letters. The build sheet and the blank grid."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, QMarginsF, QObject, QRectF, QSizeF, Qt
from PyQt6.QtGui import (
    QFont,
    QPagedPaintDevice,
    QPageLayout,
    QPageSize,
    QPainter,
    QPdfWriter,
    QTextDocument,
    QTextFormat,
    QTextObjectInterface,
)
from PyQt6.QtSvg import QSvgRenderer

from honest_lift.desk.theme import FAMILY
from honest_lift.sheets.build_sheet.html import DRAWING
from honest_lift.sheets.build_sheet.pages import Drawn
from honest_lift.sheets.page import style
from honest_lift.sheets.papers import Paper

_MARGINS = QMarginsF(12, 12, 12, 10)
_POINTS, _FOOT_PIXELS = 8, 10
_DOTS = 96.0  # an inch of the layout, whatever the paper's
_FOOT = 22.0  # of the layout, for the line at the foot


class _Drawings(QObject, QTextObjectInterface):
    """Draws the pictures that a page names, where it names them: scaled as lines, not as dots."""

    def __init__(self, drawings: Iterable[Drawn], parent: QObject) -> None:
        super().__init__(parent)
        self._drawn = {f"{DRAWING}{one.key}": one for one in drawings}
        self._made: dict[str, QSvgRenderer] = {}

    def intrinsicSize(self, document, at, form) -> QSizeF:
        one = self._drawn.get(form.toImageFormat().name())
        return QSizeF(one.wide, one.high) if one else QSizeF()

    def drawObject(self, painter: QPainter | None, area: QRectF, document, at, form) -> None:
        name = form.toImageFormat().name()
        if name in self._drawn:
            if name not in self._made:
                self._made[name] = QSvgRenderer(QByteArray(self._drawn[name].svg.encode()))
            self._made[name].render(painter, area)


def pdf_of_paper(paper: Paper) -> bytes:
    """Give a paper as PDF."""
    *_, data = pdf_coming(paper)
    assert isinstance(data, bytes)
    return data


def pdf_coming(paper: Paper) -> Iterator[str | bytes]:
    """Print a paper as PDF a part at a time: the title of each as it is done, the bytes last. Whoever waits may stop it.

    It is made in memory: onto a disk that refuses, Qt would only fail in silence.
    """
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(held)
    writer.setTitle(paper.title)
    writer.setCreator("Honest Lift")
    set_up(writer, lying=paper.lying)
    yield from printed(paper, writer)
    del writer  # before what it writes into
    held.close()
    yield bytes(held.data().data())


def set_up(device: QPagedPaintDevice, *, lying: bool) -> None:
    """Set a printer or writer up: A4, lying or upright."""
    way = QPageLayout.Orientation.Landscape if lying else QPageLayout.Orientation.Portrait
    device.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    device.setPageOrientation(way)
    device.setPageMargins(_MARGINS, QPageLayout.Unit.Millimeter)


def printed(paper: Paper, device: QPagedPaintDevice) -> Iterator[str]:
    """Print a paper on a device that is set up, each part from a page of its own: the title of each as it is done."""
    painter, number, owner = QPainter(device), 0, QObject()
    drawn = _Drawings(paper.drawings, owner)
    by = device.logicalDpiX() / _DOTS
    size = QSizeF(device.width() / by, device.height() / by - _FOOT)
    try:
        for title, html in paper.parts:
            document = _laid_out(html, drawn, size)
            for page in range(document.pageCount()):
                if number:
                    device.newPage()
                number += 1
                _paint(painter, document, page, by, f"{paper.title} · {title} · page {number}")
            yield title
    finally:
        painter.end()


def _laid_out(html: str, drawings: _Drawings, size: QSizeF) -> QTextDocument:
    document = QTextDocument()
    document.documentLayout().registerHandler(QTextFormat.ObjectTypes.ImageObject.value, drawings)
    document.setDefaultFont(QFont(FAMILY, _POINTS))
    document.setDefaultStyleSheet(style())
    document.setDocumentMargin(0.0)
    document.setPageSize(size)  # before the words: they are laid out once
    document.setUndoRedoEnabled(False)
    document.setHtml(html)
    return document


def _paint(painter: QPainter, document: QTextDocument, page: int, by: float, foot: str) -> None:
    size = document.pageSize()
    area = QRectF(0.0, page * size.height(), size.width(), size.height())
    painter.save()
    painter.scale(by, by)
    painter.translate(0.0, -area.top())
    document.drawContents(painter, area)
    painter.translate(0.0, area.bottom())
    font = QFont(FAMILY)
    font.setPixelSize(_FOOT_PIXELS)  # of the layout: points would be the paper's own
    painter.setFont(font)
    painter.drawText(QRectF(0.0, 4.0, size.width(), _FOOT - 4.0), Qt.AlignmentFlag.AlignRight, foot)
    painter.restore()
