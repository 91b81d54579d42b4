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


_Role = QMessageBox.ButtonRole


def _choice(box: QMessageBox, *choices: tuple[str, QMessageBox.ButtonRole, str]) -> str:
    """Ask with buttons (words, role, answer): the first is the default, the one that rejects is what Escape gives."""
    answers = {box.addButton(words, role): answer for words, role, answer in choices}
    box.setDefaultButton(next(iter(answers)))
    escape = next(answer for _, role, answer in choices if role == _Role.RejectRole)
    box.setEscapeButton(next(button for button, answer in answers.items() if answer == escape))
    box.exec()
    return answers.get(box.clickedButton(), escape)


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
    return _choice(
        box,
        (parent.tr("Save"), _Role.AcceptRole, "save"),
        (parent.tr("Don't save"), _Role.DestructiveRole, "drop"),
        (parent.tr("Stay"), _Role.RejectRole, "stay"),
    )


def ask(parent: QWidget, title: str, question: str, yes: str) -> bool:
    """Ask a question with a named yes."""
    box = _box(parent, title, question)
    agreed = box.addButton(yes, QMessageBox.ButtonRole.AcceptRole)
    box.addButton(parent.tr("Not now"), QMessageBox.ButtonRole.RejectRole)
    box.exec()
    return box.clickedButton() is agreed


def corrected_or_another(parent: QWidget, question: str, beside: str, another: str = "") -> str:
    """Ask what a figure typed over another one means: "corrected", "another part", or "" to leave it as it was.

    `another`: what the button for the new figure says, where it is no part's.
    """
    box = _box(parent, parent.tr("Corrected, or another part?"), question)
    box.setInformativeText(beside)
    return _choice(
        box,
        (another or parent.tr("Another part is fitted"), _Role.AcceptRole, "another part"),
        (parent.tr("It was always so"), _Role.ActionRole, "corrected"),
        (parent.tr("Leave it as it was"), _Role.RejectRole, ""),
    )


def renewed_or_not(parent: QWidget, question: str, beside: str) -> str:
    """Ask whether parts that were named are others now: "all", "some" of them, or "" for none."""
    box = _box(parent, parent.tr("Were parts renewed?"), question)
    box.setInformativeText(beside)
    return _choice(
        box,
        (parent.tr("All were renewed"), _Role.AcceptRole, "all"),
        (parent.tr("Only some…"), _Role.ActionRole, "some"),
        (parent.tr("None"), _Role.RejectRole, ""),
    )


def same_or_another_engine(parent: QWidget) -> str:
    """Ask what a file beside an engine's own is: "same", the same engine; "another" that begins from it; "" not to save."""
    box = _box(
        parent,
        parent.tr("The same engine?"),
        parent.tr("This engine already has a file, and its parts have been measured."),
    )
    box.setInformativeText(
        parent.tr("Another engine has its own parts: stated figures are kept, and readings no longer count.")
    )
    return _choice(
        box,
        (parent.tr("Same engine, another file"), _Role.AcceptRole, "same"),
        (parent.tr("Start another engine from it"), _Role.ActionRole, "another"),
        (parent.tr("Not now"), _Role.RejectRole, ""),
    )


def recover(parent: QWidget, question: str) -> str:
    """Ask what to do with what was left of a run: "take", "later" or "away"."""
    return _choice(
        _box(parent, parent.tr("Not saved the last time"), question),
        (parent.tr("Recover"), _Role.AcceptRole, "take"),
        (parent.tr("Not now"), _Role.RejectRole, "later"),
        (parent.tr("Archive"), _Role.DestructiveRole, "away"),
    )


def changed_meanwhile(parent: QWidget, what: str) -> str:
    """Ask what to do where another program wrote the file: "elsewhere", "look", "over" or "stay"."""
    box = _box(parent, parent.tr("The file has changed"), what)
    box.setInformativeText(parent.tr("Nothing was written. Written over, what it holds now becomes its backup."))
    return _choice(
        box,
        (parent.tr("Save elsewhere…"), _Role.AcceptRole, "elsewhere"),
        (parent.tr("Look at the difference"), _Role.ActionRole, "look"),
        (parent.tr("Write over it"), _Role.DestructiveRole, "over"),
        (parent.tr("Not now"), _Role.RejectRole, "stay"),
    )


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


def _to_save(
    parent: QWidget, title: str, suggestion: Path, kinds: dict[str, str], known: tuple[str, ...] = ()
) -> Path | None:
    """Ask where to write a file. `kinds`: words to ending, the first the usual; a name without one of them, or `known`, gets it.

    The target is looked at here, before the work: what the program keeps itself is refused, and what somebody else wrote is
    asked about, by the name it has in the end.
    """
    asked_here = QFileDialog.Option.DontConfirmOverwrite
    words = ";;".join(f"{kind} (*{ending})" for kind, ending in kinds.items())
    name, kind = QFileDialog.getSaveFileName(parent, title, str(suggestion), words, options=asked_here)
    if not name:
        return None
    usual = next((ending for words, ending in kinds.items() if kind.startswith(words)), next(iter(kinds.values())))
    path = Path(name if Path(name).suffix.lower() in (*kinds.values(), *known) else f"{name}{usual}")
    return path if may_write(parent, path) else None


def may_write(parent: QWidget, path: Path) -> bool:
    """Tell whether a file may be written; ask where somebody else's stands there."""
    from honest_lift.facts.written_out import TargetError, ThereError, look_at_target

    try:
        look_at_target(path)
    except ThereError as error:
        return ask(parent, parent.tr("There is a file already"), str(error), parent.tr("Write over it"))
    except TargetError as error:
        tell(parent, parent.tr("Not saved"), str(error))
        return False
    return True


def csv_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a column of readings."""
    return _to_save(parent, parent.tr("Save as CSV"), suggestion, {"CSV": ".csv"})


def card_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a bench card."""
    return _to_save(parent, parent.tr("Save a bench card"), suggestion, {"Text": ".txt", "PDF": ".pdf"})


def paper_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a paper, as PDF or HTML."""
    return _to_save(parent, parent.windowTitle(), suggestion, {"PDF": ".pdf", "HTML": ".html"}, (".htm",))


def recording_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write down what a gauge sends."""
    return _to_save(parent, parent.tr("Record what it sends"), suggestion, {parent.tr("Text"): ".txt"})


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


def drawing_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a drawing, and as what."""
    return _to_save(parent, parent.tr("Save the drawing"), suggestion, {"SVG": ".svg", "PNG": ".png"})


def chart_to_save(parent: QWidget, suggestion: Path) -> Path | None:
    """Ask where to write a chart, and as what: a drawing, a picture, or its figures."""
    return _to_save(parent, parent.tr("Save the chart"), suggestion, {"SVG": ".svg", "PNG": ".png", "CSV": ".csv"})


def tables_to_open(parent: QWidget, folder: Path) -> list[Path]:
    """Ask for files of degree-wheel tables."""
    names, _ = QFileDialog.getOpenFileNames(
        parent, parent.tr("Open degree-wheel tables"), str(folder), "Tables (*.csv *.txt *.tsv);;All files (*)"
    )
    return [Path(name) for name in names]
