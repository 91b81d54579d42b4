"""Hands outside the program: keys and clicks that go through the X server to whatever window has the focus."""

import time

from Xlib import XK, X
from Xlib.display import Display
from Xlib.ext import xtest

_NAMED = {"\n": "Return", ".": "period", " ": "space", "/": "slash", "-": "minus"}


class RealHands:
    """Somebody at the keyboard and mouse of a display."""

    def __init__(self, name: str) -> None:
        self.display = Display(name)

    def click(self, x: int, y: int) -> None:
        xtest.fake_input(self.display, X.MotionNotify, x=x, y=y)
        for kind in (X.ButtonPress, X.ButtonRelease):
            xtest.fake_input(self.display, kind, 1)
        self.display.sync()

    def key(self, name: str, *held: str) -> None:
        codes = [self.display.keysym_to_keycode(XK.string_to_keysym(one)) for one in (*held, name)]
        for code in codes:
            xtest.fake_input(self.display, X.KeyPress, code)
        for code in reversed(codes):
            xtest.fake_input(self.display, X.KeyRelease, code)
        self.display.sync()

    def type(self, text: str, pause_s: float = 0.0) -> None:
        """Type, as a hand does with a pause after each key, or as a gauge that is a keyboard does, with none."""
        for one in text:
            self.key(_NAMED.get(one, one))
            time.sleep(pause_s)

    def has_manager(self) -> bool:
        """Tell whether a window manager is there, by the window it announces itself with."""
        check = self.display.intern_atom("_NET_SUPPORTING_WM_CHECK")
        return self.display.screen().root.get_full_property(check, X.AnyPropertyType) is not None
