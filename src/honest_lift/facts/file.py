"""The engine file `.liftbook`: UTF-8 JSON with a format version, written whole and atomically.

What is wrong with a file is said in one sentence with the file and the field; the file is left untouched.
Values out of physical sense do not refuse a file: they are set aside and named (see `sense`).
"""

from __future__ import annotations

import hashlib
import json
import math
import os
import re
from collections import Counter
from collections.abc import Iterable
from pathlib import Path
from typing import Any

import msgspec

from honest_lift.facts import disk
from honest_lift.facts.book.chain import Chain
from honest_lift.facts.book.keeping import begun_again, made_sensible
from honest_lift.facts.book.proof import Proof, proof_of
from honest_lift.facts.engine import Book, Engine, SetAside
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.migrations import CURRENT, migrate
from honest_lift.facts.place import split_position
from honest_lift.facts.plain_schema import plainly
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import unit_of

FORMAT = "honest-lift/liftbook"
ENDING = ".liftbook"
LARGEST_BYTES = 64_000_000  # some 80,000 readings with what was changed between them
_MOST = {
    "engine.springs": 2000, "engine.sets": 500, "engine.cards": 500, "engine.tools": 500, "engine.fitments": 20000,
    "engine.facts": 20000, "engine.limits": 1000, "engine.tolerances": 1000, "engine.references": 500,
    "engine.calibrations": 2000, "engine.shim_stock": 500, "engine.bucket_stock": 1000, "engine.bucket_sold": 1000,
    "engine.pushrod_stock": 1000, "engine.lobes": 200, "engine.trials": 500, "engine.made_of": 500, "engine.people": 500,
    "engine.firing": 120, "engine.own_route.items": 200, "engine.own_route.left_out": 200, "engine.mock_up": 20,
    "engine.layout.heads": 20, "set_aside": 20000, "journal": 120000, "chains": 100,
}  # fmt: skip
_MOST_VALVES = 120


class FileError(MendableError):
    """A file that can't be read or written; the sentence says which, where and what would be right."""


class ChangedError(FileError):
    """Another program wrote the file since it was read here; nothing was written."""


def read_book(path: Path) -> Book:
    """Read an engine file. Raises FileError; the file is never changed."""
    return read_marked(path)[0]


def read_marked(path: Path) -> tuple[Book, str]:
    """Read an engine file, and give a mark of what it held, by which a later change of it is known. Raises FileError."""
    data = _bytes_of(path)
    return decode_book(data, str(path)), mark_of(data)


def _bytes_of(path: Path) -> bytes:
    try:
        return disk.read_file(path, LARGEST_BYTES)
    except disk.TooLargeError as error:
        raise FileError(f"{path}: {disk.why(error)} as an engine file.") from None
    except (OSError, ValueError) as error:
        said = disk.why(error) if isinstance(error, OSError) else str(error)
        raise FileError(f"{path}: can't be read: {said}.") from None


def mark_of(data: bytes) -> str:
    """Give a mark that tells what a file holds from anything else it might."""
    return hashlib.sha256(data).hexdigest()


def decode_book(data: bytes, name: str) -> Book:
    """Decode the bytes of an engine file. `name` stands in the messages. Raises FileError."""
    book = _as_written(data)
    return _mended(data, name) if book is None else _proven(book, name)


class _Document(msgspec.Struct, frozen=True, forbid_unknown_fields=True):
    """An engine file as this program writes it, field by field in the same order."""

    format: str
    version: int
    engine: Engine
    journal: tuple[AnyEntry, ...]
    set_aside: tuple[SetAside, ...]
    chains: tuple[Chain, ...]


def _as_written(data: bytes) -> Book | None:
    """Give the book of a file that is, byte for byte, what this program writes; None for any other, which is looked at closely.

    What is the same in every byte holds no field twice, no figure that is none, and nothing of another version.
    """
    try:
        told = msgspec.json.decode(data, type=_Document)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError, ValueError):
        return None
    if (told.format, told.version) != (FORMAT, CURRENT) or _written(told) != data:
        return None
    return Book(told.engine, told.journal, told.set_aside, told.chains)


def _written(document: _Document) -> bytes:
    return msgspec.json.format(msgspec.json.encode(document), indent=1) + b"\n"


def _proven(book: Book, name: str) -> Book:
    """Refuse a book with more of a kind than an engine has, or an id or name that can't be; set aside what makes no sense."""
    _check_counts(book, name)
    _check_valves(sum(len(head.positions) for head in book.engine.layout.heads), name)
    return _sound(book, name)


