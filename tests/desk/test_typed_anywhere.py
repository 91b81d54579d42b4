"""A figure typed anywhere is taken, or a sentence says why not; a column typed by Enter is a cell each."""

import pytest
from msgspec import Struct
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from honest_lift.desk.record_table import RecordTable, number_column
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.fresh import empty_book

ENTER = Qt.Key.Key_Return


def keys(text):
    """Press keys on whatever has the focus at each, as they come from a keyboard."""
    for one in text:
        QTest.keyClick(QApplication.focusWidget(), ENTER if one == "\n" else one)


class Line(Struct, frozen=True):
    id: str
    height: float | None = None


@pytest.fixture
def table(qtbot):
    table = RecordTable([number_column("height", "height", "length", "mm", (0.0, 100.0))], "heights")
    qtbot.addWidget(table)
    lines = [Line("1"), Line("2"), Line("3")]

    def put(line):
        lines[int(line.id) - 1] = line
        table.show_records(tuple(lines))

    table.records.put.connect(put)
    table.show_records(tuple(lines))
    table.show()
    table.activateWindow()
    qtbot.waitUntil(table.isActiveWindow, timeout=10000)
    table.ready(0)
    return table


def test_three_figures_ended_by_enter_are_three_cells(table):
    keys("1.809\n1.801\n1.8013\n")
    assert [one.height for one in table.records.records] == [1.809, 1.801, 1.8013]


def test_after_the_last_row_nothing_is_typed_over_until_somebody_says_where(table):
    said = []
    table.records.refused.connect(said.append)
    keys("1.809\n1.801\n1.8013\n7")
    assert [one.height for one in table.records.records] == [1.809, 1.801, 1.8013]
    assert said == ["“7” was not taken: that was the last row. Choose a cell, or press Enter to type over this one."]
    keys("\n1.9\n")
    assert table.records.records[2].height == 1.9


def test_a_refused_figure_stays_in_its_cell_to_be_mended(table):
    keys("1.809\n1.x\n")
    assert table.currentIndex().row() == 1
    keys("1.801\n")
    assert [one.height for one in table.records.records] == [1.809, 1.801, None]


@pytest.mark.parametrize("step", STEPS)
def test_a_figure_typed_on_any_part_of_any_page_is_in_the_bar_or_answered(qtbot, open_window, step):
    window = open_window()
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=10000)
    said = []
    window.session.warned.connect(said.append)
    window.session.open_step(step)
    QApplication.processEvents()
    for one in (window.route, window.ladder.rungs, window.sheets[step], window.bar.way, window.strip):
        if not one.isVisible():
            continue
        window.bar.entry.clear()
        said.clear()
        one.setFocus()
        QTest.keyClick(one, "7")
        taken = window.bar.entry.text() == "7" and QApplication.focusWidget() is window.bar.entry
        assert taken if STEPS[step].has_bar else "“7” was not taken" in said[0], (step, type(one))


def test_without_a_valve_a_figure_is_answered(qtbot, open_window):
    window = open_window(empty_book())
    said = []
    window.session.warned.connect(said.append)
    window.session.open_step("heights")
    QTest.keyClick(window.route, "7")
    assert "there is no valve to measure yet" in said[0]


def test_undo_on_another_page_goes_back_to_where_it_was_done(qtbot, open_window):
    window = open_window()
    window.session.open_step("heights")
    window.session.go("8e")
    QTest.keyClicks(window.bar.entry, "1.803")
    QTest.keyClick(window.bar.entry, ENTER)
    window.session.open_step("engine")
    window.undo()
    assert (window.session.step, window.session.position) == ("heights", "8e")
    assert window.bar.understood.text() == "Taken back: installed height of 8 exhaust: 1.803."
    qtbot.waitUntil(lambda: not window.session.keeper.is_behind, timeout=10000)
    QApplication.processEvents()
    assert window.bar.understood.text().startswith("Taken back"), "what reaches the disk says nothing over it"
