"""One panel of a chart on the screen: its curves, dots, bands, levels and names, each drawn anew only where it is another."""

from __future__ import annotations

from math import isfinite
from typing import NamedTuple

import numpy as np
import pyqtgraph as pg
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import QGraphicsItem

from honest_lift.desk.theme import Theme, font
from honest_lift.drawings.chart import Axis, Level, Panel, Series

_WEIGHTS = {"cut": 2.0, "mark": 2.0, "line": 1.6, "faint": 1.0, "fill": 1.0, "band": 1.0}
_ROOM, _NAMED = 0.08, 4  # of the height, left over and under the curves; so much more over one with its name on top
_NAME_AT = {
    "top": (0.5, 1.0),
    "foot": (0.5, 0.0),
    "left": (1.05, -0.1),
    "right": (-0.05, -0.1),
    "end": (1.0, 1.0),
}  # of its words


_NEAR_END = 0.07  # of a curve's width: about half a name
_ALIKE = 0.02  # of its height: a curve that is tried moves so little without axes drawn anew


def _alike(before: tuple[float, float], now: tuple[float, float]) -> bool:
    return max(abs(one - other) for one, other in zip(before, now, strict=True)) <= _ALIKE * abs(before[1] - before[0])


class _Items(NamedTuple):
    """What a curve is on the screen."""

    line: pg.PlotCurveItem | None
    dots: pg.ScatterPlotItem | None
    band: pg.FillBetweenItem | None
    name: pg.TextItem | None


