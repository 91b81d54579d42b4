"""Heights of a spring in the head, in mm. Source: common practice; the definitions stand in each line."""

from __future__ import annotations

from honest_lift.numbers.doubt import Array


def open_height(installed_mm: Array, lift_mm: Array) -> Array:
    """Give the height at full lift: installed height less valve lift."""
    return installed_mm - lift_mm


def travel_to_bind(installed_mm: Array, bind_mm: Array) -> Array:
    """Give the travel a spring has from its installed height to coil bind."""
    return installed_mm - bind_mm
