"""How a person types into a table of the desk."""

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QComboBox, QLineEdit

ENTER = Qt.Key.Key_Return


def type_in(qtbot, window, text):
    """Type into the bar's entry and take it."""
    qtbot.keyClicks(window.bar.entry, text)
    qtbot.keyClick(window.bar.entry, ENTER)


def choose(window, quantity, way=""):
    """Choose in the bar what is measured, and by which way."""
    window.bar.choose(next(task for task in window.bar._tasks if task.quantity == quantity))
    if way:
        window.bar.way.setCurrentIndex(window.bar.way.findData(way))
        window.bar._choose_way()


def put(qtbot, table, row, title, text):
    """Type into a cell as a person does: go there, type, Enter; or choose from its list."""
    titles = [one.title for one in table.records.columns]
    column = (
        titles.index(title) if title in titles else next(i for i, one in enumerate(titles) if one.startswith(title))
    )
    index = table.records.index(row, column)
    table.setCurrentIndex(index)
    table.edit(index)
    editor = table.indexWidget(index) or table.findChild(QComboBox) or table.viewport().findChild(QLineEdit)
    combo = table.viewport().findChild(QComboBox)
    if combo is not None:
        combo.setCurrentText(text)
        combo.activated.emit(combo.currentIndex())
    else:
        editor = table.viewport().findChild(QLineEdit)
        editor.clear()
        qtbot.keyClicks(editor, text)
        qtbot.keyClick(editor, ENTER)
    qtbot.waitUntil(
        lambda: table.viewport().findChild(QLineEdit) is None and table.viewport().findChild(QComboBox) is None,
        timeout=10000,
    )


def row_of(table, words):
    return next(i for i, one in enumerate(table.records.records) if table.records.columns[0].get(one) == words)
