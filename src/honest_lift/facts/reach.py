"""Readings that their tool cannot have given: a spring's free length by a micrometer of one inch."""

from __future__ import annotations

from math import isnan

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.journal import Reading
from honest_lift.facts.quantity import Quantity
from honest_lift.facts.tools import Tool, reaches
from honest_lift.numbers.units import in_words

_WHERE = "; under Tools one is added, and the tool of each way is set"


def tool_reads(tool: Tool, row: Quantity, value: float) -> bool:
    """Tell whether a tool can read a value of a quantity; one that is told by its side is read by its amount."""
    return reaches(tool, abs(value) if row.physical[0] < 0.0 else value)


def out_of_reach(engine: Engine, tool: Tool, reading: Reading) -> str:
    """Say why a tool cannot have given a reading; "" where it can, or where the reading is a sum of figures read by it."""
    row = CATALOG[reading.quantity]
    way = row.way(reading.way)
    summed = way is not None and bool(way.asked)
    if summed or row.dimension != tool.dimension or isnan(reading.value) or tool_reads(tool, row, reading.value):
        return ""
    unit = engine.unit(row.dimension)
    ends = [None if end is None else in_words(end, row.dimension, unit) for end in (tool.lowest, tool.highest)]
    span = f"{ends[0]} to {ends[1]}" if all(ends) else f"{ends[0]} and more" if ends[0] else f"{ends[1]} and less"
    read = in_words(reading.value, row.dimension, unit)
    return f"{tool.name} reads {span}, and {read} lies outside: name the tool it was read with{_WHERE}"


def refusal(engine: Engine, reading: Reading) -> str:
    """Say, as a sentence, why a reading can't be taken by the tool it names, or else its way's own; "" where it can."""
    tool = engine.tool(reading.tool) if reading.tool else engine.tool_for(reading.quantity, reading.way)
    why = out_of_reach(engine, tool, reading) if tool else ""
    return f"{why[:1].upper()}{why[1:]}." if why else ""
