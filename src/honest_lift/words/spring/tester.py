"""A tester as a chart: what it showed at certified loads, and what its calibration makes of a reading."""

from __future__ import annotations

from math import hypot

import numpy as np

from honest_lift.drawings.chart import Chart
from honest_lift.drawings.spring.tester_chart import tester_chart
from honest_lift.estimates.spring.tester import corrections
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import COVERAGE
from honest_lift.numbers.units import from_inside, unit_of

_STEPS = 21


def chart_of_tester(book: Book, read: list[tuple[float, float]], calibration: str) -> Chart:
    """Draw (certified, shown) pairs in N since the last calibration, and its line; its own points where none is new."""
    unit = book.engine.unit("load")
    scale, places = from_inside(1.0, "load", unit), unit_of("load", unit).places
    made = corrections(book).get(calibration)
    pairs = read or (list(zip(made.certified_n.tolist(), made.read_n.tolist(), strict=True)) if made else [])
    points = tuple((scale * true, scale * (shown - true)) for true, shown in pairs)
    if made is None:
        return tester_chart(points, (), (), unit, places)
    shown = np.linspace(float(made.read_n.min()), float(made.read_n.max()), _STEPS).tolist()
    line, band = [], []
    for one in shown:
        true = made.load(one)
        off = COVERAGE * hypot(*(u for _, _, u in made.load_sources(one)))
        x, y = scale * true, scale * (one - true)
        line.append((x, y))
        band.append((x, y - scale * off, y + scale * off))
    return tester_chart(points, tuple(line), tuple(band), unit, places)
