"""The window: head strip on top, route on the left, the open sheet, the ladder on the right, the reading bar below."""

from __future__ import annotations

import gc
from pathlib import Path

from PyQt6.QtCore import QSettings, QSize, Qt, QTimer
from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QApplication, QHBoxLayout, QMainWindow, QMenu, QStackedWidget, QStyle, QVBoxLayout, QWidget

from honest_lift.desk.actions import ACTIONS, CHECKABLE
from honest_lift.desk.bar_hint import fold_bar
from honest_lift.desk.disk_notice import DiskNotice
from honest_lift.desk.door import Door
from honest_lift.desk.files import Files
from honest_lift.desk.head_strip import HeadStrip
from honest_lift.desk.help import Help
from honest_lift.desk.label import Label
from honest_lift.desk.ladder import Ladder
from honest_lift.desk.landing import land
from honest_lift.desk.measure import Measure
from honest_lift.desk.mnemonics import give_mnemonics
from honest_lift.desk.next_list import NextList
from honest_lift.desk.reading_bar import ReadingBar
from honest_lift.desk.recent import Recent
from honest_lift.desk.route import Route
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import FIRST, STEPS
from honest_lift.desk.theme import THEMES, style_sheet, theme_of_system
from honest_lift.desk.tones import Tones
from honest_lift.desk.typed_anywhere import TypedAnywhere
from honest_lift.facts.journal_file import named

FINDING = "finding"  # the sheet of one finding, which is no step


_ENGINE = "&Engine"
_NARROW = 1200  # unzoomed pixels


