"""Keys of buttons and fields: Alt and the letter that is underlined, given page by page so that none is there twice."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise

from PyQt6.QtWidgets import (
    QAbstractSlider,
    QAbstractSpinBox,
    QComboBox,
    QLabel,
    QLayout,
    QLineEdit,
    QPushButton,
    QStackedWidget,
    QWidget,
)

OF_THE_WINDOW = "emvhwt"  # the menus, and way and tool at the reading bar


def give_mnemonics(sheet: QWidget, taken: str = OF_THE_WINDOW) -> None:
    """Underline a letter on every button and every named field of a sheet; pages under tabs may use the same ones."""
    for one in (sheet, *sheet.findChildren(QWidget)):
        _find_buddies(one.layout())
    used = set(taken)
    underline(list(_named(sheet)), used)
    for stack in sheet.findChildren(QStackedWidget):
        for page in filter(None, map(stack.widget, range(stack.count()))):
            underline(list(_named(page)), set(used))


def _named(widget: QWidget) -> Iterator[QPushButton | QLabel]:
    """Give the buttons and the labels of fields of a page, but not those of pages under its tabs."""
    for one in widget.children():
        if isinstance(one, QStackedWidget) or not isinstance(one, QWidget) or one.isWindow():
            continue
        if isinstance(one, QPushButton) or (isinstance(one, QLabel) and one.buddy() is not None):
            yield one
        yield from _named(one)


def underline(named: Sequence[QPushButton | QLabel], used: set[str]) -> None:
    """Give each its letter, as long as one is free; `used` grows by them."""
    for one in sorted(named, key=_narrowest):
        words = one.text()
        if "&" in words:
            continue
        at = _letter_of(words, used)
        if at is not None:
            used.add(words[at].lower())
            one.setText(f"{words[:at]}&{words[at:]}")


def _narrowest(one: QPushButton | QLabel) -> tuple[bool, int]:
    """Let buttons choose before labels, whose fields Tab reaches too, and short words, of few letters, before long ones."""
    return isinstance(one, QLabel), len(set(one.text().lower()))


def _letter_of(words: str, used: set[str]) -> int | None:
    """Give where the letter stands that says most of the words and is free: the first of a word, else any."""
    firsts = [i for i, one in enumerate(words) if one.isalpha() and (i == 0 or words[i - 1] == " ")]
    others = [i for i, one in enumerate(words) if one.isalpha() and i not in firsts]
    return next((i for i in (*firsts, *others) if words[i].isascii() and words[i].lower() not in used), None)


def _find_buddies(layout: QLayout | None) -> None:
    """Let every short label name the field that follows it in a layout, for eyes, keys and screen readers alike."""
    if layout is None:
        return
    items = [one for i in range(layout.count()) if (one := layout.itemAt(i)) is not None]
    for one, following in pairwise(items):
        label, field = one.widget(), following.widget()
        if isinstance(label, QLabel) and isinstance(field, _FIELDS) and len(label.text()) <= _SHORT:
            label.setBuddy(field)
    for one in items:
        _find_buddies(one.layout())


_FIELDS = (QLineEdit, QComboBox, QAbstractSpinBox, QAbstractSlider)
_SHORT = 40  # letters; what is longer is a sentence
