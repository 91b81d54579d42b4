"""Geometry beside the tester's readings."""

from msgspec.structs import replace

from engines import Bench
from honest_lift.checks.rocker.geometry_words import geometry_words
from honest_lift.demo.engine import demo_book
from honest_lift.facts.edits import Put
from honest_lift.facts.parts import Member


def test_the_demonstrations_nest_agrees_with_its_card():
    words = geometry_words(demo_book("x"), "1")
    assert words.startswith("From geometry: rate 555 lbf/in; first surge frequency outer 476 Hz, inner 521 Hz.")
    assert "Measured rate 543 lbf/in." in words
    assert "apart" not in words


def test_a_wrong_wire_is_pointed_out_and_a_card_without_geometry_says_nothing():
    bench = Bench().complete()
    assert geometry_words(bench.book, "1") == ""
    card = bench.engine.cards[0]
    bench.do(
        Put("cards", replace(card, members=(Member("outer", wire_mm=4.0, mean_diameter_mm=32.0, active_coils=4.6),)))
    )
    assert "percent apart: wire, coils or the readings are not what they are said to be" in geometry_words(
        bench.book, "1"
    )
