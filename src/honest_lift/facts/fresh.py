"""An engine nobody has said anything of yet, with a sensible tool drawer."""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import new_id
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.tools import KINDS

_WANTED = (
    "height micrometer, 0.001 in", "caliper, 0.0005 in", "dial indicator, 0.001 in", "bench spring tester, 1 percent",
    "rule, 1/32 in", "feeler gauges", "outside micrometer, 0.0001 in", "burette, 0.2 cc",
    "dial bore gauge, 0.0001 in", "stem-height gauge, 0.001 in", "depth micrometer, 0.001 in",
)  # fmt: skip


def empty_book() -> Book:
    """Give an engine nobody has said anything of yet, with a sensible tool drawer."""
    kinds = [kind for kind in KINDS if kind.title in _WANTED]
    tools = tuple(replace(kind.tool, id=kind.kind) for kind in kinds)
    return Book(Engine(new_id(), tools=tools, default_tools=default_tools({tool.kind: tool.id for tool in tools})))


def default_tools(by_kind: dict[str, str]) -> dict[str, str]:
    """Give the tool of each way of the catalog: the first of a kind that suits it."""
    found: dict[str, str] = {}
    for quantity in CATALOG.values():
        for way in quantity.ways:
            suiting = next((by_kind[kind] for kind in way.tools if kind in by_kind), "")
            if suiting:
                found[f"{quantity.name}/{way.key}"] = suiting
    return found
