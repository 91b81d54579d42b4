"""One window a file: whoever starts the program with a file that is open already brings its window to the front."""

from __future__ import annotations

import hashlib
import os
from pathlib import Path

from PyQt6.QtCore import QObject, pyqtSignal

_WAIT_MS = 500


class Door(QObject):
    """Where a window waits for a knock; it stands at the file the window has open."""

    knocked = pyqtSignal()

    def __init__(self, parent: QObject) -> None:
        super().__init__(parent)
        self._at: Path | None = None
        self._server: QObject | None = None

    def stand_at(self, path: Path | None) -> None:
        """Wait for a knock at a file, and at no other any more."""
        if path == self._at:
            return
        from PyQt6.QtNetwork import QLocalServer

        if self._server is not None:
            self._server.close()
        self._at, self._server = path, None
        if path is None or knock(path):  # another window stands there: it has the file
            return
        name = _name(path)
        QLocalServer.removeServer(name)  # left by a run that was killed
        server = QLocalServer(self)
        server.setSocketOptions(QLocalServer.SocketOption.UserAccessOption)
        server.newConnection.connect(self._open)
        if server.listen(name):
            self._server = server

    def _open(self) -> None:
        while (guest := self._server.nextPendingConnection()) is not None:
            guest.disconnected.connect(guest.deleteLater)
            guest.disconnectFromServer()
            self.knocked.emit()


def knock(path: Path | None) -> bool:
    """Knock at a file; tells whether a window stands there."""
    from PyQt6.QtNetwork import QLocalSocket

    if path is None:
        return False
    socket = QLocalSocket()
    socket.connectToServer(_name(path))
    came = socket.waitForConnected(_WAIT_MS)
    socket.abort()
    return came


def _name(path: Path) -> str:
    mark = hashlib.sha256(os.fsencode(os.path.realpath(path))).hexdigest()[:24]
    return f"honest-lift-{os.getuid()}-{mark}"
