"""Nothing that a file says is ever taken for more than words: no picture is drawn, no file opened, no link made."""

import re

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import QAbstractItemModel, Qt
from PyQt6.QtWidgets import QAbstractItemView, QInputDialog, QLabel, QMessageBox, QTabBar, QTabWidget, QWidget

from engines import demo
from honest_lift.desk import questions
from honest_lift.desk.label import plain
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.journal import Reading, StruckOut

HARM = '<img src="/nowhere/at/all.png">'


def harmful():
    """Give the demonstration with markup for every word that a file may say."""
    book = demo()
    engine = book.engine
    engine = replace(
        engine, name=HARM, note=HARM, hand=HARM, people=(HARM,),
        cards=tuple(replace(one, name=HARM + one.name) for one in engine.cards),
        sets=tuple(replace(one, name=HARM + one.name) for one in engine.sets),
        tools=tuple(replace(one, name=HARM + one.name) for one in engine.tools),
        facts=tuple(replace(one, text=HARM, source=HARM) for one in engine.facts),
    )  # fmt: skip
    journal = tuple(
        replace(one, text=HARM, note=HARM, by=HARM) if isinstance(one, Reading) else replace(one, by=HARM)
        for one in book.journal
    )
    last = next(one for one in reversed(journal) if isinstance(one, Reading))
    return replace(book, engine=engine, journal=(*journal, StruckOut("harm", "", HARM, last.id, HARM)))


def shown(widget):
    """Give (what, text, is it taken for rich) of every word a widget and all in it show where Qt may take words for more."""
    for one in (widget, *widget.findChildren(QWidget)):
        if isinstance(one, QLabel):
            rich = one.textFormat() != Qt.TextFormat.PlainText and Qt.mightBeRichText(one.text())
            yield "label", one.text(), rich
        yield "tooltip", one.toolTip(), Qt.mightBeRichText(one.toolTip())
        if isinstance(one, QAbstractItemView) and one.model() is not None:
            yield from (("cell", tip, Qt.mightBeRichText(tip)) for tip in tips(one.model()))


def tips(model: QAbstractItemModel):
    for row in range(min(model.rowCount(), 40)):
        for column in range(model.columnCount()):
            tip = model.index(row, column).data(Qt.ItemDataRole.ToolTipRole)
            if tip:
                yield str(tip)


def is_opened(text, rich):
    """Tell whether markup in a text would be acted on."""
    return rich and "<img" in re.sub(r"^<qt>", "", text)


def test_no_label_cell_or_tooltip_of_any_page_takes_words_for_more(open_window, qapp):
    window = open_window(harmful())
    seen = set()
    for step in STEPS:
        window.session.open_step(step)
        window.session.walk(1)
        sheet = window.sheets[step]
        tabs = [*sheet.findChildren(QTabBar), *sheet.findChildren(QTabWidget)]
        for turn in range(max([one.count() for one in tabs], default=1)):
            for one in tabs:
                one.setCurrentIndex(min(turn, one.count() - 1))
            qapp.processEvents()
            for what, text, rich in shown(window):
                assert not is_opened(text, rich), (step, what, text)
                seen.add(what) if "img" in text else None
    window.open_finding()
    qapp.processEvents()
    assert not any(is_opened(text, rich) for _, text, rich in shown(window))
    assert seen == {"label", "tooltip", "cell"}, "the words came to each kind"


def test_no_question_takes_words_for_more(open_window, monkeypatch):
    window = open_window(harmful())
    boxes = []
    monkeypatch.setattr(QMessageBox, "exec", lambda self: boxes.append(self) or 0)
    asked = []
    monkeypatch.setattr(
        QInputDialog, "getItem", lambda parent, title, question, *rest, **more: asked.append(question) or ("", False)
    )
    monkeypatch.setattr(
        QInputDialog, "getText", lambda parent, title, question, **more: asked.append(question) or ("", False)
    )
    questions.tell(window, "t", HARM)
    questions.ask(window, "t", HARM, "y")
    questions.recover(window, HARM)
    questions.changed_meanwhile(window, HARM)
    questions.choose(window, "t", HARM, ["a"])
    questions.words(window, "t", HARM)
    assert [box.textFormat() for box in boxes] == [Qt.TextFormat.PlainText] * 4
    assert not any(is_opened(one, Qt.mightBeRichText(one)) for one in asked)


@pytest.mark.parametrize("text", [HARM, "a < b & c", "plain", "<b>x</b>\ny", "line\n<i>x"])
def test_plain_words_show_as_they_stand(qapp, text):
    from PyQt6.QtGui import QTextDocumentFragment

    given = plain(text)
    told = QTextDocumentFragment.fromHtml(given).toPlainText() if Qt.mightBeRichText(given) else given
    assert told == text
