"""A file of parts read in, row by row: what is good, and of every bad cell the row, what was given and what would be right.

One kind a file, comma, semicolon or tab between columns, a header line with units: `seat_height [in]`. Nothing in it is run.
"""

from __future__ import annotations

import csv
import io
from collections.abc import Callable, Iterator, Set
from pathlib import Path

from msgspec import Struct

from honest_lift.numbers.entry import EntryError
from honest_lift.shelf.kinds import NAME, NUMBER, Column, Part, PartKind
from honest_lift.shelf.part_text import read_cell, read_header, shown

MOST_BYTES = 32_000_000
MOST_ROWS = 100_000
SHOWN_ERRORS = 100  # of those named one by one; the rest are counted
MOST_BAD_ROWS = 2_000  # a file with more is another file than it was taken for
_TOLD_EVERY = 2_000  # rows


Told = Callable[[int], None]


class RowError(Struct, frozen=True):
    """What is wrong in a row, counted from 1 with the header as row 1; row 0 is the file as a whole."""

    row: int
    column: str
    words: str


class Preview(Struct, frozen=True):
    """What a file holds: the good parts, what is wrong (the first hundred errors), how many rows there are and are bad.

    `known`: numbers on the shelf already.
    """

    parts: tuple[Part, ...] = ()
    errors: tuple[RowError, ...] = ()
    rows: int = 0
    known: tuple[str, ...] = ()
    bad_rows: int = 0
    more_errors: int = 0


def preview_file(path: Path, kind: PartKind, there: Set[str] = frozenset(), told: Told | None = None) -> Preview:
    """Read a file; what can't be read at all is said as row 0. `there`: numbers on the shelf already.

    `told` is called now and then with how many rows are read; what it raises ends the reading.
    """
    try:
        if not path.is_file():
            return _refused(f"{path.name} is no file." if path.exists() else f"{path.name}: there is no such file.")
        size = path.stat().st_size
        if size > MOST_BYTES:
            return _refused(f"{path.name} has {size / 1e6:.0f} MB; up to {MOST_BYTES / 1e6:.0f} MB are read: split it.")
        return preview(path.read_bytes(), kind, there, told)
    except OSError as error:
        return _refused(f"{path.name} can't be read: {error.strerror or error}.")


def preview(data: bytes, kind: PartKind, there: Set[str] = frozenset(), told: Told | None = None) -> Preview:
    """Read the bytes of a file of one kind; `told` as for `preview_file`."""
    if (lines := data.count(b"\n")) > MOST_ROWS + 1:
        return _refused(f"the file has {lines:,} rows; up to {MOST_ROWS:,} are read: split it.")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        line = data[: error.start].count(b"\n") + 1
        return _refused(f"line {line} is not UTF-8 text: save the file as UTF-8.")
    if "\0" in text:
        return _refused("the file holds zero bytes: it is no text file.")
    first = text.partition("\n")[0]
    between = max(",;\t", key=first.count)
    rows = csv.reader(io.StringIO(text, newline=""), delimiter=between)
    header = next(rows, [])
    columns, errors = _columns(header, kind)
    if errors:
        return Preview(errors=tuple(errors))
    return _body(_safely(rows), columns, there, kind, told or (lambda _: None))


def _refused(words: str) -> Preview:
    return Preview(errors=(RowError(0, "", words),))


def _safely(rows: Iterator[list[str]]) -> Iterator[list[str] | str]:
    """Give the rows; a row the reader can't part comes as a sentence, and ends the file."""
    while True:
        try:
            yield next(rows)
        except StopIteration:
            return
        except csv.Error as error:
            yield f"the row can't be parted into cells: {error}"
            return


_Columns = list[tuple[Column, str]]


