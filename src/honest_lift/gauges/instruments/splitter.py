"""Bytes as they come from a port, parted into whole lines; what is no line is said and never read."""

from __future__ import annotations

import re

MOST = 400  # bytes without an end: the wrong speed, or no instrument
_END = re.compile(rb"[\r\n]+")
_PRINTED = frozenset(range(32, 127)) | {9, 0xB0, 0xB5, 0xC2}  # and a degree sign or a micro, as gauges send them


class Splitter:
    """Parts bytes into lines. `starts_amid`: what comes first may be the end of a line that began before, and is let go."""

    def __init__(self, *, starts_amid: bool = False) -> None:
        self._held, self._amid = b"", starts_amid

    def feed(self, data: bytes) -> list[tuple[str, str]]:
        """Give (line, "") for whole lines, and ("", why) for what is none, in the order it came."""
        self._held += data
        found: list[tuple[str, str]] = []
        while (end := _END.search(self._held)) is not None:
            whole, self._held = self._held[: end.start()], self._held[end.end() :]
            found += self._judged(whole)
        if len(self._held) > MOST:
            self._held, self._amid = b"", True
            found.append(("", "no lines of text come: is its speed, or its parity, another?"))
        return found

    def _judged(self, whole: bytes) -> list[tuple[str, str]]:
        if self._amid:
            self._amid = False
            return []
        if not whole.strip():
            return []
        if not _PRINTED.issuperset(whole):
            return [("", "a line was spoiled on its way")]
        return [(whole.replace(b"\xc2\xb0", b"\xb0").decode("latin-1").strip(), "")]

    def cut(self) -> str:
        """Drop what is held of a line, for the port is gone; give what it was, "" for nothing."""
        held, self._held, self._amid = self._held, b"", True
        return held.decode("latin-1").strip()
