"""Where the fields of the reading bar stand: what and where, by which way and tool, the entry, and the words beside it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QVBoxLayout, QWidget

from honest_lift.desk.label import Label

if TYPE_CHECKING:
    from honest_lift.desk.reading_bar import ReadingBar


def lay_out(bar: ReadingBar) -> None:
    """Lay the fields of the bar side by side, the entry widest."""
    place, words = QVBoxLayout(), QVBoxLayout()
    place.addWidget(bar.what)
    place.addWidget(bar.where)
    below = QHBoxLayout()
    below.addWidget(bar.hint, 1)
    below.addWidget(bar.then)
    words.addWidget(bar.understood, 1)
    words.addLayout(below)
    row = QHBoxLayout(bar)
    row.setContentsMargins(14, 6, 14, 6)
    row.setSpacing(14)
    row.addLayout(place, 10)
    row.addLayout(_way_and_tool(bar), 20)
    bar.beside = QWidget()
    beside = QVBoxLayout(bar.beside)
    beside.setContentsMargins(0, 0, 0, 0)
    beside.setSpacing(1)
    beside.addWidget(bar.also_label)
    beside.addWidget(bar.also)
    row.addWidget(bar.beside)
    row.addWidget(bar.entry, 10)
    row.addLayout(words, 26)


def _way_and_tool(bar: ReadingBar) -> QGridLayout:
    how = QGridLayout()
    for line, (name, box) in enumerate(((bar.tr("&way"), bar.way), (bar.tr("&tool"), bar.tool))):
        label = Label(name)
        label.setObjectName("barSmall")
        label.setBuddy(box)
        how.addWidget(label, line, 0)
        how.addWidget(box, line, 1)
    how.setColumnStretch(1, 1)
    return how
