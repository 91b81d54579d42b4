"""What the checks of one engine share: the valves in head order and the estimates at each."""

from __future__ import annotations

from collections.abc import Sequence
from math import nan

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.looked_at import seen_fine
from honest_lift.checks.on_valves import names_of
from honest_lift.checks.spring.stacks import odd_stacks
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.observed import choice_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.spring.curves import Curves, curve_keys
from honest_lift.estimates.spring.heights import height_from, height_inputs
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.estimates.train.masses import Moving, moving_of
from honest_lift.estimates.two_ways import two_ways
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import Place, at_position
from honest_lift.mechanics.spring.heights import open_height
from honest_lift.mechanics.spring.seat_pressure import contact_ring_mm2
from honest_lift.numbers.doubt import Ground, join
from honest_lift.numbers.units import in_words


class Valves(Struct, frozen=True, eq=False):
    """Valves in head order with the spring fitted at each, and their estimates (n,)."""

    names: tuple[str, ...]
    roles: tuple[str, ...]
    springs: tuple[str, ...]
    installed: Estimate
    lift: Estimate
    curves: Curves
    opened: Estimate
    seat_load: Estimate
    open_load: Estimate
    seal_gap: Estimate
    targets: tuple[Input, ...]
    stack_remarks: tuple[str, ...]
    cards: tuple[SpringCard | None, ...]
    coil_light: tuple[str, ...]
    seal_seen: tuple[str, ...]
    bind_travel: Estimate
    seat_ring_mm2: tuple[float, ...]
    more_mm: tuple[float, ...]
    moving: tuple[Moving, ...]

    @property
    def places(self) -> tuple[Place, ...]:
        """Give the places of the valves."""
        return tuple(at_position(name) for name in self.names)

    def limits(self, book: Book, check: str) -> list[Limit | None]:
        """Give the limit of a check that holds at each valve."""
        by_role = {role: limit_for(book.engine.limits, check, role, book.engine.lifter) for role in set(self.roles)}
        return [by_role[role] for role in self.roles]


class AtValve(Struct, frozen=True):
    """What stands at one valve, resolved to plain values: while it is the same, so is all that is found there."""

    name: str
    role: str
    spring: str
    height: tuple[Input, ...]
    lift: tuple[Input, ...]
    curve: bytes
    target: Input
    stack_remark: str
    seal_gap: Input
    card: SpringCard | None  # of the spring
    coil_light: str  # what was seen between the coils
    seal_seen: str
    bind_travel: Input
    seat_ring_mm2: float
    more_mm: float  # of shims under the outer than under what is inside it
    moving: Moving


class Gathered(Struct, frozen=True):
    """What stands at every valve in head order, and the arrays it is taken from."""

    at: tuple[AtValve, ...]
    lift: Estimate
    curves: Curves
    rows: tuple[int, ...]  # of each valve's spring in the curves

    def valves(self, which: Sequence[int]) -> Valves:
        """Give some of the valves with their estimates; both loads of each in one evaluation."""
        at, count = [self.at[i] for i in which], len(which)
        rows = [self.rows[i] for i in which]
        curves = self.curves.take(rows).on_own_shims([one.more_mm for one in at])
        installed = height_from([one.height for one in at])
        lift = self.lift.take(which)
        opened = derive(open_height, installed, lift)
        both = Estimate(join(installed.figure, opened.figure), installed.inputs + opened.inputs)
        loads = curves.take([*range(count), *range(count)]).load(both)
        return Valves(
            tuple(one.name for one in at), tuple(one.role for one in at), tuple(one.spring for one in at),
            installed, lift, curves, opened,
            loads.take(range(count)), loads.take(range(count, 2 * count)), estimate_of([one.seal_gap for one in at]),
            tuple(one.target for one in at), tuple(one.stack_remark for one in at),
            tuple(one.card for one in at), tuple(one.coil_light for one in at), tuple(one.seal_seen for one in at),
            estimate_of([one.bind_travel for one in at]), tuple(one.seat_ring_mm2 for one in at),
            tuple(one.more_mm for one in at), tuple(one.moving for one in at),
        )  # fmt: skip


def gather(book: Book, curves: Curves, index: dict[str, int]) -> Gathered:
    """Resolve what stands at each valve. `curves` holds springs by `index`, with "" for the one that is not there."""
    positions = book.engine.layout.positions
    names = [one.id for one in positions]
    springs = [book.engine.spring_at(name) for name in names]
    rows = tuple(index.get(spring, index[""]) for spring in springs)
    heights, more = height_inputs(book, names), [more_under_outer(book.engine, name) for name in names]
    levers = _levers(narrowed(book, frozenset({"seat_load_engine"}), slots_of(("seat_load_engine",))))
    curves = _beside_levers(
        curves, rows, more, height_from(heights), [levers[name] for name in names], book.engine.unit("load")
    )
    lift, keys = lift_at_valve(book), curve_keys(curves)
    targets = _targets(narrowed(book, frozenset({"target_height"}), frozenset()))
    gaps = _gaps(narrowed(book, frozenset({"seal_gap"}), slots_of(("seal_gap",))))
    lights = _lights(narrowed(book, frozenset({"coil_light"}), slots_of(("coil_light",))))
    looked = _seal_seen(narrowed(book, frozenset({"seal_seen"}), slots_of(("seal_seen",))))
    travels = _travels(narrowed(book, frozenset({"bind_travel"}), slots_of(("bind_travel",))))
    rings = _rings(
        narrowed(book, frozenset({"seat_width", "head_diameter"}), slots_of(("seat_width", "head_diameter")))
    )
    at = tuple(
        AtValve(
            one.id,
            one.role,
            spring,
            height,
            moved,
            keys[row],
            targets[one.id],
            remark,
            gaps[one.id],
            book.engine.card_of(spring),
            lights[one.id],
            looked[one.id],
            travels[one.id],
            rings[one.id],
            more_mm,
            moving,
        )
        for one, spring, height, moved, row, remark, more_mm, moving in zip(
            positions,
            springs,
            heights,
            lift.inputs,
            rows,
            odd_stacks(book, names),
            more,
            moving_of(book),
            strict=True,
        )
    )
    return Gathered(at, lift, curves, rows)


