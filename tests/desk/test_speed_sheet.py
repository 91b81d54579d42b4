"""The speed sheet through its real widgets: the sweep, the turn at a speed set by hand, surge, and what more would take."""

import pytest
from PyQt6.QtCore import Qt

from honest_lift.desk.engine import block_page
from honest_lift.desk.lobes_beside import LobesBeside
from honest_lift.facts.edits import State, Unstate
from honest_lift.facts.fact import Fact
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.place import ENGINE
from honest_lift.facts.quantities import motion
from sound import pushrods


@pytest.fixture
def sheet(open_window):
    """Open the sheet on an engine of which everything is known."""
    window = open_window(pushrods().book)
    window._actions["step_speed"].trigger()
    window.session.go("1i")
    return window.sheets["speed"]


def test_the_sweep_says_from_where_and_what_it_rests_on(sheet):
    line = sheet.sweep_page.line.text()
    assert line.startswith("Float near ")
    assert "red line 3,500: passes." in line
    chart = sheet.sweep_page.drawing.chart
    assert [one.name for one in chart.panels[0].series][:2] == ["gap in the train", "bounce off the seat"]
    assert max(x for x, _ in chart.panels[0].series[0].points) > 3500.0
    assert "percent of the seat load" in sheet.sweep_page.told.text()
    sheet.session.do(Unstate("train_stiffness", ENGINE))
    assert "unproven" in sheet.sweep_page.line.text()
    assert "its stiffness is guessed" in sheet.sweep_page.told.text()


def test_the_turn_is_moved_beside_the_window_at_the_speed_that_is_set(sheet, qtbot):
    sheet.open_page("Through the turn")
    page = sheet.motion_page
    qtbot.waitUntil(lambda: page.told.text() != "", timeout=60000)
    assert (page.rpm, page.at.text()) == (3500.0, "3,500 rpm")
    slow = {one.name: one for one in page.drawing.chart.panels[0].series}
    assert max(y for _, y in slow["the valve"].points) == pytest.approx(
        max(y for _, y in slow["asked by the cam"].points), rel=0.03
    )
    before = page.told.text()
    page.speed.setFocus()
    for _ in range(9):
        qtbot.keyClick(page.speed, Qt.Key.Key_PageUp)
    qtbot.waitUntil(lambda: page.told.text() != before, timeout=60000)
    assert page.rpm > 6000.0
    assert "It leaves its cam by" in page.told.text()


def test_surge_and_what_more_would_take_are_of_the_current_valve(sheet):
    sheet.open_page("Surge")
    assert sheet.surge_page.told.text().startswith("Surge frequency ")
    assert "all orders" in {one.name for one in sheet.surge_page.drawing.chart.panels[0].series}
    sheet.open_page("What more would take")
    rows = {one.title: one for one in sheet.worth_page.model.lines}
    assert rows["what moves with the valve"].tenth.startswith("-")
    assert rows["seat load, the whole curve with it"].tenth.startswith("+")
    assert sheet.worth_page.told.text().startswith("The least change of two together")


def test_without_a_red_line_every_page_says_what_to_state(open_window):
    window = open_window(empty_book())
    window._actions["step_speed"].trigger()
    sheet = window.sheets["speed"]
    for name, page in sheet.pages.items():
        sheet.open_page(name)
        if name == "Stiffness":
            continue  # it asks for readings, red line or not
        told = page.told.text() if name == "What more would take" else page.drawing.chart.missing
        assert "tate the red line" in told, name


def test_a_sweep_nobody_waits_for_any_more_is_given_up(sheet, qtbot):
    session = sheet.session
    session.lobes = LobesBeside(session, session.examine)
    try:
        state(session, 9100.0)
        assert "being simulated" in sheet.sweep_page.drawing.chart.missing
        first = next(iter(session.lobes._running))
        state(session, 9200.0)
        assert first.is_cancelled
        qtbot.waitUntil(lambda: not session.lobes.is_at_work, timeout=60000)
        assert sheet.sweep_page.line.text().startswith("Float near ")
        state(session, 9300.0)
        state(session, 9400.0)
        state(session, 9300.0)  # wanted again while what was given up is still ending
        qtbot.waitUntil(lambda: not session.lobes.is_at_work, timeout=60000)
        assert sheet.sweep_page.line.text().startswith("Float near ")
    finally:
        session.lobes.close()


def state(session, value):
    session.do(State((Fact("train_stiffness", ENGINE, value, tolerance=200.0),)))


def test_stiffness_is_typed_load_by_load_and_moves_the_float_speed(sheet, qtbot):
    sheet.open_page("Stiffness")
    page, session = sheet.stiffness_page, sheet.session
    before = session.in_motion[0].swept.trains[session.in_motion[1]].train_n_mm
    for row, text in enumerate(("0.05", "0.09", "0.13")):
        page.table.records.setData(page.table.records.index(row, 1), text)
    assert page.told.text().startswith("Stiffness of this train: ")
    assert [round(y, 2) for _, y in page.drawing.chart.panels[0].series[0].points] == [0.05, 0.09, 0.13]
    moved, case = session.in_motion
    assert (before, moved.swept.trains[case].train_n_mm) == (
        9000.0,
        pytest.approx(100 * 4.44822 / (0.08 * 25.4), rel=1e-5),
    )


def test_everything_a_speed_rests_on_is_stated_on_its_page():
    """What a hint tells a person to state has a line to state it in."""
    wanted = {
        row.name for row in motion.ROWS if row.page == "Masses" and not row.at and {"role", "engine"} & set(row.places)
    }
    assert wanted <= set(block_page._MASSES)
