"""A worker process that works, raises, dies, hangs and heeds nothing: it is said, it is started anew, nothing is lost."""

import os
import shutil
import signal
from contextlib import contextmanager
from pathlib import Path

import pytest
from msgspec import structs
from PyQt6.QtCore import Qt

import honest_lift
from engines import demo
from honest_lift.checks.examine import examine
from honest_lift.desk import workers as workers_file
from honest_lift.desk.lobes_beside import LobesBeside, cached
from honest_lift.desk.workers import Workers
from honest_lift.estimates import solved
from honest_lift.estimates.cam.card import flank_of
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.facts.edits import Unstate
from honest_lift.facts.ledger import tables
from honest_lift.facts.memory.remember import forget_all
from honest_lift.facts.place import ENGINE
from honest_lift.mechanics.cam.card_lobe import Flank
from honest_lift.numbers.doubt import Ground
from honest_lift.workers.kept_lobes import KeptLobes
from honest_lift.workers.made_by import made_by


class Heard:
    """Workers with all they say."""

    def __init__(self):
        self.workers = Workers(module="odd_worker")
        self.slipped, self.noticed = [], []
        self.workers.slipped.connect(lambda error: self.slipped.append(str(error)))
        self.workers.noticed.connect(self.noticed.append)

    def ask(self, qtbot, task, *given):
        results = []
        errand = self.workers.start(task, *given, done=results.append)
        qtbot.waitUntil(lambda: errand.is_over, timeout=20000)
        return results[0] if results else None, errand.error


@pytest.fixture
def heard(qtbot, monkeypatch):
    monkeypatch.syspath_prepend(str(Path(__file__).parent.parent))
    made = Heard()
    yield made
    made.workers.close()


def test_what_a_job_says_and_comes_to_is_handed_on_in_order(heard, qtbot):
    told, results = [], []
    first = heard.workers.start("count_up", 4, told=told.append, done=results.append)
    second = heard.workers.start("count_up", 2, done=results.append)
    assert not told, "nothing is called before `start` returns"
    qtbot.waitUntil(lambda: second.is_over, timeout=20000)
    assert (told, results, first.is_over) == ([0, 1, 2, 3], [4, 2], True)
    assert not heard.workers.is_at_work


def test_what_a_job_raises_is_relayed_and_the_process_goes_on(heard, qtbot):
    _, error = heard.ask(qtbot, "raise_something")
    process = heard.workers.process_id
    assert error == "ZeroDivisionError: of all things"
    assert heard.slipped == ["raise_something: ZeroDivisionError: of all things"]
    assert heard.ask(qtbot, "count_up", 3) == (3, "")
    assert heard.workers.process_id == process


def test_a_job_whose_process_is_killed_is_done_by_another(heard, qtbot, tmp_path):
    assert heard.ask(qtbot, "die", str(tmp_path / "once")) == ("done the second time", "")
    assert "being done again" in heard.noticed[0]
    assert not heard.slipped
    assert heard.ask(qtbot, "die")[1] == "its process ended before it was done"
    assert "die: its process ended 2 times" in heard.slipped[0]
    assert heard.ask(qtbot, "count_up", 2) == (2, ""), "and the next errand is done as ever"


def test_those_waiting_behind_one_that_kills_its_process_are_done(heard, qtbot):
    results = []
    bad = heard.workers.start("die")
    good = [heard.workers.start("count_up", to, done=results.append) for to in (1, 2)]
    qtbot.waitUntil(lambda: bad.is_over and all(one.is_over for one in good), timeout=20000)
    assert (results, bool(bad.error)) == ([1, 2], True)


def test_cancel_is_heeded_or_the_process_is_ended(heard, qtbot, monkeypatch):
    counted = []
    errand = heard.workers.start("count_up", 5000, done=counted.append)
    qtbot.waitUntil(lambda: heard.workers.process_id != 0)
    qtbot.wait(300)
    heard.workers.cancel(errand)
    qtbot.waitUntil(lambda: errand.is_over, timeout=20000)
    assert counted[0] < 5000
    monkeypatch.setattr(workers_file, "_OBEYS_S", 0.2)
    deaf = heard.workers.start("heed_nothing")
    with qtbot.waitSignal(deaf.told, timeout=20000):
        pass
    process = heard.workers.process_id
    heard.workers.cancel(deaf)
    qtbot.waitUntil(lambda: deaf.is_over, timeout=20000)
    assert not heard.noticed, "it was wanted so"
    assert heard.ask(qtbot, "count_up", 1) == (1, "")
    assert heard.workers.process_id != process


def test_a_process_that_answers_nothing_is_ended_and_said(heard, qtbot, monkeypatch):
    monkeypatch.setattr(workers_file, "_SILENT_S", 1.5)
    _, error = heard.ask(qtbot, "hang")
    assert error == "its process ended before it was done"
    assert heard.slipped


def test_a_worker_ends_with_its_window(heard, qtbot):
    heard.ask(qtbot, "count_up", 1)
    process = heard.workers.process_id
    heard.workers.close()
    with pytest.raises(ProcessLookupError):
        os.kill(process, 0)


# --- lobes beside the window ---


@pytest.fixture
def open_lobes(open_window):
    """Open windows on a demonstration that asks for lobes and, without a red line, for nothing that is swept."""

    def opened():
        book = demo()
        return open_window(structs.replace(book, engine=Unstate("red_line", ENGINE).apply(book)[0]))

    return opened


