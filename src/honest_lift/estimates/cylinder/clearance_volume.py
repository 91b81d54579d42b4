"""What is left over each piston at TDC: chamber, gasket, deck, dish or dome, pockets, crevice; the ratio, and the squish."""

from __future__ import annotations

from collections.abc import Sequence
from math import nan

import numpy as np
from msgspec import Struct

from honest_lift.estimates.cylinder.chambers import Chambers, chambers
from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_cylinder import of_each_cylinder
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, at_cylinder
from honest_lift.mechanics.cylinder.volumes import compression_ratio, crevice_cc, disc_cc, dish_from_bore
from honest_lift.numbers.doubt import Array, Ground

PARTS = (
    "bore", "stroke", "gasket_thickness", "gasket_bore", "gasket_volume", "deck_clearance", "head_register", "piston_volume",
    "bore_pour", "pour_depth", "pocket_volume", "crevice_volume", "top_land", "land_clearance",
)  # fmt: skip
TERMS = ("chamber", "gasket", "deck", "dish or dome", "pockets", "crevice", "register")
_NONE_UNLESS_STATED = ("head_register", "pocket_volume")
_CREVICE_CC = (0.0, 1.0)  # of an engine nobody measured it on. From memory


class LeftOver(Struct, frozen=True):
    """Of every cylinder (n,): the volume left over the piston and swept, cc; TERMS of the first (terms, n); the ratio."""

    chambers: Chambers
    left: Estimate
    swept: Estimate
    ratio: Estimate
    terms: Array


def left_over(book: Book) -> LeftOver:
    """Work out every cylinder, in head order. What lacks a part has no figure."""
    found = chambers(book)
    every = {name: of_each_cylinder(book, name) for name in PARTS if name not in ("stroke", "deck_clearance")}
    crank = resolve(book, "stroke", ENGINE)
    rows = [
        _parts(book, one, {name: told[case] for name, told in every.items()} | {"stroke": crank})
        for case, one in enumerate(found.cylinders)
    ]
    parts = [estimate_of([row[name] for row in rows]) for name in PARTS]
    left = derive(lambda *each: _terms(*each).sum(axis=0), found.volume, *parts)
    lacking = ~np.isfinite(left.figure.value)
    left = Estimate(left.figure.on_ground(lacking, Ground.MISSING), left.inputs)
    bore, stroke = parts[PARTS.index("bore")], parts[PARTS.index("stroke")]
    swept = derive(disc_cc, bore, stroke)
    terms = _terms(found.volume.figure.value, *(one.figure.value for one in parts))
    ratio = derive(compression_ratio, swept, left)
    nothing = np.isfinite(left.figure.value) & ~np.isfinite(ratio.figure.value)
    ratio = Estimate(ratio.figure.on_ground(nothing, Ground.UNSOUND), ratio.inputs)
    return LeftOver(found, left, swept, ratio, terms)


def _terms(
    chamber: Array, bore: Array, stroke: Array, thick: Array, opening: Array, gasket: Array, deck: Array, register: Array,
    dish: Array, poured: Array, depth: Array, pockets: Array, crevice: Array, land: Array, clearance: Array,
) -> Array:  # fmt: skip
    """Give TERMS (terms, ..., n) in cc. What is told in two ways is taken from the first; NaN stands for what is not told."""
    in_gasket = np.where(np.isfinite(gasket), gasket, np.where(thick == 0.0, 0.0, disc_cc(opening, thick)))
    crown = np.where(np.isfinite(dish), dish, dish_from_bore(poured, bore, depth))
    round_land = np.where(np.isfinite(crevice), crevice, crevice_cc(bore, clearance, land))
    each = (chamber, in_gasket, disc_cc(bore, deck), crown, pockets, round_land, -disc_cc(bore, register))
    return np.stack(np.broadcast_arrays(*each))


def _parts(book: Book, cylinder: str, told: dict[str, Input]) -> dict[str, Input]:
    """Give the parts of a cylinder. What need not be told, because another way tells it, is exact and has no figure."""
    told["deck_clearance"] = deck_of(book, cylinder).told
    idle = [*_idle_gasket(told), *_idle(told, "piston_volume", ("bore_pour", "pour_depth")),
            *_idle(told, "crevice_volume", ("top_land", "land_clearance"))]  # fmt: skip
    for name in idle:
        told[name] = _exact(name, cylinder, nan)
    for name in _NONE_UNLESS_STATED:
        if not told[name].is_told:
            told[name] = _exact(name, cylinder, 0.0)
    if "crevice_volume" not in idle and not told["crevice_volume"].is_told:
        told["crevice_volume"] = _crevice(cylinder)
    return told


def _idle_gasket(told: dict[str, Input]) -> tuple[str, ...]:
    """Give what of the gasket is not needed: its volume goes before its bore, and one of no thickness has none."""
    if told["gasket_volume"].is_told:
        return ("gasket_thickness", "gasket_bore")
    return ("gasket_volume", "gasket_bore") if told["gasket_thickness"].value == 0.0 else ("gasket_volume",)


def _idle(told: dict[str, Input], direct: str, worked: Sequence[str]) -> tuple[str, ...]:
    """Give what is not needed of a figure told directly, or worked out of two others; of neither, only the first is wanted."""
    by_parts = not told[direct].is_told and any(told[name].is_told for name in worked)
    return (direct,) if by_parts else tuple(worked)


def _exact(name: str, cylinder: str, value: float) -> Input:
    return Input(name, "", "not applicable", value, asked=at_cylinder(cylinder))


def _crevice(cylinder: str) -> Input:
    low, high = _CREVICE_CC
    note = "the crevice round the top land is not stated; state 0 to leave it out, as many do, or measure the land"
    return Input("crevice_volume", "", "assumed", (low + high) / 2.0, ground=Ground.ASSUMED, low=low, high=high,
                 low_is_physical=True, note=note, asked=at_cylinder(cylinder))  # fmt: skip
