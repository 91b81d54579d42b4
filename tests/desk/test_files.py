"""Whole engines through the window: new, open, save, the question about unsaved changes, backup, recovery."""

import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QTimer, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtWidgets import QApplication, QMessageBox

from engines import Bench, demo, without_facts
from honest_lift.desk import questions
from honest_lift.facts.edits import Describe
from honest_lift.facts.file import read_book, write_book
from honest_lift.facts.fresh import empty_book


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
    assert window.engine_name.text() == "Reedmace 366 · as it comes · river.liftbook"
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


def entries(window):
    return without_facts(window.session.book.journal)


def test_staying_keeps_the_window_open(open_window):
    window = open_window()
    change(window)
    answer("Stay")
    assert not window.close()
    assert window.isVisible()


def test_undoing_a_fact_leaves_nothing_to_save(open_window):
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
    assert f"{path}\n1 reading, last on" in asked[0]
    assert asked[0].endswith("Confirmed and never saved. Recover it?")
    assert again.session.book.journal[-1] == typed
    assert again.session.is_dirty
    again.session.save(path)
    again.session.close()
    third = open_window()
    third.files.open_path(path)
    assert len(asked) == 1, "saved with the engine, it is offered no more"


def test_what_was_taken_in_is_kept_with_its_facts_through_another_kill(open_window, tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    monkeypatch.setattr(questions, "recover", lambda parent, question: "take")
    lost = None
    for _ in range(3):  # killed, taken in, and killed again before anything else is done
        window = open_window()
        window.files.open_path(path)
        if lost is None:
            window.session.do(Describe({"name": "river boat"}, "name"))
            change(window)
            lost = window.session.book
        assert (window.session.engine, entries(window)) == (lost.engine, without_facts(lost.journal))
        window.session.close()


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
    assert asked[0].startswith("river boat\nnever saved to a file\n")
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
    assert window.bar.understood.text() == "Nothing was left unsaved."


def test_dropping_changes_puts_an_unsaved_engine_away(open_window, monkeypatch):
    window = open_window()
    change(window)
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: "drop")
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
    assert second.engine_name.text() == "Reedmace 366 · as it comes · river.liftbook, for reading only"
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


def reopened(open_window, monkeypatch, answers):
    """Start the program plainly after a kill, answering what it offers; give the window and what was asked."""
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or answers.pop(0))
    window = open_window(empty_book())
    window.files.offer_left_behind()
    return window, asked


