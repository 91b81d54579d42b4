"""A request to end, from the keyboard or by SIGTERM: what is begun is taken back, and nothing stays half written."""

from __future__ import annotations

import os
import signal
import sys
import threading
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from types import FrameType
from typing import TypeVar

T = TypeVar("T")
_SIGNALS = (signal.SIGINT, signal.SIGTERM)


class StoppedError(KeyboardInterrupt):
    """Somebody asked the program to end; its argument is the signal's number."""


@contextmanager
def ended_in_order() -> Iterator[None]:
    """Raise StoppedError wherever the work is when a request comes. A window has its own way (desk/ending.py)."""

    def stop(number: int, frame: FrameType | None) -> None:
        raise StoppedError(number)

    with _handled_by(stop):
        yield


def between_parts(parts: Iterable[T]) -> Iterator[T]:
    """Go through parts of a work that must not be broken off within one, as when Qt draws: a request is met between two."""
    came: list[int] = []
    with _handled_by(lambda number, frame: came.append(number)):
        for part in parts:
            yield part
            if came:
                raise StoppedError(came[0])


@contextmanager
def reader_may_leave() -> Iterator[None]:
    """Print until the reader, such as `head`, has seen enough. The answer, and its exit status, are the same all the same."""
    try:
        yield
        sys.stdout.flush()
    except BrokenPipeError:
        write_no_more()


def write_no_more() -> None:
    """Send what still waits to be written nowhere, so that Python can end without another complaint."""
    nowhere = os.open(os.devnull, os.O_WRONLY)
    os.dup2(nowhere, sys.stdout.fileno())
    os.close(nowhere)


@contextmanager
def _handled_by(handler) -> Iterator[None]:  # type: ignore[no-untyped-def]
    if threading.current_thread() is not threading.main_thread():
        yield
        return
    before = {one: signal.signal(one, handler) for one in _SIGNALS if signal.getsignal(one) != signal.SIG_IGN}
    try:
        yield
    finally:
        for one, then in before.items():
            signal.signal(one, then)
