"""The engine file: round trip, damage of every kind, senseless values, atomic writing, migrations."""

import contextlib
import json
import os
import re
from pathlib import Path

import jsonschema
import msgspec
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench, demo, without_facts
from honest_lift.checks.examine import examine
from honest_lift.checks.unbegun import every_check
from honest_lift.facts import file as engine_file
from honest_lift.facts.bolts import BoltPlan
from honest_lift.facts.book.logged import Logged
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import reading_of
from honest_lift.facts.file import FORMAT, FileError, backup_of, decode_book, encode_book, read_book, schema, write_book
from honest_lift.facts.firing import Fires
from honest_lift.facts.migrations import CURRENT, migrate
from honest_lift.facts.own_route import OwnItem, OwnRoute
from honest_lift.facts.place import at_position
from honest_lift.facts.renamed import NAMES

DOCS = Path(__file__).parents[2] / "docs"


def raw() -> dict:
    return json.loads(encode_book(demo()))


def told(document) -> str:
    data = document if isinstance(document, bytes) else json.dumps(document).encode()
    with pytest.raises(FileError) as said:
        decode_book(data, "engine.liftbook")
    assert str(said.value).startswith("engine.liftbook")
    return str(said.value)


def test_what_is_written_is_read_back(tmp_path):
    book, path = demo(), tmp_path / "river.liftbook"
    write_book(book, path)
    assert read_book(path) == book
    assert path.read_bytes().decode("utf-8").endswith("}\n")


def test_the_file_follows_the_published_schema():
    published = json.loads((DOCS / "liftbook.schema.json").read_text(encoding="utf-8"))
    assert published == json.loads(json.dumps(schema())), "write it anew with tools/write_docs.py"
    jsonschema.validate(raw(), published)


@settings(max_examples=40)
@given(st.lists(st.tuples(st.sampled_from(["1e", "1i"]), st.floats(5, 150), st.text(max_size=20)), max_size=6))
def test_any_engine_comes_back_as_it_was(readings):
    bench = Bench().complete()
    for position, value, note in readings:
        bench.height(position, value, note=note)
    assert decode_book(encode_book(bench.book), "x") == bench.book


@pytest.mark.parametrize(
    ("document", "said"),
    [
        (b"", "line 1, column 1: not readable as JSON"),
        (b"\x89PNG\r\n\x1a\n", "byte 0 is not UTF-8"),
        (b"[1, 2]", "it holds a list, not a record"),
        (b'{"a": 1}', "field “format” must be “honest-lift/liftbook”"),
        (b'{"a": 1, "a": 2}', "field “a” is given twice"),
        (b"[" * 100_000, "not readable as an engine file"),
        (b'{"format": "honest-lift/liftbook", "version": "1"}', "must be a whole number from 1"),
        (b'{"format": "honest-lift/liftbook", "version": true}', "must be a whole number from 1"),
        (b'{"format": "honest-lift/liftbook", "version": 99}', "written by a newer program (format version 99"),
        (b'{"format": "honest-lift/liftbook", "version": 1}', "missing required field `engine`"),
    ],
)
def test_foreign_and_damaged_files_are_explained(document, said):
    assert said in told(document)


def test_structure_that_is_wrong_names_the_field():
    document = raw()
    document["engine"]["tools"][1]["resolution"] = "fine"
    assert "field “engine.tools[1].resolution”" in told(document)
    document = raw()
    document["engine"]["colour"] = "red"
    assert "colour" in told(document)
    document = raw()
    document["journal"][3]["entry"] = "guess"
    assert "field “journal[3].entry”" in told(document)
    document = raw()
    document["journal"][4]["id"] = document["journal"][3]["id"]
    assert "is there twice" in told(document)


