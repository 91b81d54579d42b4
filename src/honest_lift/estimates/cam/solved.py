"""Lobes are solved once and remembered; a window may leave them for later, and have them worked out beside it.

Within `left_for_later` a lobe that nobody has solved is not: what rests on it is pending, nothing of that is remembered, and the
problem is handed out. Everywhere else it is solved there and then.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any, Protocol

from honest_lift.facts.memory.remember import named_memory, nothing_to_remember

PENDING = "its lobe is being calculated"
_MOST = 400  # lobes; each is some ten kilobytes


class Problem(Protocol):
    """A lobe to be solved, told apart by its figures."""

    @property
    def key(self) -> Hashable:
        """Give what tells it from others."""
        ...

    def solve(self) -> Any:
        """Solve it; takes some tens of milliseconds."""
        ...


_answers = named_memory()
_shelves: list[Callable[[Any], Any]] = []
_later: ContextVar[dict[Hashable, Problem] | None] = ContextVar("lobes left for later", default=None)


def answer_to(problem: Problem) -> Any:
    """Give the answer to a problem: the one remembered, or a new one; None where it is left for later."""
    if problem.key in _answers:
        return _answers[problem.key]
    if _shelves and (kept := _shelves[-1](problem)) is not None:
        remember(problem, kept)
        return kept
    later = _later.get()
    if later is not None:
        later[problem.key] = problem
        nothing_to_remember()
        return None
    remember(problem, problem.solve())
    return _answers[problem.key]


def look_first(find: Callable[[Any], Any] | None) -> None:
    """Look for answers where they are kept before solving: `find` gives one, or None. None: look nowhere."""
    _shelves[:] = [find] if find else []


def is_solved(problem: Problem) -> bool:
    """Tell whether a problem's answer is remembered."""
    return problem.key in _answers


def remember(problem: Problem, answer: Any) -> None:
    """Remember an answer that was worked out elsewhere."""
    _answers[problem.key] = answer
    while len(_answers) > _MOST:
        del _answers[next(iter(_answers))]


@contextmanager
def left_for_later() -> Iterator[dict[Hashable, Problem]]:
    """Leave what is not solved for later, and give it by its key."""
    wanted: dict[Hashable, Problem] = {}
    before = _later.set(wanted)
    try:
        yield wanted
    finally:
        _later.reset(before)
