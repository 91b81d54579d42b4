"""Messages between the window and a worker process: one pickle each, its length before it.

Both ends are this program, over a pipe that nobody else holds.
"""

from __future__ import annotations

import pickle
import struct
from typing import Any, BinaryIO

from msgspec import Struct

_LENGTH = struct.Struct("!I")


class Asked(Struct, frozen=True):
    """An errand: its number, the task and what it is worked from."""

    errand: int
    task: str
    given: tuple[Any, ...] = ()


class Cancelled(Struct, frozen=True):
    """An errand nobody wants any more."""

    errand: int


class Ping(Struct, frozen=True):
    """Is anybody there? It is sent back as it is."""


class Told(Struct, frozen=True):
    """What an errand says on its way."""

    errand: int
    what: Any


class Done(Struct, frozen=True):
    """What an errand came to."""

    errand: int
    result: Any


class Failed(Struct, frozen=True):
    """What an errand raised, in a line, and where."""

    errand: int
    summary: str
    traceback: str


Message = Asked | Cancelled | Ping | Told | Done | Failed


def packed(message: Message) -> bytes:
    """Give a message as it goes over the wire."""
    body = pickle.dumps(message, protocol=5)
    return _LENGTH.pack(len(body)) + body


def unpacked(held: bytearray) -> list[Message]:
    """Take every whole message off the front of what has come in; the rest stays."""
    found: list[Message] = []
    while len(held) >= _LENGTH.size:
        (length,) = _LENGTH.unpack_from(held)
        end = _LENGTH.size + length
        if len(held) < end:
            break
        found.append(pickle.loads(bytes(held[_LENGTH.size : end])))
        del held[:end]
    return found


def read_from(stream: BinaryIO) -> Message | None:
    """Give the next message of a stream; None where it has ended."""
    head = stream.read(_LENGTH.size)
    if len(head) < _LENGTH.size:
        return None
    (length,) = _LENGTH.unpack(head)
    body = stream.read(length)
    return pickle.loads(body) if len(body) == length else None
