"""How fast every valve is picked up out of its lash at the red line: a lash that has grown is taken up further up the flank.

    v = 6 n x'(theta)     where the lobe has lifted by the lash

The ramp is made for this: below its end the speed hardly changes with the lash, past it the blow grows with every hundredth.
"""

from __future__ import annotations

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.motion.bending import HYDRAULIC
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.train.masses import Moving
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Array, Ground

_DEG_A_MINUTE = 6.0 / 1000.0  # rpm times mm a degree, in m/s


def take_up_m_s(book: Book, moving: tuple[Moving, ...], more_mm: float = 0.0) -> Estimate:
    """Give the speed at which every valve is picked up at the red line (n,), m/s, with so much more lash than it has."""
    lash = at_each_valve(book, "lash")
    if book.engine.lifter.startswith("hydraulic"):
        barred = Ground.ASSUMED | Ground.UNRANGED
        lash = tuple(
            Input("lash", "", "assumed", 0.0, ground=barred, note=HYDRAULIC, asked=at_position(one.id))
            for one in book.engine.layout.positions
        )
    drawn = [_flank(one) for one in moving]

    stood = np.array([one.ratio for one in moving])

    def speed(gap: Array, red: Array, nose: Array, ratio: Array) -> Array:
        rising = np.stack([np.interp(gap[..., k] + more_mm, *one) for k, one in enumerate(drawn)], axis=-1)
        return np.asarray(_DEG_A_MINUTE * red * rising * nose * ratio / stood)

    shape = [replace(one.nose, value=1.0) if not one.nose.ground & Ground.MISSING else one.nose for one in moving]
    return derive(
        speed, estimate_of(lash), estimate_of([one.red_line for one in moving]), estimate_of(shape),
        estimate_of([one.carried for one in moving]),
    )  # fmt: skip


def _flank(one: Moving) -> tuple[Array, Array]:
    """Give what a lobe has lifted (k,) at the valve, mm with the lash, and its rise there, mm a crank degree."""
    if not one.asked:
        return np.zeros(1), np.full(1, np.nan)
    asked, slope = (np.frombuffer(body, dtype=np.float64) for body in (one.asked, one.slope))
    top = int(asked.argmax())
    lifted = asked[: top + 1] - asked.min()
    return np.maximum.accumulate(lifted), slope[: top + 1]
