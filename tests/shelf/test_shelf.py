"""The parts shelf: what goes in comes out, and what can't go in is said row by row. Nothing in a file is ever run."""

import sqlite3
import time
from contextlib import closing
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from honest_lift.demo.shelf import NAME as INVENTED
from honest_lift.demo.shelf import invented_parts, lay_out
from honest_lift.desk.match.import_dialog import error_lines
from honest_lift.numbers.entry import EntryError
from honest_lift.shelf import csv_in
from honest_lift.shelf.csv_in import nonsense, preview, preview_file
from honest_lift.shelf.csv_out import write_csv
from honest_lift.shelf.kinds import FLAG, PARTS, TEXT, Part
from honest_lift.shelf.part_text import read_cell
from honest_lift.shelf.store import Shelf, ShelfError

SHIMS, SPRINGS = PARTS["shims"], PARTS["springs"]
INCH = {"length": "in", "load": "lbf", "mass": "g"}

words = st.text("abcdefghij ÄÖßé0123456789(),;'\"", min_size=1, max_size=20).map(str.strip).filter(bool)


@st.composite
def shims(draw):
    numbers = draw(st.lists(words.filter(lambda one: one[0].isalpha()), min_size=1, max_size=8, unique=True))
    return [
        Part("shims", number, draw(words.filter(lambda one: one[0].isalpha())), {
            key: value for key, value in (
                ("thickness", draw(st.integers(5, 600)) / 100), ("outside", draw(st.none() | st.just(36.5))),
                ("hardened", draw(st.none() | st.booleans())), ("pieces", draw(st.none() | st.integers(0, 900).map(float))),
            ) if value is not None
        }) for number in numbers
    ]  # fmt: skip


@settings(max_examples=60, deadline=None)
@given(shims(), st.sampled_from([{}, INCH]), st.sampled_from([",", ";", "\t"]))
def test_what_is_written_reads_back_whatever_the_units_and_what_parts_the_columns(parts, units, between):
    text = write_csv(SHIMS, parts, units)
    if between != ",":
        import csv
        import io

        out = io.StringIO(newline="")
        csv.writer(out, delimiter=between).writerows(csv.reader(io.StringIO(text)))
        text = out.getvalue()
    found = preview(text.encode("utf-8-sig"), SHIMS)
    assert not found.errors
    for one, other in zip(found.parts, parts, strict=True):
        assert (one.number, one.name) == (other.number, other.name)
        assert one.values == pytest.approx(other.values, abs=1e-6)


@settings(max_examples=30, deadline=None)
@given(shims())
def test_a_shelf_gives_back_what_was_laid_on_it(parts):
    shelf = Shelf(None)
    shelf.add("mine")
    assert shelf.put("mine", parts) == len(parts)
    assert {one.number: one for one in shelf.parts(SHIMS, "mine")} == {one.number: one for one in parts}
    keys, columns = shelf.arrays(SHIMS)
    assert [number for _, number in keys] == sorted(one.number for one in parts)
    assert columns["thickness"].tolist() == [
        one.figure("thickness") for one in sorted(parts, key=lambda one: one.number)
    ]
    shelf.put("mine", [Part("shims", parts[0].number, "again", {"thickness": 2.5})])
    assert shelf.part(SHIMS, "mine", parts[0].number).values == {"thickness": 2.5}
    shelf.take_off("mine", SHIMS, parts[0].number)
    assert shelf.count(SHIMS, "mine") == len(parts) - 1
    shelf.drop("mine")
    assert shelf.count(SHIMS) == 0


GOOD = (
    "number,name,seat_height [in],seat_load [lbf],open_height [in],open_load [lbf],bind_height [in],outside [in],inside [in],"
    "top_inside [in],members\n"
)


