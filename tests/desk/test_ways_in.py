"""Every way in beside plain figures: assumptions, a burette's start, heights carried, pasted columns, CSV, calibrations."""

import csv

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication

from engines import Bench, demo, without_facts
from honest_lift.desk import questions
from honest_lift.facts.columns import ColumnError, column_csv, read_column
from honest_lift.facts.place import at_cylinder, at_position, of_spring
from honest_lift.numbers.verdict import Verdict

VALVES = [at_position(name) for name in ("1e", "1i", "2i", "2e")]


def type_in(qtbot, window, text):
    qtbot.keyClicks(window.bar.entry, text)
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)


def choose(window, quantity, way=""):
    window.bar.choose(next(task for task in window.bar._tasks if task.quantity == quantity))
    if way:
        window.bar.way.setCurrentIndex(window.bar.way.findData(way))
        window.bar._choose_way()


# --- assumptions ---


def test_an_assumption_is_stated_with_its_range_and_never_passes(qtbot, open_window):
    window = open_window()
    window.session.go("8e")
    qtbot.keyClicks(window.bar.entry, "~1.800 ±.005")
    assert window.bar.understood.text() == "assumed 1.800 in, from 1.795 in to 1.805 in. What rests on it never passes."
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    fact = window.session.engine.facts[-1]
    assert (fact.kind, fact.text, fact.low, fact.high) == ("assumed", "~1.800 ±.005", 45.593, 45.847)
    found = window.session.examination.finding("installed_height", "8e")
    assert (found.verdict, found.provisional) == (Verdict.UNPROVEN, Verdict.PASSES)
    assert window.heights.model.cells[15][3].pencilled
    window.undo()
    assert window.session.engine.facts[-1].kind == "specified"


def test_an_assumption_without_a_range_is_asked_once(qtbot, open_window):
    window = open_window()
    window.session.go("8e")
    type_in(qtbot, window, "about 1.8")
    assert "without a range can neither pass nor fail" in window.bar.understood.text()
    assert window.session.engine.facts[-1].kind == "specified"
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert window.session.engine.facts[-1].low is None


@pytest.mark.parametrize(
    ("valve", "quantity", "said"),
    [("1e", "installed_height", "There is a reading here"), ("1e", "shims", "it is measured")],
)
def test_an_assumption_never_covers_what_is_known(qtbot, open_window, valve, quantity, said):
    window = open_window()
    window.session.go(valve)
    choose(window, quantity)
    type_in(qtbot, window, "~.05 ±.01" if quantity == "shims" else "~1.8 ±.01")
    assert said in window.bar.understood.text()
    assert window.bar.entry.text().startswith("~"), "a refused entry stays to be mended"


# --- ways with more than one figure ---


def test_a_burette_is_read_at_its_start_and_its_end(qtbot, open_window):
    window = open_window()
    window.session.open_step("readings")
    choose(window, "chamber_volume")
    assert window.bar.beside.isVisible()
    assert window.bar.where.text() == "cylinder 1"
    window.bar.also.setText("0.4")
    type_in(qtbot, window, "64.6")
    one = window.session.book.journal[-1]
    assert (one.place, one.value, one.text, one.also) == (at_cylinder(1), pytest.approx(64.2), "64.6", {"start": "0.4"})
    assert window.bar.where.text() == "cylinder 3", "cylinders are walked as they lie in the heads"
    choose(window, "chamber_volume", "syringe")
    window.bar.also.setText("20")
    type_in(qtbot, window, "60")
    assert "Are start and end exchanged?" in window.bar.understood.text()


def test_a_height_is_carried_to_the_tester(qtbot, open_window):
    window = open_window()
    window.session.open_step("springs")
    window.session.go_spring("N1")
    choose(window, "spring_load", "tester_carried")
    type_in(qtbot, window, "158")
    one = window.session.book.journal[-1]
    assert (one.way, one.at_tool) == ("tester_carried", "gauge")


# --- columns ---


@pytest.mark.parametrize(
    ("text", "start", "placed"),
    [
        ("1.80\n1.81\n1.82\n1.83\n", 2, ["1e 1.80", "1i 1.81", "2i 1.82", "2e 1.83"]),
        ("1.80\n1.81\n", 1, ["1i 1.80", "2i 1.81"]),
        ("1,80\n1,81\n", 0, ["1e 1,80", "1i 1,81"]),
        ("2e\t1.83\n1e\t1.80\n", 0, ["2e 1.83", "1e 1.80"]),
        ("valve;height\n2 exhaust;1,83\n1 Intake;1,80\n", 0, ["2e 1,83", "1i 1,80"]),
        ("1e,1.80\n1i,1.81\n", 0, ["1e 1.80", "1i 1.81"]),
        ("valve\tspring\treading\tshims\n1e\t1\t1.80\t0.015\n1i\t2\t1.81\t0.015\n", 0, ["1e 1.80", "1i 1.81"]),
        ("height\n1.80\n\n1.82\n", 0, ["1e 1.80", "1i 1.82"]),
    ],
)  # fmt: skip
def test_columns_as_spreadsheets_hold_them(text, start, placed):
    assert [f"{cell.place.name} {cell.text}" for cell in read_column(text, VALVES, start)] == placed


