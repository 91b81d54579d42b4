"""Figures from named parts, and what is the very same worked out once: sixteen valves often have four different sets of parts."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from typing import Protocol, TypeVar

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Array, Ground

Parts = Mapping[str, Array]  # what a figure is worked from, by name: arrays (copies, n), or (n,) of one copy
_ASSUMED = int(Ground.ASSUMED)
_BARS = int(Ground.ASSUMED | Ground.UNRANGED)


def derive_of(work: Callable[[Parts], Array], parts: Mapping[str, Estimate]) -> Estimate:
    """Evaluate a function of named estimates, handed to it by their names and in one shape."""
    names = tuple(parts)

    def by_name(*arrays: Array) -> Array:
        return work(dict(zip(names, np.broadcast_arrays(*arrays), strict=True)))

    return derive(by_name, *parts.values())


def laid_out(cases: Sequence[Mapping[str, Input]], most_ranges: int) -> dict[str, Estimate]:
    """Lay the named inputs of cases, alike in their names, out as an estimate of each, with few ranges to scan."""
    few = [few_ranges(one, most_ranges) for one in cases]
    return {name: estimate_of([one[name] for one in few]) for name in cases[0]}


def values_of(parts: Mapping[str, Input]) -> dict[str, Array]:
    """Give the values alone, each an array (1,)."""
    return {name: np.array([one.value]) for name, one in parts.items()}


def few_ranges(parts: Mapping[str, Input], most: int) -> dict[str, Input]:
    """Give parts with at most so many assumed ranges to scan; where there are more, none is, and nothing is decided by them."""
    ranged = [name for name, one in parts.items() if int(one.ground) & _BARS == _ASSUMED]
    if len(ranged) <= most:
        return dict(parts)
    barred = {name: replace(parts[name], ground=parts[name].ground | Ground.UNRANGED) for name in ranged}
    return {**parts, **barred}


def plain(one: Input) -> tuple[object, ...]:
    """Give what tells two inputs apart as far as figures go."""
    value = one.value if one.value == one.value else None  # NaN is not equal to itself
    return (value, one.own_u, one.shared, one.each, int(one.ground), one.low if one.low == one.low else None,
            one.high if one.high == one.high else None, one.hard_ends)  # fmt: skip


def first_of_each(keys: Sequence[object]) -> tuple[list[int], list[int]]:
    """Give where each of the keys stands first, and for every one which of those it is."""
    alike: dict[object, int] = {}
    first: list[int] = []
    of = []
    for row, key in enumerate(keys):
        which = alike.setdefault(key, len(alike))
        if which == len(first):
            first.append(row)
        of.append(which)
    return first, of


class Worked(Protocol):
    """One valve, or pair of them, put together from its parts: what can be worked out at once with others like it."""

    @property
    def position(self) -> str:
        """Give the valve it is told of."""
        ...

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give its parts, and what else is wanted of it."""
        ...

    @property
    def missing(self) -> tuple[Input, ...]:
        """Give what it lacks."""
        ...

    @property
    def alike(self) -> tuple[object, ...]:
        """Give what those that are worked out together have in common."""
        ...

    @property
    def lobes(self) -> object:
        """Give what tells its lobes from others."""
        ...


T = TypeVar("T", bound=Worked)


def worked_alike(
    wanted: str,
    valves: Sequence[T],
    work: Callable[[Sequence[T], Sequence[int], Sequence[int]], Estimate],
    figures: int = 1,
) -> Estimate:
    """Work out all that lack nothing, those with the very same parts and lobes once; of the others `wanted` is missing.

    `work` takes those that are carried alike, each once; their rows among all; and for each row which of them it is. It gives so
    many `figures` of each: an estimate (n,), or (n, figures) where there are more.
    """
    least = estimate_of(
        [Input(wanted, "", "missing", ground=Ground.MISSING, asked=at_position(one.position)) for one in valves]
    )
    if figures > 1:
        least = derive(lambda one: np.stack([one] * figures, axis=-1), least)
    least = Estimate(least.figure, tuple((*one.inputs, *one.missing) for one in valves))
    for way in dict.fromkeys(one.alike for one in valves if not one.missing):
        rows = [i for i, one in enumerate(valves) if not one.missing and one.alike == way]
        first, of_row = first_of_each([(valves[i].lobes, *map(plain, valves[i].inputs)) for i in rows])
        found = work([valves[rows[which]] for which in first], rows, of_row)
        figure = found.figure.take(np.array(of_row, dtype=np.int64))
        least = _placed(least, rows, Estimate(figure, tuple(valves[i].inputs for i in rows)), len(valves))
    return least


def _placed(whole: Estimate, rows: Sequence[int], found: Estimate, count: int) -> Estimate:
    """Put the answers of some valves where they belong."""
    order = np.zeros(count, dtype=np.int64)
    order[list(rows)] = np.arange(len(rows))
    spread = found.take(order.tolist())
    first = np.zeros(count, dtype=bool)
    first[list(rows)] = True
    return either(first, spread, whole)
