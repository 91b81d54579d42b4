"""Readings taken through the real window, by key presses and clicks."""

import json
import subprocess
import sys

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QGuiApplication

from engines import Bench, without_facts
from honest_lift.desk import questions
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.edits import Put, StrikeOut, readings_at
from honest_lift.facts.file import write_book
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import standing
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import at_position, of_spring

ENTER, SHIFT = Qt.Key.Key_Return, Qt.KeyboardModifier.ShiftModifier


def type_in(qtbot, window, text, *, repeat=False):
    qtbot.keyClicks(window.bar.entry, text)
    qtbot.keyClick(window.bar.entry, ENTER, SHIFT if repeat else Qt.KeyboardModifier.NoModifier)


def row(window, position):
    model = window.heights.model
    return [cell.verdict or cell.text for cell in model.cells[model.row_of(position)]]


def click_valve(qtbot, window, name):
    window.grab()  # the strip knows its valves once it has been drawn
    centre = window.strip._valves[name]
    qtbot.mouseClick(window.strip, Qt.MouseButton.LeftButton, pos=QPoint(round(centre.x()), round(centre.y())))


def test_the_shallow_pocket_is_mended_by_typing_a_new_height(qtbot, open_window, tmp_path):
    window = open_window()
    click_valve(qtbot, window, "5i")
    assert window.bar.where.text() == "5 intake"
    assert window.session.verdict("5i") == "fails"
    assert window.ladder.rungs.chosen.check.name == "installed_height"
    assert "look for a spacer someone left in" in window.ladder.reason.text()

    type_in(qtbot, window, "1 51/64")
    assert window.session.verdict("5i") == "passes"
    assert row(window, "5i")[3:] == ["1 51/64", "0.075", "1.797 ±.002", "207", "511", "0.097", "passes"]
    assert window.strip._looks["5i"][:2] == ("passes", "0.097")
    assert window.bar.where.text() == "7 intake", "Enter steps to the next valve"
    window.session.go("5i")
    heights = [one for one in window.ladder.rungs.findings if one.check.step == "heights"]
    assert {one.verdict.word for one in heights} == {"passes"}

    path = tmp_path / "mended.liftbook"
    window.session.save(path)
    report = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "check", str(path), "--json"], capture_output=True
    )
    found = {(f["place"], f["check"]): f["verdict"] for f in json.loads(report.stdout)["findings"]}
    assert found["5i", "installed_height"] == found["5i", "coil_bind_clearance"] == "passes"


def test_a_whole_set_of_sixteen_without_the_mouse(qtbot, open_window):
    window = open_window(Bench("left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e").book)
    typed = [f"1.{770 + i}" for i in range(16)]
    for text in typed:
        type_in(qtbot, window, text)
    assert [cells[3].text for cells in window.heights.model.cells] == typed
    assert window.session.position == "1e", "after the last comes the first"
    assert window.route._look[list(STEPS).index("heights")][1:3] == (16, 16)
    assert "confirmed" in window.bar.understood.text().lower() or "taken" in window.bar.understood.text()


def test_what_is_understood_is_said_while_typing(qtbot, open_window):
    window = open_window()
    window.session.go("2i")
    qtbot.keyClicks(window.bar.entry, "1 7/8")
    assert window.bar.way.currentData() == "height_micrometer_bare", "the way this valve was last read"
    said = "1.875 in = 47.62 mm; less locator thickness 0.060 in, less shims 0.015 in: 1.800 in"
    assert window.bar.understood.text() == said
    window.bar.way.setCurrentIndex(window.bar.way.findData("height_micrometer"))
    window.bar._choose_way()
    assert window.bar.understood.text() == "1.875 in = 47.62 mm"
    window.session.go("4i")
    assert window.bar.way.currentData() == "height_micrometer", "once chosen it stays"


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("46.10", "46.1 in is outside"),
        ("1 - 13/16", "Write “1 13/16” for the sum"),
        ("164 lb", "lbf is a unit of load"),
        ("  ", "Nothing is typed"),
    ],
)
def test_a_refused_entry_stays_to_be_mended(qtbot, open_window, text, told):
    window = open_window()
    journal = window.session.book.journal
    type_in(qtbot, window, text)
    assert told in window.bar.understood.text()
    assert window.bar.entry.text() == text
    assert without_facts(window.session.book.journal) == journal
    assert window.bar.understood.objectName() == "barError"


