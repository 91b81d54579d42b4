"""The window at home on a desktop: its manual, what was open last, one window a file, light and dark as the system, its papers."""

import csv
import io
import re

import pytest
from PyQt6.QtCore import QPoint, QSettings, Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QMenu, QTableView

from engines import all_failing, demo
from honest_lift.desk import questions, theme
from honest_lift.desk.actions import ACTIONS
from honest_lift.desk.door import Door, knock
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.manual_window import FIXED_KEYS, manual_folder
from honest_lift.desk.page_out import table_csv, things_on
from honest_lift.desk.recent import Recent
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.window import Window
from honest_lift.numbers.verdict import Verdict


@pytest.fixture
def settings(tmp_path):
    return QSettings(str(tmp_path / "settings.ini"), QSettings.Format.IniFormat)


def test_the_first_three_minutes_go_as_the_manual_says(open_window, qtbot):
    window = open_window()
    session = window.session
    session.go("5i")
    assert session.examination.verdict("5i") is Verdict.FAILS
    window._actions["finding"].trigger()
    window._actions["finding"].trigger()
    session.go("8e")
    window._actions["step_heights"].trigger()
    assert session.examination.finding("installed_height", "8e").verdict is Verdict.UNPROVEN
    qtbot.keyClicks(window.bar.entry, "1.803")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    qtbot.waitUntil(
        lambda: session.examination.finding("installed_height", "8e").verdict is Verdict.PASSES, timeout=5000
    )
    window._actions["undo"].trigger()
    qtbot.waitUntil(
        lambda: session.examination.finding("installed_height", "8e").verdict is Verdict.UNPROVEN, timeout=5000
    )
    told = (manual_folder() / "index.md").read_text()
    assert all(one in told for one in ("5 intake", "8 exhaust", "`1.803`", "**F3**", "**F2**", "**Ctrl+Z**"))


def test_f1_opens_the_manual_at_the_place(open_window, qtbot):
    window = open_window()
    for step in STEPS:
        window.session.open_step(step)
        window._actions["manual"].trigger()
        manual = window.help.manual
        assert manual.page.source().fileName() == f"{step}.md"
        assert manual.page.toPlainText().partition("\n")[0] == manual.list.currentItem().text()
    window.session.open_step("heights")
    window.session.look_into("coil_bind_clearance")
    window._actions["manual"].trigger()
    assert manual.page.cursorForPosition(QPoint(40, 30)).block().text() == "Coil-bind clearance", "near the top"
    window._actions["keys"].trigger()
    assert all(row.key in manual.page.toPlainText() for row in ACTIONS if row.key)
    assert all(key in manual.page.toPlainText() for key, _ in FIXED_KEYS)


def test_the_manual_is_searched_and_its_links_lead_somewhere(open_window, qtbot):
    window = open_window()
    window._actions["manual"].trigger()
    manual = window.help.manual
    qtbot.keyClicks(manual.search, "witness mark")
    pages = [manual.list.item(row).text() for row in range(manual.list.count())]
    assert "Rocker" in pages
    assert "Spring bench" not in pages
    qtbot.keyClick(manual.search, Qt.Key.Key_Return)
    assert manual.page.textCursor().selectedText().lower() == "witness mark"
    manual.search.setText("xyzzy")
    assert manual.list.item(0).text() == "no page holds that"
    for path in manual_folder().glob("*.md"):
        for to in re.findall(r"\]\(([^)]+)\)", path.read_text()):
            assert (manual_folder() / to).exists(), (path.name, to)


def test_what_was_open_last_is_offered_while_its_file_is_there(open_window, settings, tmp_path):
    recent = Recent(settings)
    files = [tmp_path / f"{n} & co.liftbook" for n in range(12)]
    for one in files:
        one.touch()
        recent.remember(one)
    recent.remember(files[5])
    files[11].unlink()
    assert Recent(settings).paths == (files[5], files[10], files[9], *files[8:5:-1], files[4], files[3])
    menu, went = QMenu(), []
    recent.fill(menu, went.append)
    menu.actions()[0].trigger()
    assert went == [files[5]]
    assert menu.actions()[0].text().startswith("&1 5 && co")
    Recent(None).fill(menu, went.append)
    assert [one.isEnabled() for one in menu.actions()] == [False]


