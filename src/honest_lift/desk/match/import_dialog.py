"""What a file of parts holds, before any of it is laid on the shelf: how many are good, and row by row what is wrong."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QDialog, QDialogButtonBox, QPlainTextEdit, QVBoxLayout, QWidget

from honest_lift.desk.label import Label

if TYPE_CHECKING:
    from honest_lift.shelf.csv_in import Preview
    from honest_lift.shelf.kinds import Part, PartKind

_LISTED = 2000


class ImportDialog(QDialog):
    """Nothing is taken unless the person says so: all that is good, or nothing."""

    def __init__(self, parent: QWidget, name: str, kind: PartKind, found: Preview) -> None:
        super().__init__(parent)
        self.found = found
        self.setWindowTitle(self.tr("Import {0}").format(name))
        self.resize(760, 460)
        head, listed = Label(preview_words(name, kind, found)), QPlainTextEdit("\n".join(error_lines(found)))
        head.setWordWrap(True)
        listed.setReadOnly(True)
        listed.setAccessibleName(self.tr("What is wrong, row by row"))
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Cancel)
        self.take = buttons.addButton(
            self.tr("Lay {0} on the shelf").format(len(found.parts)), QDialogButtonBox.ButtonRole.AcceptRole
        )
        assert self.take is not None
        self.take.setEnabled(bool(found.parts))
        self.take.setDefault(not found.errors and not found.known)
        buttons.accepted.connect(self.accept)
        buttons.rejected.connect(self.reject)
        column = QVBoxLayout(self)
        column.addWidget(head)
        column.addWidget(listed, 1)
        column.addWidget(buttons)

    def parts(self) -> tuple[Part, ...]:
        """Ask, and give the parts to lay on; none where the person thinks better of it."""
        return self.found.parts if self.exec() == QDialog.DialogCode.Accepted else ()


def preview_words(name: str, kind: PartKind, found: Preview) -> str:
    """Say what a file holds in a sentence or two."""
    if (not found.rows and found.errors) or (
        found.rows and not found.parts and found.errors and not found.errors[0].row
    ):
        return f"{name} can't be taken as {kind.title.lower()}."
    words = [f"{name}: {len(found.parts)} of {found.rows} {kind.title.lower()} are good"]
    words += [f"{found.bad_rows} rows are not, and stay out" if found.bad_rows else "none is refused"]
    words += [f"{len(found.known)} are on the shelf already and are replaced"] if found.known else []
    return "; ".join(words) + "."


def error_lines(found: Preview) -> list[str]:
    """Give what is wrong, a line each as far as it is named one by one, and how much more there is."""
    return [
        *(f"row {one.row}: {one.words}" if one.row else one.words for one in found.errors),
        *([f"and {found.more_errors} more"] if found.more_errors else []),
        *(f"{number}: on the shelf already" for number in found.known[:_LISTED]),
    ]