def test_a_plain_start_offers_what_was_open_with_its_file(open_window, tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    killed = open_window()
    killed.files.open_path(path)
    change(killed)
    typed = killed.session.book.journal[-1]
    killed.session.close()
    window, asked = reopened(open_window, monkeypatch, ["take"])
    assert asked[0].startswith(f"Reedmace 366\n{path}\n1 reading, last on 20")
    assert "Open that file and take it in?" in asked[0]
    assert (window.session.path, window.session.book.journal[-1]) == (path, typed)
    assert window.session.is_dirty


def test_a_copy_is_another_engine_and_says_what_it_was_copied_from(open_window, tmp_path):
    window, first, second = open_window(), tmp_path / "first.liftbook", tmp_path / "second.liftbook"
    window.session.save(first)
    own = window.session.engine.id
    change(window)
    window.session.save(second)
    copy = read_book(second)
    assert copy == window.session.book
    assert (copy.engine.id != own, copy.engine.copied_from) == (True, own)
    assert read_book(first).engine.id == own
    window.session.undo()
    assert window.session.engine.id == copy.engine.id, "no step back leads into the other engine"
    window.session.save(second)
    assert read_book(second).engine.id == copy.engine.id


def test_what_was_typed_into_a_copied_file_is_offered_there(open_window, tmp_path, monkeypatch):
    first, second = tmp_path / "first.liftbook", tmp_path / "second.liftbook"
    write_book(demo(), first)
    second.write_bytes(first.read_bytes())
    killed = open_window()
    killed.files.open_path(second)
    change(killed)
    killed.session.close()
    asked = []
    monkeypatch.setattr(questions, "recover", lambda parent, question: asked.append(question) or "later")
    window = open_window()
    window.files.open_path(first)
    assert (len(asked), str(second) in asked[0]) == (1, True)
    assert window.session.book.journal == demo().journal
    monkeypatch.setattr(questions, "recover", lambda parent, question: "take")
    window._actions["recover"].trigger()
    assert (window.session.path, len(entries(window))) == (second, len(demo().journal) + 1)


def test_not_now_then_work_then_no_save_costs_nothing_of_the_run_that_crashed(open_window, tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    killed = open_window()
    killed.files.open_path(path)
    killed.session.do(Describe({"name": "river boat"}, "name"))
    change(killed)
    lost = killed.session.book
    killed.session.close()
    monkeypatch.setattr(questions, "recover", lambda parent, question: "later")
    later = open_window()
    later.files.open_path(path)
    later.session.do(Describe({"name": "something else"}, "name"))
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: "drop")
    later._actions["new"].trigger()
    monkeypatch.setattr(questions, "recover", lambda parent, question: "take")
    again = open_window()
    again.files.open_path(path)
    assert again.session.engine == lost.engine
    assert entries(again) == without_facts(lost.journal)


@pytest.mark.parametrize(("presses", "written"), [(["Not now"], False), (["Look at the difference", "OK", "Write over it"], True),
                                                  (["Save elsewhere…"], False)])  # fmt: skip
def test_a_file_that_another_program_wrote_is_told_before_it_is_written_over(
    open_window, tmp_path, monkeypatch, presses, written
):
    path, other = tmp_path / "river.liftbook", tmp_path / "elsewhere.liftbook"
    monkeypatch.setattr(questions, "file_to_save", lambda parent, suggestion: other)
    write_book(demo(), path)
    window = open_window()
    window.files.open_path(path)
    theirs = Bench().height("1e", 45.0).book
    write_book(theirs, path)
    change(window)
    seen = []

    def press():
        box = QApplication.activeModalWidget()
        seen.append(box.text() + box.informativeText())
        wanted = presses.pop(0)
        if presses:
            QTimer.singleShot(50, press)
        next(button for button in box.buttons() if button.text().replace("&", "") == wanted).click()

    QTimer.singleShot(50, press)
    window._actions["save"].trigger()
    assert "another program has written this file" in seen[0]
    if written:
        assert "“bench”; another engine. Entries that the desk lacks: 1; that the file lacks:" in seen[1]
        assert read_book(path) == window.session.book
        assert read_book(path.with_name(path.name + ".bak")) == theirs, "what stood there is the backup"
    else:
        assert read_book(path) == theirs
        assert other.exists() is ("elsewhere" in str(window.session.path))


def test_a_link_stays_a_link(open_window, tmp_path):
    (tmp_path / "real").mkdir()
    real, link = tmp_path / "real" / "river.liftbook", tmp_path / "link.liftbook"
    write_book(demo(), real)
    link.symlink_to(real)
    window = open_window()
    window.files.open_path(link)
    change(window)
    window._actions["save"].trigger()
    assert link.is_symlink()
    assert read_book(real) == window.session.book


def test_what_is_not_on_the_disk_is_said_until_it_is(qtbot, open_window, tmp_path, monkeypatch):
    window, blocked = open_window(), tmp_path / "blocked"
    blocked.write_text("")
    monkeypatch.setenv("XDG_STATE_HOME", str(blocked))
    change(window)
    qtbot.waitUntil(lambda: window.notice.isVisible())
    assert "1 reading is not on the disk" in window.notice.text()
    assert "confirmed" not in window.bar.understood.text()
    asked = []
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: asked.append(unwritten) or "stay")
    assert not window.close()
    assert asked == [1], "the question does not call safe what is not"
    blocked.unlink()
    qtbot.waitUntil(lambda: not window.notice.isVisible(), timeout=8000)
    assert "confirmed" in window.bar.understood.text()


def test_half_of_a_character_is_refused_and_nothing_changes(open_window):
    window = open_window()
    before = window.session.book
    assert not window.session.do(Describe({"name": "half \ud800"}, "name"))
    assert window.session.book is before
    assert "half of a character (U+D800)" in window.bar.understood.text()
