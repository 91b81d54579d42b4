"""Whole engines through the window: new, open, save, the question about unsaved changes, backup, recovery."""

import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QTimer, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtWidgets import QApplication, QMessageBox

from engines import Bench, demo
from honest_lift.desk import questions
from honest_lift.facts.file import read_book, write_book


def answer(words):
    """Press a button of the next question, as a person would."""

    def press():
        box = QApplication.activeModalWidget()
        assert isinstance(box, QMessageBox), box
        next(button for button in box.buttons() if button.text() == words).click()

    QTimer.singleShot(50, press)


@pytest.fixture
def told(monkeypatch):
    """Collect what is said in a box instead of showing it."""
    said = []
    monkeypatch.setattr(questions, "tell", lambda parent, title, words: said.append(words))
    return said


def change(window):
    window.bar.entry.setText("1.801")
    window.bar.confirm()


def test_save_as_then_save_then_open(open_window, tmp_path, monkeypatch):
    window = open_window()
    path = tmp_path / "river.liftbook"
    monkeypatch.setattr(questions, "file_to_save", lambda parent, suggestion: path)
    assert not window.isWindowModified()
    change(window)
    assert window.isWindowModified()
    window._actions["save"].trigger()
    assert not window.isWindowModified()
    assert window.engine_name.text() == "Reedmace 366 · river.liftbook"
    assert read_book(path) == window.session.book
    change(window)
    window._actions["save"].trigger()
    assert read_book(path) == window.session.book

    other = tmp_path / "other.liftbook"
    write_book(Bench().book, other)
    monkeypatch.setattr(questions, "file_to_open", lambda parent, folder: other)
    window._actions["open"].trigger()
    assert window.session.engine.name == "bench"


@pytest.mark.parametrize(("button", "kept"), [("Stay", True), ("Don't save", False), ("Save", False)])
def test_the_question_about_unsaved_changes(open_window, tmp_path, monkeypatch, button, kept):
    window = open_window()
    path = tmp_path / "river.liftbook"
    monkeypatch.setattr(questions, "file_to_save", lambda parent, suggestion: path)
    change(window)
    answer(button)
    window._actions["new"].trigger()
    assert (window.session.engine.name == "Reedmace 366") is kept
    assert path.exists() is (button == "Save")
    if not kept:
        assert window.session.step == "engine"


def test_staying_keeps_the_window_open(open_window):
    window = open_window()
    change(window)
    answer("Stay")
    assert not window.close()
    assert window.isVisible()


def test_undoing_a_fact_leaves_nothing_to_save(open_window):
    from honest_lift.facts.edits import Describe

    window = open_window()
    window.session.do(Describe({"name": "other"}, "name"))
    assert window.session.is_dirty
    window._actions["undo"].trigger()
    assert not window.session.is_dirty


def test_a_bad_file_is_explained_and_the_engine_stays(open_window, tmp_path, told):
    window = open_window()
    path = tmp_path / "cut.liftbook"
    path.write_text('{"format": "honest-lift/liftbook", "version": 1, "engine"')
    window.files.open_path(path)
    assert "cut.liftbook, line 1" in told[0]
    assert window.session.engine.name == "Reedmace 366"


def test_values_set_aside_are_named_on_opening(open_window, tmp_path, told):
    path = tmp_path / "odd.liftbook"
    write_book(Bench().height("1e", 45.125).book, path)
    path.write_text(path.read_text().replace('"value": 45.125', '"value": NaN'))
    window = open_window()
    window.files.open_path(path)
    assert "1 exhaust, installed height" in told[0]
    assert "it is not a number" in told[0]
    assert "What stood there was set aside" in window.ladder.reason.text()


def test_a_folder_that_takes_nothing_is_explained(open_window, tmp_path, monkeypatch, told):
    window = open_window()
    monkeypatch.setattr(questions, "file_to_save", lambda parent, suggestion: tmp_path / "no" / "x.liftbook")
    change(window)
    window._actions["save_as"].trigger()
    assert "can't be written" in told[0]
    assert window.session.is_dirty


