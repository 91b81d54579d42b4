"""The journal files of the state folder: where they lie, what a line of one is, and reading one that a run left.

Each file is whole by itself: its first line holds the facts as they stood, every change of a fact appends another such
line, and every entry of the journal is a line. The order is the order of the lines; times are only shown.
"""

from __future__ import annotations

import hashlib
import os
import re
from pathlib import Path
from typing import Any
from urllib.parse import quote_from_bytes, unquote_to_bytes

import msgspec
from msgspec import Struct

from honest_lift.facts import disk
from honest_lift.facts.engine import Engine, SetAside
from honest_lift.facts.file import LARGEST_BYTES
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.migrations import CURRENT, migrate

ENDING = ".jsonl"
_NAME = re.compile(r"(?P<engine>.*?)(?:\.(?P<number>[0-9]{1,9}))?\.jsonl")
_FILE = "file:"


class Kept(Struct, frozen=True, tag_field="entry", tag="facts"):
    """The facts as they stood. `file`: the engine's file as `named` writes it, "" for one never saved; `changed`: since it
    was saved; `version`: of the format they are written in; `base`: of what facts the file held then (see `base_of`).
    """

    engine: Engine
    file: str = ""
    when: str = ""
    changed: bool = True
    set_aside: tuple[SetAside, ...] = ()
    version: int = CURRENT
    base: str = ""

    @property
    def path(self) -> Path | None:
        """Give the engine's file; None for one never saved."""
        return path_of(self.file)


class Told(Struct, frozen=True):
    """What a journal file tells: the latest facts, the entries in their order, and how many lines can't be read.

    `newer`: the format version of a newer program whose lines are among those.
    """

    kept: Kept | None = None
    entries: tuple[AnyEntry, ...] = ()
    torn: int = 0
    newer: int = 0


def base_of(engine: Engine) -> str:
    """Give a mark that tells facts from other facts."""
    return hashlib.sha256(msgspec.json.encode(engine)).hexdigest()[:16]


def named(path: Path | None) -> str:
    """Write a path so that any name comes back from it, also one that is no text; "" for none."""
    return _FILE + quote_from_bytes(os.fsencode(path.absolute())) if path else ""


def path_of(text: str) -> Path | None:
    """Give the path that was written; plainly, as it once was, too."""
    if not text:
        return None
    return Path(os.fsdecode(unquote_to_bytes(text.removeprefix(_FILE))) if text.startswith(_FILE) else text)


def journal_folder() -> Path:
    """Give the folder the journals lie in."""
    from platformdirs import user_state_path  # not needed before the first reading is confirmed

    return user_state_path("honest-lift") / "journals"


def safe_name(engine: str) -> str:
    """Give the letters of an engine's id that a file may be called by."""
    return "".join(letter for letter in engine if letter.isascii() and (letter.isalnum() or letter in "-_"))[:64]


def journals_there(engine: str | None = None) -> list[Path]:
    """Give the journal files, of one engine or of all, an engine's in the order they were begun. Raises OSError."""
    found = []
    for path in disk.files_in(journal_folder(), ENDING):
        if (name := _NAME.fullmatch(path.name)) and engine in (None, name["engine"]):
            found.append((name["engine"], int(name["number"] or 1), path))
    return [path for _, _, path in sorted(found)]


def next_number(engine: str) -> int:
    """Give the number of the next journal of an engine: later than all that are there. Raises OSError."""
    names = (_NAME.fullmatch(path.name) for path in journals_there(safe_name(engine)))
    return max((int(name["number"] or 1) for name in names if name), default=0) + 1


def journal_path(engine: str, number: int) -> Path:
    """Give where a journal of an engine lies."""
    return journal_folder() / (f"{safe_name(engine)}.{number}{ENDING}" if number > 1 else safe_name(engine) + ENDING)


def line_of(what: AnyEntry | Kept) -> bytes:
    """Write a line."""
    return msgspec.json.encode(what) + b"\n"


def read_journal(path: Path) -> Told:
    """Read a journal file; lines that can't be read are counted. Raises OSError."""
    torn, newest = 0, 0
    facts: dict[str, Any] | None = None
    entries: list[dict[str, Any]] = []
    for line in filter(None, disk.read_file(path, LARGEST_BYTES * 4).split(b"\n")):
        try:
            raw = msgspec.json.decode(line, type=dict[str, Any])
        except (msgspec.DecodeError, RecursionError):
            torn += 1
            continue
        newest = max(newest, _version(raw))
        if raw.get("entry") != "facts":
            entries.append(raw)
        elif _version(raw) <= CURRENT:
            facts = raw
    facts = facts or _beside(path)
    version = _version(facts or {})
    kept, lost = _kept(facts, version)
    read = [_entry(one, version) for one in entries]
    told = tuple(one for one in read if one is not None)
    return Told(kept, told, torn + lost + len(read) - len(told), newest if newest > CURRENT else 0)


def _version(raw: dict[str, Any]) -> int:
    version = raw.get("version")
    return version if isinstance(version, int) and version > 0 else _BEFORE_VERSIONS


_BEFORE_VERSIONS = 7  # lines said none


def _kept(raw: dict[str, Any] | None, version: int) -> tuple[Kept | None, int]:
    """Give the facts of a line as they stand today, and 1 where they can't be read."""
    if raw is None:
        return None, 0
    try:
        lifted = migrate({"engine": raw.get("engine"), "journal": []}, version)
        given = {"file": raw.get("path", ""), **raw, "engine": lifted["engine"], "version": CURRENT, "entry": "facts"}
        return msgspec.convert(given, Kept), 0
    except (msgspec.ValidationError, KeyError):
        return None, 1


def _entry(raw: dict[str, Any], version: int) -> AnyEntry | None:
    try:
        lifted = migrate({"engine": {}, "journal": [raw]}, version)["journal"]
        return msgspec.convert(lifted[0], AnyEntry)  # type: ignore[no-any-return]
    except (msgspec.ValidationError, KeyError, IndexError):
        return None


def _beside(path: Path) -> dict[str, Any] | None:
    """Give the facts an earlier version of the program wrote into a file of their own."""
    try:
        return msgspec.json.decode(disk.read_file(facts_beside(path), LARGEST_BYTES), type=dict[str, Any])
    except (OSError, msgspec.DecodeError):
        return None


def facts_beside(path: Path) -> Path:
    """Give where an earlier version of the program wrote the facts of a journal."""
    return path.with_suffix(".engine.json")


def forget_journal(path: Path) -> None:
    """Drop a journal, as far as the disk lets it go: what stays is known by its entries, and offered no more."""
    disk.remove(facts_beside(path))
    disk.remove(path)


def put_away(path: Path) -> None:
    """Move a journal into a folder of its own; not even what nobody wants is deleted. Raises OSError."""
    away = path.parent / "put away"
    disk.make_folder(away)
    for one in (path, facts_beside(path)):
        if disk.is_there(one):
            disk.move(one, away / f"{os.urandom(4).hex()}-{one.name}")
