"""Writes the pages of docs/ that are drawn from the program: the schemas, the nomenclature and the files of parts.

Run it after a change of the catalog, the engine file or the findings; a test holds the pages to the program.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import get_args

import msgspec

from honest_lift.checks.unbegun import every_check
from honest_lift.commands.man_page import man_page
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.file import schema
from honest_lift.facts.plain_schema import plainly
from honest_lift.numbers.units import INSIDE
from honest_lift.sheets.findings_json import FindingsReport, Kind, RestsOn, UnitSymbol, VerdictWord
from honest_lift.shelf.kinds import NAME, NUMBER, PARTS
from honest_lift.words.glossary import TERMS

DOCS = Path(__file__).parents[1] / "docs"


def findings_schema() -> str:
    """Give the JSON Schema of `check --json`."""
    return json.dumps(plainly(msgspec.json.schema(FindingsReport)), indent=1, ensure_ascii=False) + "\n"


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


def shelf_format() -> str:
    """Give the page of the parts shelf's files: a table a kind of part."""
    lines = [
        "# Files of parts",
        "",
        "Drawn from `shelf/kinds.py` by `tools/write_docs.py`. One file a kind of part, UTF-8 text, one line a part, comma,",
        "semicolon or tab between columns. The first line names the columns, in any order, each with its unit: `seat_height [in]`.",
        "Any unit the program knows is taken, and a cell may say its own (`1 13/16`, `46.0 mm`). A column that is not needed may",
        "be blank or left out. Texts may not begin like a formula of a spreadsheet; nothing in a file is ever run. Up to 32 MB and",
        "100,000 rows.",
        "",
    ]
    for kind in PARTS.values():
        lines += [
            f"## {kind.title}",
            "",
            "| column | what it is | in | can be | needed |",
            "| --- | --- | --- | --- | --- |",
        ]
        for one in (NUMBER, NAME, *kind.columns):
            unit = INSIDE[one.dimension] if one.is_figure else one.dimension
            span = f"{one.inside[0]:g} to {one.inside[1]:g}" if one.is_figure else "–"
            title = f"{one.title}. {one.meaning}".removesuffix(" ")
            lines.append(f"| `{one.key}` | {title} | {unit or '–'} | {span} | {'yes' if one.needed else ''} |")
        lines.append("")
    return "\n".join(lines)


_FINDINGS = """\
# `check --json`

`./honest-lift check FILE --json` prints one record, schema `honest-lift/findings`, version 1
([findings.schema.json](findings.schema.json), drawn from the program). Fields may be added within a version; none
changes its meaning.

| field | meaning |
| --- | --- |
| `schema`, `version` | what this is |
| `engine`, `engine_id` | name and id of the engine |
| `verdict` | the worst verdict of what is fitted: `fails` > `unproven` > `close` > `passes` |
| `counts` | how many findings of what is fitted carry each verdict |
| `set_aside` | values of the file that make no physical sense, by place and field; they are not used |
| `findings` | every finding, those of fitted parts first, in head order within each check |

A finding:

| field | meaning |
| --- | --- |
| `place` | a valve (`5i`), or a spring (`N3`) when it is not fitted |
| `position`, `fitted` | the valve it concerns; a spring on the bench has none, and no say in the verdict |
| `check`, `title` | the check's name, and the finding's in words |
| `unit` | unit of every figure in it, whatever the engine is shown in: UNITS; empty for a ratio, or what was only looked at |
| `figure`, `uncertainty` | the figure and its expanded uncertainty (k = 2); `null` when there is none |
| `limit` | `lowest`, `highest` (`null` where there is no limit on that side) and `source` |
| `margin` | distance to the nearest limit, positive inside |
| `verdict` | one of VERDICTS |
| `provisional` | what it would be if everything it rests on were measured |
| `rests_on` | what bars or colours it: RESTS_ON |
| `word` | of what was only looked at: the word that was written down; such a finding has no figure |
| `reason` | a sentence or two, in the engine's own units |
| `inputs` | what it was worked from: quantity, kind (KINDS), value, where it is from, way, tool, note, when it was read |
| `working` | the working in lines, in the engine's own units |
| `budget` | each source's share of the variance, largest first |

Exit status: 0 when all pass or are close, 1 when something fails, 3 when nothing fails but something is unproven, 2
when the file can't be read (the message on standard error names the file and the line or field), the answer can't be written, or
the program is at fault.
"""


def findings_page() -> str:
    """Give the page of `check --json`, its enumerations as the program has them."""
    listed = {
        "VERDICTS": [one.value for one in VerdictWord], "UNITS": [one.value for one in UnitSymbol if one.value],
        "RESTS_ON": [one.value for one in RestsOn], "KINDS": get_args(Kind),
    }  # fmt: skip
    page = _FINDINGS
    for name, values in listed.items():
        page = page.replace(name, ", ".join(f"`{one}`" for one in values))
    return page


def glossary() -> str:
    """Give the page of the program's words: terms, checks, quantities."""
    lines = [
        "# Glossary",
        "",
        "Drawn by `tools/write_docs.py` from `words/glossary.py`, the checks and the quantity catalog. One thing has one name,",
        "on screen, in reports, help and JSON titles.",
        "",
        "| term | what it means |",
        "| --- | --- |",
        *(f"| {term} | {meaning} |" for term, meaning in TERMS.items()),
        "",
        "## Checks",
        "",
        "| check | what is held to its limit | name |",
        "| --- | --- | --- |",
        *(f"| {one.title} | {one.meaning} | `{name}` |" for name, one in every_check().items()),
        "",
        "## Quantities",
        "",
        "With units, ranges and ways of measuring: [nomenclature.md](nomenclature.md).",
        "",
        ", ".join(f"{row.title} (`{row.name}`)" for row in CATALOG.values()) + ".",
    ]
    return "\n".join(lines) + "\n"


PAGES = {
    "honest-lift.1": man_page,
    "glossary.md": glossary,
    "findings.md": findings_page,
    "liftbook.schema.json": file_schema,
    "findings.schema.json": findings_schema,
    "nomenclature.md": nomenclature,
    "shelf-format.md": shelf_format,
}

if __name__ == "__main__":
    for name, make in PAGES.items():
        (DOCS / name).write_text(make(), encoding="utf-8")
        print(name)