def test_what_has_no_place_is_said_and_not_dropped():
    cells = read_column("1e\t1.80\n9x\t1.81\n1e\t1.82\n2e\t1.83", VALVES, 0)
    assert [cell.wrong for cell in cells] == [
        "",
        "“9x” is no place of this engine",
        "1e is there twice in what was pasted",
        "",
    ]
    assert read_column("1\n2\n3", VALVES, 2)[-1].wrong.startswith("there is no place left")


@pytest.mark.parametrize("text", ["", "  \n\t\n", "1.80\t1.81\n1.82\t1.83\n", "valve\theight\n"])
def test_what_is_no_column_is_refused(text):
    with pytest.raises(ColumnError, match=r"[.]$"):
        read_column(text, VALVES, 0)


def test_sixteen_values_are_pasted_and_the_wrong_one_stays_in_its_place(qtbot, open_window):
    window = open_window()
    before = len(window.session.book.journal)
    values = [f"1.8{i:02}" for i in range(16)]
    values[3] = "1.8O3"
    QGuiApplication.clipboard().setText("\n".join(values) + "\n")
    window.session.go("5e")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_V, Qt.KeyboardModifier.ControlModifier)
    assert len(without_facts(window.session.book.journal)) == before + 15
    assert window.bar.understood.text().startswith(
        "15 readings taken. 1 refused, each in its place with the reason; the first: 3 exhaust, “1.8O3”"
    )
    wrong = window.heights.model.cells[3][3]
    assert (wrong.text, wrong.wrong) == ("1.8O3", True)
    assert "is not understood" in wrong.hover
    window.session.go("3e")
    type_in(qtbot, window, "1.803")
    assert not window.heights.model.cells[3][3].wrong, "typed again, it is mended"
    for _ in range(2):
        window.undo()
    assert window.session.examination.finding("installed_height", "1e").figure == pytest.approx(1.803 * 25.4), (
        "one undo takes all fifteen back"
    )


def test_what_is_written_out_is_read_back(open_window, tmp_path, monkeypatch):
    window = open_window()
    path = tmp_path / "heights.csv"
    monkeypatch.setattr(questions, "csv_to_save", lambda parent, suggestion: path)
    window.session.open_step("readings")
    window.sheets["readings"].save_csv()
    rows = list(csv.DictReader(path.read_text(encoding="utf-8").splitlines()))
    assert rows[0] | {"when": "", "by": ""} == {
        "place": "1e", "reading": "1.803", "installed height (in)": "1.803", "way": "height micrometer, shims in place",
        "tool": "height micrometer no. 2", "when": "", "by": "", "note": "", "stands": "counts",
    }  # fmt: skip
    assert rows[-1]["stands"] == "not measured"
    assert {"gauge stood on a burr"} <= {row["stands"] for row in rows}, "what was struck out stands there too"
    counting = [row for row in rows if row["stands"] == "counts" and row["place"] not in ("3e", "7e")]
    QGuiApplication.clipboard().setText(
        "place\treading\n" + "\n".join(f"{row['place']}\t{row['reading']}" for row in counting)
    )
    fresh = open_window()
    fresh.bar.paste()
    assert f"{len(counting)} readings taken." in fresh.bar.understood.text()


def test_a_column_names_its_unit():
    book = demo()
    text = column_csv(book, "spring_load", [of_spring("1")], {"test_height": 45.72}, "N")
    assert text.splitlines()[1].startswith("1,209,929.67"), "209 lbf"


def test_what_a_spreadsheet_would_run_goes_out_harmless():
    bench = Bench().height("1e", 45.0)
    told = replace(bench.entries[0], text="=1+1", note='@SUM("x")', by="-cmd")
    rows = column_csv(replace(bench.book, journal=(told,)), "installed_height", [told.place], {}, "in").splitlines()
    assert "'=1+1" in rows[1]
    assert "'-cmd" in rows[1]
    assert "'@SUM" in rows[1]


@pytest.mark.parametrize("text", ["1.801\n" * 3000, "x" * 300_000])
def test_a_paste_that_is_no_column_is_refused_before_it_is_looked_through(open_window, text):
    window = open_window()
    before = window.session.book
    QGuiApplication.clipboard().setText(text)
    window.bar.paste()
    assert "a column of readings has at most 2,000 lines" in window.bar.understood.text()
    assert window.session.book is before


# --- tools and tester ---


