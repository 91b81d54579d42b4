"""How often what the window says of a bench's engine is true of it: tester and micrometer over pseudo-terminals, the bar, Enter.

    PYTHONPATH=tests QT_QPA_PLATFORM=offscreen python tools/bench_truth.py [seeds]

For every seed an engine is drawn whose parts differ more than a sound one's, its heights and loads are sent from the bench's own
lines into a real window, and each finding is held against the hidden truth. The table stands in docs/validation.md.
"""

from __future__ import annotations

import json
import os
import random
import subprocess
import sys
import time
from collections import defaultdict

from msgspec.structs import replace
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from honest_lift.checks.examine import examine
from honest_lift.desk.application import application
from honest_lift.desk.bench.window import BenchWindow
from honest_lift.desk.session import Session
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window
from honest_lift.facts.place import at_position, of_spring
from honest_lift.gauges.practice.begin import starting_book
from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.truth import true_book
from honest_lift.numbers.verdict import Verdict

CHECKS = ("installed_height", "coil_bind_clearance", "seat_load", "open_load", "set_share", "set_spread")
Told = list[tuple[str, bool, bool, bool]]  # check, its doubt covers the truth, passes, is truly bad


def uneven(case: Case, window: BenchWindow) -> None:
    """Let the bench's engine be a worn one: heights and rates spread so far that a good part of it is bad."""
    draw, engine = random.Random(case.seed), window.bench.engine
    for name in engine.fitted:
        engine = engine.moved_by("installed_height", name, draw.gauss(0.0, 0.5))
    for number, own in engine.springs.items():
        engine = engine.with_spring(number, replace(own, rate_n_mm=own.rate_n_mm * (1.0 + draw.gauss(-0.04, 0.05))))
    window.bench.engine = engine


def through_window(seed: int, engine: str = "V8", for_s: float = 60.0) -> Told:
    """Measure an engine through the real window, and hold every finding against the truth."""
    case = Case(str(seed), "An engine", engine, seed, "", ("installed_height", "spring_load", "bind_height"))
    bench, window = BenchWindow(case), Window(Session(starting_book(case)))
    uneven(case, bench)
    window.show()
    window.session.start_examining()
    window.session.lines.begin()
    try:
        _wait(lambda: len(window.session.lines.stand_ins) >= 6, for_s)
        _wait(lambda: window.session.lines.is_heard("simulated caliper"), for_s)
        QTest.qWait(250)
        _measure(bench, window, for_s)
        return _held(bench, window)
    finally:
        window.files.may_leave = lambda: True
        window.close()
        window.deleteLater()
        bench.close()
        bench.deleteLater()


def _measure(bench: BenchWindow, window: Window, for_s: float) -> None:
    session = window.session
    for name in bench.bench.places("installed_height"):
        _read(bench, window, "heights", "installed_height", name, "height micrometer", for_s)
    for name in bench.bench.places("spring_load"):
        for height in bench.bench.pressed_at():
            bench.take_up("spring tester", "spring_load", name)
            bench.bench.press(height)
            session.open_step("springs")
            session.go_spring(name)
            task = next(one for one in window.bar._tasks if one.quantity == "spring_load" and one.height_mm == height)
            _take(bench, window, task, for_s)
        _read(bench, window, "springs", "bind_height", name, "caliper", for_s)


def _read(bench: BenchWindow, window: Window, step: str, quantity: str, name: str, tool: str, for_s: float) -> None:
    session = window.session
    bench.take_up(tool, quantity, name)
    session.open_step(step)
    if quantity == "bind_height":
        session.go_spring(name)
    else:
        session.go(name)
    _take(bench, window, next(one for one in window.bar._tasks if one.quantity == quantity), for_s)


def _take(bench: BenchWindow, window: Window, task: object, for_s: float) -> None:
    """Send a line, wait until the bar shows it, and take it by Enter."""
    window.bar.choose(task)
    wanted = (
        of_spring(bench.bench.name) if bench.bench.quantity != "installed_height" else at_position(bench.bench.name)
    )
    assert window.bar.place == wanted, (window.bar.place, wanted)
    before = len(window.session.book.journal)
    bench.send_line()
    line = bench.shown.text()
    _wait(lambda: window.bar.entry.text() == line, for_s)
    for _ in range(3):  # what is unusual is asked once, and a person who trusts the gauge answers
        QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
        if len(window.session.book.journal) > before:
            return
    raise AssertionError(f"{line} was not taken: {window.bar.understood.text()}")


def _held(bench: BenchWindow, window: Window) -> Told:
    book = window.session.book
    true = {(one.check.name, one.place): one for one in examine(true_book(book, bench.bench)).findings}
    told: Told = []
    for one in examine(book).findings:
        truth = true.get((one.check.name, one.place))
        if one.check.name not in CHECKS or truth is None or one.figure != one.figure or truth.figure != truth.figure:
            continue
        bad = truth.verdict is Verdict.FAILS
        told.append(
            (one.check.name, abs(one.figure - truth.figure) <= one.expanded, one.verdict is Verdict.PASSES, bad)
        )
    return told


def _wait(until, for_s: float) -> None:
    began = time.monotonic()
    while not until():
        QApplication.processEvents()
        time.sleep(0.002)
        if time.monotonic() - began > for_s:
            raise AssertionError("the window never came to show what was sent")


def table(every: Told) -> dict[str, tuple[int, float, int, float]]:
    """Give by check: how many places, the share covered, how many are truly bad, and the share of those that pass."""
    rows = defaultdict(list)
    for check, *told in every:
        rows[check].append(told)
    made = {}
    for check, told in rows.items():
        bad = [one for one in told if one[2]]
        passed = sum(one[1] for one in bad)
        made[check] = (len(told), sum(one[0] for one in told) / len(told), len(bad), passed / max(len(bad), 1))
    return made


def alone(seed: int, engine: str) -> Told:
    """Measure an engine in a process of its own."""
    done = subprocess.run([sys.executable, __file__, str(seed), engine], capture_output=True, text=True, check=True)
    return [tuple(one) for one in json.loads(done.stdout.splitlines()[-1])]


if __name__ == "__main__":
    if len(sys.argv) == 3:
        app = application()
        load_fonts()
        print(json.dumps(through_window(int(sys.argv[1]), sys.argv[2])), flush=True)
        os._exit(0)
    every: Told = []
    for seed in range(int(sys.argv[1]) if len(sys.argv) > 1 else 20):
        every += alone(seed + 1, ("V8", "four", "six", "twin")[seed % 4])
    print("| check | places | covered | bad ones | of them pass |\n| --- | --- | --- | --- | --- |")
    for check, (count, covered, bad, passed) in table(every).items():
        print(f"| {check} | {count} | {100 * covered:.1f} % | {bad} | {100 * passed:.1f} % |", flush=True)
