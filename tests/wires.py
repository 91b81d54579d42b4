"""An instrument on a line made of a pair of pseudo-terminals."""

import os
import termios
import tty
from contextlib import suppress


class Wire:
    """A pair of pseudo-terminals: an instrument's end, and the port it is plugged into."""

    def __init__(self):
        self.end, self.held = os.openpty()
        tty.setraw(self.end, termios.TCSANOW)
        self.port = os.ttyname(self.held)

    def unplug(self):
        for one in (self.end, self.held):
            with suppress(OSError):
                os.close(one)

    def send(self, *lines):
        """Send whole lines."""
        os.write(self.end, b"".join(f"{one}\r\n".encode() for one in lines))
