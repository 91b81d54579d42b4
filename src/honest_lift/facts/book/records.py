"""An engine taken apart into records, each with a name and a digest, so that a change of one is told from all others.

A table of records with ids is its records, and the order of their ids; facts go by quantity and place. Anything else, a name, the
layout, a list of lengths, is one record by itself.
"""

from __future__ import annotations

import hashlib
from collections.abc import Iterator, Mapping
from typing import Any

import msgspec

from honest_lift.facts.book.entries import Change

WHOLE, ORDER = "", "\N{BULLET} order"  # the keys of what is no table, and of a table's order
_ASIDE = "set_aside"  # of the book, beside its engine
_DIGITS = 16


def canonical(value: Any) -> bytes:
    """Give the JSON of a value, or of what was read of it: keys sorted, a whole number like any other, so that both are the same.

    >>> canonical({"b": 1, "a": (2.0, True)})
    b'{"a":[2.0,true],"b":1.0}'
    """
    return msgspec.json.encode(_plain(msgspec.to_builtins(value)), order="sorted")


def _plain(value: Any) -> Any:
    if isinstance(value, dict):
        return {key: _plain(one) for key, one in value.items()}
    if isinstance(value, list | tuple):
        return [_plain(one) for one in value]
    return float(value) if type(value) is int else value


def digest(data: bytes) -> str:
    """Give a short digest of a record's JSON."""
    return hashlib.sha256(data).hexdigest()[:_DIGITS]


def key_of(record: Any) -> str:
    """Give the key a record of a table goes by; "" for one that has none. `record`: a record, or what was read of one."""
    found, quantity, place = (_get(record, name) for name in ("id", "quantity", "place"))
    if isinstance(found, str):
        return found
    if not isinstance(quantity, str):
        return ""
    return quantity if place is None else f"{quantity}@{canonical(place).decode()}"


def _get(record: Any, name: str) -> Any:
    return record.get(name) if isinstance(record, Mapping) else getattr(record, name, None)


def records_of(engine: Any, set_aside: Any) -> dict[str, bytes]:
    """Give every record of an engine, or of what was read of one, by "table/key", as JSON; what was set aside is one by itself."""
    found: dict[str, bytes] = {f"{_ASIDE}/{WHOLE}": canonical(set_aside)}
    for table, value in _fields(engine):
        found |= {f"{table}/{key}": body for key, body in _of_table(value)}
    return found


def changes_between(before: Any, after: Any) -> tuple[Change, ...]:
    """Give what makes one engine of another, in the order of its tables. Records that are the very same are not looked at."""
    found: list[Change] = []
    for (table, old), (_, new) in zip(_fields(before), _fields(after), strict=True):
        if old is new or old == new:
            continue
        found += _changed(table, old, new)
    return tuple(found)


def _changed(table: str, old: Any, new: Any) -> Iterator[Change]:
    was, now = (_keyed(one) for one in (old, new))
    if was is None or now is None:  # what is no table, on one side at least
        yield from _changed_bodies(table, dict(_of_table(old)), dict(_of_table(new)))
        return
    for key, record in now.items():
        if was.get(key) is not record and was.get(key) != record:
            yield Change(table, key, canonical(record).decode())
    for key in was:
        if key not in now:
            yield Change(table, key)
    if list(was) != list(now):
        yield Change(table, ORDER, _order(now).decode() if now else "")


def _changed_bodies(table: str, was: dict[str, bytes], now: dict[str, bytes]) -> Iterator[Change]:
    for key, body in now.items():
        if was.get(key) != body:
            yield Change(table, key, body.decode())
    for key in was:
        if key not in now:
            yield Change(table, key)


def _fields(engine: Any) -> Iterator[tuple[str, Any]]:
    if isinstance(engine, Mapping):
        yield from sorted(engine.items())
        return
    for name in sorted(engine.__struct_fields__):
        yield name, getattr(engine, name)


def _of_table(value: Any) -> Iterator[tuple[str, bytes]]:
    keyed = _keyed(value)
    if keyed is None:
        yield WHOLE, canonical(value)
        return
    for key, record in keyed.items():
        yield key, canonical(record)
    if keyed:
        yield ORDER, _order(keyed)


def _order(keyed: Mapping[str, Any]) -> bytes:
    return canonical(digest("\n".join(keyed).encode()))


def _keyed(value: Any) -> dict[str, Any] | None:
    """Give the records of a table by their keys; None for what is no table, or has two of one key."""
    if not isinstance(value, list | tuple) or any(not _is_record(one) for one in value):
        return None
    keyed = {key_of(one): one for one in value}
    return keyed if len(keyed) == len(value) and "" not in keyed else None


def _is_record(value: Any) -> bool:
    return isinstance(value, Mapping | msgspec.Struct)
