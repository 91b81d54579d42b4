"""Valve to valve through the overlap: the least gap between the heads of a cylinder, in three dimensions, with its doubt.

Both heads are placed at every crank degree and their nearest direction is found; what is displaced is measured along the direction
kept there, which tells the change to first order and never too much room (mechanics/clearance/valve_valve).
"""

from __future__ import annotations

from collections.abc import Sequence
from math import nan

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.alike import Parts, derive_of, laid_out, values_of, worked_alike
from honest_lift.estimates.estimate import Estimate, Input, column, estimate_of
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.train.assembled import EveryTrain, Lifted
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.mechanics.clearance.piston_valve import refined_least
from honest_lift.mechanics.clearance.valve_valve import Head, Pair, Placed, apart_along, direction_between, edge_share
from honest_lift.numbers.doubt import Array, Ground

OVERLAP = np.arange(-60.0, 60.5, 1.0)
_WINDOW = np.arange(-10, 11)
_OWN = ("lean_toward", "lean_across", "head_diameter", "valve_margin", "face_angle")
_OF_BOTH = ("heads_over", "heads_step")
RESTS_ON = (*_OWN, *_OF_BOTH)
_STEM_SHARE = 0.2  # the seat's cone is carried on to this share of the head: more than any real head has there
_MOST_RANGES = 3


class Opposed(Struct, frozen=True):
    """An intake and the exhaust against it, ready to be turned, or what is missing.

    `parts`: what lifts each and its shape, named after INTAKE and EXHAUST, and what both have together.
    """

    position: str
    lifted: tuple[Lifted, Lifted]
    parts: dict[str, Input]
    missing: tuple[Input, ...]

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give everything it is turned from."""
        return tuple(self.parts.values())

    @property
    def alike(self) -> tuple[object, ...]:
        """Give how both are carried."""
        return tuple(one.alike for one in self.lifted)

    @property
    def lobes(self) -> object:
        """Give what tells both lobes from others."""
        return tuple(one.lobe_key for one in self.lifted)


INTAKE, EXHAUST = "intake ", "exhaust "


class ThroughOverlap(Struct, frozen=True):
    """The least gap at every valve (n,), told at intakes; the gap at TDC; the angle of the least (n,); gaps over OVERLAP (n, k)."""

    least: Estimate
    at_tdc: Estimate
    at_deg: np.ndarray
    curves: np.ndarray


class Amounts(Struct, frozen=True):
    """What is changed to gain room: mm that seats are sunk and edges bevelled (intake, exhaust), off the exhaust's diameter;
    degrees that each lobe goes from TDC.
    """

    sunk: tuple[float, float] = (0.0, 0.0)
    bevel: tuple[float, float] = (0.0, 0.0)
    smaller: float = 0.0
    spread_deg: float = 0.0


def of_pair(book: Book, quantity: str, intake: str) -> Input:
    """Give what stands for a quantity of a pair: read at its intake, or at its exhaust where that stands against no other.

    What is told for all speaks of a pair only while neither of its valves was changed.
    """
    own, layout = at_valve(book, quantity, intake), book.engine.layout
    other = layout.opposite(intake)
    if not other or layout.opposite(other) != intake:
        return own
    there, lacking = at_valve(book, quantity, other), bool(own.ground & Ground.MISSING)
    read_there = there.kind == "measured" and there.is_own
    if read_there and (lacking or not own.is_own) and not (lacking and own.note):
        return there
    if there.ground & Ground.STALE and not own.ground & Ground.STALE and not lacking and own.where == there.where:
        return replace(own, ground=own.ground | Ground.STALE, note=there.note)
    return there if lacking and not own.note and there.note else own


def opposed(book: Book) -> list[Opposed]:
    """Give every intake that an exhaust stands against, in head order."""
    known, layout = EveryTrain(book), book.engine.layout
    shape = {name: at_each_valve(book, name) for name in _OWN}
    order = {one.id: case for case, one in enumerate(layout.positions)}
    pairs = []
    for intake, case in order.items():
        exhaust = layout.opposite(intake)
        if at_position(intake).role != "intake" or not exhaust:
            continue
        lifted = (known.lifted(case, intake), known.lifted(order[exhaust], exhaust))
        told = {f"{INTAKE}{name}": one for name, one in lifted[0].parts.items()}
        told |= {f"{EXHAUST}{name}": _exhausts(one) for name, one in lifted[1].parts.items()}
        for name in _OWN:
            told[f"{INTAKE}{name}"] = shape[name][case]
            told[f"{EXHAUST}{name}"] = _exhausts(shape[name][order[exhaust]])
        told |= {name: of_pair(book, name, intake) for name in _OF_BOTH}
        missing = tuple(one for one in told.values() if one.ground & Ground.MISSING)
        pairs.append(Opposed(intake, lifted, _apart(told), missing))
    return pairs


def _exhausts(one: Input) -> Input:
    """Keep what an exhaust's part has of its own from moving its intake's."""
    own = ((f"scatter:{one.quantity}:exhaust", f"{one.title}, exhaust", one.own_u),) if one.own_u else ()
    each = tuple((f"{key}:exhaust", f"{label}, exhaust", u) for key, label, u in one.each)
    return replace(one, own_u=0.0, each=(*each, *own))


def _apart(parts: dict[str, Input]) -> dict[str, Input]:
    """Let nothing be decided by a range that both valves have: one axis can't move them apart."""
    ranged = [one.quantity for one in parts.values() if one.ground & Ground.ASSUMED]
    twice = {name for name in ranged if ranged.count(name) > 1}

    def barred(one: Input) -> Input:
        is_twice = one.quantity in twice and one.ground & Ground.ASSUMED
        return replace(one, ground=one.ground | Ground.UNRANGED) if is_twice else one

    return {name: barred(one) for name, one in parts.items()}


