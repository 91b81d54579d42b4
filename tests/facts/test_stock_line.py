"""Sizes in stock typed as a line: lists, rows and counts, in the unit that is shown; what can't be read is said."""

import pytest

from honest_lift.facts.stock_line import read_counted, read_sizes
from honest_lift.numbers.entry import EntryError

INSIDE = (0.3, 500.0)


def test_lists_rows_and_counts():
    assert read_sizes("", "mm", INSIDE) == ()
    assert read_sizes("2.50; 2,45; 2.5", "mm", INSIDE) == (2.45, 2.5)
    assert read_sizes("2.00 to 2.20 by .05; 3", "mm", INSIDE) == (2.0, 2.05, 2.1, 2.15, 2.2, 3.0)
    assert read_sizes("7.6 to 7.7 by 50 thou", "in", INSIDE) == pytest.approx((193.04, 194.31, 195.58))
    assert read_counted("2.45 x 3; 2.50; 2.45 × 1", "mm", INSIDE) == ((2.45, 4), (2.5, 1))


@pytest.mark.parametrize(
    ("text", "why"),
    [("2.5; lots", "lots"), ("3 to 2 by .1", "smaller one"), ("1 to 499 by .01", "up to 400"),
     ("0.1", "0.1"), ("2 to 3 by 0", "0")],
)  # fmt: skip
def test_what_can_not_be_read_is_said(text, why):
    with pytest.raises(EntryError, match=why):
        read_sizes(text, "mm", INSIDE)
