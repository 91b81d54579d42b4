"""Charts that can be read: zoom by wheel or + and -, moved by dragging, a cursor that reads every curve out, points that lead on.

pyqtgraph is imported here and nowhere else, so only a sheet with a chart waits for it.
"""

from __future__ import annotations

import numpy as np
import pyqtgraph as pg
from PyQt6.QtCore import QPointF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import QSizePolicy, QVBoxLayout, QWidget

from honest_lift.desk.label import Label
from honest_lift.desk.theme import LIGHT, font
from honest_lift.drawings.chart import (
    NEAR,
    Axis,
    Chart,
    Level,
    Panel,
    Series,
    chart_words,
    nearest,
    read_out,
    stops,
)

_WEIGHTS = {"cut": 2.0, "mark": 2.0, "line": 1.6, "faint": 1.0, "fill": 1.0, "band": 1.0}
_ROOM, _NAMED = 0.08, 4  # of the height, left over and under the curves; so much more over one with its name on top
_STEP, _WIDE = 0.01, 0.1  # of what is seen: a step of the cursor, and one with Shift
_NAME_AT = {
    "top": (0.5, 1.0),
    "foot": (0.5, 0.0),
    "left": (1.05, -0.1),
    "right": (-0.05, -0.1),
    "end": (1.0, 1.0),
}  # of its words
_PANEL = 66  # unzoomed pixels a panel needs at the least
_LEAST = 0.6  # of the wished height, in the smallest window


Made = tuple[pg.PlotDataItem, pg.FillBetweenItem | None]  # a curve, and the band it is uncertain by


