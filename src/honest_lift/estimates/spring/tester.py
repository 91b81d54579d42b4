"""Spring testers: what their calibration against reference springs says of each load they read.

Raw readings stay raw. The correction is worked out whenever it is needed, so that another calibration can be
chosen for the same readings.
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from math import sqrt

import numpy as np
from msgspec.structs import replace

from honest_lift.facts.calibrations import NO_CORRECTION, Calibration, ReferenceSpring, calibration_for
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.memory.remember import by_identity
from honest_lift.facts.tools import Tool, kept_true, offset_doubt, scatter_doubt
from honest_lift.mechanics.spring.tester_calibration import GAIN, OFFSET, STOP, Fit, corrected_load, fit_tester
from honest_lift.numbers.doubt import Array

_OUTLIER = 2.5  # standardised residual past which a reading does not belong to the line
_UNLIKELY = 0.01  # chi-square so large once in a hundred
_TWICE = 2.0  # scatters: nineteen readings of twenty lie nearer
_LARGEST = 0.03  # correction as a share of the load: past it the tester is mended first. Common practice, no source
_BEYOND = 0.05  # how far past the certified loads a correction is still taken as it stands


@dataclass(frozen=True, slots=True)
class Correction:
    """A calibration worked out. `sources`: (key, label, displacements of offset, gain and stop), one a source."""

    calibration: Calibration
    fit: Fit
    certified_n: Array
    read_n: Array
    heights_mm: Array
    references: tuple[str, ...]
    sources: tuple[tuple[str, str, tuple[float, float, float]], ...]
    alarms: tuple[str, ...]
    is_certified: bool  # every certificate states its own doubt

    @property
    def offset_n(self) -> float:
        """Give the tester's offset in N."""
        return self.fit.value(OFFSET)

    @property
    def gain(self) -> float:
        """Give the tester's gain error as a share."""
        return self.fit.value(GAIN)

    @property
    def stop_mm(self) -> float:
        """Give how far the stop lets a spring stand above the height it names, in mm."""
        return self.fit.value(STOP)

    @property
    def is_checked(self) -> bool:
        """Tell whether a degree of freedom is left to check the line by."""
        return self.fit.freedom > 0

    def load(self, read_n: float) -> float:
        """Give the load behind a reading in N."""
        return corrected_load(read_n, self.offset_n, self.gain)

    def stands_alone(self, read_n: float, read_on: str) -> bool:
        """Tell whether it replaces the tester's stated accuracy for a reading, which otherwise counts as well.

        It does for what was read after it, among the certified loads, with a degree of freedom left to check the line
        and a certificate that says how true it is.
        """
        return self.is_checked and self.is_certified and self.covers(read_n) and self.calibration.when <= read_on

    def load_sources(self, read_n: float) -> tuple[tuple[str, str, float], ...]:
        """Give what each source moves a corrected load by, in N, with its sign."""
        gain, apart = 1.0 + self.gain, read_n - self.offset_n
        return tuple((key, label, -a / gain - apart * b / gain**2) for key, label, (a, b, _) in self.sources)

    def stop_sources(self) -> tuple[tuple[str, str, float], ...]:
        """Give what each source moves the height a spring truly stood at by, in mm, with its sign."""
        return tuple((key, label, dh) for key, label, (_, _, dh) in self.sources if dh)

    def covers(self, read_n: float) -> bool:
        """Tell whether a load lies among the certified ones, or hardly beyond them."""
        low, high = float(self.certified_n.min()), float(self.certified_n.max())
        return (1 - _BEYOND) * low <= self.load(read_n) <= (1 + _BEYOND) * high


def correction_for(book: Book, tool: Tool, read_on: str) -> tuple[Correction | None, str]:
    """Give what corrects a reading taken with a tool at a time, and why it is overdue ("" when it is not)."""
    engine = book.engine
    if tool.dimension != "load" or not (tool.correction or any(one.tool == tool.id for one in engine.calibrations)):
        return None, kept_true(tool, read_on)
    if tool.correction == NO_CORRECTION:
        return None, "its calibrations are set aside, and as read it proves nothing"
    found = calibration_for(engine.calibrations, tool.id, tool.correction, read_on)
    if found is None:
        return None, "the calibration chosen for it is not in this engine"
    made = corrections(book).get(found.id)
    if made is None:
        return None, "the calibration it goes by has no reading against a certificate that can be used"
    return made, _overdue(book, tool, found, read_on)


