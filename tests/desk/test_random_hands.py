"""Random hands at every sheet: whatever is clicked, chosen, dragged and typed, nothing slips, and no reading is lost."""

import os
import random

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QCheckBox,
    QComboBox,
    QDialog,
    QFileDialog,
    QHeaderView,
    QInputDialog,
    QLineEdit,
    QPushButton,
    QSlider,
    QTabBar,
)

from engines import Bench, demo
from honest_lift.desk import printing, questions
from honest_lift.desk.record_table import RecordTable
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.ledger import standing

TEXTS = ["1.8", "45", "0", "-1", "1e9", "zz", "", "1 7/8", ".02", "~1.8 ±.05", "9999", "even", "100@.05", "=1/0", "nan",
         "10 furlong"]  # fmt: skip
KEYS = [Qt.Key.Key_Return, Qt.Key.Key_Down, Qt.Key.Key_Up, Qt.Key.Key_Escape]
ROUNDS = int(os.environ.get("HANDS", "20"))  # the long run: docs/validation.md
SEED = int(os.environ.get("SEED", "1"))


@pytest.fixture
def nobody_answers(monkeypatch):
    """Every question is broken off, no file is chosen, nothing is printed."""
    for name in ("getOpenFileName", "getSaveFileName"):
        monkeypatch.setattr(QFileDialog, name, lambda *a, **k: ("", ""))
    monkeypatch.setattr(QFileDialog, "getOpenFileNames", lambda *a, **k: ([], ""))
    for name in ("getText", "getItem"):
        monkeypatch.setattr(QInputDialog, name, lambda *a, **k: ("", False))
    monkeypatch.setattr(QDialog, "exec", lambda self: 0)
    for name, answer in (("ask", False), ("tell", None), ("show_table", None)):
        monkeypatch.setattr(questions, name, lambda *a, _answer=answer, **k: _answer)
    for name in ("print_text", "save_text"):
        monkeypatch.setattr(printing, name, lambda *a, **k: None)


def within_reach(sheet):
    """Give what a hand can reach on a sheet; buttons come as often as all else together."""
    kinds = (QComboBox, QLineEdit, QCheckBox, QSlider, QAbstractItemView, QTabBar)
    there = [[one for one in sheet.findChildren(kind) if one.isVisible() and one.isEnabled()] for kind in kinds]
    others = [one for kind in there for one in kind if not isinstance(one, QHeaderView)]
    buttons = [one for one in sheet.findChildren(QPushButton) if one.isVisible() and one.isEnabled()]
    return buttons, others


def touch(one, hand):
    """Do to a widget what hands do to one of its kind."""
    match one:
        case QPushButton():
            one.click()
        case QComboBox() if one.count():
            one.setCurrentIndex(hand.randrange(one.count()))
            one.activated.emit(one.currentIndex())
        case QLineEdit():
            one.setText(hand.choice(TEXTS))
            QTest.keyClick(one, Qt.Key.Key_Return)
        case QCheckBox():
            one.toggle()
        case QSlider():
            one.setValue(hand.randint(one.minimum(), one.maximum()))
        case QTabBar() if one.count():
            one.setCurrentIndex(hand.randrange(one.count()))
        case RecordTable() if one.records.rowCount() and one.records.columnCount():
            row, column = hand.randrange(one.records.rowCount()), hand.randrange(one.records.columnCount())
            one.setCurrentIndex(one.records.index(row, column))
            if row < one.records.rowCount() and column < one.records.columnCount():
                one.records.setData(one.records.index(row, column), hand.choice(TEXTS))
        case QAbstractItemView() if one.model() is not None and one.model().rowCount():
            model = one.model()
            one.setCurrentIndex(
                model.index(hand.randrange(model.rowCount()), hand.randrange(max(model.columnCount(), 1)))
            )


@pytest.mark.parametrize(
    ("seed", "make"), [(SEED, demo), (SEED + 1, lambda: Bench().book)], ids=["the demonstration", "a bare engine"]
)
def test_whatever_is_clicked_and_typed_nothing_slips_and_no_reading_is_lost(
    open_window, nobody_answers, qapp, seed, make
):
    print(f"seed {seed}")  # told where it fails
    hand = random.Random(seed)
    window = open_window(make())
    before = {one.reading.id for one in standing(window.session.book.journal)}
    for _ in range(ROUNDS):
        step = hand.choice(list(STEPS))
        window.session.open_step(step)
        for _ in range(hand.randint(1, 6)):
            buttons, others = within_reach(window.sheets[step])
            if reach := hand.choice([buttons, others]) or buttons or others:
                touch(hand.choice(reach), hand)
            qapp.processEvents()
        window.bar.entry.setText(hand.choice(TEXTS))
        QTest.keyClick(window.bar.entry, hand.choice(KEYS))
        if hand.random() < 0.1:
            window.session.undo()
        qapp.processEvents()
    assert before <= {one.reading.id for one in standing(window.session.book.journal)}
    assert window.session.examination is not None
