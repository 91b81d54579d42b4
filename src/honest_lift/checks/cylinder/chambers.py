"""Chambers: whether pours of one agree, and how much larger each is than the smallest of the engine."""

from __future__ import annotations

from functools import partial
from math import sqrt

import numpy as np
from msgspec.structs import replace

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_cylinders import on_cylinders
from honest_lift.checks.on_valves import is_given
from honest_lift.checks.spread_out import among
from honest_lift.estimates.cylinder.chambers import Chambers, chambers
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.resolve import counting_readings, tool_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import at_cylinder
from honest_lift.facts.staleness import is_stale
from honest_lift.facts.tools import rounding_doubt
from honest_lift.numbers.doubt import Array, Source, exact

POURS = Check(
    "chamber_pours", "Pours of a chamber", "squeeze", "volume", "Largest less smallest of what was poured into one chamber.",
)  # fmt: skip
CHAMBER_SPREAD = Check(
    "chamber_spread", "Chamber spread", "squeeze", "volume",
    "How much larger a chamber is than the smallest of the engine.",
)  # fmt: skip
GIVEN = ("chamber_volume", "chamber_water")


def check_chambers(book: Book) -> list[Finding]:
    """Hold pours against each other and chambers against the smallest, once anybody has poured one."""
    if not any(is_given(book, name) for name in GIVEN):
        return []
    found = chambers(book)
    return [*_pours(book, found), *_spread(book, found)]


def _pours(book: Book, found: Chambers) -> list[Finding]:
    """Judge chambers that were poured more than once: what the pours span, in doubt by how finely the burette is read."""
    several = [one for one, count in zip(found.cylinders, found.poured, strict=True) if count > 1]
    spans, apart = [], []
    for cylinder in several:
        read = counting_readings(book, "chamber_volume", at_cylinder(cylinder))
        fresh = [one for one in read if not is_stale(book.engine, one)] or list(read)
        values = [one.reading.value for one in fresh]
        spans.append(max(values) - min(values))
        apart.append(
            sqrt(2.0) * max(map(partial(_rounding, book), fresh))
        )  # the largest and the smallest move by themselves
    if not several:
        return []
    inputs = [of_cylinder(book, "chamber_volume", one) for one in several]
    burette = Source("scatter:pours", "how finely the burette is read", shared=False)
    figure = exact(np.array(spans)).never_exact(burette, np.array(apart))
    figure = replace(figure, ground=np.array([int(one.ground) for one in inputs], dtype=np.int64))
    return on_cylinders(book, POURS, several, Estimate(figure, tuple((one,) for one in inputs)), {})


def _rounding(book: Book, one: Standing) -> float:
    """Give the standard doubt in cc of a single pour by how finely its ends are read; 0 where the tool is not known.

    How well pours repeat is what is judged, so that it is no doubt of the judgement. A pour with an unknown tool proves nothing.
    """
    tool, _ = tool_of(book.engine, one)
    way = CATALOG["chamber_volume"].way(one.reading.way)
    return rounding_doubt(tool) * sqrt(way.figures if way else 1) if tool else 0.0


def _spread(book: Book, found: Chambers) -> list[Finding]:
    everyone = [np.arange(len(found.cylinders))]
    over = among(found.volume, everyone, _over_smallest)
    volumes = found.volume.figure.value
    known = volumes[np.isfinite(volumes)]
    smallest = np.full(len(volumes), known.min() if len(known) else np.nan)
    terms = {"chamber": volumes, "smallest_chamber": smallest}
    return on_cylinders(book, CHAMBER_SPREAD, found.cylinders, over, terms, held_up(found))


def held_up(found: Chambers) -> list[str]:
    """Say at every cylinder what keeps a comparison over all of them from proving anything; "" where nothing does."""
    others = "; ".join(f"cylinder {one}: {why}" for one, why in zip(found.cylinders, found.why_not, strict=True) if why)
    return [why or others for why in found.why_not]


def _over_smallest(rows: Array) -> Array:
    return np.asarray(rows - rows.min(axis=-1, keepdims=True))
