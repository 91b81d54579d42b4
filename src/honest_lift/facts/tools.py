"""The tool drawer: what each measuring tool resolves, how true it is, how well it repeats, and when that was proven.

Source: JCGM 100:2008 4.3.7: a resolution step s gives s/sqrt(12), a stated accuracy of plus or minus a gives
a/sqrt(3). The accuracy is one offset that every reading with the tool shares; resolution and repeatability belong to
the single reading. A repeatability found from repeats with that very tool has its rounding in it: then the larger of the
two counts. One that is assumed, or a maker's figure, has not: then both. Repeatabilities of the kinds shipped here are
assumptions to be replaced by one's own: common practice, no source.
"""

from __future__ import annotations

from datetime import date, timedelta
from math import hypot, inf, isfinite, sqrt
from typing import Any

from msgspec import Struct
from msgspec.structs import replace

_IN = 25.4


class ToolCard(Struct, frozen=True, forbid_unknown_fields=True):
    """What a tool's card said `until` a time, in the tool's own units: what was read by then is not judged by a finer one."""

    until: str
    resolution: float | None = None
    accuracy: float | None = None
    accuracy_percent: float | None = None
    repeatability: float | None = None
    repeatability_percent: float | None = None
    height_accuracy_mm: float | None = None


class Tool(Struct, frozen=True, forbid_unknown_fields=True):
    """A tool by its own name. Figures in the inside unit of its dimension; shares are of the reading.

    `calibrated`: the day it was last proven, as 2026-11-23, and `calibrated_against` what. `due_days`: after how
    many days, and `due_heads` after how many heads of springs, it must be proven again. `correction`: a tester's
    calibration that is taken for all its readings, "none" for none, "" for each reading's own (the last before it).
    `lowest`, `highest`: what it can read at all, None where that is not stated.
    """

    id: str
    kind: str
    name: str
    dimension: str
    serial: str = ""
    resolution: float | None = None
    accuracy: float | None = None
    accuracy_percent: float | None = None
    repeatability: float | None = None
    repeatability_percent: float | None = None
    repeatability_found: bool = False  # from repeats with this very tool, so that its rounding is in it
    height_accuracy_mm: float | None = None  # a spring tester's height stop
    calibrated: str = ""
    calibrated_against: str = ""
    due_days: int | None = None
    due_heads: int | None = None
    correction: str = ""
    note: str = ""
    lowest: float | None = None
    highest: float | None = None
    proven: tuple[str, ...] = ()  # the days it was calibrated on before: a later calibration unmakes none of them
    was: tuple[ToolCard, ...] = ()  # its card before each time it was made finer, oldest first

    @property
    def is_stated(self) -> bool:
        """Tell whether enough is stated to give a reading a doubt: its accuracy, how finely it reads, a tester's stop."""
        accurate = self.accuracy is not None or self.accuracy_percent is not None
        fine = self.resolution is not None or self.repeatability is not None or self.repeatability_percent is not None
        stopped = self.dimension != "load" or self.height_accuracy_mm is not None
        return accurate and fine and stopped


_FIGURES = tuple(name for name in ToolCard.__struct_fields__ if name != "until")


def is_finer(tool: Tool, before: Tool) -> bool:
    """Tell whether a tool's card leaves less doubt than before: a smaller figure, or one taken away."""
    pairs = ((getattr(before, name), getattr(tool, name)) for name in _FIGURES)
    return any(old is not None and (new is None or new < old) for old, new in pairs)


def with_its_card(tool: Tool, before: Tool, now: str) -> Tool:
    """Give a tool whose card was made finer now with the card it had until then."""
    card = ToolCard(now, *(getattr(before, name) for name in _FIGURES))
    return replace(tool, was=(*before.was, card))


def as_then(tool: Tool, read_on: str) -> Tool:
    """Give a tool as a reading of a time is judged by it: no finer than its card said then, or at any time since.

    One of which too little is stated stays so, whatever its card said before.

    >>> was = (ToolCard("2026-03-01T00:00:00Z", accuracy=0.05),)
    >>> caliper = Tool("c", "caliper", "caliper", "length", resolution=0.01, accuracy=0.01, was=was)
    >>> as_then(caliper, "2026-02-01T08:00:00Z").accuracy, as_then(caliper, "2026-04-01T08:00:00Z").accuracy
    (0.05, 0.01)
    """
    held = [one for one in tool.was if one.until >= read_on]
    if not held or not tool.is_stated:
        return tool
    told = {name: [value for one in (tool, *held) if (value := getattr(one, name)) is not None] for name in _FIGURES}
    return replace(tool, **{name: max(values) for name, values in told.items() if values})


