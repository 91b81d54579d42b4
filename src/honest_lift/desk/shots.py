"""Pictures of every main view with the demonstration engine, for the README and for looking."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from honest_lift.demo.engine import demo_book
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window, application
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import new_id

VIEWS = (  # file, step, page or check, valve, theme
    ("heights", "heights", "", "6i", "light"),
    ("guides", "head", "Guides", "3i", "light"),
    ("valves-and-seats", "head", "Valves and seats", "7i", "light"),
    ("spring-seats", "head", "Spring seats", "2e", "light"),
    ("springs", "springs", "", "4i", "light"),
    ("engine", "engine", "Engine", "", "light"),
    ("cam-card", "engine", "Cam card", "", "light"),
    ("tester", "engine", "Tester", "", "light"),
    ("readings", "readings", "", "1i", "light"),
    ("shims", "shims", "", "5i", "light"),
    ("camshaft", "cam", "Around the turn", "3i", "light"),
    ("lobes", "cam", "Measured lobes", "3i", "dark"),
    ("rocker", "rocker", "", "3i", "light"),
    ("turn", "turn", "", "7i", "light"),
    ("chambers", "squeeze", "Chambers", "5i", "light"),
    ("match", "match", "Find", "5i", "light"),
    ("trial", "trial", "One trial", "5i", "light"),
    ("finding", "heights", "bind_margin", "6i", "light"),
    ("limits", "engine", "Limits", "", "light"),
)


_TRIED = (Change("head", "head_cut", "", 0.508), Change("gasket", "gasket", "", -0.3))


def take_shots(folder: Path) -> Iterator[Path]:
    """Draw every view into a folder and give the path of each file. OSError when one can't be written."""
    app = application()
    load_fonts()
    session = Session(demo_book(new_id()))
    session.keeps_shelf = False
    window = Window(session)
    window.show()
    session.start_examining()
    for name, step, page, valve, theme in VIEWS:
        session.open_step(step)
        session.go(valve or "1e")
        window.dress(theme, 1.0)
        if step == "engine":
            window.sheets["engine"].open_page(page)
        elif step in ("head", "cam", "squeeze", "match", "trial"):
            window.sheets[step].open_page(page)
            if step == "trial":
                window.sheets[step].one_page.show_changes(_TRIED)
            if step == "match":
                window.sheets[step].find_page.find_and_wait()
        elif page:
            session.look_into(page)
        for _ in range(8):
            app.processEvents()
        path = folder / f"{name}.png"
        if not window.grab().save(str(path)):
            raise OSError(0, f"{path.name} could not be written")
        yield path
    window.close()
    session.close()
