"""A session with an instrument as a text file, and the same played again: for tests, and for whoever is asked why.

    # honest-lift gauge session 1
    # instrument: caliper
    0.000 opened
    0.412 got 12.34 mm\\r\\n
    0.900 sent ?\\r
    3.100 lost

Seconds since it began, what happened, and the bytes, those that are not printed as \\xNN.
"""

from __future__ import annotations

import re
import time
from pathlib import Path
from typing import IO

from honest_lift.gauges.line import LineError

_HEAD = "# honest-lift gauge session 1"
_LARGEST_BYTES = 64_000_000
_LINE = re.compile(r"(?P<at>[0-9]{1,9}\.[0-9]{1,6}) (?P<what>opened|got|sent|lost)(?: (?P<data>.*))?", re.ASCII)
_PLAIN = {0x0A: "\\n", 0x0D: "\\r", 0x5C: "\\\\"}
_ESCAPE = re.compile(r"\\(?:x(?P<hex>[0-9a-f]{2})|(?P<sign>[nr\\]))", re.ASCII)


def as_text(data: bytes) -> str:
    """Write bytes on one line.

    >>> as_text(bytes([49, 13, 10, 200]))
    '1\\\\r\\\\n\\\\xc8'
    """
    return "".join(_PLAIN.get(one) or (chr(one) if 32 <= one < 127 else f"\\x{one:02x}") for one in data)


def as_bytes(text: str) -> bytes:
    """Read what `as_text` wrote.

    >>> as_bytes(as_text(bytes(range(256)))) == bytes(range(256))
    True
    """
    signs = {"n": "\n", "r": "\r", "\\": "\\"}
    return _ESCAPE.sub(lambda one: chr(int(one["hex"], 16)) if one["hex"] else signs[one["sign"]], text).encode(
        "latin-1", "replace"
    )


class Recorder:
    """Writes a session down as it happens. A disk that takes no more ends that, and not the measuring."""

    def __init__(self, path: Path, name: str, began_s: float | None = None) -> None:
        """Begin a file. Raises OSError."""
        self._file: IO[str] | None = path.open("w", encoding="ascii", newline="\n")
        self._began_s = time.monotonic() if began_s is None else began_s
        self.path, self.trouble = path, ""
        self._write(f"{_HEAD}\n# instrument: {name.encode('ascii', 'replace').decode()}\n")

    def note(self, what: str, data: bytes = b"", at_s: float | None = None) -> None:
        """Write down that something was opened, got, sent or lost."""
        at = (time.monotonic() if at_s is None else at_s) - self._began_s
        self._write(f"{max(at, 0.0):.3f} {what}{' ' if data else ''}{as_text(data)}\n")

    def _write(self, text: str) -> None:
        if self._file is None:
            return
        try:
            self._file.write(text)
            self._file.flush()
        except OSError as error:
            self.trouble = f"{self.path.name}: the session ends here: {error.strerror or error}"
            self.close()

    def close(self) -> None:
        """End the file."""
        file, self._file = self._file, None
        if file is not None:
            try:
                file.close()
            except OSError as error:
                self.trouble = (
                    self.trouble or f"{self.path.name}: the session may lack its end: {error.strerror or error}"
                )


class Replay:
    """A recorded session as a port: its bytes come when they came, or as fast as they are asked for with a `hurry` of 0."""

    def __init__(self, path: Path, hurry: float = 1.0) -> None:
        """Read one. Raises LineError for a file that is none."""
        self._steps = _steps_of(path)
        self._next, self._began_s, self._hurry = 0, time.monotonic(), hurry

    def read(self) -> bytes:
        """Give the next bytes. Raises LineError where the port was lost; EOFError at the end."""
        if self._next >= len(self._steps):
            raise EOFError
        at_s, what, data = self._steps[self._next]
        wait = at_s * self._hurry - (time.monotonic() - self._began_s)
        if wait > 0.0:
            time.sleep(min(wait, 0.05))
            if wait > 0.05:
                return b""
        self._next += 1
        if what == "lost":
            raise LineError("it was unplugged here")
        return data if what == "got" else b""

    def write(self, data: bytes) -> None:
        """Answers come as they were recorded, whatever is asked."""

    def close(self) -> None:
        """Nothing is held."""


def _steps_of(path: Path) -> list[tuple[float, str, bytes]]:
    try:
        if path.stat().st_size > _LARGEST_BYTES:
            raise LineError(f"{path.name}: a recorded session has up to {_LARGEST_BYTES // 1_000_000} MB")
        lines = path.read_text(encoding="ascii").split("\n")
    except (OSError, UnicodeDecodeError) as error:
        raise LineError(f"{path.name}: {getattr(error, 'strerror', None) or 'it is no text'}") from None
    if lines[0].strip() != _HEAD:
        raise LineError(f"{path.name}: it does not begin with “{_HEAD}”")
    found = []
    for number, line in enumerate(lines[1:], 2):
        if not line.strip() or line.startswith("#"):
            continue
        step = _LINE.fullmatch(line)
        if step is None:
            raise LineError(f"{path.name}: line {number} is no line of a session: {line[:40]}")
        found.append((float(step["at"]), step["what"], as_bytes(step["data"] or "")))
    return found
