"""The build sheet from the window: where to, and as what."""

from __future__ import annotations

from datetime import date
from pathlib import Path

from PyQt6.QtCore import QLocale
from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.desk.writing_out import write_out

_HTML = (".html", ".htm")


def save_sheet(parent: QWidget, session: Session) -> None:
    """Ask where to write the build sheet, as PDF or HTML, and write it; what the disk refuses is said."""
    from honest_lift.checks.examine import examine
    from honest_lift.desk.pdf_sheet import pdf_of_html
    from honest_lift.sheets.build_sheet.content import sheet_of
    from honest_lift.sheets.build_sheet.html import sheet_html

    name = "".join(c if c.isalnum() or c in "-_ ." else "-" for c in session.engine.name).strip() or "engine"
    path = questions.sheet_to_save(parent, Path.home() / f"{name}.pdf")
    if path is None:
        return
    both = QLocale().measurementSystem() == QLocale.MeasurementSystem.MetricSystem and session.unit("length") == "in"
    sheet = sheet_of(session.book, examine(session.book), date.today().isoformat(), both=both)
    html = sheet_html(sheet, both=both)
    write_out(parent, session, path, html if path.suffix.lower() in _HTML else pdf_of_html(html, sheet.name))
