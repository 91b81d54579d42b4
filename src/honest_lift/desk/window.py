"""The window: head strip on top, route on the left, the open sheet, the ladder on the right, the reading bar below."""

from __future__ import annotations

import gc
from pathlib import Path

from PyQt6.QtCore import QSettings, Qt, QTimer
from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QApplication, QHBoxLayout, QLabel, QMainWindow, QStackedWidget, QVBoxLayout, QWidget

from honest_lift import __version__
from honest_lift.desk import questions
from honest_lift.desk.actions import ACTIONS, CHECKABLE
from honest_lift.desk.head_strip import HeadStrip
from honest_lift.desk.heights.sheet import HeightsSheet
from honest_lift.desk.ladder import Ladder
from honest_lift.desk.reading_bar import ReadingBar
from honest_lift.desk.route import Route
from honest_lift.desk.session import Session, empty_book
from honest_lift.desk.theme import THEMES, style_sheet
from honest_lift.facts.edits import Fit, MoveReading, NoteReading, StrikeOut, fit_springs, fitment
from honest_lift.facts.file import ENDING, FileError
from honest_lift.facts.fitments import CHANGEABLE
from honest_lift.facts.place import Place, at_position, of_spring, position_title


class Window(QMainWindow):
    """One engine in one window. Every change goes through the session."""

    def __init__(self, session: Session, settings: QSettings | None = None) -> None:
        super().__init__()
        self.session, self.settings = session, settings
        self.theme_name, self.zoom = "light", 1.0
        self._painted = False
        self._actions: dict[str, QAction] = {}
        self.setWindowTitle("Honest Lift")
        self.setAcceptDrops(True)
        self._build()
        self._make_actions()
        self._restore()
        for signal in (session.changed, session.moved):
            signal.connect(self._follow)
        self._follow()

    # --- building ---

    def _build(self) -> None:
        session = self.session
        self.strip, self.route, self.ladder, self.bar = (
            HeadStrip(session),
            Route(session),
            Ladder(session),
            ReadingBar(session),
        )
        self.heights = HeightsSheet(session)
        self.heights.typed.connect(self.bar.type_into)
        self.sheets = {"heights": self.heights}
        self.stack = QStackedWidget()
        self.stack.addWidget(self.heights)
        middle = QHBoxLayout()
        middle.setSpacing(0)
        middle.addWidget(self.route)
        middle.addWidget(self.stack, 1)
        middle.addWidget(self.ladder)
        column = QVBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.strip)
        column.addLayout(middle, 1)
        column.addWidget(self.bar)
        body = QWidget()
        body.setLayout(column)
        self.setCentralWidget(body)
        self.engine_name = QLabel()
        self.engine_name.setObjectName("engineName")
        self.menuBar().setCornerWidget(self.engine_name)
        self.resize(1280, 800)
        self.setMinimumSize(1024, 640)

    def _make_actions(self) -> None:
        menus = {}
        for row in ACTIONS:
            if row.menu not in menus:
                menus[row.menu] = self.menuBar().addMenu(self.tr(row.menu))
            if row.rule:
                menus[row.menu].addSeparator()
            action = QAction(self.tr(row.title), self)
            if row.key:
                action.setShortcut(QKeySequence(row.key))
            action.setCheckable(row.id in CHECKABLE)
            action.triggered.connect(lambda _=False, method=row.method: getattr(self, method)())
            menus[row.menu].addAction(action)
            self._actions[row.id] = action

    def _sheet(self, step: str) -> QWidget:
        """Give a step's sheet, made when it is first opened: the first window waits for none it does not show."""
        if step not in self.sheets:
            if step == "springs":
                from honest_lift.desk.springs.sheet import SpringsSheet

                sheet = SpringsSheet(self.session)
                sheet.typed.connect(self.bar.type_into)
                sheet.asked.connect(self.bar.choose)
                self.bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(self.bar.task))
            else:
                from honest_lift.desk.engine.sheet import EngineSheet

                sheet = EngineSheet(self.session)
            self.sheets[step] = sheet
            self.stack.addWidget(sheet)
            sheet.dress(THEMES[self.theme_name], self.zoom)
        return self.sheets[step]

    def dress(self, theme_name: str, zoom: float) -> None:
        """Put the window into a theme at a zoom."""
        self.theme_name, self.zoom = theme_name, zoom
        theme = THEMES[theme_name]
        self.setStyleSheet(style_sheet(theme, zoom))
        for part in (self.strip, self.route, self.ladder, *self.sheets.values()):
            part.dress(theme, zoom)
        self.bar.dress(zoom)
        self._actions["theme"].setChecked(theme_name == "dark")

    def _follow(self) -> None:
        session = self.session
        sheet = self._sheet(session.step)
        if self.stack.currentWidget() is not sheet:
            self.stack.setCurrentWidget(sheet)
            if session.step != "engine":
                self.bar.entry.setFocus()
        self.ladder.setVisible(session.step != "engine")
        name = session.engine.name or self.tr("engine without a name")
        where = session.path.name if session.path else self.tr("not saved yet")
        self.engine_name.setText(f"{name} · {where}")
        self.setWindowTitle(f"{name}[*] – Honest Lift")
        self.setWindowModified(session.is_dirty)
        self._actions["undo"].setEnabled(bool(session.history.undo_sentence))
        self._actions["redo"].setEnabled(bool(session.history.redo_sentence))
        for name, verb, sentence in (
            ("undo", "&Undo", session.history.undo_sentence),
            ("redo", "Re&do", session.history.redo_sentence),
        ):
            self._actions[name].setText(self._told(verb, sentence))
        self._actions["restore"].setEnabled(session.path is not None)

    def _told(self, verb: str, sentence: str) -> str:
        return f"{self.tr(verb)}: {sentence.replace('&', '&&')}" if sentence else self.tr(verb)

    # --- the first paint, and after ---

    def paintEvent(self, event) -> None:
        super().paintEvent(event)
        if not self._painted:
            self._painted = True
            QTimer.singleShot(0, self._after_first_paint)

    def _after_first_paint(self) -> None:
        self.session.start_examining()
        gc.freeze()  # what the start has made stays; walking through it again and again would be felt while typing
        self._offer_recovery()
        self._name_what_was_set_aside()

    def closeEvent(self, event) -> None:
        if not self._may_leave():
            event.ignore()
            return
        self._remember()
        self.session.close()
        event.accept()

    def _restore(self) -> None:
        theme, zoom = "light", 1.0
        if self.settings:
            theme = str(self.settings.value("theme", "light"))
            theme = theme if theme in THEMES else "light"
            zoom = min(max(float(self.settings.value("zoom", 1.0)), 0.7), 2.5)
            if geometry := self.settings.value("geometry"):
                self.restoreGeometry(geometry)
        self.dress(theme, zoom)

    def _remember(self) -> None:
        if self.settings:
            self.settings.setValue("theme", self.theme_name)
            self.settings.setValue("zoom", self.zoom)
            self.settings.setValue("geometry", self.saveGeometry())
            self.settings.setValue("last", str(self.session.path or ""))

    # --- engine ---

    def _may_leave(self) -> bool:
        """Ask about unsaved changes; False to stay."""
        if not self.session.is_dirty:
            return True
        answer = questions.save_first(self)
        return answer == "drop" or (answer == "save" and self.save_engine())

    def new_engine(self) -> None:
        """Start an engine from nothing."""
        if self._may_leave():
            self.session.take(empty_book(), None)
            self.session.open_step("engine")

    def open_engine(self) -> None:
        """Ask for a file and open it."""
        if not self._may_leave():
            return
        folder = self.session.path.parent if self.session.path else Path.home()
        if path := questions.file_to_open(self, folder):
            self.open_path(path)

    def open_path(self, path: Path) -> None:
        """Open a file; what is wrong with it is said."""
        try:
            self.session.open(path)
        except FileError as error:
            questions.tell(self, self.tr("This file can't be opened"), str(error))
            return
        self._offer_recovery()
        self._name_what_was_set_aside()

    def open_demo(self) -> None:
        """Open the demonstration engine."""
        if self._may_leave():
            from honest_lift.demo.engine import demo_book
            from honest_lift.facts.edits import new_id

            self.session.take(demo_book(new_id()), None)

    def save_engine(self) -> bool:
        """Save to the engine's file; ask for one when it has none. Tells whether it was saved."""
        return self._save(self.session.path) if self.session.path else self.save_engine_as()

    def save_engine_as(self) -> bool:
        """Ask for a file and save to it."""
        name = "".join(c if c.isalnum() or c in "-_ ." else "-" for c in self.session.engine.name).strip() or "engine"
        folder = self.session.path.parent if self.session.path else Path.home()
        path = questions.file_to_save(self, folder / (name + ENDING))
        return self._save(path) if path else False

    def _save(self, path: Path) -> bool:
        try:
            self.session.save(path)
        except FileError as error:
            questions.tell(self, self.tr("Not saved"), str(error))
            return False
        self.session.told.emit(self.tr("Saved: {0}").format(path.name))
        return True

    def restore_backup(self) -> None:
        """Put the state before the last save on the desk."""
        if not self._may_leave():
            return
        try:
            self.session.restore_backup()
        except FileError as error:
            questions.tell(self, self.tr("No backup"), str(error))
            return
        self.session.told.emit(
            self.tr("The backup is on the desk, not saved yet: saving puts it in place of the file.")
        )

    def _offer_recovery(self) -> None:
        entries, torn = self.session.recovered()
        if not entries:
            return
        damaged = self.tr(" {0} more lines could not be read.").format(torn) if torn else ""
        question = self.tr(
            "{0} entries were confirmed for this engine and never saved with it.{1} Take them in?"
        ).format(len(entries), damaged)
        if questions.ask(self, self.tr("Readings to recover"), question, self.tr("Take them in")):
            self.session.recover(entries)

    def _name_what_was_set_aside(self) -> None:
        aside = self.session.book.set_aside
        if aside:
            lines = [f"{one.place}, {one.field}: {one.given} ({one.why})" for one in aside[:12]]
            more = [self.tr("and {0} more").format(len(aside) - 12)] if len(aside) > 12 else []
            words = self.tr("These values make no sense and are set aside; the rest of the file is open:")
            questions.tell(self, self.tr("Set aside"), "\n".join([words, "", *lines, *more]))

    def dragEnterEvent(self, event) -> None:
        if any(url.isLocalFile() for url in event.mimeData().urls()):
            event.acceptProposedAction()

    def dropEvent(self, event) -> None:
        path = next((Path(url.toLocalFile()) for url in event.mimeData().urls() if url.isLocalFile()), None)
        if path and self._may_leave():
            self.open_path(path)

    # --- measure ---

    def undo(self) -> None:
        """Take the last edit back."""
        self.session.undo()

    def redo(self) -> None:
        """Bring it back."""
        self.session.redo()

    def readings_here(self) -> None:
        """Show every reading of the current quantity and place."""
        from honest_lift.desk.readings_here import ReadingsHere

        task, place = self.bar.task, self.bar.place
        if task and place:
            ReadingsHere(self, self.session, task.quantity, place, task.at).exec()

    def _reading(self, given=None):
        """Give a reading to act on: the one given, else the last that counts in the reading bar's place."""
        standing = given or next(iter(reversed(self.bar._standing())), None)
        if standing is None:
            self.session.warned.emit(self.tr("There is no reading here."))
        return standing

    def move_reading(self, given=None) -> None:
        """Move a reading typed at the wrong place."""
        standing = self._reading(given)
        if standing is None:
            return
        places = self._places_like(standing.place)
        titles = [place.title for place in places]
        question = self.tr("{0} belongs to").format(standing.reading.text)
        answer = questions.choose(self, self.tr("Move the reading"), question, titles)
        if answer:
            self.session.do(MoveReading(standing.reading.id, places[titles.index(answer)]))

    def _places_like(self, place: Place) -> list[Place]:
        if place.kind == "spring":
            return [of_spring(one.id, place.member) for one in self.session.engine.springs if one.id != place.name]
        return [at_position(one.id) for one in self.session.engine.layout.positions if one.id != place.name]

    def note_reading(self, given=None) -> None:
        """Put a note on a reading."""
        standing = self._reading(given)
        if standing:
            note = questions.words(
                self, self.tr("Note"), self.tr("Note on {0}:").format(standing.reading.text), standing.note
            )
            if note is not None:
                self.session.do(NoteReading(standing.reading.id, note))

    def strike_reading(self, given=None) -> None:
        """Strike a reading out, with the reason."""
        standing = self._reading(given)
        if standing:
            why = questions.words(
                self, self.tr("Strike out"), self.tr("Why does {0} not count?").format(standing.reading.text)
            )
            if why is not None:
                self.session.do(StrikeOut(standing.reading.id, why or "struck out"))

    def swap_springs(self) -> None:
        """Exchange the current valve's spring with another one's."""
        engine, here = self.session.engine, self.session.position
        others = [p.id for p in engine.layout.positions if p.id != here and engine.spring_at(p.id)]
        if not here or not engine.spring_at(here) or not others:
            self.session.warned.emit(self.tr("Two valves with a spring each are needed to exchange springs."))
            return
        titles = [self.tr("{0}, spring {1}").format(position_title(one), engine.spring_at(one)) for one in others]
        question = self.tr("Spring {0} of {1} changes places with").format(engine.spring_at(here), position_title(here))
        answer = questions.choose(self, self.tr("Exchange springs"), question, titles)
        if answer:
            other = others[titles.index(answer)]
            places = {here: engine.spring_at(other), other: engine.spring_at(here)}
            self.session.do(
                fit_springs(engine, places, f"springs of {position_title(here)} and {position_title(other)} exchanged")
            )

    def fit_set(self) -> None:
        """Fit a whole set in head order."""
        from honest_lift.desk.engine.springs_page import fit_set

        sets = self.session.engine.sets
        if not sets:
            self.session.warned.emit(
                self.tr("There is no set of springs yet: add one under Engine and parts, Springs.")
            )
            return
        names = [one.name for one in sets]
        answer = questions.choose(
            self, self.tr("Fit a set"), self.tr("Set to fit, in head order"), names, len(names) - 1
        )
        if answer:
            fit_set(self.session, sets[names.index(answer)])

    def record_change(self) -> None:
        """Write down that something was changed at the current valve; what depended on it goes stale."""
        here = self.session.position
        if not here:
            return
        titles = list(CHANGEABLE.values())
        answer = questions.choose(
            self, self.tr("Changed at {0}").format(position_title(here)), self.tr("What was changed?"), titles
        )
        if not answer:
            return
        slot = next(key for key, title in CHANGEABLE.items() if title == answer)
        note = questions.words(
            self, self.tr("Changed"), self.tr("In a few words, for the reading that goes stale:"), answer
        )
        if note is not None:
            one = fitment(self.session.engine, slot, here, note=note)
            self.session.do(Fit((one,), f"{answer} at {position_title(here)}"))

    # --- view ---

    def show_engine(self) -> None:
        """Open engine and parts."""
        self.session.open_step("engine")

    def show_springs(self) -> None:
        """Open the spring bench."""
        self.session.open_step("springs")

    def show_heights(self) -> None:
        """Open springs and heights."""
        self.session.open_step("heights")

    def previous_valve(self) -> None:
        """Walk back."""
        self.session.walk(-1)

    def next_valve(self) -> None:
        """Walk on."""
        self.session.walk(1)

    def toggle_whole(self) -> None:
        """Show the verdict of the step, or of the whole valve, on the heads."""
        self.session.verdict_of_step = not self._actions["whole"].isChecked()
        self.strip.refresh()

    def toggle_theme(self) -> None:
        """Light or dark."""
        self.dress("dark" if self.theme_name == "light" else "light", self.zoom)

    def larger(self) -> None:
        """Zoom in."""
        self.dress(self.theme_name, min(self.zoom * 1.1, 2.5))

    def smaller(self) -> None:
        """Zoom out."""
        self.dress(self.theme_name, max(self.zoom / 1.1, 0.7))

    # --- help ---

    def show_keys(self) -> None:
        """Show the keys, as they are."""
        rows = [(row.key, row.title.replace("&", "").rstrip("…")) for row in ACTIONS if row.key]
        rows += [
            ("Enter", "take the reading and step on"),
            ("Shift+Enter", "take it as a repeat of what stands"),
            ("Up, Down", "another valve or spring"),
        ]
        table = "".join(f"<tr><td><b>{key}</b>&nbsp;&nbsp;</td><td>{title}</td></tr>" for key, title in rows)
        questions.tell(self, self.tr("Keys"), f"<table>{table}</table>")

    def show_cautions(self) -> None:
        """Show the cautions whole."""
        from honest_lift.facts.cautions import CAUTIONS

        questions.tell(self, self.tr("Cautions"), "\n\n".join(CAUTIONS))

    def show_about(self) -> None:
        """Say what this is."""
        words = self.tr(
            "Honest Lift {0}. Free software under the GNU General Public License, version 3 or later. It proves nothing that was not measured."
        )
        questions.tell(self, self.tr("About"), words.format(__version__))


def application() -> QApplication:
    """Give the application, made once."""
    existing = QApplication.instance()
    if isinstance(existing, QApplication):
        return existing
    QApplication.setAttribute(Qt.ApplicationAttribute.AA_DontShowIconsInMenus)
    app = QApplication(["honest-lift"])
    app.setApplicationName("honest-lift")
    app.setDesktopFileName("honest-lift")
    return app
