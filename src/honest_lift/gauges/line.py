"""An instrument that sends lines of text: a serial port, or a stand-in that behaves like one.

What an instrument sends is handed on as it comes; whoever listens understands it and says what it did not.
"""

from __future__ import annotations

import threading
from collections.abc import Iterator
from typing import Protocol

_WAIT_S = 0.2  # how long a silent port is waited for before looking whether to stop
_LONGEST = 400  # a line longer than this is no reading: the wrong speed, or no instrument


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
        """Give each line as it comes. Raises LineError where the port can't be opened or is lost."""
        import serial

        try:
            with serial.Serial(self.port, self.baud, timeout=_WAIT_S) as port:
                yield from _lines_of(port, self, stop)
        except serial.SerialException as error:
            why = getattr(error, "strerror", None) or str(error)
            raise LineError(f"{self.port}: {why}. Is it plugged in, and may this user read it?") from None


def _lines_of(port: object, line: SerialLine, stop: threading.Event) -> Iterator[str]:
    held = b""
    while not stop.is_set():
        held += port.read_until(b"\n", _LONGEST)  # type: ignore[attr-defined]
        while b"\n" in held:
            whole, held = held.split(b"\n", 1)
            yield whole.decode("ascii", "replace").strip()
        if len(held) >= _LONGEST:
            raise LineError(f"{line.port}: what it sends are no lines of text. Is {line.baud} baud its speed?")


def ports() -> list[str]:
    """Give the serial ports of this machine by name."""
    from serial.tools.list_ports import comports

    return sorted(one.device for one in comports())