def _sound(book: Book, name: str) -> Book:
    """Refuse a book with an id or a name that can't be; set aside what makes no sense."""
    _check_ids(book, name)
    _check_names(book, name)
    return made_sensible(book)


def _mended(data: bytes, name: str) -> Book:
    """Decode a file that another hand or another version wrote."""
    raw = _document(data, name)
    version = raw.pop("version", None)
    if raw.pop("format", None) != FORMAT:
        raise FileError(_no_engine_file(name))
    if not isinstance(version, int) or isinstance(version, bool) or version < 1:
        raise FileError(f"{name}: field “version” must be a whole number from 1 to {CURRENT}, not {version!r}.")
    if version > CURRENT:
        raise FileError(
            f"{name}: written by a newer program (format version {version}; this one reads up to {CURRENT}). "
            f"Open it with that program; nothing was changed."
        )
    broken = _broken(raw) if version < CURRENT else ""
    try:
        raw = migrate(raw, version)
        _check_sizes(raw, name)
        book = msgspec.convert(raw, Book)
    except msgspec.ValidationError as error:
        raise FileError(f"{name}: {_field_words(str(error))}") from None
    if book.chains and version < CURRENT:
        book = begun_again(book, f"the file was lifted from version {version}", broken)
    book = _sound(book, name)
    if _MAY_BE_ENDLESS.search(data):
        _refuse_endless(msgspec.to_builtins(book), name)
    return book


def version_of(path: Path) -> int:
    """Give the version an engine file is of, as it lies there. Raises FileError where it is no engine file at all."""
    raw = _document(_bytes_of(path), str(path))
    if raw.get("format") != FORMAT or not isinstance(raw.get("version"), int):
        raise FileError(_no_engine_file(str(path)))
    return int(raw["version"])


def proof_of_file(path: Path) -> Proof:
    """Prove the book of an engine file as it lies there. Raises FileError where it is no engine file at all."""
    raw = _document(_bytes_of(path), str(path))
    if raw.get("format") != FORMAT:
        raise FileError(_no_engine_file(str(path)))
    return proof_of(raw)


def _no_engine_file(name: str) -> str:
    return f"{name}: this is no engine file: field “format” must be “{FORMAT}”."


def _broken(raw: dict[str, Any]) -> str:
    """Say what of the chain of a file that is to be lifted does not hold; "" where all does, or there is none."""
    return "; ".join(proof_of(raw).broken) if raw.get("chains") else ""


def encode_book(book: Book) -> bytes:
    """Encode a book as the bytes of an engine file: indented, one field a line, so that it can be compared."""
    return _written(_Document(FORMAT, CURRENT, book.engine, book.journal, book.set_aside, book.chains))


def write_book(book: Book, path: Path, mark: str = "") -> str:
    """Write an engine file: a new file beside it, flushed and read back, then put in its place in one step; give its mark.

    A link is followed. The file that stood there is kept beside it (see `backup_of`). Raises FileError, and then the old
    file is as it was; ChangedError where what stands there is not what `mark` says was read.
    """
    data = encode_book(book)
    if len(data) > LARGEST_BYTES:
        raise FileError(f"{path}: the engine takes {len(data) / 1e6:.0f} MB, more than a file may hold.")
    _prove_readable(data, book, path)
    real = Path(os.path.realpath(path))
    try:
        there = disk.is_there(real)
        if there and mark and mark_of(disk.read_file(real, LARGEST_BYTES)) != mark:
            raise ChangedError(f"{path}: another program has written this file since it was opened here.")
        mode, backup = (disk.rights_of(real), backup_of(real)) if there else (None, None)
        disk.put_whole(real, data, mode=mode, backup=backup)
    except OSError as error:
        raise FileError(f"{path}: can't be written: {disk.why(error)}. Save it elsewhere.") from None
    return mark_of(data)


def _prove_readable(data: bytes, book: Book, path: Path) -> None:
    """Refuse to write what would not come back."""
    try:
        if decode_book(data, str(path)) == book:
            return
    except FileError as error:
        raise FileError(f"{path}: not written, since it could not be read again: {error}") from None
    raise FileError(f"{path}: not written, since something in it would read back as something else.")


def backup_of(path: Path) -> Path:
    """Give where the previous state of an engine file is kept."""
    real = Path(os.path.realpath(path))
    return real.with_name(real.name + ".bak")


def schema() -> dict[str, Any]:
    """Give the JSON Schema of the engine file."""
    whole = plainly(msgspec.json.schema(Book))
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
        text = data.decode("utf-8")
        raw = json.loads(text, object_pairs_hook=_once)
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
    _refuse_half_characters(text, raw, name)
    return raw


