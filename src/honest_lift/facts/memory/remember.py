"""Remembering the last answers of a function of an immutable value, told apart by identity.

Journals and fitments are tuples of hundreds of records that are replaced, never changed: comparing or hashing
them whole at every question would cost more than most answers.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar, cast

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


_passing = [0]  # how often something was worked out that may not be remembered


def nothing_to_remember() -> None:
    """Say that what is being worked out rests on something that is still to come: no answer that it enters is remembered."""
    _passing[0] += 1


def remembered_in(known: dict[Any, Any], key: Any, work: Callable[[], V]) -> V:
    """Give what a memory holds under a key, worked out where it does not."""
    if key in known:
        return cast(V, known[key])
    before = _passing[0]
    answer = work()
    if _passing[0] == before:
        known[key] = answer
    return answer


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
        before = _passing[0]
        answer = function(argument)
        if _passing[0] == before:
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
        before = _passing[0]
        answer = function(argument)
        if _passing[0] == before:
            kept.insert(0, (argument, answer))
            del kept[_KEPT:]
        return answer

    return remembered
