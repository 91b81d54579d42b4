"""Measured lobes in words: figures with their doubt, what stands out of a table, and lobes that differ from their like."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.drawings.cam.lobe_compare import Compared
from honest_lift.estimates.cam.card import centre_deg, flank_of
from honest_lift.estimates.cam.lobe_read import LobeRead, stale_words
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.cam.measured_lobe import EQUAL_MM, rows_of_lobe
from honest_lift.mechanics.cam.slipped_rows import COARSE_DEG
from honest_lift.mechanics.cam.wheel_table import Trouble
from honest_lift.numbers.units import from_inside, in_words, unit_of
from honest_lift.words.cam.turn import stands

_DIFFER_LIFT_MM, _DIFFER_DEG = 0.05, 1.5
_RASTER_CAM_DEG = 0.5


def lobe_words(book: Book, read: LobeRead) -> tuple[str, ...]:
    """Give what is known of one measured lobe."""
    if read.lobe is None or read.ordered is None:
        return (f"{read.found.table.place.title}: {read.missing}",)
    unit, lobe = book.engine.unit("length"), read.lobe
    fine = unit_of("length", unit).places + 1
    lines = [f"Stale: {words}." for words in (stale_words(book, read.found),) if words]
    lines += [trouble_words(book, read, one) for one in read.troubles]
    lines += [*_timing(book, read), _against_card(book, read)]
    usual, worst = (f"{100 * share:.0f}" for share in (read.band.usual, read.band.worst))
    lines.append(
        f"Rows lie {in_words(lobe.residual_mm, 'length', unit, fine)} (root mean square) off the smoothed curve. In steps of "
        f"{lobe.step_deg:g} degrees its acceleration is usually within {usual} percent of its peak, at worst {worst}."
    )
    if lobe.step_deg > COARSE_DEG:
        lines.append(f"In steps wider than {COARSE_DEG:g} degrees a slip can't be distinguished from the lobe's shape.")
    return tuple(one for one in lines if one)


def trouble_words(book: Book, read: LobeRead, trouble: Trouble) -> str:
    """Say what stands out of a table, with its row, and what would be right."""
    unit, table = book.engine.unit("length"), read.found.table
    expected = in_words(trouble.expected_mm, "length", unit) if isfinite(trouble.expected_mm) else ""
    if trouble.is_row:
        lift = in_words(table.lift_mm[trouble.row], "length", unit)
        row = f"Row {trouble.row + 1} ({table.crank_deg[trouble.row]:g} degrees, {lift})"
        return {
            "twice": f"{row}: the wheel stood here twice; the later row says {expected}.",
            "back": f"{row}: the crank was turned back after it, so slack is in it.",
            "slip": f"{row}: the other rows say {expected}. Misread, mistyped, or the indicator was knocked.",
        }[trouble.kind]
    return {
        "zero": f"The base circle reads {expected} higher after the lobe than before it: the indicator did not come back.",
        "open": f"The table ends {expected} above the base circle: walk the lobe down on both sides.",
        "base": "Hardly any of the base circle is in the table, so what lift counts from is not sure.",
    }[trouble.kind]


def _timing(book: Book, read: LobeRead) -> list[str]:
    if read.far_deg is not None:
        return [
            f"Its centreline is {read.far_deg:.0f} degrees from TDC, where there is no such lobe. Were the angles counted from "
            "another cylinder's TDC? Its shape is used, its timing is not."
        ]
    if read.centre_deg is None:
        return ["No stop readings go with it: its shape is measured, its timing is not."]
    stated = centre_deg(book, read.found.table.place.role)
    side = side_of(read.found.table.place.role)
    middle, where = f"{side * read.centre_deg:.1f} ±{2 * read.centre_u_deg:.1f}", "ATDC" if side > 0 else "BTDC"
    words = f"Centreline by equal lifts {middle}° {where}"
    if stated is None:
        return [f"{words}."]
    return [f"{words}; the card says {side * stated:.1f}: this lobe is {stands(stated - read.centre_deg)} of it."]


def _against_card(book: Book, read: LobeRead) -> str:
    if read.found.table.read_at == "valve":
        return "Read at the valve: lash and ratio are in it, so it is not held against the lobe of the card."
    compared = compared_with_card(book, read)
    if compared is None or not compared.difference:
        return ""
    at, most = max(compared.difference, key=lambda point: abs(point[1]))
    return f"Largest difference from the card's lobe: {most:+.{compared.places}f} {compared.unit} at {at:+.0f} cam degrees."


def compared_with_card(book: Book, read: LobeRead) -> Compared | None:
    """Lay a measured lobe over its card's; None where the table is no lobe."""
    if read.lobe is None or read.ordered is None:
        return None
    unit, lobe = book.engine.unit("length"), read.lobe
    scale = from_inside(1.0, "length", unit)
    cam = np.arange(np.floor(lobe.start_deg), np.ceil(lobe.end_deg) + 0.1, _RASTER_CAM_DEG)
    lifts = lobe.lift(cam)
    flank = flank_of(book, read.found.table.place.role) if read.found.table.read_at == "lifter" else ""
    card = np.array([]) if isinstance(flank, str) else CardLobe(flank).lift(cam)
    rows, numbers = _rows(read), tuple(int(one) for one in read.ordered.rows[rows_of_lobe(read.ordered)])
    troubled = {one.row for one in read.troubles if one.is_row}
    return Compared(
        _points(cam, lifts * scale), _points(cam, card * scale), _points(cam, (lifts - card) * scale if len(card) else card),
        [(at, off * scale) for at, off in rows], unit, unit_of("length", unit).places, numbers,
        tuple(i for i, number in enumerate(numbers) if number in troubled),
    )  # fmt: skip