def test_long_words_never_push_the_entry_away(open_window):
    window = open_window(Bench().book)
    for size in ((1024, 640), (1280, 800), (1920, 1080)):
        window.resize(*size)
        window.grab()
        assert window.bar.entry.width() >= 180
        assert window.engine_name.geometry().right() >= window.menuBar().width() - 12


def test_an_unusual_figure_is_asked_once(qtbot, open_window):
    window = open_window(Bench().book)
    type_in(qtbot, window, "4.5")
    assert (
        "4.500 in is unusual for installed height, mostly 0.787 in to 3.150 in. Enter again takes it."
        in window.bar.understood.text()
    )
    assert not without_facts(window.session.book.journal)
    qtbot.keyClick(window.bar.entry, ENTER)
    assert without_facts(window.session.book.journal)[0].text == "4.5"


def test_enter_replaces_and_shift_enter_repeats(qtbot, open_window):
    window = open_window(Bench().book)
    type_in(qtbot, window, "1.770")
    window.session.go("1e")
    assert window.bar.hint.text() == "before: 1.770; Enter replaces, * repeats"
    type_in(qtbot, window, "1.774", repeat=True)
    assert row(window, "1e")[5].startswith("1.772")
    window.session.go("1e")
    type_in(qtbot, window, "1.780")
    assert row(window, "1e")[5].startswith("1.780")
    fates = [one.fate for one in readings_at(window.session.book, "installed_height", at_position("1e"))]
    assert fates == ["replaced by a later reading"] * 2 + [""]


def test_up_and_down_walk_in_head_order_while_typing(qtbot, open_window):
    window = open_window()
    window.session.go("1i")
    qtbot.keyClicks(window.bar.entry, "1.8")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Down)
    assert (window.session.position, window.bar.entry.text()) == ("3i", "1.8")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Up)
    assert window.session.position == "1i"
    assert window.heights.grid.currentIndex().row() == 1


def test_a_key_pressed_on_the_grid_goes_to_the_bar(qtbot, open_window):
    window = open_window()
    window.heights.grid.setFocus()
    qtbot.keyClicks(window.heights.grid, ".7")
    assert window.bar.entry.text() == ".7"
    window.heights.grid.setCurrentIndex(window.heights.model.index(4, 3))
    assert window.session.position == "5e"


def test_undo_and_redo_say_what_they_do(qtbot, open_window):
    window = open_window(Bench().book)
    type_in(qtbot, window, "1.770")
    assert window._actions["undo"].text() == "&Undo: installed height of 1 exhaust: 1.770"
    window._actions["undo"].trigger()
    assert row(window, "1e")[3] == ""
    assert not window._actions["undo"].isEnabled()
    window._actions["redo"].trigger()
    assert row(window, "1e")[3] == "1.770"
    assert sum(isinstance(one, Reading) for one in window.session.book.journal) == 1


def test_a_reading_typed_at_the_wrong_valve_is_moved(qtbot, open_window, monkeypatch):
    window = open_window(Bench().book)
    type_in(qtbot, window, "1.770")
    window.session.go("1e")
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[-1])
    window._actions["move"].trigger()
    assert (row(window, "1e")[3], row(window, "2e")[3]) == ("", "1.770")


def test_notes_and_strike_outs(qtbot, open_window, monkeypatch):
    window = open_window(Bench().book)
    type_in(qtbot, window, "1.770")
    window.session.go("1e")
    monkeypatch.setattr(questions, "words", lambda *given: "gauge stood on a burr")
    window._actions["note"].trigger()
    assert "gauge stood on a burr" in window.heights.model.cells[0][3].hover
    window._actions["strike"].trigger()
    assert row(window, "1e")[3] == ""
    assert window.heights.model.cells[0][3].hover.endswith("gauge stood on a burr, gauge stood on a burr")
    window._actions["strike"].trigger()
    assert window.bar.understood.text() == "There is no reading here."


def test_every_reading_of_a_place_is_listed_with_its_fate(qtbot, open_window):
    from honest_lift.desk.readings_here import ReadingsHere

    window = open_window()
    window.session.go("1i")
    dialog = ReadingsHere(window, window.measure, window.session, "installed_height", at_position("1i"), {})
    qtbot.addWidget(dialog)
    texts = [[dialog.table.item(r, c).text() for c in (0, 2, 4, 6)] for r in range(dialog.table.rowCount())]
    assert texts == [
        ["1.801", texts[0][1], "height micrometer no. 2", "counts"],
        ["1.810", texts[1][1], "height micrometer no. 2", "gauge stood on a burr"],
    ]
    assert dialog.chosen.reading.text == "1.801"


