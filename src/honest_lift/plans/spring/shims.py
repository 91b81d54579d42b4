"""The shim plan: which stack goes under which spring, so that every pocket stands inside its window, and the best of those.

Goals: every height to the shortest pocket or to its target, or the loads of all valves as alike as can be, with the
springs as they are fitted or free to change pockets. What comes of it is predicted, and unproven, until one reading a
pocket confirms it.
"""

from __future__ import annotations

from collections.abc import Callable
from itertools import combinations_with_replacement
from typing import Literal

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.examine import gathered_of
from honest_lift.checks.valves import Gathered
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.spring.heights import height_from
from honest_lift.facts.edits import Edit, Fit, Several, fit_springs, fitment
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.made_at import has_base_at
from honest_lift.facts.place import position_title
from honest_lift.facts.shims import ShimSize
from honest_lift.mechanics.spring.nest import nest_load
from honest_lift.numbers.doubt import Array, Ground
from honest_lift.numbers.units import in_words
from honest_lift.plans.spring.inner_stacks import INNER_MM, inner_error, inner_stack
from honest_lift.plans.spring.shim_solver import Answer, Ints, Options, least_spread, nearest
from honest_lift.plans.spring.shopping import Wanted, shims_wanted
from honest_lift.plans.spring.windows import Window, windows_of

Goal = Literal["target", "shortest", "seat load", "open load"]
MOST_SHIMS = 3
NO_TARGET = "no target height is stated: state it under Cam card"
_EDGE_MM = 1e-6


class Pocket(Struct, frozen=True):
    """What the plan makes of one pocket. Lengths in mm, loads in N."""

    position: str
    spring: str
    bare_mm: float
    before_mm: tuple[float, ...]
    after_mm: tuple[float, ...]
    height_mm: float
    seat_load_n: float
    open_load_n: float
    bind_margin_mm: float
    window: Window
    inner_mm: tuple[float, ...] | None = None  # shims under the inner members, where they have a stack of their own


class ShimPlan(Struct, frozen=True):
    """A plan, or why there is none. `measure` is what was made least, `bound` the least anybody could reach."""

    goal: Goal
    pockets: tuple[Pocket, ...] = ()
    measure: float = float("nan")
    bound: float = float("nan")
    proven: bool = False
    problems: tuple[str, ...] = ()

    def wanted(self, engine: Engine) -> tuple[Wanted, ...]:
        """Count the shims of the whole plan by size."""
        return shims_wanted(engine, ((one.after_mm, one.inner_mm) for one in self.pockets))

    def edit(self, engine: Engine) -> Edit:
        """Give the plan as one edit: springs to their pockets, and the stacks that change."""
        changed = [one for one in self.pockets if one.after_mm != one.before_mm]
        edits: list[Edit] = []
        moved = {one.position: one.spring for one in self.pockets if engine.spring_at(one.position) != one.spring}
        if moved:
            edits.append(fit_springs(engine, moved, "springs to their pockets"))
        stacks = tuple(
            fitment(engine, "shims", one.position, thicknesses_mm=one.after_mm, note="shim plan") for one in changed
        )
        stacks += tuple(
            fitment(engine, "inner shims", one.position, thicknesses_mm=one.inner_mm, note="shim plan")
            for one in changed if one.inner_mm is not None
        )  # fmt: skip
        if stacks:
            edits.append(Fit(stacks, "shims by the plan"))
        return Several(tuple(edits), f"shim plan: {len(changed)} pockets")


class _Case(Struct):
    """What the plan is made from: pockets, springs, stacks and the windows of every pair."""

    gathered: Gathered
    bare: Array
    rows: list[int]
    names: list[str]
    stacks: list[tuple[int, ...]]
    sizes: tuple[ShimSize, ...]
    thick: Array
    windows: list[list[Window | None]]
    barred: NDArray[np.bool_]  # (pockets, stacks) where a hardened base is asked for and the stack has none


