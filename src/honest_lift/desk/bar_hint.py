"""What the measuring bar says beside an entry: what stands there already, or how to measure it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from PyQt6.QtCore import QCoreApplication, Qt
from PyQt6.QtWidgets import QComboBox

from honest_lift.desk.label import plain
from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import Task
from honest_lift.facts.observation import words_of
from honest_lift.facts.quantity import Way
from honest_lift.words.what_is import quantity_hint

if TYPE_CHECKING:
    from honest_lift.desk.reading_bar import ReadingBar


def howto_words(session: Session, task: Task | None, way: Way | None) -> str:
    """Say how a way measures; of two valves mocked up, how far each is to be set at the current one."""
    if task is not None and task.quantity == "valve_to_valve" and session.position:
        from honest_lift.words.clearance.mock_up import mock_up_words

        if words := mock_up_words(session.book, session.position):
            return words
    return way.howto if way else ""


def explain_choices(what: QComboBox, way: QComboBox, tasks: Sequence[Task], ways: Sequence[Way]) -> None:
    """Say under the cursor what can be measured and how each way measures it: of the chosen ones, and in the lists."""
    for i, task in enumerate(tasks):
        what.setItemData(i, plain(quantity_hint(task.quantity)), Qt.ItemDataRole.ToolTipRole)
    for i, one in enumerate(ways):
        way.setItemData(i, plain(one.howto), Qt.ItemDataRole.ToolTipRole)
    for combo in (what, way):
        combo.setToolTip(combo.itemData(combo.currentIndex(), Qt.ItemDataRole.ToolTipRole) or "")


def fold_bar(bar: ReadingBar, zoom: float, *, narrow: bool) -> None:
    """Let the lists of the bar be shorter in a narrow window, and leave out what comes next: entry and hint keep their room."""
    for combo, wide in ((bar.what, 170), (bar.way, 190)):
        combo.setMaximumWidth(round(wide * zoom) if narrow else _NO_END)
    bar.then.setVisible(not narrow)


_NO_END = 16_777_215  # QWIDGETSIZE_MAX


def hint_words(task: Task, before: Sequence[str], howto: str, *, another: bool = False, again: bool = False) -> str:
    """Give the hint for a task where readings stand already, as they were typed; `howto` tells how its way measures.

    `another`: none of them was read the way that is chosen, so that none is replaced. `again`: it is asked to be read once more.
    """
    if before:
        more = f" and {len(before) - 1} more" if len(before) > 1 else ""
        words = QCoreApplication.translate("bar", "Enter replaces, * repeats")
        if again:
            words = QCoreApplication.translate("bar", "read it once more: Enter adds this one beside it")
        elif another:
            words = QCoreApplication.translate("bar", "read another way: Enter adds this one beside it")
        return f"before: {before[-1]}{more}; {words}"
    listed = [words_of(task.row)] if task.row.choices else []
    return "; ".join([*listed, task.row.caution or howto or task.row.meaning])
