"""What cuts, a raised tip, a smaller base circle and turns of the nut come to where nobody has measured the gear: bounds.

A way along one line is seen along another by the cosine of the angle between them. Pushrods stand within 25 degrees of the
cylinder and of their lifter's bore, and within 37 degrees of the stem. About its contact on the tip the rocker is a lever: the
nut's way comes to (1 + 1 / ratio) of it at the cup, less for a pushrod that leans, a little more or less for the arms' swing.
Source: plane geometry; common practice for the lever; the angles from memory. Held to the exact linkage over gears at random.
"""

from __future__ import annotations

Bounds = tuple[float, float]

ALONG_CYLINDER: Bounds = (0.90, 1.0)
ALONG_LIFTER: Bounds = (0.90, 1.0)
ALONG_STEM: Bounds = (0.80, 1.0)
LEVER: Bounds = (0.80, 1.05)


def share_of(amount: float, share: Bounds) -> Bounds:
    """Give the least and the most of a share of an amount, the least first whatever its sign.

    >>> share_of(-1.0, (0.5, 1.0))
    (-1.0, -0.5)
    """
    ends = amount * share[0], amount * share[1]
    return min(ends), max(ends)


def added(several: list[Bounds]) -> Bounds:
    """Give the bounds of a sum.

    >>> added([(1.0, 2.0), (-0.5, 0.5)])
    (0.5, 2.5)
    """
    return sum(one[0] for one in several), sum(one[1] for one in several)


def pushrod_change(*, cut_mm: float = 0.0, tip_up_mm: float = 0.0, base_smaller_mm: float = 0.0) -> Bounds:
    """Give by how much, mm, a pushrod for the same geometry is longer than the one that was there.

    `cut_mm`: off head and block, less what the gasket is thicker; `tip_up_mm`: the tip higher over the head; `base_smaller_mm`:
    of the base circle's radius.
    """
    return added([
        share_of(-cut_mm, ALONG_CYLINDER), share_of(tip_up_mm, ALONG_STEM), share_of(base_smaller_mm, ALONG_LIFTER),
    ])  # fmt: skip


def plunger_down(nut_mm: float, ratio: float) -> Bounds:
    """Give how far, mm, the plunger goes down when the nut goes down by nut_mm: the lever at the tip.

    >>> low, high = plunger_down(0.75 / 24 * 25.4, 1.6)  # three quarters of a turn of a nut of 24 threads an inch
    >>> round(low / 25.4, 3), round(high / 25.4, 3)
    (0.041, 0.053)
    """
    return share_of(nut_mm * (1.0 + 1.0 / ratio), LEVER)