def plan_shims(
    book: Book, goal: Goal, spring_set: str = "", seconds: float = 6.0, cancelled: Callable[[], bool] = lambda: False,
    found: Callable[[float], None] = lambda spread_n: None,
) -> ShimPlan:  # fmt: skip
    """Make the plan. `spring_set`: the springs of that set are free to go anywhere; "" leaves each where it is.

    `found` is told the spread of loads, N, of every better plan on the way to the best.
    """
    if problems := _not_ready(book, spring_set):
        return ShimPlan(goal, problems=problems)
    case = _case(book, spring_set)
    if unread := [one.name for one, bare in zip(case.gathered.at, case.bare, strict=True) if not np.isfinite(bare)]:
        return ShimPlan(goal, problems=(f"not measured: installed height of {', '.join(map(position_title, unread))}",))
    if barred := _barred(case):
        return ShimPlan(
            goal, problems=(f"the reading for the height of {barred} proves nothing: measure again there first",)
        )
    options, target = _options(book, case, goal, free=bool(spring_set))
    if np.isnan(target) and goal == "target":
        return ShimPlan(goal, problems=(NO_TARGET,))
    if goal in ("seat load", "open load"):
        answer = least_spread(options, seconds, cancelled, _load_doubt(case, goal), found)
    else:
        answer = nearest(options, target, seconds, cancelled)
    if len(answer.chosen) == 0:
        why = _why_none(book, case, options) if answer.proven else (f"no plan was found within {seconds:g} s",)
        if why == _STOCK_SHORT:
            why = _what_to_buy(book, goal, spring_set, seconds, cancelled)
        return ShimPlan(goal, problems=why, proven=answer.proven)
    pockets = tuple(_pocket(book, case, options, int(one)) for one in answer.chosen)
    return ShimPlan(goal, pockets, answer.measure, answer.bound, answer.proven, _warnings(book.engine, answer, pockets))


def _load_doubt(case: _Case, goal: Goal) -> float:
    """Give the expanded doubt of the loads a plan is made by, N, the middle one: nobody can tell a spread that is less narrower."""
    valves = case.gathered.valves(range(len(case.gathered.at)))
    doubt = (valves.open_load if goal == "open load" else valves.seat_load).figure.apart_from_shared()
    return float(np.median(doubt[np.isfinite(doubt)])) if np.isfinite(doubt).any() else 0.0


def _not_ready(book: Book, spring_set: str) -> tuple[str, ...]:
    engine = book.engine
    problems = []
    if not engine.layout.positions:
        problems.append("no heads are laid out")
    if not engine.shim_stock:
        problems.append("there are no shims in stock: type their thicknesses into the table")
    if any(one.thickness_mm <= 0 for one in engine.shim_stock):
        problems.append("a shim in stock has no thickness: every one is thicker than nothing")
    unknown = [
        one.id
        for one in engine.layout.positions
        if (f := engine.fitted("shims", one.id)) is None or f.height_mm is None
    ]
    if unknown:
        problems.append(f"not stated: the shims at {', '.join(unknown)} now: type 0 where there are none")
    in_hand = [one for one in engine.springs if one.set == spring_set]
    if spring_set and len(in_hand) < len(engine.layout.positions):
        problems.append(f"the set has {len(in_hand)} springs for {len(engine.layout.positions)} pockets")
    return tuple(problems)


def _case(book: Book, spring_set: str) -> _Case:
    engine, gathered = book.engine, gathered_of(book)
    index = {one.id: i for i, one in enumerate(engine.springs)}
    rows = [index[one.id] for one in engine.springs if one.set == spring_set] if spring_set else list(gathered.rows)
    names = [*(one.id for one in engine.springs), ""]
    heights = height_from([one.height for one in gathered.at]).figure.value
    now = np.array([engine.fitted("shims", one.name).height_mm for one in gathered.at])  # type: ignore[union-attr]
    sizes = tuple(one for one in engine.shim_stock if one.is_for("outer"))
    based = np.array([bool(has_base_at(engine, one.name)) for one in gathered.at])
    stacks = stacks_of(sizes, hardened=bool(based.all()))
    thick = np.array([sum(sizes[i].thickness_mm for i in stack) for stack in stacks])
    count = len(gathered.at)
    pairs = [(p, s) for p in range(count) for s in range(len(rows)) if spring_set or s == p]
    windows: list[list[Window | None]] = [[None] * len(rows) for _ in range(count)]
    for (p, s), window in zip(pairs, windows_of(book, gathered, [(p, rows[s]) for p, s in pairs]), strict=True):
        windows[p][s] = window
    bare = [not any(sizes[i].hardened for i in stack) for stack in stacks]
    return _Case(gathered, heights + now, rows, [names[row] for row in rows], stacks, sizes, thick, windows,
                 np.outer(based, bare))  # fmt: skip


def _barred(case: _Case) -> str:
    """Give the pockets whose heights no plan may be built on; a height predicted from known shims is good enough."""
    ground = height_from([one.height for one in case.gathered.at]).figure.ground & int(_NO_GROUND)
    return ", ".join(one.name for one, bad in zip(case.gathered.at, ground.tolist(), strict=True) if bad)


