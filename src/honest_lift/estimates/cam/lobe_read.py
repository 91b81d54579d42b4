"""A lobe as it was measured: smoothed, placed in the turn by its stop readings, with its faults and its doubt."""

from __future__ import annotations

from math import sqrt

import numpy as np
from msgspec import Struct

from honest_lift.estimates.cam.nose import in_order
from honest_lift.estimates.solved import PENDING, answer_to, is_solved
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import Standing, tables
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.facts.staleness import staleness
from honest_lift.facts.timing import of_another_cam
from honest_lift.facts.tools import scatter_doubt
from honest_lift.facts.wheel_table import READ_AS, ReadAt, StandingTable, tdc_on_wheel
from honest_lift.mechanics.cam.measured_lobe import EQUAL_MM, HIGH_MM, MeasuredLobe, measured_lobe, width
from honest_lift.mechanics.cam.slipped_rows import slipped_rows
from honest_lift.mechanics.cam.wheel_table import Ordered, Trouble, troubles
from honest_lift.numbers.mendable import MendableError

_LIFT_ERROR_MM, _WHEEL_ERROR_DEG = 0.005, 0.2  # rows weigh so against each other where no tool says how finely it reads
_EQUAL_LIFT_DEG = 0.1  # what the way itself may be off by, in crank degrees: the worst of forty held out
_BANDS = (  # steps up to, wheel error up to, Band: of forty to eighty held out, docs/validation.md
    (2.0, 0.3, (0.04, 0.06, 0.4, 0.035, 0.04)),
    (5.0, 0.3, (0.05, 0.08, 0.5, 0.035, 0.045)),
    (10.0, 0.3, (0.06, 0.13, 1.5, 0.035, 0.045)),
    (2.0, 1.0, (0.06, 0.12, 2.0, 0.06, 0.05)),
    (5.0, 1.0, (0.07, 0.15, 2.1, 0.065, 0.06)),
    (10.0, 1.0, (0.10, 0.20, 4.1, 0.085, 0.06)),
)
_COARSEST = (0.20, 0.35, 16.0, 0.085, 0.20)
_USUAL_DEG, _FAR_DEG = 110.0, 40.0


class Band(Struct, frozen=True):
    """What a table of its kind is off by: acceleration in shares of its peak, duration in crank degrees.

    `nose_bias`: the share by which the least hold over the nose comes out too small, since it is the least of many noisy ones;
    `nose_u`: standard doubt of it once that is taken off.
    """

    usual: float
    worst: float
    duration_deg: float
    nose_bias: float
    nose_u: float


class LobeRead(Struct, frozen=True):
    """One measured lobe. `lobe` is None where `missing` says why.

    `centre_deg`: crank degrees of its middle from TDC of the overlap, None without stop readings; `centre_u_deg` its
    standard doubt. `troubles`: what stands out of the table and nobody has judged.
    """

    found: StandingTable
    missing: str = ""
    lobe: MeasuredLobe | None = None
    ordered: Ordered | None = None
    troubles: tuple[Trouble, ...] = ()
    centre_deg: float | None = None
    centre_u_deg: float = 0.0
    far_deg: float | None = None  # a middle that no lobe of its role has
    band: Band = Band(*_COARSEST)
    is_pending: bool = False

    def duration_deg(self, lift_mm: float) -> float | None:
        """Give the crank degrees it holds above a lift; None where it does not pass it on both sides."""
        both = width(self.lobe, lift_mm) if self.lobe else None
        return None if both is None else 2.0 * (both[1] - both[0])

    @property
    def asymmetry_deg(self) -> float | None:
        """Give by how many crank degrees its middle high up stands later than that at the check lift."""
        both = width(self.lobe, HIGH_MM) if self.lobe else None
        return None if both is None else both[0] + both[1]


def table_near(book: Book, role: str, position: str) -> StandingTable | None:
    """Give the table that stands for a valve: its own at the lifter, its own at the valve, then one of its role."""
    wanted: list[tuple[Place, ReadAt]] = [
        (place, read_at)
        for place in ((at_position(position),) if position else ()) + (at_role(role),)
        for read_at in READ_AS
    ]
    standing = {
        (one.table.place, one.table.read_at): one for one in tables(book.journal)
        if not of_another_cam(book.engine, one.table.depends_on.get("cam", ""))
    }  # fmt: skip
    return next((standing[key] for key in wanted if key in standing), None)


def lobe_read(book: Book, found: StandingTable) -> LobeRead:
    """Give a table as a lobe; remembered, since smoothing takes a while and a table never changes under its id."""
    answer: LobeRead | None = answer_to(OfTable(found, *_errors(book.engine, found)))
    return LobeRead(found, missing=PENDING, is_pending=True) if answer is None else answer


