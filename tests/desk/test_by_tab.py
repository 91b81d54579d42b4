"""Tab alone goes round every page: nothing keeps it, and everything that takes a key is reached."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QWidget

from engines import demo
from honest_lift.facts.fresh import empty_book
from pages import every_page

_MOST = 400


def reachable(window) -> set[QWidget]:
    """What can be come to by Tab: seen, enabled, and asking for it."""
    return {
        one
        for one in window.findChildren(QWidget)
        if one.isVisible()
        and one.isEnabled()
        and one.focusPolicy() & Qt.FocusPolicy.TabFocus
        and one.focusProxy() is None
    }


def named(one: QWidget) -> str:
    return f"{type(one).__name__} {one.accessibleName() or one.objectName() or getattr(one, 'text', str)()}"


@pytest.mark.parametrize("book", [demo, empty_book])
@pytest.mark.parametrize("key", [Qt.Key.Key_Tab, Qt.Key.Key_Backtab])
def test_every_page_is_walked_by_tab(qtbot, open_window, book, key):
    window = open_window(book())
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=3000)
    kept, missed = [], []
    for page, _sheet in every_page(window):
        start = window.bar.entry if window.bar.isVisible() else window.route
        start.setFocus()
        first, seen = QApplication.focusWidget(), set()
        for _ in range(_MOST):
            now = QApplication.focusWidget()
            if now in seen:
                break
            seen.add(now)
            assert now is not None, f"{page}: the focus is lost"
            QTest.keyClick(now, key)
        now = QApplication.focusWidget()
        if now is not first:
            kept.append(f"{page}: {named(now)}")
        missed += [f"{page}: {named(one)}" for one in reachable(window) - seen]
    assert "\n".join([*kept, *sorted(missed)]) == ""
