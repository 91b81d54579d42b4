"""The tool drawer: what each measuring tool resolves, how true it is, and how well it repeats.

Source: JCGM 100:2008 4.3.7: a resolution step s gives s/sqrt(12), a stated accuracy of plus or minus a gives
a/sqrt(3). The accuracy is one offset that every reading with the tool shares; resolution and repeatability
belong to the single reading, and the larger of the two is taken, not both. Repeatabilities of the kinds
shipped here are assumptions to be replaced by one's own: common practice, no source.
"""

from __future__ import annotations

from math import sqrt
from typing import Any

from msgspec import Struct

_IN = 25.4


class Tool(Struct, frozen=True, forbid_unknown_fields=True):
    """A tool by its own name or serial. Figures in the inside unit of its dimension; shares are of the reading."""

    id: str
    kind: str
    name: str
    dimension: str
    resolution: float | None = None
    accuracy: float | None = None
    accuracy_percent: float | None = None
    repeatability: float | None = None
    repeatability_percent: float | None = None
    height_accuracy_mm: float | None = None  # a spring tester's height stop
    note: str = ""

    @property
    def is_stated(self) -> bool:
        """Tell whether enough is stated to give a reading a doubt: its accuracy, how finely it reads, a tester's stop."""
        accurate = self.accuracy is not None or self.accuracy_percent is not None
        fine = self.resolution is not None or self.repeatability is not None or self.repeatability_percent is not None
        stopped = self.dimension != "load" or self.height_accuracy_mm is not None
        return accurate and fine and stopped


def offset_doubt(tool: Tool, value: float) -> float:
    """Give the standard doubt of the offset all readings with the tool share, in the value's unit."""
    stated = [tool.accuracy or 0.0, (tool.accuracy_percent or 0.0) / 100.0 * abs(value)]
    return max(stated) / sqrt(3.0)


def scatter_doubt(tool: Tool, value: float, repeats: int = 1, spread: float = 0.0) -> float:
    """Give the standard doubt of the mean of some repeats, without the shared offset.

    `spread` is the repeats' own standard deviation; where it is larger than what the tool is said to repeat
    to, it counts instead. A resolution step does not average out.

    >>> caliper = Tool("c", "caliper", "caliper", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
    >>> round(scatter_doubt(caliper, 40.0), 4)
    0.015
    """
    share = (tool.repeatability_percent or 0.0) / 100.0 * abs(value)
    repeating = max(tool.repeatability or 0.0, share, spread if repeats > 1 else 0.0)
    return max((tool.resolution or 0.0) / sqrt(12.0), repeating / sqrt(repeats))


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
    _kind("caliper", "caliper, 0.02 mm", "length", resolution=0.02, accuracy=0.02, repeatability=0.015),
    _kind("caliper", "caliper, 0.0005 in", "length", resolution=0.0127, accuracy=0.0254, repeatability=0.015),
    _kind("rule", "rule, 1/32 in", "length", resolution=_IN / 32, accuracy=0.125),
    _kind("indicator", "dial indicator, 0.01 mm", "length", resolution=0.01, accuracy=0.01, repeatability=0.007),
    _kind("indicator", "dial indicator, 0.001 in", "length", resolution=0.0254, accuracy=0.0254, repeatability=0.007),
    _kind("feeler", "feeler gauges", "length", resolution=0.0254, accuracy=0.01, repeatability=0.015),
    _kind("outside_micrometer", "outside micrometer, 0.0001 in", "length",
          resolution=0.00254, accuracy=0.004, repeatability=0.003),
    _kind("spring_tester", "bench spring tester, 1 percent", "load",
          resolution=4.448, accuracy_percent=1.0, repeatability_percent=0.5, height_accuracy_mm=0.05),
    _kind("spring_tester", "spring tester in the vice, 3 percent", "load",
          resolution=8.9, accuracy_percent=3.0, repeatability_percent=1.5, height_accuracy_mm=0.2),
)  # fmt: skip
