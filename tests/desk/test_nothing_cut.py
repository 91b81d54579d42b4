"""Nothing is cut: every label, button, tab, head and figure of every page has the room its font asks for, at three sizes."""

from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QFontMetrics
from PyQt6.QtWidgets import QApplication, QTableView

from engines import all_failing, demo
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk.painting import word_boxes
from honest_lift.desk.placed_words import placed
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.theme import font
from honest_lift.facts.fresh import empty_book
from pages import cut_words, every_page, shown

SIZES = ((1280, 800, 1.0), (1024, 640, 1.0), (1280, 800, 1.3))
ENGINES = {"failing": all_failing, "eight": demo, "four": lambda: demonstration("four"), "empty": empty_book}


def cut_columns(view, zoom):
    """Heads narrower than their longest line, figures that do not fit, and other cells that are cut and say so nowhere."""
    model, heads = view.model(), view.horizontalHeader().fontMetrics()
    figures = QFontMetrics(font(14.5 * zoom)) if hasattr(model, "cells") else view.fontMetrics()
    for column in range(model.columnCount()):
        wide = view.columnWidth(column)
        title = str(model.headerData(column, Qt.Orientation.Horizontal) or "")
        if max(heads.horizontalAdvance(line) for line in title.split("\n")) > wide:
            yield f"head {title!r}"
        for row in range(min(model.rowCount(), 20)):
            index = model.index(row, column)
            text, align = str(index.data() or ""), index.data(Qt.ItemDataRole.TextAlignmentRole)
            right = model.cells[row][column].right if hasattr(model, "cells") else bool(align and int(align) & 2)
            if figures.horizontalAdvance(text) + 8 <= wide:
                continue
            if right or not index.data(Qt.ItemDataRole.ToolTipRole):
                yield f"cell {text!r} under {title!r}"


@pytest.mark.parametrize("size", SIZES, ids=str)
@pytest.mark.parametrize("name", ENGINES)
def test_nothing_is_cut(open_window, name, size):
    wide, high, zoom = size
    window = open_window(ENGINES[name]())
    window.resize(wide, high)
    window.dress("dark" if name == "failing" else "light", zoom)
    found = []
    for page, sheet in every_page(window):
        QApplication.processEvents()
        found += [f"{page}: {one}" for one in cut_words(sheet)]
        found += [f"{page}: {one}" for view in shown(sheet, QTableView) for one in cut_columns(view, zoom)]
    assert "\n".join(found) == ""


boxes = st.builds(QRectF, st.floats(-50, 400), st.floats(0, 180), st.floats(5, 200), st.just(14.0))


@given(st.lists(st.tuples(boxes, st.integers(0, 4)), max_size=14))
def test_no_two_words_of_a_drawing_lie_on_each_other(words):
    area = QRectF(0, 0, 400, 200)
    wanted, ranks = [box for box, _ in words], [rank for _, rank in words]
    found = placed(wanted, ranks, area)
    there = [one for one in found if one is not None]
    assert not any(one.intersects(other) for one, other in combinations(there, 2))
    assert all(one.left() >= -1e-6 and one.right() <= 400 + 1e-6 for one in there)
    if words:
        first = min(range(len(words)), key=lambda i: (ranks[i], i))
        assert found[first] is not None, "what matters most has its place"
        assert found[first].top() == wanted[first].top()


@pytest.mark.parametrize("size", SIZES, ids=str)
@pytest.mark.parametrize("made", [demo, all_failing])
def test_every_figure_of_a_drawing_has_its_place(open_window, size, made):
    wide, high, zoom = size
    window = open_window(made())
    window.resize(wide, high)
    window.dress("light", zoom)
    lost = []
    for page, sheet in every_page(window):
        QApplication.processEvents()
        for view in shown(sheet, SceneView):
            for scene, area in view._areas():
                told = word_boxes(scene, area, zoom)
                lost += [f"{page}: {one.text}" for one, box in told if box is None and one.size != "small"]
    assert "\n".join(lost) == ""
