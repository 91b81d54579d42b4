"""Piston to valve of 48 valves worked out anew with its doubt, and the crank handle dragged on the demonstration engine."""

import statistics
import time

from opening import opened
from valves48 import engine_of_48

from honest_lift.estimates.clearance.over_piston import over_pistons
from honest_lift.estimates.clearance.piston_valve import turned
from honest_lift.facts.edits import Confirm, reading_of
from honest_lift.facts.place import at_position

history = engine_of_48()
for i, one in enumerate(history.book.engine.layout.positions):
    drop = reading_of(history.book, "valve_drop", at_position(one.id), 8.0 + 0.01 * i, text="8", unit="mm", way="indicator",
                      tool="fine indicator")  # fmt: skip
    history.do(Confirm((drop,)))
turned(history.book, over_pistons(history.book))  # the lobes are drawn once
resolving, turning = [], []
for _ in range(15):
    start = time.perf_counter()
    valves = over_pistons(history.book)
    resolving.append(time.perf_counter() - start)
    start = time.perf_counter()
    turned(history.book, valves)
    turning.append(time.perf_counter() - start)
print("piston_to_valve,_48_valves_turned", 1000 * statistics.median(turning), 30)
print("the_same,_their_parts_from_the_facts", 1000 * statistics.median(resolving), 0)

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
