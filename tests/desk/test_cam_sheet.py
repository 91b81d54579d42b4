"""The camshaft sheet through the real window: card, turn, measured lobes and degreeing as a person does them."""

import csv
import io
from xml.etree import ElementTree as ET

import numpy as np
import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.desk import questions
from honest_lift.desk.cam.card_page import _LINES
from honest_lift.desk.cam.listener import Listener
from honest_lift.desk.cam.table_dialog import TableDialog, tables_from
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.card_text import read_durations
from honest_lift.facts.edits import Put
from honest_lift.facts.ledger import tables
from honest_lift.facts.lobe_edits import TakeTables, table_of
from honest_lift.facts.place import at_position, at_role
from honest_lift.gauges.walked_lobe import WalkedLobe
from honest_lift.numbers.entry import EntryError

LINES = [one.id for one in _LINES]
WALKED = [(a, round(max(0.0, 0.35 - (a - 105) ** 2 / 50000), 3)) for a in range(-90, 301, 5)]


@pytest.fixture
def cam(open_window):
    """Open a page of the sheet of an engine."""

    def opened(page="Around the turn", book=None, position="1i"):
        window = open_window(book)
        window._actions["step_cam"].trigger()
        window.session.go(position)
        sheet = window.sheets["cam"]
        sheet.open_page(page)
        return window, sheet

    return opened


def put(sheet, line, column, text):
    index = sheet.card.table.records.index(LINES.index(line), column)
    return sheet.card.table.records.setData(index, text, Qt.ItemDataRole.EditRole)


def typed(sheet, key, text):
    sheet.degree.lines[key].setText(text)


# --- the card ---


def test_the_demonstration_tells_its_cam_in_words(cam):
    window, sheet = cam()
    words = sheet.turn.words.text()
    assert "Lobe separation 110.0 cam degrees; the cam is 4.0 crank degrees advanced." in words
    assert "Intake: 0.550 in at the valve" in words
    assert "Nothing that rests on it passes" in sheet.turn.grounds.text()
    sheet.turn.drawing.grab()
    valve = turn_of(window.session.book, "intake").valve
    opens, closes = valve.events(float(valve.linkage.lift(np.array(1.27))))
    assert closes - opens == pytest.approx(248.0, abs=1e-3), "0.050 of lobe lift, through the rocker's own dimensions"


def test_a_card_is_typed_as_it_is_quoted_and_a_mistyped_one_is_explained(cam):
    made = Bench().state("lobe_lift", 8.9, at_role("intake")).state("rocker_ratio", 1.5).state("lash", 0.4)
    window, sheet = cam("Card", made.book)
    found = sheet.card.found
    assert "state two durations or more" in found.text()
    put(sheet, "durations", 1, "284 at .006, 236 at .050; 150 at 5.08 mm")
    put(sheet, "centreline", 1, "110")
    assert "Intake: centre 110.0 by the card; a lobe of 0.350 in meets all 3 durations." in found.text()
    put(sheet, "events", 1, "9.5 BTDC, 226.5 at .050")
    assert "events give 108.5, card says 110.0" in found.text()
    put(sheet, "events", 1, "")
    put(sheet, "durations", 1, "236 at .050, 240 at .200")
    assert "higher up a lobe is always narrower" in found.text()
    window._actions["undo"].trigger()
    assert "meets all 3 durations" in found.text()


def test_what_stands_for_the_whole_cam_and_for_one_lobe_is_not_confused(cam):
    window, sheet = cam("Card")
    said = []
    window.session.warned.connect(said.append)
    assert not put(sheet, "separation", 1, "110")
    assert not put(sheet, "centreline", 3, "108")
    assert ["type it under both" in said[0], "intake and exhaust apart" in said[1]] == [True, True]
    put(sheet, "separation", 3, "112")
    put(sheet, "advance", 3, "2 retarded")
    assert (window.session.engine.cam_separation_deg, window.session.engine.cam_advance_deg) == (112.0, -2.0)
    assert "separation and advance give 114.0, card says 106.0" in sheet.card.found.text()
    assert not put(sheet, "advance", 3, "-99")


def test_durations_read_and_refused():
    assert [(one.lift_mm, one.crank_deg) for one in read_durations("236 at .050, 284 at 0.15 mm", "in")] == [
        (0.15, 284.0),
        (1.27, 236.0),
    ]
    for wrong in ("236", "236 at", "at .050", "236 at .050 at .1", "9999 at .05", "236 at nose"):
        with pytest.raises(EntryError):
            read_durations(wrong, "in")


