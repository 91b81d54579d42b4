"""Whether Qt can be loaded at all; the only file of the desk that may be imported before that is known."""

from __future__ import annotations

import sys


def has_qt() -> bool:
    """Tell whether Qt can be loaded; what it lacks of the system is said in one line, whatever way the program was installed."""
    try:
        import PyQt6.QtSvg
        import PyQt6.QtWidgets  # noqa: F401
    except ImportError as error:
        from honest_lift.system_pieces import missing, words

        lacking = missing(beside=False)
        print(f"honest-lift: {words(lacking) if lacking else f'Qt can not be loaded: {error}.'}", file=sys.stderr)
        return False
    return True
