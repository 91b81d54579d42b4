"""Shim stacks that must be explained, not copied: a pocket that holds what its neighbours do not."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from honest_lift.facts.engine import Book
from honest_lift.numbers.units import in_words

_ODD_STACK_MM = 0.5


def odd_stacks(book: Book, names: Sequence[str]) -> list[str]:
    """Remark where a pocket holds a stack its neighbours do not: it must be explained, not copied."""
    fitted = [book.engine.fitted("shims", name) for name in names]
    stacks = [one.height_mm if one else None for one in fitted]
    known = [one for one in stacks if one is not None]
    usual = float(np.median(known)) if known else 0.0
    unit = book.engine.unit("length")
    return [
        f"{in_words(own, 'length', unit)} of shims here where the others have {in_words(usual, 'length', unit)}: "
        "look for a spacer someone left in"
        if own is not None and abs(own - usual) > _ODD_STACK_MM
        else ""
        for own in stacks
    ]
