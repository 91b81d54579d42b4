"""The drawings of the spring bench: a spring's load curve, and the map of where every spring of its set binds."""

from __future__ import annotations

from collections.abc import Iterable
from itertools import pairwise
from math import isfinite, nan

import numpy as np

from honest_lift.drawings.chart import Chart
from honest_lift.drawings.scene import Point, Scene
from honest_lift.drawings.spring.height_axis import Dot, height_axis_scene
from honest_lift.drawings.spring.load_curve import LoadCurve, load_chart
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.spring.form import form_of
from honest_lift.estimates.spring.geometry import nest_load, predicted_of
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import COVERAGE, exact
from honest_lift.numbers.units import from_inside, unit_of

_SAMPLES = 40


def load_curve_drawn(book: Book, spring: str) -> Chart:
    """Draw the load curve of a spring with its rate in steps, its card and what geometry predicts."""
    engine = book.engine
    length, load, rate = (engine.unit(one) for one in ("length", "load", "rate"))

    def shown(points: Iterable[Point]) -> tuple[Point, ...]:
        return tuple((from_inside(h, "length", length), from_inside(f, "load", load)) for h, f in points if isfinite(f))

    curves = spring_curves(book, [spring])
    measured = sorted(curves.inputs[0][0].points)
    card = engine.card_of(spring)
    sampled, band = tuple[Point, ...](), tuple[tuple[float, float, float], ...]()
    predicted: tuple[Point, ...] = ()
    if len(measured) > 1:
        heights = np.linspace(measured[0][0], measured[-1][0], _SAMPLES)
        several = curves.take([0] * _SAMPLES).load(Estimate(exact(heights), ((),) * _SAMPLES))
        loads, off = several.figure.value, COVERAGE * several.figure.u
        sampled = shown(zip(heights.tolist(), loads.tolist(), strict=True))
        ends = (shown(zip(heights.tolist(), (loads + side * off).tolist(), strict=True)) for side in (-1, 1))
        band = tuple((at, low, high) for (at, low), (_, high) in zip(*ends, strict=True))
    members = predicted_of(card)
    if members and card:
        low = min([height for height, _ in measured] + [card.open_height_mm or members[0].free_mm])
        top = max([height for height, _ in measured] + [card.seat_height_mm or low])
        heights = np.linspace(low, top, 8)
        predicted = shown(zip(heights.tolist(), nest_load(members, heights).tolist(), strict=True))
    stated = ((card.seat_height_mm, card.seat_load_n), (card.open_height_mm, card.open_load_n)) if card else ()
    rates = tuple(
        (from_inside(high, "length", length), from_inside(low, "length", length),
         from_inside(each, "rate", rate))
        for ((low, _), (high, _)), each in zip(pairwise(measured), form_of(curves, 0).rates_n_mm.tolist(), strict=False)
    )  # fmt: skip
    bind = float(curves.bind.figure.value[0])
    return load_chart(LoadCurve(
        shown(measured), sampled, band, predicted, shown((h, f) for h, f in stated if h is not None and f is not None),
        from_inside(bind, "length", length) if isfinite(bind) else nan, length, load, rate, rates, unit_of("length", length).places,
        tuple(f"{height:.4f}" for height, _ in measured),
    ))  # fmt: skip


def binds_drawn(book: Book, spring: str) -> Scene:
    """Draw where every spring of a spring's set binds, with the card's bind height as the end of the band."""
    engine = book.engine
    unit, owner = engine.unit("length"), engine.set_of(spring)
    names = [one.id for one in engine.springs if owner and one.set == owner.id]
    if not names:
        return height_axis_scene((), nan, nan, 3, unit)
    binds = spring_curves(book, names).bind.figure.value.tolist()
    dots = [
        Dot(name, from_inside(bind, "length", unit) if isfinite(bind) else nan, name == spring)
        for name, bind in zip(names, binds, strict=True)
    ]
    card = engine.card_of(spring)
    most = from_inside(card.bind_height_mm, "length", unit) if card and card.bind_height_mm is not None else nan
    known = [dot.height for dot in dots if isfinite(dot.height)]
    low = min([*known, most]) if known and isfinite(most) else nan
    return height_axis_scene(
        dots, low, most, unit_of("length", unit).places, unit, f"bind heights of the set, {unit}",
        "card: max {high}",
    )  # fmt: skip
