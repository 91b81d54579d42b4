"""What was only looked at: an observation is one word of a list, and the latest counts."""

from __future__ import annotations

from collections.abc import Sequence

from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place
from honest_lift.facts.quantity import Choice
from honest_lift.facts.staleness import is_stale, staleness
from honest_lift.numbers.doubt import Ground


def observed(engine: Engine, quantity: str, readings: Sequence[Standing], asked: Place) -> Input:
    """Give the latest observation that is not stale, else the latest, marked so. Its value is the place of its word."""
    fresh = [one for one in readings if not is_stale(engine, one)]
    latest = (fresh or list(readings))[-1]
    notes = [latest.note] if latest.note else []
    notes += [] if fresh else [staleness(engine, latest)]
    return Input(
        quantity, latest.place.title, "observed", latest.reading.value,
        ground=Ground.NONE if fresh else Ground.STALE, way=latest.reading.way, when=latest.reading.when,
        note="; ".join(notes), asked=asked,
    )  # fmt: skip


def choice_of(one: Input) -> Choice | None:
    """Give the word of an observation; None where nothing was looked at, or its word is not known here."""
    choices = CATALOG[one.quantity].choices
    if one.ground & Ground.MISSING or one.value != one.value or not 0 <= one.value < len(choices):
        return None
    return choices[int(one.value)] if one.value == int(one.value) else None
