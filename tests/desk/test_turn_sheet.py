"""Through the turn in the real window: the crank turned by hand and played, a row of readings typed, rods stated."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QLineEdit

from engines import Bench, without_facts
from honest_lift.desk.steps.order import STEPS
from honest_lift.drawings.chart import chart_words
from honest_lift.drawings.scene import Words
from honest_lift.facts.place import at_position
from turning import OVER, opposed_heads


@pytest.fixture
def turn(open_window):
    """Open the sheet of an engine at a valve."""

    def opened(book=None, position="3i"):
        window = open_window(book)
        window._actions["step_turn"].trigger()
        window.session.go(position)
        return window, window.sheets["turn"]

    return opened


def told(view):
    return [one.text for _, scene in view.scenes for one in scene.strokes if isinstance(one, Words)]


def test_the_demonstration_tells_which_cylinder_is_near_and_what_moves_it(turn):
    window, sheet = turn(position="7e")
    words = sheet.crank_page.words.text()
    assert words.startswith("Tightest at 7 exhaust: piston to valve ")
    assert "coil-bind clearance" in words.splitlines()[0]
    assert words.splitlines()[1].startswith("7 exhaust: ")
    assert "A degree of advance" in words
    assert window.session.examination.finding("piston_valve", "3e").verdict.word == "passes"
    near = window.session.examination.finding("piston_valve", "7e")
    assert (near.verdict.word, near.provisional.word) == ("unproven", "fails")
    assert "7 exhaust: piston to valve, in" in chart_words(sheet.crank_page.curves.chart)
    assert STEPS["turn"].progress(window.session) == (16, 16)
    sheet.grab()


def test_the_crank_is_turned_by_hand_and_played(turn, qtbot):
    window, sheet = turn()
    window.show()
    at_tdc = told(sheet.crank_page.heads)
    sheet.crank_page.crank.setValue(19)
    assert sheet.crank_page.at.text() == "9.5° ATDC"
    assert told(sheet.crank_page.heads) != at_tdc
    sheet.crank_page.crank.setValue(sheet.crank_page.crank.maximum())
    sheet.crank_page.play()
    assert sheet.crank_page.play_button.text() == "Stop"
    qtbot.waitUntil(lambda: sheet.crank_page.crank.value() > sheet.crank_page.crank.minimum() + 3, timeout=3000)
    sheet.crank_page.play()
    assert sheet.crank_page.play_button.text() == "Play"


def test_a_row_is_typed_line_by_line_and_proves_its_least(turn, qtbot):
    window, sheet = turn(Bench().book, "1i")
    assert "nothing is measured towards it yet" in sheet.crank_page.curves.chart.missing
    sheet.open_page("Clearance by angle")
    table = sheet.rows_page.table

    def put(row, text, column=1):
        table.records.setData(table.records.index(row, column), text)

    for row in range(21):
        angle = -20 + 2 * row
        put(row, f"{3.0 + 0.012 * (angle - 9) ** 2:.3f} mm")
    assert sheet.rows_page.told.text().startswith("Least 0.118 in, 9.0 degrees from TDC")
    one = window.session.book.journal[-1]
    assert (one.quantity, one.at, one.place) == ("piston_valve_room", {"crank_at": 20.0}, at_position("1i"))
    assert window.session.examination.finding("piston_valve", "1i").figure == pytest.approx(3.0, abs=0.01)
    assert window.session.examination.finding("piston_valve", "1e").verdict.word == "unproven"
    put(3, "a bit")
    assert "a bit" in sheet.rows_page.wrong.text()
    put(14, ".3")
    assert any("above what its neighbours make" in one.odd for one in table.records.records)
    table.setCurrentIndex(table.records.index(14, 1))
    sheet.rows_page.strike_row()
    assert sheet.rows_page.told.text().startswith("Least 0.118 in")
    last = len(table.records.records) - 1
    put(last, "9", column=0)
    put(last, "3.0 mm")
    assert window.session.book.journal[-1].at == {"crank_at": 9.0}
    sheet.open_page("Piston and valve")
    read = [point for one in sheet.crank_page.curves.chart.panels[0].series if one.keys for point in one.points]
    assert len(read) > 10
    sheet.crank_page.rods.setCurrentIndex(2)
    sheet.crank_page.rods.activated.emit(2)
    assert window.session.engine.rod_material == "aluminium"
    assert window.session.examination.finding("piston_valve", "1i").lowest == pytest.approx(0.110 * 25.4)
    window._actions["undo"].trigger()
    assert sheet.crank_page.rods.currentIndex() == 0


def test_a_drop_is_read_valve_by_valve_at_the_bar(turn, qtbot):
    window, _ = turn(Bench().book, "1e")
    window.bar.what.setCurrentText("valve drop at TDC")
    window.bar.what.activated.emit(window.bar.what.currentIndex())
    for text in ("8.1 mm", "8.2 mm"):
        window.bar.entry.setFocus()
        qtbot.keyClicks(window.bar.entry, text)
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert [(one.place.name, one.value) for one in without_facts(window.session.book.journal)] == [
        ("1e", 8.1),
        ("1i", 8.2),
    ]


def test_a_row_is_one_pass_at_the_keyboard(turn, qtbot):
    window, sheet = turn(Bench().book, "1i")
    window.show()
    sheet.open_page("Clearance by angle")
    table = sheet.rows_page.table
    table.setCurrentIndex(table.records.index(4, 1))
    table.setFocus()
    for text in ("6.2 mm", "5.1 mm", "4.4 mm"):
        row = table.currentIndex().row()
        qtbot.keyClick(table, text[0])
        qtbot.waitUntil(lambda: table.findChild(QLineEdit) is not None, timeout=2000)
        editor = table.findChild(QLineEdit)
        qtbot.keyClicks(editor, text[1:])
        qtbot.keyClick(editor, Qt.Key.Key_Return)
        qtbot.waitUntil(
            lambda row=row: table.currentIndex().row() == row + 1 and table.findChild(QLineEdit) is None, timeout=2000
        )
    read = [(one.at["crank_at"], one.value) for one in without_facts(window.session.book.journal)]
    assert read == [(-12.0, 6.2), (-10.0, 5.1), (-8.0, 4.4)]


def test_the_mock_up_is_told_with_what_each_stem_is_set_to(turn):
    """Stem protrusion less TDC lift: common practice, no source."""
    _, sheet = turn()
    told = next(
        one for one in sheet.crank_page.words.text().splitlines() if one.startswith("Valve to valve on the bench")
    )
    assert "intake 0.160 in, its stem to" in told


def test_a_copied_row_is_pasted_whole_or_not_at_all(turn):
    window, sheet = turn(Bench().book, "1i")
    sheet.open_page("Clearance by angle")
    clipboard = QGuiApplication.clipboard()
    for text, why in (
        ("", "Nothing was copied"),
        ("-2; 3.1 mm\n0", "Line 2"),
        ("-2; 3.1 mm\n0; lots", "lots"),
        ("2 3.1 mm\n2 3.2 mm", "twice"),
    ):
        clipboard.setText(text)
        sheet.rows_page.paste_row()
        assert why in sheet.rows_page.wrong.text()
        assert not without_facts(window.session.book.journal)
    clipboard.setText("\n".join(f"{at}\t{3.0 + 0.012 * (at - 9) ** 2:.3f} mm" for at in range(-20, 21, 2)))
    sheet.rows_page.paste_row()
    assert len(without_facts(window.session.book.journal)) == 21
    assert sheet.rows_page.told.text().startswith("Least 0.118 in, 9.0 degrees")
    window._actions["undo"].trigger()
    assert sheet.rows_page.told.text() == ""


def test_the_handle_goes_where_the_valve_is_tight_and_the_tightest_is_marked(turn):
    window, sheet = turn(position="7i")
    page = sheet.crank_page
    page.go_tightest()
    near = window.session.examination.finding("piston_valve", "7i")
    assert "piston 0.073 in" in told(page.train)
    assert page.crank.value() / 2 == pytest.approx(9.0, abs=1.0)
    page.crank.setValue(2 * 108)
    marked = [one.text for _, scene in page.train.scenes for one in scene.strokes
              if isinstance(one, Words) and one.ink == "mark"]  # fmt: skip
    bind = window.session.examination.finding("coil_bind_clearance", "7i")
    assert marked == [f"bind {bind.figure / 25.4:.3f} in"], "at full lift the spring is what is left the least of"
    assert near.figure / 25.4 == pytest.approx(0.073, abs=5e-4)
    empty, alone = turn(Bench().book, "1i")
    alone.crank_page.go_tightest()
    assert "Nothing that moves" in empty.bar.understood.text()


def test_heads_that_lean_are_drawn_against_each_other(turn):
    _, sheet = turn(opposed_heads(over=OVER - 5.2).book, "1e")
    sheet.crank_page.crank.setValue(16)
    assert {"1 intake", "1 exhaust"} <= set(told(sheet.crank_page.heads))
    gaps = [one for one in told(sheet.crank_page.heads) if one.endswith("apart")]
    assert gaps == ["0.049 in apart"] or float(gaps[0].split()[0]) == pytest.approx(0.05, abs=0.01)
