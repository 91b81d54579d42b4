"""The build sheet: every figure on it is the finding's, in HTML and read back from the PDF; it wants no colour and no net."""

import io
import re
import unicodedata
from functools import cached_property
from html.parser import HTMLParser

import pytest
from msgspec.structs import replace
from pypdf import PdfReader
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QProgressDialog

from engines import GAUGE, Bench, all_failing, demo
from honest_lift.checks.examine import examine
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.signed import to_sign
from honest_lift.checks.wording import figure_words, limit_words, margin_words, reason
from honest_lift.checks.working import working
from honest_lift.cli import main
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk import questions
from honest_lift.desk.paper import pdf_of_paper
from honest_lift.desk.sheet_out import GridDialog, SheetDialog
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.engine import METRIC_UNITS
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.shims import ShimSize
from honest_lift.numbers.mendable import MendableError
from honest_lift.plans.spring.shims import NO_TARGET, Pocket, ShimPlan
from honest_lift.plans.spring.windows import Window
from honest_lift.sheets import papers
from honest_lift.sheets.bench_card import bench_card
from honest_lift.sheets.build_sheet.content import sheet_of
from honest_lift.sheets.build_sheet.html import sheet_html
from honest_lift.sheets.build_sheet.pages import worst_at
from honest_lift.sheets.papers import blank_grid, build_sheet
from honest_lift.sheets.shapes import SHAPES

DAY = "2026-11-30"


class Text(HTMLParser):
    """The words of a page, without its style."""

    def __init__(self, html):
        super().__init__()
        self.words, self.tags, self.asks = [], [], []
        self.feed(html)

    def handle_starttag(self, tag, attrs):
        self.tags.append(tag)
        self.asks += [value for name, value in attrs if name in ("src", "href")]

    def handle_data(self, data):
        self.words.append(data)

    @cached_property
    def text(self):
        return plain(" ".join(self.words))


def plain(text):
    """Without the breaks of lines and pages, and letters that a printer joins apart."""
    return re.sub(r"\s+", "", unicodedata.normalize("NFKC", text))


def lacking(text, told):
    """Give what a text does not say."""
    return [one for one in told if plain(one) not in text]


def made(book, **how):
    seen = examine(book)
    sheet = sheet_of(book, seen, DAY, **how)
    return seen, sheet, sheet_html(sheet, both=how.get("both", False))


@pytest.mark.parametrize(
    "book", [demo, all_failing, lambda: demonstration("four"), empty_book], ids=["demo", "failing", "four", "empty"]
)
def test_every_figure_on_the_sheet_is_the_findings(book):
    book = book()
    seen, sheet, html = made(book)
    page = Text(html)
    for one in seen.findings:
        told = [reason(one, book.engine), *working(one, book.engine)]
        told += (
            [one.word or "not looked at"]
            if one.check.dimension == OBSERVED
            else [figure_words(one, book.engine), limit_words(one, book.engine), margin_words(one, book.engine)]
        )
        assert lacking(page.text, told) == [], one.check.name
    assert page.asks == [], "it asks for nothing from anywhere"
    assert sheet.verdict == seen.of_engine().word
    fitted = [one for one in seen.findings if one.position]
    assert lacking(page.text, [f"Of {len(fitted)} findings"]) == []


def test_the_pdf_read_back_says_the_same_and_its_drawings_are_lines_and_letters(qtbot):
    book = demonstration("four")
    seen, paper = examine(book), build_sheet(book, appendix=False)
    pages = PdfReader(io.BytesIO(pdf_of_paper(paper))).pages
    text = plain(" ".join(page.extract_text() for page in pages))
    assert len(pages) > 3
    for one in seen.findings:
        if one.check.dimension != OBSERVED:
            assert lacking(text, [figure_words(one, book.engine), margin_words(one, book.engine)]) == [], one.check.name
    assert lacking(text, {SHAPES[one.verdict] for one in seen.findings}) == [], "a verdict is told without a colour"
    assert [one.key for one in paper.drawings][:3] == ["heads", "spring", "heights"]
    assert lacking(text, ["Valves around the turn", "crank, deg from overlap TDC", "closed, seat load"]) == []
    assert not any(page.images for page in pages), "no picture of dots"
    html = paper.html()
    assert Text(html).tags.count("svg") == len(paper.drawings)
    names = re.findall('id="(cut[0-9]+)"', html)
    assert len(names) == len(set(names)) > 1, "the hatching of one drawing is not another's"