_BEYOND = 0.02  # of its span: a micrometer's thimble turns a little past both ends


def reaches(tool: Tool, value: float) -> bool:
    """Tell whether a tool can read a value, in its inside unit, at all; every tool whose range is not stated can.

    >>> micrometer = Tool("m", "outside_micrometer", "micrometer", "length", lowest=0.0, highest=25.4)
    >>> reaches(micrometer, 8.7), reaches(micrometer, 53.0)
    (True, False)
    """
    low = tool.lowest if tool.lowest is not None else -inf
    high = tool.highest if tool.highest is not None else inf
    over = _BEYOND * (high - low) if isfinite(high - low) else 0.0
    return low - over <= value <= high + over


def kept_true(tool: Tool, read_on: str) -> str:
    """Say why a tool was overdue when it was read (a time such as 2026-11-23T10:00:00Z); "" when it was not.

    Only a calibration that stood by then counts: one made afterwards says nothing of the days before it.

    >>> wheel = Tool("w", "degree_wheel", "wheel", "angle", calibrated="2026-01-01", due_days=30)
    >>> kept_true(wheel, "2026-03-14T08:00:00Z")
    'it was due for calibration on 2026-01-31'
    >>> kept_true(wheel, "2025-12-24T08:00:00Z")
    'it was calibrated on 2026-01-01, after this reading, and no calibration before it is stated'
    """
    if tool.due_days is None:
        return ""
    if not tool.calibrated:
        return f"it is to be calibrated every {tool.due_days} days, and no calibration is stated"
    try:
        read = date.fromisoformat(read_on[:10])
        stood = [day for one in (*tool.proven, tool.calibrated) if (day := date.fromisoformat(one)) <= read]
        if not stood:
            return f"it was calibrated on {tool.calibrated}, after this reading, and no calibration before it is stated"
        due = max(stood) + timedelta(days=tool.due_days)
        overdue = read > due
    except (ValueError, OverflowError):
        return "the day of its calibration, or of the reading, can't be read as a date"
    return f"it was due for calibration on {due.isoformat()}" if overdue else ""


def offset_doubt(tool: Tool, value: float) -> float:
    """Give the standard doubt of the offset all readings with the tool share, in the value's unit."""
    stated = [tool.accuracy or 0.0, (tool.accuracy_percent or 0.0) / 100.0 * abs(value)]
    return max(stated) / sqrt(3.0)


def offset_source(tool: Tool, u: float) -> tuple[str, str, float]:
    """Give the source that every reading with a tool shares: its key, its label, and what it is doubted by here."""
    return f"tool:{tool.id}", f"{tool.name}, its accuracy", u


def scatter_doubt(tool: Tool, value: float, figures: int = 1) -> float:
    """Give the standard doubt of one reading, of so many figures read with the tool, without the shared offset.

    >>> caliper = Tool("c", "caliper", "caliper", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
    >>> round(scatter_doubt(caliper, 40.0), 4)
    0.0161
    """
    share = (tool.repeatability_percent or 0.0) / 100.0 * abs(value)
    repeating, rounding = max(tool.repeatability or 0.0, share), rounding_doubt(tool)
    single = max(repeating, rounding) if tool.repeatability_found else hypot(repeating, rounding)
    return single * sqrt(figures)


def rounding_doubt(tool: Tool) -> float:
    """Give the standard doubt of a figure that was rounded to the tool's step: repeats that read alike do not average it out."""
    return (tool.resolution or 0.0) / sqrt(12.0)


class ToolKind(Struct, frozen=True):
    """A kind of tool as it is sold, to start a drawer from."""

    kind: str
    title: str
    tool: Tool


def _kind(kind: str, title: str, dimension: str, **figures: Any) -> ToolKind:
    return ToolKind(kind, title, Tool("", kind, title, dimension, **figures))


