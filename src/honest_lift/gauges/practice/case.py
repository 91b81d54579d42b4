"""A practice case: an engine of a kind from a seed, its hidden faults, what the person is told, and what is asked.

Written as JSON, the schema in docs/practice.md, so that cases can be shared. A file that holds faults is not to be read by whoever
practises: its faults stand at its end, and the program never shows them before the truth is opened.
"""

from __future__ import annotations

from pathlib import Path

from msgspec import Struct

from honest_lift.facts.kept_file import keep, kept
from honest_lift.gauges.bench.bench import Bench
from honest_lift.gauges.bench.hidden import HiddenEngine
from honest_lift.gauges.bench.kinds import KINDS, sound_engine
from honest_lift.gauges.practice.faults import FAULTS, Fault, spoilt_by
from honest_lift.numbers.mendable import MendableError

FORMAT, VERSION = "honest-lift/practice", 1
_LARGEST_BYTES, _MOST_FAULTS = 200_000, 40


class Case(Struct, frozen=True, forbid_unknown_fields=True):
    """A case. `engine`: its kind; `told`: what the person is told; `measure`: quantities that belong to the job."""

    key: str
    title: str
    engine: str
    seed: int
    told: str
    measure: tuple[str, ...]
    level: int = 1
    twin_springs: bool = False
    progressive: bool = True
    unit: str = "mm"
    faults: tuple[Fault, ...] = ()


class _File(Struct, frozen=True, forbid_unknown_fields=True):
    format: str
    version: int
    case: Case


def hidden(case: Case) -> HiddenEngine:
    """Give the true engine of a case, with its faults."""
    return spoilt_by(_sound(case), case.faults)[0]


def _sound(case: Case) -> HiddenEngine:
    return sound_engine(case.engine, case.seed, twin_springs=case.twin_springs, progressive=case.progressive)


def bench_of(case: Case) -> Bench:
    """Set the bench up for a case, as it was left."""
    engine, traps = spoilt_by(_sound(case), case.faults)
    return Bench(engine, traps, case.seed, {"length": case.unit, "load": "lbf" if case.unit == "in" else "N"})


def refusal(case: Case) -> str:
    """Say what can't be about a case; "" for nothing."""
    if case.engine not in KINDS:
        return f"“{case.engine}” is no engine of the bench: {', '.join(KINDS)}."
    if len(case.faults) > _MOST_FAULTS or case.unit not in ("mm", "in") or not case.title.strip():
        return "A case has a title, up to 40 faults, and is measured in mm or in."
    for one in case.faults:
        if one.kind not in FAULTS:
            return f"“{one.kind}” is no fault: {', '.join(FAULTS)}."
        try:
            spoilt_by(_sound(case), (one,))
        except (KeyError, ValueError) as error:
            return (
                f"{FAULTS[one.kind].title}: “{one.place}” is no place for it in a {KINDS[case.engine].title} ({error})."
            )
    known = bench_of(case)
    unknown = [one for one in case.measure if one not in _measured() or not known.places(one)]
    return f"“{unknown[0]}” is not measured on the bench." if unknown else ""


def _measured() -> set[str]:
    from honest_lift.gauges.bench.bench import MEASURES

    return {one for each in MEASURES.values() for one in each}


def write_case(case: Case, path: Path) -> None:
    """Write a case down. Raises MendableError."""
    if why := refusal(case):
        raise MendableError(why)
    keep(path, _File(FORMAT, VERSION, case))


def read_case(path: Path) -> Case:
    """Read a case. Raises MendableError for a file that is none, and says what is wrong."""
    told = kept(path, _File, _LARGEST_BYTES, "It is no practice case: its form stands in docs/practice.md.")
    if told is None:
        raise MendableError(f"{path}: there is no such file.")
    if told.format != FORMAT or told.version != VERSION:
        raise MendableError(
            f"{path}: is “{told.format}”, version {told.version}; “{FORMAT}”, version {VERSION} is read."
        )
    if why := refusal(told.case):
        raise MendableError(f"{path}: {why}")
    return told.case
