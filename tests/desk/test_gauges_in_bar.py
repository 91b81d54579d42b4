"""A gauge on a line, through the real window: it fills the bar, Enter takes it, and what is odd is asked and never silent."""

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from hands import choose
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.ledger import standing
from honest_lift.gauges.instruments.instrument import Instrument, kept_instruments
from honest_lift.gauges.instruments.pattern import Pattern
from honest_lift.numbers.verdict import Verdict
from wires import Wire

MICROMETER = Instrument("micrometer", pattern=Pattern(decimals=2), tool="height micrometer")


@pytest.fixture
def gauged(qtbot, open_window):
    """Open a window with one gauge on a line at the installed heights; give both and what was read since."""
    wires = []

    def opened(instrument=MICROMETER, step="heights"):
        wire, window = Wire(), open_window()
        wires.append((window, wire))
        session = window.session
        session.open_step(step)
        before = len(session.book.journal)
        session.lines.put((replace(instrument, port=wire.port),))
        qtbot.waitUntil(lambda: "is on the line" in window.bar.understood.text(), timeout=5000)
        qtbot.wait(150)  # silent for longer than a line

        def taken():
            made = [one for one in session.book.journal[before:] if getattr(one, "quantity", "")]
            return [(one.place.title, one.text, one.note) for one in made]

        return window, wire, taken

    yield opened
    for window, wire in wires:
        window.session.lines.close()
        wire.unplug()


def enter(window):
    QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)


def shows(qtbot, window, text):
    qtbot.waitUntil(lambda: window.bar.entry.text() == text, timeout=5000)


def test_a_line_fills_the_bar_and_enter_takes_it_as_it_was_sent(qtbot, gauged):
    window, wire, taken = gauged()
    for text in ("46.10", "46.20"):
        wire.send(f"{text} mm")
        shows(qtbot, window, f"{text} mm")
        assert "Enter takes it" in window.bar.then.text()
        enter(window)
    assert [(text, note) for _, text, note in taken()] == [
        ("46.10 mm", "sent by micrometer"),
        ("46.20 mm", "sent by micrometer"),
    ]
    assert len({place for place, _, _ in taken()}) == 2, "each steps on"
    last = standing(window.session.book.journal)[-1].reading
    assert last.value == pytest.approx(46.2)


def test_what_a_hand_types_is_never_overwritten_and_a_figure_not_taken_is_said(qtbot, gauged):
    window, wire, taken = gauged()
    QTest.keyClicks(window.bar.entry, "1.8", delay=60)
    wire.send("46.10 mm")
    qtbot.waitUntil(lambda: "empty the entry" in window.bar.then.text(), timeout=5000)
    assert window.bar.entry.text() == "1.8"
    window.bar.entry.clear()
    wire.send("46.10 mm")
    shows(qtbot, window, "46.10 mm")
    wire.send("46.12 mm")
    shows(qtbot, window, "46.12 mm")
    assert "in the place of 46.10 mm, which was not taken" in window.bar.then.text()
    assert taken() == []


def test_a_gauge_in_the_wrong_unit_is_asked_about(qtbot, gauged):
    """Set to inches, it sends a 25.4th of what the others are; its line says mm, as a gauge without a unit is set up."""
    window, wire, taken = gauged(replace(MICROMETER, pattern=Pattern(unit="mm")))
    choose(window, "seal_gap")
    ledger = standing(window.session.book.journal)
    usual = next(one.reading.value for one in ledger if one.reading.quantity == "seal_gap")
    wire.send(f"{usual / 25.4:.3f}")
    qtbot.waitUntil(lambda: window.bar.entry.text().endswith("mm"), timeout=5000)
    enter(window)
    assert "is the gauge set to in?" in window.bar.understood.text()
    assert taken() == []
    enter(window)
    assert len(taken()) == 1, "it was asked, and answered"


def test_rubbish_is_said_and_not_taken(qtbot, gauged):
    window, wire, _ = gauged()
    wire.send("46..1", "rub bish")
    qtbot.waitUntil(lambda: "“rub bish”, which is not taken" in window.bar.understood.text(), timeout=5000)
    assert window.bar.entry.text() == ""
    wire.send("46.10 mm")
    shows(qtbot, window, "46.10 mm")


def test_a_gauge_that_moves_is_not_taken_and_one_stand_is_taken_once(qtbot, gauged):
    window, wire, taken = gauged(replace(MICROMETER, streams=True, steady_s=0.0))
    wire.send("45.00 mm", "45.40 mm")
    shows(qtbot, window, "45.40 mm")
    assert window.bar.entry.font().italic()
    enter(window)
    assert "still moves" in window.bar.understood.text()
    assert taken() == []
    wire.send(*["46.10 mm"] * 6)
    qtbot.waitUntil(lambda: "Enter takes it" in window.bar.then.text(), timeout=5000)
    enter(window)
    wire.send(*["46.10 mm"] * 6)
    qtbot.wait(150)
    assert window.bar.entry.text() == "", "it still shows what was taken"
    enter(window)
    assert [text for _, text, _ in taken()] == ["46.10 mm"]
    wire.send("47.00 mm", *["46.30 mm"] * 6)
    qtbot.waitUntil(lambda: "Enter takes it" in window.bar.then.text(), timeout=5000)
    enter(window)
    assert [text for _, text, _ in taken()] == ["46.10 mm", "46.30 mm"]


