"""The engine file `.liftbook`: UTF-8 JSON with a format version, written whole and atomically.

What is wrong with a file is said in one sentence with the file and the field; the file is left untouched.
Values out of physical sense do not refuse a file: they are set aside and named (see `sense`).
"""

from __future__ import annotations

import contextlib
import json
import os
from pathlib import Path
from typing import Any

import msgspec

from honest_lift.facts.engine import Book
from honest_lift.facts.flushing import flush_folder
from honest_lift.facts.migrations import CURRENT, migrate
from honest_lift.facts.place import split_position
from honest_lift.facts.sense import sensible
from honest_lift.numbers.units import unit_of

FORMAT = "honest-lift/liftbook"
ENDING = ".liftbook"
LARGEST_BYTES = 64 * 1024 * 1024


class FileError(ValueError):
    """A file that can't be read or written; the sentence says which, where and what would be right."""


def read_book(path: Path) -> Book:
    """Read an engine file. Raises FileError; the file is never changed."""
    try:
        size = path.stat().st_size
        if size > LARGEST_BYTES:
            raise FileError(f"{path}: {size / 1e6:.0f} MB; an engine file is at most {LARGEST_BYTES / 1e6:.0f} MB.")
        data = path.read_bytes()
    except OSError as error:
        raise FileError(f"{path}: can't be read: {error.strerror or error}.") from None
    return decode_book(data, str(path))


def decode_book(data: bytes, name: str) -> Book:
    """Decode the bytes of an engine file. `name` stands in the messages. Raises FileError."""
    raw = _document(data, name)
    version = raw.pop("version", None)
    if raw.pop("format", None) != FORMAT:
        raise FileError(f"{name}: this is no engine file: field “format” must be “{FORMAT}”.")
    if not isinstance(version, int) or isinstance(version, bool) or version < 1:
        raise FileError(f"{name}: field “version” must be a whole number from 1 to {CURRENT}, not {version!r}.")
    if version > CURRENT:
        raise FileError(
            f"{name}: written by a newer program (format version {version}; this one reads up to {CURRENT}). "
            f"Open it with that program; nothing was changed."
        )
    try:
        book = msgspec.convert(migrate(raw, version), Book)
    except msgspec.ValidationError as error:
        raise FileError(f"{name}: {_field_words(str(error))}") from None
    _check_ids(book, name)
    _check_names(book, name)
    return sensible(book)


def encode_book(book: Book) -> bytes:
    """Encode a book as the bytes of an engine file: indented, one field a line, so that it can be compared."""
    document = {"format": FORMAT, "version": CURRENT, **msgspec.to_builtins(book)}
    return msgspec.json.format(msgspec.json.encode(document), indent=1) + b"\n"


def write_book(book: Book, path: Path) -> None:
    """Write an engine file: a new file beside it, flushed to the disk, then put in its place in one step.

    The file that stood there is kept beside it (see `backup_of`). Raises FileError, and then the old file is
    as it was.
    """
    data = encode_book(book)
    if len(data) > LARGEST_BYTES:
        raise FileError(f"{path}: the engine takes {len(data) / 1e6:.0f} MB, more than a file may hold.")
    temporary = path.with_name(f".{path.name}.{os.getpid()}.{os.urandom(4).hex()}.part")
    try:
        with temporary.open("xb") as file:
            file.write(data)
            file.flush()
            os.fsync(file.fileno())
        if path.exists():
            temporary.chmod(path.stat().st_mode & 0o777)
            _keep_previous(path)
        temporary.replace(path)
        flush_folder(path.parent)
    except OSError as error:
        with contextlib.suppress(OSError):
            temporary.unlink(missing_ok=True)
        raise FileError(f"{path}: can't be written: {error.strerror or error}. Save it elsewhere.") from None


def backup_of(path: Path) -> Path:
    """Give where the previous state of an engine file is kept."""
    return path.with_name(path.name + ".bak")


