"""A window with the demonstration engine, open at a step: what the benchmarks of the window start from."""

import time

from honest_lift.demo.engine import demo_book
from honest_lift.desk.application import application
from honest_lift.desk.lobes_beside import LobesBeside
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window
from honest_lift.facts.edits import new_id

_SETTLES_S = 2.0


def opened(step: str, valve: str) -> tuple[object, Window]:
    """Open the window, its findings made, and give the application with it."""
    app = application()
    load_fonts()
    session = Session(demo_book(new_id()))
    session.lobes = LobesBeside(
        session, session.examine_again
    )  # as the program runs it: lobes and simulations beside the window
    session.lobes.warm_up()
    window = Window(session)
    window.show()
    session.start_examining()
    session.open_step(step)
    session.go(valve)
    settled = time.perf_counter()
    while time.perf_counter() - settled < _SETTLES_S or session.lobes.workers.is_at_work:
        app.processEvents()
        time.sleep(0.005)
    return app, window
