"""A typed reading to the repainted screen, key press by key press; and the journal's flush to the disk apart."""

import statistics
import sys
import time

from opening import opened
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest

app, window = opened("heights", "1i")
session = window.session
for _ in range(20):
    app.processEvents()
flushed: list[float] = []
session._flushed.connect(lambda _: flushed.append(time.perf_counter()))
session.steps_first = True  # as the program starts it
free, spent, flush = [], [], []
for i in range(int(sys.argv[1]) if len(sys.argv) > 1 else 60):
    QTest.keyClicks(window.bar.entry, f"1.{795 + i % 10}")
    app.processEvents()
    wait = len(flushed)
    start = time.perf_counter()
    before = session.examination
    QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
    window.bar.repaint()
    free.append(time.perf_counter() - start)
    while session.examination is before:
        app.processEvents()
    app.processEvents()
    spent.append(time.perf_counter() - start)
    while len(flushed) == wait:
        app.processEvents()
    flush.append(flushed[-1] - start)
print("free", statistics.median(free), sorted(free)[int(len(free) * 0.95)])
print("typed", statistics.median(spent), sorted(spent)[int(len(spent) * 0.95)])
print("flushed", statistics.median(flush))
window.closeEvent = lambda event: event.accept()
session.close()
