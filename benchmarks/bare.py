"""A bare process that shows one empty Qt window and says when it was painted: what the others are measured against."""

import sys
import time

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QApplication, QWidget

app = QApplication(sys.argv)


class Empty(QWidget):
    def paintEvent(self, event):  # noqa: N802
        QTimer.singleShot(0, self.say)

    def say(self):
        print("painted", time.monotonic(), flush=True)
        app.quit()


window = Empty()
window.resize(1280, 800)
window.show()
app.exec()
