"""The engine's side of a match: its pockets as measured, what is asked there, and the stacks that could lie in them."""

from __future__ import annotations

from collections.abc import Sequence
from math import hypot, inf, isfinite, nan, sqrt

import numpy as np
from msgspec import Struct

from honest_lift.checks.examine import gathered_of
from honest_lift.checks.valves import AtValve, Gathered
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.spring.heights import height_from
from honest_lift.estimates.train.masses import GAS, Moving
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import full_rung, limit_for
from honest_lift.facts.made_at import has_base_at
from honest_lift.facts.place import position_title
from honest_lift.facts.shims import ShimSize
from honest_lift.mechanics.match.asked import Asked, Pockets, Stacks, Window
from honest_lift.mechanics.match.rungs import envelope
from honest_lift.mechanics.train.contact import gas_force_n, held
from honest_lift.mechanics.train.masses import moving_mass
from honest_lift.numbers.doubt import Array, Ground
from honest_lift.plans.best_way import means_of
from honest_lift.plans.spring.shims import stacks_of
from honest_lift.plans.spring.windows import height_doubts

CHECKS = ("seat_load", "open_load", "coil_bind_clearance", "retainer_seal", "card_lift", "open_stress", "float_margin")
_CUT_STEP_MM = 0.127  # 0.005 in: what a cutter is set to
_LOOSE_MM = 1.0  # a retainer's step so much narrower than its spring centres it no more. From memory
_FIT_U_MM = 0.05  # where the drawer has nothing to measure a spring's diameter with
_NOTHING = int(Ground.MISSING)


class Bench(Struct, frozen=True):
    """What the search stands on: pockets by name, what is asked, stacks and what they are made of, and what is not told there.

    `left_out`: positions whose height or lift is not measured. `notes`: what was taken for granted, or can't be told.
    """

    positions: tuple[str, ...]
    pockets: Pockets
    asked: Asked
    stacks: Stacks
    made_of: tuple[tuple[float, ...], ...]
    cut_mm: tuple[float, ...]
    left_out: tuple[str, ...] = ()
    notes: tuple[str, ...] = ()


def bench_of(book: Book, sizes: Sequence[ShimSize], most_cut_mm: float = 0.0) -> Bench | str:
    """Give the engine's side, or why there is nothing to match. `sizes`: the shims there are; `most_cut_mm`: of a pocket."""
    engine = book.engine
    if not engine.layout.positions:
        return "no heads are laid out"
    gathered = gathered_of(book)
    heights = height_from([one.height for one in gathered.at])
    lift = gathered.lift.figure
    known = np.isfinite(heights.figure.value) & np.isfinite(lift.value) & (lift.value > 0)
    lying = [_lying(engine, one.name) for one in gathered.at]
    cases = [i for i, ok in enumerate(known.tolist()) if ok and lying[i] is not None]
    out = tuple(one.name for i, one in enumerate(gathered.at) if i not in cases)
    if not cases:
        return "no pocket has its installed height, lift and shims known; measure one of each"
    asked = _asked(book, [gathered.at[i] for i in cases], gathered)
    if isinstance(asked, str):
        return asked
    stacks, made_of, cuts = _stacks(
        sizes, most_cut_mm, hardened=any(has_base_at(engine, gathered.at[i].name) for i in cases)
    )
    if not made_of:
        return "no stack can be made: an aluminium head needs a hardened base, and no shim in stock is one"
    bare = heights.figure.value + np.array([nan if one is None else one for one in lying])
    pockets, notes = _pockets(book, gathered, cases, bare)
    return Bench(
        tuple(gathered.at[i].name for i in cases), pockets, asked, stacks, made_of, cuts, out, (*_left_out(out), *notes)
    )


def _lying(engine: Engine, position: str) -> float | None:
    """Give the height of the shims that lie at a position; None where nobody stated them."""
    fitted = engine.fitted("shims", position)
    return None if fitted is None else fitted.height_mm


def _left_out(names: tuple[str, ...]) -> tuple[str, ...]:
    if not names:
        return ()
    return (
        f"{', '.join(map(position_title, names))}: height, lift or shims not known, so nothing is calculated there",
    )


