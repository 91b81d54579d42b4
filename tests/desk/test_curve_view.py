"""Charts through their real widgets: cursor, zoom and points by mouse and keyboard, and what leaves the program."""

import csv
import io

import pytest
from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QImage
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from honest_lift.desk import questions
from honest_lift.desk.chart_out import as_csv, as_png, as_svg
from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.theme import DARK, LIGHT
from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series

READ = Series("read", tuple((float(x), float(x * x)) for x in range(0, 11, 2)), "mark", dots=True, joined=False,
              keys=tuple(f"r{x}" for x in range(0, 11, 2)), suspect=(2,))  # fmt: skip
LINE = Series("curve", ((0.0, 0.0), (10.0, 100.0)), band=((0.0, -5.0, 5.0), (10.0, 95.0, 105.0)), named="top")
CHART = Chart("Test", Axis("height", "mm", 1), (
    Panel(Axis("load", "N", 0), (LINE, READ), (Level(50.0, "limit"), Level(3.0, "binds", "mark", upright=True)), 2),
    Panel(Axis("rate", "N/mm", 0), (Series("rate", ((0.0, 10.0), (10.0, 10.0))),)),
))  # fmt: skip


@pytest.fixture
def view(qtbot):
    made = CurveView()
    qtbot.addWidget(made)
    made.resize(700, 300)
    made.dress(LIGHT, 1.0)
    made.show_chart(CHART)
    made.show()
    QApplication.processEvents()
    return made


def seen(view):
    return view._plots[0].plot.viewRange()[0]


def key(view, one, shift=False):
    QTest.keyClick(view, one, Qt.KeyboardModifier.ShiftModifier if shift else Qt.KeyboardModifier.NoModifier)


def test_the_keyboard_walks_points_zooms_and_picks(qtbot, view):
    placed, picked = [], []
    view.placed.connect(placed.append)
    view.picked.connect(picked.append)
    view.place(0.0)
    key(view, Qt.Key.Key_Right)
    key(view, Qt.Key.Key_Right)
    assert (view.at_x, placed) == (4.0, [2.0, 4.0]), "from point to point"
    assert view.told.text() == "height 4.0 mm: curve 40 N, rate 10 N/mm"
    key(view, Qt.Key.Key_Return)
    assert picked == ["r4"]
    key(view, Qt.Key.Key_Left)
    assert view.at_x == 2.0
    key(view, Qt.Key.Key_Right, shift=True)
    assert 2.0 < view.at_x < 4.0, "with Shift a tenth of what is seen"
    whole = seen(view)
    key(view, Qt.Key.Key_Plus)
    assert seen(view)[1] - seen(view)[0] == pytest.approx(0.8 * (whole[1] - whole[0]))
    key(view, Qt.Key.Key_Home)
    assert seen(view) == pytest.approx(whole)
    view.show_chart(CHART)
    view.step = 0.5
    key(view, Qt.Key.Key_Left)
    assert view.at_x == pytest.approx(placed[-1])
    for _ in range(99):
        key(view, Qt.Key.Key_Left)
    assert view.at_x == 0.0, "no further than the curves"


def test_a_click_on_a_point_leads_on_and_elsewhere_only_moves_the_cursor(qtbot, view):
    picked = []
    view.picked.connect(picked.append)

    def click(x, y):
        spot = view._plots[0].plot.vb.mapViewToScene(QPointF(x, y))
        QTest.mouseClick(view.field.viewport(), Qt.MouseButton.LeftButton, pos=view.field.mapFromScene(spot))
        QApplication.processEvents()

    click(6.0, 36.0)
    assert picked == ["r6"]
    click(7.0, 90.0)
    assert picked == ["r6"]
    assert view.at_x == pytest.approx(7.0, abs=0.1)