class CurveView(QWidget):
    """Shows a chart. `at_x`: where its cursor stands; `placed`: it was put there; `picked`: the key of a point that was chosen."""

    placed = pyqtSignal(float)
    picked = pyqtSignal(str)

    def __init__(self, *, reads_out: bool = True) -> None:
        super().__init__()
        self.theme, self.zoom, self._tall = LIGHT, 1.0, 0
        self.chart = Chart("", Axis(""))
        self.at_x = 0.0
        self.follows = True  # whether the cursor goes with the mouse, and not only where it is clicked
        self.step = 0.0  # of the cursor by a key, in x; 0: a hundredth of what is seen
        self._reads_out = reads_out
        self._spread: object = None  # axes and looks the panels were made for
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.told, self.field = Label(), pg.GraphicsLayoutWidget()
        self.told.setObjectName("readOut")
        self.told.setWordWrap(True)
        self.field.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.field.ci.layout.setSpacing(0)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.told)
        column.addWidget(self.field, 1)
        self._plots: list[pg.PlotItem] = []
        self._lines: list[pg.InfiniteLine] = []
        self._made: list[list[Made]] = []
        self.field.scene().sigMouseMoved.connect(self._hovered)
        self.field.scene().sigMouseClicked.connect(self._clicked)

    # --- looks ---

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.field.setBackground(QColor(theme.blue))
        if self._tall:
            self.setMaximumHeight(round(self._tall * zoom))
            self.setMinimumHeight(round(_LEAST * self._tall * zoom))
        self._spread = None
        self._draw()

    def wish(self, tall: int) -> None:
        """Be so tall, in unzoomed pixels, where there is room, and less where a table needs it."""
        self._tall = tall
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)

    def sizeHint(self) -> QSize:
        """Give the height that is wished."""
        return QSize(200, round(self._tall * self.zoom)) if self._tall else super().sizeHint()

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        if len(self.chart.panels) > 1:
            self._draw()  # a low window shows fewer panels

    # --- showing ---

    @property
    def _panels(self) -> tuple[Panel, ...]:
        """Give the panels there is room for: the first at least."""
        room = max(int(self.height() / (_PANEL * self.zoom)), 1)
        return self.chart.panels[:room]

    def show_chart(self, chart: Chart) -> None:
        """Draw another chart; what is seen of it stays while its axes are the same."""
        if chart == self.chart and self._spread is not None:
            return
        ends, self.chart = self.chart.x_ends, chart
        self._draw()
        if self._plots and chart.x_ends != ends:  # of another spring, another lobe
            self._whole_x()

    def _draw(self) -> None:
        chart, panels = self.chart, tuple((panel.y, panel.share, panel.looks) for panel in self._panels)
        spread = (chart.x, panels, chart.is_empty, chart.missing, chart.falling, self.theme.name, self.zoom)
        if spread != self._spread:
            self._spread = spread
            self._lay_out()
        for panel, plot, made in zip(self._panels, self._plots, self._made, strict=False):
            self._fill(panel, plot, made)
        self.setAccessibleDescription(chart_words(self.chart))
        self._tell()

    def _lay_out(self) -> None:
        """Make the panels anew: other axes, another theme."""
        self.field.clear()
        self._plots, self._lines, self._made = [], [], []
        if self.chart.is_empty:
            words = pg.LabelItem(self.chart.missing, color=self.theme.faint)
            words.item.setFont(font(14 * self.zoom))
            self.field.addItem(words)
            return
        for row, panel in enumerate(self._panels):
            plot = self.field.addPlot(row=row, col=0)
            plot.setMenuEnabled(False)
            plot.hideButtons()
            plot.invertX(self.chart.falling)
            last = row == len(self._panels) - 1
            self._dress_axes(plot, panel, last=last)
            if self._plots:
                plot.setXLink(self._plots[0])
            line = pg.InfiniteLine(self.at_x, pen=pg.mkPen(self.theme.faint, width=1))
            plot.addItem(line, ignoreBounds=True)
            self._plots.append(plot)
            self._lines.append(line)
            self._made.append([self._item(one, plot) for one in panel.series])
            self.field.ci.layout.setRowStretchFactor(row, panel.share)
        self._whole_x()

    def _dress_axes(self, plot: pg.PlotItem, panel: Panel, *, last: bool) -> None:
        face, ink = font(12 * self.zoom), QColor(self.theme.faint)
        for side, words in (("left", ""), ("bottom", self.chart.x.words if last else "")):
            axis = plot.getAxis(side)
            axis.setTickFont(face)
            axis.setPen(pg.mkPen(ink, width=1))
            axis.setTextPen(pg.mkPen(ink))
            axis.enableAutoSIPrefix(False)
            axis.setStyle(showValues=side == "left" or last, autoExpandTextSpace=True)
            if side == "bottom" and words:
                axis.setLabel(words, color=self.theme.faint)
                axis.label.setFont(face)
            axis.showLabel(side == "bottom" and bool(words))
        title = pg.LabelItem(
            panel.y.words, color=self.theme.faint
        )  # level, so that it is read without turning the head
        title.item.setFont(face)
        title.setParentItem(plot.vb)
        title.anchor((0, 0), (0, 0), offset=(4, -6))
        plot.getAxis("left").setWidth(round(48 * self.zoom))
        plot.showGrid(x=True, y=True, alpha=0.12)

    def _item(self, one: Series, plot: pg.PlotItem) -> Made:
        colour, band = self._colour(one.ink), None
        pen = pg.mkPen(
            colour,
            width=_WEIGHTS[one.ink] * self.zoom,
            style=Qt.PenStyle.DashLine if one.dashed else Qt.PenStyle.SolidLine,
        )
        if one.band:
            soft = QColor(colour)
            soft.setAlpha(60)
            edges = [pg.PlotDataItem(pen=None), pg.PlotDataItem(pen=None)]
            band = pg.FillBetweenItem(*edges, brush=soft)
            plot.addItem(band)
        item = pg.PlotDataItem(pen=pen if one.joined else None, antialias=True)
        plot.addItem(item)
        return item, band

    def _fill(self, panel: Panel, plot: pg.PlotItem, made: list[Made]) -> None:
        for one, (item, band) in zip(panel.series, made, strict=False):
            xs, ys = (np.array([point[i] for point in one.points], dtype=float) for i in (0, 1))
            item.setData(xs, ys, **(self._dots(one) if one.dots else {}))
            if band is not None:
                at, low, high = (np.array([each[i] for each in one.band]) for i in (0, 1, 2))
                band.curves[0].setData(at, low)
                band.curves[1].setData(at, high)
        self._level(panel, plot)

    def _dots(self, one: Series) -> dict[str, object]:
        """Give how the points of a curve look: a dot each, a cross in the mark's colour where one is suspect."""
        odd, plain, marked = set(one.suspect), pg.mkBrush(self._colour(one.ink)), pg.mkBrush(self._colour("mark"))
        each = [i in odd for i in range(len(one.points))]
        return {
            "symbol": ["x" if bad else "o" for bad in each], "symbolSize": [round((11 if bad else 6) * self.zoom) for bad in each],
            "symbolBrush": [marked if bad else plain for bad in each], "symbolPen": pg.mkPen(None),
        }  # fmt: skip

    def _level(self, panel: Panel, plot: pg.PlotItem) -> None:
        for old in [one for one in plot.items if getattr(one, "is_level", False)]:
            plot.removeItem(old)
        for row, level in enumerate(panel.levels):
            for item in self._level_items(level, row):
                item.is_level = True
                plot.addItem(item, ignoreBounds=level.ends is None)
        figures = [y for one in panel.series for _, y in one.points if np.isfinite(y)]
        figures += [one.value for one in panel.levels if not one.upright and np.isfinite(one.value)]
        low, high = (min(figures), min(max(figures), panel.most)) if figures else (0.0, 1.0)
        room = _ROOM * ((high - low) or abs(high) or 1.0)
        plot.setYRange(
            low - room, high + room * (_NAMED if any(one.named == "top" for one in panel.series) else 1), padding=0
        )
        self._name(panel, plot)

    def _name(self, panel: Panel, plot: pg.PlotItem) -> None:
        """Write the names of curves where they lie highest, lowest, or end."""
        for one in panel.series:
            if (at := one.name_at) is None:
                continue
            anchor = _NAME_AT[one.named]
            words = pg.TextItem(one.name, color=self._colour(one.ink), anchor=anchor, fill=pg.mkBrush(self.theme.blue))
            words.setFont(font(13 * self.zoom))
            words.setPos(*at)
            words.is_level = True
            plot.addItem(words, ignoreBounds=True)

    def _level_items(self, level: Level, row: int) -> list[pg.GraphicsObject]:
        style = Qt.PenStyle.DashLine if level.words else Qt.PenStyle.SolidLine  # a zero line says nothing
        pen = pg.mkPen(self._colour(level.ink), width=1.2 * self.zoom, style=style)
        options = {
            "color": self._colour(level.ink),
            "position": 0.96 - 0.2 * (row % 3) if level.upright else 0.02,
            "anchors": ([(0, 0), (1, 0)] if not self.chart.falling else [(1, 0), (0, 0)])
            if level.upright
            else [(0, 0), (0, 1)],
        }
        if level.ends is not None:
            pair = ([level.value] * 2, list(level.ends)) if level.upright else (list(level.ends), [level.value] * 2)
            falls = pair[0][0] > pair[0][-1]
            words = pg.TextItem(level.words, color=self._colour(level.ink), anchor=(1.0 if falls else 0.0, 0.0))
            words.setFont(font(12 * self.zoom))
            words.setPos(pair[0][0], pair[1][0])
            return [pg.PlotDataItem(*pair, pen=pen), words]
        line = pg.InfiniteLine(
            level.value, 90 if level.upright else 0, pen=pen, label=level.words or None, labelOpts=options
        )
        if level.words:
            line.label.setFont(font(12 * self.zoom))
        return [line]

    def _colour(self, ink: str) -> QColor:
        return QColor(
            {"mark": self.theme.mark, "faint": self.theme.faint, "fill": self.theme.blue2}.get(ink, self.theme.scribe)
        )

    # --- the cursor ---

    def place(self, x: float) -> None:
        """Put the cursor at an x."""
        self.at_x = x
        for line in self._lines:
            line.setValue(x)
        self._tell()

    def _tell(self) -> None:
        self.told.setVisible(self._reads_out and not self.chart.is_empty)
        if self._reads_out:
            self.told.setText(read_out(self.chart, self.at_x))

    def _hovered(self, spot: QPointF) -> None:
        if self.follows and self._reads_out and (there := self._there(spot)):
            self.place(there[1])

    def _there(self, spot: QPointF) -> tuple[int, float, float] | None:
        """Give the panel under a point of the field, and x and y there."""
        for i, plot in enumerate(self._plots):
            if plot.vb.sceneBoundingRect().contains(spot):
                at = plot.vb.mapSceneToView(spot)
                return i, at.x(), at.y()
        return None

    def _clicked(self, event) -> None:
        self.setFocus()
        there = self._there(event.scenePos())
        if there is None or event.button() != Qt.MouseButton.LeftButton:
            return
        if event.double():
            self.whole()
            return
        panel, x, y = there
        (left, right), (low, high) = self._plots[panel].viewRange()
        found = nearest(self.chart, panel, x, y, abs(right - left) or 1.0, abs(high - low) or 1.0)
        self._put(x)
        if found is not None:
            self.picked.emit(found[0].keys[found[1]])

    def _put(self, x: float) -> None:
        self.place(x)
        self.placed.emit(x)

    # --- by the keyboard ---

    def keyPressEvent(self, event) -> None:
        key, shift = event.key(), bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier)
        ways = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}
        if not self._plots:
            super().keyPressEvent(event)
        elif key in ways:
            self._walk(ways[key] * (-1 if self.chart.falling else 1), wide=shift)
        elif key in (Qt.Key.Key_Plus, Qt.Key.Key_Equal, Qt.Key.Key_Minus):
            self.scale(0.8 if key != Qt.Key.Key_Minus else 1.25)
        elif key == Qt.Key.Key_Home:
            self.whole()
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.pick_here()
        else:
            super().keyPressEvent(event)

    def _walk(self, by: int, *, wide: bool) -> None:
        """Step the cursor: to the next point that was read where there are such points, else a little."""
        read, (left, right) = stops(self.chart), self._plots[0].viewRange()[0]
        if read and not wide and not self.step:
            after = [one for one in read if (one > self.at_x + 1e-9 if by > 0 else one < self.at_x - 1e-9)]
            self._put((min(after) if by > 0 else max(after)) if after else self.at_x)
            return
        step = self.step * (10 if wide else 1) if self.step else (_WIDE if wide else _STEP) * (right - left)
        ends = [x for panel in self.chart.panels for one in panel.series for x, _ in one.points]
        self._put(min(max(self.at_x + by * step, min(ends)), max(ends)))

    def scale(self, by: float) -> None:
        """Show less or more about the cursor."""
        self._plots[0].vb.scaleBy((by, 1.0), center=(self.at_x, 0.0))

    def whole(self) -> None:
        """Show all of it again."""
        self._whole_x()
        for panel, plot in zip(self._panels, self._plots, strict=True):
            self._level(panel, plot)

    def _whole_x(self) -> None:
        low, high = self.chart.x_ends
        room = _ROOM / 3 * ((high - low) or 1.0)
        self._plots[0].setXRange(low - room, high + room, padding=0)
        if not low <= self.at_x <= high:
            self.place(stops(self.chart)[0] if stops(self.chart) else low)

    def pick_here(self) -> None:
        """Choose the point that was read nearest to the cursor, if it is near."""
        left, right = self._plots[0].viewRange()[0]
        near = [(abs(x - self.at_x), key) for panel in self.chart.panels for one in panel.series
                for key, (x, _) in zip(one.keys, one.points, strict=True)]  # fmt: skip
        if near and min(near)[0] <= NEAR * abs(right - left):
            self.picked.emit(min(near)[1])