def test_two_springs_change_places(open_window, monkeypatch):
    window = open_window()
    window.session.go("4i")
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[0])
    window._actions["swap"].trigger()
    assert (row(window, "4i")[1], row(window, "1e")[1]) == ("1", "11")
    assert window.session.examination.finding("seat_load", "1e").verdict.word == "fails"
    assert window.session.examination.finding("seat_load", "4i").verdict.word == "passes"


def test_a_new_set_is_fitted_in_one_step(open_window, monkeypatch):
    window = open_window()
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[current])
    window._actions["fit_set"].trigger()
    assert [cells[1].text for cells in window.heights.model.cells][:3] == ["N1", "N2", "N3"]
    assert window.session.examination.of_engine("springs").word == "passes"
    window._actions["undo"].trigger()
    assert row(window, "1e")[1] == "1"


def test_what_was_changed_strikes_the_reading_through(open_window, monkeypatch):
    window = open_window()
    window.session.go("1e")
    monkeypatch.setattr(questions, "choose", lambda parent, title, question, titles, current=0: titles[0])
    monkeypatch.setattr(questions, "words", lambda *given: "new valve")
    window._actions["changed"].trigger()
    assert window.heights.model.cells[0][3].struck
    assert window.session.verdict("1e") == "unproven"
    assert "new valve" in window.ladder.reason.text()


def test_shims_are_typed_like_a_reading(qtbot, open_window):
    window = open_window(Bench().book)
    task = next(one for one in window.bar._tasks if one.quantity == "shims")
    window.bar.choose(task)
    for text in ("15 thou", "2x.015", "0"):
        type_in(qtbot, window, text)
    assert [row(window, name)[4] for name in ("1e", "1i", "2i", "2e")] == ["0.015", "0.030", "0.000", "–"]


def test_the_grid_is_copied_for_a_spreadsheet(qtbot, open_window):
    window = open_window()
    qtbot.keyClick(window.heights.grid, Qt.Key.Key_C, Qt.KeyboardModifier.ControlModifier)
    lines = QGuiApplication.clipboard().text().splitlines()
    assert len(lines) == 17
    assert lines[0].split("\t")[:4] == ["valve", "spring", "way", "reading"]
    assert lines[6].split("\t") == [
        "5i",
        "6",
        "micrometer, in place",
        "1.739",
        "0.075",
        "1.739 ±.002",
        "239",
        "543",
        "0.039",
        "fails",
    ]


def test_a_rung_is_chosen_by_click_and_by_key(qtbot, open_window):
    window = open_window()
    window.session.go("6i")
    rungs = window.ladder.rungs
    qtbot.mouseClick(rungs, Qt.MouseButton.LeftButton, pos=QPoint(60, 64 + 36 * 2 + 10))
    assert rungs.chosen.check.name == "seat_load"
    qtbot.keyClick(rungs, Qt.Key.Key_Up)
    assert rungs.chosen.check.name == "coil_bind_clearance"
    assert window.ladder.reason.text().startswith("0.026 in below min 0.060 in")
    assert (
        "bind height = the largest of bind + step: outer 1.1530, inner 1.1090 = 1.2190 in"
        in window.ladder.working.text()
    )
    window.session.go("5i")
    assert rungs.chosen.check.name == "coil_bind_clearance", "the same check at the next valve"


def test_the_figure_on_the_heads_can_be_another(qtbot, open_window):
    window = open_window()
    window.grab()
    where = window.strip._caption.center().toPoint()
    qtbot.mouseClick(window.strip, Qt.MouseButton.LeftButton, pos=where)
    assert window.session.shown == "installed_height"
    assert window.strip._figure("1e") == "1.803"
    window._actions["whole"].trigger()
    assert window.session.verdict("1e") == "fails", "its set is condemned"
    window._actions["whole"].trigger()
    assert window.session.verdict("1e") == "passes"


