"""Words of a drawing each in a place of its own: no two lie on each other, and none runs out of its area.

The ones that matter most keep the place the drawing wants for them; the others give way by a line or two up or down, and one for
which there is no room at all, a figure on an axis, is left out: beside its neighbours it can be read off.
"""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QRectF

_WAYS = (0.0, -1.0, 1.0, -2.0, 2.0)  # lines up or down, the nearest first


def placed(
    wanted: Sequence[QRectF], ranks: Sequence[int], area: QRectF, fixed: Sequence[bool] = ()
) -> list[QRectF | None]:
    """Give each box its place, the lowest rank first and among those alike in their order; None where there is no room.

    `fixed`: those that mean something only where they are wanted, as the figures of an axis do.
    """
    found: list[QRectF | None] = [None] * len(wanted)
    taken: list[QRectF] = []
    for i in sorted(range(len(wanted)), key=lambda i: (ranks[i], i)):
        box = _within(wanted[i], area)
        for way in _WAYS[:1] if fixed and fixed[i] else _WAYS:
            there = box.translated(0.0, way * box.height())
            inside = there.top() >= area.top() - 1e-6 and there.bottom() <= area.bottom() + 1e-6
            if (inside or way == 0.0) and not any(there.intersects(one) for one in taken):
                found[i] = there
                taken.append(there)
                break
    return found


def _within(box: QRectF, area: QRectF) -> QRectF:
    """Move a box sideways into its area; one wider than that begins at its left."""
    over = max(box.right() - area.right(), 0.0)
    moved = box.translated(-over, 0.0)
    return moved.translated(max(area.left() - moved.left(), 0.0), 0.0)
