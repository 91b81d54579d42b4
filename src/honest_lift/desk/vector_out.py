"""A drawing for somebody else: SVG as a picture of dots, white behind it and twice as fine."""

from __future__ import annotations

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice
from PyQt6.QtGui import QImage, QPainter
from PyQt6.QtSvg import QSvgRenderer

_FINE = 2


def png_of_svg(svg: str, wide: float, high: float) -> bytes:
    """Give an SVG drawing of a size, in points, as PNG."""
    image = QImage(round(_FINE * wide), round(_FINE * high), QImage.Format.Format_RGB32)
    image.fill(0xFFFFFF)
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    QSvgRenderer(QByteArray(svg.encode())).render(painter)
    painter.end()
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    image.save(held, "PNG")
    return bytes(held.data().data())
