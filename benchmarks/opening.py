"""A window with the demonstration engine, open at a step: what the benchmarks of the window start from."""

from honest_lift.demo.engine import demo_book
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window, application
from honest_lift.facts.edits import new_id


def opened(step: str, valve: str) -> tuple[object, Window]:
    """Open the window, its findings made, and give the application with it."""
    app = application()
    load_fonts()
    session = Session(demo_book(new_id()))
    window = Window(session)
    window.show()
    session.start_examining()
    session.open_step(step)
    session.go(valve)
    app.processEvents()
    return app, window
