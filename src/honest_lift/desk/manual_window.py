"""The manual in a window of its own: its pages by name, a search through all of them, and the page of what one is at."""

from __future__ import annotations

import re
from importlib.resources import files
from pathlib import Path
from typing import Any

from PyQt6.QtCore import Qt, QUrl
from PyQt6.QtGui import QColor, QPalette
from PyQt6.QtWidgets import (
    QApplication,
    QHBoxLayout,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QTextBrowser,
    QVBoxLayout,
    QWidget,
)

from honest_lift.desk.theme import LIGHT, Theme

FIXED_KEYS = (  # of the bar, the grids, the drawings and charts, which no menu holds
    ("Enter", "take the reading and step on"),
    ("Shift+Enter, *", "take it as a repeat of what is there"),
    ("Up, Down", "another valve or spring"),
    ("Ctrl+C, Ctrl+V", "in a grid: copy it whole, paste a column"),
    ("Left, Right", "on a chart: walk the cursor; with Shift by ten"),
    ("+, -, Home", "on a chart: nearer, farther, all of it"),
    ("Enter", "on a chart: go to the reading of a point"),
    ("S", "on a chart: save it as SVG, PNG or CSV"),
    ("Esc", "leave a dialog, a finding, an entry"),
)
_COMMENT = re.compile(r"<!--.*?-->\n?", re.DOTALL)
_FIRST = "index"
_MARGIN = 20.0
_ORDER = (
    *("index", "demonstrations", "verdicts"),
    *(
        "engine",
        "head",
        "springs",
        "heights",
        "shims",
        "cam",
        "rocker",
        "turn",
        "squeeze",
        "speed",
        "match",
        "trial",
        "book",
        "readings",
    ),
    *("bench", "papers", "cannot-know", "glossary", "keys"),
)


def manual_folder() -> Path:
    """Give where the pages are."""
    return Path(str(files("honest_lift.manual").joinpath("index.md"))).parent


class Pages(QTextBrowser):
    """Shows pages of the manual; marks that only the writer of a page needs are left out."""

    def loadResource(self, kind: int, name: QUrl) -> Any:
        if name.path().endswith(".md"):
            return _COMMENT.sub("", Path(name.toLocalFile()).read_text(encoding="utf-8"))
        return super().loadResource(kind, name)


class ManualWindow(QWidget):
    """A window beside the engine's: it can stay open while one measures."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent, Qt.WindowType.Window)
        self.setObjectName("sheet")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setWindowTitle(self.tr("Manual"))
        self.search, self.list, self.page = QLineEdit(), QListWidget(), Pages()
        self.search.setPlaceholderText(self.tr("search all pages"))
        self.search.setAccessibleName(self.tr("Search all pages"))
        self.search.setClearButtonEnabled(True)
        self.list.setAccessibleName(self.tr("Pages of the manual"))
        self.page.setAccessibleName(self.tr("The page"))
        self.page.setOpenExternalLinks(False)
        self.page.document().setDocumentMargin(_MARGIN)
        self.list.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self._texts = {name: (manual_folder() / f"{name}.md").read_text(encoding="utf-8") for name in _ORDER}
        side, row = QVBoxLayout(), QHBoxLayout(self)
        side.addWidget(self.search)
        side.addWidget(self.list)
        row.addLayout(side, 2)
        row.addWidget(self.page, 5)
        self.search.textChanged.connect(self._list)
        self.search.returnPressed.connect(self._find_next)
        self.list.currentItemChanged.connect(lambda item, _: self._show(item))
        self.page.sourceChanged.connect(self._follow)
        self.resize(980, 720)
        self._list("")

    def open_page(self, name: str, heading: str = "") -> None:
        """Show a page, from a heading on where it has one."""
        self.search.clear()
        self._to(name if name in self._texts else _FIRST)
        if heading:
            self._to_heading(heading)

    def dress(self, theme: Theme) -> None:
        """Take a theme: links are written in what can be read on its paper."""
        palette = QApplication.palette()
        palette.setColor(QPalette.ColorRole.Link, QColor(theme.blue2 if theme is LIGHT else theme.faint))
        QApplication.setPalette(palette)
        self.page.reload()

    def _to_heading(self, heading: str) -> None:
        """Scroll so that a heading stands near the top."""
        block = self.page.document().begin()
        while block.isValid() and not (block.blockFormat().headingLevel() and block.text() == heading):
            block = block.next()
        if block.isValid():
            top = self.page.document().documentLayout().blockBoundingRect(block).top()
            self.page.verticalScrollBar().setValue(round(top - _MARGIN))

    def _list(self, words: str) -> None:
        """List the pages that hold some words, all without any."""
        self.list.blockSignals(True)
        self.list.clear()
        for name, text in self._texts.items():
            if words.lower() in _COMMENT.sub("", text).lower():
                item = QListWidgetItem(text.partition("\n")[0].lstrip("# "))
                item.setData(Qt.ItemDataRole.UserRole, name)
                self.list.addItem(item)
        self.list.blockSignals(False)
        if not self.list.count():
            self.list.addItem(self.tr("no page holds that"))

    def _find_next(self) -> None:
        words = self.search.text()
        if words and not self.page.find(words):
            row = (self.list.currentRow() + 1) % max(self.list.count(), 1)
            self.list.setCurrentRow(row)
            self.page.find(words)

    def _show(self, item: QListWidgetItem | None) -> None:
        if item is not None and (name := item.data(Qt.ItemDataRole.UserRole)):
            self._to(name)

    def _to(self, name: str) -> None:
        self.page.setSource(QUrl.fromLocalFile(str(manual_folder() / f"{name}.md")))

    def _follow(self, url: QUrl) -> None:
        """Mark the page that is shown, wherever one came from."""
        shown = Path(url.path()).stem
        for row in range(self.list.count()):
            if self.list.item(row).data(Qt.ItemDataRole.UserRole) == shown:
                self.list.blockSignals(True)
                self.list.setCurrentRow(row)
                self.list.blockSignals(False)
