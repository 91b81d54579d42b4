"""Charts that can be read: zoom by wheel or + and -, moved by dragging, a cursor that reads every curve out, points that lead on.

pyqtgraph is imported here and by the panels alone, so only a sheet with a chart waits for it.
"""

from __future__ import annotations

from textwrap import wrap

import pyqtgraph as pg
from PyQt6.QtCore import QPointF, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QColor
from PyQt6.QtWidgets import QGraphicsScene, QMenu, QVBoxLayout

from honest_lift.desk.curve_panel import PanelView
from honest_lift.desk.label import Label
from honest_lift.desk.theme import LIGHT, font
from honest_lift.desk.wished_height import WishedHeight
from honest_lift.desk.writing_out import save_chart
from honest_lift.drawings.chart import (
    NEAR,
    Axis,
    Chart,
    Panel,
    chart_words,
    nearest,
    read_out,
    stops,
)

_ROOM = 0.08 / 3  # of the width, left beside the curves
_STEP, _WIDE = 0.01, 0.1  # of what is seen: a step of the cursor, and one with Shift
_DESCRIBED_MS = 150  # after a hand rests
_LETTER = 9  # unzoomed pixels of a letter, with room to spare
_NAMED = 320  # unzoomed pixels a chart needs for names on its curves
_PANEL = 66  # unzoomed pixels a panel needs at the least


class CurveView(WishedHeight):
    """Shows a chart. `at_x`: where its cursor stands; `placed`: it was put there; `picked`: the key of a point that was chosen."""

    placed = pyqtSignal(float)
    picked = pyqtSignal(str)

    def __init__(self, *, reads_out: bool = True) -> None:
        super().__init__()
        self.theme = LIGHT
        self.chart = Chart("", Axis(""))
        self.at_x = 0.0
        self.follows = True  # whether the cursor goes with the mouse, and not only where it is clicked
        self.step = 0.0  # of the cursor by a key, in x; 0: a hundredth of what is seen
        self._reads_out = reads_out
        self._described = QTimer(self)  # once a hand rests
        self._described.setSingleShot(True)
        self._described.timeout.connect(self._describe)
        self._spread: object = None  # axes and looks the panels were made for
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.told, self.field = Label(), pg.GraphicsLayoutWidget()
        self.told.setObjectName("readOut")
        self.told.setWordWrap(True)
        self.field.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.field.setContextMenuPolicy(Qt.ContextMenuPolicy.NoContextMenu)  # the menu is this widget's
        self.field.ci.layout.setSpacing(0)
        # Qt's index keeps items that are gone for one paint more, and paints them: a chart has too few to want one
        self.field.scene().setItemIndexMethod(QGraphicsScene.ItemIndexMethod.NoIndex)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.told)
        column.addWidget(self.field, 1)
        self._plots: list[PanelView] = []
        self.field.scene().sigMouseMoved.connect(self._hovered)
        self.field.scene().sigMouseClicked.connect(self._clicked)

    # --- looks ---

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.field.setBackground(QColor(theme.blue))
        self.take_height()
        self._spread = None
        self._draw()

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self._show_names()
        if self.chart.is_empty:
            self._spread = None  # what is missing is broken into lines anew
        if self.chart.is_empty or len(self.chart.panels) > 1:
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
        for panel, view in zip(self._panels, self._plots, strict=False):
            view.show(panel)
        self._described.start(_DESCRIBED_MS)
        self._tell()

    def _describe(self) -> None:
        self.setAccessibleDescription(chart_words(self.chart))

    def _lay_out(self) -> None:
        """Make the panels anew: other axes, another theme."""
        self.field.clear()
        self._plots = []
        if self.chart.is_empty:
            letters = max(int(self.width() / (_LETTER * self.zoom)), 16)
            words = pg.LabelItem("<br>".join(wrap(self.chart.missing, letters)), color=self.theme.faint)
            words.item.setFont(font(14 * self.zoom))
            self.field.addItem(words)
            return
        for row, panel in enumerate(self._panels):
            plot, last = self.field.addPlot(row=row, col=0), row == len(self._panels) - 1
            if self._plots:
                plot.setXLink(self._plots[0].plot)
            x = self.chart.x if last else None
            self._plots.append(PanelView(plot, panel, x, self.theme, self.zoom, falling=self.chart.falling))
            self.field.ci.layout.setRowStretchFactor(row, panel.share)
        self.place(self.at_x)
        self._whole_x()
        self._show_names()

    def _show_names(self) -> None:
        for view in self._plots:
            view.show_names(there=self.width() > _NAMED * self.zoom)

    # --- the cursor ---

    def place(self, x: float) -> None:
        """Put the cursor at an x."""
        self.at_x = x
        for view in self._plots:
            view.cursor.setValue(x)
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
        for i, view in enumerate(self._plots):
            if view.plot.vb.sceneBoundingRect().contains(spot):
                at = view.plot.vb.mapSceneToView(spot)
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
        (left, right), (low, high) = self._plots[panel].plot.viewRange()
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
        elif key == Qt.Key.Key_S:
            self.save()
        else:
            super().keyPressEvent(event)

    def _walk(self, by: int, *, wide: bool) -> None:
        """Step the cursor: to the next point that was read where there are such points, else a little."""
        read, (left, right) = stops(self.chart), self._plots[0].plot.viewRange()[0]
        if read and not wide and not self.step:
            after = [one for one in read if (one > self.at_x + 1e-9 if by > 0 else one < self.at_x - 1e-9)]
            self._put((min(after) if by > 0 else max(after)) if after else self.at_x)
            return
        step = self.step * (10 if wide else 1) if self.step else (_WIDE if wide else _STEP) * (right - left)
        ends = [x for panel in self.chart.panels for one in panel.series for x, _ in one.points]
        self._put(min(max(self.at_x + by * step, min(ends)), max(ends)))

    def scale(self, by: float) -> None:
        """Show less or more about the cursor."""
        self._plots[0].plot.vb.scaleBy((by, 1.0), center=(self.at_x, 0.0))

    def whole(self) -> None:
        """Show all of it again."""
        self._whole_x()
        for panel, view in zip(self._panels, self._plots, strict=True):
            view.fit(panel, again=True)

    def _whole_x(self) -> None:
        low, high = self.chart.x_ends
        room = _ROOM * ((high - low) or 1.0)
        self._plots[0].plot.setXRange(low - room, high + room, padding=0)
        if not low <= self.at_x <= high:
            self.place(stops(self.chart)[0] if stops(self.chart) else low)

    def pick_here(self) -> None:
        """Choose the point that was read nearest to the cursor, if it is near."""
        left, right = self._plots[0].plot.viewRange()[0]
        read = [one for panel in self.chart.panels for one in panel.series if one.keys]
        near = [(abs(x - self.at_x), key) for one in read for key, (x, _) in zip(one.keys, one.points, strict=True)]
        if near and min(near)[0] <= NEAR * abs(right - left):
            self.picked.emit(min(near)[1])

    # --- leaving the program ---

    def contextMenuEvent(self, event) -> None:
        menu = QMenu(self)
        for words, does in (
            (self.tr("Show all (Home)"), self.whole),
            (self.tr("Save as SVG, PNG or CSV… (S)"), self.save),
        ):
            menu.addAction(words).triggered.connect(lambda _=False, does=does: does())
        menu.setEnabled(bool(self._plots))
        menu.exec(event.globalPos())

    def save(self) -> None:
        """Write the chart as it is seen, or its figures, where a person says."""
        save_chart(self, self.window().session, self, self.chart.title.lower())