def test_what_a_hand_types_in_a_gauges_place_is_the_hands(qtbot, gauged):
    """A stand that was never taken stays to be taken, and a question is never spoken over by a gauge that comes or goes."""
    window, wire, taken = gauged()
    wire.send("46.10 mm")
    shows(qtbot, window, "46.10 mm")
    window.bar.entry.clear()
    QTest.keyClicks(window.bar.entry, "1.9", delay=50)
    enter(window)
    assert [(text, note) for _, text, note in taken()] == [("1.9", "")]
    wire.send("99.00 mm")
    shows(qtbot, window, "99.00 mm")
    enter(window)
    asked = window.bar.understood.text()
    assert "Enter again takes it" in asked
    wire.unplug()
    qtbot.wait(900)
    assert window.bar.understood.text() == asked
    window.bar.entry.clear()
    window.bar._typed("")
    qtbot.waitUntil(lambda: "micrometer is" in window.bar.understood.text(), timeout=5000)


def test_a_foot_switch_takes_itself_and_never_answers_a_question(qtbot, gauged):
    window, wire, taken = gauged(replace(MICROMETER, takes_itself=True))
    wire.send("46.10 mm")
    qtbot.waitUntil(lambda: len(taken()) == 1, timeout=5000)
    for _ in range(3):  # far out of what such a height is: the same again is no answer
        wire.send("99.00 mm")
        qtbot.wait(120)
    assert len(taken()) == 1
    assert window.bar.entry.text() == "99.00 mm"
    enter(window)
    assert len(taken()) == 2


def test_a_burettes_start_is_filled_where_the_cursor_stands(qtbot, gauged):
    window, wire, taken = gauged(replace(MICROMETER, name="burette", pattern=Pattern("volume")), "squeeze")
    choose(window, "chamber_volume", "burette")
    QTest.qWait(50)
    window.activateWindow()
    window.bar.also.setFocus()
    qtbot.waitUntil(window.bar.also.hasFocus, timeout=5000)
    wire.send("0.4 cc")
    qtbot.waitUntil(lambda: window.bar.also.text() == "0.4 cc", timeout=5000)
    window.bar.entry.setFocus()
    wire.send("64.6 cc")
    shows(qtbot, window, "64.6 cc")
    enter(window)
    assert [(text, note) for _, text, note in taken()] == [("64.6 cc", "sent by burette")]
    assert standing(window.session.book.journal)[-1].reading.value == pytest.approx(64.2)


def test_another_dimension_is_not_put_in_and_a_lost_gauge_is_said(qtbot, gauged):
    window, wire, taken = gauged(replace(MICROMETER, name="tester", pattern=Pattern("load")))
    wire.send("137 lb")
    qtbot.waitUntil(lambda: "is none of it" in window.bar.then.text(), timeout=5000)
    assert window.bar.entry.text() == ""
    wire.unplug()
    qtbot.waitUntil(lambda: "tester is gone" in window.bar.understood.text(), timeout=5000)
    assert taken() == []


def test_a_gauge_that_types_like_a_keyboard_is_known_by_its_speed(qtbot, open_window):
    window = open_window()
    window.session.open_step("heights")
    before = len(window.session.book.journal)
    QTest.keyClicks(window.bar.entry, "1.8", delay=80)
    QTest.qWait(100)
    QTest.keyClicks(window.bar.entry, "46.10mm")
    enter(window)
    assert len(window.session.book.journal) == before
    assert "“1.8” stood there when “46.10mm” came as fast as a gauge types" in window.bar.understood.text()
    assert window.bar.entry.text() == "1.846.10mm", "it may have been a fast hand: no digit is dropped"
    window.bar.entry.setText("46.10mm")
    enter(window)
    assert window.session.book.journal[-1].value == pytest.approx(46.1)


def test_what_is_sent_where_nothing_is_measured_is_said(qtbot, gauged, open_window):
    window, wire, taken = gauged()
    window.session.show_page("Tools")
    wire.send("46.10 mm")
    qtbot.waitUntil(lambda: "micrometer sent 46.10 mm" in window.sheets["engine"].message.text(), timeout=5000)
    window.session.take(empty_book(), None)
    window.session.open_step("heights")
    wire.send("46.10 mm")
    qtbot.waitUntil(lambda: "nothing to measure here yet" in window.bar.then.text(), timeout=5000)
    assert (window.bar.entry.text(), taken()) == ("", [])