class Window(QMainWindow):
    """One engine in one window. Every change goes through the session."""

    def __init__(self, session: Session, settings: QSettings | None = None) -> None:
        super().__init__()
        self.session, self.settings = session, settings
        self.theme_name, self.zoom = "light", 1.0
        self._painted = self.offers_left_behind = self._theme_chosen = False
        self._actions: dict[str, QAction] = {}
        self.setWindowTitle("Honest Lift")
        self.setAcceptDrops(True)
        self._build()
        self.files, self.measure = Files(self, session), Measure(self, session, self.bar)
        self.help, self.recent, self.door = Help(self, session), Recent(settings), Door(self)
        self.door.knocked.connect(self.come_forward)
        self.tones = Tones(session, self.bar)
        session.demo_asked.connect(self.files.open_demo)
        self._make_actions()
        self._restore()
        QApplication.styleHints().colorSchemeChanged.connect(self._take_system_theme)
        for signal in (session.changed, session.moved):
            signal.connect(self._follow)
        self._follow()
        self.keys = TypedAnywhere(self)
        if self.bar.isVisibleTo(self):
            self.bar.entry.setFocus()

    # --- building ---

    def _build(self) -> None:
        session = self.session
        self.strip, self.route, self.ladder, self.bar = (
            HeadStrip(session),
            Route(session),
            Ladder(session),
            ReadingBar(session),
        )
        self.next, self.notice = NextList(session), DiskNotice(session)
        self.ladder.opened.connect(session.look_into)
        self.strip.opened.connect(self.open_finding)
        session.page_asked.connect(self._show_page)
        session.page_turned.connect(self._turn_page)
        session.open_page = lambda: getattr(self._sheet(session.step), "page_name", "")
        session.to_try.connect(lambda changes: self._sheet("trial").one_page.show_changes(changes))
        self.heights = STEPS[FIRST].make(session, self.bar)
        self.sheets: dict[str, QWidget] = {FIRST: self.heights}
        self.stack = QStackedWidget()
        self.stack.addWidget(self.heights)
        give_mnemonics(self.heights)
        middle = QHBoxLayout()
        middle.setSpacing(0)
        left = QVBoxLayout()
        left.setSpacing(0)
        left.addWidget(self.route, 1)
        left.addWidget(self.next)
        middle.addLayout(left)
        middle.addWidget(self.stack, 1)
        middle.addWidget(self.ladder)
        column = QVBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self.strip)
        column.addWidget(self.notice)
        column.addLayout(middle, 1)
        column.addWidget(self.bar)
        body = QWidget()
        body.setLayout(column)
        self.setCentralWidget(body)
        self.engine_name = Label()
        self.engine_name.setObjectName("engineName")
        self.menuBar().setCornerWidget(self.engine_name)
        self.resize(1280, 800)
        self.setMinimumSize(1024, 640)

    def keyPressEvent(self, event) -> None:
        if not self.keys.take(event):
            super().keyPressEvent(event)

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self._fold_side()

    def _fold_side(self) -> None:
        """Let the middle breathe in a narrow window: the route shows its steps by their keys alone, and F2 stands for its list."""
        narrow = self.width() < _NARROW * self.zoom
        self.route.fold(narrow)
        self.next.setVisible(not narrow)
        fold_bar(self.bar, self.zoom, narrow=narrow)

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
            action.triggered.connect(lambda _=False, does=row.does: does(self))
            menus[row.menu].addAction(action)
            self._actions[row.id] = action
        recent = QMenu(self.tr("Open re&cent"), self)
        recent.aboutToShow.connect(lambda: self.recent.fill(recent, self.files.open_recent))
        shown = menus[_ENGINE].actions()
        menus[_ENGINE].insertMenu(shown[shown.index(self._actions["open"]) + 1], recent)

    def _sheet(self, step: str) -> QWidget:
        """Give a step's sheet, made when it is first opened: the first window waits for none it does not show."""
        if step not in self.sheets:
            make = _make_finding if step == FINDING else STEPS[step].make
            self.sheets[step] = make(self.session, self.bar)
            self.stack.addWidget(self.sheets[step])
            self.sheets[step].dress(THEMES[self.theme_name], self.zoom)
            if step != FINDING:  # its offers are sentences that change with every finding
                give_mnemonics(self.sheets[step])
        return self.sheets[step]

    def dress(self, theme_name: str, zoom: float) -> None:
        """Put the window into a theme at a zoom."""
        self.theme_name, self.zoom = theme_name, zoom
        theme = THEMES[theme_name]
        self.setStyleSheet(style_sheet(theme, zoom))
        for part in (self.strip, self.route, self.next, self.ladder, self.bar, *self.sheets.values()):
            part.dress(theme, zoom)
        self._fold_side()
        self._actions["theme"].setChecked(theme_name == "dark")

    def _follow(self) -> None:
        session = self.session
        sheet = self._sheet(FINDING if session.check else session.step)
        if self.stack.currentWidget() is not sheet:
            self.stack.setCurrentWidget(sheet)
            if STEPS[session.step].has_bar:
                self.bar.entry.setFocus()
        self.ladder.setVisible(STEPS[session.step].has_bar)
        name = session.engine.name or self.tr("engine without a name")
        where = session.path.name if session.path else self.tr("not saved yet")
        where += self.tr(", for reading only") if session.held_by else ""
        words = f"{name} · {session.engine.job.title} · {where}"
        if words != self.engine_name.text():
            self.engine_name.setText(words)
            self.menuBar().setCornerWidget(self.engine_name)  # or the menu bar keeps the room of the old words
        self.setWindowTitle(f"{name}[*] – Honest Lift")
        self.setWindowModified(session.is_dirty)
        self.remember_engine()
        self._actions["undo"].setEnabled(bool(session.history.undo_sentence))
        self._actions["redo"].setEnabled(bool(session.history.redo_sentence))
        for name, verb, sentence in (
            ("undo", "&Undo", session.history.undo_sentence),
            ("redo", "Re&do", session.history.redo_sentence),
        ):
            self._actions[name].setText(self._told(verb, sentence))
        self._actions["restore"].setEnabled(session.path is not None)
        self._actions["back"].setEnabled(bool(session.check))

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
        gc.enable()
        gc.freeze()  # what the start has made stays; walking through it again and again would be felt while typing
        self.session.lines.begin()
        self.remember_engine()
        self.files.say_who_has_it()
        self.files.offer_recovery()
        if self.offers_left_behind:
            self.files.offer_left_behind()
        self.files.name_what_was_set_aside()

    def closeEvent(self, event) -> None:
        if not self.files.may_leave():
            event.ignore()
            return
        self._remember()
        self.tones.close()
        self.session.close()
        event.accept()

    def end_in_order(self) -> None:
        """Keep everything as it stands, ask nothing, and let go: what is not saved is offered at the next start."""
        self._remember()
        if self.settings:
            self.settings.sync()
        self.session.keeper.leaves_behind = False
        self.session.close()

    def _restore(self) -> None:
        theme, zoom = theme_of_system(), 1.0
        if self.settings:
            chosen = str(self.settings.value("theme", ""))
            self._theme_chosen = chosen in THEMES
            theme = chosen if self._theme_chosen else theme
            zoom = min(max(float(self.settings.value("zoom", 1.0)), 0.7), 2.5)
            if geometry := self.settings.value("geometry"):
                self.restoreGeometry(geometry)
            self._set_sound(self.settings.value("sound", "off") == "on")
        self.dress(theme, zoom)
        self._fit_into_screen()

    def _fit_into_screen(self) -> None:
        """Open inside the screen's free room, title bar and all, however small it is."""
        screen = self.screen()
        if screen is None or QApplication.platformName() == "offscreen":  # where nobody looks
            return
        room = screen.availableGeometry()
        title_bar = self.style().pixelMetric(QStyle.PixelMetric.PM_TitleBarHeight)
        most = QSize(room.width(), room.height() - title_bar)
        self.setMinimumSize(self.minimumSize().boundedTo(most))
        self.resize(self.size().boundedTo(most))
        if self.size() == most:
            self.move(room.topLeft())

    def remember_engine(self) -> None:
        """Remember which file is open, so that a start after whatever ends this one opens it again."""
        if self.settings and str(self.settings.value("last", "") or "") != (now := named(self.session.path)):
            self.settings.setValue("last", now)
            self.recent.remember(self.session.path)
        if self.settings and self._painted:
            self.door.stand_at(self.session.path)

    def come_forward(self) -> None:
        """Come to the front: somebody started the program with the file that is open here."""
        self.setWindowState(self.windowState() & ~Qt.WindowState.WindowMinimized)
        self.raise_()
        self.activateWindow()

    def _remember(self) -> None:
        if self.settings:
            self.settings.setValue("theme", self.theme_name if self._theme_chosen else "")
            self.settings.setValue("zoom", self.zoom)
            self.settings.setValue("sound", "on" if self.tones.is_on else "off")
            self.settings.setValue("geometry", self.saveGeometry())
        self.remember_engine()

    def dragEnterEvent(self, event) -> None:
        if any(url.isLocalFile() for url in event.mimeData().urls()):
            event.acceptProposedAction()

    def dropEvent(self, event) -> None:
        path = next((Path(url.toLocalFile()) for url in event.mimeData().urls() if url.isLocalFile()), None)
        if path and self.files.may_leave():
            self.files.open_path(path)

    def save_page(self) -> None:
        """Save a table or drawing of the open page."""
        from honest_lift.desk.page_out import save_page

        save_page(self, self.session, self.stack.currentWidget())

    # --- undo, view ---

    def undo(self) -> None:
        """Take the last edit back."""
        self.session.undo()

    def redo(self) -> None:
        """Bring it back."""
        self.session.redo()

    def _show_page(self, page: str, about: str) -> None:
        sheet = self._sheet(self.session.step)
        sheet.open_page(page)
        land(sheet.pages[page], about)

    def _turn_page(self, page: str) -> None:
        sheet = self._sheet(self.session.step)
        if page in getattr(sheet, "page_names", ()):
            sheet.open_page(page)

    def measure_next(self) -> None:
        """Start what the plan has first."""
        self.next.start()

    def open_finding(self) -> None:
        """Open the whole finding of the chosen rung; once more goes back."""
        chosen = self.ladder.rungs.chosen
        self.session.look_into("" if self.session.check or chosen is None else chosen.check.name)

    def show_what(self) -> None:
        """Say what is looked at: the check chosen on the ladder while the ladder has the focus, else what the bar measures."""
        from honest_lift.words.what_is import finding_card, quantity_card

        engine, chosen, task = self.session.engine, self.ladder.rungs.chosen, self.bar.task
        asks = self.ladder.rungs.hasFocus() or self.session.check or not self.bar.isVisible()
        if chosen is not None and asks:
            self._card(finding_card(chosen, engine), chosen.inputs[0].quantity if chosen.inputs else "")
        elif task is not None:
            self._card(quantity_card(task.quantity, engine), task.quantity)

    def _card(self, words: str, quantity: str) -> None:
        from honest_lift.desk.what_card import WhatCard
        from honest_lift.drawings.measured.pictures import picture_of

        WhatCard(self, words, picture_of(quantity), THEMES[self.theme_name], self.zoom).exec()

    def close_finding(self) -> None:
        """Go back to the sheet."""
        if self.session.check:
            self.session.look_into("")

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
        """Light or dark, whatever the system has."""
        self._theme_chosen = True
        self.dress("dark" if self.theme_name == "light" else "light", self.zoom)

    def follow_system(self) -> None:
        """Take the system's light or dark, now and whenever it changes."""
        self._theme_chosen = False
        self._take_system_theme()

    def _take_system_theme(self) -> None:
        if not self._theme_chosen and self.theme_name != theme_of_system():
            self.dress(theme_of_system(), self.zoom)

    def toggle_sound(self) -> None:
        """Let readings be heard, or not."""
        self._set_sound(not self.tones.is_on)
        self.session.told.emit(self.tones.words)

    def _set_sound(self, on: bool) -> None:
        self.tones.switch(on=on)
        self._actions["sound"].setChecked(on)

    def larger(self) -> None:
        """Zoom in."""
        self.dress(self.theme_name, min(self.zoom * 1.1, 2.5))

    def smaller(self) -> None:
        """Zoom out."""
        self.dress(self.theme_name, max(self.zoom / 1.1, 0.7))


def _make_finding(session: Session, _bar: ReadingBar) -> QWidget:
    from honest_lift.desk.finding.sheet import FindingSheet

    return FindingSheet(session)