@contextmanager
def beside(window, kept=None):
    session = window.session
    session.lobes = LobesBeside(session, session.examine, kept)
    try:
        yield session.lobes
    finally:
        solved.look_first(None)
        session.lobes.close()
        session.lobes = None


def figures(session):
    return [(one.check.name, one.place, f"{one.figure:.6f}", one.verdict) for one in session.examination.findings]


def test_findings_wait_for_their_lobe_and_come_to_the_same(open_lobes, qtbot, tmp_path):
    window = open_lobes()
    session = window.session
    at_once = figures(session)
    forget_all()
    with beside(window, tmp_path / "lobes.msgpack") as lobes:
        session.examine()
        pending = session.examination.finding("piston_valve", "3i")
        assert (pending.verdict.word, str(pending.figure)) == ("unproven", "nan")
        assert {one.note for one in pending.inputs if one.note} >= {solved.PENDING}
        assert f"{session.examination.finding('coil_bind_clearance', '3i').figure:.3f}" != "nan", (
            "what needs no lobe is there at once"
        )
        assert not any(one.quantity.startswith("lobe_") for one in session.plan), (
            "nobody has to read what is on its way"
        )
        qtbot.waitUntil(lambda: not lobes.is_at_work, timeout=20000)
        assert figures(session) == at_once
        qtbot.waitUntil(lambda: not lobes.workers.is_at_work, timeout=20000)
    forget_all()
    with beside(window, tmp_path / "lobes.msgpack") as lobes:
        session.examine()
        assert not lobes.is_at_work, "kept from the run before"
        assert figures(session) == at_once


def test_a_walked_lobe_that_is_on_its_way_is_not_stood_in_for_by_its_card():
    book = demo()
    forget_all()
    flanks = [flank_of(book, role) for role in ("intake", "exhaust")]
    assert all(isinstance(one, Flank) for one in flanks)
    table = next(iter(tables(book.journal)))
    position = table.table.place.name
    with solved.left_for_later() as wanted:
        order = [one.id for one in book.engine.layout.positions]
        lifted = EveryTrain(book).lifted(order.index(position), position)
    assert wanted
    assert all(lifted.parts[name].ground & Ground.PENDING for name in ("lobe_shape", "lobe_centreline"))


def problems(book):
    """Every lobe of a book that has to be solved, with its answer."""
    forget_all()
    with solved.left_for_later() as wanted:
        examine(book)
    return [(one, one.solve()) for one in wanted.values()]


def test_kept_lobes_of_another_version_or_spoiled_are_not_believed(open_lobes, qtbot, tmp_path):
    window, path = open_lobes(), tmp_path / "lobes.msgpack"
    KeptLobes(path).keep(problems(window.session.book))
    assert made_by().encode() in path.read_bytes()
    of_last_year = path.read_bytes().replace(made_by().encode(), made_by()[::-1].encode())
    for spoil in (b"", b"no such thing", b"\x92\xa3abc\x90", of_last_year):
        path.write_bytes(spoil)
        forget_all()
        with beside(window, path) as lobes:
            window.session.examine()
            assert lobes.is_at_work
            qtbot.waitUntil(lambda lobes=lobes: not lobes.is_at_work, timeout=20000)


@pytest.mark.parametrize("repaired", ["mechanics/solving/roots.py", "estimates/cam/card.py", "numbers/doubt.py"])
def test_a_repaired_solver_is_run_for_lobes_that_are_kept(tmp_path, repaired):
    shutil.copytree(Path(honest_lift.__file__).parent, tmp_path / "room", ignore=shutil.ignore_patterns("__pycache__"))
    assert made_by(tmp_path / "room") == made_by()
    with (tmp_path / "room" / repaired).open("a") as source:
        source.write("# repaired\n")
    made_by.cache_clear()
    assert made_by(tmp_path / "room") != made_by()


def test_a_worker_that_dies_over_lobes_loses_nothing(open_lobes, qtbot):
    window = open_lobes()
    session = window.session
    at_once = figures(session)
    forget_all()
    with beside(window) as lobes:
        session.examine()
        os.kill(lobes.workers.process_id, signal.SIGKILL)
        qtbot.waitUntil(lambda: not lobes.is_at_work, timeout=20000)
        assert figures(session) == at_once


def test_lobes_that_were_foreseen_are_there_when_they_are_asked_for(open_lobes, qtbot, tmp_path):
    window = open_lobes()
    at_once = figures(window.session)
    forget_all()
    with beside(window, tmp_path / "lobes.msgpack") as lobes:
        lobes.foresee(window.session.book)
        qtbot.waitUntil(lambda: not lobes.workers.is_at_work, timeout=20000)
        window.session.examine()
        assert not lobes.is_at_work
        assert figures(window.session) == at_once


def test_nothing_is_started_once_the_window_is_closed(open_window, qtbot):
    window = open_window()
    session = window.session
    with beside(window) as lobes:
        session.steps_first = True
        forget_all()
        qtbot.keyClicks(window.bar.entry, "1.783")
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
        session.close()
        qtbot.wait(50)
        session.examine()
        assert lobes.workers.process_id == 0


def test_the_cache_lies_where_caches_lie(tmp_path):
    assert cached("lobes").is_relative_to(tmp_path)
