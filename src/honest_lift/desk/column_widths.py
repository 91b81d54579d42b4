"""How wide the columns of a table are: none narrower than its head and its figures, the rest shared out."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtGui import QFontMetrics

MOST_TEXT = 125  # unzoomed pixels that words of a cell may ask for; longer ones are whole under the cursor
MOST_TIMES = 3
_PAD = 10


def head_width(title: str, metrics: QFontMetrics, zoom: float) -> int:
    """Give what a column's head needs, its longest line."""
    return max(metrics.horizontalAdvance(line) for line in title.split("\n")) + round(_PAD * zoom)


def text_width(texts: Sequence[str], metrics: QFontMetrics, zoom: float, *, figures: bool) -> int:
    """Give what cells need: figures are never cut, words ask for so much and no more."""
    longest = max(texts, key=len, default="")
    wide = metrics.horizontalAdvance(longest) + round(_PAD * zoom)
    return wide if figures else min(wide, round(MOST_TEXT * zoom))


def shared_out(needs: Sequence[int], wished: Sequence[int | None], room: int) -> list[int]:
    """Give each column what it needs, or what is wished for it where that is more; those without a wish share what is left.

    None of them grows to more than MOST_TIMES what it needs: in a wide window what is left then goes to all columns alike, so that
    a figure never stands far from the name it belongs to.

    >>> shared_out([40, 60, 30], [50, None, None], 200)
    [50, 90, 60]
    >>> shared_out([40, 60, 30], [50, None, None], 800)
    [210, 340, 250]
    >>> shared_out([40, 60, 30], [50, None, None], 100)  # too little room: the table is scrolled
    [50, 60, 30]
    """
    wide = [max(need, wish or 0) for need, wish in zip(needs, wished, strict=True)]
    free = [i for i, wish in enumerate(wished) if wish is None]
    left = room - sum(wide)
    for i in free if left > 0 else ():
        wide[i] += min(left // len(free), (MOST_TIMES - 1) * wide[i])
    over = max(room - sum(wide), 0) // len(wide) if free else 0
    return [one + over for one in wide]
