"""The application: made once in a process and kept, for Qt does not bear a second one after the first has gone."""

from __future__ import annotations

from importlib.resources import files

from PyQt6.QtGui import QIcon
from PyQt6.QtWidgets import QApplication

_KEPT: list[QApplication] = []


def application() -> QApplication:
    """Give the application, made once; it lives until the process ends, or whoever ends it lets go of it."""
    existing = QApplication.instance()
    if isinstance(existing, QApplication):
        return existing
    app = QApplication(["honest-lift"])
    app.setApplicationName("honest-lift")
    app.setDesktopFileName("honest-lift")
    app.setWindowIcon(QIcon(str(files("honest_lift.desktop").joinpath("icons", "honest-lift.svg"))))
    _KEPT.append(app)
    return app


def let_go(app: QApplication) -> None:
    """Let an application that was made here end with its last window, in order, before Python itself does."""
    if app in _KEPT:
        _KEPT.remove(app)
