"""Retainer to seal: the gap measured with the valve closed, less what the valve opens."""

from __future__ import annotations

from honest_lift.numbers.doubt import Array


def retainer_to_seal(gap_mm: Array, lift_mm: Array) -> Array:
    """Give what is left of the gap at a lift, mm, both along the stem; shims do not move it. Source: common practice."""
    return gap_mm - lift_mm