class OfTable(Struct, frozen=True):
    """A table to be smoothed, and the standard errors its rows weigh by: of one lift, and of one crank angle."""

    found: StandingTable
    lift_error_mm: float
    wheel_error_deg: float

    @property
    def key(self) -> tuple[object, ...]:
        """See `Problem`."""
        return ("table", self.found.key, self.lift_error_mm, self.wheel_error_deg)

    def solve(self) -> LobeRead:
        """Smooth it."""
        return _work_out(self.found, self.lift_error_mm, self.wheel_error_deg)


def is_read(book: Book, found: StandingTable) -> bool:
    """Tell whether a table has been smoothed already."""
    return is_solved(OfTable(found, *_errors(book.engine, found)))


def to_be_read(book: Book) -> list[OfTable]:
    """Give the tables that nobody has smoothed yet."""
    every = (OfTable(one, *_errors(book.engine, one)) for one in tables(book.journal))
    return [one for one in every if not is_solved(one)]


def stale_words(book: Book, found: StandingTable) -> str:
    """Say why a table is stale; "" when it is not."""
    one = found.table
    reading = Reading(one.id, one.when, one.by, READ_AS[one.read_at], one.place, "", "", 0.0, "indicator")
    return staleness(book.engine, Standing(reading, one.place, one.depends_on, ""))


def _work_out(found: StandingTable, lift_error: float, wheel_error: float) -> LobeRead:
    table = in_order(found)
    if isinstance(table, str):
        return LobeRead(found, missing=table)
    arrays = np.array(found.table.crank_deg), np.array(found.table.lift_mm)
    plain = [one for one in troubles(*arrays, found.left_out) if not (one.is_row and one.row in found.kept)]
    try:
        once = in_order(StandingTable(found.table, found.left_out | {one.row for one in plain if one.is_row}))
        if isinstance(once, str):
            return LobeRead(found, missing=once)
        slips, _ = slipped_rows(once, lift_error, wheel_error)
        lobe = measured_lobe(once, lift_error, wheel_error)
    except MendableError as error:
        return LobeRead(found, missing=str(error))
    told = plain + [one for one in slips if one.row not in found.kept]
    centre, u = _placed(found, lobe, lift_error, wheel_error)
    usual = _USUAL_DEG * side_of(found.table.place.role)
    far = centre if centre is not None and abs(centre - usual) > _FAR_DEG else None
    return LobeRead(
        found, "", lobe, once, tuple(sorted(told, key=lambda one: one.row)), centre if far is None else None, u, far,
        band_of(lobe.step_deg, wheel_error),
    )  # fmt: skip


def _errors(engine: Engine, found: StandingTable) -> tuple[float, float]:
    """Give the standard errors of one lift and one angle by the tools that were read."""
    tool, wheel = (engine.tool_as_read(one, found.table.when) for one in (found.table.tool, found.table.wheel))
    lift = scatter_doubt(tool, 0.0) if tool else 0.0
    turn = scatter_doubt(wheel, 0.0) if wheel else 0.0
    return lift or _LIFT_ERROR_MM, turn or _WHEEL_ERROR_DEG


def _placed(
    found: StandingTable, lobe: MeasuredLobe, lift_error: float, wheel_error: float
) -> tuple[float | None, float]:
    """Give the middle from TDC of the overlap with its standard doubt; None where no stop readings tell TDC.

    Of the two dead centres the one is meant that puts the lobe on its own side of the overlap.
    """
    if found.table.stops_deg is None:
        return None, 0.0
    usual = _USUAL_DEG * side_of(found.table.place.role)
    centre = lobe.centre_deg - tdc_on_wheel(found.table.stops_deg)
    centre = (centre - usual + 180.0) % 360.0 - 180.0 + usual
    both = width(lobe, min(EQUAL_MM, lobe.lift_mm / 2))
    slope = min(abs(float(lobe.velocity(np.array(one)))) / 2.0 for one in both) if both else 0.1
    return centre, sqrt(wheel_error**2 + (lift_error / max(slope, 0.01)) ** 2 / 2.0 + _EQUAL_LIFT_DEG**2)


def band_of(step_deg: float, wheel_error_deg: float) -> Band:
    """Give what lobes read so are off by (docs/validation.md). A wheel misread by a whole step tells hardly anything."""
    fitting = (told for step, wheel, told in _BANDS if step_deg <= step + 0.01 and wheel_error_deg <= wheel)
    return Band(*(_COARSEST if wheel_error_deg >= step_deg else next(fitting, _COARSEST)))
