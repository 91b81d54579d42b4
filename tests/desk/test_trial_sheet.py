"""A trial in the real window: typed, slid, kept, set side by side, accepted as one edit and taken back."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication

from honest_lift.desk import questions
from honest_lift.desk.reading_grid import Cell, sign_cell
from honest_lift.facts.changes import KINDS, Change
from honest_lift.numbers.verdict import Verdict


@pytest.fixture
def trial(open_window):
    """Open the sheet on the demonstration engine."""
    window = open_window()
    window._actions["step_trial"].trigger()
    return window, window.sheets["trial"]


def put(table, row, column, text):
    table.records.setData(table.records.index(row, column), text)


def test_a_change_is_typed_and_everything_that_moves_is_listed(trial):
    window, sheet = trial
    page, before = sheet.one_page, window.session.book
    assert "Choose a change" in page.words.text()
    said = []
    page.table.records.refused.connect(said.append)
    put(page.table, 0, 2, ".02")
    assert "Choose what is changed first" in said[-1]
    put(page.table, 0, 0, "polish it")
    assert "polish it" in said[-1]
    put(page.table, 0, 0, KINDS["head_cut"].title)
    put(page.table, 0, 1, "left")
    put(page.table, 0, 2, "a bit")
    assert "a bit" in said[-1]
    put(page.table, 0, 2, ".020")
    (change,) = page.table.changes
    assert (change.kind, change.where, change.amount) == ("head_cut", "left", pytest.approx(0.508))
    checks = {row[0].text for row in page.model.cells}
    assert {"Compression ratio", "Piston to valve", "Half-lift angle"} <= checks
    assert "Squish" not in checks
    words = page.words.text()
    assert "findings move" in words.splitlines()[0]
    assert "Squish stays as it is" in words
    assert "Nothing in a trial is proven" in words
    assert "chamber volume (8)" in words
    for row in page.model.cells:
        assert row[5].pencilled or row[5].verdict != "passes", "what a trial predicts is never drawn as proven"
    assert any(row[4] == Cell(verdict="passes") for row in page.model.cells), "what is proven now is drawn so"
    page.grid.copy()
    assert "passes as measured" in QGuiApplication.clipboard().text()
    assert window.session.book is before, "nothing is changed until it is accepted"
    page.each.setChecked(True)
    assert len(page.model.cells) > 60
    page.grid.setCurrentIndex(page.model.index(3, 0))
    assert window.session.position == page.model.position(3)


def test_a_sign_is_solid_for_what_is_proven_and_an_outline_for_what_is_not(trial):
    findings = trial[0].session.examination.findings
    assert {one.verdict for one in findings} == set(Verdict), "the demonstration has all four"
    for one in findings:
        cell = sign_cell(one)
        if one.verdict is not Verdict.UNPROVEN:
            assert cell == Cell(verdict=one.verdict.word)
        else:
            assert cell.words == f"{one.provisional.word} as measured" or cell == Cell(verdict="unproven")
    assert sign_cell(None) == Cell(verdict="unproven")


def test_the_slider_moves_the_chosen_change_live(trial, qtbot):
    page = trial[1].one_page
    page.show_changes((Change("a", "ratio", "", 1.6),))
    assert not page.model.cells, "the ratio it has moves nothing"
    page.slider.setSliderDown(True)
    page.slider.setValue(50)
    assert page.table.changes[0].amount == pytest.approx(1.7)
    assert any(row[0].text == "Coil-bind clearance" for row in page.model.cells)
    page.slider.setSliderDown(False)
    qtbot.waitUntil(lambda: "findings move" in page.words.text(), timeout=2000)
    page.show_changes((Change("b", "shims", "", -3.0),))
    assert "not so many shims" in page.words.text()
    assert not page.accept.isEnabled()


def test_trials_are_kept_by_name_set_side_by_side_and_forgotten(trial, monkeypatch):
    window, sheet = trial
    page = sheet.one_page
    page.keep()
    assert "nothing to keep" in window.bar.understood.text()
    for name, change in (("thin gasket", Change("a", "gasket", "", -0.3)), ("1.7", Change("b", "ratio", "", 1.7))):
        monkeypatch.setattr(questions, "words", lambda *_, name=name: name)
        page.kept.setCurrentIndex(0)
        page.show_changes((change,))
        page.keep()
    assert [one.name for one in window.session.engine.trials] == ["thin gasket", "1.7"]
    sheet.open_page("Side by side")
    heads = sheet.side_page.model.heads
    assert heads == ("check, worst", "now", "", "thin gasket", "", "1.7", "")
    rows = {row[0].text: row for row in sheet.side_page.model.cells}
    assert rows["Squish (quench)"][3].text.endswith("cyl. 5")
    assert rows["Card's max lift"][6].verdict == "fails"
    sheet.open_page("One trial")
    page.kept.setCurrentIndex(1)
    page.kept.activated.emit(1)
    assert page.table.changes[0].kind == "gasket"
    page.forget()
    assert [one.name for one in window.session.engine.trials] == ["1.7"]
    window._actions["undo"].trigger()
    assert len(window.session.engine.trials) == 2


def test_accepted_is_one_edit_and_says_what_is_to_be_read_again(trial, qtbot):
    window, sheet = trial
    page = sheet.one_page
    page.show_changes((Change("a", "head_cut", "", 0.508), Change("b", "shims", "", 0.381)))
    page.accept.click()
    assert "predicted until it is read again" in window.bar.understood.text()
    assert page.table.changes == ()
    engine = window.session.engine
    assert [one.amount for one in engine.fitments if one.change == "head_cut"] == [0.508, 0.508]
    assert window.session.examination.finding("installed_height", "3i").verdict.word == "unproven"
    assert any(step.quantity == "installed_height" for step in window.session.plan)
    window._actions["undo"].trigger()
    assert window.session.examination.finding("installed_height", "3i").verdict.word == "passes"


def test_a_change_is_taken_out_with_the_keyboard_in_reach(trial, qtbot):
    sheet = trial[1]
    page = sheet.one_page
    page.show_changes((Change("a", "gasket", "", 0.3), Change("b", "dish", "5", 1.0)))
    page.table.setCurrentIndex(page.table.records.index(0, 0))
    page.table.drop()
    assert [one.kind for one in page.table.changes] == ["dish"]
    put(page.table, 1, 0, KINDS["springs"].title)
    assert page.table.changes[1].part == ""
    put(page.table, 1, 2, "new set in its box")
    assert page.table.changes[1].part == "new"
    assert any(row[0].text == "Share of set" for row in page.model.cells)
    qtbot.keyClick(page.table, Qt.Key.Key_Up)
    sheet.grab()
