"""What stands on the screen after any act is what a whole repaint would show: nothing is left over from before."""

import pytest
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QApplication

from engines import demo
from hands import type_in
from honest_lift.facts.fresh import empty_book
from pages import every_page

pytestmark = pytest.mark.skipif("QApplication.platformName() != 'xcb'", reason="only a real screen can be read back")


def settle():
    for _ in range(4):
        QApplication.processEvents()


def left_over(window) -> str:
    """Give where the screen differs from a whole repaint, as a rectangle; "" for nowhere."""
    settle()
    seen = window.screen().grabWindow(int(window.winId())).toImage().convertToFormat(QImage.Format.Format_RGB32)
    whole = window.grab().toImage().convertToFormat(QImage.Format.Format_RGB32)
    if seen == whole:
        return ""
    other = [
        (x, y) for y in range(whole.height()) for x in range(whole.width()) if seen.pixel(x, y) != whole.pixel(x, y)
    ]
    xs, ys = [x for x, _ in other], [y for _, y in other]
    at = window.childAt((min(xs) + max(xs)) // 2, (min(ys) + max(ys)) // 2)
    return f"{min(xs)}..{max(xs)}, {min(ys)}..{max(ys)}: {type(at).__name__} {at.objectName() if at else ''}"


def acts(window, qtbot):
    """What a person does at any page, by name."""
    yield "open", lambda: None
    yield "another valve", lambda: window.session.walk(1)
    yield "another figure on the heads", window.strip.show_next
    yield "figure of the step", lambda: setattr(window.session, "shown", "") or window.strip.refresh()
    yield "whole valve", window._actions["whole"].trigger
    yield "of the step", window._actions["whole"].trigger
    if window.bar.isVisible() and window.bar.place is not None:
        yield "typed", lambda: qtbot.keyClicks(window.bar.entry, "1.8")
        yield "refused", lambda: type_in(qtbot, window, " furlongs")
        yield "emptied", lambda: (window.bar.entry.clear(), window.bar._typed(""))


@pytest.mark.parametrize("book", [demo, empty_book])
def test_the_screen_equals_a_whole_repaint_after_any_act(qtbot, open_window, book):
    QApplication.setCursorFlashTime(0)
    window = open_window(book())
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=10000)
    wrong = []
    for page, _sheet in every_page(window):
        for name, act in acts(window, qtbot):
            act()
            if where := left_over(window):
                wrong.append(f"{page}, {name}: {where}")
                window.repaint()
    assert "\n".join(wrong) == ""


def test_a_reading_undone_and_a_finding_leave_nothing_over(qtbot, open_window):
    QApplication.setCursorFlashTime(0)
    window = open_window()
    window.activateWindow()
    qtbot.waitUntil(window.isActiveWindow, timeout=10000)
    window.session.open_step("heights")
    window.session.go("8e")
    for act in (
        lambda: type_in(qtbot, window, "1.803"), window.undo, window.redo, window.open_finding, window.close_finding,
        lambda: window.session.open_step("springs"), lambda: window.session.open_step("engine"), window.toggle_theme,
    ):  # fmt: skip
        act()
        assert left_over(window) == ""
