"""What a tool can have read: the same to either side, and refused by whichever way it comes in."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from honest_lift.demo.engine import demo_book
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, EditError, reading_of
from honest_lift.facts.place import at_position
from honest_lift.facts.reach import tool_reads
from honest_lift.facts.tools import KINDS
from honest_lift.plans.best_way import means_of

CALIPER = next(one.tool for one in KINDS if one.title == "caliper, 0.02 mm")


@given(st.floats(0.0, 320.0))
def test_what_is_told_by_its_side_is_read_by_its_amount(amount):
    across, bare = CATALOG["cutter_touch"], CATALOG["free_length"]
    assert tool_reads(CALIPER, across, -amount) == tool_reads(CALIPER, across, amount) == (amount <= 153.0)
    assert tool_reads(CALIPER, bare, amount) == (amount <= 153.0)
    assert not tool_reads(CALIPER, bare, -amount - 3.1)


def test_a_way_is_offered_to_either_side_and_not_beyond_its_tool():
    book = demo_book()
    engine = replace(book.engine, tools=(replace(CALIPER, id="caliper"),))
    for value, there in ((12.0, True), (-12.0, True), (-160.0, False), (160.0, False)):
        assert bool(means_of(engine, "cutter_touch", value)) is there, value


def test_every_way_in_refuses_what_its_tool_cannot_give():
    book = demo_book()
    tool = book.engine.tool_for("installed_height", "height_micrometer")
    short = replace(tool, lowest=30.0, highest=38.1)
    engine = replace(book.engine, tools=tuple(short if one.id == tool.id else one for one in book.engine.tools))
    book, place = replace(book, engine=engine), at_position(engine.layout.positions[0].id)
    for named in (tool.id, ""):  # "": the default of its way
        fits, beyond = (
            reading_of(
                book, "installed_height", place, mm, text=str(mm), unit="mm", way="height_micrometer", tool=named
            )
            for mm in (36.0, 45.7)
        )
        assert Confirm((fits,)).apply(book)[1] == (fits,)
        with pytest.raises(EditError, match=r"^Height micrometer no\. 2 reads .* lies outside: name the tool"):
            Confirm((fits, beyond)).apply(book)
