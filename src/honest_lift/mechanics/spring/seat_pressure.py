"""What a spring presses a closed valve onto its seat with, over the ring they touch on: advice, no limit."""

from __future__ import annotations

from math import pi


def contact_ring_mm2(head_mm: float, width_mm: float) -> float:
    """Give the area of the ring a valve seats on, mm²: its middle circle lies half the width inside the head's edge.

    A ring that lies further in is smaller, and pressed harder. Source: geometry; common practice, no source.

    >>> round(contact_ring_mm2(40.0, 1.5), 1)
    181.4
    """
    return pi * (head_mm - width_mm) * width_mm


def seat_pressure_mpa(load_n: float, ring_mm2: float) -> float:
    """Give the spring's load over the ring's area, MPa (N/mm²), along the stem and without gas pressure.

    >>> round(seat_pressure_mpa(600.0, contact_ring_mm2(40.0, 1.5)), 2)
    3.31
    """
    return load_n / ring_mm2
