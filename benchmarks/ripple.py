"""A trial over 48 valves, and a step of its slider over the sixteen of the demonstration, from the hand to the painted grid."""

import statistics
import time

from opening import opened
from valves48 import engine_of_48

from honest_lift.checks.examine import examine
from honest_lift.facts.changes import Change
from honest_lift.plans.trial import ripple

book = engine_of_48().book
now = examine(book)
ripple(book, now, [Change("c", "head_cut", "", 0.5)])
times = []
for step in range(7):
    start = time.perf_counter()
    ripple(book, now, [Change("c", "head_cut", "", 0.5 + step / 100)])
    times.append(time.perf_counter() - start)
print("a_ripple_of_48_valves", 1000 * statistics.median(times), 200)

app, window = opened("trial", "3i")
page = window.sheets["trial"].one_page
for kind, amount in (("head_cut", 0.5), ("ratio", 1.65), ("shims", 0.2)):
    page.show_changes((Change("c", kind, "", amount),))
    page.slider.setSliderDown(True)
    steps = []
    for step in range(10, 60, 4):
        start = time.perf_counter()
        page.slider.setValue(step)
        page.grid.viewport().repaint()
        app.processEvents()
        steps.append(time.perf_counter() - start)
    page.slider.setSliderDown(False)
    print(f"a_step_of_the_slider,_{kind}", 1000 * statistics.median(steps[2:]), 50)
window.session.close()
