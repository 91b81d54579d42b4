"""Overhead cams on the rocker sheet through the real window: a finger turned, towers moved, bucket shims planned and fitted."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from fingers import sliding
from honest_lift.desk.steps.order import STEPS
from honest_lift.drawings.scene import Circle
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.tools import Tool


@pytest.fixture
def sheet(open_window):
    """Open the rocker sheet of an engine at a valve."""

    def opened(book, position):
        window = open_window(book)
        window._actions["step_rocker"].trigger()
        window.session.go(position)
        return window, window.sheets["rocker"]

    return opened


def tabs(sheet):
    return [sheet.tabs.tabText(i) for i in range(sheet.tabs.count())]


def on_the_tip(page):
    return next(one for one in page.drawing.scenes[0][1].strokes if isinstance(one, Circle) and one.ink == "mark")


def test_a_finger_is_turned_by_hand_and_a_pad_tried(sheet):
    window, rocker = sheet(sliding().book, "1i")
    assert tabs(rocker) == ["Geometry", "Pads and towers", "Turn plan"]
    page = rocker.geometry_page
    assert "The lobe wipes" in page.words.text()
    tip = on_the_tip(page)
    page.lift.setValue(100)
    moved = on_the_tip(page)
    assert tip.y - moved.y == pytest.approx(page.rocker.lift_mm + page.rocker.lash_mm, abs=1e-6)
    page.own.setValue(20)
    assert page.tried.text() == "1.00 mm pad thicker"
    assert "It proves nothing" in page.words.text()
    rocker.open_page("Pads and towers")
    table = rocker.pads.table
    table.records.setData(table.records.index(0, 1), "0.5")
    assert "higher" in rocker.pads.words.text()
    assert STEPS["rocker"].progress(window.session) == (9, 9)
    rocker.grab()
    window.session.do(Describe({"gear": "pushrod"}, "another gear"))
    assert tabs(rocker) == ["Geometry", "Pushrod finder", "What moved it", "Turn plan"]
    window._actions["undo"].trigger()
    assert tabs(rocker) == ["Geometry", "Pads and towers", "Turn plan"]


def test_bucket_shims_are_typed_planned_and_fitted_in_one_edit(sheet, qtbot):
    made = Bench().do(Describe({"gear": "bucket", "units": {**Bench().engine.units, "length": "mm"}}, "buckets"))
    made.do(
        Put(
            "tools", Tool("feeler", "feeler", "feeler", "length", resolution=0.005, accuracy=0.002, repeatability=0.002)
        )
    )
    for role in ("intake", "exhaust"):
        made.do(Put("lobes", CamLobe(role, lash_cold_mm=0.25)))
    made.do(Describe({"default_tools": {**made.engine.default_tools, "lash/feeler": "feeler"}}, "feeler"))
    window, rocker = sheet(made.book, "1e")
    page, bar = rocker.buckets, window.bar
    assert tabs(rocker) == ["Bucket shims", "Turn plan"]
    assert "State the shims that are in" in page.words.text()

    def type_all(title, texts):
        window.session.go("1e")
        bar.what.setCurrentText(title)
        bar.what.activated.emit(bar.what.currentIndex())
        for text in texts:
            bar.entry.setFocus()
            qtbot.keyClicks(bar.entry, text)
            qtbot.keyClick(bar.entry, Qt.Key.Key_Return)

    type_all("bucket shim, thickness", ("2.50", "2.40", "2.60", "2.45"))
    type_all("lash", (".35", ".15", ".25", ".24"))
    assert page.model.cells[0][4].text == "2.600"
    assert "no shim in the drawer or sold" in page.words.text()
    page.sold.setText("2.3; 2.45; 2.6")
    page.sold.setModified(True)
    page.take_sold()
    assert "2 shims change, 2 to buy: 2.300 mm, 2.600 mm." in page.words.text()
    page.drawer.setText("2.3 x 1; x")
    page.drawer.setModified(True)
    page.take_drawer()
    assert "x" in page.wrong.text()
    page.drawer.setText("2.3 x 1")
    page.drawer.setModified(True)
    page.take_drawer()
    assert "2 shims change, 1 to buy: 2.600 mm." in page.words.text()
    page.take()
    assert window.session.engine.fitted("lash shim", "1e").height_mm == pytest.approx(2.6)
    assert "read again" in page.model.cells[0][6].text, "the lash read with the old shim proves nothing"
    assert window.session.examination.finding("lash_set", "1e").verdict.word == "unproven"
    assert STEPS["rocker"].progress(window.session) == (4, 4)
    page.take()
    assert "Nothing is to be changed" in page.wrong.text()
    window._actions["undo"].trigger()
    assert window.session.engine.fitted("lash shim", "1e").height_mm == pytest.approx(2.5)
    rocker.grab()


def test_an_empty_engine_of_either_gear_says_what_to_do(sheet):
    for gear, words in (
        ("finger follower", "Not stated yet: pivot to the stem"),
        ("bucket", "State the shims that are in"),
    ):
        window, rocker = sheet(Bench().do(Describe({"gear": gear}, gear)).book, "1e")
        page = rocker.stack.currentWidget().widget()
        assert words in page.words.text()
        window.session.show_page("Rocker")
        assert window.sheets["engine"].pages["Rocker"].mount.count() == (1 if gear == "bucket" else 2)
