"""Every page of the window in turn, and every text a person can read there."""

from collections.abc import Iterator

from PyQt6.QtCore import QAbstractItemModel, Qt
from PyQt6.QtWidgets import (
    QAbstractButton,
    QAbstractItemView,
    QApplication,
    QComboBox,
    QLabel,
    QLineEdit,
    QPlainTextEdit,
    QTabBar,
    QTableView,
    QWidget,
)

from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.steps.order import STEPS
from honest_lift.drawings.scene import Words


def every_page(window) -> Iterator[tuple[str, QWidget]]:
    """Open every step and every page of it, and give its name and its sheet as it is shown."""
    for key, step in STEPS.items():
        window.session.open_step(key)
        QApplication.processEvents()
        sheet = window.sheets[key]
        tabs = next(
            (one for one in (getattr(sheet, "tabs", None), getattr(sheet, "pages", None)) if hasattr(one, "tabText")),
            None,
        )
        for index in range(tabs.count()) if tabs else [0]:
            name = tabs.tabText(index).replace("&", "") if tabs else ""
            if tabs:
                tabs.setCurrentIndex(index)
                QApplication.processEvents()
            yield f"{step.title}: {name}".removesuffix(": "), sheet


def shown(widget: QWidget, kind: type) -> Iterator[QWidget]:
    """Give what of a kind is seen of a widget, itself among it."""
    if isinstance(widget, kind):
        yield widget
    yield from (one for one in widget.findChildren(kind) if one.isVisible())


def cells(model: QAbstractItemModel) -> Iterator[str]:
    for row in range(min(model.rowCount(), 60)):
        for column in range(model.columnCount()):
            for role in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.ToolTipRole):
                yield str(model.index(row, column).data(role) or "")


def heads(view: QAbstractItemView) -> Iterator[str]:
    model = view.model()
    for column in range(model.columnCount()):
        for role in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.ToolTipRole):
            yield str(model.headerData(column, Qt.Orientation.Horizontal, role) or "")


def texts(widget: QWidget) -> set[str]:
    """Give every text that is seen on a widget, with tooltips, lists and what is drawn."""
    found: list[str] = []
    for one in shown(widget, QWidget):
        found += [one.toolTip(), one.accessibleName()]
    found += [one.text().replace("&", "") for one in (*shown(widget, QLabel), *shown(widget, QAbstractButton))]
    for one in shown(widget, QComboBox):
        found += [one.itemText(i) for i in range(one.count())]
    found += [one.placeholderText() for one in shown(widget, QLineEdit)]
    found += [one.placeholderText() for one in shown(widget, QPlainTextEdit)]
    found += [one.tabText(i) for one in shown(widget, QTabBar) for i in range(one.count())]
    for one in shown(widget, QTableView):
        found += [*cells(one.model()), *heads(one)]
    for one in shown(widget, SceneView):
        found += [stroke.text for _, scene in one.scenes for stroke in scene.strokes if isinstance(stroke, Words)]
    return {" ".join(one.split()) for one in found if one and one.strip()}


def cut_words(sheet):
    """Labels on one line, buttons and tabs that are narrower than their words."""
    for one in shown(sheet, QAbstractButton):
        if one.text() and one.width() < one.sizeHint().width():
            yield f"button {one.text()}"
    for one in shown(sheet, QLabel):
        if one.text() and not one.wordWrap() and one.width() < one.sizeHint().width() - 1:
            yield f"label {one.text()}"
    for one in shown(sheet, QTabBar):
        wide = max((one.tabRect(i).right() for i in range(one.count())), default=0)
        if wide > one.width() + 1 and not one.usesScrollButtons():
            yield f"tabs up to {one.tabText(one.count() - 1)}"
