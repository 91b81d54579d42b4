"""The instruments of this bench while the window is open: those that are set up, and stand-ins that are plugged in."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

if TYPE_CHECKING:
    from honest_lift.gauges.instruments.instrument import Instrument
    from honest_lift.gauges.instruments.listening import Listening
    from honest_lift.gauges.instruments.oddities import Zero
    from honest_lift.gauges.instruments.pattern import Shown

_FETCH_MS = 33  # thirty times a second is as fast as an eye reads
_LOOK_MS = 1500  # for stand-ins


class Lines(QObject):
    """`heard` carries an instrument and what was heard of it, in order; `changed` that there are others, or another trouble."""

    heard = pyqtSignal(object, object)
    changed = pyqtSignal()

    def __init__(self, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.kept: tuple[Instrument, ...] = ()
        self.stand_ins: tuple[Instrument, ...] = ()
        self.trouble = ""
        self.last: dict[str, Shown] = {}  # what each showed last
        self.last_lines: dict[str, str] = {}
        self._zeros: dict[str, Zero] = {}
        self._listening: dict[str, Listening] = {}
        self._fetch, self._look = QTimer(self), QTimer(self)
        self._fetch.setInterval(_FETCH_MS)
        self._look.setInterval(_LOOK_MS)
        self._fetch.timeout.connect(self.fetch)
        self._look.timeout.connect(self.look)

    @property
    def every(self) -> tuple[Instrument, ...]:
        """Give all instruments there are."""
        return (*self.kept, *self.stand_ins)

    def begin(self) -> None:
        """Listen to what is set up, and look for stand-ins, until told to stop."""
        from honest_lift.gauges.instruments.instrument import kept_instruments
        from honest_lift.numbers.mendable import MendableError

        try:
            self.kept = kept_instruments()
        except MendableError as error:
            self.trouble = str(error)
        self._look.start()
        self.look()
        self.changed.emit()

    def look(self) -> None:
        """Look which stand-ins are plugged in now."""
        from honest_lift.gauges.bench.plugged import stand_ins

        found = stand_ins()
        if found != self.stand_ins:
            self.stand_ins = found
            self.changed.emit()
        self._follow()

    def put(self, every: tuple[Instrument, ...]) -> None:
        """Keep other instruments, and listen to those. Raises MendableError."""
        from honest_lift.gauges.instruments.instrument import keep_instruments

        keep_instruments(every)
        self.kept, self.trouble = every, ""
        self._follow()
        self.changed.emit()

    def _follow(self) -> None:
        """Listen to every instrument that is on, once; no more to one that is gone, or is set up otherwise."""
        from honest_lift.gauges.instruments.listening import Listening

        wanted = {one.name: one for one in self.every if one.is_on and one.port}
        recorders = {}
        for name in [name for name, own in self._listening.items() if wanted.get(name) != own.instrument]:
            own = self._listening.pop(name)
            if name in wanted:  # set up otherwise, it is written down further on
                recorders[name], own.recorder = own.recorder, None
            own.stop()
        for name, one in wanted.items():
            if name not in self._listening:
                own = self._listening[name] = Listening(one)
                own.recorder = recorders.get(name)
                own.start()
        if self._listening and not self._fetch.isActive():
            self._fetch.start()
        elif not self._listening:
            self._fetch.stop()

    def fetch(self) -> None:
        """Hand on what was heard since."""
        for own in tuple(self._listening.values()):
            for heard in own.fetched():
                if heard.line:
                    self.last_lines[own.instrument.name] = heard.line
                if heard.shown is not None:
                    self.last[own.instrument.name] = heard.shown
                self.heard.emit(own.instrument, heard)

    def zero_of(self, instrument: Instrument) -> Zero:
        """Give what was read with an instrument since its zero was looked at."""
        from honest_lift.gauges.instruments.oddities import Zero

        zero = self._zeros.setdefault(instrument.name, Zero(instrument.zero_after))
        zero.after = instrument.zero_after
        return zero

    def record(self, name: str, path: Path) -> None:
        """Write down what an instrument sends from now on. Raises OSError."""
        from honest_lift.gauges.instruments.recorder import Recorder

        own = self._listening[name]
        if own.recorder is not None:
            own.recorder.close()
        own.recorder = Recorder(path, name)

    def recorded_in(self, name: str) -> Path | None:
        """Give where an instrument is written down; None where it is not."""
        own = self._listening.get(name)
        return own.recorder.path if own is not None and own.recorder is not None else None

    def stop_recorder(self, name: str) -> str:
        """Write no more down; give what went wrong with it, "" for nothing."""
        own = self._listening.get(name)
        if own is None or own.recorder is None:
            return ""
        recorder, own.recorder = own.recorder, None
        recorder.close()
        return recorder.trouble

    def is_heard(self, name: str) -> bool:
        """Tell whether an instrument is listened to."""
        return name in self._listening

    def close(self) -> None:
        """Listen to nothing any more."""
        self._look.stop()
        self._fetch.stop()
        while self._listening:
            self._listening.popitem()[1].stop()