def _beside_levers(
    curves: Curves,
    rows: Sequence[int],
    more_mm: Sequence[float],
    installed: Estimate,
    levers: Sequence[Input],
    unit: str,
) -> Curves:
    """Bar the curves of springs that a lever tester on the engine contradicts: one of the two, or the height, is wrong.

    `rows` (n,): of each valve's spring in the curves; `installed` (n,) and `levers` (n,) at the valves, `more_mm` (n,) of shims
    under the outer. A lever proves no load, so that it replaces none.
    """
    if not any(one.is_told for one in levers):
        return curves
    seat = curves.take(rows).on_own_shims(more_mm).load(installed)
    apart = two_ways(estimate_of(levers), seat).apart
    if not apart.any():
        return curves
    barred, told = np.zeros(len(curves.inputs), dtype=bool), list(curves.inputs)
    for k in np.flatnonzero(apart).tolist():
        barred[rows[k]] = True
        told[rows[k]] = (*told[rows[k]], _contradicted(levers[k], float(seat.figure.value[k]), unit))
    return replace(curves, loads=curves.loads.on_ground(barred, Ground.UNSOUND), inputs=tuple(told))


def _contradicted(lever: Input, seat_n: float, unit: str) -> Input:
    on_engine, by_curve = (in_words(one, "load", unit) for one in (lever.value, seat_n))
    note = (
        f"the lever tester reads {on_engine} where the spring's curve gives {by_curve}: measure the spring and its installed "
        "height again"
    )
    return Input(
        "seat_load_engine", lever.where, "measured", lever.value, ground=Ground.UNSOUND, note=note, asked=lever.asked
    )


@by_value
def _levers(book: Book) -> dict[str, Input]:
    """Give the seat load on the engine at every position; remembered while none of them changes."""
    return {name: at_valve(book, "seat_load_engine", name) for name in names_of(book)}


@by_value
def _gaps(book: Book) -> dict[str, Input]:
    """Give the gap from retainer to seal at every position; remembered while none of them changes."""
    names = [one.id for one in book.engine.layout.positions]
    return {name: resolve(book, "seal_gap", at_position(name)) for name in names}


def more_under_outer(engine: Engine, position: str) -> float:
    """Give how much more of shims lies under the outer than under what is inside it.

    0 where both stand on one stack, or there is nothing inside; NaN where only one of two stacks is stated.
    """
    outer, inner = engine.fitted("shims", position), engine.fitted("inner shims", position)
    card = engine.card_of(engine.spring_at(position))
    if inner is None or card is None or len(card.members) < 2:
        return 0.0
    if outer is None or outer.height_mm is None or inner.height_mm is None:
        return nan
    return round(outer.height_mm - inner.height_mm, 6)


@by_value
def _lights(book: Book) -> dict[str, str]:
    """Give what was seen between the coils at every position: an observation that proves nothing."""
    names = [one.id for one in book.engine.layout.positions]
    seen = {name: resolve(book, "coil_light", at_position(name)) for name in names}
    told = {name: choice_of(one) for name, one in seen.items() if not one.ground & Ground.STALE}
    return {
        name: f"{choice.says}: an observation, never a bind check" if (choice := told.get(name)) else ""
        for name in names
    }


@by_value
def _seal_seen(book: Book) -> dict[str, str]:
    return dict(zip(names_of(book), seen_fine(book, "seal_seen"), strict=True))


@by_value
def _travels(book: Book) -> dict[str, Input]:
    """Give the travel to bind at every position as it was read on the head."""
    return {name: at_valve(book, "bind_travel", name) for name in names_of(book)}


@by_value
def _rings(book: Book) -> dict[str, float]:
    """Give the area in mm² of the ring each valve seats on, by its width and the valve's head; NaN where either is not proven."""
    return {
        name: contact_ring_mm2(at_valve(book, "head_diameter", name).sound, at_valve(book, "seat_width", name).sound)
        for name in names_of(book)
    }


@by_value
def _targets(book: Book) -> dict[str, Input]:
    """Give the target height at every position; remembered while none of them changes."""
    names = [one.id for one in book.engine.layout.positions]
    return {name: resolve(book, "target_height", at_position(name)) for name in names}
