"""Parts that the log, or the beginning of another engine, says are others: what was read of the old ones proves nothing."""

import pytest

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk import questions
from honest_lift.facts.book.written import written
from honest_lift.facts.file import read_book
from honest_lift.facts.history import History
from honest_lift.facts.place import of_spring
from honest_lift.facts.renewed import EVERYTHING, Renew, parts_named
from honest_lift.numbers.verdict import Verdict


def passing(book) -> set[tuple[str, str]]:
    """What passes of the engine; springs in a drawer are nobody's."""
    found = examine(book).findings
    return {(one.check.name, one.position) for one in found if one.verdict is Verdict.PASSES and one.position}


@pytest.mark.parametrize("name", ["pushrods", "four"])
def test_of_another_engine_nothing_that_was_read_passes(name):
    history = History(demo() if name == "pushrods" else demonstration("four", "another"))
    before = passing(history.book)
    history.do(Renew(EVERYTHING, "begins another engine", "used"))
    left = {check for check, _ in passing(history.book)}
    assert before
    assert left <= {"hardened_base"}, "what is stated, and not read"
    history.undo()
    assert passing(history.book) == before


def test_renewed_springs_have_numbers_of_their_own_and_no_loads():
    made = Bench().complete()
    old = {name: made.engine.spring_at(name) for name in made.names}
    made.do(Renew(("spring",), "springs renewed"))
    assert {made.engine.spring_at(name) for name in made.names}.isdisjoint(old.values())
    seen = examine(made.book)
    for check in ("seat_load", "open_load", "coil_bind_clearance"):
        assert {seen.finding(check, name).verdict for name in made.names} == {Verdict.UNPROVEN}
    assert seen.finding("installed_height", "1e").verdict is Verdict.PASSES, "the pocket is as it was"
    assert [one for one in made.entries if one.place == of_spring(old["1e"])], "what was read of the old ones stays"
    made.do(Renew(("spring",), "once more"))
    assert len({made.engine.spring_at(name) for name in made.names}) == 4


@pytest.mark.parametrize(
    ("words", "slots"),
    [("springs renewed, seats cut", {"spring", "seat"}), ("Head gasket blown; both heads milled .010", {"gasket", "head face"}),
     ("oil and filter", set()), ("new cam", {"cam"}), ("changed the camera", set())],
)  # fmt: skip
def test_the_words_of_the_log_name_parts(words, slots):
    assert set(parts_named(words)) == slots


@pytest.mark.parametrize(("answer", "proves"), [("all", False), ("some", True), ("", True)])
def test_a_part_named_in_the_log_asks_whether_it_is_another_now(open_window, monkeypatch, answer, proves):
    asked = []
    monkeypatch.setattr(questions, "renewed_or_not", lambda *told: asked.append(told[1]) or answer)
    window = open_window(Bench().complete().book)
    window._actions["step_book"].trigger()
    window.sheets["book"].open_page("Log")
    log = window.sheets["book"].log_page
    log.kind.setCurrentIndex(log.kind.findData("work"))
    for words, named in (("oil changed", ""), ("springs renewed", "spring")):
        log.words.setText(words)
        log.write()
        assert bool(asked) is bool(named)
    assert "spring" in asked[0]
    assert [one.words for one in written(window.session.book.journal).log] == ["oil changed", "springs renewed"]
    assert (examine(window.session.book).finding("seat_load", "1e").verdict is Verdict.PASSES) is proves


@pytest.mark.parametrize(("answer", "proves"), [("another", False), ("same", True)])
def test_a_file_beside_its_own_asks_whether_it_is_another_engine(open_window, tmp_path, monkeypatch, answer, proves):
    window, own, other = open_window(Bench().complete().book), tmp_path / "own.liftbook", tmp_path / "other.liftbook"
    window.session.save(own)
    monkeypatch.setattr(questions, "file_to_save", lambda *asked: other)
    monkeypatch.setattr(questions, "same_or_another_engine", lambda *asked: answer)
    assert window.files.save_engine_as()
    assert passing(read_book(own))
    assert bool(passing(read_book(other))) is proves
    assert not window.session.is_dirty


def test_not_now_writes_nothing(open_window, tmp_path, monkeypatch):
    window, own, other = open_window(Bench().complete().book), tmp_path / "own.liftbook", tmp_path / "other.liftbook"
    window.session.save(own)
    monkeypatch.setattr(questions, "file_to_save", lambda *asked: other)
    monkeypatch.setattr(questions, "same_or_another_engine", lambda *asked: "")
    assert not window.files.save_engine_as()
    assert not other.exists()


def test_another_engine_is_never_on_the_disk_with_what_was_read_of_the_first(open_window, tmp_path, monkeypatch):
    """One file is written once: a disk that fails after it leaves no engine that passes by another one's readings."""
    window, own, other = open_window(Bench().complete().book), tmp_path / "own.liftbook", tmp_path / "other.liftbook"
    window.session.save(own)
    written, save = [], window.session.keeper.save
    monkeypatch.setattr(
        window.session.keeper, "save", lambda book, *where, **how: written.append(book) or save(book, *where, **how)
    )
    monkeypatch.setattr(questions, "file_to_save", lambda *asked: other)
    monkeypatch.setattr(questions, "same_or_another_engine", lambda *asked: "another")
    assert window.files.save_engine_as()
    assert [passing(book) for book in written] == [set()]
    assert window.session.examination.finding("seat_load", "1e").verdict is Verdict.UNPROVEN
