"""The best ways to measure something with the tools in the drawer."""

from __future__ import annotations

from math import hypot

from msgspec import Struct

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.quantity import Way
from honest_lift.facts.reach import tool_reads
from honest_lift.facts.tools import Tool, offset_doubt, scatter_doubt


class Means(Struct, frozen=True):
    """A way of measuring with a tool, and the standard doubt of one reading by it."""

    way: Way
    tool: Tool
    u: float


def means_of(engine: Engine, quantity: str, value: float) -> list[Means]:
    """Give every way the drawer allows for a quantity at a value, the finest first; of ways alike the plainest."""
    row = CATALOG[quantity]
    found = [
        Means(way, tool, hypot(offset_doubt(tool, value), scatter_doubt(tool, value, way.figures)))
        for way in row.ways
        for tool in engine.tools
        if tool.kind in way.tools
        and tool.dimension == row.dimension
        and tool.is_stated
        and (way.asked or tool_reads(tool, row, value))
    ]
    return sorted(found, key=lambda one: (round(one.u, 9), len(one.way.corrections)))
