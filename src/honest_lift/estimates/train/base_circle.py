"""Where every valve stands on its base circle: the arc of the cycle over which its lifter is surely off the lobe.

A measured lobe ends where it was walked to its end; one that is drawn from its card, or was read with a tool nobody knows, has
ramps that nothing tells. Both arcs are kept a margin away from the lobe, and as far again as its middle is in doubt. A lobe that
was read before something changed, or that contradicts itself, tells nothing.
"""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.facts.engine import Book
from honest_lift.facts.firing import CYCLE_DEG
from honest_lift.numbers.doubt import Ground

MEASURED_DEG, CARD_DEG = (
    8.0,
    30.0,
)  # of the crank, each side of the lobe: a wheel by eye; ramps no card quotes. From memory
_COVERS = 2.0  # standard doubts of the lobe's middle: 95 percent
_TELLS_NOTHING = {
    Ground.STALE: "was read before something changed: read it again",
    Ground.UNSOUND: "contradicts itself: settle its readings",
    Ground.SET_ASIDE: "made no sense and was set aside",
}


class OnBase(Struct, frozen=True):
    """The arc of one valve's base circle: degrees of the crank after the first cylinder's firing TDC; or why it is not known.

    `opens_deg`, `closes_deg`: where its lobe begins and ends, with no margin; `margin_deg`: what is kept clear on each side.
    """

    position: str
    cylinder: int
    start_deg: float = 0.0
    length_deg: float = 0.0
    opens_deg: float = 0.0
    closes_deg: float = 0.0
    margin_deg: float = 0.0
    is_measured: bool = False
    missing: str = ""


def base_circles(book: Book) -> list[OnBase]:
    """Give the base circle of every valve in head order."""
    fires = {one.cylinder: one.at_deg for one in book.engine.firing}
    train = EveryTrain(book)
    return [_of(train, case, one.id, one.cylinder, fires) for case, one in enumerate(book.engine.layout.positions)]


def _of(train: EveryTrain, case: int, position: str, cylinder: int, fires: dict[int, float]) -> OnBase:
    if cylinder not in fires:
        return OnBase(position, cylinder, missing="the firing order is not stated")
    lifted = train.lifted(case, position)
    centre, shape = lifted.parts["lobe_centreline"], lifted.parts["lobe_shape"]
    if lifted.lobe is None or not isfinite(centre.value):
        lacking = lifted.missing[0].title if lifted.missing else "its lobe"
        return OnBase(position, cylinder, missing=f"not known: {lacking}")
    for ground, why in _TELLS_NOTHING.items():
        if (shape.ground | centre.ground) & ground:
            return OnBase(position, cylinder, missing=f"the lobe of {shape.where or position} {why}")
    overlap = fires[cylinder] + CYCLE_DEG / 2.0
    opens, closes = (overlap + centre.value + 2.0 * end for end in (lifted.lobe.start_deg, lifted.lobe.end_deg))
    measured = shape.kind != "assumed" and not shape.ground & Ground.NO_TOOL
    margin = (MEASURED_DEG if measured else CARD_DEG) + _COVERS * centre.whole_u
    length = CYCLE_DEG - (closes - opens) - 2.0 * margin
    if length <= 0.0:
        return OnBase(position, cylinder, missing="its lobe leaves no base circle")
    start = (closes + margin) % CYCLE_DEG
    return OnBase(position, cylinder, start, length, opens % CYCLE_DEG, closes % CYCLE_DEG, margin, measured)
