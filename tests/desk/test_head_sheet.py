"""The bare-head sheet through the real window: words typed and pasted, the cut plan, the parts of the head."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication

from engines import Bench
from honest_lift.desk import questions
from honest_lift.desk.printing import save_text
from honest_lift.desk.valves_here import ValvesHere
from honest_lift.facts import disk

ENTER = Qt.Key.Key_Return


@pytest.fixture
def head(qtbot, open_window):
    """Open the sheet of an engine."""

    def opened(book=None):
        window = open_window(book)
        window._actions["step_head"].trigger()
        return window, window.sheets["head"]

    return opened


def choose(window, quantity, member=""):
    window.bar.choose(next(one for one in window.bar._tasks if (one.quantity, one.member) == (quantity, member)))


def cell(sheet, name, column):
    return sheet.model.cells[sheet.model.row_of(name)][column]


def test_an_observation_is_typed_and_what_is_no_word_stays_to_be_mended(qtbot, head):
    window, sheet = head(Bench().book)
    choose(window, "seat_contact")
    assert sheet.page.name == "Valves and seats", "the page follows what is read"
    assert "1 even, 2 broken, 3 off-centre" in window.bar.hint.text()
    qtbot.keyClicks(window.bar.entry, "round")
    qtbot.keyClick(window.bar.entry, ENTER)
    assert "“round” is none of them" in window.bar.understood.text()
    assert window.bar.entry.text() == "round"
    window.bar.entry.clear()
    qtbot.keyClicks(window.bar.entry, "off: half a thou")
    assert "guide and seat are not in line" in window.bar.understood.text()
    qtbot.keyClick(window.bar.entry, ENTER)
    assert (cell(sheet, "1e", 1).text, window.session.position) == ("off-centre", "1i")
    assert window.session.book.journal[-1].note == "half a thou"
    assert window.session.examination.finding("seat_contact", "1e").verdict.word == "fails"


def test_a_column_of_words_is_pasted_and_what_is_none_stays_with_its_reason(qtbot, head):
    window, sheet = head(Bench().book)
    choose(window, "leak_test")
    QGuiApplication.clipboard().setText("1e\tdry\n1i\tweeping\n2i\tsoaked\n2e\tdry")
    window.bar.paste()
    assert [cell(sheet, name, 3).text for name in ("1e", "1i", "2i", "2e")] == ["dry", "weeping", "soaked", "dry"]
    assert cell(sheet, "2i", 3).wrong
    assert "1 dry, 2 weeping" in cell(sheet, "2i", 3).hover


def test_a_plane_is_asked_for_by_keyboard_and_what_is_none_is_refused(qtbot, head):
    window, sheet = head()
    window.session.go("2e")
    sheet.pages.setCurrentIndex(2)
    told = []
    window.session.warned.connect(told.append)
    before = sheet.cut.words.text()
    sheet.cut.plane.setFocus()
    qtbot.keyClicks(sheet.cut.plane, "-.5 furlong")
    qtbot.keyClick(sheet.cut.plane, ENTER)
    assert "furlong" in told[-1]
    assert sheet.cut.plane.text() == "-.5 furlong", "what was typed stays to be mended"
    assert sheet.cut.words.text() == before
    sheet.cut.plane.selectAll()
    qtbot.keyClicks(sheet.cut.plane, "-.010")
    qtbot.keyClick(sheet.cut.plane, ENTER)
    assert "-0.0100 in" in sheet.cut.words.text()
    window._actions["undo"].trigger()
    assert sheet.cut.words.text() == before
    sheet.cut.plane.setText("-.010")
    qtbot.keyClick(sheet.cut.plane, ENTER)
    sheet.cut.plane.clear()
    qtbot.keyClick(sheet.cut.plane, ENTER)
    assert sheet.cut.words.text() == before, "a blank gives it back to the least metal"


def test_the_first_cut_is_recorded_alone_and_undone(head):
    window, sheet = head()
    window.session.go("2e")
    sheet.pages.setCurrentIndex(2)
    assert "Cut 2 exhaust 0.0087 in" in sheet.cut.words.text()
    sheet.cut.record.click()
    assert window.session.examination.finding("spring_seat_level", "2e").verdict.word == "unproven"
    assert window.session.examination.finding("installed_height", "2e").verdict.word == "unproven", (
        "the pocket is another now"
    )
    assert "measured, since it was changed, at 2 exhaust" in sheet.cut.words.text()
    assert sheet.cut.record.isHidden()
    window._actions["undo"].trigger()
    assert "Cut 2 exhaust" in sheet.cut.words.text()


def test_a_guide_reading_moves_to_the_same_depth_of_another_valve(qtbot, head, monkeypatch):
    window, sheet = head(Bench().book)
    choose(window, "guide_bore", "middle")
    qtbot.keyClicks(window.bar.entry, "8.05 mm")
    qtbot.keyClick(window.bar.entry, ENTER)
    window.session.go("1e")
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[0])
    window._actions["move"].trigger()
    assert (cell(sheet, "1e", 5).text, cell(sheet, "1i", 5).text) == ("", "8.05 mm")


def test_parts_of_the_head_are_stated_and_judged(qtbot, open_window):
    window = open_window(Bench().complete().book)
    window._actions["step_engine"].trigger()
    engine = window.sheets["engine"]
    engine.open_page("Head parts")
    page = engine.pages["Head parts"]
    rows = [page.facts.records.records[i].id for i in range(page.facts.records.rowCount())]
    index = page.facts.records.index(rows.index("lock_angle/engine/"), 2)
    page.facts.records.setData(index, "10", Qt.ItemDataRole.EditRole)
    assert window.session.examination.finding("lock_angle", "1e").verdict.word == "fails"
    engine.pages["Engine"].head.setCurrentText("aluminium")
    engine.pages["Engine"].head.activated.emit(2)
    assert window.session.examination.finding("hardened_base", "1e").verdict.word == "unproven"
    engine.pages["Engine"].base.setCurrentIndex(2)
    engine.pages["Engine"].base.activated.emit(2)
    assert window.session.examination.finding("hardened_base", "1e").verdict.word == "fails"


def test_the_ladder_folds_other_steps_away_and_shows_them_on_a_click(qtbot, head):
    window, _ = head()
    rungs = window.ladder.rungs
    assert {one.check.step for one in rungs.findings} == {"head"}
    shown = len(rungs.findings)
    assert rungs.folded
    from PyQt6.QtCore import QPoint

    qtbot.mouseClick(
        rungs, Qt.MouseButton.LeftButton, pos=QPoint(40, round((64 + rungs.rung * shown + 10) * rungs.zoom))
    )
    assert not rungs.folded
    assert len(rungs.findings) == len(window.session.examination.by_position[window.session.position])


def test_a_bench_card_becomes_a_pdf(open_window, tmp_path, monkeypatch):
    window = open_window()
    window._actions["step_shims"].trigger()
    path, said = tmp_path / "card.pdf", []
    monkeypatch.setattr(questions, "card_to_save", lambda parent, suggestion: path)
    monkeypatch.setattr(questions, "tell", lambda parent, title, words: said.append(words))
    save_text(window, window.session, "Shim plan\n1e  0.015\n", "Bench card")
    whole = path.read_bytes()
    assert whole.startswith(b"%PDF")
    assert said == []
    monkeypatch.setattr(disk.os, "fsync", lambda handle: (_ for _ in ()).throw(OSError(28, "No space left on device")))
    save_text(window, window.session, "another", "Bench card")
    assert said == [f"{path}: No space left on device."]
    assert path.read_bytes() == whole, "what stood there still does"


def test_every_page_is_drawn_for_an_empty_engine_and_one_with_nothing_measured(head):
    from honest_lift.facts.fresh import empty_book

    for book in (empty_book(), Bench().book):
        window, sheet = head(book)
        for index in range(sheet.pages.count()):
            sheet.pages.setCurrentIndex(index)
            window.session.walk(1)
            sheet.drawing.grab()
        window._actions["step_springs"].trigger()
        window.sheets["springs"].curve.grab()
        assert window.session.examination.of_engine("head").word == "unproven"


def test_the_planted_troubles_are_named_in_words(head):
    window, _ = head()
    wanted = {
        ("7i", "tip_level"): "is 0.023 in above its neighbours: a sunk seat or another valve",
        ("2e", "spring_seat_level"): "0.009 in above specification",
        ("4e", "leak_test"): "repair the seat, then test again",
    }
    for (name, check), words in wanted.items():
        window.session.go(name)
        assert window.ladder.rungs.chosen.check.name == check, "the worst of the open step is what the eye meets"
        assert words in window.ladder.reason.text()


def test_shims_below_nothing_are_explained_and_two_stacks_ask_for_members_pressed_apart(qtbot, head):
    window, _ = head()
    window._actions["step_heights"].trigger()
    choose(window, "shims")
    qtbot.keyClicks(window.bar.entry, "-.015")
    qtbot.keyClick(window.bar.entry, ENTER)
    assert "-0.015 in is outside 0 to 0.787 in" in window.bar.understood.text()
    assert window.bar.entry.text() == "-.015"
    window.bar.entry.clear()
    choose(window, "inner_shims")
    qtbot.keyClicks(window.bar.entry, ".030")
    qtbot.keyClick(window.bar.entry, ENTER)
    assert window.session.engine.fitted("inner shims", "1e").height_mm == pytest.approx(0.762)
    assert window.session.examination.finding("seat_load", "1e").verdict.word == "unproven", "pressed as one nest"


def test_valves_are_numbered_tried_and_exchanged_by_hand(head, monkeypatch):
    window, _ = head(Bench().complete().book)
    window.session.go("2i")
    dialog = ValvesHere(window, window.session)
    assert "its valve has no number" in dialog.title.text()
    said = ["1 2 3", "1 2 3 4", "1"]
    monkeypatch.setattr(questions, "words", lambda *given: said.pop(0))
    dialog.number()
    assert "3 numbers were given: there are 4 valves" in dialog.wrong.text()
    dialog.number()
    assert "valve 3 sits in it" in dialog.title.text()
    dialog.number()
    assert "would sit at two places" in dialog.wrong.text(), "1 is another's"
    said.append(" B7 ")
    dialog.put_another()
    assert "valve B7 sits in it" in dialog.title.text()
    assert [dialog.table.item(row, 0).text() for row in range(2)] == ["3", "B7"]
    assert dialog.table.item(0, 1).text() == "the bench"
    assert window.session.examination.finding("tip_level", "2i").verdict.word == "unproven"
    dialog.put_chosen()
    assert "Choose a valve" in dialog.wrong.text()
    dialog.table.setCurrentCell(0, 0)
    dialog.put_chosen()
    assert window.session.examination.finding("tip_level", "2i").verdict.word == "passes", "back in its seat"
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[0])
    dialog.exchange()
    assert "valve 2 sits in it" in dialog.title.text()
    assert window.session.examination.finding("valve_margin", "2i").verdict.word == "passes", "its margin came along"
    assert window.session.examination.finding("tip_level", "2i").verdict.word == "unproven"
    window._actions["undo"].trigger()
    assert "valve 3 sits in it" in dialog.title.text()
    dialog.reject()
