"""What goes and what does not: it proves exactly that, by its tool, and nothing nearer."""

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.edits import Confirm, Fit, Put, fitment, reading_of
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.numbers.bounds import Bounds, is_bound, parse_bounds
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.entry import EntryError, Field
from honest_lift.numbers.verdict import Verdict

INCH = Field.within("length", "in", (0.0, 100.0))
AT, FEELER = at_position("1i"), "micrometer"


@pytest.mark.parametrize(("text", "low", "high"), [
    (">.080", 2.032, None), ("> 2 mm", 2.0, None), ("≥.08", 2.032, None), ("<1.2", None, 30.48), ("<= 1.2", None, 30.48),
    ("0.040 goes, 0.045 does not", 1.016, 1.143), (".040 goes .045 doesn't", 1.016, 1.143),
    ("0.045 goes, but 0.040 not", 1.016, 1.143), (".040 goes and .045 no-go", 1.016, 1.143),
])  # fmt: skip
def test_bounds_are_read_as_they_are_said(text, low, high):
    assert is_bound(text)
    assert parse_bounds(text, INCH) == Bounds(pytest.approx(low) if low else low, pytest.approx(high) if high else high)


@pytest.mark.parametrize(("text", "words"), [
    (">", "lacks its figure"), ("> <.1", "one bound at a time"), (".040 goes", "not what does not"),
    (".040 goes, .040 does not", "same size"), (">.08 furlongs", "furlongs"), (">500", "is outside"),
    ("goes", "not what does not"),
])  # fmt: skip
def test_a_bound_that_says_nothing_is_told_what_would_be_right(text, words):
    with pytest.raises(EntryError, match=words):
        parse_bounds(text, INCH)


def bench(lowest=1.5, highest=None):
    made = Bench().complete()
    return made.do(Put("limits", Limit("own", "retainer_rocker", lowest, highest, origin="shop")))


def gap(made, low=None, high=None, tool=FEELER, repeat=False):
    ends = [one for one in (low, high) if one is not None]
    one = reading_of(made.book, "retainer_rocker", AT, sum(ends) / len(ends), text=">", unit="mm", way="feeler", tool=tool,
                     low=low, high=high, repeat=repeat)  # fmt: skip
    made.do(Confirm((one,)))
    return examine(made.book).finding("retainer_rocker", "1i")


def test_more_than_the_least_passes_and_less_than_it_fails():
    found = gap(bench(), low=2.0)
    assert (found.verdict, found.figure) == (Verdict.PASSES, 2.0)
    assert gap(bench(), low=1.2).verdict is Verdict.UNPROVEN, "more than too little may be enough, or not"
    assert gap(bench(), high=1.2).verdict is Verdict.FAILS
    assert gap(bench(), high=2.0).verdict is Verdict.UNPROVEN
    assert "what goes and what does not leaves it open" in reason(gap(made := bench(), high=2.0), made.engine).lower()


def test_the_gauges_own_uncertainty_counts():
    made = bench()
    u = gap(made, low=2.0).expanded
    assert u > 0.0
    assert gap(bench(), low=1.5 + u / 2.0).verdict is not Verdict.PASSES
    assert gap(bench(), low=1.5 + 2.0 * u).verdict is Verdict.PASSES
    assert gap(bench(), low=2.0, tool="nobody's").verdict is Verdict.UNPROVEN, "a tool nobody knows proves nothing"


def test_in_a_window_both_ends_have_to_be_proven():
    assert gap(bench(1.5, 3.0), low=2.0).verdict is Verdict.UNPROVEN, "the other side lies open"
    assert gap(bench(1.5, 3.0), low=2.0, high=2.5).verdict is Verdict.PASSES
    assert gap(bench(1.5, 3.0), low=2.0, high=3.5).verdict is Verdict.UNPROVEN
    assert gap(bench(1.5, 3.0), low=3.2, high=3.5).verdict is Verdict.FAILS