def test_the_backup_is_put_on_the_desk_unsaved(open_window, tmp_path, told):
    window = open_window()
    path = tmp_path / "river.liftbook"
    window.session.save(path)
    first = window.session.book
    change(window)
    window.session.save(path)
    window._actions["restore"].trigger()
    assert window.session.book == first
    assert window.isWindowModified(), "nothing is written before it is saved"
    assert read_book(path) != first


def test_no_backup_is_said(open_window, tmp_path, told):
    window = open_window()
    window.session.save(tmp_path / "new.liftbook")
    window._actions["restore"].trigger()
    assert "new.liftbook.bak" in told[0]


def test_what_was_confirmed_and_never_saved_is_offered(open_window, tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    window = open_window()
    window.files.open_path(path)
    change(window)
    typed = window.session.book.journal[-1]
    window.session.close()  # as if the program had gone here
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or "take")
    again = open_window()
    again.files.open_path(path)
    assert "never saved with it: 1 reading, last on" in asked[0]
    assert again.session.book.journal[-1] == typed
    assert again.session.is_dirty
    again.session.save(path)
    again.session.close()
    third = open_window()
    third.files.open_path(path)
    assert len(asked) == 1, "saved with the engine, it is offered no more"


def test_a_file_is_dragged_in(open_window, tmp_path):
    path = tmp_path / "other.liftbook"
    write_book(Bench().book, path)
    window = open_window()
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(path))])
    event = QDropEvent(
        QPointF(9, 9), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
    )
    window.dropEvent(event)
    assert window.session.engine.name == "bench"


def test_an_engine_never_saved_is_offered_with_its_facts(qtbot, open_window, tmp_path, monkeypatch):
    from honest_lift.facts.edits import Describe

    window = open_window()
    change(window)
    window.session.do(Describe({"name": "river boat"}, "name"))
    change(window)
    lost = window.session.book
    window.session.close()  # as if the program had gone here
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or "take")
    again = open_window(Bench().book)
    again._actions["recover"].trigger()
    assert asked[0].startswith("river boat was never saved: ")
    assert again.session.engine == lost.engine
    assert again.session.book.journal[-1] == lost.journal[-1]
    assert again.session.is_dirty
    again.session.save(tmp_path / "kept.liftbook")
    again._actions["recover"].trigger()
    assert len(asked) == 1, "saved, it is offered no more"


def test_what_nobody_wants_is_put_away_and_not_asked_again(open_window, monkeypatch):
    window = open_window()
    change(window)
    window.session.close()
    monkeypatch.setattr(questions, "recover", lambda parent, question: "away")
    window._actions["recover"].trigger()
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or "later")
    window._actions["recover"].trigger()
    assert asked == []
    assert window.bar.understood.text() == "No engine was left unsaved."


def test_dropping_changes_puts_an_unsaved_engine_away(open_window, monkeypatch):
    window = open_window()
    change(window)
    monkeypatch.setattr(questions, "save_first", lambda parent: "drop")
    window._actions["new"].trigger()
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or "later")
    window._actions["recover"].trigger()
    assert asked == []


def test_a_second_window_on_a_file_may_only_read(open_window, tmp_path, monkeypatch, told):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    first, second = open_window(), open_window()
    first.files.open_path(path)
    second.files.open_path(path)
    assert "has this file open, so it can only be read here" in told[0]
    assert second.engine_name.text() == "Reedmace 366 · river.liftbook, for reading only"
    before = second.session.book
    change(second)
    assert second.session.book is before
    assert second.bar.entry.text() == "1.801", "what was typed stays"
    assert "open for reading only" in second.bar.understood.text()
    second._actions["save"].trigger()
    assert "has it open" in told[-1]
    monkeypatch.setattr(questions, "file_to_save", lambda parent, suggestion: tmp_path / "copy.liftbook")
    second._actions["save_as"].trigger()
    change(second)
    assert second.session.book is not before, "a copy of one's own can be worked on"
    change(first)
    assert first.session.is_dirty
