"""A file for somebody else: a table, a drawing, a card. Written whole or not at all, and what the disk refuses is said."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.facts import disk, written_out

if TYPE_CHECKING:
    from honest_lift.desk.curve_view import CurveView


def write_out(parent: QWidget, session: Session, path: Path, what: str | bytes) -> bool:
    """Write a file that `questions` has asked for, and say that it is written, or why not. Tells whether it was."""
    try:
        written_out.write_out(path, what.encode() if isinstance(what, str) else what, agreed=True)
    except written_out.TargetError as error:
        questions.tell(parent, parent.tr("Not saved"), str(error))
        return False
    except OSError as error:
        questions.tell(parent, parent.tr("Not saved"), f"{path}: {disk.why(error)}.")
        return False
    session.told.emit(parent.tr("Saved: {0}").format(path.name))
    return True


def save_chart(parent: QWidget, session: Session, view: CurveView, name: str) -> None:
    """Write a chart as it is seen, as SVG or PNG, or its figures as CSV."""
    from honest_lift.desk.chart_out import as_csv, as_png, as_svg

    path = questions.chart_to_save(parent, Path.home() / f"{name}.svg")
    if path is None:
        return
    if view.chart.is_empty:
        questions.tell(
            parent,
            parent.tr("Not saved"),
            parent.tr("There is nothing on the chart yet: {0}.").format(view.chart.missing),
        )
    elif path.suffix.lower() == ".png":
        write_out(parent, session, path, as_png(view))
    else:
        write_out(
            parent, session, path, as_csv(view) if path.suffix.lower() == ".csv" else as_svg(view, session.engine.name)
        )