# --- the page ---


def page_of(window):
    window.session.show_page("Gauges")
    return window.sheets["engine"].pages["Gauges"]


def test_an_instrument_is_set_up_learns_its_line_and_is_recorded(qtbot, open_window, monkeypatch, tmp_path):
    window, wire = open_window(), Wire()
    page = page_of(window)
    page._add()
    table = page.table.records
    assert table.setData(table.index(0, 1), wire.port)
    assert not table.setData(table.index(0, 0), "") or kept_instruments()[0].name, "a name is needed"
    qtbot.waitUntil(lambda: "is on the line" in page.sent.toPlainText(), timeout=5000)
    qtbot.wait(150)
    page.table.setCurrentIndex(table.index(0, 0))
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(tmp_path / "sent.txt"), ""))
    page._record()
    wire.send("CH +0012.34 mm OK")
    qtbot.waitUntil(lambda: "is not taken" in page.sent.toPlainText(), timeout=5000)
    page._learn()
    assert kept_instruments()[0].pattern.before == "CH"
    qtbot.wait(300)
    wire.send("CH +0012.34 mm OK")
    qtbot.waitUntil(lambda: "12.34 mm" in page.sent.toPlainText().splitlines()[-1], timeout=5000)
    assert (tmp_path / "sent.txt").read_text().count("mm OK\\r\\n") == 2, (
        "it goes on though the instrument is set up otherwise"
    )
    page._drop()
    assert kept_instruments() == ()
    wire.unplug()


def test_what_its_sheet_says_of_a_gauge_is_typed_in_words(open_window):
    window = open_window()
    page = page_of(window)
    page._add()
    table, titles = page.table.records, [one.title for one in page.table.records.columns]
    page.table.setCurrentIndex(table.index(0, 0))

    def put(title, text):
        return table.setData(table.index(0, titles.index(title)), text)

    assert not put("point", "not sent"), "without decimals nobody knows where it stands"
    for title, text in (("frame", "7E"), ("sign", "in every line"), ("digits", "7"), ("decimals", "3"), ("point", "not sent"),
                        ("unit letters", "M=mm I=in"), ("baud", "2400"), ("is asked by", "?\\r"), ("zero after", "0")):  # fmt: skip
        assert put(title, text), title
    one = kept_instruments()[0]
    assert (one.bits, one.parity, one.speed, one.asks, one.zero_after) == (7, "E", 2400, "?\\r", 0)
    assert one.pattern.read("+0001815I").text == "1.815 in"
    assert "sign is missing" in one.pattern.read("0001815I")
    for title, text in (("unit letters", "M=bananas"), ("digits", "99"), ("decimals", "many"), ("zero after", "-1")):
        assert not put(title, text)
    assert kept_instruments()[0] == one


def test_a_drifted_zero_puts_what_was_read_since_in_doubt(qtbot, gauged):
    window, wire, taken = gauged(replace(MICROMETER, zero_after=2))
    for text in ("46.10", "46.20"):
        wire.send(f"{text} mm")
        shows(qtbot, window, f"{text} mm")
        enter(window)
    wire.send("46.30 mm")
    shows(qtbot, window, "46.30 mm")
    enter(window)
    assert "2 readings since its zero was looked at" in window.bar.understood.text()
    assert len(taken()) == 2
    page = page_of(window)
    page._zero()
    assert "46.30 mm: close it first" in window.sheets["engine"].message.text(), (
        "it is not closed: nothing is struck out for that"
    )
    assert not any(one.fate for one in standing(window.session.book.journal)[-2:])
    wire.send("0.05 mm")
    qtbot.waitUntil(lambda: "0.05 mm" in page.sent.toPlainText(), timeout=5000)
    page._zero()
    assert "shows 0.05 mm closed: set it to zero. 2 readings" in window.sheets["engine"].message.text()
    fates = [one.fate for one in standing(window.session.book.journal)[-2:]]
    assert fates == ["the gauge's zero had drifted"] * 2, "what a drifted gauge read proves nothing"
    window.session.undo()
    assert not any(one.fate for one in standing(window.session.book.journal)[-2:])


def test_a_gauge_whose_tool_is_not_in_the_drawer_proves_nothing(qtbot, gauged):
    """Another tool's uncertainty would let a figure pass that was never read with it."""
    window, wire, _ = gauged(replace(MICROMETER, tool="a tool of another shop"))
    wire.send("46.10 mm")
    shows(qtbot, window, "46.10 mm")
    position = window.session.position
    enter(window)
    assert window.session.book.journal[-1].tool == "a tool of another shop, not in the drawer for this"
    found = window.session.examination.finding("installed_height", position)
    assert found.verdict is Verdict.UNPROVEN