@given(st.floats(0.1, 5.0), st.floats(0.05, 2.0), st.floats(0.2, 5.0))
def test_nothing_passes_that_some_size_between_would_not(low, wide, lowest):
    """The promise, on every bracket: it passes just when its worst end does by the gauge's uncertainty, and never else."""
    found = gap(bench(lowest), low=low, high=low + wide)
    assert (found.verdict is Verdict.PASSES) == (low - lowest >= found.expanded - 1e-9)
    assert (found.verdict is Verdict.FAILS) == (low + wide - lowest < -found.expanded - 1e-9)


def test_bounds_at_one_place_are_put_together_and_a_figure_goes_before_them():
    made = bench(1.5, 3.0)
    gap(made, low=2.0)
    assert gap(made, high=2.5, repeat=True).verdict is Verdict.PASSES
    both = resolve(made.book, "retainer_rocker", AT)
    assert (both.low, both.high, both.count) == (2.0, 2.5, 2)
    assert gap(made, low=2.8, repeat=True).verdict is Verdict.UNPROVEN, "they contradict each other"
    assert "contradict" in resolve(made.book, "retainer_rocker", AT).note
    made.read("retainer_rocker", AT, 2.2, "feeler", FEELER)
    assert resolve(made.book, "retainer_rocker", AT).value == 2.2


@pytest.mark.parametrize(("bound", "verdict"), [
    ({"low": 2.0}, Verdict.PASSES), ({"low": 2.9}, Verdict.UNPROVEN), ({"high": 1.6}, Verdict.UNPROVEN),
    ({"high": 2.6}, Verdict.PASSES), ({"low": 2.2005}, Verdict.PASSES), ({"high": 2.1995}, Verdict.PASSES),
])  # fmt: skip
def test_a_figure_that_a_gauge_says_can_not_be_proves_nothing(bound, verdict):
    made = bench(1.5).read("retainer_rocker", AT, 2.2, "feeler", FEELER)
    found = gap(made, **bound, repeat=True)
    assert (found.verdict, found.figure) == (verdict, 2.2)
    assert ("both can't be right" in reason(found, made.engine)) == (verdict is Verdict.UNPROVEN)


def test_gauges_of_other_tools_that_contradict_prove_nothing():
    made = bench(1.5)
    gap(made, high=1.8)
    assert gap(made, low=2.0, tool="solid", repeat=True).verdict is Verdict.UNPROVEN
    assert resolve(made.book, "retainer_rocker", AT).ground & Ground.UNSOUND


def test_a_bound_read_on_one_piece_has_what_pieces_differ_by_for_the_others():
    made = Bench()
    one = reading_of(
        made.book, "retainer_thickness", ENGINE, 3.0, text=">3", unit="mm", way="caliper", tool="solid", low=3.0
    )
    made.do(Confirm((one,)))
    assert resolve(made.book, "retainer_thickness", ENGINE).each == ()
    assert resolve(made.book, "retainer_thickness", AT).each, "another retainer may be another thickness"


def test_a_bound_read_before_a_change_proves_nothing_and_is_kept_in_the_file():
    made = bench()
    gap(made, low=2.0)
    kept = decode_book(encode_book(made.book), "a file")
    assert resolve(kept, "retainer_rocker", AT) == resolve(made.book, "retainer_rocker", AT)
    made.do(Fit((fitment(made.engine, "rocker", "1i"),), "another rocker"))
    assert examine(made.book).finding("retainer_rocker", "1i").verdict is Verdict.UNPROVEN


def test_senseless_bounds_of_a_file_are_set_aside_and_named():
    made = bench()
    gap(made, low=2.0, high=2.5)
    raw = msgspec.json.decode(encode_book(made.book))
    reading = next(one for one in raw["journal"] if one.get("low"))
    for low, high in ((2.5, 2.0), (-900.0, 2.0)):
        reading["low"], reading["high"] = low, high
        book = decode_book(msgspec.json.encode(raw), "a file")
        assert [one.quantity for one in book.set_aside] == ["retainer_rocker"]
        assert examine(book).finding("retainer_rocker", "1i").verdict is Verdict.UNPROVEN
    assert replace(book, set_aside=()) != book
