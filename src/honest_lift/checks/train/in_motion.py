"""Float and bounce of the train that bends, by simulation, against the red line.

It stands beside the rigid bound, which is judged by itself: a simulation turns no fail of a simple check into a pass.
"""

from __future__ import annotations

from collections.abc import Generator, Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from math import isfinite
from types import MappingProxyType
from typing import TypeVar

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.train.float_margin import contact_over
from honest_lift.checks.valves import AtValve, Gathered, Valves
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.motion.at_red_line import SIMULATED_U, barred_as
from honest_lift.estimates.motion.float_speed import AtSpeed, Like, Settled, Swept, at_speed
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.remember import last_few
from honest_lift.mechanics.motion.sweep import Sweep
from honest_lift.numbers.doubt import Array, Ground, Source

FLEXIBLE_FLOAT = Check(
    "flexible_float", "Float margin, train that bends", "speed", "percent",
    "How far above the red line the valve train leaves its cam, simulated as it bends and its spring surges.",
)  # fmt: skip
BOUNCE_MARGIN = Check(
    "bounce_margin", "Bounce margin over red line", "speed", "percent",
    "How far above the red line the valve begins to bounce off its seat, simulated.",
)  # fmt: skip
COILS_IN_MOTION = Check(
    "coils_in_motion", "Coil clearance in motion", "speed", "length",
    "What surge leaves between the coils up to the red line: coil-bind clearance less what they close by in the simulation.",
)  # fmt: skip
AT_LEAST = "at least: it does not within the sweep"


Whole = TypeVar("Whole")


@dataclass(frozen=True, slots=True)
class InMotion:
    """Every valve of an engine in motion. `rigid_rpm` (n,): of everything rigid, an upper bound of the float speed.

    `static`: coil-bind clearance at rest; `surge_closes` (n,): mm by which surge closes the coils below the red line.
    """

    valves: Valves
    stands: AtSpeed
    swept: Swept
    rigid_rpm: Array
    red_rpm: Array
    static: Estimate
    surge_closes: Array

    @property
    def is_pending(self) -> bool:
        """Tell whether a sweep is still to come."""
        grounds = self.swept.floats.figure.ground | self.swept.bounces.figure.ground
        return bool((grounds & int(Ground.PENDING)).any())


@dataclass(frozen=True, slots=True)
class _Known:
    engine: str
    at: tuple[AtValve, ...]
    moved: InMotion


_known: list[_Known] = last_few()  # of which everything was swept
_latest: list[_Known] = last_few()  # as it was examined last, some of it perhaps still to come
_before: ContextVar[tuple[InMotion | None] | None] = ContextVar("what a change is tried on", default=None)


@contextmanager
def foretold(book: Book, now: InMotion | None = None) -> Iterator[None]:
    """Sweep nothing for a while: an engine on which something is only tried is told by what figures are worth on it as it stands.

    `now`: it as it stands; without it, as it was examined last.
    """
    known = next((one.moved for one in _known if one.engine == book.engine.id), None)
    token = _before.set((now or known,))
    try:
        yield
    finally:
        _before.reset(token)


def in_motion(book: Book, gathered: Gathered) -> InMotion | None:
    """Give every valve in motion; None where no red line is stated. Remembered while nothing at any valve changes."""
    return drained(moving_on(book, gathered))


def moving_on(book: Book, gathered: Gathered) -> Generator[str, None, InMotion | None]:
    """Move every valve, a part at a time, for `in_motion`: the name of each part as it is done."""
    at = gathered.at
    if not at or all(one.moving.red_line.ground & Ground.MISSING for one in at):
        return None
    for one in _known:
        if one.at == at:
            return one.moved
    valves, before = gathered.valves(range(len(at))), _before.get()
    if before is not None:
        return drained(_moved(valves, before[0]))
    moved = yield from _moved(valves, settled=_settled(at))
    _latest[:] = [_Known(book.engine.id, at, moved)]
    if not moved.is_pending:
        _known[:] = [_Known(book.engine.id, at, moved)]
    return moved


def drained(parts: Generator[str, None, Whole]) -> Whole:
    """Go through all parts at once, and give the whole."""
    while True:
        try:
            next(parts)
        except StopIteration as end:
            whole: Whole = end.value
            return whole


def _settled(at: tuple[AtValve, ...]) -> dict[int, Settled]:
    """Give what is settled of valves at which nothing has changed since they were moved last."""
    found: dict[int, Settled] = {}
    for one in _latest:
        before = {own.name: (case, own) for case, own in enumerate(one.at)}
        for case, own in enumerate(at):
            then = before.get(own.name)
            if then is not None and then[1] == own and (settled := one.moved.swept.of(then[0])) is not None:
                found[case] = settled
    return found


