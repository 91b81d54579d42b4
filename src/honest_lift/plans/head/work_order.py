"""The machinist's work order: by position, what would put each failing finding right, in the order a shop does it.

Guides first, for seats are cut from them; seats and tips before anything is poured, for they move what a pour measures; then the
deck is milled, all is deburred and washed, and the springs go in last. What a job moves is said with it: it is to be measured again
afterwards.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.signed import is_held_up
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.cures import cures_for


class Stage(Struct, frozen=True):
    """A stage of the work: its title, the checks whose cures belong to it, and what is measured again after it."""

    title: str
    checks: tuple[str, ...]
    again: tuple[str, ...]


STAGES: tuple[Stage, ...] = (
    Stage("Guides", ("guide_clearance",), ("guide_bore", "seat_contact")),
    Stage("Seats, tips and valves", ("valve_margin", "tip_level", "tip_height", "seat_contact", "leak_test"),
          ("stem_tip_height", "leak_test", "installed_height", "chamber_volume")),
    Stage("Spring pockets and seals",
          ("spring_seat_level", "spring_seat_runout", "cutter_touch", "spring_on_floor", "spring_over_boss", "retainer_seal"),
          ("spring_seat_height", "installed_height", "seal_gap")),
    Stage("Pour, mill, deburr, wash",
          ("chamber_spread", "chamber_pours", "compression", "compression_spread", "squish", "deck_finish"),
          ("chamber_volume", "valve_drop", "pushrod_length", "lobe_centreline")),
    Stage("Pockets in the pistons", ("piston_valve", "pocket_wall", "valve_to_valve", "piston_valve_speed"),
          ("piston_valve_clay", "piston_volume")),
    Stage("Springs, last", ("installed_height", "coil_bind_clearance", "seat_load", "open_load", "card_lift"),
          ("installed_height", "spring_load")),
)  # fmt: skip


class Ordered(Struct, frozen=True):
    """One job: the stage it belongs to, the finding it is for, and what would put it right, the least work first."""

    stage: Stage
    finding: Finding
    cures: tuple[str, ...]


def work_order(book: Book, seen: Examination) -> tuple[Ordered, ...]:
    """Give the jobs of an engine stage by stage, in head order; what is signed for is left out, and what has no cure."""
    failing = [one for one in seen.findings if one.verdict is Verdict.FAILS and one.position and is_held_up(book, one)]
    told = ((stage, one, cures_for(book, one)) for stage in STAGES for one in failing if one.check.name in stage.checks)
    return tuple(Ordered(stage, one, cures) for stage, one, cures in told if cures)


def measured_again(stage: Stage) -> str:
    """Say what is measured again after a stage."""
    return ", ".join(CATALOG[one].title for one in stage.again)
