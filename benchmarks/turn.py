"""Piston to valve of 48 valves worked out anew with its doubt, and the crank handle dragged on the demonstration engine."""

import statistics
import time

from opening import opened
from valves48 import engine_of_48

from honest_lift.estimates.piston_valve import piston_to_valve
from honest_lift.facts.edits import Confirm, reading_of
from honest_lift.facts.place import at_position
from honest_lift.facts.remember import forget_all

history = engine_of_48()
for i, one in enumerate(history.book.engine.layout.positions):
    drop = reading_of(history.book, "valve_drop", at_position(one.id), 8.0 + 0.01 * i, text="8", unit="mm", way="indicator",
                      tool="fine indicator")  # fmt: skip
    history.do(Confirm((drop,)))
piston_to_valve(history.book)  # the lobes are drawn once
times = []
for _ in range(7):
    forget_all()
    piston_to_valve(
        history.book
    )  # what is remembered by value is gone: only lobes and what they need is worked out again
    start = time.perf_counter()
    piston_to_valve(history.book)
    times.append(time.perf_counter() - start)
print("piston_to_valve_48_valves", 1000 * statistics.median(times), 30)

app, window = opened("turn", "3i")
sheet = window.sheets["turn"]
dragged = []
for step in (*range(-60, 60, 3), *range(60, -60, -3)):
    start = time.perf_counter()
    sheet.crank_page.crank.setValue(step)
    sheet.crank_page.curves.repaint()
    sheet.crank_page.heads.repaint()
    sheet.crank_page.train.repaint()
    app.processEvents()
    dragged.append(time.perf_counter() - start)
dragged = sorted(dragged[5:])
print("crank_handle_median", 1000 * statistics.median(dragged), 17)
print("crank_handle_95th", 1000 * dragged[int(0.95 * len(dragged))], 25)
window.session.close()