def test_the_spring_bench_takes_loads_column_by_column(qtbot, open_window):
    window = open_window(Bench().book)
    window._actions["step_springs"].trigger()
    sheet = window.sheets["springs"]
    assert window.bar.where.text() == "spring 1"
    assert "eye protection on" in window.bar.hint.text()
    column = next(c for c in range(sheet.model.columnCount()) if sheet.model.heads[c] == "load at\n1.772")
    sheet.grid.setCurrentIndex(sheet.model.index(0, column))
    assert window.bar.task.title == "load at 1.772 in"
    for text in ("162", "163 lb", "72.6 kg", "722 N"):
        type_in(qtbot, window, text)
    assert [cells[column].text for cells in sheet.model.cells] == ["162", "163 lb", "72.6 kg", "722 N"]
    assert window.session.spring == "1"
    assert [one.at for one in without_facts(window.session.book.journal)] == [{"test_height": 45.0}] * 4
    window.bar.choose(next(one for one in window.bar._tasks if one.quantity == "bind_height"))
    type_in(qtbot, window, "1.280")
    assert sheet.model.cells[0][-5].text == "1.280"


def test_a_dash_that_could_be_a_minus_is_asked_once(qtbot, open_window):
    window = open_window()
    click_valve(qtbot, window, "8e")
    type_in(qtbot, window, "2-3/32")
    assert window.bar.understood.text() == (
        "“2-3/32” is read as 2.094 in, and not as 1.906 in. Enter again takes it; the difference is 2.0-3/32."
    )
    qtbot.keyClick(window.bar.entry, ENTER)
    assert readings_at(window.session.book, "installed_height", at_position("8e"))[-1].reading.value == 2.09375 * 25.4
    click_valve(qtbot, window, "8e")
    type_in(qtbot, window, "1-13/16")
    assert "taken" in window.bar.understood.text() or window.bar.entry.text() == "", "nobody has a pocket of 3/16"


def test_a_load_is_taken_at_whatever_height_it_was_read(qtbot, open_window):
    window = open_window()
    window._actions["step_springs"].trigger()
    type_in(qtbot, window, "142 at 1.79o")
    assert "1.79o" in window.bar.entry.text(), "stays to be mended"
    window.bar.entry.clear()
    type_in(qtbot, window, "142 lbf at 1.790")
    read = [one.reading for one in standing(window.session.book.journal) if one.place == of_spring("1")]
    assert (read[-1].value, read[-1].at) == (pytest.approx(142 * 4.4482216152605), {"test_height": 1.790 * 25.4})
    assert 1.790 * 25.4 in [task.height_mm for task in window.sheets["springs"].model.tasks], "a column of its own"
    any_height = next(one for one in window.bar._tasks if one.title == "load at any height")
    window.session.go_spring("2")
    window.bar.choose(any_height)
    qtbot.keyClicks(window.bar.entry, "142")
    assert window.bar.understood.text() == "“142” lacks the height it was read at: type both, as in 137 at 1.765."


def test_f2_presses_a_spring_where_its_curves_shape_is_most_of_the_doubt(qtbot, open_window):
    bench = Bench().complete()
    for name in ("1", "2", "3", "4"):
        for entry in bench.book.journal:
            if getattr(entry, "place", None) == of_spring(name) and entry.at.get("test_height") not in (
                None,
                48.0,
                36.0,
            ):
                bench.do(StrikeOut(entry.id))
    bench.do(Put("limits", Limit("seat", "seat_load", 660.0, 900.0, origin="cam card")))
    window = open_window(bench.book)
    one = window.session.examination.finding("seat_load", "1i")
    assert (one.verdict.word, one.shares()[0][0]) == ("close", "the curve's shape between its points")
    step = next(each for each in window.session.plan if each.quantity == "spring_load")
    assert step.height_mm == pytest.approx(45.0, abs=0.26)
    window.session.start(step)
    assert window.bar.task.height_mm == step.height_mm
    for load in ("722 N",) * 4:
        type_in(qtbot, window, load)
    assert {window.session.examination.finding("seat_load", name).verdict.word for name in bench.names} == {"passes"}


def test_a_spring_on_the_bench_has_a_ladder_of_its_own(open_window):
    window = open_window()
    window._actions["step_springs"].trigger()
    window.session.go_spring("N3")
    assert {one.place.name for one in window.ladder.rungs.findings} == {"N3"}
    window.session.go_spring("11")
    assert window.session.position == "4i"
    assert window.ladder.rungs.chosen.verdict.word == "fails"


