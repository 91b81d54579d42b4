"""Long sums, lobes and sweeps, are solved once and remembered; a window may leave them for later and have them done beside it.

Within `left_for_later` a problem that nobody has solved is not: what rests on it is pending, nothing of that is remembered, and the
problem is handed out. Everywhere else it is solved there and then.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterator, Sequence
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any, Protocol

from honest_lift.facts.memory.remember import named_memory, nothing_to_remember

PENDING = "its lobe is being calculated"
SIMULATED = "its motion is being simulated"
_MOST = 400  # answers; each is some ten kilobytes
Wanted = Callable[[], bool]


class Problem(Protocol):
    """What is to be solved, told apart by its figures."""

    @property
    def key(self) -> Hashable:
        """Give what tells it from others."""
        ...

    def solve(self) -> Any:
        """Solve it; takes some tens of milliseconds and more."""
        ...


class Together(Problem, Protocol):
    """A problem that is solved with others of its kind in hardly more time than alone."""

    @classmethod
    def solve_all(cls, problems: Sequence[Any], wanted: Wanted | None = None) -> list[Any]:
        """Solve them, in the order given."""
        ...


_answers = named_memory()
_shelves: list[Callable[[Any], Any]] = []
_later: ContextVar[dict[Hashable, Problem] | None] = ContextVar("problems left for later", default=None)


def answer_to(problem: Problem) -> Any:
    """Give the answer to a problem: the one remembered, or a new one; None where it is left for later."""
    if _is_known(problem):
        return _answers[problem.key]
    later = _later.get()
    if later is not None:
        later[problem.key] = problem
        nothing_to_remember()
        return None
    remember(problem, problem.solve())
    return _answers[problem.key]


def answers_to(problems: Sequence[Together], wanted: Wanted | None = None) -> list[Any]:
    """Give the answers to problems of one kind that are solved together; None each where it is left for later.

    `wanted` is asked now and then while they are solved.
    """
    unsolved = {one.key: one for one in problems if not _is_known(one)}
    if unsolved and _later.get() is None:
        for one, answer in zip(unsolved.values(), problems[0].solve_all(list(unsolved.values()), wanted), strict=True):
            remember(one, answer)
    return [answer_to(one) for one in problems]


def _is_known(problem: Problem) -> bool:
    """Tell whether an answer is remembered, or was kept from an earlier run."""
    if problem.key not in _answers and _shelves and (kept := _shelves[-1](problem)) is not None:
        remember(problem, kept)
    return problem.key in _answers


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