_SWEPT = object()


def _moved(
    valves: Valves, before: InMotion | object | None = _SWEPT, settled: Mapping[int, Settled] = MappingProxyType({})
) -> Generator[str, None, InMotion]:  # fmt: skip
    """Move valves. `before`: as they stood before what is tried, None where nobody has moved them; `settled`: see `at_speed`."""
    red = np.array([one.red_line.value for one in valves.moving])
    rigid = red * (1.0 + contact_over(valves).figure.value / 100.0)
    yield "rigid"
    stands = AtSpeed(
        valves.installed,
        valves.lift,
        valves.seat_load,
        valves.open_load,
        valves.curves,
        valves.moving,
        valves.cards,
        rigid,
    )
    static = derive(lambda height, lift, bind: height - lift - bind, valves.installed, valves.lift, valves.curves.bind)
    if before is _SWEPT:
        swept = at_speed(stands, settled=settled)
        yield "swept"
        least = [_least_gap_mm(own, at) for own, at in zip(swept.sweeps, red.tolist(), strict=True)]
        closes = np.maximum(static.figure.value - np.array(least), 0.0)  # it gives nothing back that rest has not
        return InMotion(valves, stands, swept, rigid, red, static, closes)
    known: dict[str, tuple[Like | None, float]] = {}
    if isinstance(before, InMotion):
        known = dict(
            zip(before.valves.names, zip(before.swept.likes, before.surge_closes.tolist(), strict=True), strict=True)
        )
    told = [known.get(name, (None, float("nan"))) for name in valves.names]
    swept = at_speed(stands, [like for like, _ in told])
    return InMotion(valves, stands, swept, rigid, red, static, np.array([closes for _, closes in told]))


def check_in_motion(book: Book, moved: InMotion | None) -> list[Finding]:
    """Hold the speeds of float and bounce at every valve against the red line, and what is left between its coils below it."""
    if moved is None:
        return []
    floats = _judged(book, moved, FLEXIBLE_FLOAT, moved.swept.floats, "float_rpm")
    bounces = _judged(book, moved, BOUNCE_MARGIN, moved.swept.bounces, "bounce_rpm")
    return [*floats, *bounces, *_coils(book, moved)]


def _judged(book: Book, moved: InMotion, check: Check, over: Estimate, which: str) -> list[Finding]:
    valves = moved.valves
    speed = moved.red_rpm * (1.0 + over.figure.value / 100.0)
    key = "float_speed" if check is FLEXIBLE_FLOAT else "bounce_speed"
    terms = {key: speed, "red_line": moved.red_rpm, "rigid_speed": moved.rigid_rpm}
    remarks = [_remark(one, which) for one in moved.swept.sweeps]
    limits = valves.limits(book, check.name)
    return findings(check, valves.places, valves.names, over, limits, terms=terms, remarks=remarks)


def _remark(sweep: Sweep | None, which: str) -> str:
    return "" if sweep is None or isfinite(getattr(sweep, which)) else AT_LEAST


def _coils(book: Book, moved: InMotion) -> list[Finding]:
    """Hold what surge leaves between the coils against its limit; it rests on whatever the float speed rests on."""
    valves, static, closing = moved.valves, moved.static, moved.surge_closes
    left = derive(lambda rest: rest - closing, static)
    closes = Source("motion:surge", "what surge closes, simulated", shared=False)
    figure = left.figure.doubted(closes, SIMULATED_U * closing)
    judged = barred_as(Estimate(figure, left.inputs), moved.swept.floats)
    terms = {"coil_bind_clearance": static.figure.value, "surge_closes": closing, "red_line": moved.red_rpm}
    limits = valves.limits(book, COILS_IN_MOTION.name)
    return findings(COILS_IN_MOTION, valves.places, valves.names, judged, limits, terms=terms)


def _least_gap_mm(sweep: Sweep | None, red_rpm: float) -> float:
    """Give the least that is left between the coils at any speed up to the red line; NaN without a sweep."""
    if sweep is None:
        return float("nan")
    at_red = float(np.interp(red_rpm, sweep.rpm, sweep.coil_gap_mm))
    return min([at_red, *(gap for rpm, gap in zip(sweep.rpm, sweep.coil_gap_mm, strict=True) if rpm <= red_rpm)])
