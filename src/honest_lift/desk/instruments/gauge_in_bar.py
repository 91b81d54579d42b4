"""What a gauge shows, in the reading bar: it fills the entry, Enter takes it, and what is odd about it is asked first.

A figure that a person types is never overwritten; one stand of a gauge is never taken twice.
"""

from __future__ import annotations

import re
from typing import TYPE_CHECKING

from PyQt6.QtCore import QCoreApplication, QTimer
from PyQt6.QtWidgets import QApplication

from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.desk.instruments.lines import Lines
    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.typed_value import Typed
    from honest_lift.gauges.instruments.hearing import Heard
    from honest_lift.gauges.instruments.instrument import Instrument

_FIGURE = re.compile(r"[-+]?[0-9]")
_ODD_MS = 1500  # how long something odd is left to be read before the next
_MOST_BESIDE = 40  # readings of the same at other places, to know another unit by


class GaugeInBar:
    """`put`: what a gauge put into the entry and nobody changed, "" for nothing; `from_gauge`: whose it is."""

    def __init__(self, bar: ReadingBar, lines: Lines) -> None:
        self.bar = bar
        self.put = ""
        self.from_gauge: Instrument | None = None
        self.last: Heard | None = None
        self._taken: dict[str, int] = {}
        self._waiting: tuple[str, bool] | None = None  # what is still to be said
        self._odd_soon = QTimer(bar)
        self._odd_soon.setSingleShot(True)
        self._odd_soon.setInterval(_ODD_MS)
        self._odd_soon.timeout.connect(self._say_waiting)
        self.lines = lines
        lines.heard.connect(self.hear)

    # --- what comes ---

    def hear(self, instrument: Instrument, heard: Heard) -> None:
        """Take notice of what was heard of an instrument."""
        if heard.kind != "figure":
            self._say(heard)
            if heard.kind != "odd":
                self._taken.pop(instrument.name, None)
            return
        assert heard.shown is not None
        bar, task = self.bar, self.bar.task
        if not bar.isVisible():
            if not instrument.streams:
                self.bar.session.told.emit(
                    f"{instrument.name} sent {heard.shown.text}: nothing is measured on this page."
                )
            return
        if task is None or bar.place is None:
            self._beside(f"{instrument.name}: {heard.shown.text}. There is nothing to measure here yet.")
            return
        if task.row.dimension != instrument.pattern.dimension:
            self._beside(
                f"{instrument.name}: {heard.shown.text}. {task.title[:1].upper()}{task.title[1:]} is none of it."
            )
            return
        if heard.is_steady and self._taken.get(instrument.name) == heard.stand:
            return  # it still shows what was taken: the next stand is the next reading
        if bar.also.hasFocus():  # where a burette started: what stands there is replaced, and nothing is taken
            bar.also.setText(heard.shown.text)
            bar.also.textEdited.emit(heard.shown.text)
            return
        if bar.entry.text() and bar.entry.text() != self.put:
            self._beside(f"{instrument.name} shows {heard.shown.text}: empty the entry to take it.")
            return
        self._fill(instrument, heard)

    def _fill(self, instrument: Instrument, heard: Heard) -> None:
        assert heard.shown is not None
        bar, text = self.bar, heard.shown.text
        untaken = self.put if self.last and self.last.is_steady and not instrument.streams else ""
        self.from_gauge, self.last = instrument, heard
        self._choose_tool(instrument)
        if text != self.put or bar.entry.text() != text:
            self.put = text
            bar.gauged(text)
        bar.entry.show_moving(moving=not heard.is_steady)
        words = f"{instrument.name}: Enter takes it" if heard.is_steady else f"{instrument.name} is moving"
        if untaken and untaken != text:
            words = f"{instrument.name}: in the place of {untaken}, which was not taken"
        self._beside(words)
        if (
            instrument.takes_itself
            and heard.is_steady
            and not bar.is_asking
            and QApplication.activeModalWidget() is None
        ):
            bar.confirm()

    def _choose_tool(self, instrument: Instrument) -> None:
        """Let the reading name the tool it is read with, though the drawer lacks it or the way does not suit it.

        Such a reading proves nothing: another tool's uncertainty would prove what was never read with it.
        """
        tool = self.bar.tool
        if not instrument.tool:
            return
        at = max(
            tool.findText(one) for one in (instrument.tool, _told("{0}, not in the drawer for this", instrument.tool))
        )
        if at < 0:
            lacking = _told("{0}, not in the drawer for this", instrument.tool)
            tool.addItem(lacking, lacking)
            at = tool.count() - 1
        if at != tool.currentIndex():
            tool.setCurrentIndex(at)

    def _beside(self, words: str) -> None:
        if self.bar.then.text() != words:
            self.bar.then.setText(words)

    def _say(self, heard: Heard) -> None:
        """Say what is no figure: that a gauge came or went at once, what is odd once the last that was odd could be read.

        While a question waits for its answer nothing is said over it.
        """
        self._waiting = (f"{heard.words}.", heard.kind != "there")
        if heard.kind != "odd" or not self._odd_soon.isActive():
            self._say_waiting()

    def _say_waiting(self) -> None:
        if self._waiting is None:
            return
        if not self.bar.is_asking:
            words, error = self._waiting
            self.bar.say(words, error=error)
            self._waiting = None
        self._odd_soon.start()

    # --- what is asked ---

    def question(self, text: str) -> str:
        """Say what is odd about how a gauge's figure came, so that it is asked once; "" for nothing, or for a hand's figure."""
        if not self.is_gauged(text):
            return ""
        assert self.from_gauge is not None
        assert self.last is not None
        assert self.last.shown is not None
        if not self.last.is_steady:
            return _told("{0} still moves, by {1:.4g} {2} over its last lines: hold it still. Enter again takes it as it is.",
                         self.from_gauge.name, self.last.moving_by, self.last.shown.unit)  # fmt: skip
        zero = self.lines.zero_of(self.from_gauge)
        if zero.is_due:
            return _told("{0} has taken {1} readings since its zero was looked at: close it and see. Enter again takes this one.",
                         self.from_gauge.name, len(zero.since))  # fmt: skip
        return ""

    def wrong_unit(self, typed: Typed, text: str, *, by_keys: bool) -> str:
        """Ask whether a gauge is set to another unit, by what was read beside; "" where it is not, or a hand typed."""
        if typed.value is None or typed.is_assumed or typed.is_bound:
            return ""
        if self.is_gauged(text) and self.last is not None and self.last.shown is not None:
            return self._wrong_unit(typed, self.last.shown.unit)
        return self._wrong_unit(typed, self.bar.session.unit(self.bar.task.row.dimension)) if by_keys else ""

    def _wrong_unit(self, typed: Typed, unit: str) -> str:
        from honest_lift.gauges.instruments.oddities import meant_by, other_unit

        row = self.bar.task.row
        others = [one for one in self._beside_this() if one > 0.0]
        other = other_unit(typed.value or 0.0, others, row.plausible, row.dimension, unit)
        if not other:
            return ""
        given = in_words(typed.value, row.dimension, unit)
        meant = in_words(meant_by(typed.value or 0.0, row.dimension, unit, other), row.dimension, other)
        return _told(
            "{0} is out of line, {1} would not be: is the gauge set to {2}? Enter again takes {0}.", given, meant, other
        )

    def _beside_this(self) -> list[float]:
        """Give what was read of the same, in the inside unit."""
        from honest_lift.facts.ledger import standing

        task = self.bar.task
        alike = [one.reading.value for one in standing(self.bar.session.book.journal)
                 if one.reading.quantity == task.quantity and not one.fate and one.reading.at == task.at]  # fmt: skip
        return alike[-_MOST_BESIDE:]

    def two_figures(self, text: str) -> str:
        """Ask whether an entry holds two figures: one that stood there, and one that came as fast as a gauge types.

        "" where it does not. A fast hand looks the same, so that nothing is taken out of the entry: a person says which.
        """
        by_gauge = self.bar.entry.typed_by_gauge
        before, typed = text[: len(text) - by_gauge], text[len(text) - by_gauge :]
        if not by_gauge or not _FIGURE.search(before) or not _FIGURE.match(typed):
            return ""
        words = "“{0}” stood there when “{1}” came as fast as a gauge types. Enter again takes {2} as one figure; else delete one."
        return _told(words, before.strip(), typed.strip(), text.strip())

    # --- what was taken ---

    def is_gauged(self, text: str) -> bool:
        """Tell whether what stands in the entry is what a gauge put there."""
        return bool(self.put) and text == self.put and self.from_gauge is not None

    def note(self, text: str) -> str:
        """Give the note of a reading that a gauge sent; "" for one that was typed."""
        return f"sent by {self.from_gauge.name}" if self.is_gauged(text) and self.from_gauge else ""

    def took(self) -> None:
        """Take notice that the gauge's figure was taken: its stand is over."""
        if self.from_gauge is not None and self.last is not None:
            self._taken[self.from_gauge.name] = self.last.stand
            self.lines.zero_of(self.from_gauge).took(self.bar.session.book.journal[-1].id)
        self.let_go()

    def let_go(self) -> None:
        """Hold no figure any more: the entry was taken."""
        self.put, self.last = "", None
        self.bar.entry.show_moving(moving=False)


def _told(words: str, *given: object) -> str:
    return QCoreApplication.translate("gauge", words).format(*given)