_MAY_BE_HALF = re.compile(r"\\u[dD][89a-fA-F]")


def _refuse_half_characters(text: str, raw: Any, name: str) -> None:
    """Refuse half of a pair of escapes: no text holds it, so it could never be written again."""
    if not _MAY_BE_HALF.search(text):
        return
    try:
        json.dumps(raw, ensure_ascii=False).encode()
    except UnicodeEncodeError as error:
        half, near = error.object[error.start], error.object[max(error.start - 30, 0) : error.start]
        near = near.encode("ascii", "replace").decode()
        raise FileError(
            f"{name}: “\\u{ord(half):04x}” after “{near}” is half of a character: it must go, or its other half come."
        ) from None


class _TwiceError(ValueError):
    """A field given twice."""


def _once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    record = dict(pairs)
    if len(record) != len(pairs):
        raise _TwiceError(_twice(name for name, _ in pairs))
    return record


def _twice(names: Iterable[str]) -> str:
    """Give the first name that stands twice; "" for none."""
    names = list(names)
    if len(set(names)) == len(names):
        return ""
    return next((name for name, times in Counter(names).items() if times > 1), "")


def _field_words(message: str) -> str:
    what, _, where = message.partition(" - at `")
    return f"field “{where.rstrip('`').removeprefix('$.')}”: {what}." if where else f"{what}."


_MAY_BE_ENDLESS = re.compile(rb"[:\[,\s]-?(?:NaN|Infinity|[0-9.]+[eE]\+?[0-9]{3})")


def _refuse_endless(value: Any, name: str, field: str = "") -> None:
    """Refuse a figure that is none and that nothing has set aside: it could never be written again."""
    if isinstance(value, float) and not math.isfinite(value):
        raise FileError(f"{name}: field “{field.lstrip('.')}”: {value} is no figure.")
    if isinstance(value, dict):
        for key, one in value.items():
            _refuse_endless(one, name, f"{field}.{key}")
    elif isinstance(value, list | tuple):
        for i, one in enumerate(value):
            _refuse_endless(one, name, f"{field}[{i}]")


def _check_sizes(raw: dict[str, Any], name: str) -> None:
    """Refuse a file with more of a kind than any engine has: it would hold the program up for minutes."""
    _check_counts(raw, name)
    engine = raw.get("engine")
    layout = engine.get("layout") if isinstance(engine, dict) else None
    heads = layout.get("heads") if isinstance(layout, dict) else None
    rows = [one.get("positions") for one in heads or () if isinstance(one, dict)] if isinstance(heads, list) else []
    _check_valves(sum(len(one) for one in rows if isinstance(one, list)), name)


def _check_counts(book: Any, name: str) -> None:
    """Refuse a book, or what was read of one, with more of a kind than any engine has."""
    for field, most in _MOST.items():
        found: Any = book
        for key in field.split("."):
            found = found.get(key) if isinstance(found, dict) else getattr(found, key, None)
        if isinstance(found, list | tuple) and len(found) > most:
            raise FileError(f"{name}: field “{field}” has {len(found)} records; an engine has at most {most}.")


def _check_valves(valves: int, name: str) -> None:
    if valves > _MOST_VALVES:
        raise FileError(f"{name}: field “engine.layout” has {valves} valves; an engine has at most {_MOST_VALVES}.")


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
        if twice := _twice(ids):
            raise FileError(f"{name}: field “{field}”: id “{twice}” is there twice; each needs its own.")


def _check_names(book: Book, name: str) -> None:
    """Refuse a file whose layout or units are no layout or units of ours."""
    for h, head in enumerate(book.engine.layout.heads):
        if not head.positions:
            raise FileError(f"{name}: field “engine.layout.heads[{h}].positions”: a head has at least one valve.")
        for p, one in enumerate(head.positions):
            field = f"engine.layout.heads[{h}].positions[{p}]"
            try:
                told = split_position(one.id)
            except MendableError as error:
                raise FileError(f"{name}: field “{field}.id”: {error}.") from None
            if told != (one.cylinder, one.role, one.index):
                raise FileError(f"{name}: field “{field}”: its cylinder, role and index do not say “{one.id}”.")
    for dimension, symbol in book.engine.units.items():
        try:
            unit_of(dimension, symbol)
        except KeyError as error:
            raise FileError(f"{name}: field “engine.units.{dimension}”: {error.args[0]}.") from None
