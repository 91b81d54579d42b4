"""A row of widgets that goes on in the next line where there is no more room, so that no button is ever cut."""

from __future__ import annotations

from PyQt6.QtCore import QPoint, QRect, QSize, Qt
from PyQt6.QtWidgets import QLayout, QLayoutItem, QWidget


class Flow(QLayout):
    """Lays widgets from the left at the size they ask for, line under line."""

    def __init__(self, *widgets: QWidget, gap: int = 8) -> None:
        super().__init__()
        self._items: list[QLayoutItem] = []
        self.setContentsMargins(0, 0, 0, 0)
        self.setSpacing(gap)
        for widget in widgets:
            self.addWidget(widget)

    def addItem(self, item: QLayoutItem) -> None:
        self._items.append(item)

    def count(self) -> int:
        return len(self._items)

    def itemAt(self, index: int) -> QLayoutItem | None:
        return self._items[index] if 0 <= index < len(self._items) else None

    def takeAt(self, index: int) -> QLayoutItem | None:
        return self._items.pop(index) if 0 <= index < len(self._items) else None

    def expandingDirections(self) -> Qt.Orientation:
        return Qt.Orientation(0)  # it takes no more room than it asks for

    def hasHeightForWidth(self) -> bool:
        return True

    def heightForWidth(self, width: int) -> int:
        return self._lay_out(QRect(0, 0, width, 0), move=False)

    def setGeometry(self, area: QRect) -> None:
        super().setGeometry(area)
        self._lay_out(area, move=True)

    def sizeHint(self) -> QSize:
        """Give the size in one line."""
        shown = [one.sizeHint() for one in self._items if not one.isEmpty()]
        wide = sum(one.width() for one in shown) + self.spacing() * max(len(shown) - 1, 0)
        return QSize(wide, max((one.height() for one in shown), default=0))

    def minimumSize(self) -> QSize:
        """Give the size of the largest widget."""
        least = QSize()
        for one in self._items:
            least = least.expandedTo(one.minimumSize())
        return least

    def _lay_out(self, area: QRect, *, move: bool) -> int:
        """Place what is shown and give the height it takes; each line is as high as its highest."""
        x, y, line = area.x(), area.y(), list[tuple[QLayoutItem, int]]()

        def close() -> int:
            high = max((one.sizeHint().height() for one, _ in line), default=0)
            for one, at in line if move else ():
                size = one.sizeHint()
                wide = min(size.width(), area.width())
                one.setGeometry(QRect(QPoint(at, y + (high - size.height()) // 2), QSize(wide, size.height())))
            return high

        for one in self._items:
            if one.isEmpty():
                continue
            wide = one.sizeHint().width()
            if line and x + wide > area.right() + 1:
                y += close() + self.spacing()
                x, line = area.x(), []
            line.append((one, x))
            x += wide + self.spacing()
        return y + close() - area.y()
