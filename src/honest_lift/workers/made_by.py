"""What made a kept answer: a digest of the code that worked it out, and the versions of the libraries below it.

A repaired solver is a different maker, whatever the program's version says, so that its answers are worked out anew.
"""

from __future__ import annotations

import hashlib
from functools import cache
from importlib.metadata import version
from pathlib import Path

import honest_lift

_ROOM = Path(honest_lift.__file__).parent
_MAKERS = (
    "numbers",
    "mechanics",
    "facts",
    "estimates",
)  # whole rooms: which files of them a lobe needs changes with the code


@cache
def made_by(room: Path = _ROOM) -> str:
    """Give the digest (hexadecimal) of the source that solves a lobe, under `room`, and of the versions of NumPy and SciPy."""
    told = hashlib.sha256(f"numpy {version('numpy')}, scipy {version('scipy')}".encode())
    for maker in _MAKERS:
        for one in sorted((room / maker).rglob("*.py")):
            told.update(one.relative_to(room).as_posix().encode() + b"\0" + one.read_bytes() + b"\0")
    return told.hexdigest()
