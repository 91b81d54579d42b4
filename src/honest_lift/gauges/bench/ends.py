"""The bench's ends of its lines: a pseudo-terminal a tool, plugged in for as long as it is open."""

from __future__ import annotations

import os
import termios
import tty
from contextlib import suppress
from pathlib import Path

from msgspec.structs import replace

from honest_lift.gauges.bench.plugged import plug_in
from honest_lift.gauges.bench.tools import PlayedTool


class End:
    """A tool's end of a line. Nobody need listen: what is sent then is gone, as on a real one."""

    def __init__(self, tool: PlayedTool, *, is_wheel: bool = False) -> None:
        """Open a line and say where it is. Raises OSError where the machine gives none."""
        self._end, self._held = os.openpty()  # the other end is held open, so that a listener may come and go
        tty.setraw(self._end, termios.TCSANOW)
        os.set_blocking(self._end, False)
        instrument = tool.instrument(os.ttyname(self._held))
        self.port = instrument.port
        self._told: Path | None = plug_in(replace(instrument, is_on=not is_wheel))

    def send(self, line: str) -> bool:
        """Send a line; tell whether there was room for it."""
        data = f"{line}\r\n".encode("ascii", "replace")
        try:
            return os.write(self._end, data) == len(data)
        except BlockingIOError:  # nobody has listened for long
            termios.tcflush(self._held, termios.TCIFLUSH)
            return False

    def close(self) -> None:
        """Unplug it."""
        told, self._told = self._told, None
        if told is None:
            return
        with suppress(OSError):
            told.unlink()
        for one in (self._end, self._held):
            with suppress(OSError):
                os.close(one)