def test_a_lobe_by_its_card_changes_no_verdict():
    bench = Bench().complete()
    before = {(one.check.name, one.position): one.verdict for one in examine(bench.book).findings}
    bench.do(Put("lobes", CamLobe("intake", read_durations("284 at .006, 236 at .050", "in"), 108.0)))
    assert {(one.check.name, one.position): one.verdict for one in examine(bench.book).findings} == before


# --- the turn ---


def test_the_cursor_is_walked_and_dragged_and_tells_its_figures(cam, qtbot):
    _, sheet = cam()
    view = sheet.turn.drawing
    assert sheet.turn.figures.text().startswith("At overlap TDC; intake 0.161 in; exhaust 0.127 in; piston 0.000 in")
    qtbot.keyClick(view, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    qtbot.keyClick(view, Qt.Key.Key_Left)
    assert view.at_x == 9.0
    assert sheet.turn.figures.text().startswith("At 9.0° ATDC; intake 0.2")
    for _ in range(30):
        qtbot.keyClick(view, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    assert view.at_x == 300.0, "no further than what is drawn"


def test_what_is_tried_is_seen_and_put_back(cam):
    window, sheet = cam()
    before = window.session.book
    sheet.turn.advance.setValue(8)
    sheet.turn.ratio.setText("1.7")
    sheet.turn.ratio.editingFinished.emit()
    assert "the cam is 8.0 crank degrees advanced" in sheet.turn.words.text()
    assert "Intake: 0.582 in at the valve" in sheet.turn.words.text()
    assert sheet.turn.grounds.text().startswith("Tried, not stated")
    sheet.turn.advance.setSliderDown(True)
    sheet.turn.advance.setValue(4)
    sheet.turn.advance.setSliderDown(False)
    assert "the cam is 6.0 crank degrees advanced" in sheet.turn.words.text()
    sheet.turn.put_back()
    assert "is 4.0 crank degrees advanced" in sheet.turn.words.text()
    assert window.session.book is before


def test_curves_and_drawing_leave_with_their_units(cam, monkeypatch, tmp_path):
    window, sheet = cam(position="3i")
    monkeypatch.setattr(questions, "csv_to_save", lambda parent, name: tmp_path / "curves.csv")
    monkeypatch.setattr(questions, "chart_to_save", lambda parent, name: tmp_path / "turn.svg")
    sheet.turn.save_curves()
    sheet.turn.save_drawing()
    rows = list(csv.reader(io.StringIO((tmp_path / "curves.csv").read_text())))
    assert rows[0][:2] == ["crank angle (deg from overlap TDC)", "intake valve lift (in; measured)"]
    assert rows[0][-1] == "piston below TDC (in)"
    assert max(float(row[1]) for row in rows[1:]) == pytest.approx(0.550, abs=0.002)
    drawn = ET.fromstring((tmp_path / "turn.svg").read_text())
    assert "intake 0.550" in next(drawn.iter("{http://www.w3.org/2000/svg}desc")).text
    told = []
    monkeypatch.setattr(questions, "tell", lambda parent, title, words: told.append(words))
    monkeypatch.setattr(questions, "csv_to_save", lambda parent, name: tmp_path / "no" / "curves.csv")
    sheet.turn.save_curves()
    assert "No such file" in told[0]
    assert window.session.engine.name in drawn.find("{http://www.w3.org/2000/svg}title").text


# --- measured lobes ---


def test_the_slip_of_the_demonstration_is_found_left_out_and_brought_back(cam, qtbot):
    window, sheet = cam("Measured lobes")
    page = sheet.lobes
    qtbot.waitUntil(lambda: not page.smoother.is_working and "Row 30" in page.words.text(), timeout=8000)
    assert "Row 30 (55 degrees, 0.258 in): the other rows say 0.28" in page.words.text()
    page.leave.click()
    assert "Row 30" not in page.words.text()
    assert page.table.records.data(page.table.records.index(0, 7)) == "1 left out"
    window._actions["undo"].trigger()
    assert "Row 30" in page.words.text()
    page.keep.click()
    assert "Row 30" not in page.words.text(), "somebody looked again and believes it"
    page.drawing.grab()


def test_a_table_is_typed_looked_at_and_taken(cam, qtbot):
    window, sheet = cam("Measured lobes", Bench().book)
    dialog = TableDialog(sheet, window.session, position="1i")
    qtbot.addWidget(dialog)
    assert not dialog.take_it.isEnabled()
    assert "nothing in it" in dialog.wrong.text()
    dialog.text.setPlainText("\n".join(f"{a} {lift}" for a, lift in WALKED))
    assert dialog.preview.rowCount() == len(WALKED)
    assert "shape, not its timing" in dialog.wrong.text()
    dialog.unit.setCurrentText("mm")
    assert "would be in in" in dialog.wrong.text()
    assert not dialog.take_it.isEnabled()
    dialog.unit.setCurrentText("in")
    dialog.stops[0].setText("28 BTDC")
    assert "read both ways" in dialog.wrong.text()
    dialog.stops[1].setText("31")
    assert "TDC is at +1.50 on the wheel" in dialog.wrong.text()
    dialog.take_it.click()
    taken = tables(window.session.book.journal)[0].table
    assert (taken.place, taken.stops_deg, len(taken.crank_deg)) == (at_position("1i"), (-28.0, 31.0), len(WALKED))
    assert "Centreline by equal lifts 103.5" in sheet.lobes.words.text()


def test_several_lobes_come_from_one_file_and_a_file_that_is_none_is_told(cam, qtbot, tmp_path, monkeypatch):
    window, sheet = cam("Measured lobes", Bench().book)
    path = tmp_path / "cam.csv"
    path.write_text(
        "crank deg;1i;2i\n" + "\n".join(f"{a};{lift};{lift * 0.99:.4f}" for a, lift in WALKED).replace(".", ",")
    )
    told = []
    monkeypatch.setattr(questions, "tell", lambda parent, title, words: told.append(words))
    monkeypatch.setattr(TableDialog, "exec", lambda self: (self.accept(), self.result())[1])
    (tmp_path / "picture.csv").write_bytes(b"\xff\xfe\x00\x81")
    tables_from(sheet, window.session, [tmp_path / "picture.csv", tmp_path / "gone.csv", path])
    assert ["it is no text" in told[0], "No such file" in told[1]] == [True, True]
    assert [one.table.place.name for one in tables(window.session.book.journal)] == ["1i", "2i"]
    qtbot.waitUntil(lambda: not sheet.lobes.smoother.is_working and "…" not in cells(sheet.lobes), timeout=8000)
    sheet.lobes.strike.setEnabled(True)
    monkeypatch.setattr(questions, "words", lambda *_: "wheel slipped")
    sheet.lobes.strike_out()
    assert [one.table.place.name for one in tables(window.session.book.journal)] == ["2i"]


def cells(page):
    model = page.table.records
    return [
        model.data(model.index(row, column)) for row in range(model.rowCount()) for column in range(model.columnCount())
    ]


def test_an_instrument_is_listened_to_and_stopped_and_one_that_is_not_there_is_told(cam, qtbot, monkeypatch):
    window, sheet = cam("Measured lobes", Bench().book)
    monkeypatch.setattr("honest_lift.desk.cam.table_dialog.WalkedLobe", lambda: WalkedLobe(0.0, seed=2))
    dialog = TableDialog(sheet, window.session, position="1i")
    qtbot.addWidget(dialog)
    dialog.listen.click()
    qtbot.waitUntil(lambda: not dialog.listener.is_listening, timeout=5000)
    assert "234 rows of 1 intake" in dialog.heard.text()
    assert dialog.unit.currentText() == "mm"
    dialog.line.addItem("gone", "/dev/ttyNone")
    dialog.line.setCurrentText("gone")
    dialog.listen.click()
    qtbot.waitUntil(lambda: "nothing is plugged in there" in dialog.wrong.text(), timeout=5000)
    assert dialog.preview.rowCount() == 234, "what was heard stays"
    dialog.take_it.click()
    assert tables(window.session.book.journal)[0].table.source == "simulated degree wheel (invented lobe)"


class Flood:
    """An instrument that never stops sending."""

    name = "flood"

    def lines(self, stop):
        while not stop.is_set():
            yield "12  .100"


def test_an_instrument_that_never_ends_is_left_with_a_word(qtbot):
    listener, heard, ended = Listener(), [], []
    listener.heard.connect(heard.append)
    listener.ended.connect(ended.append)
    listener.start(Flood())
    qtbot.waitUntil(lambda: bool(ended), timeout=5000)
    assert "20,000 lines came" in ended[0]
    assert sum(one.count("\n") + 1 for one in heard) == 20_000
    assert len(heard) < 200, "what comes fast is handed on together"
    listener.stop()


def test_smoothing_that_was_cancelled_goes_on_only_where_one_looks(cam, qtbot):
    made = Bench("head: 1e 1i 2i 2e 3i 3e 4i 4e")
    rows = [(float(a), 25.4 * lift) for a, lift in WALKED]
    made.do(TakeTables(tuple(table_of(made.book, at_position(one), "lifter", rows, unit="mm") for one in made.names)))
    _, sheet = cam("Around the turn", made.book)
    sheet.lobes.smoother.cancel()
    sheet.lobes.smoother.start()
    sheet.lobes.smoother.cancel()
    qtbot.waitUntil(lambda: not sheet.lobes.smoother.is_working, timeout=8000)
    sheet.open_page("Measured lobes")
    if "…" in cells(sheet.lobes):
        sheet.lobes.table.setCurrentIndex(sheet.lobes.table.records.index(7, 0))
        assert "…" not in cells(sheet.lobes)[-8:]
    assert not sheet.lobes.smoother.is_working


def test_a_table_at_the_valve_is_taken_at_a_valve_only(cam, qtbot):
    window, sheet = cam("Measured lobes", Bench().book)
    dialog = TableDialog(sheet, window.session, "\n".join(f"{a} {lift}" for a, lift in WALKED), "", "1i")
    qtbot.addWidget(dialog)
    dialog.read_at.setCurrentIndex(1)
    dialog.place.setCurrentText("every intake, by this one")
    assert "choose the valve it was read at" in dialog.wrong.text()
    assert not dialog.take_it.isEnabled()


def test_angles_from_bdc_follow_the_valve_that_is_chosen(cam, qtbot):
    """40 after BDC is 220 for an intake and -140 for an exhaust: choosing the other valve reads the text anew."""
    window, sheet = cam("Measured lobes", Bench().book)
    after = [f"{a - 180} ABDC {lift}" if a >= 180 else f"{a} ATDC {lift}" for a, lift in WALKED if a >= 0]
    dialog = TableDialog(
        sheet, window.session, "deg;lift\n" + "\n".join(one.replace("C ", "C;") for one in after), "", "1i"
    )
    qtbot.addWidget(dialog)
    assert max(dialog.taken[0].crank_deg) == 300.0
    dialog.place.setCurrentText("1 exhaust")
    assert max(dialog.taken[0].crank_deg) == 175.0


# --- degreeing ---


def test_degreeing_walks_from_the_stop_to_a_reading(cam):
    window, sheet = cam("Degreeing")
    page = sheet.degree
    assert page.words.text().startswith("Fit the stop")
    typed(sheet, "stop_first", "28 BTDC")
    typed(sheet, "stop_other", "31")
    assert page.words.text().startswith("TDC is at +1.50 on the wheel")
    assert not page.take.isEnabled()
    typed(sheet, "opening", "-14")
    typed(sheet, "closing", "236")
    assert "The intake lobe centreline is 109.5° ATDC." in page.words.text()
    assert (
        "Wanted is 106.0: the cam is 3.5 crank degrees retarded. Advance it by 3.5 crank degrees" in page.words.text()
    )
    typed(sheet, "radius", ".55")
    assert "offset it by 0.034 in, so that the cam comes ahead of where it is" in page.words.text()
    typed(sheet, "teeth", "42")
    assert "One tooth of the cam's 42 is 17.1 crank degrees." in page.words.text()
    page.take.click()
    assert turn_of(window.session.book, "intake", "1i").valve.centre_deg == pytest.approx(109.5)
    reading = window.session.book.journal[-1]
    assert reading.also == {"stop_first": "28 BTDC", "stop_other": "31", "opening": "-14", "closing": "236"}


@pytest.mark.parametrize(
    ("read", "words"),
    [
        (("10", "10", "", ""), "Both stop readings are the same"),
        (("-30", "30", "300", "100"), "No such lobe is there"),
        (("-30", "thirty", "", ""), "Fit the stop"),
    ],
)
def test_what_does_not_add_up_is_said(cam, read, words):
    _, sheet = cam("Degreeing")
    for key, text in zip(("stop_first", "stop_other", "opening", "closing"), read, strict=True):
        typed(sheet, key, text)
    assert words in sheet.degree.words.text()
    assert not sheet.degree.take.isEnabled()
    assert ("write a crank angle" in sheet.degree.wrong.text()) == ("thirty" in read)


def test_an_engine_without_a_cam_says_what_to_state_on_every_page(cam):
    for page in ("Around the turn", "Card", "Measured lobes", "Degreeing"):
        _, sheet = cam(page, Bench().book)
        sheet.grab()
    assert "state two durations or more" in sheet.card.found.text() or sheet.degree.words.text()
