"""German: every text the window asks for has one, figures stand where they stood, letters of a menu stay apart, nothing is cut."""

import ast
import re
from collections import Counter
from pathlib import Path

import pytest
from PyQt6.QtCore import QSettings, QTranslator
from PyQt6.QtWidgets import QApplication

from engines import demo
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk import questions
from honest_lift.desk.actions import ACTIONS
from honest_lift.desk.language import LANGUAGES, speak, words_of
from honest_lift.facts.fresh import empty_book
from pages import cut_words, every_page

SOURCE = Path(__file__).parents[2] / "src" / "honest_lift"
GERMAN = words_of("de")
SAME = re.compile(r"[-\d.,%\s]*|x|Enter|Esc|Down|Up")  # the same in every language, or Qt's own


def literals(folder):
    for path in folder.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.Constant) and isinstance(node.value, str):
                yield node.value


def asked_for():
    """Give every text that a call of `tr` names outright."""
    for path in (SOURCE / "desk").rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            named = isinstance(node, ast.Call) and getattr(node.func, "attr", getattr(node.func, "id", "")) == "tr"
            if named and isinstance(node.args[0], ast.Constant):
                yield node.args[0].value


def test_every_text_that_is_named_has_its_german_and_none_is_left_over():
    named = set(asked_for())
    assert len(named) > 700
    assert sorted(named - set(GERMAN)) == []
    assert sorted(set(GERMAN) - set(literals(SOURCE))) == [], "of an older program"
    assert [text for text, told in GERMAN.items() if not told.strip()] == []


def test_figures_stand_where_they_stood():
    for text, told in GERMAN.items():
        assert Counter(re.findall(r"\{[^}]*\}", text)) == Counter(re.findall(r"\{[^}]*\}", told)), text
        assert text[:1].isspace() == told[:1].isspace(), text
        assert text[-1:].isspace() == told[-1:].isspace(), text


def test_letters_of_a_menu_stay_apart():
    menus = {}
    for row in ACTIONS:
        menus.setdefault(row.menu, []).append(GERMAN.get(row.title, row.title))
    for menu, titles in menus.items():
        letters = [found[1].lower() for one in titles if (found := re.search(r"&(\w)", one))]
        most = 2 if menu == "&View" else 1  # it has more lines than there are letters
        assert Counter(letters).most_common(1)[0][1] <= most, (menu, Counter(letters).most_common(3))
    bar = [re.search(r"&(\w)", GERMAN[menu])[1].lower() for menu in menus]
    assert len(bar) == len(set(bar))


@pytest.mark.parametrize("book", [lambda: demonstration("four"), empty_book], ids=["four", "empty"])
def test_every_page_asks_for_no_text_that_has_no_german(open_window, book):
    """What is looked up through a table, and not named outright, is met by opening every page."""
    ours, lacking = set(literals(SOURCE)), set()

    class Listening(QTranslator):
        def isEmpty(self):
            return False

        def translate(self, context, source, disambiguation=None, n=-1):
            if source in ours and source not in GERMAN and not SAME.fullmatch(source) and context not in QT:
                lacking.add((context, source))

    app, ear = QApplication.instance(), Listening()
    app.installTranslator(ear)
    try:
        window = open_window(book())
        for _ in every_page(window):
            pass
    finally:
        app.removeTranslator(ear)
    assert sorted(lacking) == []


QT = {"QShortcut", "QPlatformTheme", "QDialogButtonBox", "QWidgetTextControl", "QLineEdit", "QAbstractSpinBox"}


def test_a_german_window_is_german(open_window, monkeypatch):
    app = QApplication.instance()
    spoken = speak(app, "de")
    try:
        window = open_window(demo())
        window.resize(1280, 800)
        assert [one.text() for one in window.menuBar().actions()] == ["&Motor", "M&essen", "&Ansicht", "&Hilfe"]
        cut = [(name, found) for name, sheet in every_page(window) for found in cut_words(sheet)]
        assert cut == []
    finally:
        for one in spoken:
            app.removeTranslator(one)


def test_a_language_is_chosen_and_kept(open_window, monkeypatch, tmp_path):
    window = open_window(demo())
    window.settings = QSettings(str(tmp_path / "s.ini"), QSettings.Format.IniFormat)
    monkeypatch.setattr(questions, "choose", lambda _p, _t, _q, names, _now=0: names[1])
    window._actions["language"].trigger()
    assert window.settings.value("language") == "de"
    assert speak(QApplication.instance(), "xx") == []
    assert set(LANGUAGES) == {"en", *(one.stem for one in (SOURCE / "desk" / "languages").glob("*.ts"))}