def test_every_truncation_is_refused_and_leaves_the_file_as_it_was(tmp_path):
    data = encode_book(demo())
    path = tmp_path / "cut.liftbook"
    for length in range(0, len(data) - 2, 997):
        path.write_bytes(data[:length])
        with pytest.raises(FileError, match=r"cut\.liftbook"):
            read_book(path)
        assert path.read_bytes() == data[:length]


@settings(max_examples=150, suppress_health_check=[HealthCheck.too_slow])
@given(st.data())
def test_no_damage_raises_anything_else(data):
    whole = bytearray(encode_book(BENCH.book))
    for _ in range(data.draw(st.integers(1, 4))):
        at = data.draw(st.integers(0, len(whole) - 1))
        whole[at] = data.draw(st.integers(0, 255))
    with contextlib.suppress(FileError):
        decode_book(bytes(whole), "x")


BENCH = Bench().complete()


@pytest.mark.parametrize(
    ("number", "why"),
    [("NaN", "not a number"), ("Infinity", "not a number"), ("1e999", "not a number"), ("-45.0", "outside 5 to 150"),
     ("1e9", "outside 5 to 150")],
)  # fmt: skip
def test_a_senseless_reading_is_set_aside_and_named(number, why):
    bench = Bench().height("1e", 45.123456)
    book = decode_book(encode_book(bench.book).replace(b'"value": 45.123456', b'"value": ' + number.encode()), "x")
    assert not without_facts(book.journal)
    (aside,) = book.set_aside
    assert (aside.place, aside.field) == ("1 exhaust", "installed height")
    assert why in aside.why
    assert "45.123456" in aside.given, "what was typed is kept"
    assert decode_book(encode_book(book), "x") == book, "and survives the next save"


def test_a_senseless_fact_tool_card_and_stack_are_set_aside_and_the_rest_opens():
    document = raw()
    document["engine"]["facts"][0]["value"] = -3.0
    document["engine"]["tools"][0]["accuracy"] = 1e9
    document["engine"]["cards"][0]["seat_load_n"] = -5.0
    document["engine"]["cards"][0]["members"][1]["wire_mm"] = 1e9
    document["engine"]["fitments"][1]["thicknesses_mm"] = [0.4, -2.0]
    book = decode_book(json.dumps(document).encode(), "x")
    named = {(one.place, one.field) for one in book.set_aside}
    assert named == {
        ("intake", "lobe lift"), ("tool gauge", "accuracy"), ("card tidewater", "seat_load_n"),
        ("card tidewater inner", "wire_mm"), ("fitment shims-1e", "thicknesses_mm"),
    }  # fmt: skip
    assert len(book.journal) == len(demo().journal)


def test_half_a_window_or_a_lost_step_never_passes_for_the_whole():
    document = raw()
    document["engine"]["limits"][0]["lowest"] = -1e9
    document["engine"]["cards"][0]["members"][1]["step_mm"] = -3.0
    book = decode_book(json.dumps(document).encode(), "x")
    aside = next(one for one in book.engine.limits if one.id == "cam-seat_load")
    assert (aside.lowest, aside.highest, aside.set_aside) == (None, None, True)
    assert book.engine.cards[0].members[1].step_mm is None
    verdicts = {f.check.name: f.verdict.word for f in examine(book).by_position["1e"]}
    assert (verdicts["seat_load"], verdicts["coil_bind_clearance"]) == ("unproven", "unproven")


def test_a_reading_of_something_unknown_is_set_aside():
    document = raw()
    document["journal"][0]["quantity"] = "phase_of_moon"
    (aside,) = decode_book(json.dumps(document).encode(), "x").set_aside
    assert "nothing called “phase_of_moon” is measured here" in aside.why


def test_bind_above_installed_height_is_no_bad_file():
    bench = Bench().complete()
    bench.read("bind_height", at_position("1e").__class__("spring", "1"), 46.0, "tester")
    assert decode_book(encode_book(bench.book), "x").set_aside == ()


