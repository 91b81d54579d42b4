"""Chambers in words: what matching them takes, what a cut takes off them, and what the pours themselves left open."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.estimates.cylinder.clearance_volume import LeftOver
from honest_lift.estimates.cylinder.dynamic_ratio import Effective
from honest_lift.estimates.cylinder.per_cut import per_cut
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.engine import Book
from honest_lift.numbers.units import in_words, unit_of

_SAME_CC = 0.05


def chamber_words(book: Book, whole: LeftOver, effective: Effective) -> tuple[str, ...]:
    """Say what stands against a chamber, how to match them, what the ratios are, and what a cut takes."""
    why = (
        f"Cylinder {one}: {why}."
        for one, why in zip(whole.chambers.cylinders, whole.chambers.why_not, strict=True)
        if why
    )
    return tuple(
        one
        for one in (
            *why, *_matching(book, whole), *_as_sold(book, whole), _ratios(book, whole, effective), *_cuts(book, whole)
        ) if one
    )  # fmt: skip


def _matching(book: Book, whole: LeftOver) -> tuple[str, ...]:
    """Say how far chambers are apart, what opening the small ones takes, and what milling all alike leaves."""
    unit, volumes = book.engine.unit("volume"), whole.chambers.volume.figure.value
    sound = np.array([isfinite(one) and not why for one, why in zip(volumes, whole.chambers.why_not, strict=True)])
    if sound.sum() < 2:
        return ()
    names = [one for one, ok in zip(whole.chambers.cylinders, sound, strict=True) if ok]
    known = volumes[sound]
    largest, smallest, mean = float(known.max()), float(known.min()), float(known.mean())

    def say(value: float) -> str:
        return in_words(value, "volume", unit)

    told = f"Chambers that may count: {say(smallest)} to {say(largest)}, mean {say(mean)}"
    opened = [f"{name} by {say(largest - one)}" for name, one in zip(names, known.tolist(), strict=True)
              if largest - one > _SAME_CC]  # fmt: skip
    if not opened:
        return (f"{told}: alike.",)
    return (
        f"{told}, {say(largest - smallest)} apart.",
        f"To match them open up, beside the valve where it is shrouded: {', '.join(opened)}.",
        f"Milled alike they keep that spread: about their mean the largest stays {say(largest - mean)} over, the smallest "
        f"{say(mean - smallest)} under.",
    )


def _as_sold(book: Book, whole: LeftOver) -> tuple[str, ...]:
    """Say how what was poured stands to what the chambers were sold as, cylinder by cylinder; nothing where nothing is stated."""
    unit, told = book.engine.unit("volume"), []
    for cylinder, poured in zip(whole.chambers.cylinders, whole.chambers.volume.figure.value.tolist(), strict=True):
        sold = of_cylinder(book, "chamber_as_sold", cylinder).value
        if isfinite(sold) and isfinite(poured):
            off = poured - sold
            amount = in_words(abs(off), "volume", unit)
            told.append(
                (in_words(sold, "volume", unit), f"cylinder {cylinder} {amount} {'more' if off >= 0 else 'less'}")
            )
    if not told:
        return ()
    said = dict.fromkeys(sold for sold, _ in told)
    if len(said) == 1:
        return (f"Sold as {told[0][0]}; poured, {', '.join(words for _, words in told)}.",)
    return (f"Sold and poured: {', '.join(f'{words} than {sold}' for sold, words in told)}.",)


def _ratios(book: Book, whole: LeftOver, effective: Effective) -> str:
    ratios, by_cam = whole.ratio.figure.value, effective.ratio.figure.value
    known = ratios[np.isfinite(ratios)]
    if not len(known):
        return ""
    told = f"Compression {known.min():.2f} to {known.max():.2f} static"
    effectives = by_cam[np.isfinite(by_cam)]
    if not len(effectives):
        return f"{told}; the dynamic ratio needs the intake's lobe, timed, and stroke, rod and bore."
    lift = in_words(effective.lift_mm, "length", book.engine.unit("length"))
    closes = effective.closes_deg[np.isfinite(effective.closes_deg)]
    after = f"{closes.min() - 180:.0f}" + (f" to {closes.max() - 180:.0f}" if closes.max() - closes.min() > 0.6 else "")
    return (
        f"{told}, {effectives.min():.2f} to {effectives.max():.2f} dynamic, from {lift} of intake lift on "
        f"({after}° ABDC). Another check lift gives another figure."
    )


def _cuts(book: Book, whole: LeftOver) -> tuple[str, ...]:
    """Say what a thousandth off a head takes, by the opening's area and by pours before and after a cut."""
    unit, volume = book.engine.unit("length"), book.engine.unit("volume")
    step = 25.4 / 1000 if unit == "in" else 0.1
    places = unit_of("volume", volume).places + (2 if unit == "in" else 1)
    lines = []
    for cylinder in whole.chambers.cylinders:
        found = per_cut(book, cylinder)
        by = [
            f"{in_words(value * step, 'volume', volume, places)} by {what}"
            for value, what in ((found.by_area, "its area"), (found.by_pours, "pours before and after a cut")) if isfinite(value)
        ]  # fmt: skip
        if by:
            apart = (
                "" if len(by) < 2 else f"; they differ by {abs(found.by_pours / found.by_area - 1) * 100:.0f} percent"
            )
            lines.append(
                f"{in_words(step, 'length', unit)} off the head takes {' and '.join(by)} at cylinder {cylinder}{apart}."
            )
    return tuple(lines)
