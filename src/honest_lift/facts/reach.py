"""Readings that their tool cannot have given: a spring's free length by a micrometer of one inch."""

from __future__ import annotations

from math import isnan

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.journal import Reading
from honest_lift.facts.tools import Tool, reaches
from honest_lift.numbers.units import in_words


def out_of_reach(engine: Engine, tool: Tool, reading: Reading) -> str:
    """Say why a tool cannot have given a reading; "" where it can, or where the reading is a sum of figures read by it."""
    row = CATALOG[reading.quantity]
    way = row.way(reading.way)
    summed = way is not None and bool(way.asked)
    if summed or row.dimension != tool.dimension or isnan(reading.value) or reaches(tool, reading.value):
        return ""
    unit = engine.unit(row.dimension)
    ends = [None if end is None else in_words(end, row.dimension, unit) for end in (tool.lowest, tool.highest)]
    span = f"{ends[0]} to {ends[1]}" if all(ends) else f"{ends[0]} and more" if ends[0] else f"{ends[1]} and less"
    read = in_words(reading.value, row.dimension, unit)
    return f"{tool.name} reads {span}, and {read} lies outside: name the tool it was read with"
