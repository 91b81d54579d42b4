"""A round-wire helical spring from its geometry: rate, solid height, stress, fatigue and natural frequency.

What geometry predicts is a second line beside what was measured, never in place of it.

Sources: Shigley's Mechanical Engineering Design, chapter on springs (rate 10-9, curvature factors, Zimmerli's data, from
memory, recomputed); EN 13906-1 (rate, stress coefficient, natural frequency). The two curvature factors of Bergstraesser
and of EN 13906-1 are one formula written twice.
"""

from __future__ import annotations

from math import pi

import numpy as np

from honest_lift.numbers.doubt import Array

SHEAR_MODULUS_MPA = 77200.0  # chrome-silicon, Shigley; EN 13906-1 uses 79500
DENSITY_KG_M3 = 7850.0
ZIMMERLI_MPA = {"unpeened": (241.0, 379.0), "peened": (398.0, 534.0)}  # amplitude, mean; Shigley, from memory
TENSILE_A, TENSILE_M = 1974.0, 0.108  # chrome-silicon, Sut = A / d^m in MPa and mm; Shigley, from memory
_TORSIONAL = 0.67  # ultimate shear over ultimate tensile strength, Shigley


def rate(wire_mm: Array, mean_diameter_mm: Array, active_coils: Array, shear_mpa: float = SHEAR_MODULUS_MPA) -> Array:
    """Give the rate in N/mm: G d^4 / (8 D^3 Na). Broadcasts.

    >>> round(float(rate(np.array(4.5), np.array(32.0), np.array(4.6))), 4)
    26.2524
    """
    return np.asarray(shear_mpa * wire_mm**4 / (8.0 * mean_diameter_mm**3 * active_coils))


def solid_height(wire_mm: Array, total_coils: Array, *, ground: bool = True) -> Array:
    """Give the height in mm at which all coils touch: Nt d with ground ends, (Nt + 1) d closed and not ground."""
    return np.asarray((total_coils + (0.0 if ground else 1.0)) * wire_mm)


def spring_index(wire_mm: Array, mean_diameter_mm: Array) -> Array:
    """Give the index C = D / d."""
    return np.asarray(mean_diameter_mm / wire_mm)


def wahl_factor(index: Array) -> Array:
    """Give Wahl's curvature factor.

    >>> round(float(wahl_factor(np.array(5.0))), 4)
    1.3105
    """
    return np.asarray((4.0 * index - 1.0) / (4.0 * index - 4.0) + 0.615 / index)


def curvature_factor(index: Array) -> Array:
    """Give Bergstraesser's factor (4C + 2)/(4C - 3), the same as EN 13906-1's (C + 0.5)/(C - 0.75)."""
    return np.asarray((index + 0.5) / (index - 0.75))


def shear_stress(load_n: Array, wire_mm: Array, mean_diameter_mm: Array) -> Array:
    """Give the largest shear stress in MPa of one coil under its own load (never a nest's sum)."""
    factor = curvature_factor(spring_index(wire_mm, mean_diameter_mm))
    return np.asarray(factor * 8.0 * load_n * mean_diameter_mm / (pi * wire_mm**3))


def active_mass(wire_mm: Array, mean_diameter_mm: Array, active_coils: Array) -> Array:
    """Give the mass in kg of the active coils."""
    volume_mm3 = pi * wire_mm**2 / 4.0 * pi * mean_diameter_mm * active_coils
    return np.asarray(DENSITY_KG_M3 * volume_mm3 * 1e-9)


def natural_frequency(
    wire_mm: Array, mean_diameter_mm: Array, active_coils: Array, shear_mpa: float = SHEAR_MODULUS_MPA
) -> Array:
    """Give the first natural frequency in Hz between two plates: half the root of rate over active mass."""
    stiff = rate(wire_mm, mean_diameter_mm, active_coils, shear_mpa) * 1000.0
    return np.asarray(0.5 * np.sqrt(stiff / active_mass(wire_mm, mean_diameter_mm, active_coils)))


def tensile_strength(wire_mm: Array) -> Array:
    """Give the general tensile strength in MPa of chrome-silicon wire; the maker's own figure is better."""
    return np.asarray(TENSILE_A / wire_mm**TENSILE_M)


def fatigue_margin(low_mpa: Array, high_mpa: Array, tensile_mpa: Array, *, peened: bool = True) -> Array:
    """Give the safety against endless life between two shear stresses: Goodman over Zimmerli's data. Advice, no verdict."""
    amplitude, mean = ZIMMERLI_MPA["peened" if peened else "unpeened"]
    shear_ultimate = _TORSIONAL * tensile_mpa
    endurance = amplitude / (1.0 - mean / shear_ultimate)
    alternating, steady = (high_mpa - low_mpa) / 2.0, (high_mpa + low_mpa) / 2.0
    return np.asarray(1.0 / (alternating / endurance + steady / shear_ultimate))


def chain_height(load_n: Array, free_mm: float, rates_n_mm: Array, gaps_mm: Array) -> Array:
    """Give the height in mm of coils in series (m,) under loads (...): each shortens until its gap is closed."""
    shortened = np.minimum(np.asarray(load_n)[..., None] / rates_n_mm, gaps_mm)
    return np.asarray(free_mm - shortened.sum(axis=-1))


def chain_load(height_mm: Array, free_mm: float, rates_n_mm: Array, gaps_mm: Array) -> Array:
    """Give the load in N of coils in series (m,) at heights (...); NaN above free length and below coil bind.

    Solved exactly: between the loads at which coils close, the height falls on straight lines.
    """
    closing = np.sort(np.concatenate([[0.0], rates_n_mm * gaps_mm]))
    heights = chain_height(closing, free_mm, rates_n_mm, gaps_mm)
    wanted = np.asarray(height_mm, dtype=np.float64)
    return np.asarray(np.interp(-wanted, -heights, closing, left=np.nan, right=np.nan))


def chain_rate(load_n: Array, rates_n_mm: Array, gaps_mm: Array) -> Array:
    """Give the rate in N/mm of coils in series (m,) at loads (...): only open coils yield; infinite at coil bind."""
    still_open = np.asarray(load_n)[..., None] < rates_n_mm * gaps_mm
    with np.errstate(divide="ignore"):
        return np.asarray(1.0 / (still_open / rates_n_mm).sum(axis=-1))
