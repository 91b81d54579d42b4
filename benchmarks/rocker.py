"""A pushrod dragged on the rocker sheet: from a step of the slider to the repainted drawing, and its words afresh."""

import statistics
import time

from honest_lift.demo.engine import demo_book
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window, application
from honest_lift.facts.edits import new_id
from honest_lift.sheets.rocker_words import finder_words

app = application()
load_fonts()
session = Session(demo_book(new_id()))
window = Window(session)
window.show()
session.start_examining()
session.open_step("rocker")
session.go("3i")
sheet = window.sheets["rocker"]
app.processEvents()
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
start = time.perf_counter()
finder_words(session.book, "intake", "3i")
print("three_schools_worked_out", 1000 * (time.perf_counter() - start), 100)
session.close()
