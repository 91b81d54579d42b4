"""A chart for somebody else: as a drawing, as a picture, as its figures."""

from __future__ import annotations

import csv
import io

from PyQt6.QtCore import QBuffer, QIODevice
from PyQt6.QtGui import QPainter
from pyqtgraph.exporters import ImageExporter

from honest_lift.desk.curve_view import CurveView
from honest_lift.drawings.chart import chart_table, chart_words


def as_csv(view: CurveView) -> str:
    """Give a chart's points as CSV, one a line."""
    page = io.StringIO()
    csv.writer(page, lineterminator="\n").writerows(chart_table(view.chart))
    return page.getvalue()


def as_svg(view: CurveView, of: str = "") -> str:
    """Give a chart as SVG, as it is seen; `of`: the engine it is of, in its title."""
    from PyQt6.QtSvg import QSvgGenerator  # another library, wanted only here

    held, page = QBuffer(), QSvgGenerator()
    page.setOutputDevice(held)
    page.setSize(view.field.size())
    page.setViewBox(view.field.rect())
    page.setTitle(" · ".join(filter(None, (of, view.chart.title))))
    page.setDescription(chart_words(view.chart))
    painter = QPainter(page)
    view.field.render(painter)
    painter.end()
    return held.data().data().decode()


def as_png(view: CurveView) -> bytes:
    """Give a chart as PNG, as it is seen, twice as fine."""
    exporter = ImageExporter(view.field.ci)
    exporter.parameters()["width"] = 2 * view.field.width()
    held = QBuffer()
    held.open(QIODevice.OpenModeFlag.WriteOnly)
    exporter.export(toBytes=True).save(held, "PNG")
    return held.data().data()
