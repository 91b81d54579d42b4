"""Layouts: common ones, and one's own order as it is typed."""

import pytest

from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.facts.place import Place, at_position, of_spring, position_title, split_position


@pytest.mark.parametrize("name", COMMON)
def test_common_layouts_are_read_and_written_back(name):
    layout = read_layout(COMMON[name])
    assert layout.as_text == COMMON[name]
    roles = [position.role for position in layout.positions]
    cylinders = len(layout.cylinders)
    assert roles.count("exhaust") % cylinders == roles.count("intake") % cylinders == 0, "every cylinder alike"
    assert roles.count("intake") >= roles.count("exhaust")
    spots = [(p.x_mm, p.y_mm) for head in layout.heads for p in head.positions]
    assert len(set(spots)) >= len(layout.heads[0].positions), "no two valves of a head lie in one spot"


def test_head_order_is_list_order():
    layout = read_layout("near: 2E, 1e\n\n 1i 2i")
    assert [p.id for p in layout.positions] == ["2e", "1e", "1i", "2i"]
    assert [head.name for head in layout.heads] == ["near", "head 2"]
    assert layout.head_of("2i") == "head 2"
    assert layout.head_of("9i") == ""


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("left: 1e 1i 1e", "1e is there twice"),
        ("left: 1e\nright: 1e", "on the left and the right head"),
        ("left: 1x", "“1x” is no valve position"),
        ("left: e1", "as in 3e or 3e2"),
        ("", "at least one head"),
        ("left:", "at least one head"),
        ("a: 1e\na: 1i", "Two heads are called “a”"),
    ],
)
def test_a_mistyped_layout_is_explained(text, told):
    with pytest.raises(ValueError, match=r".") as said:
        read_layout(text)
    assert told in str(said.value)


def test_names_of_places():
    assert split_position("12i2") == (12, "intake", 2)
    assert position_title("3e") == "3 exhaust"
    assert at_position("3e2").title == "3 exhaust 2"
    assert of_spring("7", "inner").title == "spring 7 inner"
    assert Place("head", "left").title == "left head"
    assert Place("role", "intake").title == "intake"