KINDS: tuple[ToolKind, ...] = (
    _kind("height_micrometer", "height micrometer, 0.001 in", "length",
          resolution=0.0254, accuracy=0.0254, repeatability=0.015),
    _kind("height_micrometer", "height micrometer, 0.01 mm", "length",
          resolution=0.01, accuracy=0.01, repeatability=0.015),
    _kind("caliper", "caliper, 0.02 mm", "length", resolution=0.02, accuracy=0.02, repeatability=0.015, lowest=0.0, highest=150.0),
    _kind("caliper", "caliper, 0.0005 in", "length",
          resolution=0.0127, accuracy=0.0254, repeatability=0.015, lowest=0.0, highest=6 * _IN),
    _kind("caliper", "long caliper, 0.02 mm", "length",
          resolution=0.02, accuracy=0.03, repeatability=0.02, lowest=0.0, highest=300.0),
    _kind("rule", "rule, 1/32 in", "length", resolution=_IN / 32, accuracy=0.125),
    _kind("indicator", "dial indicator, 0.01 mm", "length", resolution=0.01, accuracy=0.01, repeatability=0.007),
    _kind("indicator", "dial indicator, 0.001 in", "length", resolution=0.0254, accuracy=0.0254, repeatability=0.007),
    _kind("feeler", "feeler gauges", "length", resolution=0.0254, accuracy=0.01, repeatability=0.015),
    _kind("small_hole_gauge", "small-hole gauge and micrometer", "length",
          resolution=0.00254, accuracy=0.005, repeatability=0.008, lowest=3.0, highest=13.0),
    _kind("bore_gauge", "dial bore gauge, 0.0001 in", "length",
          resolution=0.00254, accuracy=0.004, repeatability=0.004),
    _kind("stem_height_gauge", "stem-height gauge, 0.001 in", "length",
          resolution=0.0254, accuracy=0.0254, repeatability=0.02),
    _kind("depth_gauge", "depth micrometer, 0.001 in", "length",
          resolution=0.0254, accuracy=0.013, repeatability=0.015),
    _kind("depth_gauge", "depth gauge, 0.02 mm", "length", resolution=0.02, accuracy=0.03, repeatability=0.02),
    _kind("clay", "modelling clay, cut and measured", "length", resolution=0.1, accuracy=0.2, repeatability=0.15),
    _kind("degree_wheel", "degree wheel, 1 degree", "angle", resolution=0.5, accuracy=0.25, repeatability=0.2),
    _kind("protractor", "protractor, half a degree", "angle", resolution=0.5, accuracy=0.25, repeatability=0.15),
    _kind("turn_count", "turns of a nut by eye, an eighth", "turns", resolution=0.125, accuracy=0.0, repeatability=0.06),
    _kind("burette", "burette, 0.2 cc", "volume", resolution=0.2, accuracy=0.2, repeatability=0.1),
    _kind("syringe", "syringe, 1 cc", "volume", resolution=1.0, accuracy=1.0, repeatability=0.5),
    _kind("scale", "scale, 0.1 g", "mass", resolution=0.0001, accuracy=0.0001, repeatability=0.0001),
    _kind("thermometer", "thermometer, 0.5 °C", "temperature", resolution=0.5, accuracy=0.5, repeatability=0.3),
    _kind("watch", "watch, by hand", "time", resolution=1.0, accuracy=0.5, repeatability=1.0),
    _kind("flow_bench", "flow bench, 2 percent", "flow", resolution=0.1, accuracy_percent=2.0, repeatability_percent=0.7),
    _kind("roughness_tester", "roughness tester, 10 percent", "roughness",
          resolution=0.01, accuracy_percent=10.0, repeatability_percent=5.0),
    _kind("roughness_comparator", "roughness comparator, by nail and eye", "roughness",
          resolution=0.4, accuracy_percent=25.0, repeatability_percent=20.0),
    _kind("spectrum", "spectrum of a microphone, 2 Hz", "frequency", resolution=2.0, accuracy=1.0, repeatability=2.0),
    _kind("torque_wrench", "torque wrench, 4 percent", "torque",
          resolution=1.0, accuracy_percent=4.0, repeatability_percent=1.0),
    _kind("outside_micrometer", "outside micrometer, 0.0001 in", "length",
          resolution=0.00254, accuracy=0.004, repeatability=0.003, lowest=0.0, highest=_IN),
    _kind("outside_micrometer", "outside micrometer, 1 to 2 in", "length",
          resolution=0.00254, accuracy=0.005, repeatability=0.004, lowest=_IN, highest=2 * _IN),
    _kind("outside_micrometer", "outside micrometer, 25 to 50 mm", "length",
          resolution=0.01, accuracy=0.004, repeatability=0.004, lowest=25.0, highest=50.0),
    _kind("spring_tester", "bench spring tester, 1 percent", "load",
          resolution=4.448, accuracy_percent=1.0, repeatability_percent=0.5, height_accuracy_mm=0.05),
    _kind("spring_tester", "spring tester in the vice, 3 percent", "load",
          resolution=8.9, accuracy_percent=3.0, repeatability_percent=1.5, height_accuracy_mm=0.2),
    _kind("spring_tester", "lever tester on the engine, 5 percent", "load",
          resolution=8.9, accuracy_percent=5.0, repeatability_percent=2.5, height_accuracy_mm=0.3),
)  # fmt: skip
