"""The worker process: `python -m honest_lift.workers.worker`. Works at one errand after the other, and ends with the window.

Messages come on standard input and go out on standard output; whatever prints goes to standard error.
"""

from __future__ import annotations

import os
import queue
import signal
import sys
import threading
import traceback
from typing import BinaryIO

from honest_lift.workers.tasks import TASKS, Task
from honest_lift.workers.wire import Asked, Cancelled, Done, Failed, Message, Ping, Told, packed, read_from


class _Worker:
    """`tasks`: what it can do. Messages are read on a thread, so that it hears while it works."""

    def __init__(self, source: BinaryIO, sink: BinaryIO, tasks: dict[str, Task]) -> None:
        self._source, self._sink, self._tasks = source, sink, tasks
        self._asked: queue.Queue[Asked] = queue.Queue()
        self._unwanted: set[int] = set()
        self._saying = threading.Lock()

    def run(self) -> None:
        """Work until the window goes."""
        threading.Thread(target=self._hear, name="wire", daemon=True).start()
        while True:
            self._work(self._asked.get())

    def _hear(self) -> None:
        while (message := read_from(self._source)) is not None:
            if isinstance(message, Asked):
                self._asked.put(message)
            elif isinstance(message, Cancelled):
                self._unwanted.add(message.errand)
            elif isinstance(message, Ping):
                self._say(message)
        os._exit(0)  # the window is gone: nobody waits for what is being worked at

    def _say(self, message: Message) -> None:
        with self._saying:
            self._sink.write(packed(message))
            self._sink.flush()

    def _work(self, asked: Asked) -> None:
        errand = asked.errand
        try:
            task = self._tasks[asked.task]
            result = task(
                lambda what: self._say(Told(errand, what)), lambda: errand not in self._unwanted, *asked.given
            )
            self._say(Done(errand, result))
        except Exception as error:  # relayed: the window says it
            self._say(Failed(errand, f"{type(error).__name__}: {error}", traceback.format_exc()))
        self._unwanted.discard(errand)


def serve(tasks: dict[str, Task]) -> None:
    """Serve the window that started this process."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl+C in a terminal goes to the window, which ends this process
    source, sink = os.fdopen(os.dup(0), "rb"), os.fdopen(os.dup(1), "wb")
    os.dup2(2, 1)
    sys.stdin.close()
    try:
        _Worker(source, sink, tasks).run()
    except BrokenPipeError:
        os._exit(0)


if __name__ == "__main__":
    serve(TASKS)
