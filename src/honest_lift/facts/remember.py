"""Remembering the last answers of a function of an immutable value, told apart by identity.

Journals and fitments are tuples of hundreds of records that are replaced, never changed: comparing or hashing
them whole at every question would cost more than most answers.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar

K = TypeVar("K")
V = TypeVar("V")
_KEPT, _MANY = 6, 48
_ALL: list[list[Any] | dict[Any, Any]] = []


def last_few() -> list[Any]:
    """Make a list for a memory kept by hand, so that `forget_all` reaches it too."""
    kept: list[Any] = []
    _ALL.append(kept)
    return kept


def named_memory() -> dict[Any, Any]:
    """Make a memory by name kept by hand, so that `forget_all` reaches it too."""
    kept: dict[Any, Any] = {}
    _ALL.append(kept)
    return kept


def forget_all() -> None:
    """Forget every answer, so that the next question is worked out anew (benchmarks)."""
    for kept in _ALL:
        kept.clear()


def by_identity(function: Callable[[K], V]) -> Callable[[K], V]:
    """Remember the answers for the last few arguments, as long as they are the very same objects."""
    return _by_identity(function, _KEPT)


def by_identity_of_many(function: Callable[[K], V]) -> Callable[[K], V]:
    """Remember the answers for as many arguments as one step of work may ask for in turn."""
    return _by_identity(function, _MANY)


def _by_identity(function: Callable[[K], V], most: int) -> Callable[[K], V]:
    kept: list[tuple[Any, V]] = []
    _ALL.append(kept)

    def remembered(argument: K) -> V:
        for known, answer in kept:
            if known is argument:
                return answer
        answer = function(argument)
        kept.insert(0, (argument, answer))
        del kept[most:]
        return answer

    return remembered


def by_value(function: Callable[[K], V]) -> Callable[[K], V]:
    """Remember the answers for the last few arguments that compare equal."""
    kept: list[tuple[Any, V]] = []
    _ALL.append(kept)

    def remembered(argument: K) -> V:
        for known, answer in kept:
            if known == argument:
                return answer
        answer = function(argument)
        kept.insert(0, (argument, answer))
        del kept[_KEPT:]
        return answer

    return remembered