def schema() -> dict[str, Any]:
    """Give the JSON Schema of the engine file."""
    whole = msgspec.json.schema(Book)
    book = whole["$defs"]["Book"]
    book["properties"] = {"format": {"const": FORMAT}, "version": {"const": CURRENT}, **book["properties"]}
    book["required"] = ["format", "version", *book["required"]]
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Honest Lift engine file",
        **whole,
    }


def _document(data: bytes, name: str) -> dict[str, Any]:
    try:
        raw = json.loads(data.decode("utf-8"), object_pairs_hook=_once)
    except UnicodeDecodeError as error:
        raise FileError(f"{name}: this is no text: byte {error.start} is not UTF-8. Is it an engine file?") from None
    except json.JSONDecodeError as error:
        raise FileError(
            f"{name}, line {error.lineno}, column {error.colno}: not readable as JSON ({error.msg}). "
            f"The file may be cut short or damaged; its backup is {Path(name).name}.bak."
        ) from None
    except _TwiceError as error:
        raise FileError(f"{name}: field “{error}” is given twice in one record; one of them must go.") from None
    except (RecursionError, ValueError) as error:
        raise FileError(f"{name}: not readable as an engine file ({type(error).__name__}).") from None
    if not isinstance(raw, dict):
        raise FileError(f"{name}: this is no engine file: it holds a {type(raw).__name__}, not a record.")
    return raw


class _TwiceError(ValueError):
    """A field given twice."""


def _once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    record = dict(pairs)
    if len(record) != len(pairs):
        names = [name for name, _ in pairs]
        raise _TwiceError(next(name for name in names if names.count(name) > 1))
    return record


def _field_words(message: str) -> str:
    what, _, where = message.partition(" - at `")
    return f"field “{where.rstrip('`').removeprefix('$.')}”: {what}." if where else f"{what}."


def _check_ids(book: Book, name: str) -> None:
    """Refuse a file in which an id that must be one stands twice."""
    engine = book.engine
    groups = {
        "journal": [entry.id for entry in book.journal],
        "engine.springs": [one.id for one in engine.springs],
        "engine.sets": [one.id for one in engine.sets],
        "engine.cards": [one.id for one in engine.cards],
        "engine.tools": [one.id for one in engine.tools],
        "engine.fitments": [one.id for one in engine.fitments],
        "engine.limits": [one.id for one in engine.limits],
        "engine.layout": [one.id for one in engine.layout.positions],
    }
    for field, ids in groups.items():
        if len(set(ids)) != len(ids):
            twice = next(one for one in ids if ids.count(one) > 1)
            raise FileError(f"{name}: field “{field}”: id “{twice}” stands twice; each needs its own.")


def _check_names(book: Book, name: str) -> None:
    """Refuse a file whose layout or units are no layout or units of ours."""
    for h, head in enumerate(book.engine.layout.heads):
        for p, one in enumerate(head.positions):
            field = f"engine.layout.heads[{h}].positions[{p}]"
            try:
                told = split_position(one.id)
            except ValueError as error:
                raise FileError(f"{name}: field “{field}.id”: {error}.") from None
            if told != (one.cylinder, one.role, one.index):
                raise FileError(f"{name}: field “{field}”: its cylinder, role and index do not say “{one.id}”.")
    for dimension, symbol in book.engine.units.items():
        try:
            unit_of(dimension, symbol)
        except KeyError as error:
            raise FileError(f"{name}: field “engine.units.{dimension}”: {error.args[0]}.") from None


def _keep_previous(path: Path) -> None:
    """Keep the present file under the backup's name without ever leaving the file's own name empty."""
    backup = backup_of(path)
    spare = backup.with_name(backup.name + ".part")
    spare.unlink(missing_ok=True)
    try:
        os.link(path, spare)
    except OSError:  # a file system without hard links
        spare.write_bytes(path.read_bytes())
    spare.replace(backup)