def test_a_second_start_with_a_file_knocks_at_the_window_that_has_it(open_window, qtbot, tmp_path):
    window, path, other = open_window(), tmp_path / "river.liftbook", tmp_path / "other.liftbook"
    path.touch()
    (tmp_path / "link.liftbook").symlink_to(path)
    door = Door(window)
    assert not knock(path)
    door.stand_at(path)
    for one in (path, tmp_path / "link.liftbook"):
        with qtbot.waitSignal(door.knocked, timeout=2000):
            assert knock(one), "by whatever name"
    door.stand_at(other)
    assert not knock(path)
    second = Door(window)
    second.stand_at(other)
    assert second._server is None, "the first has it"
    door.stand_at(None)
    assert not knock(other)


def test_light_and_dark_follow_the_system_until_somebody_chooses(qtbot, settings, monkeypatch):
    system = {"is": Qt.ColorScheme.Dark}
    monkeypatch.setattr(theme, "QGuiApplication", type("Stand-in", (), {
        "styleHints": staticmethod(lambda: type("Hints", (), {"colorScheme": staticmethod(lambda: system["is"])}))
    }))  # fmt: skip
    window = Window(Session(), settings)
    qtbot.addWidget(window)
    assert window.theme_name == "dark"
    system["is"] = Qt.ColorScheme.Unknown
    QGuiApplication.styleHints().colorSchemeChanged.emit(Qt.ColorScheme.Light)
    assert window.theme_name == "light"
    window._remember()
    assert settings.value("theme") == ""
    window._actions["theme"].trigger()
    QGuiApplication.styleHints().colorSchemeChanged.emit(Qt.ColorScheme.Light)
    assert window.theme_name == "dark", "what was chosen stays"
    window._remember()
    assert settings.value("theme") == "dark"
    window._actions["system"].trigger()
    assert window.theme_name == "light"


def test_a_table_of_a_page_reads_back_as_it_is_seen(open_window, monkeypatch, tmp_path):
    window = open_window(all_failing())
    window.session.open_step("heights")
    sheet = window.sheets["heights"]
    [drawing, grid] = [one for one in things_on(sheet) if isinstance(one, SceneView | GridView)]
    rows = list(csv.reader(io.StringIO(table_csv(grid))))
    assert [row[0] for row in rows[1:]] == [one.id for one in window.session.engine.layout.positions]
    assert rows[1] == [cell.words for cell in grid.model().cells[0]]
    monkeypatch.setattr(questions, "choose", lambda _p, _t, _q, names: names[0])
    for name, begins in (("a.svg", b"<svg"), ("a.png", b"\x89PNG")):
        monkeypatch.setattr(questions, "drawing_to_save", lambda *_, own=name: tmp_path / own)
        window._actions["page_out"].trigger()
        assert (tmp_path / name).read_bytes().startswith(begins)
    assert drawing.scenes
    monkeypatch.setattr(questions, "choose", lambda _p, _t, _q, names: names[1])
    monkeypatch.setattr(questions, "csv_to_save", lambda *_: tmp_path / "a.csv")
    window._actions["page_out"].trigger()
    assert (tmp_path / "a.csv").read_text() == table_csv(grid)


def test_every_page_has_its_tables_told(open_window):
    """Record tables too: heads, and a line a record."""
    window = open_window(demo())
    window.session.open_step("engine")
    found = 0
    for page in window.sheets["engine"].findChildren(QTableView):
        if page.model() is not None and not isinstance(page, GridView):
            rows = list(csv.reader(io.StringIO(table_csv(page))))
            assert len(rows) == 1 + page.model().rowCount()
            found += len(rows) > 1
    assert found > 2
