"""The shelf's side of a match: springs, retainers and locks by their cards, and which of them go together on the stem."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec import Struct

from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.engine import Book
from honest_lift.facts.shims import ShimSize
from honest_lift.mechanics.match.asked import CardSprings, Pairs, Retainers
from honest_lift.mechanics.spring.helix import shear_stress
from honest_lift.mechanics.train.masses import spring_share
from honest_lift.numbers.doubt import Array
from honest_lift.shelf.kinds import PARTS, Part
from honest_lift.shelf.store import Shelf

Key = tuple[str, str]  # shelf and number
_SHARE = 0.40  # of a spring whose coils its card does not say. From memory
_ANGLE_DEG, _STEM_MM = 0.5, 0.06  # locks and retainer, and locks and stem, of one size


class OnShelf(Struct, frozen=True):
    """What lies on the chosen shelves: shelf and number of each part of a kind, its figures (n,) inside, and the shims."""

    keys: dict[str, tuple[Key, ...]]
    figures: dict[str, dict[str, Array]]
    shims: tuple[ShimSize, ...] = ()

    def count(self, kind: str) -> int:
        """Count the parts of a kind."""
        return len(self.keys[kind])


def on_shelf(shelf: Shelf, shelves: Sequence[str] = ()) -> OnShelf:
    """Read springs, retainers, locks and shims off some shelves, or off all."""
    keys, figures = {}, {}
    for kind in ("springs", "retainers", "locks"):
        own, columns = shelf.arrays(PARTS[kind], shelves)
        keys[kind], figures[kind] = tuple(own), columns
    shims = [one for name in shelves or ("",) for one in shelf.parts(PARTS["shims"], name)]
    return OnShelf(keys, figures, tuple(map(_shim, shims)))


def _shim(part: Part) -> ShimSize:
    pieces = part.figure("pieces")
    count = int(pieces) if pieces == pieces else None
    return ShimSize(part.number, part.figure("thickness"), count, hardened=part.values.get("hardened") is True)


def springs_of(found: OnShelf) -> CardSprings:
    """Give the springs as straight lines through their two loads."""
    one = found.figures["springs"]
    rate = (one["open_load"] - one["seat_load"]) / (one["seat_height"] - one["open_height"])
    share = np.array([
        spring_share(active, coils) if active == active and coils == coils and active <= coils else _SHARE
        for active, coils in zip(one["active_coils"].tolist(), one["coils"].tolist(), strict=True)
    ])  # fmt: skip
    single = np.where(one["members"] == 1.0, 1.0, np.nan)  # of a nest nobody says how its load is shared
    stress = shear_stress(np.ones_like(rate), one["wire"], one["mean_diameter"]) * single
    return CardSprings(
        rate, one["seat_height"], one["seat_load"], one["bind_height"], one["most_lift"], one["mass"] * share, one["outside"],
        one["inside"], np.where(np.isnan(one["top_outside"]), one["outside"], one["top_outside"]), one["top_inside"],
        one["members"], stress,
    )  # fmt: skip


def retainers_of(found: OnShelf) -> Retainers:
    """Give the retainers."""
    one = found.figures["retainers"]
    return Retainers(one["spigot"], one["covers"], one["members"])


class Present(Struct, frozen=True):
    """What is fitted now, NaN where nobody told: how much over standard height it stands, the retainer's underside, the stem."""

    offset_mm: float
    under_mm: float
    stem_mm: float


def present_of(book: Book) -> Present:
    """Give what is fitted now, by what is told of the first valve."""
    first = book.engine.layout.positions[0].id
    offset, under, stem = (
        at_valve(book, name, first).value for name in ("parts_offset", "retainer_under", "stem_at_lock")
    )
    return Present(offset if offset == offset else 0.0, under, stem)


def pairs_of(found: OnShelf, present: Present) -> Pairs:
    """Give every retainer with every pair of locks of its taper that fits the stem."""
    held, locks = found.figures["retainers"], found.figures["locks"]
    r, k = np.nonzero(np.abs(held["angle"][:, None] - locks["angle"]) <= _ANGLE_DEG)
    if present.stem_mm == present.stem_mm:
        fits = np.abs(locks["stem"][k] - present.stem_mm) <= _STEM_MM
        r, k = r[fits], k[fits]
    offset = np.nan_to_num(held["offset"][r]) + np.nan_to_num(locks["offset"][k]) - present.offset_mm
    return Pairs(
        r.astype(np.int64), k.astype(np.int64), offset.round(6), held["under"][r] - present.under_mm,
        held["mass"][r] + locks["mass"][k],
    )  # fmt: skip
