"""The rocker sheet through the real window: turned by hand, a pushrod tried, a mark read in."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.drawings.scene import Box, Circle
from honest_lift.facts.edits import State, Unstate
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.words.rocker.gear import seen_mark


@pytest.fixture
def rocker(open_window):
    """Open the sheet of an engine at a valve."""

    def opened(book=None, position="3i"):
        window = open_window(book)
        window._actions["step_rocker"].trigger()
        window.session.go(position)
        return window, window.sheets["rocker"].geometry_page

    return opened


def roller(sheet):
    return next(one for one in sheet.drawing.scenes[0][1].strokes if isinstance(one, Circle) and one.ink == "mark")


def test_the_demonstration_tells_that_its_pushrods_are_short(rocker):
    window, sheet = rocker()
    words = sheet.words.text()
    assert "The contact ends outboard: the pushrod is too short." in words
    assert "square at half lift 0.056 in longer" in words
    before = window.session.book
    sheet.own.setValue(29)
    assert sheet.tried.text() == "0.057 in longer"
    assert "the contact ends where it began" in sheet.words.text()
    sheet.own.setSliderDown(True)
    sheet.own.setValue(60)
    sheet.own.setSliderDown(False)
    assert "The contact ends inboard: the pushrod is too long." in sheet.words.text()
    assert window.session.book is before, "tried, not stated"


def test_the_valve_follows_the_hand(rocker):
    _, sheet = rocker()
    closed = roller(sheet).y
    sheet.lift.setValue(100)
    assert closed - roller(sheet).y == pytest.approx(sheet.rocker.lift_mm + sheet.rocker.lash_mm, abs=1e-6)
    sheet.drawing.grab()


def test_a_mark_is_read_valve_by_valve_at_the_bar(rocker, qtbot):
    window, sheet = rocker()
    bar = window.bar
    for title, text in (("witness mark, centre", "-.015"), ("witness mark, width", ".045")):
        window.session.go("3i")
        bar.what.setCurrentText(title)
        bar.entry.setFocus()
        qtbot.keyClicks(bar.entry, text)
        qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    assert seen_mark(window.session.book, "3i") == (pytest.approx(-0.381), pytest.approx(1.143))
    window.session.go("3i")
    assert "Seen 0.045 in wide" in sheet.words.text()
    assert "the trade's rule calls that too short" in sheet.words.text()
    assert window.session.book.journal[-1].place == at_position("3i")


def test_an_engine_without_dimensions_says_which_to_measure_and_opens_their_page(rocker):
    window, sheet = rocker(Bench().book, "1i")
    assert sheet.words.text().startswith("Not stated yet: pivot to the stem, valve arm")
    sheet.grab()
    window.session.show_page("Rocker")
    page = window.sheets["engine"].pages["Rocker"]
    assert window.sheets["engine"].tabs.currentWidget().widget() is page
    page.mount.setCurrentIndex(1)
    page.mount.activated.emit(1)
    assert window.session.engine.rocker_mount == "shaft"
    window._actions["undo"].trigger()
    assert page.mount.currentIndex() == 0


def test_what_moved_it_is_told_with_the_pushrod_that_puts_it_back(rocker):
    window, _ = rocker()
    sheet = window.sheets["rocker"]
    sheet.open_page("What moved it")
    table, page = sheet.moved.table, sheet.moved

    def put(row, text):
        table.records.setData(table.records.index(row, 1), text)
        table.setCurrentIndex(table.records.index(row, 1))
        return page.words.text()

    window.session.do(Unstate("valve_lean", ENGINE))
    assert "State the valve angle" in put(0, ".040")
    window.session.do(
        State((Fact("valve_lean", ENGINE, 0.0, tolerance=0.5), Fact("nut_pitch", ENGINE, 25.4 / 24, tolerance=0.0)))
    )
    assert "shorter" in put(0, ".040") + page.words.text()
    put(1, ".010")
    together = table.records.records[-1]
    assert together.pushrod == "0.048 in shorter", "0.050 in times the cosine of its lean"
    assert "longer" in put(3, ".050")
    assert "0.75 turns lower the nut by 0.031 in" in put(8, "3/4")
    put(0, "a lot")
    assert "a lot" in page.wrong.text()
    put(9, "1")
    assert "this line adds up the others" in page.wrong.text()
    before = window.session.book
    sheet.grab()
    assert window.session.book is before


def test_a_mark_is_drawn_on_the_tip_and_taken_down_as_placed_by_eye(rocker, qtbot):
    window, sheet = rocker()
    window.show()
    assert not sheet.take.isVisible()
    start, end = (sheet.drawing.where(1, x, 0.0).toPoint() for x in (-1.2, 0.4))
    qtbot.mousePress(sheet.drawing, Qt.MouseButton.LeftButton, pos=start)
    qtbot.mouseMove(sheet.drawing, end)
    qtbot.mouseRelease(sheet.drawing, Qt.MouseButton.LeftButton, pos=end)
    assert sheet.placed == (pytest.approx(-1.2, abs=0.05), pytest.approx(0.4, abs=0.05))
    assert "too short or" in sheet.placed_words.text()
    sheet.take.click()
    middle, width = window.session.book.journal[-2:]
    assert [(one.quantity, one.way, one.tool) for one in (middle, width)] == [
        ("mark_centre", "placed", "rule"), ("mark_width", "placed", "rule"),
    ]  # fmt: skip
    assert (middle.value, width.value) == (pytest.approx(-0.4, abs=0.05), pytest.approx(1.6, abs=0.1))
    assert window.session.examination.finding("mark_width", "3i").verdict.word == "close", "a rule by eye proves little"
    sheet.drawing.pressed.emit(1, 0.3, 0.0)
    assert sheet.placed is None, "a click alone places nothing"


def test_the_marks_of_all_valves_go_pale_while_the_slider_is_held(rocker, qtbot):
    _, sheet = rocker()

    def inks():
        return {one.ink for one in sheet.marks.scenes[0][1].strokes if isinstance(one, Box)}

    assert inks() == {"mark"}
    sheet.own.setSliderDown(True)
    sheet.own.setValue(40)
    assert inks() == {"faint"}
    qtbot.waitUntil(lambda: inks() == {"mark"}, timeout=2000)
    sheet.own.setSliderDown(False)


@pytest.fixture
def finder(rocker):
    """Open the pushrod finder of the demonstration engine."""

    def opened(book=None, position="3i"):
        window, _ = rocker(book, position)
        sheet = window.sheets["rocker"]
        sheet.open_page("Pushrod finder")
        return window, sheet.finder

    return opened


def row_of(page, title):
    return [[cell.text for cell in row] for row in page.model.cells if row[0].text == title]


def test_the_finder_names_the_stocked_lengths_next_to_what_the_schools_ask_for(finder):
    window, page = finder()
    assert row_of(page, "square at half lift")[0][1:4] == ["7.656", "+0.056", "0.025"]
    page.stock.setText("7.500 to 7.900 by .050")
    page.take_stock()
    assert [one[1] for one in row_of(page, "in stock")] == ["7.650", "7.700"]
    assert window.session.engine.pushrod_stock[0] == pytest.approx(190.5)
    page.stock.setText("7.9 to 7.5 by .05")
    page.take_stock()
    assert "the first size has to be the smaller one" in page.wrong.text()
    assert page.stock.text() == "7.9 to 7.5 by .05", "what was refused stays to be mended"
    page.quoted.setCurrentIndex(1)
    page.quoted.activated.emit(1)
    assert "State the pushrod's ball" in page.wrong.text()
    window.session.do(State((Fact("pushrod_ball", ENGINE, 7.9375, tolerance=0.02),)))
    assert row_of(page, "square at half lift")[0][1] == "7.968"
    window._actions["undo"].trigger()
    window._actions["undo"].trigger()
    assert row_of(page, "square at half lift")[0][1] == "7.656"


def test_marks_read_with_a_checking_pushrod_point_to_a_length(finder):
    window, page = finder()

    def take(turns, wide, middle=""):
        page.turns.setText(turns)
        page.wide.setText(wide)
        page.middle.setText(middle)
        page.take_down()

    take("3", ".036")
    assert "State of the checking pushrod its length screwed in" in page.wrong.text()
    window.session.do(
        State(
            (
                Fact("checking_shortest", ENGINE, 7.4 * 25.4, tolerance=0.1),
                Fact("checking_pitch", ENGINE, 1.27, tolerance=0.0),
            )
        )
    )
    for row in (("3", ".036", "-.008"), ("4", ".032", "-.007"), ("5.25", ".026", "-.004"), ("6.5", ".030", "-.005")):
        take(*row)
    assert [cell.text for cell in page.read_model.cells[0]][:4] == ["3", "7.550", "0.036", "-0.008"]
    words = page.words.text()
    assert "Narrowest mark by the checking pushrod: 7.67" in words
    assert "the readings do not contradict it" in words
    assert "every mark lies inboard" in words
    assert "A checking pushrod is limber" in words
    take("six", ".03")
    assert "six" in page.wrong.text()
    assert page.turns.text() == "six"
    take("6", "", "")
    assert "Type the turns out" in page.wrong.text()
    page.read_grid.setCurrentIndex(page.read_model.index(3, 0))
    page.strike_out()
    assert len(page.read_model.cells) == 3
    assert "go further" in page.words.text()