def test_every_bad_row_is_said_with_what_was_given_and_the_good_ones_wait():
    rows = [
        "a1,good,1.800,200,1.250,520,1.150,1.550,.700,1.110,2",
        "a2,text in a number,tall,200,1.250,520,1.150,1.550,.700,1.110,2",
        "a3,millimetres under inches,45.7,200,31.7,520,29,39,18,28,2",
        "a1,twice,1.800,200,1.250,520,1.150,1.550,.700,1.110,2",
        '=HYPERLINK("x"),formula for a number,1.800,200,1.250,520,1.150,1.550,.700,1.110,2',
        "a5,=1+1,1.800,200,1.250,520,1.150,1.550,.700,1.110,2",
        "a6,formula for a figure,=1.8,200,1.250,520,1.150,1.550,.700,1.110,2",
        "a7,too few,1.800,200",
        "a8,binds too high,1.800,200,1.250,520,1.300,1.550,.700,1.110,2",
        "a9,no load,1.800,,1.250,520,1.150,1.550,.700,1.110,2",
        "a10,nan,nan,200,1.250,520,1.150,1.550,.700,1.110,2",
        "a11,fraction and comma,1 13/16,200 lbf,\"1,250\",2310 N,1.150,1.550,.700,1.110,1",
    ]  # fmt: skip
    found = preview((GOOD + "\n".join(rows)).encode(), SPRINGS, {"a11"})
    assert [one.number for one in found.parts] == ["a1", "a11"]
    assert found.parts[1].figure("seat_height") == pytest.approx(46.0375)
    assert found.parts[1].figure("open_load") == pytest.approx(2310)
    assert (found.rows, found.bad_rows, found.known) == (12, 10, ("a11",))
    said = {one.row: one.words for one in reversed(found.errors)}
    for row, part in {
        3: "tall", 4: "Is the unit in the header right?", 5: "is in row 2 already", 6: "begins like a formula",
        7: "begins like a formula", 8: "is a formula", 9: "4 cells where the header has 11", 10: "binds at or above",
        11: "seat load is blank", 12: "nan",
    }.items():  # fmt: skip
        assert part in said[row], said[row]


@pytest.mark.parametrize(("data", "said"), [
    (b"", "lacks number"), (b"number,thickness\n", "says no unit"), (b"number,thickness [kg]\n", "no unit of thickness"),
    (b"number,thickness [mm],thickness [in]\n", "twice"), (b"number,colour,thickness [mm]\n", "no column of shims"),
    (b"\xff\xfe\x00", "not UTF-8"), (b"number\0,thickness [mm]\n", "zero bytes"), (b"number [mm],thickness [mm]\n", "has no unit"),
])  # fmt: skip
def test_a_header_that_cant_be_read_says_what_would_be_right(data, said):
    found = preview(data, SHIMS)
    assert not found.parts
    assert any(said in one.words for one in found.errors), found.errors


def test_files_too_large_or_not_there_are_refused_unread(tmp_path, monkeypatch):
    large = tmp_path / "large.csv"
    with large.open("wb") as file:
        file.truncate(200_000_000)
    (one,) = preview_file(large, SHIMS).errors
    assert "200 MB" in one.words
    assert "split it" in one.words
    assert "there is no such file" in preview_file(tmp_path / "none.csv", SHIMS).errors[0].words
    assert "is no file" in preview_file(Path("/dev/zero"), SHIMS).errors[0].words
    monkeypatch.setattr(csv_in, "MOST_ROWS", 2)
    found = preview(b"number,thickness [mm]\n" + b"".join(b"t%d,1\n" % i for i in range(5)), SHIMS)
    assert (found.parts, found.errors[0].words) == ((), "the file has 6 rows; up to 2 are read: split it.")


def test_of_very_many_bad_rows_the_first_are_named_and_the_rest_counted():
    bad = "number,thickness [mm]\n" + "".join(f"t{i},tall\n" for i in range(500))
    found = preview(bad.encode(), SHIMS)
    assert (len(found.errors), found.bad_rows, found.more_errors, found.rows) == (100, 500, 400, 500)
    assert error_lines(found)[-1] == "and 400 more"
    bad = "number,thickness [mm]\nt,1\n" + "".join(f"t{i},tall\n" for i in range(50_000))
    found = preview(bad.encode(), SHIMS)
    assert (found.parts, found.rows) == ((), csv_in.MOST_BAD_ROWS + 2)
    assert "more than 2,000 rows are bad, by row 2,003: nothing is taken" in error_lines(found)[0]


def test_reading_can_be_broken_off():
    rows = "number,thickness [mm]\n" + "".join(f"t{i},1\n" for i in range(9000))
    seen = []

    def told(count):
        seen.append(count)
        if len(seen) == 2:
            raise InterruptedError

    with pytest.raises(InterruptedError):
        preview(rows.encode(), SHIMS, frozenset(), told)
    assert seen == [2000, 4000]