def _columns(header: list[str], kind: PartKind) -> tuple[_Columns, list[RowError]]:
    """Match the header with the kind's columns; every needed one must be there, once."""
    known = {one.key: one for one in (NUMBER, NAME, *kind.columns)}
    found: _Columns = []
    errors: list[RowError] = []
    for cell in header:
        key = cell.partition("[")[0].strip().lower().replace(" ", "_")
        column = known.get(key)
        if column is None:
            wanted = ", ".join(known)
            errors.append(RowError(1, cell, f"“{shown(cell)}” is no column of {kind.title.lower()}: {wanted}."))
        elif any(one.key == key for one, _ in found):
            errors.append(RowError(1, cell, f"“{shown(cell)}” is in the header twice."))
        else:
            try:
                found.append((column, read_header(cell, column)))
            except EntryError as error:
                errors.append(RowError(1, cell, str(error)))
    told = {one.key for one, _ in found} | {cell.partition("[")[0].strip().lower() for cell in header}
    lacking = [key for key, one in known.items() if one.needed and key not in told]
    if lacking:
        errors.append(RowError(1, "", f"the header lacks {', '.join(lacking)}."))
    return found, errors


def _body(
    rows: Iterator[list[str] | str], columns: _Columns, there: Set[str], kind: PartKind, told: Told
) -> Preview:  # fmt: skip
    parts: list[Part] = []
    errors: list[RowError] = []
    known: list[str] = []
    seen: dict[str, int] = {}
    count = bad = more = 0
    for row, cells in enumerate(rows, 2):
        if row % _TOLD_EVERY == 0:
            told(row)
        if isinstance(cells, str):
            return Preview(tuple(parts), (*errors, RowError(row, "", cells)), count + 1, tuple(known), bad + 1, more)
        if not any(cell.strip() for cell in cells):
            continue
        count += 1
        part, wrong = _row(row, cells, columns, kind)
        if part and part.number in seen:
            wrong = [RowError(row, "number", f"number {part.number} is in row {seen[part.number]} already.")]
            part = None
        if wrong:
            bad += 1
            taken = wrong[: max(SHOWN_ERRORS - len(errors), 0)]
            errors += taken
            more += len(wrong) - len(taken)
            if bad > MOST_BAD_ROWS:
                errors.insert(
                    0, RowError(0, "", f"more than {MOST_BAD_ROWS:,} rows are bad, by row {row:,}: nothing is taken.")
                )
                return Preview((), tuple(errors), count, (), bad, more)
        if part:
            seen[part.number] = row
            parts.append(part)
            if part.number in there:
                known.append(part.number)
    return Preview(tuple(parts), tuple(errors), count, tuple(known), bad, more)


def _row(row: int, cells: list[str], columns: _Columns, kind: PartKind) -> tuple[Part | None, list[RowError]]:
    if len(cells) != len(columns):
        return None, [RowError(row, "", f"{len(cells)} cells where the header has {len(columns)}.")]
    values: dict[str, float | str | bool] = {}
    wrong: list[RowError] = []
    for (column, unit), cell in zip(columns, cells, strict=True):
        try:
            value = read_cell(cell, column, unit)
            if value is None and column.needed:
                wrong.append(RowError(row, column.key, f"{column.title} is blank, and is needed."))
            elif value is not None:
                values[column.key] = value
        except EntryError as error:
            wrong.append(RowError(row, column.key, f"{column.title}: {error}"))
    if wrong:
        return None, wrong
    number, name = str(values.pop("number")), str(values.pop("name", ""))
    part = Part(kind.key, number, name, values)
    return (None, [RowError(row, "", words)]) if (words := nonsense(part)) else (part, [])


def nonsense(part: Part) -> str:
    """Say what can't be of a part whose figures are each in range; "" where it hangs together."""
    if part.kind != "springs":
        return ""
    seat, opened, bind = (part.figure(key) for key in ("seat_height", "open_height", "bind_height"))
    if opened >= seat:
        return "its open height is not below its seat height."
    if part.figure("open_load") <= part.figure("seat_load"):
        return "its open load is not above its seat load."
    if bind >= opened:
        return "it binds at or above its open height."
    if part.figure("members") not in (1.0, 2.0, 3.0):
        return "members are 1, 2 or 3."
    return "its inside is not smaller than its outside." if part.figure("inside") >= part.figure("outside") else ""