def _pockets(book: Book, gathered: Gathered, cases: Sequence[int], bare: Array) -> tuple[Pockets, tuple[str, ...]]:
    at = [gathered.at[i] for i in cases]
    lift, rows = gathered.lift.figure, np.array(cases)
    moving = [one.moving for one in at]
    masses = [_fixed(one) for one in moving]
    held_p, held_q = _held(moving, lift.value[rows])
    width = {
        name: np.array([at_valve(book, name, one.name).value for one in at])
        for name in ("floor_diameter", "pilot_diameter")
    }
    gaps = [one.seal_gap for one in at]
    told = Pockets(
        bare[rows], height_doubts(book.engine, [one.height for one in at]).u, lift.value[rows], lift.u[rows],
        np.array([one.value for one in gaps]), np.array([one.whole_u for one in gaps]), width["floor_diameter"],
        width["pilot_diameter"], np.array([mass for mass, _ in masses]), held_p, held_q, np.array([_gas(one) for one in moving]),
        np.array([
            hypot(_of_speed(u), _of_speed(one.nose.whole_u / one.nose.value)) for (_, u), one in zip(masses, moving, strict=True)
        ]),
    )  # fmt: skip
    return told, _notes(told, at)


def _of_speed(share: float) -> float:
    """Give what a share of doubt in a mass, or in the nose, is worth in the speed: the worse side, as in the checks."""
    return 1.0 / sqrt(1.0 - share) - 1.0 if share < 1.0 else nan


def _fixed(one: Moving) -> tuple[float, float]:
    """Give what moves beside spring, retainer and locks, kg, and the share of doubt it leaves; NaN where it is not told."""
    if not one.masses:
        return nan, 0.0
    own, nothing = {name: np.array(each.value) for name, each in one.masses.items()}, np.array(0.0)
    told = moving_mass(
        own["valve_mass"], nothing, nothing, nothing, own["rocker_at_valve"], own["pushrod_mass"] + own["lifter_mass"],
        np.array(one.ratio),
    )  # fmt: skip
    at_valve, pushed = (
        sum(one.masses[name].whole_u ** 2 for name in names)
        for names in (("valve_mass", "rocker_at_valve"), ("pushrod_mass", "lifter_mass"))
    )
    u = sqrt(at_valve + pushed / one.ratio**4)
    return float(told), u / float(told) if isfinite(float(told)) and told > 0 else 0.0


def _gas(one: Moving) -> float:
    if not one.gas:
        return 0.0
    pressure, head, stem = (np.array(one.gas[name].value) for name in GAS)
    return float(gas_force_n(pressure, np.array(0.0), head, stem))


def _held(moving: Sequence[Moving], lift_mm: Array) -> tuple[Array, Array]:
    """Lay out, for each pocket, the few angles of its lobe that count: what a newton, and a newton a mm, hold there."""
    found = []
    for one, lift in zip(moving, lift_mm.tolist(), strict=True):
        bends = np.array(one.acceleration) * (lift / one.lift_mm if one.lift_mm else 1.0) * one.nose.value
        p = np.array([float(held(np.array([1.0]), np.array([bend]))) for bend in bends])
        found.append(envelope(p, p * np.array(one.fractions) * lift) if len(p) else (np.empty(0), np.empty(0)))
    widest = max((len(p) for p, _ in found), default=0) or 1
    laid = np.full((2, len(found), widest), np.nan)
    for case, both in enumerate(found):
        laid[:, case, : len(both[0])] = both
    return laid[0], laid[1]


def _notes(told: Pockets, at: Sequence[AtValve]) -> tuple[str, ...]:
    """Say what can't be told of any candidate."""
    notes = []
    if np.isnan(told.held_p).all(axis=1).any() or np.isnan(told.fixed_kg).any():
        notes.append("valve float is not known: state the red line and every mass under Masses, and the lobe")
    if np.isnan(told.gap_mm).any():
        notes.append("retainer to seal is not known everywhere; measure the gap")
    for words, width in (("floor", told.floor_mm), ("boss or seal", told.boss_mm)):
        if np.isnan(width).any():
            notes.append(f"not stated: the pocket's {words}: whether a spring fits it is not looked at")
    if any(one.moving.nose.ground & Ground.ASSUMED for one in at if one.moving.masses):
        notes.append("a lobe is drawn from its card: its nose is assumed")
    return tuple(notes)