def test_a_shelf_another_program_is_writing_is_said_at_once(tmp_path):
    path = tmp_path / "shelf.sqlite"
    shelf = Shelf(path)
    other = sqlite3.connect(path, isolation_level=None)
    other.execute("BEGIN EXCLUSIVE")
    began = time.monotonic()
    with pytest.raises(ShelfError, match="locked"):
        shelf.add("mine")
    assert time.monotonic() - began < 3.0, "not the library's usual five seconds"
    other.close()
    shelf.close()


def test_what_a_spreadsheet_would_run_goes_out_harmless():
    part = Part("shims", "=cmd()", "@x", {"thickness": 0.5})
    text = write_csv(SHIMS, [part], INCH)
    assert "'=cmd(),'@x" in text
    wide = preview(b'number,thickness [mm]\n"' + b"x" * 200_000 + b'",1\n', SHIMS)
    assert "can't be parted" in wide.errors[0].words


@given(st.sampled_from([column for kind in PARTS.values() for column in kind.columns]), st.text(max_size=30))
def test_any_text_in_any_cell_is_a_value_in_range_or_a_sentence(column, text):
    unit = (
        "mm" if column.dimension == "length" else {"load": "N", "mass": "kg", "angle": "deg"}.get(column.dimension, "")
    )
    try:
        value = read_cell(text, column, unit)
    except EntryError:
        return
    if value is None or column.dimension in (TEXT, FLAG):
        assert value is None or isinstance(value, str | bool)
    else:
        assert column.inside[0] - 1e-6 <= value <= column.inside[1] + 1e-6


def test_words_looked_for_stand_for_themselves_and_names_are_never_run():
    shelf = Shelf(None)
    shelf.add("it's a '; DROP TABLE shelf; --")
    shelf.add("other")
    shelf.put(
        "other", [Part("shims", number, "", {"thickness": 1.0}) for number in ("50%", "50x", "a_b", "axb", "a!b")]
    )
    for looked, wanted in (("50%", ["50%"]), ("a_b", ["a_b"]), ("!", ["a!b"]), ("'", [])):
        assert [one.number for one in shelf.parts(SHIMS, "other", looked)] == wanted
    assert len(shelf.names()) == 2
    with pytest.raises(ShelfError, match="no shelf"):
        shelf.put("gone", [])


def test_a_shelf_file_that_is_none_or_of_a_later_version_is_left_as_it_is(tmp_path):
    text = tmp_path / "text.sqlite"
    text.write_text("this is no database, and it is longer than any header could be " * 20)
    with pytest.raises(ShelfError, match="can't be opened"):
        Shelf(text)
    later = tmp_path / "later.sqlite"
    with closing(sqlite3.connect(later)) as db, db:
        db.execute("PRAGMA user_version = 99")
    with pytest.raises(ShelfError, match="later version"):
        Shelf(later)
    kept = Shelf(tmp_path / "deep" / "kept.sqlite")
    lay_out(kept)
    kept.close()
    assert Shelf(tmp_path / "deep" / "kept.sqlite").count(SPRINGS, INVENTED) == 240


def test_a_shelf_file_of_an_earlier_version_gains_what_it_had_no_column_for(tmp_path):
    path = tmp_path / "shelf.sqlite"
    made = Shelf(path)
    lay_out(made)
    made.close()
    with closing(sqlite3.connect(path)) as db, db:
        db.execute("ALTER TABLE springs DROP COLUMN peened")
        db.execute("PRAGMA user_version = 1")
    again = Shelf(path)
    assert "peened" not in again.part(SPRINGS, INVENTED, "S-128").values
    lay_out(again)
    assert again.part(SPRINGS, INVENTED, "S-128").values["peened"] is True


def test_the_invented_shelf_is_marked_hangs_together_and_reads_back():
    parts = invented_parts()
    assert parts == invented_parts(), "always the same ones"
    assert all("(invented)" in one.name for one in parts)
    assert not [one.number for one in parts if nonsense(one)]
    for kind in PARTS.values():
        own = [one for one in parts if one.kind == kind.key]
        assert own
        assert len({one.number for one in own}) == len(own)
        found = preview(write_csv(kind, own).encode(), kind)
        assert not found.errors
        assert len(found.parts) == len(own)