def valve_to_valve(book: Book) -> ThroughOverlap:
    """Give the gap between the heads of every pair, told at its intake; exhausts and intakes without one have none."""
    names = [one.id for one in book.engine.layout.positions]
    count, pairs = len(names), opposed(book)
    at, curves = np.full(count, nan), np.full((count, len(OVERLAP)), nan)
    cases = np.array([names.index(one.position) for one in pairs], dtype=np.int64)

    def work(some: Sequence[Opposed], rows: Sequence[int], of_row: Sequence[int]) -> Estimate:
        found, found_at, found_curves = _turned(book, some)
        at[cases[list(rows)]], curves[cases[list(rows)]] = found_at[list(of_row)], found_curves[list(of_row)]
        return found

    told = worked_alike("valve_to_valve", pairs, work, figures=2) if pairs else None
    none = [Input("valve_to_valve", "", "missing", ground=Ground.MISSING, asked=at_position(one)) for one in names]
    blank = estimate_of(none)
    if told is None:
        return ThroughOverlap(blank, blank, at, curves)
    spread = np.zeros(count, dtype=np.int64)
    spread[cases] = np.arange(len(cases))
    first = np.zeros(count, dtype=bool)
    first[cases] = True
    whole = told.take(spread.tolist())
    least, at_tdc = (_only(column(whole, which), first, blank) for which in (0, 1))
    return ThroughOverlap(least, at_tdc, at, curves)


def _only(one: Estimate, first: np.ndarray, blank: Estimate) -> Estimate:
    figure = one.figure.on_ground(~first, Ground.MISSING)
    return Estimate(figure, tuple(a if f else b for a, b, f in zip(one.inputs, blank.inputs, first, strict=True)))


class TurnedPair:
    """Pairs (n,) that are carried alike, ready to be turned: heads as they stand, and gaps along directions kept."""

    def __init__(self, book: Book, pairs: Sequence[Opposed]) -> None:
        self.motions = tuple(Motion(book, [one.lifted[which] for one in pairs]) for which in (0, 1))
        self._names = tuple(tuple(pairs[0].lifted[which].parts) for which in (0, 1))

    def lifts(self, crank_deg: Array, parts: Parts, spread_deg: float = 0.0) -> tuple[Array, Array]:
        """Give both lifts (k, ..., n) at crank degrees (k, 1.., n), the lobes gone from TDC by some degrees each."""
        intake, exhaust = (
            motion.lift(crank_deg + side * spread_deg, {name: parts[f"{of}{name}"] for name in names})
            for motion, names, of, side in zip(self.motions, self._names, (INTAKE, EXHAUST), (-1.0, 1.0), strict=True)
        )
        return intake, exhaust

    def placed(self, crank_deg: Array, parts: Parts, changed: Amounts | None = None) -> tuple[Placed, Placed]:
        """Place both heads at crank degrees (k, 1.., n) from parts (..., n)."""
        changed = changed or Amounts()
        lifts = self.lifts(crank_deg, parts, changed.spread_deg)
        (ti, ai, di, mi, fi), (te, ae, de, me, fe) = (
            tuple(parts[f"{of}{name}"] for name in _OWN) for of in (INTAKE, EXHAUST)
        )
        over, step = (parts[name] for name in _OF_BOTH)
        intake = _head(di, mi, fi, changed.bevel[0])
        exhaust = _head(de - changed.smaller, me, fe, changed.bevel[1])
        over = over - changed.smaller / 2.0 * edge_share(te, ae)  # its seat stays where it is
        pair = Pair(intake, exhaust, (ti, te), (ai, ae), over, step)
        return pair.placed(lifts[0] - changed.sunk[0], lifts[1] - changed.sunk[1])