def test_a_chart_falls_to_the_right_where_a_spring_is_pressed_and_says_why_it_is_empty(qtbot, view):
    qtbot.waitUntil(lambda: "Test, over height, mm." in view.accessibleDescription(), timeout=2000)
    view.show_chart(Chart("Test", Axis("height", "mm", 1), CHART.panels, falling=True))
    assert view._plots[0].plot.vb.state["xInverted"]
    view.place(4.0)
    key(view, Qt.Key.Key_Right)
    assert view.at_x == 2.0, "right is shorter"
    view.show_chart(Chart("Test", Axis("x"), (), "no load is measured yet"))
    assert view.told.isHidden()
    qtbot.waitUntil(lambda: view.accessibleDescription() == "Test: no load is measured yet.", timeout=2000)
    view.dress(DARK, 1.3)
    key(view, Qt.Key.Key_Right)
    view.show_chart(CHART)
    assert len(view._plots) == 2
    names = [items.name for items in view._plots[0]._items if items.name is not None]
    assert all(one.isVisible() for one in names)
    view.resize(300, 300)
    QApplication.processEvents()
    assert not any(one.isVisible() for one in names), "no name is cut"
    view.resize(700, 90)
    QApplication.processEvents()
    assert len(view._plots) == 1, "a low window shows what matters first"


def test_a_chart_leaves_as_drawing_picture_and_figures(view, monkeypatch, tmp_path, open_window):
    rows = list(csv.reader(io.StringIO(as_csv(view))))
    assert rows[0] == ["panel", "curve", "height, mm", "value", "unit"]
    assert len(rows) == 1 + 2 + 6 + 2
    assert rows[4] == ["load", "read", "2", "4", "N"]
    assert "<svg" in as_svg(view)
    picture = QImage.fromData(as_png(view), "PNG")
    assert picture.width() >= 1000
    window = open_window()
    window.session.open_step("cam")
    page = window.sheets["cam"].turn
    for suffix, begins in ((".svg", b"<?xml"), (".png", b"\x89PNG"), (".csv", b"panel,curve")):
        path = tmp_path / f"cam{suffix}"
        monkeypatch.setattr(questions, "chart_to_save", lambda parent, suggestion, path=path: path)
        page.save_drawing()
        assert path.read_bytes().startswith(begins)
    window.session.open_step("springs")
    curve, path = window.sheets["springs"].curve, tmp_path / "loads.csv"
    monkeypatch.setattr(questions, "chart_to_save", lambda parent, suggestion: path)
    key(curve, Qt.Key.Key_S)
    assert "load,read," in path.read_text(), "any chart leaves by its key, and by its menu"
    assert "Saved: loads.csv" in window.bar.understood.text()


def test_a_point_on_the_load_curve_is_read_again_at_the_bar(qtbot, open_window):
    window = open_window()
    window.session.open_step("springs")
    sheet = window.sheets["springs"]
    read = next(one for one in sheet.curve.chart.panels[0].series if one.keys)
    assert len(read.points) >= 2
    sheet.curve.place(max(x for x, _ in read.points))
    sheet.curve.pick_here()
    assert window.bar.task.height_mm == pytest.approx(48.26)
    assert window.bar.task.quantity == "spring_load"


def test_the_cursor_on_the_clearance_turns_the_crank(qtbot, open_window):
    window = open_window()
    window.session.open_step("turn")
    page = window.sheets["turn"].crank_page
    page.curves.placed.emit(9.0)
    assert page.crank.value() == 18
    page.crank.setValue(-20)
    assert page.curves.at_x == -10.0
    key(page.curves, Qt.Key.Key_Right)
    assert page.crank.value() == -19, "half a degree a step"


def test_a_suspect_row_is_judged_on_the_curve(qtbot, open_window):
    window = open_window()
    window.session.open_step("cam")
    sheet = window.sheets["cam"]
    sheet.open_page("Measured lobes")
    page = sheet.lobes
    qtbot.waitUntil(lambda: not page.smoother.is_working, timeout=20000)
    page.refresh()
    rows = page.drawing.chart.panels[-1].series[0]
    assert len(rows.suspect) == 1
    suspect = rows.keys[rows.suspect[0]]
    page.drawing.picked.emit(suspect)
    qtbot.waitUntil(lambda: not page.smoother.is_working, timeout=20000)
    page.refresh()
    assert page.table.current.left_out == {int(suspect)}
    assert suspect not in page.drawing.chart.panels[-1].series[0].keys
    assert f"Row {int(suspect) + 1} is left out" in window.bar.understood.text()
    window.session.undo()
    assert not page.table.current.left_out
