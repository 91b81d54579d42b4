"""Doubt: a figure carried together with its displaced copies, one pair per physical source.

A `Figure` holds one value per case (a valve, a spring, a candidate in a search) and, for every source of
doubt, the value it would have with that source displaced by plus and minus one standard doubt. A function of
figures is evaluated once, on all copies together, so that a source shared by two inputs is displaced in both
at once: its parts are added before they are squared, a shared tool offset cancels in a difference, and
whatever lies downstream displaces the copies and not the raw inputs.

Assumed inputs are no doubt of this kind. Each carries a range, and the figure is scanned over the whole grid
of those ranges (both ends and the middle), which the decision rule needs for its corners.

Source: JCGM 100:2008 (GUM), 5.1.2 and 5.2.2, with numerical sensitivities (5.1.3 note 2).
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from enum import IntFlag
from typing import TypeVar

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

T = TypeVar("T")
Array = NDArray[np.float64]
SCAN = 3  # points of an assumed range that are tried: both ends and the middle
COVERAGE = 2.0  # expanded doubt U = 2 u


class Ground(IntFlag):
    """What a figure rests on, as far as it bars a plain pass."""

    NONE = 0
    SPECIFIED = 1  # rests on a card's figure with its tolerance: may pass, and says so
    MISSING = 2
    ASSUMED = 4
    UNRANGED = 8  # assumed without a range
    STALE = 16
    EXTRAPOLATED = 32
    PREDICTED = 64
    UNTOLERATED = 128  # specified without a tolerance
    NO_TOOL = 256  # read with a tool nobody named
    UNSOUND = 512  # readings that contradict each other
    SET_ASIDE = 1024  # something nearer made no sense and was set aside; what stands in for it proves nothing
    UNREAD = 2048  # what it is compared with was not all measured
    SUSPECT = 4096  # something that was seen speaks against it, and a person must settle it first
    PENDING = 8192  # what it rests on is being worked out

    # joined and asked thousands of times a second while a trial is dragged: the usual ones make a new flag through four calls
    def __and__(self, other: int) -> Ground:
        return _GROUNDS[int.__and__(self, other)]

    def __or__(self, other: int) -> Ground:
        return _GROUNDS[int.__or__(self, other)]


class _Grounds(dict[int, Ground]):
    def __missing__(self, flags: int) -> Ground:
        return self.setdefault(flags, Ground(flags))


_GROUNDS = _Grounds()


def ground_of(flags: int) -> Ground:
    """Give the flags that a whole number stands for."""
    return _GROUNDS[flags]


class Source(Struct, frozen=True, cache_hash=True):
    """One physical source of doubt. `shared`: one displacement moves every case (a tool's offset)."""

    key: str
    label: str
    shared: bool


class Range(Struct, frozen=True, cache_hash=True):
    """An assumed input's range. A `hard` end is a physical bound that no engine can pass (lash below zero)."""

    key: str
    label: str
    hard_low: bool = False
    hard_high: bool = False


class Figure(Struct, frozen=True, eq=False):
    """Values over cases with their doubt.

    value   (n, ...)            NaN where there is none
    plus    (sources, n, ...)   with each source displaced by +u
    minus   (sources, n, ...)   with each source displaced by -u
    grid    (SCAN ** ranges, n, ...)   over the assumed ranges, first range slowest
    assumed (ranges, n)         whether the case rests on that assumption, however narrow its range
    ground  (n,)                Ground flags
    """

    value: Array
    sources: tuple[Source, ...]
    plus: Array
    minus: Array
    ranges: tuple[Range, ...]
    grid: Array
    assumed: NDArray[np.bool_]
    ground: NDArray[np.int64]

    @property
    def u(self) -> Array:
        """Give the standard doubt, (n, ...): the worse side of each source, root of the sum of squares; NaN without a value."""
        if not self.sources:
            return np.where(np.isnan(self.value), np.nan, 0.0)
        return np.asarray(np.sqrt(np.sum(self.parts() ** 2, axis=0)))

    @property
    def expanded(self) -> Array:
        """Give the expanded doubt U = 2 u, (n, ...)."""
        return COVERAGE * self.u

    def apart_from_shared(self) -> Array:
        """Give the expanded doubt (n, ...) of what moves each case by itself: what is shared moves no case against another."""
        own = [row for row, source in enumerate(self.sources) if not source.shared]
        return (
            np.asarray(COVERAGE * np.sqrt(np.sum(self.parts()[own] ** 2, axis=0)))
            if own
            else np.zeros(self.value.shape)
        )

    def parts(self) -> Array:
        """Give what each source adds to the standard doubt, (sources, n, ...).

        The larger of the two sides is taken, so that a kink or a turning point never hides a source.
        """
        return np.maximum(np.abs(self.plus - self.value), np.abs(self.minus - self.value))

    def on_ground(self, where: NDArray[np.bool_], flags: Ground) -> Figure:
        """Add ground flags to the cases where (n,) is true; what is missing has no value."""
        shaped = where.reshape(-1, *(1,) * (self.value.ndim - 1))
        value = np.where(shaped, np.nan, self.value) if flags & Ground.MISSING else self.value
        return replace(self, value=value, ground=self.ground | np.where(where, int(flags), 0).astype(np.int64))

    def never_exact(self, source: Source, u: Array) -> Figure:
        """Give cases (n,) whose doubts cancel out the standard doubt `u` (n,) of what was read there: no reading is exact.

        A spring that is itself the median of its set is held against its own load, and would be 100 percent for certain.
        """
        bare = np.where(np.isfinite(self.value) & (self.u == 0.0), u, 0.0)
        if not bare.any():
            return self
        plus, minus = (np.concatenate([side, (self.value + sign * bare)[None]]) for side, sign in
                       ((self.plus, 1.0), (self.minus, -1.0)))  # fmt: skip
        return replace(self, sources=(*self.sources, source), plus=plus, minus=minus)

    def take(self, cases: NDArray[np.int64]) -> Figure:
        """Give the figure for some cases, in the order given."""
        return replace(
            self,
            value=self.value[cases],
            plus=self.plus[:, cases],
            minus=self.minus[:, cases],
            grid=self.grid[:, cases],
            assumed=self.assumed[:, cases],
            ground=self.ground[cases],
        )

    def doubted(self, source: Source, u: Array) -> Figure:
        """Add one more source, which moves each case by its own standard doubt (n, ...)."""
        shift = np.where(np.isnan(u), 0.0, u)
        return replace(
            self, sources=(*self.sources, source), plus=np.concatenate([self.plus, (self.value + shift)[None]]),
            minus=np.concatenate([self.minus, (self.value - shift)[None]]),
        )  # fmt: skip

    def without_ranges(self) -> Figure:
        """Leave the assumed ranges out: the value stands in their middle, and what rests on them must be barred by its ground."""
        count = self.value.shape[0]
        return replace(self, ranges=(), grid=self.value[None], assumed=np.empty((0, count), dtype=bool))

    def apart(self) -> Figure:
        """Split every source that is not shared into one source a case.

        Needed before a function that looks across cases (a spread, a median): there the scatter of one
        reading must not move its neighbours.
        """
        sources: list[Source] = []
        plus: list[Array] = []
        minus: list[Array] = []
        for row, source in enumerate(self.sources):
            if source.shared:
                sources.append(source)
                plus.append(self.plus[row])
                minus.append(self.minus[row])
                continue
            moved = np.flatnonzero(
                (np.abs(self.plus[row] - self.value) > 0) | (np.abs(self.minus[row] - self.value) > 0)
            )
            for case in moved:
                sources.append(Source(f"{source.key}#{case}", source.label, shared=True))
                for copies, row_of in ((plus, self.plus[row]), (minus, self.minus[row])):
                    copy = self.value.copy()
                    copy[case] = row_of[case]
                    copies.append(copy)
        empty = np.empty((0, *self.value.shape))
        return replace(
            self,
            sources=tuple(sources),
            plus=np.stack(plus) if plus else empty,
            minus=np.stack(minus) if minus else empty,
        )


def exact(value: Array, ground: Ground = Ground.NONE) -> Figure:
    """Make a figure without doubt from values (n, ...)."""
    value = np.asarray(value, dtype=np.float64)
    empty = np.empty((0, *value.shape))
    flags = np.full(value.shape[0], int(ground), dtype=np.int64)
    return Figure(value, (), empty, empty, (), value[None], np.empty((0, value.shape[0]), dtype=bool), flags)


def combine(function: Callable[..., Array], *inputs: Figure) -> Figure:
    """Evaluate a function of figures on the values and on every displaced copy, in one call.

    `function` takes one array (copies, n, ...) per input and gives (copies, n, ...). Ground flags of all
    inputs are joined.
    """
    sources = _union([figure.sources for figure in inputs])
    ranges = _union([figure.ranges for figure in inputs])
    rows = {source: row for row, source in enumerate(sources)}
    result = np.asarray(function(*(_copies(figure, rows, ranges) for figure in inputs)), dtype=np.float64)
    count = len(sources)
    ground = np.bitwise_or.reduce([figure.ground for figure in inputs])
    return Figure(
        result[0], sources, result[1 : 1 + count], result[1 + count : 1 + 2 * count], ranges,
        result[1 + 2 * count :], _assumed(inputs, ranges), ground,
    )  # fmt: skip


def _assumed(inputs: Sequence[Figure], ranges: tuple[Range, ...]) -> NDArray[np.bool_]:
    """Tell, (ranges, n), which cases rest on which assumption, through any of the inputs."""
    rests = np.zeros((len(ranges), inputs[0].value.shape[0]), dtype=bool)
    for figure in inputs:
        for row, one in enumerate(figure.ranges):
            rests[ranges.index(one)] |= figure.assumed[row]
    return rests


def _union(groups: Sequence[tuple[T, ...]]) -> tuple[T, ...]:
    if all(group == groups[0] for group in groups):
        return groups[0]
    return tuple(dict.fromkeys(item for group in groups for item in group))


def _copies(figure: Figure, rows: dict[Source, int], ranges: tuple[Range, ...]) -> Array:
    """Lay a figure out on the joint sources, by their rows, and ranges: value, all pluses, all minuses, the grid."""
    count, shape = len(rows), figure.value.shape
    copies = np.empty((1 + 2 * count + SCAN ** len(ranges), *shape))
    copies[: 1 + 2 * count] = figure.value
    at = [rows[source] for source in figure.sources]
    if at == list(range(count)):
        copies[1 : 1 + count], copies[1 + count : 1 + 2 * count] = figure.plus, figure.minus
    else:
        for own, row in enumerate(at):
            copies[1 + row], copies[1 + count + row] = figure.plus[own], figure.minus[own]
    copies[1 + 2 * count :] = figure.grid if figure.ranges == ranges else _over(figure, ranges)
    return copies


def _over(figure: Figure, ranges: tuple[Range, ...]) -> Array:
    """Lay a figure's grid out over more ranges than its own: it is the same along the others."""
    shape = figure.value.shape
    own = [SCAN if one in figure.ranges else 1 for one in ranges]
    order = [figure.ranges.index(one) for one in ranges if one in figure.ranges]
    grid = figure.grid.reshape(*(SCAN,) * len(figure.ranges), *shape)
    grid = grid.transpose(*order, *range(len(order), grid.ndim)).reshape(*own, *shape)
    return np.broadcast_to(grid, (*(SCAN,) * len(ranges), *shape)).reshape(SCAN ** len(ranges), *shape)


def once_a_copy(function: Callable[..., Array], *parts: Array) -> Array:
    """Evaluate a function of parts (copies, n), giving (k, copies, n), once for copies that are the very same.

    A source of doubt moves few of the parts of a long computation; what none of its parts is moved in need not be done again.
    Parts (n,) are handed on as they are.
    """
    if parts[0].ndim < 2:
        return function(*parts)
    seen: dict[bytes, int] = {}
    of = [seen.setdefault(b"".join(one[row].tobytes() for one in parts), len(seen)) for row in range(len(parts[0]))]
    first = [of.index(which) for which in range(len(seen))]
    found = function(*(one[first] for one in parts))
    return found[:, of] if len(first) < len(of) else found


def join(one: Figure, other: Figure) -> Figure:
    """Put two figures behind each other, their cases in order, so that one evaluation serves both."""
    sources, ranges = _union([one.sources, other.sources]), _union([one.ranges, other.ranges])
    rows = {source: row for row, source in enumerate(sources)}
    copies = np.concatenate([_copies(figure, rows, ranges) for figure in (one, other)], axis=1)
    count = len(sources)
    assumed = np.concatenate([_assumed((figure,), ranges) for figure in (one, other)], axis=1)
    return Figure(
        copies[0], sources, copies[1 : 1 + count], copies[1 + count : 1 + 2 * count], ranges, copies[1 + 2 * count :],
        assumed, np.concatenate([one.ground, other.ground]),
    )  # fmt: skip


def choose(first: NDArray[np.bool_], one: Figure, other: Figure) -> Figure:
    """Take `one` in the cases where `first` (n,) is true and `other` elsewhere, each with its own ground."""
    shaped = first.reshape(-1, *(1,) * (one.value.ndim - 1))
    chosen = combine(lambda a, b: np.asarray(np.where(shaped, a, b)), one, other)
    assumed = np.where(first, _assumed((one,), chosen.ranges), _assumed((other,), chosen.ranges))
    return replace(chosen, assumed=assumed, ground=np.where(first, one.ground, other.ground))
