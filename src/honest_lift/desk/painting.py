"""Drawing with Qt: the four verdict shapes, and scenes to scale."""

from __future__ import annotations

import re
from collections.abc import Iterator

from PyQt6.QtCore import QLineF, QPointF, QRectF, Qt
from PyQt6.QtGui import QBrush, QColor, QFont, QFontMetrics, QPainter, QPainterPath, QPen, QPolygonF

from honest_lift.desk.alignment import LEFT, VCENTER
from honest_lift.desk.placed_words import placed
from honest_lift.desk.theme import Theme, font
from honest_lift.drawings.scene import Arrow, Box, Circle, Line, Path, Scene, Shape, Stroke, Words

_SIZES = {"figure": 16, "label": 14, "small": 12}
_DASHES = [5.0, 3.0]
_WEIGHTS = {
    "cut": 2.0,
    "mark": 1.8,
    "line": 1.4,
    "faint": 0.9,
    "fill": 1.0,
    "band": 1.0,
}  # pixels: cut, measured, seen, construction
_ARROW = (8.0, 2.6)  # pixels long, and half as wide
_AXIS = re.compile(r"[-+−]?[\d.,]+")
_EDGE = 8.0  # words may come nearer to the edge than what is drawn to scale


def paint_verdict(
    painter: QPainter,
    theme: Theme,
    word: str,
    x: float,
    y: float,
    radius: float,
    *,
    chip: bool = False,
    pencilled: bool = False,
) -> None:
    """Draw a verdict's shape about a point: disc, half disc, triangle, dashed ring. `chip`: on paper, for blue ground.

    `pencilled`: what it would be if all were read as it stands: an outline, so that nothing but what is proven looks it.
    """
    painter.save()
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    colour = theme.verdict(word)
    if chip:
        painter.fillPath(_disc(x, y, radius + 3.2), QColor(theme.chip))
    if pencilled and word in ("passes", "fails"):
        shape = _disc(x, y, radius - 0.8) if word == "passes" else _triangle(x, y, radius - 0.6)
        painter.strokePath(shape, QPen(colour, 1.4))
    elif word == "passes":
        painter.fillPath(_disc(x, y, radius), colour)
    elif word == "close":
        ring = QRectF(x - radius + 0.8, y - radius + 0.8, 2 * radius - 1.6, 2 * radius - 1.6)
        half = QPainterPath(QPointF(x, y))
        half.arcTo(ring, 90, 180)
        if pencilled:
            half.closeSubpath()
            painter.strokePath(half, QPen(colour, 1.2))
        else:
            painter.fillPath(half, colour)
        painter.strokePath(_disc(x, y, radius - 0.8), QPen(colour, 1.6))
    elif word == "fails":
        painter.fillPath(_triangle(x, y, radius), colour)
    else:
        pen = QPen(colour, 1.8)
        pen.setDashPattern([1.7, 1.5])
        painter.strokePath(_disc(x, y, radius - 0.9), pen)
    painter.restore()


def _triangle(x: float, y: float, radius: float) -> QPainterPath:
    path = QPainterPath(QPointF(x, y - radius * 1.1))
    path.lineTo(x + radius * 1.15, y + radius * 0.9)
    path.lineTo(x - radius * 1.15, y + radius * 0.9)
    path.closeSubpath()
    return path


def _disc(x: float, y: float, radius: float) -> QPainterPath:
    path = QPainterPath()
    path.addEllipse(QPointF(x, y), radius, radius)
    return path


def fitted(scene: Scene, area: QRectF) -> tuple[float, float, float, float]:
    """Give how a scene fits into an area: pixels a unit in x and y, and where its lower left corner comes to lie."""
    wide, high = scene.right - scene.left, scene.top - scene.bottom
    sx, sy = area.width() / wide, area.height() / high
    if not scene.stretched:
        sx = sy = min(sx, sy)
    return sx, sy, area.left() + (area.width() - sx * wide) / 2, area.bottom() - (area.height() - sy * high) / 2


