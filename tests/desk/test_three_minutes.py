"""From an empty window to sixteen verdicts by keyboard alone, as somebody does who has the README and sixteen springs."""

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QComboBox

from honest_lift.facts.edits import EditError
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.facts.parts import Spring, SpringSet
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.new_engine import TEMPLATES, Answers, begin

ENTER, TAB = Qt.Key.Key_Return, Qt.Key.Key_Tab
KEYS_A_MINUTE = 180  # an unhurried hand
ANSWERS = (  # in the order Tab comes to them; a list is chosen by its beginning, an empty one is passed over
    "", "pushrod", "", "", "", "as", "Bench 350", "", "", "single", "linear", ".350", "", "1.5", "", "1.800",
    "195 235", "480 560", "1.800 1.280",
)  # fmt: skip
TYPED = {"load at 1.800 in": "215", "load at 1.280 in": "520", "bind height": "1.190"}


class Hand:
    """Presses keys on whatever has the focus, and counts them."""

    def __init__(self) -> None:
        self.count = 0

    def key(self, key, modifier=Qt.KeyboardModifier.NoModifier):
        QTest.keyClick(QApplication.focusWidget(), key, modifier)
        self.count += 1

    def type(self, text):
        for one in text:
            QTest.keyClick(QApplication.focusWidget(), one)
            self.count += 1


def choose(hand, window, title):
    """Step through the bar's list by the keys until a title is chosen, and go back to the entry."""
    what = window.bar.what
    what.setFocus()
    hand.count += 1
    while what.currentText() != title:
        hand.key(Qt.Key.Key_Down)
        what.activated.emit(what.currentIndex())
        what.setFocus()
    window.bar.entry.setFocus()
    hand.count += 1


def test_sixteen_verdicts_in_three_minutes_of_typing(qtbot, open_window, capsys):
    window = open_window(empty_book())
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=3000)
    hand = Hand()
    window.session.show_page("Begin")
    page = window.sheets["engine"].pages["Begin"]
    page.units.setFocus()
    for text in ANSWERS:
        here = QApplication.focusWidget()
        hand.type(text)
        if isinstance(here, QComboBox):
            here.activated.emit(here.currentIndex())
        hand.key(TAB)
    assert QApplication.focusWidget() is page.begin
    hand.key(Qt.Key.Key_Space)
    assert window.session.step == "heights"
    qtbot.waitUntil(lambda: QApplication.focusWidget() is window.bar.entry, timeout=2000)
    assert (window.bar.task.quantity, window.bar.place.name) == ("installed_height", "1e")
    for _ in range(16):
        hand.type("1.800")
        hand.key(ENTER)
    hand.key(Qt.Key.Key_3, Qt.KeyboardModifier.ControlModifier)
    window._actions["step_springs"].trigger()  # what Ctrl+3 does; the offscreen platform hands no shortcuts on
    for title, text in TYPED.items():
        choose(hand, window, title)
        for _ in range(16):
            hand.type(text)
            hand.key(ENTER)
    found = window.session.examination
    for check in ("installed_height", "coil_bind_clearance", "seat_load", "open_load"):
        verdicts = [found.finding(check, one.id).verdict for one in window.session.engine.layout.positions]
        assert len(verdicts) == 16
        assert set(verdicts) <= {Verdict.PASSES, Verdict.CLOSE}, check
    with capsys.disabled():
        print(f"\nkeys from an empty window to sixteen verdicts: {hand.count}")
    assert hand.count < 3 * KEYS_A_MINUTE


@pytest.mark.parametrize("name", TEMPLATES)
def test_a_template_presets_layout_and_gear_and_no_figure(name):
    book, kind = empty_book(), TEMPLATES[name]
    engine, entries = begin(book.engine, Answers("", kind.layout, kind.gear, kind.lifter, kind.head, kind.mount)).apply(
        book
    )
    assert entries == ()
    assert engine.layout == read_layout(COMMON[kind.layout])
    assert (engine.gear, engine.lifter, engine.facts) == (kind.gear, kind.lifter, ())
    assert all(engine.spring_at(one.id) for one in engine.layout.positions)


def test_springs_that_are_there_already_stay_what_they_are():
    book = empty_book()
    old = SpringSet("old", "found in a drawer", "", "used")
    book = replace(book, engine=replace(book.engine, sets=(old,), springs=(Spring("1", "old"), Spring("3", "old"))))
    engine, _ = begin(book.engine, Answers("", "Single, two valves")).apply(book)
    assert {one.id: one.set for one in engine.springs if one.set == "old"} == {"1": "old", "3": "old"}
    assert {engine.spring_at(one.id) for one in engine.layout.positions} == {"2", "4"}


def test_a_lift_at_the_valve_comes_from_the_lobe_by_the_ratio():
    book = empty_book()
    told = Answers("", "Single, two valves", lift_mm=12.0, at_valve=True, ratio=1.5)
    engine, _ = begin(book.engine, told).apply(book)
    assert next(one.value for one in engine.facts if one.quantity == "lobe_lift") == pytest.approx(8.0)
    with pytest.raises(EditError, match="makes no lobe"):
        begin(book.engine, Answers("", "Single, two valves", lift_mm=50.0, at_valve=True, ratio=1.5))
    with pytest.raises(EditError, match="needs the rocker ratio"):
        begin(book.engine, Answers("", "Single, two valves", lift_mm=12.0, at_valve=True))


def test_a_wrong_answer_is_said_and_everything_typed_stays(open_window):
    window = open_window(empty_book())
    window.session.show_page("Begin")
    sheet = window.sheets["engine"]
    page = sheet.pages["Begin"]
    for name, text, said in (
        ("target", "18.00", "Target height: 18 in is outside"), ("seat", "235 195", "type the min load, then the max"),
        ("lift", "high", "Lift: “high”"), ("heights", "1.8 x", "Heights on the tester"),
        ("lift", "1.2", "Lift: 1.2 in is outside"), ("ratio", "4", "Rocker ratio: 4 is outside"), ("heights", "1.8 1.8", "twice"),
    ):  # fmt: skip
        before = page.typed[name].text()
        page.typed[name].setText(text)
        page.begin.click()
        assert said in sheet.message.text()
        assert page.typed[name].text() == text
        assert not window.session.engine.layout.positions
        page.typed[name].setText(before)
    page.begin.click()
    assert len(window.session.engine.layout.positions) == 16
    window._actions["undo"].trigger()
    assert not window.session.engine.layout.positions, "one edit, one undo"
