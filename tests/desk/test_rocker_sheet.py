"""The rocker sheet through the real window: turned by hand, a pushrod tried, a mark read in."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.drawings.scene import Circle
from honest_lift.facts.edits import State, Unstate
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.sheets.rocker_words import seen_mark


@pytest.fixture
def rocker(open_window):
    """Open the sheet of an engine at a valve."""

    def opened(book=None, position="3i"):
        window = open_window(book)
        window._actions["step_rocker"].trigger()
        window.session.go(position)
        return window, window.sheets["rocker"]

    return opened


def roller(sheet):
    return next(one for one in sheet.drawing.scenes[0][1].strokes if isinstance(one, Circle) and one.ink == "mark")


def test_the_demonstration_tells_that_its_pushrods_are_short(rocker):
    window, sheet = rocker()
    words = sheet.words.text()
    assert "It ends outboard: the pushrod is too short." in words
    assert "Square at half lift: pushrod 7.656 in, 0.056 in longer" in words
    before = window.session.book
    sheet.own.setValue(29)
    assert sheet.tried.text() == "0.057 in longer"
    assert "the contact ends where it began" in sheet.words.text()
    sheet.own.setSliderDown(True)
    sheet.own.setValue(60)
    sheet.own.setSliderDown(False)
    assert "It ends inboard: the pushrod is too long." in sheet.words.text()
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
    for title, text in (("middle of the mark on the tip", "-.015"), ("width of the mark on the tip", ".045")):
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
    assert window.sheets["engine"].tabs.currentWidget() is page
    page.mount.setCurrentIndex(1)
    page.mount.activated.emit(1)
    assert window.session.engine.rocker_mount == "shaft"
    window._actions["undo"].trigger()
    assert page.mount.currentIndex() == 0


def test_what_moved_it_is_told_with_the_pushrod_that_puts_it_back(rocker):
    window, sheet = rocker()
    window.session.do(Unstate("valve_lean", ENGINE))
    sheet.amount.setText(".050")
    assert "State how far the stem leans" in sheet.comes_to.text()
    window.session.do(
        State((Fact("valve_lean", ENGINE, 0.0, tolerance=0.5), Fact("nut_pitch", ENGINE, 25.4 / 24, tolerance=0.0)))
    )
    assert "wants a pushrod 0.04" in sheet.comes_to.text()
    assert "shorter" in sheet.comes_to.text()
    sheet.change.setCurrentIndex(3)
    assert "longer" in sheet.comes_to.text()
    sheet.amount.setText("3/4")
    sheet.change.setCurrentIndex(5)
    assert "0.75 turns lower the nut by 0.031 in" in sheet.comes_to.text()
    sheet.amount.setText("a lot")
    assert "a lot" in sheet.comes_to.text()
