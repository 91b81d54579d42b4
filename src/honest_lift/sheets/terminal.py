"""Words on a terminal: no character of a file steers it, and one that knows few letters gets what comes nearest."""

from __future__ import annotations

import re
from typing import TextIO

_CONTROLS = re.compile(r"[\x00-\x08\x0b-\x1f\x7f-\x9f\u200e\u200f\u2028-\u202e\u2066-\u2069\ud800-\udfff]")
_NEAREST = {
    "≥": ">=", "≤": "<=", "≈": "~", "±": "+/-", "×": "x", "·": ".", "–": "-", "—": "-", "−": "-", "…": "...", "“": '"', "”": '"',
    "‘": "'", "’": "'", "°": " deg", "²": "2", "³": "3", "½": "1/2", "¼": "1/4", "¾": "3/4", "→": "->", "√": "sqrt", "µ": "u",
}  # fmt: skip


def printable(text: str) -> str:
    r"""Give words with every control and every direction mark written out, as `\x1b`; line ends and tabs stay."""
    return _CONTROLS.sub(lambda found: _written_out(found[0]), text)


def say(text: str, out: TextIO) -> None:
    """Print words, as the terminal's letters allow."""
    out.write(_fitting(printable(text), out) + "\n")


def say_json(text: str, out: TextIO) -> None:
    r"""Print JSON; what the terminal has no letter for, and what would steer it, stands as `\u` escapes."""
    safe = _STEERS_IN_JSON.sub(lambda found: _escaped(found[0]), text)
    out.write((safe if _fits(safe, out) else _NOT_ASCII.sub(lambda found: _escaped(found[0]), safe)) + "\n")


_STEERS_IN_JSON = re.compile(r"[\x7f-\x9f\u200e\u200f\u2028-\u202e\u2066-\u2069]")  # JSON itself escapes those below
_NOT_ASCII = re.compile(r"[^\x00-\x7f]")


def _escaped(letter: str) -> str:
    units = letter.encode("utf-16-be")
    return "".join(f"\\u{units[i : i + 2].hex()}" for i in range(0, len(units), 2))


def _fits(text: str, out: TextIO) -> bool:
    try:
        text.encode(out.encoding or "utf-8")
    except UnicodeEncodeError:
        return False
    return True


def _fitting(text: str, out: TextIO) -> str:
    if _fits(text, out):
        return text
    return "".join(one if _fits(one, out) else _NEAREST.get(one) or _written_out(one) for one in text)


def _written_out(letter: str) -> str:
    return f"\\x{ord(letter):02x}" if ord(letter) < 256 else f"\\u{ord(letter):04x}"
