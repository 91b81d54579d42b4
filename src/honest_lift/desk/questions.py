"""Questions a person is asked, each in one place so that tests can answer them through the real dialogs."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFileDialog, QInputDialog, QMessageBox, QWidget

from honest_lift.desk.label import plain
from honest_lift.facts.file import ENDING


def _box(parent: QWidget, title: str, text: str) -> QMessageBox:
    """Give a box of plain words: what a file says in it is shown as it stands, never as pictures or links."""
    box = QMessageBox(parent)
    box.setTextFormat(Qt.TextFormat.PlainText)
    box.setWindowTitle(title)
    box.setText(text)
    return box


def save_first(parent: QWidget, unwritten: int = 0) -> str:
    """Ask what to do with unsaved changes: "save", "drop" or "stay". `unwritten`: entries the disk has not taken."""
    box = _box(parent, parent.tr("Unsaved changes"), parent.tr("This engine has changes that are not saved."))
    lost = parent.tr("Readings that were confirmed stay on the disk in any case; facts are lost without saving.")
    if unwritten:
        words = parent.tr(
            "{0} of its readings and entries could not be written to the disk: without saving they are lost."
        )
        lost = words.format(unwritten)
    box.setInformativeText(lost)
    save = box.addButton(parent.tr("Save"), QMessageBox.ButtonRole.AcceptRole)
    drop = box.addButton(parent.tr("Don't save"), QMessageBox.ButtonRole.DestructiveRole)
    stay = box.addButton(parent.tr("Stay"), QMessageBox.ButtonRole.RejectRole)
    box.setDefaultButton(save)
    box.setEscapeButton(stay)
    box.exec()
    return {save: "save", drop: "drop"}.get(box.clickedButton(), "stay")


def ask(parent: QWidget, title: str, question: str, yes: str) -> bool:
    """Ask a question with a named yes."""
    box = _box(parent, title, question)
    agreed = box.addButton(yes, QMessageBox.ButtonRole.AcceptRole)
    box.addButton(parent.tr("Not now"), QMessageBox.ButtonRole.RejectRole)
    box.exec()
    return box.clickedButton() is agreed


def recover(parent: QWidget, question: str) -> str:
    """Ask what to do with what was left of a run: "take", "later" or "away"."""
    box = _box(parent, parent.tr("Not saved the last time"), question)
    take = box.addButton(parent.tr("Take it in"), QMessageBox.ButtonRole.AcceptRole)
    later = box.addButton(parent.tr("Not now"), QMessageBox.ButtonRole.RejectRole)
    away = box.addButton(parent.tr("Put it away"), QMessageBox.ButtonRole.DestructiveRole)
    box.setDefaultButton(take)
    box.setEscapeButton(later)
    box.exec()
    return {take: "take", away: "away"}.get(box.clickedButton(), "later")


def changed_meanwhile(parent: QWidget, what: str) -> str:
    """Ask what to do where another program wrote the file: "elsewhere", "look", "over" or "stay"."""
    box = _box(parent, parent.tr("The file has changed"), what)
    box.setInformativeText(parent.tr("Nothing was written. Written over, what it holds now becomes its backup."))
    elsewhere = box.addButton(parent.tr("Save elsewhere…"), QMessageBox.ButtonRole.AcceptRole)
    look = box.addButton(parent.tr("Look at the difference"), QMessageBox.ButtonRole.ActionRole)
    over = box.addButton(parent.tr("Write over it"), QMessageBox.ButtonRole.DestructiveRole)
    stay = box.addButton(parent.tr("Not now"), QMessageBox.ButtonRole.RejectRole)
    box.setDefaultButton(elsewhere)
    box.setEscapeButton(stay)
    box.exec()
    return {elsewhere: "elsewhere", look: "look", over: "over"}.get(box.clickedButton(), "stay")


def tell(parent: QWidget, title: str, words: str) -> None:
    """Say something that must be read."""
    _box(parent, title, words).exec()


def show_table(parent: QWidget, title: str, table: str) -> None:
    """Show a table of the program's own words; nothing that a file says may stand in it."""
    box = _box(parent, title, table)
    box.setTextFormat(Qt.TextFormat.RichText)
    box.exec()


def choose(parent: QWidget, title: str, question: str, choices: list[str], current: int = 0) -> str:
    """Ask for one of some choices; "" for none."""
    answer, agreed = QInputDialog.getItem(parent, title, plain(question), choices, current, editable=False)
    return answer if agreed else ""


def words(parent: QWidget, title: str, question: str, before: str = "") -> str | None:
    """Ask for a line of words; None when it is broken off."""
    answer, agreed = QInputDialog.getText(parent, title, plain(question), text=before)
    return answer.strip() if agreed else None


def file_to_open(parent: QWidget, folder: Path) -> Path | None:
    """Ask for an engine file to open."""
    name, _ = QFileDialog.getOpenFileName(
        parent, parent.tr("Open an engine"), str(folder), f"Engines (*{ENDING});;All files (*)"
    )
    return Path(name) if name else None


def csv_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a column of readings."""
    name, _ = QFileDialog.getSaveFileName(parent, parent.tr("Save as CSV"), str(suggestion), "CSV (*.csv)")
    return Path(name if name.endswith(".csv") else f"{name}.csv") if name else None


def card_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a bench card."""
    name, _ = QFileDialog.getSaveFileName(
        parent, parent.tr("Save a bench card"), str(suggestion), "Text (*.txt);;PDF (*.pdf)"
    )
    return Path(name) if name else None


def file_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to save; the ending is added where it is missing, before the question about a file that is there."""
    dialog = QFileDialog(parent, parent.tr("Save the engine"), str(suggestion.parent), f"Engines (*{ENDING})")
    dialog.setAcceptMode(QFileDialog.AcceptMode.AcceptSave)
    dialog.setDefaultSuffix(ENDING.removeprefix("."))
    dialog.selectFile(suggestion.name)
    return Path(dialog.selectedFiles()[0]) if dialog.exec() else None


def parts_to_open(parent: QWidget, folder: Path) -> Path | None:
    """Ask for a file of parts."""
    name, _ = QFileDialog.getOpenFileName(parent, parent.tr("Import parts"), str(folder), "CSV (*.csv);;All files (*)")
    return Path(name) if name else None


def svg_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a drawing."""
    name, _ = QFileDialog.getSaveFileName(parent, parent.tr("Save the drawing"), str(suggestion), "SVG (*.svg)")
    return Path(name if name.endswith(".svg") else f"{name}.svg") if name else None


def tables_to_open(parent: QWidget, folder: Path) -> list[Path]:
    """Ask for files of degree-wheel tables."""
    names, _ = QFileDialog.getOpenFileNames(
        parent, parent.tr("Open degree-wheel tables"), str(folder), "Tables (*.csv *.txt *.tsv);;All files (*)"
    )
    return [Path(name) for name in names]
