"""An instrument that sends lines of text: a serial port, or a stand-in that behaves like one.

What an instrument sends is handed on as it comes; whoever listens understands it and says what it did not.
"""

from __future__ import annotations

import threading
from collections.abc import Iterator
from typing import Protocol


class LineError(OSError):
    """An instrument that can't be listened to; the sentence says why and what to look at."""


class Line(Protocol):
    """Anything that sends lines until it is told to stop, or has no more."""

    @property
    def name(self) -> str:
        """Give what it is called, as the table's source."""
        ...

    def lines(self, stop: threading.Event) -> Iterator[str]:
        """Give each line as it comes. Raises LineError."""
        ...


class SerialLine:
    """An instrument on a serial port."""

    def __init__(self, port: str, baud: int = 9600) -> None:
        self.port, self.baud = port, baud

    @property
    def name(self) -> str:
        """Give the port."""
        return f"instrument on {self.port}"

    def lines(self, stop: threading.Event) -> Iterator[str]:
        """Give each line as it comes, a spoiled one as words that no table takes. Raises LineError where the port is lost, can't be
        opened, or sends no lines."""
        from honest_lift.gauges.instruments.instrument import Instrument
        from honest_lift.gauges.instruments.port import SerialPort
        from honest_lift.gauges.instruments.splitter import MOST, Splitter

        port = SerialPort(Instrument(self.name, port=self.port, speed=self.baud))
        splitter, silent = Splitter(), 0
        try:
            while not stop.is_set():
                data = port.read()
                silent = 0 if b"\n" in data or b"\r" in data else silent + len(data)
                if silent > MOST:
                    raise LineError(f"{self.port}: what it sends are no lines of text. Is {self.baud} baud its speed?")
                yield from (line or f"({why})" for line, why in splitter.feed(data))
        finally:
            port.close()


def ports() -> list[str]:
    """Give the serial ports of this machine by name."""
    from serial.tools.list_ports import comports

    return sorted(one.device for one in comports())