def test_without_the_appendix_no_working_is_told_and_with_both_units_each_figure_has_two():
    book = demo()
    _, whole, html = made(book)
    _, customer, short = made(book, appendix=False)
    assert whole.workings
    assert customer.workings == ()
    assert len(short) < len(html)
    _, both, told = made(book, both=True)
    row = next(one for name, rows in both.steps for one in rows if name == "Installed height" and one.other)
    inches, millimetres = float(row.figure.split()[0]), float(row.other.split()[0])
    assert millimetres == pytest.approx(25.4 * inches, abs=0.02)
    assert lacking(plain(told), [row.other]) == []


def test_what_was_signed_stands_on_the_cover_and_markup_stays_text():
    made_up = Bench().do(Describe({"hand": "a <b>hand</b>", "name": "<script>alert(1)</script> & Co"}, "names"))
    made_up.height("1e", 30.0)
    bad = next(
        one for one in examine(made_up.book).findings if one.check.name == "installed_height" and one.position == "1e"
    )
    made_up.do(to_sign(made_up.book, bad, "it <i>will</i> do"))
    _, sheet, html = made(made_up.book)
    assert any("it <i>will</i> do" in one for one in sheet.signed)
    assert html.count("<script>") == 0
    assert html.count("&lt;script&gt;") > 0
    assert {"script", "i", "b"} & set(Text(html).tags) == set()


def test_the_sheet_of_an_engine_in_millimetres_has_inches_beside():
    book = demo()
    book = replace(book, engine=replace(book.engine, units=dict(METRIC_UNITS)))
    _, both, _ = made(book, both=True)
    assert any(one.other.endswith(" in") for _, rows in both.steps for one in rows)


def test_report_writes_both_and_says_what_it_can_not(tmp_path, capsys):
    html, pdf = tmp_path / "a.html", tmp_path / "a.pdf"
    assert main(["report", "demo:four", "--html", str(html), "--pdf", str(pdf), "--customer"]) == 0
    assert html.read_text().startswith("<!DOCTYPE html>")
    assert pdf.read_bytes().startswith(b"%PDF")
    assert capsys.readouterr().out.split() == [str(html), str(pdf)]
    assert main(["report", "demo:four", "--html", str(tmp_path / "none" / "a.html")]) == 2
    assert "a.html" in capsys.readouterr().err
    assert main(["report", str(tmp_path / "no.liftbook"), "--html", str(html)]) == 2
    with pytest.raises(SystemExit):
        main(["report", "demo"])
    assert "name what is to be written" in capsys.readouterr().err


def test_the_window_writes_a_sheet_and_it_can_be_broken_off(open_window, monkeypatch, tmp_path):
    window = open_window(demonstration("four"))
    for name, begins in (("sheet.pdf", b"%PDF"), ("sheet.html", b"<!DOCTYPE")):
        monkeypatch.setattr(questions, "paper_to_save", lambda *_, own=name: tmp_path / own)
        SheetDialog(window, window.session).file.click()
        assert (tmp_path / name).read_bytes().startswith(begins)
    monkeypatch.setattr(QProgressDialog, "wasCanceled", lambda self: True)
    monkeypatch.setattr(questions, "paper_to_save", lambda *_: tmp_path / "none.pdf")
    SheetDialog(window, window.session).file.click()
    assert not (tmp_path / "none.pdf").exists()


def test_of_equals_the_valve_nearest_its_limit_is_drawn():
    """6 intake and 5 intake both fail of coil-bind clearance, by 0.026 and 0.021 in."""
    book = demo()
    seen = examine(book)
    assert worst_at(book, seen, "coil_bind_clearance") == "6i"
    assert worst_at(book, seen, "installed_height") == "5i"
    assert worst_at(empty_book(), examine(empty_book()), "installed_height") == ""


