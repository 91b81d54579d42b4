"""What every test may rely on: folders of its own, and a window with an engine that closes without asking."""

from __future__ import annotations

import os

import pytest
from hypothesis import settings
from PyQt6.QtWidgets import QFileDialog, QInputDialog

from engines import demo
from honest_lift.desk import questions
from honest_lift.estimates.motion.problems import sweep_with
from honest_lift.mechanics.motion.sweep import Fineness

if (worker := os.environ.get("PYTEST_XDIST_WORKER")) and (displays := os.environ.get("TEST_DISPLAYS", "").split()):
    os.environ["DISPLAY"] = displays[int(worker.removeprefix("gw")) % len(displays)]  # each has a focus of its own

# A busy machine is no failure, timing lives in benchmarks/; the same examples every time, so that a red run is its change's own.
settings.register_profile("house", deadline=None, derandomize=True)
settings.register_profile("search", deadline=None)  # --hypothesis-profile=search: other examples at every run
settings.load_profile("house")

# Valve trains are swept coarsely wherever a test does not ask for more: it is the same simulation with fewer steps.
sweep_with(Fineness(segments=3, speeds=11, share=0.95, settle_s=0.0))


@pytest.fixture(autouse=True)
def own_folders(tmp_path, tmp_path_factory, monkeypatch):
    """Keep settings, journals and data of a test in its own folder."""
    for name in ("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_CACHE_HOME"):
        monkeypatch.setenv(name, str(tmp_path / name.lower()))
    monkeypatch.setenv("XDG_RUNTIME_DIR", str(tmp_path_factory.mktemp("runtime")))


@pytest.fixture(autouse=True)
def a_question_nobody_answers_fails(monkeypatch):
    """Fail at once where a test runs into a question that it does not answer, rather than wait for somebody."""

    def asked(parent, title, *rest, **more):
        pytest.fail(f"a question nobody answers: {title} {rest[:1]}")

    for kind, names in ((QInputDialog, ("getItem", "getText")), (QFileDialog, ("getOpenFileName", "getSaveFileName"))):
        for name in names:
            monkeypatch.setattr(kind, name, asked)


@pytest.fixture(autouse=True)
def a_figure_typed_over_another_was_always_so(monkeypatch):
    """Answer what a figure typed over another one means: a test that is about the question answers it by itself."""
    monkeypatch.setattr(questions, "corrected_or_another", lambda *asked: "corrected")
    monkeypatch.setattr(questions, "renewed_or_not", lambda *asked: "")
    monkeypatch.setattr(questions, "same_or_another_engine", lambda *asked: "same")


@pytest.fixture
def open_window(qtbot, monkeypatch):
    """Open a real window on a book; it is closed, unsaved, when the test ends."""
    from honest_lift.desk.session import Session
    from honest_lift.desk.theme import load_fonts
    from honest_lift.desk.window import Window

    load_fonts()
    windows = []

    def opened(book=None):
        window = Window(Session(book if book is not None else demo()))
        windows.append(window)
        window.show()
        qtbot.waitUntil(lambda: window.session.examination is not None, timeout=5000)
        return window

    yield opened
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: "drop")
    for window in windows:
        window.close()
        window.deleteLater()
