"""What the open page shows, for somebody else: a table as CSV, a drawing as SVG or PNG, a chart as either or as its figures."""

from __future__ import annotations

import csv
import io
from pathlib import Path

from PyQt6.QtCore import QAbstractItemModel, Qt
from PyQt6.QtWidgets import QTableView, QWidget

from honest_lift.desk import questions
from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.writing_out import save_chart, write_out
from honest_lift.numbers.formula_cell import defused
from honest_lift.sheets.svg import scene_svg

_WIDE = 1000.0  # points across
Shown = QTableView | SceneView | CurveView


def save_page(parent: QWidget, session: Session, sheet: QWidget) -> None:
    """Ask which of the tables and drawings that are seen is wanted, and where; write it."""
    shown = things_on(sheet)
    if not shown:
        questions.tell(parent, parent.tr("Not saved"), parent.tr("There is no table and no drawing on this page."))
        return
    names = [f"{n}  {_name(one)}" for n, one in enumerate(shown, 1)]
    wanted = (
        names[0]
        if len(names) == 1
        else questions.choose(parent, parent.tr("Save from this page"), parent.tr("What:"), names)
    )
    if wanted:
        _save(parent, session, shown[names.index(wanted)])


def things_on(sheet: QWidget) -> list[Shown]:
    """Give the tables, drawings and charts of a sheet that are seen, from top to bottom."""
    found = [one for kind in (QTableView, SceneView, CurveView) for one in sheet.findChildren(kind) if one.isVisible()]
    return sorted(
        found, key=lambda one: (one.mapTo(sheet, one.rect().topLeft()).y(), one.mapTo(sheet, one.rect().topLeft()).x())
    )


def table_csv(table: QTableView) -> str:
    """Give a table as CSV, as it is read: its heads, then a line a row. No cell is run by a spreadsheet."""
    page = io.StringIO()
    out = csv.writer(page, lineterminator="\n")
    if isinstance(table, GridView):
        model = table.model()
        out.writerow([head.replace("\n", " ") or "verdict" for head in model.heads])
        out.writerows([defused(cell.words) for cell in row] for row in model.cells)
    else:
        out.writerows(_rows(table.model()))
    return page.getvalue()


def _rows(model: QAbstractItemModel) -> list[list[str]]:
    columns = range(model.columnCount())
    heads = [str(model.headerData(one, Qt.Orientation.Horizontal) or "").replace("\n", " ") for one in columns]
    cells = [[defused(str(model.index(row, one).data() or "")) for one in columns] for row in range(model.rowCount())]
    return [heads, *cells]


def _name(one: Shown) -> str:
    return one.accessibleName() or type(one).__name__


def _save(parent: QWidget, session: Session, one: Shown) -> None:
    name = _name(one).replace("/", "-")
    if isinstance(one, CurveView):
        save_chart(parent, session, one, name)
    elif isinstance(one, SceneView):
        _save_drawing(parent, session, one, name)
    elif path := questions.csv_to_save(parent, Path.home() / f"{name}.csv"):
        write_out(parent, session, path, table_csv(one))


def _save_drawing(parent: QWidget, session: Session, view: SceneView, name: str) -> None:
    from honest_lift.desk.vector_out import png_of_svg

    path = questions.drawing_to_save(parent, Path.home() / f"{name}.svg")
    if path is None:
        return
    by = _WIDE / max(view.width(), 1)
    high = max(view.height() * by, 100.0)
    svg = scene_svg([(high, scene) for _, scene in view.scenes], _WIDE, session.engine.name)
    png = path.suffix.lower() == ".png"
    write_out(parent, session, path, png_of_svg(svg, _WIDE, 30.0 + high * len(view.scenes)) if png else svg)