def test_a_tester_is_calibrated_on_its_page(qtbot, open_window):
    window = open_window(Bench().complete().book)
    before = window.session.examination.finding("seat_load", "1e").figure
    window.session.show_page("Tester")
    page = window.sheets["engine"].pages["Tester"]
    page._calibrate()
    assert "First type what the tester shows" in window.sheets["engine"].message.text()
    page._add()
    references, readings = page.references.records, page.readings.records
    said = []
    references.refused.connect(said.append)
    references.setData(references.index(0, 1), "150 at 1.9")
    assert "two or more heights" in said[0]
    references.setData(references.index(0, 1), "110 at 1.900; 260 at 1.500; 410 at 1.100")
    for row, text in enumerate(("112", "262", "412")):
        readings.setData(readings.index(row, 3), text)
    assert [readings.data(readings.index(row, 4)) for row in range(3)] == ["2.0"] * 3
    page._calibrate()
    assert page.result.text().splitlines()[1].startswith("Offset 2.00 lbf from 3 readings")
    after = window.session.examination.finding("seat_load", "1e").figure
    assert before - after == pytest.approx(2 * 4.4482216, abs=0.01)
    page.correction.setCurrentIndex(page.correction.count() - 1)
    page._choose()
    assert window.session.examination.finding("seat_load", "1e").figure == pytest.approx(before)
    page.days.setText("ten")
    page._due("due_days", page.days)
    assert "a whole number of days" in window.sheets["engine"].message.text()


def test_a_reading_taken_after_a_calibration_leaves_it_as_it_was(open_window):
    window = open_window(Bench().complete().book)
    window.session.show_page("Tester")
    page = window.sheets["engine"].pages["Tester"]
    page._add()
    page.references.records.setData(page.references.records.index(0, 1), "110 at 1.900; 260 at 1.500")
    for row, text in enumerate(("112", "262")):
        page.readings.records.setData(page.readings.records.index(row, 3), text)
    page._calibrate()
    told = page.result.text()
    page.readings.records.setData(page.readings.records.index(0, 3), "115")
    assert page.result.text() == told
    assert page.readings.records.data(page.readings.records.index(0, 3)) == "115"


def test_the_calibration_record_of_a_tool(open_window):
    window = open_window()
    window.session.show_page("Tools")
    table = window.sheets["engine"].pages["Tools"].tools.records
    column = [one.title for one in table.columns].index("calibrated on")
    said = []
    table.refused.connect(said.append)
    table.setData(table.index(0, column), "last week")
    assert "write it as 2026-11-23" in said[0]
    table.setData(table.index(0, column), "2025-01-01")
    table.setData(table.index(0, column + 2), "30")
    found = window.session.examination.finding("installed_height", "1e")
    assert found.verdict is Verdict.UNPROVEN
    assert any("it was due for calibration on 2025-01-31" in one.note for one in found.inputs)


def test_one_dimension_is_shown_in_another_unit_and_no_reading_changes(open_window):
    window = open_window()
    journal = window.session.book.journal
    window.session.show_page("Engine")
    table = window.sheets["engine"].pages["Engine"].each.records
    row = [one.id for one in table.records].index("load")
    said = []
    table.refused.connect(said.append)
    table.setData(table.index(row, 1), "stone")
    assert "“stone” is no unit of load: choose one of" in said[-1]
    assert window.session.unit("load") == "lbf"
    table.setData(table.index(row, 1), "kgf")
    assert without_facts(window.session.book.journal) == journal
    assert window.session.unit("length") == "in"
    window.session.open_step("heights")
    assert window.heights.model.cells[0][6].text == "94", "207 lbf"


def test_what_goes_and_what_does_not_is_typed_at_the_bar(qtbot, open_window):
    window = open_window(Bench().complete().book)
    session, bar = window.session, window.bar
    session.open_step("rocker")
    bar.choose(next(one for one in bar._tasks if one.quantity == "retainer_rocker"))
    session.go("1i")
    bar.tool.setCurrentIndex(max(bar.tool.findData("micrometer"), 0))
    qtbot.keyClicks(bar.entry, ">")
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    assert bar.entry.text() == ">", "what is not understood stays to be mended"
    assert "lacks its figure" in bar.understood.text()
    qtbot.keyClicks(bar.entry, "2 mm")
    assert "more than" in bar.understood.text()
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    found = session.examination.finding("retainer_rocker", "1i")
    assert (found.verdict.word, found.inputs[0].low) == ("passes", 2.0)
    session.go("1i")
    qtbot.keyClicks(bar.entry, "2 mm goes, 2.2 mm does not")
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    one = session.examination.finding("retainer_rocker", "1i").inputs[0]
    assert (one.low, one.high) == (2.0, pytest.approx(2.2))
    session.open_step("springs")
    session.go_spring("1")
    bar.choose(next(one for one in bar._tasks if one.quantity == "spring_load"))
    qtbot.keyClicks(bar.entry, ">100")
    qtbot.keyClick(bar.entry, Qt.Key.Key_Return)
    assert "is read as a figure" in bar.understood.text()
