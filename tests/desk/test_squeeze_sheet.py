"""Chambers, the way to a ratio and ports in the real window: poured cylinder by cylinder at the keyboard."""

import pytest
from PyQt6.QtCore import Qt

from chambers import BURETTE, poured
from engines import Bench, without_facts
from honest_lift.desk.steps.order import STEPS
from honest_lift.drawings.scene import Words
from honest_lift.facts.edits import Put
from honest_lift.facts.place import at_cylinder, at_position


@pytest.fixture
def squeeze(open_window):
    """Open the sheet of an engine at a valve."""

    def opened(book=None, position="1i"):
        window = open_window(book)
        window._actions["step_squeeze"].trigger()
        window.session.go(position)
        return window, window.sheets["squeeze"]

    return opened


def told(view):
    return [one.text for _, scene in view.scenes for one in scene.strokes if isinstance(one, Words)]


def test_the_demonstration_names_its_weeping_chamber_and_its_proud_piston(squeeze):
    window, sheet = squeeze(position="4i")
    words = sheet.chambers_page.words.text()
    assert words.startswith("Cylinder 4: 4 exhaust leaks, so chamber 4 does not count; repair the seat and pour again.")
    assert "To match them open up" in words
    assert "Milled alike they keep that spread" in words
    assert "dynamic, from 0.050 in of intake lift on" in words
    assert "off the head takes" in words
    assert any("clearance volume" in one for one in told(sheet.chambers_page.drawing))
    rows = {row[0].text: row for row in sheet.chambers_page.model.cells}
    assert rows["4"][1].text == "64.8 ×2"
    assert (rows["5"][8].verdict, rows["4"][8].verdict) == ("fails", "unproven")
    assert STEPS["squeeze"].progress(window.session) == (16, 16)
    sheet.grab()


def test_four_chambers_are_poured_without_the_mouse(squeeze, qtbot):
    bench = Bench("head: 1e 1i 2i 2e 3e 3i 4i 4e").do(Put("tools", BURETTE))
    window, sheet = squeeze(bench.book, "1e")
    assert window.bar.task.quantity == "chamber_volume"
    assert "not known yet" in told(sheet.chambers_page.drawing)[0]
    for text in ("60.2", "60.4", "lots"):
        qtbot.keyClicks(window.bar.entry, text)
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert "lots" in window.bar.understood.text()
    assert window.bar.entry.text() == "lots", "it stays to be mended"
    window.bar.entry.clear()
    qtbot.keyClicks(window.bar.entry, "60.0")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    read = [(one.place, one.value) for one in without_facts(window.session.book.journal)]
    assert read == [(at_cylinder(1), 60.2), (at_cylinder(2), 60.4), (at_cylinder(3), 60.0)]
    assert window.bar.where.text() == "cylinder 4"


def test_a_deck_is_read_at_points_across(squeeze, qtbot):
    window, _ = squeeze(poured().book, "1e")
    window.bar.what.setCurrentText("deck clearance, front")
    window.bar.what.activated.emit(window.bar.what.currentIndex())
    qtbot.keyClicks(window.bar.entry, ".3 mm")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert window.session.book.journal[-1].place == at_cylinder(1, "front")
    assert window.bar.where.text() == "cylinder 2 front"


def test_the_way_to_a_ratio_is_worked_out_and_tried(squeeze):
    window, sheet = squeeze(poured((60.0,) * 4).book)
    sheet.open_page("Target ratio")
    page = sheet.ratio_page
    page.wanted.setText("lots")
    page.work_out()
    assert "lots" in page.told.text()
    page.wanted.setText("2")
    page.work_out()
    assert "2" in page.told.text()
    page.wanted.setText("11")
    page.work_out()
    rows = {row[0].text: row for row in page.model.cells}
    assert rows["head cut"][1].text.endswith("in off")
    assert rows["head cut"][2].text == "11.00"
    page.try_it()
    assert page.told.text() == "Choose a way that can be gone."
    page.grid.setCurrentIndex(page.model.index(0, 0))
    page.try_it()
    assert window.session.step == "trial"
    (change,) = window.sheets["trial"].one_page.table.changes
    assert change.kind == "head_cut"


def test_a_port_is_flowed_lift_by_lift_and_drawn_beside_the_cam(squeeze):
    window, sheet = squeeze(position="3i")
    sheet.open_page("Ports")
    page = sheet.ports_page
    for position, flows in (("3i", (70, 140, 200, 245, 268, 271)), ("3e", (50, 100, 135, 160, 172, 178))):
        window.session.go(position)
        for row, flow in enumerate(flows):
            page.table.records.setData(page.table.records.index(row, 1), str(flow))
    one = window.session.book.journal[-1]
    assert (one.quantity, one.place, round(one.at["flow_lift"], 6)) == ("port_flow", at_position("3e"), 15.24)
    window.session.go("3i")
    words = page.words.text()
    assert "3 intake: max 271.0 cfm; from 0.500 in on it gains next to nothing, and the cam lifts 0.550 in" in words
    assert "percent of the intake at the same lifts" in words
    assert max(y for one in page.drawing.chart.panels[0].series for _, y in one.points) == pytest.approx(271.0, abs=0.5)
    page.table.records.setData(page.table.records.index(0, 1), "plenty")
    assert "plenty" in page.wrong.text()