def _asked(book: Book, at: Sequence[AtValve], gathered: Gathered) -> Asked | str:
    """Give what is asked at the pockets, or why that can't be told."""
    engine = book.engine
    own = {check: _window(engine, check, [one.role for one in at]) for check in CHECKS}
    seat, opened = own["seat_load"], own["open_load"]
    if not (np.isfinite(seat.least) | np.isfinite(opened.least)).all():
        return "no min seat or open load is asked for: state what the cam needs under Limits"
    red = at[0].moving.red_line.value
    if not isfinite(red):
        own["float_margin"] = Window(np.full(len(at), -inf), np.full(len(at), inf), own["float_margin"].comfort)
    across = [one.u for one in means_of(engine, "spring_inside", 30.0)]
    fit = 2.0 * across[0] if across else _FIT_U_MM
    seat_u, open_u = _load_u(engine, seat), _load_u(engine, opened)
    return Asked(
        seat, opened, own["coil_bind_clearance"], own["retainer_seal"], own["card_lift"], own["open_stress"], own["float_margin"],
        red, seat_u, open_u, _bind_u(engine), fit, _LOOSE_MM,
    )  # fmt: skip


def _window(engine: Engine, check: str, roles: Sequence[str]) -> Window:
    limits = [limit_for(engine.limits, check, role, engine.lifter) for role in roles]
    least = np.array([-inf if one is None or one.lowest is None else one.lowest for one in limits])
    most = np.array([inf if one is None or one.highest is None else one.highest for one in limits])
    ends = np.where(np.isfinite([least, most]), [least, most], nan).T.tolist()
    rungs = [full_rung(one.comfort if one else None, *own) for one, own in zip(limits, ends, strict=True)]
    return Window(least, most, np.array([one if one > 0.0 else 1.0 for one in rungs]))


def _load_u(engine: Engine, window: Window) -> float:
    """Give the standard doubt a load in a window will have once it is read; 1 percent where the drawer has no tester."""
    ends = [one for one in (*window.least.tolist(), *window.most.tolist()) if isfinite(one)]
    middle = sum(ends) / len(ends) if ends else 1000.0
    known = [one.u for one in means_of(engine, "spring_load", middle)]
    return known[0] if known else 0.01 * middle


def _bind_u(engine: Engine) -> float:
    known = [one.u for one in means_of(engine, "bind_height", 28.0)]
    return known[0] if known else 0.02


def _stacks(
    sizes: Sequence[ShimSize], most_cut_mm: float, *, hardened: bool
) -> tuple[Stacks, tuple[tuple[float, ...], ...], tuple[float, ...]]:
    """Give every total there is once, by the fewest shims; then the thinnest base in pockets that are cut."""
    own = tuple(one for one in sizes if one.is_for("outer") and one.thickness_mm > 0)
    made = sorted(
        (round(sum(own[i].thickness_mm for i in one), 6), len(one), one) for one in stacks_of(own, hardened=hardened)
    )
    once: dict[float, tuple[tuple[float, ...], float]] = {}
    for total, _, one in made:
        once.setdefault(total, (tuple(own[i].thickness_mm for i in one), 0.0))
    if once and most_cut_mm > 0:
        thin, (base, _) = next(iter(once.items()))
        for step in range(1, int(most_cut_mm / _CUT_STEP_MM + 1e-9) + 1):
            once.setdefault(round(thin - step * _CUT_STEP_MM, 6), (base, step * _CUT_STEP_MM))
    totals = sorted(once)
    pieces = np.array([len(once[one][0]) for one in totals], dtype=np.int64)
    cuts = tuple(once[one][1] for one in totals)
    return (
        Stacks(np.array(totals), pieces, np.array([one > 0 for one in cuts])),
        tuple(once[one][0] for one in totals),
        cuts,
    )
