"""Writes the pages of docs/ that are drawn from the program: the schemas and the nomenclature.

Run it after a change of the catalog, the engine file or the findings; a test holds the pages to the program.
"""

from __future__ import annotations

import json
from pathlib import Path

import msgspec

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.file import schema
from honest_lift.numbers.units import INSIDE
from honest_lift.sheets.findings_json import FindingsReport

DOCS = Path(__file__).parents[1] / "docs"


def findings_schema() -> str:
    """Give the JSON Schema of `check --json`."""
    return json.dumps(msgspec.json.schema(FindingsReport), indent=1, ensure_ascii=False) + "\n"


def file_schema() -> str:
    """Give the JSON Schema of the engine file."""
    return json.dumps(schema(), indent=1, ensure_ascii=False) + "\n"


def nomenclature() -> str:
    """Give the page of every quantity, its ways, and what each depends on."""
    lines = [
        "# Nomenclature",
        "",
        "Drawn from the quantity catalog (`facts/quantities/`) by `tools/write_docs.py`. Values are kept in the inside",
        "unit. Outside *can be* a value is refused; outside *is mostly* it is asked once.",
        "",
        "| name | what it is | symbol | inside | measured or stated at | can be | is mostly |",
        "| --- | --- | --- | --- | --- | --- | --- |",
    ]
    for row in CATALOG.values():
        spans = (f"{low:g} to {high:g}" for low, high in (row.physical, row.plausible))
        title = f"**{row.title}**. {row.meaning}".strip()
        unit = INSIDE[row.dimension] or "–"
        lines.append(
            f"| `{row.name}` | {title} | {row.symbol} | {unit} | {', '.join(row.places)} | {' | '.join(spans)} |"
        )
    lines += ["", "## Ways of measuring", "", "A reading goes stale when something it depends on is changed.", ""]
    lines += ["| quantity | way | added to the reading | depends on | how |", "| --- | --- | --- | --- | --- |"]
    for row in CATALOG.values():
        for way in row.ways:
            added = ", ".join(
                f"{'less' if sign < 0 else 'plus'} {CATALOG[name].title}" for sign, name in way.corrections
            )
            depends = ", ".join(way.depends)
            lines.append(f"| {row.title} | {way.title} | {added or '–'} | {depends or '–'} | {way.howto} |")
    return "\n".join(lines) + "\n"


PAGES = {
    "liftbook.schema.json": file_schema,
    "findings.schema.json": findings_schema,
    "nomenclature.md": nomenclature,
}

if __name__ == "__main__":
    for name, make in PAGES.items():
        (DOCS / name).write_text(make(), encoding="utf-8")
        print(name)
