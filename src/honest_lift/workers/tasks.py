"""What can be asked of a worker process. A task says what it finds on the way, and looks now and then whether it is still wanted.

Each imports what it needs when it is asked for: the process is up the sooner.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

Tell = Callable[[Any], None]
Wanted = Callable[[], bool]
Task = Callable[..., Any]


def solve(tell: Tell, wanted: Wanted, problems: Sequence[Any]) -> int:
    """Solve problems one after the other, those that are solved together at once; each answer is told as (problem, answer).

    Gives how many were.
    """
    from honest_lift.estimates.solved import answer_to, answers_to
    from honest_lift.mechanics.solving.unwanted import Unwanted

    singly = [one for one in problems if not hasattr(one, "solve_all")]
    for count, one in enumerate(singly):
        if not wanted():
            return count
        tell((one, answer_to(one)))  # it remembers, and is asked again for what it has foreseen
    together: list[Any] = [one for one in problems if hasattr(one, "solve_all")]
    try:
        for kind in dict.fromkeys(map(type, together)):
            alike: list[Any] = [one for one in together if type(one) is kind]
            for pair in zip(alike, answers_to(alike, wanted), strict=True):
                tell(pair)
    except Unwanted:
        return len(singly)
    return len(problems)


def foresee_lobes(tell: Tell, wanted: Wanted, book: Any) -> int:
    """Solve what a book will ask for, before it does."""
    from honest_lift.estimates.cam.card import flank_of
    from honest_lift.estimates.cam.lobe_read import to_be_read
    from honest_lift.estimates.solved import left_for_later

    with left_for_later() as cards:
        for lobe in book.engine.lobes:
            flank_of(book, lobe.id)
    return solve(tell, wanted, (*cards.values(), *to_be_read(book)))


def keep_lobes(tell: Tell, wanted: Wanted, path: str, solved: Sequence[tuple[Any, Any]]) -> None:
    """Keep solved lobes in the file of a cache folder."""
    from honest_lift.workers.kept_lobes import KeptLobes

    KeptLobes(Path(path)).keep(solved)


def plan_shims(tell: Tell, wanted: Wanted, book: Any, goal: Any, springs: str) -> Any:
    """Give a shim plan; the spread of loads of every better one is told on the way. Cancelled, the best so far."""
    from honest_lift.plans.spring.shims import plan_shims as plan

    return plan(book, goal, springs, cancelled=lambda: not wanted(), found=tell)


def search_match(tell: Tell, wanted: Wanted, *question: Any) -> None:
    """Search a shelf; what is found so far is told after each share of it."""
    from honest_lift.mechanics.match.search import search

    for found in search(*question):
        if not wanted():
            return
        tell(found)


def move_train(tell: Tell, wanted: Wanted, train: Any, rpm: float) -> Any:
    """Move one valve train at one speed, and give its last cycle; None where nobody waits any more."""
    import numpy as np

    from honest_lift.mechanics.motion.simulate import QUICK, traced
    from honest_lift.mechanics.motion.sweep import Fineness, laid_out
    from honest_lift.mechanics.solving.unwanted import Unwanted

    try:
        return traced(laid_out([train], Fineness().segments), np.array([0]), rpm, QUICK, wanted)
    except Unwanted:
        return None


def be_ready(tell: Tell, wanted: Wanted) -> None:
    """Import what the usual tasks need, so that the first is not kept waiting."""


TASKS: dict[str, Task] = {
    "be_ready": be_ready,
    "foresee_lobes": foresee_lobes,
    "keep_lobes": keep_lobes,
    "move_train": move_train,
    "plan_shims": plan_shims,
    "search_match": search_match,
    "solve": solve,
}
