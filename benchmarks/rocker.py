"""A pushrod dragged on the rocker sheet: from a step of the slider to the repainted drawing, and its words afresh."""

import statistics
import time

from opening import opened

from honest_lift.words.rocker.pushrod_finder import finder_rows

app, window = opened("rocker", "3i")
session, sheet = window.session, window.sheets["rocker"].geometry_page
sheet.own.setSliderDown(True)
times = []
for step in (*range(-40, 40, 2), *range(40, -40, -2)):
    start = time.perf_counter()
    sheet.own.setValue(step)
    sheet.drawing.repaint()
    app.processEvents()
    times.append(time.perf_counter() - start)
dragged = sorted(times[5:])
print("dragged_pushrod_median", 1000 * statistics.median(dragged), 17)
print("dragged_pushrod_95th", 1000 * dragged[int(0.95 * len(dragged))], 25)
sheet.own.setValue(13)
late = []
for _ in range(7):
    start = time.perf_counter()
    sheet._say()
    sheet.grab()
    late.append(time.perf_counter() - start)
print("other_valves_and_whiskers_after_the_timer", 40 + 1000 * statistics.median(late), 100)
start = time.perf_counter()
finder_rows(session.book, "intake", "3i")
print("three_rules_worked_out", 1000 * (time.perf_counter() - start), 100)
session.close()
