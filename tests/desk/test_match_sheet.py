"""The match sheet through its real widgets: found, asked, set beside, accepted; the shelf edited, imported and exported."""

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QDialog

from honest_lift.demo.shelf import NAME as INVENTED
from honest_lift.desk import questions
from honest_lift.desk.match.compare_page import one_line_each, told_apart
from honest_lift.desk.match.import_dialog import ImportDialog, error_lines, preview_words
from honest_lift.drawings.spring.match_curves import CandidateCurve
from honest_lift.facts.fresh import empty_book
from honest_lift.plans.match.match import Candidate
from honest_lift.shelf.kinds import PARTS


@pytest.fixture
def window(open_window):
    """Open the sheet on the demonstration engine."""
    made = open_window()
    made._actions["step_match"].trigger()
    return made


@pytest.fixture
def sheet(window):
    return window.sheets["match"]


def found(qtbot, page):
    page.find()
    qtbot.waitUntil(lambda: not page.is_searching, timeout=20000)
    return page.told.text()


def test_found_asked_why_set_beside_and_accepted(qtbot, window, sheet):
    page = sheet.find_page
    words = found(qtbot, page)
    assert "candidates" in words
    assert "prove nothing yet" in words
    assert "8 exhaust: height, lift or shims not known" in words
    assert page.model.rowCount() == len(page.answer.listed)
    page.sort.setCurrentIndex(2)
    page.sort.activated.emit(2)
    bends = [one.bends_rpm for one in page.model.shown]
    moved = [rpm for rpm in bends if rpm == rpm]
    assert len(moved) == min(50, len(bends))
    assert bends[: len(moved)] == moved == sorted(moved, reverse=True), "what was not moved comes last"
    assert all(rpm < one.speed_rpm for rpm, one in zip(moved, page.model.shown, strict=False))
    page.sort.setCurrentIndex(5)
    page.sort.activated.emit(5)
    masses = [one.mass_kg for one in page.model.shown]
    assert masses == sorted(masses)
    page.filters["best trade-offs only"].click()
    assert 0 < page.model.rowCount() < len(page.answer.listed)
    assert all(one.best for one in page.model.shown)
    qtbot.keyClicks(page.asked, "s-106")
    qtbot.keyClick(page.asked, Qt.Key.Key_Return)
    assert page.why.text().startswith("S-106: seat load 85 lbf above max")
    page.asked.setText("nothing")
    page.ask_why()
    assert "No spring, retainer or pair of locks “nothing”" in page.why.text()
    page.grid.selectRow(0)
    page.compare()
    sheet.open_page("Side by side")
    assert sheet.compare_page.model.columnCount() == 2
    assert sheet.compare_page.model.rowCount() >= 6
    nature = sheet.compare_page.model.plain
    assert nature["Form"][0] in ("one, straight", "one, tapered", "nest of 2")
    assert nature["Float, train that bends"][0] == f"{page.current.bends_rpm:.0f} rpm"
    assert nature["Surge frequency, shut"][0].endswith(("Hz", "for itself"))
    sheet.open_page("Find")
    one = page.current
    before = window.session.book
    page.take()
    engine = window.session.engine
    assert engine.card_of(engine.spring_at("1e")).name.endswith(one.spring[1])
    assert window.session.examination.finding("seat_load", "1e").verdict.word == "unproven"
    assert window.session.plan, "what comes next is a reading that proves it"
    assert "Search again" in page.told.text()
    assert page.model.rowCount() == 0
    window.session.undo()
    assert window.session.engine == before.engine


def test_the_other_way_round_and_the_masses(qtbot, window, sheet):
    window.session.go("3e")
    sheet.open_page("Masses")
    page = sheet.masses_page
    assert page.model.row_names()[-1] == "together"
    assert "Valve float at about" in page.told.text()
    sheet.open_page("What the fitted springs allow")
    other = sheet.other_page
    other.speed()
    other.ratios()
    qtbot.waitUntil(lambda: not other._next.isActive(), timeout=30000)
    assert "ratio 1.70" in other.model.row_names()
    row = other.model.row_names().index("highest speed")
    assert other.model.cells[row][1].text.endswith("rpm")
    assert other.model.cells[row][2].verdict != "passes", "a bound over a lobe that is assumed proves nothing"


