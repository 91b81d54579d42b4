"""Instruments on a line: a real serial port made of a pair of pseudo-terminals, and the stand-in that ships with it."""

import os
import threading

import numpy as np
import pytest

from engines import Bench
from honest_lift.estimates.cam.lobe_read import lobe_read
from honest_lift.facts.lobe_edits import TakeTables, table_of
from honest_lift.facts.place import at_position
from honest_lift.facts.wheel_import import in_mm, read_table
from honest_lift.facts.wheel_table import StandingTable
from honest_lift.gauges.line import LineError, SerialLine
from honest_lift.gauges.walked_lobe import WalkedLobe


def heard_from(line, count):
    stop, heard = threading.Event(), []
    threading.Timer(10.0, stop.set).start()  # a test waits for no instrument for ever
    for text in line.lines(stop):
        heard.append(text)
        if len(heard) == count:
            break
    return heard


def test_a_serial_port_hands_on_its_lines_whole():
    master, slave = os.openpty()
    try:
        line = SerialLine(os.ttyname(slave))
        sent = (
            b"crank deg; lift mm\r\n-20; 0.",
            b"05\r\n-18; 0.11\r\n",
        )  # a port that is opened forgets what came before
        for i, part in enumerate(sent):
            threading.Timer(0.4 + 0.3 * i, os.write, (master, part)).start()
        assert heard_from(line, 3) == ["crank deg; lift mm", "-20; 0.05", "-18; 0.11"]
        threading.Timer(0.3, os.write, (master, b"-14; \xff.2\r\n-12; 0.3\r\n")).start()
        assert heard_from(line, 2)[-2:] == ["(a line was spoiled on its way)", "-12; 0.3"], "nothing is dropped unsaid"
    finally:
        os.close(master)
        os.close(slave)


def test_a_port_that_is_none_or_sends_no_lines_is_told():
    with pytest.raises(LineError, match="ttyNone: nothing is plugged in there"):
        heard_from(SerialLine("/dev/ttyNone"), 1)
    master, slave = os.openpty()
    try:
        threading.Timer(0.4, os.write, (master, b"x" * 900)).start()
        with pytest.raises(LineError, match="no lines of text"):
            heard_from(SerialLine(os.ttyname(slave)), 1)
    finally:
        os.close(master)
        os.close(slave)


def test_the_stand_in_walks_a_lobe_that_can_be_taken_in_and_judged():
    """Its first rows are read again after turning back, as a person's are; another seed misreads otherwise."""
    text = "\n".join(heard_from(WalkedLobe(0.0, seed=4), 10_000))
    assert text != "\n".join(heard_from(WalkedLobe(0.0, seed=5), 10_000))
    column = read_table(text).columns[0]
    made = Bench()
    table = table_of(made.book, at_position("1i"), "lifter", in_mm(column, "mm", cam_degrees=False), unit="mm")
    made.do(TakeTables((table,)))
    read = lobe_read(made.book, StandingTable(table))
    assert [(one.row, one.kind) for one in read.troubles] == [(0, "twice"), (1, "back"), (2, "back")]
    assert read.lobe.lift_mm == pytest.approx(8.9, abs=0.03)
    assert read.lobe.centre_deg == pytest.approx(106.0, abs=0.3)
    assert np.isfinite(read.ordered.runout_mm)


def test_the_stand_in_stops_when_told():
    stop = threading.Event()
    lines = WalkedLobe(5.0, seed=1).lines(stop)
    assert next(lines).startswith("crank deg")
    stop.set()
    assert list(lines) == []
