"""Pictures of every main view with the demonstration engines, for the README and for looking."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from PyQt6.QtCore import QBuffer
from PyQt6.QtWidgets import QWidget

from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk.application import application
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import new_id
from honest_lift.facts.written_out import write_out

EIGHT, FOUR, SEASONS = "eight", "four", "seasons"
VIEWS = (  # file, step, page or check, valve, theme, demonstration
    ("heights", "heights", "", "6i", "light", EIGHT),
    ("guides", "head", "Guides", "3e", "light", FOUR),
    ("valves-and-seats", "head", "Valves and seats", "7i", "light", EIGHT),
    ("springs", "springs", "", "4i", "light", EIGHT),
    ("pushrod-finder", "rocker", "Pushrod finder", "3i", "light", EIGHT),
    ("turn-plan", "rocker", "Turn plan", "2i", "light", FOUR),
    ("seat-loads", "book", "Seat load on the engine", "3e", "light", SEASONS),
    ("speed", "speed", "Sweep", "1i", "light", EIGHT),
    ("shims", "shims", "", "5i", "light", EIGHT),
    ("camshaft", "cam", "Around the turn", "3i", "light", EIGHT),
    ("lobes", "cam", "Measured lobes", "3i", "dark", EIGHT),
    ("rocker", "rocker", "Geometry", "3i", "light", EIGHT),
    ("turn", "turn", "", "7i", "light", EIGHT),
    ("chambers", "squeeze", "Chambers", "5i", "light", EIGHT),
    ("match", "match", "Find", "5i", "light", EIGHT),
    ("trial", "trial", "One trial", "5i", "light", EIGHT),
    ("finding", "heights", "coil_bind_clearance", "6i", "light", EIGHT),
)


_TRIED = (Change("head", "head_cut", "", 0.508), Change("gasket", "gasket", "", -0.3))


def names() -> list[str]:
    """Give the names of the files that are drawn."""
    return [f"{view[0]}.png" for view in VIEWS] + ["manual.png", "bench.png"]


def take_shots(folder: Path) -> Iterator[Path]:
    """Draw every view into a folder and give the path of each file. OSError when one can't be written."""
    app = application()
    load_fonts()
    for name in (EIGHT, FOUR, SEASONS):
        session = Session(demonstration(name, new_id()))
        session.keeps_shelf = False
        window = Window(session)
        window.show()
        session.start_examining()
        for view in (one for one in VIEWS if one[-1] == name):
            _open(window, *view[1:5])
            for _ in range(8):
                app.processEvents()
            yield _saved(window, folder / f"{view[0]}.png")
        if name == FOUR:
            yield _manual(window, folder)
        window.close()
        session.close()
    yield _bench(folder)


def _manual(window: Window, folder: Path) -> Path:
    """Draw the manual at a check of the springs."""
    window.dress("light", 1.0)
    window.help.show_manual("heights", "Coil-bind clearance")
    manual = window.help.manual
    assert manual is not None
    manual.resize(1280, 800)
    for _ in range(8):
        application().processEvents()
    return _saved(manual, folder / "manual.png")


def _saved(widget: QWidget, path: Path) -> Path:
    """Save a picture of a widget. OSError where it can't be written."""
    held = QBuffer()
    held.open(QBuffer.OpenModeFlag.WriteOnly)
    if not widget.grab().save(held, "PNG"):
        raise OSError(0, f"{path.name} could not be drawn")
    write_out(path, bytes(held.data().data()), agreed=True)
    return path


def _bench(folder: Path) -> Path:
    """Draw the simulated bench with a spring of the course's fifth case in its tester."""
    from honest_lift.desk.bench.window import BenchWindow
    from honest_lift.gauges.practice.course import course_case

    case = course_case("5")
    assert case is not None
    window = BenchWindow(case)
    window.resize(1280, 800)
    window.show()
    window.take_up("spring tester", "spring_load", "3")
    window.send_line()
    for _ in range(8):
        application().processEvents()
    path = _saved(window, folder / "bench.png")
    window.close()
    return path


def _open(window: Window, step: str, page: str, valve: str, theme: str) -> None:
    """Open a view at a valve, a page of a sheet, or a finding of a check."""
    session = window.session
    session.open_step(step)
    session.go(valve or "1e")
    window.dress(theme, 1.0)
    if page and step in ("engine", "head", "cam", "squeeze", "match", "trial", "rocker", "speed", "book"):
        window.sheets[step].open_page(page)
        if step == "trial":
            window.sheets[step].one_page.show_changes(_TRIED)
        if step == "match":
            window.sheets[step].find_page.find_and_wait()
    elif page:
        session.look_into(page)
