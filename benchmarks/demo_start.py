"""The real program with the demonstration engine: says when its window was first painted, and when every figure was."""

import sys
import time

from PyQt6.QtCore import QEvent, QObject, QTimer

import honest_lift.desk.window as desk
from honest_lift.cli import main
from honest_lift.desk.application import application


def say(what):
    print(what, time.monotonic(), flush=True)


class Watch(QObject):
    """Watches the grid's paints: the first one after the checks have run carries every figure that needs no lobe."""

    def __init__(self, window):
        super().__init__(window)
        self.window = window
        window.heights.grid.viewport().installEventFilter(self)

    def eventFilter(self, watched, event):  # noqa: N802
        if event.type() == QEvent.Type.Paint and self.window.session.examination is not None:
            watched.removeEventFilter(self)
            QTimer.singleShot(0, self.painted)
        return False

    def painted(self):
        say("figures")
        lobes = self.window.session.lobes
        if lobes is None or not lobes.is_at_work:
            self.end()
        else:
            self.window.session.examined.connect(self.come)

    def come(self):
        if not self.window.session.lobes.is_at_work:
            self.window.session.examined.disconnect(self.come)
            QTimer.singleShot(0, self.shown)

    def shown(self):
        self.window.repaint()
        self.end()

    def end(self):
        say("every")
        self.window.closeEvent = lambda event: event.accept()
        session = self.window.session
        if session.lobes is not None:  # let it keep what it has solved
            while session.lobes.workers.is_at_work:
                application().processEvents()
        session.close()
        application().quit()


class Watched(desk.Window):
    """The program's own window; the event loop comes to `_after_first_paint` as soon as everything is painted."""

    def _after_first_paint(self):
        say("painted")
        Watch(self)
        super()._after_first_paint()


desk.Window = Watched

sys.exit(main(["--demo"]))
