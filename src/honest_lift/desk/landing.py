"""Where the cursor goes on a page that F2 opens: into the very cell that what is missing is typed into."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QScrollArea, QWidget

from honest_lift.desk.record_table import RecordTable

_VALUE = ("value", "measured, ")  # titles of columns a figure is typed into


def land(page: QWidget, about: str) -> None:
    """Put the cursor where something is typed: by the page's own `land`, by the line of its quantity, else at its first field."""
    own = getattr(page, "land", None)
    if (own is not None and own(about)) or land_on_line(page, about):
        return
    for widget in page.findChildren(QWidget):
        focusable = widget.focusPolicy() & Qt.FocusPolicy.TabFocus
        if focusable and widget.isVisibleTo(page) and widget.isEnabled() and not isinstance(widget, QScrollArea):
            widget.setFocus()
            return


def land_on_line(page: QWidget, quantity: str) -> bool:
    """Stand in the value of a quantity's line, in whichever table of a page has one; tell whether there was one."""
    for table in page.findChildren(RecordTable):
        column = next((i for i, one in enumerate(table.records.columns) if one.title.startswith(_VALUE)), None)
        row = next((i for i, one in enumerate(table.records.records) if getattr(one, "quantity", "") == quantity), None)
        if column is not None and row is not None and quantity:
            table.ready(row, column)
            return True
    return False
