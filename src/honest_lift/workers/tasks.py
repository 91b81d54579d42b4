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


def solve_lobes(tell: Tell, wanted: Wanted, problems: Sequence[Any]) -> int:
    """Solve lobes one after the other; each answer is told as (problem, answer). Gives how many were."""
    from honest_lift.estimates.cam.solved import answer_to

    for count, one in enumerate(problems):
        if not wanted():
            return count
        tell((one, answer_to(one)))  # it remembers, and is asked again for what it has foreseen
    return len(problems)


def foresee_lobes(tell: Tell, wanted: Wanted, book: Any) -> int:
    """Solve what a book will ask for, before it does."""
    from honest_lift.estimates.cam.card import flank_of
    from honest_lift.estimates.cam.lobe_read import to_be_read
    from honest_lift.estimates.cam.solved import left_for_later

    with left_for_later() as cards:
        for lobe in book.engine.lobes:
            flank_of(book, lobe.id)
    return solve_lobes(tell, wanted, (*cards.values(), *to_be_read(book)))


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


def be_ready(tell: Tell, wanted: Wanted) -> None:
    """Import what the usual tasks need, so that the first is not kept waiting."""


TASKS: dict[str, Task] = {
    "be_ready": be_ready,
    "foresee_lobes": foresee_lobes,
    "keep_lobes": keep_lobes,
    "plan_shims": plan_shims,
    "search_match": search_match,
    "solve_lobes": solve_lobes,
}
