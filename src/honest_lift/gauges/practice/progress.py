"""Results of practice, kept from session to session: a line a case each time its truth was opened."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path

from msgspec import Struct

from honest_lift.facts.kept_file import keep, kept
from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.judge import Judgement

_LARGEST_BYTES, _MOST = 2_000_000, 5_000


class Result(Struct, frozen=True, forbid_unknown_fields=True):
    """What came of a case, and when."""

    case: str
    title: str
    when: str
    faults: int
    found: int
    condemned: int
    passed: int
    in_vain: int
    readings: int
    missed: tuple[str, ...] = ()


def result_of(case: Case, judged: Judgement) -> Result:
    """Give the result of a judgement, now."""
    found = len(judged.marked) - len(judged.missed)
    return Result(
        case.key, case.title, datetime.now(UTC).strftime("%Y-%m-%dT%H:%M:%SZ"), len(judged.marked), found,
        len(judged.condemned), len(judged.passed), judged.in_vain, judged.readings, tuple(one.kind.key for one in judged.missed),
    )  # fmt: skip


def results_file() -> Path:
    """Give where results are kept."""
    from platformdirs import user_data_path

    return user_data_path("honest-lift", appauthor=False) / "practice.json"


def keep_result(one: Result) -> None:
    """Keep a result beside the earlier ones. Raises MendableError; a file that can't be read is left as it is."""
    keep(results_file(), (*results(), one)[-_MOST:])


def results() -> tuple[Result, ...]:
    """Give every result that was kept, the oldest first. Raises MendableError for a file that is none."""
    mend = "It holds no results: move the file away, and new ones are kept."
    return kept(results_file(), tuple[Result, ...], _LARGEST_BYTES, mend) or ()