def test_a_blank_grid_has_a_row_for_every_place_and_says_what_makes_none(open_window, monkeypatch, tmp_path, capsys):
    book = demo()
    page = Text(blank_grid(book, ["installed_height", "seal_gap"]).html())
    assert lacking(page.text, ["1 exhaust", "8 intake", "installed height, in", "Enter after each"]) == []
    assert page.tags.count("tr") == 17
    assert Text(blank_grid(book, ["spring_load"]).html()).tags.count("tr") == 1 + len(book.engine.springs)
    for names, says in (
        ([], "1 to 7"), (["installed_height"] * 8, "8 quantities"), (["height"], "no quantity"),
        (["installed_height", "chamber_volume"], "different places"),
    ):  # fmt: skip
        with pytest.raises(MendableError, match=says):
            blank_grid(book, names)
    window = open_window(book)
    dialog = GridDialog(window, window.session, STEPS["heights"].tasks(window.session))
    monkeypatch.setattr(questions, "paper_to_save", lambda *_: tmp_path / "grid.html")
    dialog.file.click()
    assert "installed height" in (tmp_path / "grid.html").read_text()
    said = []
    monkeypatch.setattr(questions, "tell", lambda *words: said.append(words[2]))
    for row in range(dialog.list.count()):
        dialog.list.item(row).setCheckState(Qt.CheckState.Unchecked)
    dialog.file.click()
    assert "0 quantities" in said[0]


def test_papers_of_words_are_told_by_report(tmp_path, capsys):
    for name, says in (("order", "Work order"), ("book", "Every entry:")):
        assert (
            main(
                [
                    "report",
                    "demo",
                    "--paper",
                    name,
                    "--txt",
                    str(tmp_path / name),
                    "--html",
                    str(tmp_path / f"{name}.html"),
                ]
            )
            == 0
        )
        assert (tmp_path / name).read_text().count(says) == 1
        assert (
            lacking(Text((tmp_path / f"{name}.html").read_text()).text, (tmp_path / name).read_text().splitlines())
            == []
        )
    capsys.readouterr()
    assert main(["report", "demo", "--paper", "shims", "--txt", str(tmp_path / "none")]) == 2
    assert "installed height of 8 exhaust" in capsys.readouterr().err
    for line in (
        ["--txt", "a"], ["--read", "lash", "--pdf", "a"], ["--paper", "order", "--both", "--txt", "a"],
        ["--paper", "grid", "--customer", "--html", "a"],
    ):  # fmt: skip
        with pytest.raises(SystemExit):
            main(["report", "demo", *line])
    assert main(["report", "demo", "--paper", "grid", "--read", "no_such", "--html", str(tmp_path / "g")]) == 2


def test_the_shim_card_keeps_its_goal_its_warnings_and_what_nobody_counted(monkeypatch):
    """A plan that fails of its target is not quietly another plan; stock without a count is not said to be there."""
    asked = []

    def plan(book, goal):
        asked.append(goal)
        return ShimPlan(goal, problems=problems)

    monkeypatch.setattr(papers, "plan_shims", plan)
    for problems, goals in (((NO_TARGET,), ["target", "shortest"]), (("the window of 1 intake is empty",), ["target"])):
        asked.clear()
        with pytest.raises(MendableError, match=problems[0]):
            papers.of_words(demo(), "shims")
        assert asked == goals
    window = Window("1i", "1")
    pocket = Pocket("1i", "1", 45.0, (), (0.5,), 44.5, 900.0, 2000.0, 1.0, window)
    told = ShimPlan("target", (pocket,), problems=("an edge lies outside the measured points",))
    for count, says in ((None, "not counted"), (3, "all in stock"), (0, "buy 1")):
        engine = replace(demo().engine, shim_stock=(ShimSize("a", 0.5, count),))
        card = bench_card(engine, told)
        assert card.count(says) == 1
        assert card.count("An edge lies outside the measured points.") == 1


@pytest.mark.parametrize(
    ("accuracy_mm", "told"),
    [(0.001, "±0.000039 in"), (0.01, "±0.00039 in"), (0.05, "±0.0020 in"), (0.0, "its resolution")],
)
def test_what_a_tool_is_true_to_is_never_printed_as_nothing(accuracy_mm, told):
    made = Bench().do(Put("tools", replace(GAUGE, accuracy=accuracy_mm)))
    tools = sheet_of(made.book, examine(made.book), DAY).parts[-1]
    assert told in next(row for row in tools.rows if row[0] == "gauge")