def test_the_shelf_is_edited_in_place_and_a_refused_figure_stays(window, sheet):
    sheet.open_page("Shelf")
    page = sheet.shelf_page
    assert "invented" in page.told.text()
    records = page.table.records
    column = next(i for i, one in enumerate(records.columns) if one.title.startswith("seat load"))
    said = []
    records.refused.connect(said.append)
    records.setData(records.index(0, column), "soft")
    assert "soft" in said[0]
    records.setData(records.index(1, column), "hard")
    records.setData(records.index(0, column), "201")
    number = records.records[0].number
    assert sheet.here.shelf.part(PARTS["springs"], INVENTED, number).figure("seat_load") == pytest.approx(
        894.1, abs=0.1
    )
    page.words.setText("S-12")
    assert len(records.records) == 10
    assert records.data(records.index(1, column)) != "hard", "what was refused stays with its own part"
    page.words.setText("")
    assert records.data(records.index(1, column)) == "hard"


def test_import_shows_what_is_wrong_and_takes_only_what_it_is_told_to(window, sheet, tmp_path, monkeypatch):
    sheet.open_page("Shelf")
    page = sheet.shelf_page
    page.kind.setCurrentIndex(page.kinds.index(PARTS["shims"]))
    page.show_parts()
    path = tmp_path / "shims.csv"
    path.write_text("number,thickness [in]\nZ1,.015\nZ2,thick\nZ1,.020\nZ3,=1+1\nZ4,.030\n")
    monkeypatch.setattr(questions, "parts_to_open", lambda parent, folder: path)
    seen = []

    def answer(code):
        def run(dialog):
            seen.append(dialog)
            return code

        return run

    monkeypatch.setattr(ImportDialog, "exec", answer(QDialog.DialogCode.Rejected))
    before = sheet.here.shelf.numbers(PARTS["shims"], INVENTED)
    page.import_file()
    assert sheet.here.shelf.numbers(PARTS["shims"], INVENTED) == before, "nothing unless told to"
    assert "2 of 5 shims are good; 3 rows are not" in preview_words("shims.csv", PARTS["shims"], seen[0].found)
    assert [line.partition(":")[0] for line in error_lines(seen[0].found)] == ["row 3", "row 4", "row 5"]
    monkeypatch.setattr(ImportDialog, "exec", answer(QDialog.DialogCode.Accepted))
    page.import_file()
    assert sheet.here.shelf.numbers(PARTS["shims"], INVENTED) - before == {"Z1", "Z4"}
    out = tmp_path / "out.csv"
    monkeypatch.setattr(questions, "csv_to_save", lambda parent, suggestion: out)
    page.export()
    assert "thickness [in]" in out.read_text(encoding="utf-8").splitlines()[0]
    names = iter(("Mine", "=bad"))
    monkeypatch.setattr(questions, "words", lambda *_: next(names))
    page.new_shelf()
    assert page.shelf_name == "Mine"
    monkeypatch.setattr(questions, "ask", lambda *_: True)
    page.drop_shelf()
    assert [name for name, _ in sheet.here.shelf.names()] == [INVENTED]


def test_an_empty_engine_says_what_is_missing_on_every_page(qtbot, window, sheet):
    window.session.take(empty_book(), None)
    window.session.open_step("match")
    sheet.find_page.find()
    assert "no heads are laid out" in sheet.find_page.told.text()
    for name in sheet.pages:
        sheet.open_page(name)
    sheet.open_page("What the fitted springs allow")
    sheet.other_page.ratios()
    sheet.other_page.cams()
    qtbot.waitUntil(lambda: not sheet.other_page._next.isActive(), timeout=10000)
    sheet.find_page.take()
    sheet.find_page.save_list()


def test_candidates_that_share_a_spring_carry_names_and_lines_of_their_own():
    one = Candidate(("c", "S-1"), ("r", "R-1"), ("l", "L-1"), 1.0, "seat_load", "1e", (45.0,), ((),), (0.0,), (900.0,), 7000.0,
                    0.02, 0.0, 0.0, 0, 0)  # fmt: skip
    other, third = replace(one, retainer=("r", "R-2")), replace(one, locks=("l", "L-2"))
    fourth = replace(one, spring=("c", "S-2"))
    named = told_apart([one, other, third, fourth])
    assert named == {one: "S-1 R-1 L-1", other: "S-1 R-2", third: "S-1 R-1 L-2", fourth: "S-2"}
    line = ((1.8, 200.0), (1.2, 500.0))
    same, apart = [CandidateCurve(name, line, 1.1) for name in ("S-1 R-1", "S-1 R-2")], CandidateCurve("S-2", line, 1.0)
    assert [each.name for each in one_line_each([*same, apart])] == ["S-1 R-1 = S-1 R-2", "S-2"]
