"""A cam card as it is written: each way of quoting a lobe, read and written in the same form."""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.crank_angle import read_angle
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures


def read_durations(text: str, unit: str) -> tuple[Duration, ...]:
    """Read durations as they are quoted: `271 at .006, 227 at .050, 139 at .200`; lifts in the unit or with their own.

    Raises EntryError with what was given and what would be right.
    """
    found = []
    for part in (one.strip() for one in text.replace(";", ",").split(",") if one.strip()):
        degrees, at, lift = part.partition(" at ")
        if not at:
            raise EntryError(f"“{part}”: write a duration and its lift, as in 227 at .050; put commas between several.")
        crank, height = (
            parse(degrees, Field.within("angle", "deg", (1.0, 600.0))), parse(lift, Field.within("length", unit, (0.01, 25.0))),
        )  # fmt: skip
        if crank is None or height is None:
            raise EntryError(f"“{part}”: a figure is missing; write it as 227 at .050.")
        found.append(Duration(height, crank))
    return tuple(sorted(found, key=lambda one: one.lift_mm))


def durations_text(lobe: CamLobe, unit: str) -> str:
    """Write durations the way `read_durations` reads them."""
    return ", ".join(
        f"{in_figures(one.crank_deg, 'angle', 'deg').removesuffix('.0')} at "
        f"{in_figures(one.lift_mm, 'length', unit).removeprefix('0')}"
        for one in lobe.durations
    )


def read_centreline(lobe: CamLobe, text: str) -> CamLobe:
    """Read a centreline: crank degrees, positive as cards print it."""
    return replace(lobe, centreline_deg=parse(text, Field.within("angle", "deg", (1.0, 359.0))))


def centreline_text(lobe: CamLobe) -> str:
    """Write a centreline."""
    return "" if lobe.centreline_deg is None else in_figures(lobe.centreline_deg, "angle", "deg")


def read_events(lobe: CamLobe, text: str, unit: str) -> CamLobe:
    """Read opening and closing: `9 BTDC, 44 ABDC at .050`, the lift being the lobe's. A blank takes them away."""
    if not text.strip():
        return replace(lobe, opens_deg=None, closes_deg=None, events_at_mm=None)
    both, at, lift = text.partition(" at ")
    parts = [one for one in both.replace(";", ",").replace("/", ",").split(",") if one.strip()]
    if len(parts) != 2 or not at:
        raise EntryError(
            f"“{text.strip()}”: write where it opens, where it closes and the lift, as in 9 BTDC, 44 ABDC at .050."
        )
    opens, closes = (read_angle(one, lobe.id) for one in parts)
    height = parse(lift, Field.within("length", unit, (0.01, 25.0)))
    if closes <= opens:
        raise EntryError(f"“{text.strip()}”: it would close before it opens; an {lobe.id} {_USUAL[lobe.id]}.")
    return replace(lobe, opens_deg=opens, closes_deg=closes, events_at_mm=height)


_USUAL = {
    "intake": "opens BTDC or ATDC and closes ABDC",
    "exhaust": "opens BBDC and closes BTDC or ATDC",
}


def events_text(lobe: CamLobe, unit: str) -> str:
    """Write events the way `read_events` reads them."""
    if lobe.opens_deg is None or lobe.closes_deg is None or lobe.events_at_mm is None:
        return ""
    at = in_figures(lobe.events_at_mm, "length", unit)
    return f"{_event(lobe.opens_deg)}, {_event(lobe.closes_deg)} at {at}"


def _event(crank_deg: float) -> str:
    """Write a crank angle by the dead centre it lies within a quarter turn of."""
    bottom = abs(crank_deg) > 90.0
    off = crank_deg - (180.0 if crank_deg > 0 else -180.0) * bottom
    return f"{abs(off):g} {'B' if off < 0 else 'A'}{'BDC' if bottom else 'TDC'}"


def read_tdc_lift(lobe: CamLobe, text: str, unit: str) -> CamLobe:
    """Read the lift at TDC: `.080`, or `.120 valve` where it is quoted at the valve, without lash."""
    plain = text.strip()
    at_valve = plain.lower().endswith("valve")
    figure = plain[: -len("valve")].removesuffix(" ").removesuffix("at the").strip() if at_valve else plain
    value = parse(figure, Field.within("length", unit, (0.01, 20.0)))
    return replace(lobe, tdc_lift_mm=value, tdc_read_at="valve" if at_valve else "lifter")


def tdc_lift_text(lobe: CamLobe, unit: str) -> str:
    """Write the lift at TDC."""
    if lobe.tdc_lift_mm is None:
        return ""
    return in_figures(lobe.tdc_lift_mm, "length", unit) + (" valve" if lobe.tdc_read_at == "valve" else "")


def read_gross(lobe: CamLobe, text: str, unit: str) -> CamLobe:
    """Read a gross valve lift with its ratio: `.517 at 1.45`. A blank takes it away."""
    if not text.strip():
        return replace(lobe, gross_lift_mm=None, gross_ratio=None)
    lift, at, ratio = text.partition(" at ")
    if not at:
        raise EntryError(
            f"“{text.strip()}”: a gross valve lift goes with the ratio it is quoted with, as in .517 at 1.45."
        )
    return replace(
        lobe,
        gross_lift_mm=parse(lift, Field.within("length", unit, (1.0, 40.0))),
        gross_ratio=parse(ratio, Field.within("ratio", "", (0.8, 2.6))),
    )


def gross_text(lobe: CamLobe, unit: str) -> str:
    """Write a gross lift with its ratio."""
    if lobe.gross_lift_mm is None or lobe.gross_ratio is None:
        return ""
    return f"{in_figures(lobe.gross_lift_mm, 'length', unit)} at {lobe.gross_ratio:g}"


def read_length(lobe: CamLobe, field: str, text: str, unit: str, inside: tuple[float, float]) -> CamLobe:
    """Read one of the card's plain lengths into its field."""
    return replace(lobe, **{field: parse(text, Field.within("length", unit, inside))})


def length_text(lobe: CamLobe, field: str, unit: str) -> str:
    """Write one of the card's plain lengths."""
    value = getattr(lobe, field)
    return "" if value is None else in_figures(value, "length", unit)
