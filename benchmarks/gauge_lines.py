"""A gauge that sends a hundred readings a second, and another that floods its line, with the demonstration open: frames and memory.

Twenty seconds at 100 lines a second while every stand is taken with Enter; then 200,000 lines as fast as the line takes them, each
tenth spoiled or cut, on a line of a pseudo-terminal: what is heard is held against what was sent.
"""

import os
import resource
import threading
import time
from pathlib import Path

os.environ["XDG_CONFIG_HOME"] = os.environ["XDG_RUNTIME_DIR"] = str(
    Path(os.environ.get("TMPDIR", "/tmp")) / f"gauge-lines-{os.getpid()}"
)
Path(os.environ["XDG_CONFIG_HOME"]).mkdir(mode=0o700)

import sys  # noqa: E402

from opening import opened  # noqa: E402
from PyQt6.QtCore import Qt, QTimer  # noqa: E402
from PyQt6.QtTest import QTest  # noqa: E402

from honest_lift.gauges.instruments.instrument import Instrument  # noqa: E402
from honest_lift.gauges.instruments.listening import Listening  # noqa: E402
from honest_lift.gauges.instruments.pattern import Pattern  # noqa: E402

sys.path.insert(0, str(Path(__file__).parents[1] / "tests"))
from wires import Wire  # noqa: E402

SECONDS, LINES = 20.0, 200_000


def megabytes() -> float:
    """Give what the program holds now."""
    return int(Path("/proc/self/statm").read_text().split()[1]) * resource.getpagesize() / 1e6


def frames() -> None:
    """Take stands of a gauge at 100 lines a second, and time every turn of the window's loop."""
    app, window = opened("heights", "1e")
    wire, session = Wire(), window.session
    session.steps_first = True
    window.session.lines.put((Instrument("gauge", wire.port, Pattern(decimals=2), streams=True),))
    over = threading.Event()

    def send() -> None:
        began, i = time.perf_counter(), 0
        while not over.is_set():
            stand = i // 60  # moves for ten lines, stands for fifty
            moving = 0.05 * (10 - i % 60) if i % 60 < 10 else 0.0
            wire.send(f"{46.0 + 0.01 * (stand % 9) + moving:.2f} mm")
            i += 1
            time.sleep(max(0.0, began + 0.01 * i - time.perf_counter()))

    sender = threading.Thread(target=send, daemon=True)
    sender.start()
    taken, spent = 0, list[float]()
    beat = QTimer()  # what a hand or a clock in the window would notice: how long it is between two turns of the loop
    last = time.perf_counter()

    def turned() -> None:
        nonlocal taken, last
        now = time.perf_counter()
        spent.append(now - last)
        if "Enter takes it" in window.bar.then.text() and window.bar.entry.text():
            QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
            taken += 1
        last = now

    before = len(session.book.journal)
    beat.timeout.connect(turned)
    beat.start(1)
    QTimer.singleShot(round(1000 * SECONDS), lambda: app.exit(0))
    app.exec()
    over.set()
    sender.join()
    session.lines.close()
    wire.unplug()
    spent.sort()
    print("100_readings_a_second,_longest_frame", 1000 * spent[-1], 50)
    print("the_same,_99.9_percent_of_frames", 1000 * spent[int(0.999 * len(spent))], 0)
    assert len(session.book.journal) - before > SECONDS, "a stand every 0.6 s"
    session.close()


def flood() -> None:
    """Send 200,000 lines with faults through a line, and hold what was heard against what was sent."""
    wire = Wire()
    listening = Listening(Instrument("gauge", wire.port, Pattern(decimals=2, sign="must", digits=6)))
    listening.start()
    while not any(one.kind == "there" for one in listening.fetched()):
        time.sleep(0.01)
    time.sleep(0.3)
    sent: list[float] = []

    def send() -> None:
        for i in range(LINES):
            line = f"+{i // 100:04d}.{i % 100:02d} mm\r\n".encode()
            if i % 10 == 3:
                line = (line.replace(b".", b"\x07"), line[:6] + b"\r\n", line[:-2] + b"x\r\n")[i // 10 % 3]
            else:
                sent.append(i / 100.0)
            while line:
                line = line[os.write(wire.end, line) :]

    sender = threading.Thread(target=send, daemon=True)
    begun, heard, began = megabytes(), [], time.perf_counter()
    sender.start()
    quiet = time.perf_counter()
    while time.perf_counter() - quiet < 1.0 or sender.is_alive():
        came = listening.fetched()
        quiet = time.perf_counter() if came else quiet
        heard += [one.shown.value for one in came if one.kind == "figure"]
        assert not any("dropped" in one.words for one in came)
        time.sleep(0.01)
    took = time.perf_counter() - began
    listening.stop()
    wire.unplug()
    assert heard == sent, (len(heard), len(sent))
    held = (
        sys.getsizeof(sent) + sys.getsizeof(heard) + 24 * (len(sent) + len(heard))
    ) / 1e6  # what this benchmark keeps itself
    print(
        "200,000_lines_with_faults,_none_lost_or_doubled,_seconds_of_100_a_second:_share",
        100.0 * took / (LINES / 100.0),
        0,
    )
    print("the_same,_memory_grown", megabytes() - begun - held, 10)


frames()
flood()