def _head(diameter: Array, margin: Array, face_deg: Array, bevel: float) -> Head:
    return Head(diameter / 2.0, margin, face_deg, np.full_like(margin, bevel), _STEM_SHARE * diameter / 2.0)


def _ways(one: Placed, other: Placed) -> Array:
    """Give the nearest directions (3, k, n), where the heads meet that of the nearest angle where they do not."""
    ways = direction_between(one, other)
    known = np.asarray(np.isfinite(ways).all(axis=0))
    middle = np.broadcast_arrays(other.middle - one.middle, ways)[0]
    ways = np.where(known, ways, np.nan)
    for case in np.flatnonzero(~known.all(axis=0)):
        sure = np.flatnonzero(known[:, case])
        if len(sure):
            near = sure[np.abs(np.arange(len(known))[:, None] - sure[None, :]).argmin(axis=1)]
            ways[:, :, case] = ways[:, near, case]
        else:
            ways[:, :, case] = middle[:, :, case] / np.sqrt((middle[:, :, case] ** 2).sum(axis=0))
    return ways


def _turned(book: Book, pairs: Sequence[Opposed]) -> tuple[Estimate, Array, Array]:
    """Work out pairs that are carried alike: least gap and gap at TDC (n, 2), the angle of the least, and the gaps (n, k)."""
    turned, estimates = TurnedPair(book, pairs), laid_out([one.parts for one in pairs], _MOST_RANGES)
    here = turned.placed(OVERLAP[:, None], {name: one.figure.value for name, one in estimates.items()})
    ways = _ways(*here)
    gaps = apart_along(*here, ways)
    lowest = np.argmin(np.nan_to_num(gaps, nan=np.inf), axis=0)
    rows = np.clip(lowest + _WINDOW[:, None], 0, len(OVERLAP) - 1)  # (w, n)
    rows = np.vstack([rows, np.full((1, len(pairs)), len(OVERLAP) // 2)])
    kept = np.take_along_axis(ways, np.broadcast_to(rows, (3, *rows.shape)), axis=1)[:, :, None, :]

    def least(parts: Parts) -> Array:
        gap = apart_along(*turned.placed(OVERLAP[rows][:, None, :], parts), kept)
        return np.stack([refined_least(gap[:-1]), gap[-1]], axis=-1)

    whole = derive_of(least, estimates)
    lacking = np.asarray(~np.isfinite(whole.figure.value).all(axis=-1))
    return Estimate(whole.figure.on_ground(lacking, Ground.MISSING), whole.inputs), OVERLAP[lowest], gaps.T


class OnePair:
    """One pair turned again and again with something changed, without doubts, along the directions it is nearest in now."""

    def __init__(self, book: Book, pair: Opposed) -> None:
        self._turned = TurnedPair(book, [pair])
        self._parts = values_of(pair.parts)
        self._ways = _ways(*self._turned.placed(OVERLAP[:, None], self._parts))

    def gaps(self, changed: Amounts) -> Array:
        """Give the gaps over OVERLAP."""
        return apart_along(*self._turned.placed(OVERLAP[:, None], self._parts, changed), self._ways)[:, 0]

    def gaps_now(self) -> Array:
        """Give the gaps over OVERLAP as it stands."""
        return self.gaps(Amounts())

    def least(self, changed: Amounts | None = None) -> float:
        """Give the least gap."""
        return float(refined_least(self.gaps(changed or Amounts())))

    def tdc_lifts_lost(self, spread_deg: float) -> tuple[float, float]:
        """Give what intake and exhaust lift less at TDC with their lobes gone from it by so many crank degrees each."""
        at = np.array([[0.0]])
        now, then = (self._turned.lifts(at, self._parts, by) for by in (0.0, spread_deg))
        return float((now[0] - then[0])[0, 0]), float((now[1] - then[1])[0, 0])

    def at(self, crank_deg: float) -> tuple[Placed, Placed]:
        """Give both heads as they stand at a crank angle."""
        return self._turned.placed(np.array([[crank_deg]]), self._parts)
