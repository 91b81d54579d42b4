"""The sheet of the book through its real widgets: ticked, held up, signed, written down, proven."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.checks.signed import to_sign
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk import questions
from honest_lift.facts.book.written import written
from honest_lift.facts.edits import Describe
from honest_lift.facts.job import Job


@pytest.fixture
def window(open_window):
    made = Bench().complete().do(Describe({"hand": "Ash", "people": ("Ash",), "job": Job("spring change")}, "hand"))
    opened = open_window(made.height("1e", 48.0).book)
    opened._actions["step_book"].trigger()
    return opened


def chosen(page, key):
    page.grid.selectRow(next(i for i, one in enumerate(page.model.items) if one.item.key == key))
    return page.current


def test_the_route_is_walked_by_keyboard_and_held_up_until_somebody_signs(qtbot, window, monkeypatch):
    page, session = window.sheets["book"].route_page, window.session
    monkeypatch.setattr(questions, "words", lambda parent, title, question, before="": "customer wants it so")
    chosen(page, "cups_first")
    qtbot.keyClick(page.tick, Qt.Key.Key_Space)
    assert page.model.row_cells("cups_first")[1].text == "✓"
    held = chosen(page, "springs_pass").held_by
    assert held
    assert not page.tick.isEnabled()
    assert "Hold: springs" in page.told.text()
    for one in held:
        session.open_step("heights")
        session.go(one.position)
        rungs = window.ladder.rungs
        rungs.choose(next(i for i, each in enumerate(rungs.findings) if each.check == one.check))
        window._actions["sign"].trigger()
    assert len(written(session.book.journal).signed) == len(held)
    window._actions["step_book"].trigger()
    assert not chosen(page, "springs_pass").held_by
    qtbot.keyClick(page.tick, Qt.Key.Key_Space)
    assert chosen(page, "springs_pass").is_done
    assert "customer wants it so" in page.told.text()
    qtbot.keyClick(page.back, Qt.Key.Key_Space)
    assert not chosen(page, "springs_pass").is_done


def test_an_entry_is_typed_and_what_makes_no_sense_stays(qtbot, window):
    window.sheets["book"].open_page("Log")
    page = window.sheets["book"].log_page
    page.day.setText("2026-06-01")
    qtbot.keyClicks(page.hours, "two")
    qtbot.keyClicks(page.words, "test day")
    qtbot.keyClick(page.words, Qt.Key.Key_Return)
    assert "“two” is no number of hours" in page.wrong.text()
    assert page.words.text() == "test day"
    page.hours.setText("2,5")
    qtbot.keyClick(page.words, Qt.Key.Key_Return)
    assert (page.words.text(), page.model.rowCount()) == ("", 1)
    assert "2.5 hours and 0 passes in all" in page.sums.text()
    page.grid.selectRow(0)
    page.take_back()
    assert page.model.rowCount() == 0


def test_the_book_tells_its_fingerprint_and_is_proven(window, monkeypatch):
    window.sheets["book"].open_page("Entries")
    page, said = window.sheets["book"].chain_page, []
    assert window.session.book.chains[-1].fingerprint in page.mark.text()
    assert "rocker ratio of engine" in page.lines.toPlainText()
    monkeypatch.setattr(questions, "tell", lambda parent, title, words: said.append(words))
    page.prove()
    assert said[0].startswith("holds: ")


def test_two_seasons_show_the_one_that_goes_away(open_window):
    window = open_window(demonstration("seasons"))
    window._actions["step_book"].trigger()
    window.sheets["book"].open_page("Seat load on the engine")
    page = window.sheets["book"].trend_page
    assert page.told.text().startswith("3 exhaust, spring")
    assert "replace it" in page.told.text()


def test_lash_is_read_in_the_order_of_the_stops(qtbot, open_window):
    window = open_window(demonstration("four"))
    window._actions["step_rocker"].trigger()
    window.sheets["rocker"].open_page("Turn plan")
    page = window.sheets["rocker"].turn_plan
    order = page.model.plan.order
    page.walk.click()
    seen = []
    for _ in order:
        seen.append(window.session.position)
        assert window.bar.task.quantity == "lash"
        qtbot.keyClicks(window.bar.entry, "0.20")
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert tuple(seen) == order
    assert order != tuple(one.id for one in window.session.engine.layout.positions)
    page.order.setText("1-3")
    page.order.editingFinished.emit()
    assert "every cylinder once" in page.wrong.text()
    page.order.setText("1-2-4-3")
    page.order.editingFinished.emit()
    assert [one.cylinder for one in window.session.engine.firing] == [1, 2, 4, 3]


def test_bolts_are_pulled_one_by_one_and_a_step_is_an_entry(qtbot, window):
    sheet = window.sheets["book"]
    sheet.open_page("Head bolts")
    page, session = sheet.bolts_page, window.session
    for name, text in (("torque", "90 Nm"), ("steps", "two"), ("wet", "1 77"), ("order", "1 2 3")):
        page.fields[name].setText(text)
        page.fields[name].editingFinished.emit()
        assert page.wrong.isHidden() is (name == "torque"), name
    assert "all 6 places" in page.wrong.text()
    assert (session.engine.bolts.torque_nm, session.engine.bolts.steps, session.engine.bolts.order) == (90.0, 3, ())
    page.fields["wet"].setText("2 5")
    page.fields["wet"].editingFinished.emit()
    assert session.engine.bolts.wet == (2, 5)
    page.fields["steps"].setText("²")
    page.fields["steps"].editingFinished.emit()
    assert "from 1 to 6" in page.wrong.text()
    for _ in range(6):
        assert "step 1 of 3" in page.told.text()
        page.next.click()
    assert written(session.book.journal).ticked["bolts head step 1 of 3"].note == "22.1 lbf·ft"
    assert "step 2 of 3, bolt 1 of 6: 44.3 lbf·ft" in page.told.text()
    for _ in range(12):
        page.next.click()
    assert ("all 3 steps are done: 66.4 lbf·ft" in page.told.text(), page.next.isEnabled()) == (True, False)
    page.fields["steps"].setText("2")
    page.fields["steps"].editingFinished.emit()
    assert "step 1 of 2, bolt 1 of 6: 33.2 lbf·ft" in page.told.text(), "another plan begins anew"


def test_the_route_is_ones_own_and_kept_for_the_shop(qtbot, window, open_window, monkeypatch, tmp_path):
    monkeypatch.setenv("XDG_DATA_HOME", str(tmp_path))
    page, session = window.sheets["book"].route_page, window.session
    said = []
    session.warned.connect(said.append)
    chosen(page, "locks_flush")
    page.own.setText("wires of the  locks counted")
    qtbot.keyClick(page.own, Qt.Key.Key_Return)
    words = [one.item.words for one in page.model.items]
    assert (
        words.index("wires of the locks counted")
        == [one.item.key for one in page.model.items].index("springs_pass") + 1
    )
    page.own.setText("wires of the locks counted")
    qtbot.keyClick(page.own, Qt.Key.Key_Return)
    assert "on the route already" in said[-1]
    chosen(page, "cups_first")
    page.leave_out()
    assert "cups_first" not in [one.item.key for one in page.model.items]
    page.keep_for_shop()
    other = open_window(Bench().do(Describe({"job": Job("spring change")}, "job")).book)
    other._actions["step_book"].trigger()
    there = other.sheets["book"].route_page
    there.use_shops()
    assert other.session.engine.own_route == session.engine.own_route
    assert [one.item.key for one in there.model.items] == [one.item.key for one in page.model.items]
    (tmp_path / "honest-lift" / "route.json").write_text("[]", encoding="utf-8")
    told = []
    other.session.warned.connect(told.append)
    there.use_shops()
    assert "It is no route" in told[0]


@pytest.mark.parametrize("job", ["spring change", "new heads"])
def test_the_whole_route_is_walked_by_keyboard(qtbot, open_window, monkeypatch, job):
    """Nothing is measured here: each finding that holds it up is signed for, and every item ticked at the keyboard."""
    made = Bench("head: 1e 1i").do(Describe({"hand": "Ash", "people": ("Ash",), "job": Job(job)}, "hand"))
    window = open_window(made.book)
    window._actions["step_book"].trigger()
    page, session = window.sheets["book"].route_page, window.session
    monkeypatch.setattr(questions, "words", lambda parent, title, question, before="": "as agreed")
    page.grid.selectRow(0)
    for row in range(page.model.rowCount()):
        held = page.current.held_by
        assert page.tick.isEnabled() is not bool(held)
        for one in held:
            session.do(to_sign(session.book, one, "as agreed"))
        qtbot.keyClick(page.tick, Qt.Key.Key_Space)
        assert page.current.is_done, page.current.item.words
        page.grid.setFocus()
        qtbot.keyClick(page.grid, Qt.Key.Key_Down)
        assert page.grid.currentIndex().row() == min(row + 1, page.model.rowCount() - 1)
    assert session.examination.of_engine().word == "unproven", "no verdict changes by signing"
