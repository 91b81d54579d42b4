"""Where an instrument's bytes come from: a serial port, the URL of one, a recorded session, or a stand-in on this machine.

`loop://`, `socket://host:port` and `rfc2217://host:port` are pyserial's own; `replay:PATH` plays a recorded session.
"""

from __future__ import annotations

from pathlib import Path
from typing import Protocol

from honest_lift.gauges.instruments.instrument import Instrument
from honest_lift.gauges.line import LineError

WAIT_S = 0.05  # how long a silent port is waited for
_MOST_BYTES = 4096
REPLAY = "replay:"


class Port(Protocol):
    """Anything that gives bytes and takes some."""

    def read(self) -> bytes:
        """Give what came, nothing after a short wait. Raises LineError where it is gone; EOFError where no more will come."""
        ...

    def write(self, data: bytes) -> None:
        """Send. Raises LineError where it is gone."""
        ...

    def close(self) -> None:
        """Let go of it."""
        ...


class SerialPort:
    """A serial port, or a URL of one."""

    def __init__(self, instrument: Instrument) -> None:
        import serial

        self._name = instrument.port
        try:
            self._port = serial.serial_for_url(
                instrument.port, instrument.speed, bytesize=instrument.bits, parity=instrument.parity, timeout=WAIT_S,
                write_timeout=1.0, exclusive=True,  # two that read one port would each get half a line
            )  # fmt: skip
        except (OSError, ValueError) as error:
            raise self._gone(error) from None

    def _gone(self, error: Exception) -> LineError:
        import errno

        number = getattr(error, "errno", None)
        if number == errno.EACCES:
            why = "this user may not read it: the group that owns it, often dialout, lets one in"
        elif number in (errno.EAGAIN, errno.EWOULDBLOCK):
            why = "another window, or another program, listens to it already"
        elif number in (errno.ENOENT, errno.ENXIO, errno.ENODEV):
            why = "nothing is plugged in there"
        else:
            why = getattr(error, "strerror", None) or str(error).splitlines()[0]
        return LineError(f"{self._name}: {why}")

    def read(self) -> bytes:
        """Give what came."""
        try:
            return bytes(self._port.read(max(1, min(self._port.in_waiting, _MOST_BYTES))))
        except (OSError, TypeError) as error:  # pyserial gives a TypeError where another thread closed it
            raise self._gone(error) from None

    def write(self, data: bytes) -> None:
        """Send."""
        try:
            self._port.write(data)
        except (OSError, TypeError) as error:
            raise self._gone(error) from None

    def close(self) -> None:
        """Let go of it; one that is gone is gone."""
        try:
            self._port.close()
        except OSError:
            return


def port_of(instrument: Instrument) -> Port:
    """Open the port of an instrument. Raises LineError, with what to look at."""
    if not instrument.port:
        raise LineError(f"{instrument.name}: no port is chosen")
    if instrument.port.startswith(REPLAY):
        from honest_lift.gauges.instruments.recorder import Replay

        return Replay(Path(instrument.port.removeprefix(REPLAY)))
    return SerialPort(instrument)


def request(instrument: Instrument) -> bytes:
    """Give what is sent to ask for a line; \\r and \\n stand for what ends one.

    >>> request(Instrument("scale", asks="?\\\\r"))
    b'?\\r'
    """
    return instrument.asks.replace("\\r", "\r").replace("\\n", "\n").encode("latin-1", "replace")
