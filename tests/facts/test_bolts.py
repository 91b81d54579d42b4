"""Head bolts: from the middle out, crosswise, each once; an own order goes first."""

import pytest

from honest_lift.facts.bolts import BoltPlan, places_of, pulled, read_numbers
from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.numbers.mendable import MendableError


@pytest.mark.parametrize("name", COMMON)
def test_every_bolt_is_pulled_once_and_none_before_one_nearer_the_middle(name):
    for head in read_layout(COMMON[name]).heads:
        order = pulled(head, BoltPlan())
        assert sorted(one.number for one in order) == [one.number for one in places_of(head)]
        centre = sum(one.x_mm for one in order) / len(order)
        far = [abs(one.x_mm - centre) for one in order]
        assert far == pytest.approx(sorted(far), abs=1e-6)
        cylinders = len({one.cylinder for one in head.positions})
        assert len(order) == 2 * (cylinders + 1)


def test_of_four_in_a_row_the_order_is_the_usual_cross():
    """By hand, seen from above: 7 3 1 6 10 over 9 5 2 4 8."""
    (head,) = read_layout(COMMON["In-line four, eight valves"]).heads
    turn = {one.number: i for i, one in enumerate(pulled(head, BoltPlan()), 1)}
    assert [turn[i] for i in range(1, 11)] == [7, 3, 1, 6, 10, 9, 5, 2, 4, 8]
    own = (10, 9, 8, 7, 6, 5, 4, 3, 2, 1)
    assert [one.number for one in pulled(head, BoltPlan(order=own))] == list(own)
    assert [BoltPlan(torque_nm=90.0).at_step(i) for i in (1, 2, 3)] == [30.0, 60.0, 90.0]
    assert BoltPlan().at_step(1) is None


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("1 2", "all 4 places"),
        ("1 1 2 3", "twice"),
        ("1 2 3 9", "from 1 to 4"),
        ("a", "from 1 to 4"),
        ("1 ² 3 4", "from 1 to 4"),
    ],
)
def test_places_that_make_no_sense_say_what_would(text, says):
    with pytest.raises(MendableError, match=says):
        read_numbers(text, 4, whole=True)
