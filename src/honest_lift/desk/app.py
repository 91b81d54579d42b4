"""Starting the window."""

from __future__ import annotations

import gc
import os
import sys
import threading
from pathlib import Path

from PyQt6 import sip
from PyQt6.QtCore import QSettings, QTimer, QtMsgType, qInstallMessageHandler

from honest_lift import __version__
from honest_lift.desk.application import application, let_go
from honest_lift.desk.door import knock
from honest_lift.desk.ending import Ending
from honest_lift.desk.faults import Faults
from honest_lift.desk.language import speak
from honest_lift.desk.lobes_beside import LobesBeside, cached
from honest_lift.desk.log import start_log
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window
from honest_lift.desk.workers import Workers
from honest_lift.facts.file import FileError
from honest_lift.facts.journal_file import path_of
from honest_lift.sheets.terminal import say


def run(file: Path | None, *, demo: str) -> int:
    """Open the window with an engine, or a demonstration by name; the exit status is 2 when its file can't be read."""
    before = qInstallMessageHandler(_end_in_one_line)
    app = application()
    qInstallMessageHandler(before)
    faults = Faults()
    faults.watch()
    load_fonts()
    if file is not None and knock(file):
        say(f"honest-lift: {file} is open already; its window comes to the front.", sys.stderr)
        return 0
    settings = QSettings("honest-lift", "honest-lift")
    spoken = speak(app, str(settings.value("language", "en") or "en"))
    session = Session()
    session.lobes = LobesBeside(session, session.examine_again, cached("lobes"))
    session.lobes.warm_up()
    session.steps_first = True
    try:
        _put_on_desk(session, file, demo, settings)
    except FileError as error:
        say(f"honest-lift: {error}", sys.stderr)
        session.close()
        return 2
    session.lobes.foresee(session.book)
    for workers in _workers_of(session):
        workers.slipped.connect(lambda error: faults.take(type(error), error, None))
        workers.noticed.connect(session.warned)
    window = faults.window = Window(session, settings)
    ending = Ending(window)
    qInstallMessageHandler(lambda kind, _context, words: _hear(ending, kind, words))
    window.offers_left_behind = not (file or demo)
    if not session.engine.layout.heads:
        session.open_step("engine")
    window.show()
    QTimer.singleShot(_SETTLED_MS, gc.freeze)  # looking through all that is loaded for garbage would hold a slider up
    QTimer.singleShot(_SETTLED_MS, start_log)
    QTimer.singleShot(_SETTLED_MS, lambda: threading.Thread(target=_look_at_system, daemon=True).start())
    status = app.exec()
    ending.let_go()
    qInstallMessageHandler(None)  # nothing of Python may be called by Qt while Python itself ends
    sip.delete(window)
    del spoken  # it had to live as long as the window
    let_go(app)
    return status


_SETTLED_MS = 5000


def _look_at_system() -> None:
    """Name in one line, at the first start, what this machine lacks to print or to be at home on Wayland."""
    from platformdirs import user_cache_path

    from honest_lift.system_pieces import look_once

    if told := look_once(user_cache_path("honest-lift") / f"system-looked-at-{__version__}"):
        print(f"honest-lift: {told}", file=sys.stderr)


def _workers_of(session: Session) -> tuple[Workers, ...]:
    return (session.searches, session.lobes.workers) if session.lobes else (session.searches,)


def _hear(ending: Ending, kind: QtMsgType, words: str | None) -> None:
    """Pass on what Qt says."""
    ending.hear(kind, words or "")
    print(words, file=sys.stderr)


def _end_in_one_line(kind: QtMsgType, context: object, words: str) -> None:
    """End with a line and status 2 where Qt would abort: a display that does not answer, a platform it does not have."""
    if kind == QtMsgType.QtFatalMsg:
        named = ((name, os.environ.get(name)) for name in ("QT_QPA_PLATFORM", "DISPLAY", "WAYLAND_DISPLAY"))
        tried = ", ".join(f"{name}={value}" for name, value in named if value)
        from honest_lift.system_pieces import missing
        from honest_lift.system_pieces import words as said

        lacking = missing(beside=False)
        why = said(lacking) if lacking else "no such platform, or the display does not answer."
        print(f"honest-lift: no window can be opened ({tried}): {why}", file=sys.stderr, flush=True)
        os._exit(2)


def _put_on_desk(session: Session, file: Path | None, demo: str, settings: QSettings) -> None:
    """Put the engine asked for on the desk: the demonstration, a file, else the last one that still opens."""
    if demo:
        from honest_lift.demo.demonstrations import demonstration
        from honest_lift.facts.edits import new_id

        session.take(demonstration(demo, new_id()), None)
    elif file:
        session.open(file)
    elif last := path_of(str(settings.value("last", "") or "")):
        try:
            session.open(last)
        except FileError as error:
            say(f"honest-lift: the last engine can't be opened: {error}", sys.stderr)