@by_identity
def corrections(book: Book) -> dict[str, Correction]:
    """Give every calibration of the engine worked out, by its id; one without a usable reading is left out."""
    return {one.id: made for one in book.engine.calibrations if (made := worked_out(book, one)) is not None}


def worked_out(book: Book, calibration: Calibration) -> Correction | None:
    """Work a calibration out from its raw readings; None when none of them can be used."""
    tool = book.engine.tool_as_read(calibration.tool, calibration.when)
    rows = _rows(book, calibration)
    if tool is None or not rows:
        return None
    references = [reference for _, reference in rows]
    read = np.array([one.reading.value for one, _ in rows])
    heights = np.array([one.reading.at["test_height"] for one, _ in rows])
    certified = np.array([certified_load(r, h) for r, h in zip(references, heights.tolist(), strict=True)])
    rates = np.array([rate_of(r, h) for r, h in zip(references, heights.tolist(), strict=True)])
    single = np.array(
        [sqrt(scatter_doubt(tool, v) ** 2 + ((r.plus_minus_n or 0.0) / sqrt(3.0)) ** 2)
         for v, r in zip(read.tolist(), references, strict=True)]
    )  # fmt: skip
    stop_u = (tool.height_accuracy_mm or 0.0) / sqrt(3.0)
    covariance = np.diag(single**2)
    shared: list[tuple[str, str, Array]] = []
    for reference in dict.fromkeys(references):
        own = np.array([one is reference for one in references])
        common = (reference.common_percent or 0.0) / 100.0 / sqrt(3.0) * certified * own
        covariance += np.outer(common, common) + np.outer(rates * stop_u * own, rates * stop_u * own)
        shared.append((f"certificate:{reference.id}", f"certificate of {reference.name}", -common))
    fit = fit_tester(certified, read, rates, covariance)
    if STOP not in fit.names:
        shared.append((f"tool:{tool.id}:stop", f"{tool.name}, its height stop", rates * stop_u))
    return Correction(
        calibration, fit, certified, read, heights, tuple(one.id for one in references),
        _sources(calibration, tool, fit, single, shared), _alarms(fit, certified, _allowed(tool, read, references), rates),
        all(one.plus_minus_n or one.common_percent for one in references),
    )  # fmt: skip


def _sources(
    calibration: Calibration, tool: Tool, fit: Fit, single: Array, shared: list[tuple[str, str, Array]]
) -> tuple[tuple[str, str, tuple[float, float, float]], ...]:
    """Give how each source of the calibration's doubt moves offset, gain and stop."""
    scale = max(1.0, fit.chi_square / fit.freedom) if fit.freedom else 1.0
    names = (OFFSET, GAIN, STOP)
    full = np.zeros((3, len(single)))
    for row, name in zip(fit.wide_weights, fit.wide_names, strict=True):
        full[names.index(name)] = row
    values, vectors = np.linalg.eigh(full @ np.diag(single**2) @ full.T * scale)
    label = f"calibration of {tool.name}"
    found = [
        (f"calibration:{calibration.id}:{k}", label, tuple((vectors[:, k] * sqrt(value)).tolist()))
        for k, value in enumerate(values.tolist())
        if value > 1e-18
    ]
    found += [(key, words, tuple((full @ move).tolist())) for key, words, move in shared if np.any(full @ move)]
    return tuple(found)


def _rows(book: Book, calibration: Calibration) -> list[tuple[Standing, ReferenceSpring]]:
    by_id = {one.id: one for one in book.engine.references if is_sound(one)}
    wanted = set(calibration.readings)
    return [
        (one, by_id[one.place.name])
        for one in standing(book.journal)
        if one.reading.id in wanted and not one.fate and one.place.name in by_id and "test_height" in one.reading.at
        and _read_by(book.engine, one.reading) == calibration.tool
    ]  # fmt: skip


def _read_by(engine: Engine, reading: Reading) -> str:
    """Give the tester a reading was taken with: what another one read of a reference spring calibrates none but that other."""
    usual = engine.tool_for(reading.quantity, reading.way)
    return reading.tool or (usual.id if usual else "")


