"""What the outer spring of a candidate bears where it is worst off, and its margin to fatigue: advice, never a verdict."""

from __future__ import annotations

from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.spring.geometry import fatigue_of, predicted_of
from honest_lift.plans.match.accept import card_of
from honest_lift.plans.match.match import Candidate, Match
from honest_lift.shelf.kinds import Part


class Endurance(Struct, frozen=True):
    """Shear stress at full lift in MPa and safety against endless life, at the position where the safety is least."""

    stress_mpa: float
    margin: float
    position: str


def endurance_of(match: Match, one: Candidate, spring: Part) -> Endurance | None:
    """Give it by the wire, diameter and coils of the spring's card; None where they are not all told.

    Source: Goodman over Zimmerli's data, in `mechanics/spring/helix`.
    """
    card = card_of(one, spring)
    outer = predicted_of(replace(card, members=card.members[:1]))
    if not outer:
        return None
    worst: Endurance | None = None
    for position, shut, lift in zip(
        match.bench.positions, one.heights_mm, match.bench.pockets.lift_mm.tolist(), strict=True
    ):
        margin = fatigue_of(card, outer[0], shut, shut - lift)
        if isfinite(margin) and (worst is None or margin < worst.margin):
            worst = Endurance(float(outer[0].stress(np.array(shut - lift))), margin, position)
    return worst