def test_an_enormous_file_is_refused_unread(tmp_path):
    path = tmp_path / "big.liftbook"
    with path.open("wb") as file:
        file.truncate(65 * 1024 * 1024 + 1)
    with pytest.raises(FileError, match="at most 64 MB"):
        read_book(path)


def test_what_can_not_be_read_or_written_is_explained(tmp_path):
    with pytest.raises(FileError, match="No such file"):
        read_book(tmp_path / "none.liftbook")
    with pytest.raises(FileError, match="it is a folder"):
        read_book(tmp_path)
    with pytest.raises(FileError, match="Save it elsewhere"):
        write_book(demo(), tmp_path / "no" / "folder.liftbook")


def test_the_previous_state_is_kept_beside_it(tmp_path):
    path = tmp_path / "river.liftbook"
    first, second = Bench().book, Bench().complete().book
    write_book(first, path)
    assert not backup_of(path).exists()
    write_book(second, path)
    assert (read_book(backup_of(path)), read_book(path)) == (first, second)
    assert sorted(one.name for one in tmp_path.iterdir()) == ["river.liftbook", "river.liftbook.bak"]


def test_a_write_that_breaks_off_leaves_the_old_file_whole(tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(Bench().book, path)
    before = path.read_bytes()

    def broken(handle):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(engine_file.os, "fsync", broken)
    with pytest.raises(FileError, match="No space left on device"):
        write_book(demo(), path)
    assert path.read_bytes() == before
    assert [one.name for one in tmp_path.iterdir()] == ["river.liftbook"]


def test_permissions_stay_as_they_were(tmp_path):
    path = tmp_path / "river.liftbook"
    write_book(Bench().book, path)
    path.chmod(0o600)
    write_book(demo(), path)
    assert path.stat().st_mode & 0o777 == 0o600
    assert os.access(path, os.R_OK)


def test_the_migration_chain_lifts_step_by_step():
    chain = {1: lambda raw: {**raw, "b": raw["a"] + 1}, 2: lambda raw: {**raw, "c": raw["b"] + 1}}
    assert migrate({"a": 1}, 1, chain, 3) == {"a": 1, "b": 2, "c": 3}
    assert migrate({"a": 1, "b": 5}, 2, chain, 3)["c"] == 6
    assert migrate({"a": 1}, 3, chain, 3) == {"a": 1}
    with pytest.raises(KeyError):
        migrate({}, 0, chain, 3)


def test_the_format_names_itself():
    assert raw()["format"] == FORMAT
    assert msgspec.json.decode(encode_book(demo()))["version"] == CURRENT


def test_every_quantity_of_the_catalog_has_sensible_ranges():
    for name, row in CATALOG.items():
        assert row.name == name
        assert row.physical[0] <= row.plausible[0] < row.plausible[1] <= row.physical[1]
        for way in row.ways:
            assert all(quantity in CATALOG for _, quantity in way.corrections)
        assert len({way.key for way in row.ways}) == len(row.ways)


def grown(field, most, record):
    """Give the demonstration with one more record of a kind than a file may hold."""
    document = raw()
    holder = document if field in document else document["engine"]
    first = holder[field][0] if holder[field] else {}
    holder[field] = [{**first, **record(i)} for i in range(most + 1)]
    return json.dumps(document).encode()


@pytest.mark.parametrize(
    ("field", "most"),
    [("journal", 120000), ("springs", 2000), ("fitments", 20000), ("facts", 20000), ("set_aside", 20000)],
)
def test_more_of_a_kind_than_any_engine_has_is_refused(field, most):
    with pytest.raises(FileError, match=f"{field}” has {most + 1} records; an engine has at most {most}"):
        decode_book(grown(field, most, lambda i: {"id": str(i)}), "x")


def test_one_item_too_many_is_refused_in_a_file_this_program_wrote():
    own = OwnRoute(tuple(OwnItem(f"own {i}", "stage", f"word {i}") for i in range(201)))
    with pytest.raises(FileError, match=r"own_route\.items” has 201 records; an engine has at most 200"):
        decode_book(encode_book(replace(demo(), engine=replace(demo().engine, own_route=own))), "x")


@pytest.mark.parametrize(
    ("field", "odd", "why"),
    [("firing", (Fires(1, 0.0), Fires(2, 900.0)), "stay below 720"), ("firing", (Fires(1, 0.0), Fires(1, 90.0)), "fires twice"),
     ("bolts", BoltPlan(steps=0), "from 1 to 6"), ("bolts", BoltPlan(torque_nm=9e9), "between 1 and 500")],
)  # fmt: skip
def test_a_firing_order_or_a_bolt_plan_that_makes_no_sense_is_set_aside(field, odd, why):
    book = decode_book(encode_book(replace(demo(), engine=replace(demo().engine, **{field: odd}))), "x")
    assert (book.set_aside[-1].field, why in book.set_aside[-1].why) == (field, True)
    assert getattr(book.engine, field) in ((), BoltPlan())


def test_what_the_book_says_of_no_day_is_set_aside():
    made = Bench().complete()
    run = Logged("l", "2026-01-01T10:00:00Z", "", "run", "once", "first", 2.0)
    load = reading_of(
        made.book, "seat_load_engine", at_position("1e"), 400.0, text="400", unit="N", way="lever", tool="tester"
    )
    odd = (run, replace(run, id="h", day="2026-01-01", hours=-1.0), replace(load, when="soon"))
    book = decode_book(encode_book(replace(made.book, journal=(*made.book.journal, *odd))), "x")
    whys = [one.why for one in book.set_aside]
    assert [said in why for said, why in zip(("no day", "make no sense", "no day"), whys, strict=True)] == [True] * 3
    assert not {one.id for one in odd} & {one.id for one in book.journal}


def test_an_id_that_stands_twice_among_very_many_is_named():
    document = raw()
    document["journal"] += [{**document["journal"][0], "id": f"n{i}"} for i in range(20000)] + [document["journal"][0]]
    with pytest.raises(FileError, match=f"id “{document['journal'][0]['id']}” is there twice"):
        decode_book(json.dumps(document).encode(), "x")


@pytest.mark.parametrize("half", ["\\ud800", "a\\uDC00b", "\\udfff\\ud800"])
@pytest.mark.parametrize("where", ['"name": "{}"', '"units": {{"{}": "in"}}'])
def test_half_a_character_is_refused(half, where):
    text = encode_book(demo()).decode()
    old = '"name": "Reedmace 366"' if "name" in where else '"units": {'
    new = where.format(half) if "name" in where else where.format(half).replace('"in"}', '"in",')
    with pytest.raises(FileError, match="is half of a character"):
        decode_book(text.replace(old, new, 1).encode(), "x")
    whole = text.replace('"name": "Reedmace 366"', '"name": "\\ud83d\\ude00"', 1)
    assert decode_book(whole.encode(), "x").engine.name == "\U0001f600", "both halves are one"


@pytest.mark.parametrize("value", ["NaN", "Infinity", "-Infinity", "1e999"])
def test_no_figure_that_is_none_comes_in_anywhere(value):
    """Each number of the file in turn: set aside, refused, or left out; and what is open can be written and read again."""
    text = encode_book(demo()).decode()
    spots = [found.span(1) for found in re.finditer(r'": (-?[0-9.]+)', text)]
    for start, end in spots[:: max(len(spots) // 40, 1)]:
        try:
            book = decode_book((text[:start] + value + text[end:]).encode(), "x")
        except FileError:
            continue
        assert decode_book(encode_book(book), "x") == book


def test_a_head_without_a_valve_is_refused():
    document = raw()
    document["engine"]["layout"]["heads"][1]["positions"] = []
    assert "heads[1].positions”: a head has at least one valve" in told(document)


def test_a_head_drawn_nowhere_is_drawn_in_a_row():
    text = encode_book(demo()).decode().replace('"x_mm": 52.0', '"x_mm": NaN', 1)
    book = decode_book(text.encode(), "x")
    assert all(abs(one.x_mm) < 1000 for one in book.engine.layout.positions)
    assert book.set_aside[0].field == "where it is drawn"


def test_what_would_not_read_back_is_not_written(tmp_path):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    before = path.read_bytes()
    bad = msgspec.structs.replace(demo(), engine=msgspec.structs.replace(demo().engine, pushrod_stock=(float("nan"),)))
    with pytest.raises(FileError, match="not written"):
        write_book(bad, path)
    assert path.read_bytes() == before
    assert [one.name for one in tmp_path.iterdir()] == ["river.liftbook"]


def test_what_would_read_back_as_something_else_is_not_written(tmp_path):
    bench = Bench().height("1e", 45.0)
    senseless = msgspec.structs.replace(bench.entries[0], value=-5.0)
    with pytest.raises(FileError, match="would read back as something else"):
        write_book(msgspec.structs.replace(bench.book, journal=(senseless,)), tmp_path / "river.liftbook")
    assert list(tmp_path.iterdir()) == []


def test_a_disk_that_gives_back_something_else_is_found_out(tmp_path, monkeypatch):
    path = tmp_path / "river.liftbook"
    write_book(Bench().book, path)
    before = path.read_bytes()

    class Rotten:
        def __getattr__(self, name):
            return (
                (lambda handle, size: os.read(handle, size).replace(b"bench", b"bEnch"))
                if name == "read"
                else getattr(os, name)
            )

    monkeypatch.setattr(engine_file.disk, "os", Rotten())
    with pytest.raises(FileError, match="reads back as something else"):
        write_book(Bench().height("1e", 45.0).book, path)
    monkeypatch.undo()
    assert path.read_bytes() == before


def test_names_of_an_older_file_are_the_present_ones_and_what_a_person_wrote_is_left():
    old = {
        "engine": {
            "note": "control", "job": {"preset": "everything", "more": ["control"], "less": ["bind_margin"]},
            "limits": [{"check": "effective_ratio", "school": "0.030 in at least", "reserve": 2.0},
                       {"check": "seat_load", "school": "own"}],
            "facts": [{"quantity": "pad_middle", "source": "mark_middle"}], "default_tools": {"mark_middle/seen": "eye"},
        },
        "journal": [{"quantity": "checking_middle", "note": "control", "also": {"start": "1"}, "at": {"checking_length": 200.0}}],
    }  # fmt: skip
    new = migrate(old, 9, current=11)
    assert [one.get("comfort") for one in new["engine"]["limits"]] == [2.0, None]
    assert not any({"school", "reserve"} & set(one) for one in new["engine"]["limits"])
    assert new["engine"]["job"] == {"preset": "everything", "more": ["float_margin"], "less": ["coil_bind_clearance"]}
    assert [(one["check"], one["rule"]) for one in new["engine"]["limits"]] == [
        ("dynamic_ratio", "0.030 in min"), ("seat_load", "own"),
    ]  # fmt: skip
    assert (new["engine"]["note"], new["journal"][0]["note"], new["engine"]["facts"][0]["source"]) == (
        "control", "control", "mark_middle",
    )  # fmt: skip
    assert new["engine"]["facts"][0]["quantity"] == "pad_centre"
    assert new["engine"]["default_tools"] == {"mark_centre/seen": "eye"}
    assert (new["journal"][0]["quantity"], new["journal"][0]["at"]) == ("checking_centre", {"checking_length": 200.0})


@pytest.mark.parametrize(("old", "new"), NAMES.items())
def test_what_is_renamed_is_known_by_its_new_name_alone(old, new):
    known = {*every_check(), *CATALOG}
    assert new in known
    assert old not in known