def is_sound(reference: ReferenceSpring) -> bool:
    """Tell whether a certificate gives two or more heights, with loads that rise as the height falls."""
    points = sorted((one.height_mm, one.load_n) for one in reference.points)
    pairs = list(pairwise(points))
    return bool(pairs) and all(low[0] < high[0] and low[1] > high[1] > 0 for low, high in pairs)


def certified_load(reference: ReferenceSpring, height_mm: float) -> float:
    """Give the certified load at a height in N, on the straight line between, or beyond, the nearest two points."""
    low, high = _around(reference, height_mm)
    share = (height_mm - low[0]) / (high[0] - low[0])
    return low[1] + share * (high[1] - low[1])


def rate_of(reference: ReferenceSpring, height_mm: float) -> float:
    """Give the rate of a reference spring about a height in N/mm, positive."""
    low, high = _around(reference, height_mm)
    return (low[1] - high[1]) / (high[0] - low[0])


def _around(reference: ReferenceSpring, height_mm: float) -> tuple[tuple[float, float], tuple[float, float]]:
    points = sorted((one.height_mm, one.load_n) for one in reference.points)
    above = next((i for i, (height, _) in enumerate(points) if height >= height_mm), len(points) - 1)
    i = max(above, 1)
    return points[i - 1], points[i]


def _allowed(tool: Tool, read: Array, references: list[ReferenceSpring]) -> Array:
    """Give by how much (n,) in N a reading may be off its line: what the tester's card and the certificates allow together."""
    rows = zip(read.tolist(), references, strict=True)
    return np.array([
        sqrt(3.0) * offset_doubt(tool, load) + _TWICE * scatter_doubt(tool, load) + (one.plus_minus_n or 0.0)
        + (one.common_percent or 0.0) / 100.0 * load
        for load, one in rows
    ])  # fmt: skip


def _alarms(fit: Fit, certified: Array, allowed: Array, rates: Array) -> tuple[str, ...]:
    told: list[str] = []
    if fit.freedom and float(np.abs(fit.standardised).max()) > _OUTLIER:
        worst = int(np.abs(fit.standardised).argmax())
        told.append(
            f"reading {worst + 1} does not belong to the line: {abs(fit.standardised[worst]):.1f} times its uncertainty"
        )
    if fit.freedom and fit.likelihood < _UNLIKELY:
        told.append("the readings scatter more than this tester should")
    if (np.abs(fit.residuals) > allowed).any():
        off = float((np.abs(fit.residuals) / certified).max())
        told.append(
            f"a reading lies {100 * off:.1f} percent off the line, more than its card and the certificate allow"
        )
    shift = np.abs(fit.value(OFFSET) + fit.value(GAIN) * certified - fit.value(STOP) * rates) / certified
    if float(shift.max()) > _LARGEST:
        told.append(f"it shows {100 * shift.max():.1f} percent off: have it recalibrated before it is used")
    return tuple(told)


def _overdue(book: Book, tool: Tool, calibration: Calibration, read_on: str) -> str:
    """Say why a calibration no longer holds for a reading taken with it after too many days or heads."""
    if why := kept_true(replace(tool, calibrated=calibration.when[:10], proven=()), read_on):
        return why
    if tool.due_heads is not None and calibration.when > read_on:
        return "its first calibration was made after this reading"
    if tool.due_heads is None or not (heads := book.engine.layout.heads):
        return ""
    done = heads_since(book, tool, calibration, read_on)
    each = max(len(heads[0].positions), 1)
    return (
        f"{done} springs had been read since its calibration, due after {tool.due_heads * each}"
        if (done > tool.due_heads * each)
        else ""
    )


def heads_since(book: Book, tool: Tool, calibration: Calibration, until: str) -> int:
    """Count the springs read with a tester from a calibration up to a time, that time included."""
    return len({
        one.place.name
        for one in standing(book.journal)
        if one.reading.quantity == "spring_load" and tool.id == (
            one.reading.tool or book.engine.default_tools.get(f"spring_load/{one.reading.way}", "")
        )
        and calibration.when <= one.reading.when <= until
    })  # fmt: skip
