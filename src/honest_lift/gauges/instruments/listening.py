"""Listens to one instrument on a thread of its own: opens its port, asks where it must, comes back when it is plugged in."""

from __future__ import annotations

import threading
import time
from collections import deque
from collections.abc import Callable

from honest_lift.gauges.instruments.hearing import Heard, Hearing
from honest_lift.gauges.instruments.instrument import Instrument
from honest_lift.gauges.instruments.port import Port, port_of, request
from honest_lift.gauges.instruments.recorder import Recorder
from honest_lift.gauges.line import LineError

AGAIN_S = 0.5  # after how long a port that is gone is looked for again
_MOST_HELD = 4000  # of what was heard and nobody fetched yet


class Listening:
    """What is heard is held until it is fetched; of a gauge that sends all the time only the last figure of a stand."""

    def __init__(
        self, instrument: Instrument, open_port: Callable[[Instrument], Port] = port_of, again_s: float = AGAIN_S
    ) -> None:  # fmt: skip
        self.instrument = instrument
        self.recorder: Recorder | None = None
        self._open_port, self._again_s = open_port, again_s
        self._held: deque[Heard] = deque()
        self._let_go = 0
        self._lock, self._stop = threading.Lock(), threading.Event()
        self._thread = threading.Thread(target=self._run, name=f"instrument {instrument.name}", daemon=True)

    def start(self) -> None:
        """Begin to listen."""
        self._thread.start()

    def stop(self) -> None:
        """Listen no more; the port is let go."""
        self._stop.set()
        if self._thread.is_alive():
            self._thread.join(3.0)
        if self.recorder is not None:
            self.recorder.close()

    def fetched(self) -> list[Heard]:
        """Give what was heard since, in order, each once."""
        with self._lock:
            held = list(self._held)
            self._held.clear()
            let_go, self._let_go = self._let_go, 0
        if let_go:
            held.append(
                Heard(
                    "odd",
                    words=f"{self.instrument.name}: {let_go} lines came faster than they were fetched, and were dropped",
                )
            )
        return held

    def _hold(self, heard: Heard) -> None:
        with self._lock:
            last = self._held[-1] if self._held else None
            if self.instrument.streams and _goes_on(last, heard):
                self._held[-1] = heard
            elif len(self._held) < _MOST_HELD:
                self._held.append(heard)
            else:
                self._let_go += 1

    def _run(self) -> None:
        hearing, told = Hearing(self.instrument), ""
        while not self._stop.is_set():
            try:
                port = self._open_port(self.instrument)
            except LineError as error:
                if str(error) != told:  # once, not every half second
                    told = str(error)
                    self._hold(hearing.absent(told))
                self._stop.wait(self._again_s)
                continue
            told = ""
            ended = self._hear(hearing, port)
            port.close()
            if ended:
                return
            self._stop.wait(self._again_s)

    def _hear(self, hearing: Hearing, port: Port) -> bool:
        """Hear a port until it is gone; tell whether no more will ever come."""
        self._note("opened")
        self._hold(hearing.opened(time.monotonic()))
        ask, asked_s = request(self.instrument), 0.0
        try:
            while not self._stop.is_set():
                now = time.monotonic()
                if ask and now - asked_s >= self.instrument.every_s:
                    port.write(ask)
                    self._note("sent", ask)
                    asked_s = now
                data = port.read()
                if data:
                    self._note("got", data)
                for heard in hearing.fed(data, time.monotonic()):
                    self._hold(heard)
        except LineError as error:
            self._note("lost")
            self._hold(hearing.lost(str(error)))
            return False
        except EOFError:
            self._hold(hearing.lost("the session has come to its end"))
        return True

    def _note(self, what: str, data: bytes = b"") -> None:
        if self.recorder is not None:
            self.recorder.note(what, data)


def _goes_on(last: Heard | None, heard: Heard) -> bool:
    """Tell whether a figure only goes on from the last that was heard: the same stand, or the same way between two."""
    both = last is not None and last.kind == heard.kind == "figure"
    return both and last is not None and (last.stand, last.is_steady) == (heard.stand, heard.is_steady)
