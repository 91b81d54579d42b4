"""Tables for other programs: what is written reads back as it was, with a point or a comma, and nothing in it is run."""

import csv
import io
import json

import pytest

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.cli import main
from honest_lift.demo.demonstrations import demonstration
from honest_lift.facts.edits import NoteReading, StrikeOut
from honest_lift.facts.ledger import standing
from honest_lift.sheets.tables import FINDINGS, READINGS, exports


def told(book, *, comma=False):
    return dict(exports(book, examine(book), comma=comma))


def rows(text, comma):
    return list(csv.DictReader(io.StringIO(text), delimiter=";" if comma else ","))


def figure(cell, comma):
    return float(cell.replace(",", ".") if comma else cell) if cell else float("nan")


@pytest.mark.parametrize("comma", [False, True])
@pytest.mark.parametrize("book", [demo, lambda: demonstration("four")], ids=["demo", "four"])
def test_readings_and_findings_read_back_as_they_were(book, comma):
    book = book()
    files = told(book, comma=comma)
    read = rows(files["readings.csv"], comma)
    assert tuple(read[0]) == READINGS
    for row, one in zip(read, standing(book.journal), strict=True):
        assert (row["id"], row["quantity"], figure(row["value"], comma)) == (
            one.reading.id,
            one.reading.quantity,
            one.reading.value,
        )
        assert row["name"] == one.place.name
    found = rows(files["findings.csv"], comma)
    assert tuple(found[0]) == FINDINGS
    for row, one in zip(found, examine(book).findings, strict=True):
        assert (row["check"], row["verdict"]) == (one.check.name, one.verdict.word)
        for name, value in (("figure", one.figure), ("lowest", one.lowest), ("margin", one.margin)):
            assert figure(row[name], comma) == pytest.approx(float(value), nan_ok=True, rel=0, abs=0)
    assert len(json.loads(files["findings.json"])["findings"]) == len(found)


def test_what_was_struck_out_says_so_and_a_formula_is_no_formula():
    made = Bench().height("1e", 45.0).height("1i", 45.0)
    first, other = (one.id for one in made.entries[-2:])
    made.do(StrikeOut(first, "slipped")).do(NoteReading(other, "=HYPERLINK(1)"))
    read = {row["id"]: row for row in rows(told(made.book)["readings.csv"], False)}
    assert read[first]["stands"] == "slipped"
    assert read[other]["stands"] == "counts"
    assert read[other]["note"] == "'=HYPERLINK(1)"


def test_export_writes_them_and_says_what_it_can_not(tmp_path, capsys):
    assert main(["export", "demo:four", "--to", str(tmp_path / "out"), "--comma"]) == 0
    assert [line.rsplit("/", 1)[1] for line in capsys.readouterr().out.split()] == [
        "readings.csv",
        "findings.csv",
        "findings.json",
    ]
    assert (tmp_path / "out" / "readings.csv").read_text().startswith(";".join(READINGS))
    (tmp_path / "file").write_text("")
    assert main(["export", "demo:four", "--to", str(tmp_path / "file")]) == 2
    assert "readings.csv" in capsys.readouterr().err
