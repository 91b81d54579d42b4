"""What spares a hand and an eye: tones, letters on buttons, a cursor where the figure goes, and what was typed kept in view."""

import wave

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractSpinBox, QApplication, QComboBox, QLabel, QLineEdit, QPushButton, QStackedWidget

from hands import put, type_in
from honest_lift.desk.tones import TONES
from honest_lift.facts.fresh import empty_book
from honest_lift.plans.new_engine import Answers, begin
from pages import every_page


@pytest.fixture
def player(tmp_path, monkeypatch):
    """Stand in for the desktop's sound player: it writes down what it was to play, and that this was a sound file."""
    heard = tmp_path / "heard"
    script = tmp_path / "pw-play"
    script.write_text(f'#!/bin/sh\ncp "$1" {tmp_path}/\nhead -c 4 "$1" >> {heard}\nbasename "$1" .wav >> {heard}\n')
    script.chmod(0o755)
    monkeypatch.setenv("PATH", f"{tmp_path}:/usr/bin:/bin")
    return lambda: heard.read_text().split() if heard.exists() else []


def test_a_reading_is_heard_confirmed_asked_about_and_out_of_its_limit(qtbot, open_window, player, tmp_path):
    window = open_window()
    session = window.session
    session.open_step("heights")
    type_in(qtbot, window, "1.801")
    qtbot.wait(300)
    assert player() == [], "off until it is asked for"
    window._actions["sound"].trigger()
    type_in(qtbot, window, "1.802")
    qtbot.waitUntil(lambda: "RIFFconfirmed" in player(), timeout=5000)
    type_in(qtbot, window, "3.9")
    qtbot.waitUntil(lambda: "RIFFasked" in player(), timeout=5000)
    assert "RIFFoutside" not in player()
    before = sum(one.verdict.word == "fails" for one in session.examination.findings)
    type_in(qtbot, window, "")  # Enter again
    qtbot.waitUntil(lambda: "RIFFoutside" in player(), timeout=5000)
    assert sum(one.verdict.word == "fails" for one in session.examination.findings) > before
    assert window._actions["sound"].isChecked()
    for name, hertz in TONES.items():
        with wave.open(str(tmp_path / f"{name}.wav")) as file:
            seconds = file.getnframes() / file.getframerate()
        assert 0.1 * len(hertz) < seconds < 0.25 * len(hertz)


def test_without_a_player_the_desktop_beeps(qtbot, open_window, monkeypatch):
    window = open_window()
    monkeypatch.setenv("PATH", "/nowhere")
    beeps = []
    monkeypatch.setattr(QApplication, "beep", lambda: beeps.append(1))
    window.toggle_sound()
    assert "no sound player is installed" in window.bar.understood.text()
    window.tones.play("asked")
    assert len(beeps) == len(TONES["asked"])


def test_every_button_and_field_has_a_letter_of_its_own_on_its_page(open_window):
    window = open_window()
    for name, sheet in every_page(window):
        letters = {}
        for one in (*sheet.findChildren(QPushButton), *sheet.findChildren(QLabel)):
            at = one.text().find("&")
            if not one.isVisible() or at < 0 or (isinstance(one, QLabel) and one.buddy() is None):
                continue
            letter = one.text()[at + 1].lower()
            assert letter not in "emvh", f"{name}: {one.text()} takes a menu's letter"
            assert letter not in letters, f"{name}: {one.text()} and {letters[letter]}"
            letters[letter] = one.text()
        bare = [
            one.text() for one in sheet.findChildren(QPushButton)
            if one.isVisible() and one.text() and "&" not in one.text() and window.session.step not in ("trial", "readings")
        ]  # fmt: skip
        assert not bare, f"{name}: {bare} have no letter"
        for page in sheet.findChildren(QStackedWidget):  # the line of a spin box is a part of it
            for field in (*page.findChildren(QLineEdit), *page.findChildren(QComboBox)):
                assert not field.isVisible() or isinstance(field.parent(), QAbstractSpinBox) or field.accessibleName() or any(
                    label.buddy() is field for label in page.findChildren(QLabel)
                ), f"{name}: a field without a name"  # fmt: skip


