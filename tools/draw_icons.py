"""Draws the PNG sizes of the icons out of their SVG; run it after a change of one. A test holds them to it."""

from __future__ import annotations

import os
from pathlib import Path

from PyQt6.QtCore import QBuffer, QIODevice
from PyQt6.QtGui import QGuiApplication, QImage, QPainter
from PyQt6.QtSvg import QSvgRenderer

ICONS = Path(__file__).parents[1] / "src" / "honest_lift" / "desktop" / "icons"
SIZES = (16, 24, 32, 48, 64, 128, 256)


def drawn(svg: Path, size: int) -> bytes:
    """Give an icon as PNG of a size."""
    image = QImage(size, size, QImage.Format.Format_ARGB32)
    image.fill(0)
    painter = QPainter(image)
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    QSvgRenderer(str(svg)).render(painter)
    painter.end()
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    image.save(held, "PNG")
    return bytes(held.data().data())


if __name__ == "__main__":
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    app = QGuiApplication([])
    for svg in sorted(ICONS.glob("*.svg")):
        for size in SIZES:
            path = ICONS / f"{svg.stem}-{size}.png"
            path.write_bytes(drawn(svg, size))
            print(path.name)
