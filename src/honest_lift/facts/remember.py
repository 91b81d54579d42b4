"""Remembering the last answers of a function of an immutable value, told apart by identity.

Journals and fitments are tuples of hundreds of records that are replaced, never changed: comparing or hashing
them whole at every question would cost more than most answers.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar

K = TypeVar("K")
V = TypeVar("V")
_KEPT = 6


def by_identity(function: Callable[[K], V]) -> Callable[[K], V]:
    """Remember the answers for the last few arguments, as long as they are the very same objects."""
    kept: list[tuple[Any, V]] = []

    def remembered(argument: K) -> V:
        for known, answer in kept:
            if known is argument:
                return answer
        answer = function(argument)
        kept.insert(0, (argument, answer))
        del kept[_KEPT:]
        return answer

    return remembered


def by_value(function: Callable[[K], V]) -> Callable[[K], V]:
    """Remember the answers for the last few arguments that compare equal."""
    kept: list[tuple[Any, V]] = []

    def remembered(argument: K) -> V:
        for known, answer in kept:
            if known == argument:
                return answer
        answer = function(argument)
        kept.insert(0, (argument, answer))
        del kept[_KEPT:]
        return answer

    return remembered