def test_what_is_typed_after_new_card_names_it(qtbot, open_window):
    window = open_window()
    window.session.show_page("Springs")
    page = window.sheets["engine"].pages["Springs"]
    next(one for one in page.findChildren(QPushButton) if one.text().replace("&", "") == "New card").click()
    assert window.focusWidget() is page.cards
    QTest.keyClicks(page.cards, "s")
    editor = page.cards.viewport().findChild(QLineEdit)
    QTest.keyClicks(editor, "prat blue")
    QTest.keyClick(editor, Qt.Key.Key_Return)
    qtbot.waitUntil(lambda: page.cards.current.name == "sprat blue", timeout=2000)


def _begun(open_window):
    book = empty_book()
    window = open_window(book)
    window.session.do(begin(book.engine, Answers("", "Single, two valves", heights_mm=(45.0, 33.0))))
    return window


@pytest.mark.parametrize(
    ("quantity", "page", "title"), [("rocker_ratio", "Cam card", "value"), ("lobe_lift", "Cam card", "value")]
)
def test_f2_lands_in_the_cell_its_figure_goes_into(qtbot, open_window, quantity, page, title):
    window = _begun(open_window)
    session = window.session
    step = next(one for one in session.plan if one.quantity == quantity)
    assert step.page == page
    session.start(step)
    table = window.focusWidget()
    assert table.records.columns[table.currentIndex().column()].title == title
    assert table.current.quantity == quantity


def test_f2_lands_on_springs_heights_cards_and_limits(open_window):
    window = _begun(open_window)
    session = window.session
    springs = window._sheet("engine").pages["Springs"]
    limits = window._sheet("engine").pages["Limits"]
    for about, table, title in (
        ("springs", springs.springs, "fitted at"), ("heights", springs.sets, "heights on"), ("card", springs.cards, "installed"),
    ):  # fmt: skip
        session.show_page("Springs", about)
        assert table.records.columns[table.currentIndex().column()].title.startswith(title)
    session.show_page("Limits", "seat_load")
    assert (window.focusWidget(), limits.checks.currentText()) == (limits.add, "Seat load")
    session.show_page("Limits", "coil_bind_clearance")
    assert limits.limits.current.check == "coil_bind_clearance"


@pytest.mark.parametrize(
    ("typed", "said"),
    [("45.8 mm", "45.8 mm = 1.803 in"), ("1.803", "1.803 in = 45.80 mm"), ("1 13/16", "1.813 in = 46.04 mm"),
     ("46 mm-.3 mm", "46 mm-.3 mm = 1.799 in")],
)  # fmt: skip
def test_the_echo_keeps_the_unit_it_was_typed_in(qtbot, open_window, typed, said):
    window = open_window()
    window.session.open_step("heights")
    qtbot.keyClicks(window.bar.entry, typed)
    assert window.bar.understood.text().startswith(said)


def test_a_reading_its_tool_cannot_give_is_refused_and_stays(qtbot, open_window):
    window = open_window()
    session = window.session
    tool = next(one for one in session.engine.tools if one.id == "gauge")
    session.show_page("Tools")
    tools = window.sheets["engine"].pages["Tools"].tools
    row = next(i for i, one in enumerate(tools.records.records) if one.id == tool.id)
    put(qtbot, tools, row, "to", "1.5")
    put(qtbot, tools, row, "reads from", "1.2")
    assert session.engine.tool("gauge").highest == pytest.approx(38.1)
    session.open_step("heights")
    before = len(session.book.journal)
    type_in(qtbot, window, "1.801")
    assert "height micrometer no. 2 reads 1.200 in to 1.500 in, and 1.801 in lies outside" in (
        window.bar.understood.text().replace("Height", "height")
    )
    assert (window.bar.entry.text(), len(session.book.journal)) == ("1.801", before)
    read_with = {one.place.name for one in session.book.journal if getattr(one, "tool", "") == "gauge"}
    verdicts = {one.verdict.word for one in session.examination.findings
                if one.check.name == "installed_height" and one.position in read_with}  # fmt: skip
    assert verdicts
    assert verdicts <= {"unproven", "fails"}