_NO_GROUND = Ground.STALE | Ground.NO_TOOL | Ground.UNSOUND | Ground.SET_ASIDE | Ground.ASSUMED | Ground.UNRANGED


def stacks_of(sizes: tuple[ShimSize, ...], *, hardened: bool) -> list[tuple[int, ...]]:
    """Give every stack of at most three shims that the stock allows, on a hardened base where one is asked for."""
    made = [one for n in range(MOST_SHIMS + 1) for one in combinations_with_replacement(range(len(sizes)), n)]
    return [
        one for one in made
        if all(sizes[i].count is None or one.count(i) <= (sizes[i].count or 0) for i in set(one))
        and (not hardened or any(sizes[i].hardened for i in one))
    ]  # fmt: skip


def _options(book: Book, case: _Case, goal: Goal, *, free: bool) -> tuple[Options, float]:
    """Lay out every stack that stands inside its window, with the value the goal looks at."""
    found: list[tuple[int, int, int, float]] = []
    for p, row in enumerate(case.windows):
        for s, window in enumerate(row):
            if window is None or window.missing or window.low is None or window.high is None:
                continue
            height = case.bare[p] - case.thick
            inside = (
                ~case.barred[p]
                & (height >= window.low.height_mm - _EDGE_MM)
                & (height <= window.high.height_mm + _EDGE_MM)
            )
            found += [(p, s, int(k), float(height[k])) for k in np.flatnonzero(inside)]
    columns = np.array(found, dtype=np.float64).reshape(-1, 4)
    pocket, spring, stack = (columns[:, i].astype(np.int64) for i in range(3))
    value, target = _values(case, goal, pocket, spring, columns[:, 3])
    if goal == "shortest" and len(value):
        target = max(target, float(np.max([value[pocket == p].min() for p in np.unique(pocket)])))
        keep = value >= min(target, float(value.max())) - _EDGE_MM
        pocket, spring, stack, value = pocket[keep], spring[keep], stack[keep], value[keep]
    uses = np.array([[one.count(i) for i in range(len(case.sizes))] for one in case.stacks], dtype=np.float64)
    stock = np.array([np.inf if one.count is None else one.count for one in case.sizes], dtype=np.float64)
    uses = uses.reshape(len(case.stacks), len(case.sizes))
    return Options(len(case.gathered.at), len(case.rows), pocket, spring, stack, value, uses, stock), target


def _values(case: _Case, goal: Goal, pocket: Ints, spring: Ints, height: Array) -> tuple[Array, float]:
    """Give the value of each option, and the target it is held to."""
    if goal == "target":
        targets = np.array([one.target.value for one in case.gathered.at])
        return height - targets[pocket], 0.0 if np.isfinite(targets).all() else float("nan")
    if goal == "shortest":
        base = float(case.thick.min()) if len(case.thick) else 0.0
        return height, float(case.bare.min()) - base
    lift = case.gathered.lift.figure.value[pocket]
    at = height - (lift if goal == "open load" else 0.0)
    return _loads(case, pocket, spring, at), 0.0


def _loads(case: _Case, pocket: Ints, spring: Ints, height: Array) -> Array:
    curves = _standing(case, pocket, spring)
    return np.asarray(nest_load(height, curves.heights.value, curves.loads.value, curves.steps.value, curves.present))


def _standing(case: _Case, pocket: Ints, spring: Ints) -> Curves:
    """Give the curves of springs in pockets, with the shims their inner members have of their own."""
    more = [case.gathered.at[p].more_mm for p in pocket.tolist()]
    return case.gathered.curves.take([case.rows[s] for s in spring.tolist()]).on_own_shims(more)


def _pocket(book: Book, case: _Case, options: Options, chosen: int) -> Pocket:
    p, s, k = (int(one[chosen]) for one in (options.pocket, options.spring, options.stack))
    at = case.gathered.at[p]
    height, lift = float(case.bare[p] - case.thick[k]), float(case.gathered.lift.figure.value[p])
    pocket, spring = np.array([p]), np.array([s])
    seat, opened = (float(_loads(case, pocket, spring, np.array([h]))[0]) for h in (height, height - lift))
    bind = float(_standing(case, pocket, spring).bind.figure.value[0])
    before = book.engine.fitted("shims", at.name)
    after = tuple(sorted((case.sizes[i].thickness_mm for i in case.stacks[k]), reverse=True))
    window = case.windows[p][s]
    assert window is not None
    return Pocket(
        at.name, case.names[s], float(case.bare[p]), (before.thicknesses_mm or ()) if before else (), after, height, seat,
        opened, height - lift - bind, window, inner_stack(book.engine, at.name, case.names[s], after, at.more_mm),
    )  # fmt: skip