class PanelView:
    """A plot of the chart library dressed as a panel. `show` follows the data; what a hand has zoomed stays."""

    def __init__(
        self, plot: pg.PlotItem, panel: Panel, x: Axis | None, theme: Theme, zoom: float, *, falling: bool
    ) -> None:
        self.plot, self.theme, self.zoom, self.falling = plot, theme, zoom, falling
        plot.setMenuEnabled(False)
        plot.hideButtons()
        plot.invertX(falling)
        self._dress(panel.y, x)
        self.cursor = pg.InfiniteLine(0.0, pen=pg.mkPen(theme.faint, width=1))
        plot.addItem(self.cursor, ignoreBounds=True)
        self._items = [self._made(one) for one in panel.series]
        self._series: list[Series | None] = [None] * len(panel.series)
        self._levels: tuple[Level, ...] = ()
        self._level_items: list[pg.GraphicsObject] = []
        self._fitted: tuple[float, float] | None = None

    def _dress(self, y: Axis, x: Axis | None) -> None:
        """Give both axes ticks and faces; the title of y stands level in its corner, read without turning the head."""
        face, ink = font(12 * self.zoom), QColor(self.theme.faint)
        for side in ("left", "bottom"):
            axis = self.plot.getAxis(side)
            axis.setTickFont(face)
            axis.setPen(pg.mkPen(ink, width=1))
            axis.setTextPen(pg.mkPen(ink))
            axis.enableAutoSIPrefix(False)
            axis.setStyle(showValues=side == "left" or x is not None, autoExpandTextSpace=True)
            axis.setCacheMode(
                QGraphicsItem.CacheMode.DeviceCoordinateCache
            )  # while something is dragged axes stay as they are
            axis.showLabel(side == "bottom" and x is not None)
        if x is not None:
            self.plot.getAxis("bottom").setLabel(x.words, color=self.theme.faint)
            self.plot.getAxis("bottom").label.setFont(face)
        title = pg.LabelItem(y.words, color=self.theme.faint)
        title.item.setFont(face)
        title.setParentItem(self.plot.vb)
        title.anchor((0, 0), (0, 0), offset=(4, -6))
        self.plot.getAxis("left").setWidth(round(48 * self.zoom))
        self.plot.showGrid(x=True, y=True, alpha=0.12)

    def _made(self, one: Series) -> _Items:
        colour, band, name = self._colour(one.ink), None, None
        if one.band:
            soft = QColor(colour)
            soft.setAlpha(60)
            band = pg.FillBetweenItem(pg.PlotDataItem(pen=None), pg.PlotDataItem(pen=None), brush=soft)
        style = Qt.PenStyle.DashLine if one.dashed else Qt.PenStyle.SolidLine
        pen = pg.mkPen(colour, width=_WEIGHTS[one.ink] * self.zoom, style=style)
        line = pg.PlotCurveItem(pen=pen, antialias=True) if one.joined else None
        dots = pg.ScatterPlotItem(pen=pg.mkPen(None)) if one.dots else None
        if one.named:
            name = pg.TextItem("", color=colour, anchor=_NAME_AT[one.named], fill=pg.mkBrush(self.theme.blue))
            name.setFont(font(13 * self.zoom))
        for item in (band, line, dots, name):
            if item is not None:
                self.plot.addItem(item, ignoreBounds=True)
        return _Items(line, dots, band, name)

    # --- following the data ---

    def show(self, panel: Panel) -> None:
        """Draw what is another than before: while something is dragged most of a chart stays."""
        for i, (one, items) in enumerate(zip(panel.series, self._items, strict=True)):
            if self._series[i] != one:
                self._series[i] = one
                self._fill(one, items)
        if self._levels != panel.levels:
            self._levels = panel.levels
            self._draw_levels()
        self.fit(panel)

    def show_names(self, *, there: bool) -> None:
        """Write names on the curves, or leave them out where one would be cut."""
        for items in self._items:
            if items.name is not None:
                items.name.setVisible(there)

    def _fill(self, one: Series, items: _Items) -> None:
        xs, ys = (np.array([point[i] for point in one.points], dtype=float) for i in (0, 1))
        if items.line is not None:
            items.line.setData(xs, ys)
        if items.dots is not None:
            items.dots.setData(x=xs, y=ys, **self._dots(one))
        if items.band is not None:
            at, low, high = (np.array([each[i] for each in one.band]) for i in (0, 1, 2))
            items.band.curves[0].setData(at, low)
            items.band.curves[1].setData(at, high)
        if items.name is not None and (spot := one.name_at) is not None:
            items.name.setText(one.name)
            items.name.setAnchor(self._inward(one, spot[0]))
            items.name.setPos(*spot)

    def _inward(self, one: Series, at: float) -> tuple[float, float]:
        """Give where a name is held, so that one near an end of its curve is written inward and not cut."""
        across, down = _NAME_AT[one.named]
        ends = (one.points[0][0], one.points[-1][0])
        share = (at - min(ends)) / (max(ends) - min(ends) or 1.0)
        share = 1.0 - share if self.falling else share
        if one.named in ("top", "foot") and not _NEAR_END < share < 1.0 - _NEAR_END:
            across = float(share > 0.5)
        return across, down

    def _dots(self, one: Series) -> dict[str, object]:
        """Give how the points of a curve look: a dot each, a cross in the mark's colour where one is suspect."""
        odd, plain, marked = set(one.suspect), pg.mkBrush(self._colour(one.ink)), pg.mkBrush(self._colour("mark"))
        each = [i in odd for i in range(len(one.points))]
        return {
            "symbol": ["x" if bad else "o" for bad in each], "size": [round((11 if bad else 6) * self.zoom) for bad in each],
            "brush": [marked if bad else plain for bad in each],
        }  # fmt: skip

    def _draw_levels(self) -> None:
        for old in self._level_items:
            self.plot.removeItem(old)
        self._level_items = [item for row, level in enumerate(self._levels) for item in self._items_of(level, row)]
        for item in self._level_items:
            self.plot.addItem(item, ignoreBounds=True)

    def _items_of(self, level: Level, row: int) -> list[pg.GraphicsObject]:
        """Give a line right across with its words, or one between two ends with its words at the first."""
        style = Qt.PenStyle.DashLine if level.words else Qt.PenStyle.SolidLine  # a zero line says nothing
        colour = self._colour(level.ink)
        pen = pg.mkPen(colour, width=1.2 * self.zoom, style=style)
        if level.ends is not None:
            pair = ([level.value] * 2, list(level.ends)) if level.upright else (list(level.ends), [level.value] * 2)
            words = pg.TextItem(level.words, color=colour, anchor=(float(pair[0][0] > pair[0][-1]), float(level.above)))
            words.setFont(font(12 * self.zoom))
            words.setPos(pair[0][0], pair[1][0])
            return [pg.PlotCurveItem(np.array(pair[0]), np.array(pair[1]), pen=pen), words]
        sides = [(1, 0), (0, 0)] if self.falling else [(0, 0), (1, 0)]
        options = {"color": colour, "position": 0.96 - 0.2 * (row % 3) if level.upright else 0.02,
                   "anchors": sides if level.upright else [(0, 0), (0, 1)]}  # fmt: skip
        angle = 90 if level.upright else 0
        line = pg.InfiniteLine(level.value, angle, pen=pen, label=level.words or None, labelOpts=options)
        if level.words:
            line.label.setFont(font(12 * self.zoom))
        return [line]

    def fit(self, panel: Panel, *, again: bool = False) -> None:
        """Show all of a panel's height, where that is another than before: what a hand has chosen stays."""
        figures = [y for one in panel.series for _, y in one.points if isfinite(y)]
        figures += [one.value for one in panel.levels if not one.upright and isfinite(one.value)]
        low, high = (min(figures), min(max(figures), panel.most)) if figures else (0.0, 1.0)
        if again or self._fitted is None or not _alike(self._fitted, (low, high)):
            self._fitted = (low, high)
            room = _ROOM * ((high - low) or abs(high) or 1.0)
            above = room * (_NAMED if any(one.named == "top" for one in panel.series) else 1)
            self.plot.setYRange(low - room, high + above, padding=0)

    def _colour(self, ink: str) -> QColor:
        own = {"mark": self.theme.mark, "faint": self.theme.faint, "fill": self.theme.blue2}
        return QColor(own.get(ink, self.theme.scribe))