def _rows(read: LobeRead) -> list[tuple[float, float]]:
    """Give (cam degrees from the middle, read less smoothed in mm) of the rows of the lobe."""
    assert read.lobe is not None
    assert read.ordered is not None
    cam = read.ordered.cam_deg[rows_of_lobe(read.ordered)] - read.lobe.shift_cam_deg
    return _points(cam, read.lobe.smoothed.residuals)


def _points(at: np.ndarray, figures: np.ndarray) -> list[tuple[float, float]]:
    return list(zip(at.tolist(), figures.tolist(), strict=False)) if len(figures) else []


def differing_words(book: Book, reads: tuple[LobeRead, ...]) -> tuple[str, ...]:
    """Name lobes that differ from the middle one of their role: lift, duration, where they stand."""
    found = []
    for role in ("intake", "exhaust"):
        for read_at in ("lifter", "valve"):
            alike = [
                one for one in reads
                if one.lobe and one.found.table.place.role == role and one.found.table.read_at == read_at
            ]  # fmt: skip
            found += _differing(book, alike) if len(alike) > 2 else []
    return tuple(found)


def _differing(book: Book, alike: list[LobeRead]) -> list[str]:
    unit = book.engine.unit("length")
    lifts = np.array([one.lobe.lift_mm for one in alike if one.lobe])
    durations = np.array([one.duration_deg(EQUAL_MM) or np.nan for one in alike])
    centres = np.array([np.nan if one.centre_deg is None else one.centre_deg for one in alike])
    found = []
    for i, one in enumerate(alike):
        told = []
        if abs(off := float(lifts[i] - np.median(lifts))) > _DIFFER_LIFT_MM:
            told.append(f"lifts {in_words(abs(off), 'length', unit)} {'more' if off > 0 else 'less'}")
        for figures, words in (
            (durations, ("holds open", "longer", "shorter")),
            (centres, ("stands", "later", "earlier")),
        ):
            known = figures[np.isfinite(figures)]
            if (
                len(known) > 2
                and np.isfinite(figures[i])
                and abs(off := float(figures[i] - np.median(known))) > _DIFFER_DEG
            ):
                told.append(f"{words[0]} {abs(off):.1f} degrees {words[1] if off > 0 else words[2]}")
        if told:
            found.append(f"{one.found.table.place.title} {' and '.join(told)} than the others of its role.")
    return found