def _warnings(engine: Engine, answer: Answer, pockets: tuple[Pocket, ...]) -> tuple[str, ...]:
    told = [] if answer.proven else ["the time was up: this is the best found, not proven the best there is"]
    outside = [one.position for one in pockets if any(e and e.extrapolated for e in (one.window.low, one.window.high))]
    if outside:
        told.append(
            f"an edge of the window lies outside the measured points at {', '.join(outside)}: press the springs there too"
        )
    off = [
        one.position
        for one in pockets
        if one.inner_mm is not None and abs(inner_error(engine, one.position, one.after_mm, one.inner_mm)) > INNER_MM
    ]
    if off:
        told.append(
            f"the stock has no shims that bring the inner member to its height at {', '.join(off)}: buy some that fit it"
        )
    return tuple(told)


# --- why there is none ---


def _why_none(book: Book, case: _Case, options: Options) -> tuple[str, ...]:
    """Say which pocket leaves no plan, by which limit and by how much, and what would cure it."""
    told = [
        words for p in range(len(case.bare)) if not (options.pocket == p).any() and (words := _why_not(book, case, p))
    ]
    if told:
        return tuple(told)
    if len(np.unique(options.spring)) < len(case.bare):
        return ("these pockets accept too few of these springs: fit others, or change the heights asked for",)
    return _STOCK_SHORT


_STOCK_SHORT = ("the stock is short: every pocket has a stack, but there are not enough shims for all of them",)


def _what_to_buy(
    book: Book, goal: Goal, spring_set: str, seconds: float, cancelled: Callable[[], bool]
) -> tuple[str, ...]:
    """Make the plan as if nobody counted, and say what it takes more than there is over all pockets."""
    uncounted = tuple(replace(one, count=None) for one in book.engine.shim_stock)
    plan = plan_shims(
        replace(book, engine=replace(book.engine, shim_stock=uncounted)), goal, spring_set, seconds, cancelled
    )
    lacking = [one for one in plan.wanted(book.engine) if one.lacking]
    if not lacking:
        return _STOCK_SHORT
    unit = book.engine.unit("length")
    told = ", ".join(f"{one.lacking} of {in_words(one.thickness_mm, 'length', unit)}" for one in lacking)
    return (f"{_STOCK_SHORT[0]}. Bought beside what is there, {told} would do",)


def _why_not(book: Book, case: _Case, p: int) -> str:
    """Say why one pocket takes no stack, by the window of its own spring, or the widest where springs are free."""
    where = position_title(case.gathered.at[p].name)
    known = [one for one in case.windows[p] if one is not None]
    usable = [one for one in known if not one.missing and one.low and one.high]
    if not usable:
        return f"{where}: {known[0].missing if known else 'no spring is fitted'}"

    def say(mm: float) -> str:
        return in_words(mm, "length", book.engine.unit("length"))

    best = max(usable, key=lambda one: one.width_mm)
    assert best.low is not None
    assert best.high is not None
    if never := next((edge for edge in best.highs if edge.unreached), None):
        return (f"{where}, spring {best.spring}: {never.name} is more than the spring gives, even at coil bind. "
                "A stronger spring, or a lower limit, opens it")  # fmt: skip
    if best.width_mm < 0:
        low, high, gap = max(best.conflicts, key=lambda one: one[2])
        return (f"{where}, spring {best.spring}: its window is empty by {say(gap)}, between {low.name} and {high.name}. "
                "Another spring, another limit or less lift opens it")  # fmt: skip
    thinnest, thickest = float(case.thick.min()), float(case.thick.max())
    if case.bare[p] - thinnest < best.low.height_mm:
        short = best.low.height_mm - (case.bare[p] - thinnest)
        cure = "Cut the pocket by that, or take locks or a retainer with an offset"
        return f"{where}: too short by {say(short)} for {best.low.name}. {cure}"
    if case.bare[p] - thickest > best.high.height_mm:
        tall = case.bare[p] - thickest - best.high.height_mm
        return f"{where}: too tall by {say(tall)} for {best.high.name} even with the thickest stack. Buy thicker shims"
    t1, t2 = case.bare[p] - best.high.height_mm, case.bare[p] - best.low.height_mm
    if ((case.thick >= t1 - _EDGE_MM) & (case.thick <= t2 + _EDGE_MM)).any():
        return f"{where}: in its window it would be below the shortest pocket's height. Choose another goal"
    return f"{where}: no stack of the stock lies in {say(t1)} to {say(t2)}. Buy a shim in between"
