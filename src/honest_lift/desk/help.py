"""What the Help menu does for one window: the manual, the keys, the cautions, the bench, and what this program is."""

from __future__ import annotations

import sys
from typing import TYPE_CHECKING, Any

from PyQt6.QtCore import QProcess

from honest_lift import __version__
from honest_lift.desk import questions
from honest_lift.desk.language import LANGUAGES
from honest_lift.desk.session import Session
from honest_lift.desk.theme import THEMES

if TYPE_CHECKING:
    from honest_lift.desk.manual_window import ManualWindow


class Help:
    """Answers the actions of the Help menu."""

    def __init__(self, window: Any, session: Session) -> None:
        self.window, self.session, self.tr = window, session, window.tr
        self.manual: ManualWindow | None = None

    def show_manual(self, page: str = "", heading: str = "") -> None:
        """Open the manual at a page; without one at that of the open step, at the check whose finding is looked into."""
        from honest_lift.desk.manual_window import ManualWindow

        if self.manual is None:
            self.manual = ManualWindow(self.window)
        self.manual.dress(THEMES[self.window.theme_name])
        self.manual.show()
        if not page and self.session.check:
            from honest_lift.checks.unbegun import every_check

            check = every_check()[self.session.check]
            page, heading = check.step, check.title
        self.manual.open_page(page or self.session.step, heading)
        self.manual.raise_()
        self.manual.activateWindow()

    def show_keys(self) -> None:
        """Open the manual at the keys, as they are."""
        self.show_manual("keys")

    def open_bench(self) -> None:
        """Open the simulated bench, a program of its own."""
        started, _ = QProcess.startDetached(sys.executable, ["-m", "honest_lift.cli", "gauges"])
        self.session.told.emit(
            self.tr("The bench opens in a window of its own; its tools are heard here as real ones are.")
            if started
            else self.tr("The bench can't be started: run honest-lift gauges.")
        )

    def choose_language(self) -> None:
        """Ask for the language of menus, labels and hints; it is spoken from the next start on."""
        settings = self.window.settings
        kept = str(settings.value("language", "en")) if settings else "en"
        now = kept if kept in LANGUAGES else "en"
        names, question = (
            list(LANGUAGES.values()),
            self.tr("Menus, labels and hints, from the next start; findings stay English:"),
        )
        chosen = questions.choose(
            self.window, self.tr("Language of the window"), question, names, list(LANGUAGES).index(now)
        )
        if chosen and settings:
            settings.setValue("language", next(key for key, name in LANGUAGES.items() if name == chosen))
            self.session.told.emit(self.tr("From the next start: {0}.").format(chosen))

    def show_cautions(self) -> None:
        """Show the cautions whole."""
        from honest_lift.facts.cautions import CAUTIONS

        questions.tell(self.window, self.tr("Cautions"), "\n\n".join(CAUTIONS))

    def show_about(self) -> None:
        """Say what this is."""
        words = self.tr(
            "Honest Lift {0}. Free software under the GNU General Public License, version 3 or later. "
            "It proves nothing that was not measured."
        )
        questions.tell(self.window, self.tr("About"), words.format(__version__))
