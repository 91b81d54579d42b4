"""Short tones, so that the eye can stay on the gauge: a reading is confirmed, something is asked, a valve now fails.

Played by whichever sound player the desktop has, in a process of its own; without one, by the desktop's beep. Off until asked for.
"""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Any

from PyQt6.QtCore import QObject, QProcess
from PyQt6.QtWidgets import QApplication

if TYPE_CHECKING:
    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

TONES: dict[str, tuple[int, ...]] = {  # hertz, one after the other: told apart by number and height
    "confirmed": (880,),
    "asked": (587, 587),
    "outside": (440, 330, 330),
}
_PLAYERS = (("pw-play",), ("paplay",), ("aplay", "-q"))
_RATE, _SECONDS, _GAP, _LOUD = 22050, 0.11, 0.05, 9000


class Tones(QObject):
    """Follows readings and what is found of them. `is_on`: whether anything is heard."""

    def __init__(self, session: Session, bar: ReadingBar) -> None:
        super().__init__(bar)
        self.session, self.is_on = session, False
        self._failing: frozenset[tuple[str, str]] = frozenset()
        self._waiting: list[str] = []
        self._process = QProcess(self)
        self._process.finished.connect(self._play_next)
        self._process.errorOccurred.connect(self._beep_instead)
        self._folder: Any = None  # where the tones lie, once one is heard
        session.confirmed.connect(lambda _: self.play("confirmed"))
        bar.questioned.connect(lambda: self.play("asked"))
        for signal in (session.changed, session.examined):
            signal.connect(self._follow)

    def switch(self, *, on: bool) -> None:
        """Let readings be heard from now on, or not."""
        self.is_on, self._failing = on, self._fails()

    def play(self, name: str) -> None:
        """Play a tone after those that are still to be heard; nothing while the sound is off."""
        if not self.is_on:
            return
        self._waiting.append(name)
        if self._process.state() == QProcess.ProcessState.NotRunning:
            self._play_next()

    @property
    def words(self) -> str:
        """Say what is heard from now on."""
        if not self.is_on:
            return "Sound off."
        by = "" if found_player() else " by the desktop's beep, as no sound player is installed"
        return (
            f"Sound on{by}: one tone a reading is confirmed, two something is asked, three falling a check now fails."
        )

    def close(self) -> None:
        """End what is being played, and leave no file behind."""
        self._waiting.clear()
        self._process.kill()
        self._process.waitForFinished(1000)
        if self._folder:
            self._folder.cleanup()

    def _play_next(self) -> None:
        if not self._waiting:
            return
        name = self._waiting.pop(0)
        player = found_player()
        if player:
            self._process.start(player[0], [*player[1:], str(self._file(name))])
        else:
            for _ in TONES[name]:
                QApplication.beep()
            self._play_next()

    def _beep_instead(self, error: QProcess.ProcessError) -> None:
        """Beep where the player can't be started, and go on; one that is ended on closing is no error."""
        if error == QProcess.ProcessError.FailedToStart:  # then it never says that it has finished
            QApplication.beep()
            self._play_next()

    def _file(self, name: str) -> Path:
        import tempfile  # nothing of this is wanted before the first tone

        self._folder = self._folder or tempfile.TemporaryDirectory(prefix="honest-lift-tones-")
        path = Path(self._folder.name) / f"{name}.wav"
        if not path.exists():
            write_tone(path, TONES[name])
        return path

    def _fails(self) -> frozenset[tuple[str, str]]:
        examination = self.session.examination
        found = examination.findings if examination else ()
        return frozenset((one.check.name, one.place.title) for one in found if one.verdict.word == "fails")

    def _follow(self) -> None:
        if not self.is_on:
            return
        before, self._failing = self._failing, self._fails()
        if self._failing - before:
            self.play("outside")


def found_player() -> tuple[str, ...]:
    """Give the first sound player of the desktop that is there, with its arguments; none: empty."""
    import shutil

    return next((one for one in _PLAYERS if shutil.which(one[0])), ())


def write_tone(path: Path, hertz: tuple[int, ...]) -> None:
    """Write tones, one after the other, as a sound file of 16 bit mono; each swells and dies away, so that it does not click."""
    import math
    import struct
    import wave

    count = round(_RATE * _SECONDS)
    samples: list[int] = []
    for pitch in hertz:
        samples += [
            round(_LOUD * math.sin(math.pi * i / count) * math.sin(2 * math.pi * pitch * i / _RATE))
            for i in range(count)
        ]
        samples += [0] * round(_RATE * _GAP)
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(_RATE)
        file.writeframes(struct.pack(f"<{len(samples)}h", *samples))