def paint_scene(painter: QPainter, theme: Theme, scene: Scene, area: QRectF, zoom: float = 1.0) -> None:
    """Draw a scene into an area, to one scale in x and y unless it is stretched, centred."""
    sx, sy, left, bottom = fitted(scene, area)

    def at(x: float, y: float) -> QPointF:
        return QPointF(left + (x - scene.left) * sx, bottom - (y - scene.bottom) * sy)

    inks = {
        "line": QColor(theme.scribe), "faint": QColor(theme.faint), "mark": QColor(theme.mark),
        "fill": QColor(theme.blue2), "band": QColor(theme.blue2), "cut": QColor(theme.scribe),
    }  # fmt: skip

    def outlined(run: list[Shape]) -> None:
        outline, first = QPainterPath(), run[0]
        for shape in run:
            outline.addPolygon(QPolygonF([at(x, y) for x, y in shape.points]))
            outline.closeSubpath()
        pen = QPen(inks[first.ink], _WEIGHTS[first.ink] * zoom)
        pen.setJoinStyle(Qt.PenJoinStyle.RoundJoin)
        if first.dashed:
            pen.setDashPattern(_DASHES)
        painter.setPen(pen)
        painter.setBrush(inks["fill"])
        painter.drawPath(outline)
        if first.hatched:
            painter.setBrush(QBrush(inks["faint"], Qt.BrushStyle.BDiagPattern))
            painter.drawPath(outline)

    def pointed(arrow: Arrow) -> None:
        tip, back = at(arrow.x, arrow.y), at(arrow.from_x, arrow.from_y)
        line = QLineF(tip, back)
        if line.length() < 1e-6:
            return
        line.setLength(min(_ARROW[0] * zoom, line.length() / 2))
        square = line.normalVector()
        square.setLength(_ARROW[1] * zoom)
        off = square.p2() - square.p1()
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(inks[arrow.ink])
        painter.drawPolygon(QPolygonF([tip, line.p2() + off, line.p2() - off]))

    def draw(strokes: list[Stroke]) -> None:
        painter.drawLines([QLineF(at(s.x1, s.y1), at(s.x2, s.y2)) for s in strokes if isinstance(s, Line)])
        for path in strokes:
            if isinstance(path, Path):
                painter.drawPolyline(QPolygonF([at(x, y) for x, y in path.points]))
        boxes = (s for s in strokes if isinstance(s, Box))
        painter.drawRects([QRectF(at(s.x, s.y + s.height), at(s.x + s.width, s.y)) for s in boxes])
        for circle in strokes:
            if isinstance(circle, Circle):  # one by one: joined in a path they take four times as long
                radius = circle.radius * (3.2 * zoom if scene.stretched else sx)
                painter.drawEllipse(at(circle.x, circle.y), radius, radius)

    painter.save()
    painter.setRenderHint(QPainter.RenderHint.Antialiasing)
    for run in _runs(scene):  # bodies hide what lies behind them
        outlined(run)
    # strokes alike are drawn together: a nest has a hundred
    for (ink, filled, dashed), strokes in _alike(scene).items():
        pen = QPen(inks[ink], _WEIGHTS[ink] * zoom)
        if dashed:
            pen.setDashPattern(_DASHES)
        painter.setPen(pen)
        painter.setBrush(QBrush(inks[ink]) if filled else QBrush())
        draw(strokes)
    for one in scene.strokes:
        if isinstance(one, Arrow):
            pointed(one)
    for words, box in word_boxes(scene, area, zoom):
        if box is not None:
            painter.setPen(inks[words.ink])
            painter.setFont(_face(words, zoom))
            painter.drawText(box.adjusted(0, 0, 2, 0), LEFT | VCENTER, words.text)
    painter.restore()


def _runs(scene: Scene) -> Iterator[list[Shape]]:
    """Give bodies in their order; strands of wire, which hide nothing of each other, are drawn in one go."""
    run: list[Shape] = []
    for one in scene.strokes:
        if not isinstance(one, Shape):
            continue
        if run and not (
            one.ink == run[0].ink == "faint" and one.hatched == run[0].hatched and one.dashed == run[0].dashed
        ):
            yield run
            run = []
        run.append(one)
    if run:
        yield run


def word_boxes(scene: Scene, area: QRectF, zoom: float) -> list[tuple[Words, QRectF | None]]:
    """Give every word of a scene with the box it is written in, in pixels; None for one that has no room."""
    sx, sy, left, bottom = fitted(scene, area)
    all_words, wanted = [one for one in scene.strokes if isinstance(one, Words)], []
    for words in all_words:
        metrics = QFontMetrics(_face(words, zoom))
        wide, high = metrics.horizontalAdvance(words.text), metrics.height() - 2.0
        x, y = left + (words.x - scene.left) * sx, bottom - (words.y - scene.bottom) * sy
        off = {"left": 0.0, "middle": -wide / 2, "right": -wide}[words.anchor]
        wanted.append(QRectF(x + off, y - high / 2, wide, high))
    ranks = [_RANKS[words.size] + _RANKS[words.ink] for words in all_words]
    on_axis = [bool(_AXIS.fullmatch(words.text)) and words.ink == "faint" for words in all_words]
    return list(
        zip(all_words, placed(wanted, ranks, area.adjusted(-_EDGE, -_EDGE, _EDGE, _EDGE), on_axis), strict=True)
    )


_RANKS = {
    "figure": 0,
    "label": 1,
    "small": 2,
    "mark": 0,
    "line": 0,
    "fill": 0,
    "band": 0,
    "cut": 0,
    "faint": 2,
}  # what keeps its place first


def _alike(scene: Scene) -> dict[tuple[str, bool, bool], list[Stroke]]:
    """Sort lines, circles and boxes by how they are drawn; filled bodies come first, under the lines."""
    groups: dict[tuple[str, bool, bool], list[Stroke]] = {}
    for stroke in scene.strokes:
        if not isinstance(stroke, Words | Shape | Arrow):
            key = (stroke.ink, getattr(stroke, "filled", False), getattr(stroke, "dashed", False))
            groups.setdefault(key, []).append(stroke)
    return dict(sorted(groups.items(), key=lambda group: not group[0][1]))


def _face(words: Words, zoom: float) -> QFont:
    return font(_SIZES[words.size] * zoom, bold=words.size == "figure")


def rounded(area: QRectF, radius: float) -> QPainterPath:
    """Give the outline of a box with round corners."""
    path = QPainterPath()
    path.addRoundedRect(area, radius, radius)
    return path
