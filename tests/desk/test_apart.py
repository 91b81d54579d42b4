"""Work beside the window: the window goes on, Cancel breaks it off, and what it raises is not swallowed."""

import time

import pytest
from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QApplication, QProgressDialog, QPushButton, QWidget

from honest_lift.desk.apart import run_apart
from honest_lift.desk.bit_by_bit import BitByBit


@pytest.fixture
def parent(qtbot):
    widget = QWidget()
    qtbot.addWidget(widget)
    widget.show()
    return widget


def slow(told):
    for row in range(1, 2000):
        told(row)
        time.sleep(0.01)
    return "done"


def test_the_window_goes_on_and_gets_the_answer(parent):
    turns = []
    timer = QTimer()
    timer.timeout.connect(lambda: turns.append(1))
    timer.start(10)
    assert run_apart(parent, "t", "{0} rows", lambda told: time.sleep(0.3) or 42) == 42
    assert len(turns) > 5


def test_cancel_breaks_it_off(parent):
    said = []

    def press():
        dialog = next(
            one for one in QApplication.topLevelWidgets() if isinstance(one, QProgressDialog) and one.isVisible()
        )
        said.append(dialog.labelText())
        dialog.findChild(QPushButton).click()

    QTimer.singleShot(900, press)
    began = time.monotonic()
    assert run_apart(parent, "t", "{0} rows", slow) is None
    assert time.monotonic() - began < 6.0
    assert said[0].endswith(" rows")


def test_what_it_raises_comes_out(parent):
    with pytest.raises(KeyError):
        run_apart(parent, "t", "{0}", lambda told: {}["no"])


def test_something_newer_takes_the_place_of_what_is_worked_at(qtbot, parent):
    done = []
    bits = BitByBit(parent)
    bits.start(iter(range(10_000_000)), lambda found: done.append("old"))
    qtbot.wait(30)
    bits.start(iter(range(3)), done.append)
    qtbot.waitUntil(lambda: bool(done))
    assert done == [[0, 1, 2]]
    assert not bits.is_at_work
