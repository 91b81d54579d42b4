"""A file for somebody else: a table, a drawing, a card. Written whole or not at all, and what the disk refuses is said."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.facts import disk


def write_out(parent: QWidget, session: Session, path: Path, what: str | bytes) -> bool:
    """Write a file and say that it is written, or why not. Tells whether it was."""
    try:
        disk.put_out(path, what.encode() if isinstance(what, str) else what)
    except OSError as error:
        questions.tell(parent, parent.tr("Not saved"), f"{path}: {disk.why(error)}.")
        return False
    session.told.emit(parent.tr("Saved: {0}").format(path.name))
    return True