def test_a_confirmed_reading_is_on_the_disk(qtbot, open_window):
    from honest_lift.facts.journal_file import journals_there

    window = open_window(Bench().book)
    with qtbot.waitSignal(window.session._flushed, timeout=5000):
        type_in(qtbot, window, "1.770")
    qtbot.waitUntil(lambda: window.bar.understood.text() == "1.770 at 1 exhaust confirmed.", timeout=2000)
    with qtbot.waitSignal(window.session._flushed, timeout=5000):
        type_in(qtbot, window, "1.771")
        qtbot.keyClicks(window.bar.entry, "1.77")
    assert window.bar.understood.text() == "1.770 in = 44.96 mm", "what is being typed is not talked over"
    (journal,) = journals_there(window.session.engine.id)
    assert b'"text":"1.770"' in journal.read_bytes()


def test_units_change_and_no_reading_does(qtbot, open_window, tmp_path):
    from honest_lift.facts.edits import Describe
    from honest_lift.facts.engine import METRIC_UNITS

    window = open_window()
    journal = window.session.book.journal
    window.session.do(Describe({"units": dict(METRIC_UNITS)}, "units"))
    assert without_facts(window.session.book.journal) == journal
    assert row(window, "1e")[3:7] == ["1.803", "0.38", "45.80 ±.05", "922"]
    window.session.go("1e")
    type_in(qtbot, window, "45.8")
    assert row(window, "1e")[3] == "45.8"
    write_book(window.session.book, tmp_path / "x.liftbook")


def test_the_next_place_is_there_at_once_and_what_is_found_a_moment_later(qtbot, open_window):
    window = open_window()
    session, bar = window.session, window.bar
    session.steps_first = True
    session.go("1i")
    before = session.examination
    qtbot.keyClicks(bar.entry, "1.783")
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    assert (session.examination is before, bar.entry.text(), bar.place.name) == (True, "", session.position)
    assert session.position != "1i"
    qtbot.waitUntil(lambda: session.examination is not before)
    assert session.examination.finding("installed_height", "1i").figure == pytest.approx(1.783 * 25.4)
    qtbot.keyClicks(bar.entry, "1.784")
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    window.undo()
    assert session.examination.finding("installed_height", "1i").figure == pytest.approx(1.783 * 25.4), (
        "undo finds at once"
    )


def test_the_heads_carry_the_figure_of_the_open_step_until_another_is_picked(open_window):
    window = open_window()
    for step, check in (("turn", "piston_valve"), ("squeeze", "compression"), ("springs", "seat_load")):
        window.session.open_step(step)
        assert window.strip.quantity == check
    window._actions["strip"].trigger()  # F6
    assert window.strip.quantity == "open_load"
    window.session.open_step("turn")
    assert window.strip.quantity == "open_load", "what was picked stays"


def test_the_margins_are_folded_by_key(open_window):
    window = open_window()
    rungs = window.ladder.rungs
    folded = len(rungs.folded)
    assert folded
    window._actions["fold"].trigger()  # F7
    assert (len(rungs.folded), len(rungs.findings)) == (0, len(rungs.all))
    window._actions["fold"].trigger()
    assert len(rungs.folded) == folded
    words = rungs.explained(rungs.findings[1])
    assert words.startswith(f"{rungs.findings[1].check.title}: ")
    assert rungs.findings[1].check.meaning in words


def test_a_number_pad_is_enough_for_a_bench(qtbot, open_window):
    window = open_window()
    window.session.open_step("heights")
    window.session.go("1e")
    entry = window.bar.entry
    before = len(window.session.book.journal)
    for key in "1/2*":  # half an inch is no installed height: asked, and not yet taken
        qtbot.keyClicks(entry, key)
    assert entry.text() == "1/2"
    assert len(window.session.book.journal) == before
    entry.clear()
    for key in "1.80+.003*":
        qtbot.keyClicks(entry, key)
    added = without_facts(window.session.book.journal[before:])
    assert [(one.text, one.supersedes) for one in added] == [("1.80+.003", ())], "a repeat beside what is there"
    window.session.go("1e")
    assert "* repeats" in window.bar.hint.text()
    window.bar.choose(next(one for one in window.bar._tasks if one.row.choices))
    qtbot.keyClicks(entry, "*")
    assert entry.text() == "*", "no figure before it: it is a sign like any other"
