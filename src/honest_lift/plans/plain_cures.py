"""Cures of what stands by itself, in a line each with its amount: guides, tips, locks, seats, springs of a set."""

from __future__ import annotations

from collections.abc import Callable
from math import ceil, isfinite

from honest_lift.checks.finding import Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words

_SPARES = 4  # named at most


def plain_cures(engine: Engine, one: Finding) -> tuple[str, ...]:
    """Give what would put a finding right that moves no other figure of the program; none for heights and loads."""
    if one.check.dimension == OBSERVED:
        return (one.remark,) if one.remark else ()
    write = _WRITTEN.get(one.check.name)
    return tuple(write(engine, one)) if write and isfinite(one.margin) else ()


def say(engine: Engine, value_mm: float) -> str:
    """Write an amount, a small one with as many digits as it needs."""
    unit = engine.unit("length")
    return in_words(value_mm, "length", unit, 4 if unit == "in" and value_mm < 0.05 else None)


def _guide(engine: Engine, one: Finding) -> list[str]:
    amount = say(engine, _fine(one))
    if one.figure < one.lowest + one.expanded:
        return [f"hone the guide by {amount}: the clearance then passes, and the seat is to be looked at again"]
    return [f"{amount} too wide to pass: another guide, or a valve with a thicker stem; then cut the seat to it"]


def _tip(engine: Engine, one: Finding) -> list[str]:
    amount = say(engine, abs(one.figure))
    if one.figure > 0:
        return [f"a valve with its tip {amount} lower; or tip it by {amount}, as far as its groove and hardening allow"]
    return [f"a valve with its tip {amount} higher, or a lash cap of {amount}; do not set its rocker apart to hide it"]


def _lock(engine: Engine, one: Finding) -> list[str]:
    return [f"locks and retainer of one make: they are to protrude {say(engine, _fine(one))} deeper"]


def _rocker(engine: Engine, one: Finding) -> list[str]:
    return [
        f"relieve the rocker's underside by {say(engine, _fine(one))}, or a retainer lower by that; a lash cap lifts it too"
    ]


def _margin(engine: Engine, one: Finding) -> list[str]:
    return [f"another valve: its edge is {say(engine, _fine(one))} short, and facing it again takes more"]


def _seat(engine: Engine, one: Finding) -> list[str]:
    return ["bring the seats into one plane: Bare head, Spring seats has the cut plan"]


def _fine(one: Finding) -> float:
    """Give what the margin lacks to pass, with its doubt, rounded up to a thousandth of a millimetre."""
    return ceil((one.expanded - one.margin) * 1000 - 1e-6) / 1000


def _engaged(engine: Engine, one: Finding) -> list[str]:
    return [f"locks and retainer of one make: only {one.figure:.0f} percent of the lock is at work"]


def _angle(engine: Engine, one: Finding) -> list[str]:
    return [
        f"locks of the retainer's angle: these are {abs(one.figure):g} degrees off, and part of the taper carries everything"
    ]


def _stem(engine: Engine, one: Finding) -> list[str]:
    return [f"locks for the stem that is there: these are made for one {say(engine, abs(one.figure))} "
            f"{'thicker' if one.figure > 0 else 'thinner'}"]  # fmt: skip


def _mark(engine: Engine, one: Finding) -> list[str]:
    what = "another stand height" if engine.rocker_mount == "shaft" else "another pushrod"
    return [
        f"{what}: Rocker says which by three rules of thumb; watch which way the contact goes, then blue it again",
        "the place of a mark that is narrow enough is set by the pivot's distance and the arm: another rocker, or its stand moved",
    ]


def _half_lift(engine: Engine, one: Finding) -> list[str]:
    part = "a higher stand" if engine.rocker_mount == "shaft" else "a longer pushrod"
    other = part.replace("higher", "lower").replace("longer", "shorter")
    return [f"{part if one.figure > 0 else other}: Rocker says by how much, and what the mark becomes"]


def _tip_angle(engine: Engine, one: Finding) -> list[str]:
    above = next((term.value for term in one.terms), float("nan"))
    return [
        f"bring its tip to its neighbours; it is {say(engine, abs(above))} {'above' if above > 0 else 'below'} them"
    ]


def _preload(engine: Engine, one: Finding) -> list[str]:
    low = one.figure < one.lowest if one.lowest == one.lowest else False
    amount = say(engine, abs(one.margin))
    return [
        f"{'more' if low else 'less'} turn of the nut where it has one, else another pushrod: {amount} of it at the plunger"
    ]


def _lash(engine: Engine, one: Finding) -> list[str]:
    return [f"set it {say(engine, abs(one.figure))} {'tighter' if one.figure > 0 else 'looser'}, and read it again"]


def _pushrod_head(engine: Engine, one: Finding) -> list[str]:
    return [
        f"open the hole or grind the wall by {say(engine, _fine(one))} where it comes nearest",
        "a thinner pushrod, if it is stiff enough for these springs",
        "a guide plate moved, or a lifter with an offset cup",
    ]


def _slot(engine: Engine, one: Finding) -> list[str]:
    return [f"a rocker with a longer slot, or this one's end opened by {say(engine, _fine(one))} as its maker allows",
            "another pushrod length: it moves the swing toward one end"]  # fmt: skip


def _piston(engine: Engine, one: Finding) -> list[str]:
    amount, way = say(engine, _fine(one)), "retarded" if one.position.rstrip("123456789").endswith("i") else "advanced"
    return [
        f"cut the piston's pocket {amount} deeper along the stem, where its crown is thick enough",
        f"a gasket about {amount} thicker: it costs compression and squish",
        f"the cam {way}; Clearances says how much a degree gives",
    ]


def _wall(engine: Engine, one: Finding) -> list[str]:
    amount = say(engine, _fine(one))
    return [
        f"open the pocket by {amount} on the side the valve moves to, where the crown and the ring land allow it",
        "a smaller valve",
    ]


def _valves(engine: Engine, one: Finding) -> list[str]:
    return [
        "less lift at TDC: a cam with more separation, or less of it",
        f"seats sunk together by {say(engine, _fine(one))}: it shrouds the valve, adds volume and raises the tip",
        "a bevelled edge as far as the margin allows, or a smaller exhaust valve",
    ]


def _wipe(engine: Engine, one: Finding) -> list[str]:
    how = "towers or pivot shimmed" if engine.rocker_mount == "shaft" else "another pad on the tip, the pivot reset"
    return [f"{how}: Rocker, Geometry says which centres the wipe, and Pads and towers what a change moves"]


def _sideways(engine: Engine, one: Finding) -> list[str]:
    return ["spacers or a moved stand bring the roller over the stem; on studs the guide plate does"]


def _play(engine: Engine, one: Finding) -> list[str]:
    return [f"a spacer {say(engine, abs(one.margin))} {'thinner' if one.figure < one.lowest else 'thicker'}"]


def _ratio(engine: Engine, one: Finding) -> list[str]:
    return ["measure lift at the valve with an indicator: it settles which is right", "measure the arms again, or state the ratio "
            "that they make"]  # fmt: skip


def _runout(engine: Engine, one: Finding) -> list[str]:
    return [f"cut the seat on an oiled pilot in its guide: it is {say(engine, one.figure)} of runout"]


def _touch(engine: Engine, one: Finding) -> list[str]:
    return [
        f"stop before it cuts: stone the burrs, oil and seat the pilot again, and measure this seat again; it is "
        f"{say(engine, abs(one.figure))} off the map"
    ]


def _floor(engine: Engine, one: Finding) -> list[str]:
    return [f"open the pocket by {say(engine, _fine(one))} in diameter, or a locator or spring that fits it"]


def _spring(engine: Engine, one: Finding) -> list[str]:
    """Offer spares of the same card for a spring that is off by itself."""
    spring = one.place.name
    card = engine.card_of(spring)
    spare = [each.id for each in engine.springs if engine.card_of(each.id) == card and not engine.position_of(each.id)]
    where = f" at {position_title(one.position)}" if one.position else ""
    named = ", ".join(spare[:_SPARES]) + (", …" if len(spare) > _SPARES else "")
    return [
        f"another spring{where}" + (f": spares of its card are {named}" if spare else "; none of its card lies spare")
    ]


def _set(engine: Engine, one: Finding) -> list[str]:
    """Offer whole sets: a collapsed spring's fellows have seen the same heat."""
    own = engine.set_of(one.place.name)
    others = [each.name for each in engine.sets if own and each.id != own.id and each.card == own.card]
    ready = (
        f": {', '.join(others)} {'lies' if len(others) == 1 else 'lie'} ready (Measure, Fit a set of springs)"
        if others
        else ""
    )
    return [
        f"another set, whole{ready}; replacing one spring alone is a custom and no pass here; the others have seen the same heat"
    ]


def _spread(engine: Engine, one: Finding) -> list[str]:
    return ["sort the set: the highest and the lowest go out, or intakes and exhausts are made up of those alike"]


def _volume(engine: Engine, value_cc: float) -> str:
    return in_words(value_cc, "volume", engine.unit("volume"))


def _pours(engine: Engine, one: Finding) -> list[str]:
    return ["pour it again, the plate greased again and the bubble out: of five pours the median counts",
            "if every pour takes more than the last: it leaks, watch it full for a minute"]  # fmt: skip


def _chambers(engine: Engine, one: Finding) -> list[str]:
    amount = _volume(engine, _fine(one))
    return [
        f"open the smallest chambers up by {amount}, beside the valve where they shroud it: Chambers lists each",
        "milling takes the same off every chamber of a head: it does not bring them together",
    ]


def _compression(engine: Engine, one: Finding) -> list[str]:
    left, swept = one.term("clearance_volume"), one.term("swept")
    edge = one.lowest + one.expanded if one.figure < one.lowest + one.expanded else one.highest - one.expanded
    if not (isfinite(left) and isfinite(swept) and edge > 1.0):
        return []
    off = left - swept / (edge - 1.0)
    way = "less" if off > 0 else "more"
    return [
        f"{_volume(engine, abs(off))} {way} over the piston: Chambers, To a ratio, says by which cut, gasket or dish, "
        "and what else each moves"
    ]


def _together(engine: Engine, one: Finding) -> list[str]:
    return [
        "the chambers, the decks or the crowns differ: Chambers shows which of them; bring that one to its neighbours"
    ]


def _squish(engine: Engine, one: Finding) -> list[str]:
    amount = say(engine, _fine(one))
    if one.figure < one.lowest + one.expanded:
        return [
            f"a gasket {amount} thicker: it costs compression",
            f"the crown cut {amount} lower, where it is thick enough",
        ]
    return [f"a gasket {amount} thinner", f"the block's deck cut by {amount}: clearances through the turn go with it"]


def _finish(engine: Engine, one: Finding) -> list[str]:
    face = "head" if one.term("head_face") >= one.term("deck_face") else "block"
    return [
        f"the {face}'s face cut again, finer: slower feed, a sharp insert",
        "a composition gasket, which fills what a metal one does not, where its maker allows it in this engine",
    ]


def _control(engine: Engine, one: Finding) -> list[str]:
    """Force over inertia goes with the speed squared, so mass and load follow from the share that is missing."""
    speed, red, mass = (one.term(key) for key in ("float_speed", "red_line", "moving_mass"))
    wanted = red * (1.0 + (one.lowest + one.expanded) / 100.0)
    if not (isfinite(speed) and isfinite(wanted) and speed > 0):
        return []
    less, more = mass * (1.0 - (speed / wanted) ** 2), ((wanted / speed) ** 2 - 1.0) * 100.0
    return [
        f"{in_words(less, 'mass', engine.unit('mass'))} less at the valve: valve and retainer count whole, pushrod and lifter over "
        "the ratio squared",
        f"a spring with {more:.0f} percent more load over the nose: Match looks for one",
        f"a red line of {speed / (1.0 + (one.lowest + one.expanded) / 100.0):.0f} rpm at most",
    ]


def _at_speed(engine: Engine, one: Finding) -> list[str]:
    """Say what raises the speed of a train that bends: the speed sheet has what each is worth here."""
    speed, red = (
        one.term(key) for key in ("float_speed" if one.check.name == "flexible_float" else "bounce_speed", "red_line")
    )
    wanted = red * (1.0 + (one.lowest + one.expanded) / 100.0)
    if not (isfinite(speed) and isfinite(wanted) and speed > 0):
        return []
    return [
        f"{wanted - speed:.0f} rpm more: Speed, What more would take, says how much of mass, stiffness or spring that is here",
        "a lobe that takes the lash up on its ramp, or a lash that lies on it: a kick at the opening is carried to the nose",
        f"a red line of {speed / (1.0 + (one.lowest + one.expanded) / 100.0):.0f} rpm at most",
    ]


def _surge(engine: Engine, one: Finding) -> list[str]:
    more = (
        in_words(one.lowest + one.expanded - one.figure, "length", engine.unit("length"))
        if isfinite(one.figure)
        else "more"
    )
    return [
        f"{more} more between the coils: a taller installed height, less lift, or a spring with more travel",
        "a damper or a nested spring, or a spring whose frequency the lobe's strong orders meet above the red line: see Surge",
        "left out as a limit by those who let the coils meet on purpose: any error in height or lift then binds them",
    ]


def _nearer_at_speed(engine: Engine, one: Finding) -> list[str]:
    overshoots = in_words(one.term("overshoot_takes"), "length", engine.unit("length"))
    return [
        f"a train that follows its cam longer: {overshoots} are lost to what the valve overshoots. Speed, What more would take",
        f"{say(engine, _fine(one))} more room at rest: a deeper pocket, a thicker gasket, another advance",
        "a lower red line: what a valve overshoots shrinks fast with speed",
    ]


def _seats_fast(engine: Engine, one: Finding) -> list[str]:
    return [
        "a lash that lies on the closing ramp: past its end the valve falls faster with every hundredth",
        "a lobe with a longer closing ramp, or a lower red line",
    ]


def _surges(engine: Engine, one: Finding) -> list[str]:
    return [
        f"a spring of a higher frequency: {(one.lowest + one.expanded) / one.figure * 100.0 - 100.0:.0f} percent more, by a "
        "lighter wire, fewer coils or a tapered form"
        if one.figure > 0
        else "a spring of a higher frequency",
        "a damper or a nested spring: it surges as often, and less far",
    ]


def _nose(engine: Engine, one: Finding) -> list[str]:
    return [
        "less open load, as far as float allows, or a lower ratio",
        "a roller in place of a flat lifter, a wider lobe, or material and oil its maker allows the load for",
        "run in on light springs or the outer ones alone, where the maker of the cam says so",
    ]


_WRITTEN: dict[str, Callable[[Engine, Finding], list[str]]] = {
    "guide_clearance": _guide, "tip_level": _tip, "tip_height": _tip, "lock_out": _lock, "lock_engaged": _engaged,
    "retainer_rocker": _rocker, "valve_margin": _margin, "spring_seat_level": _seat, "lock_angle": _angle,
    "lock_stem": _stem, "spring_seat_runout": _runout, "cutter_touch": _touch,
    "spring_on_floor": _floor, "spring_over_boss": _spring,
    "spring_on_retainer": _spring, "card_seat_load": _spring, "card_open_load": _spring, "card_bind": _spring,
    "manual_load": _spring,
    "free_card": _spring, "set_share": _spring, "free_set": _spring, "set_weakest": _set, "set_shortest": _set,
    "set_spread": _spread, "mark_centre": _mark, "mark_width": _mark,
    "half_lift": _half_lift, "uneven_tip": _tip_angle, "preload": _preload, "plunger_left": _preload,
    "lash_set": _lash, "pushrod_to_head": _pushrod_head, "slot_stud": _slot, "roller_sideways": _sideways,
    "shaft_side_play": _play,

    "piston_valve": _piston, "valve_to_valve": _valves, "pocket_wall": _wall,
    "chamber_pours": _pours, "chamber_spread": _chambers, "compression": _compression, "dynamic_ratio": _compression,
    "compression_spread": _together, "squish": _squish, "deck_finish": _finish, "float_margin": _control,
    "flexible_float": _at_speed, "bounce_margin": _at_speed, "coils_in_motion": _surge,
    "piston_valve_speed": _nearer_at_speed, "seating_velocity": _seats_fast, "take_up": _seats_fast, "surge_order": _surges,
    "nose_load": _nose, "nose_pressure": _nose,
    "wipe_centre": _wipe, "wipe_room": _wipe, "true_ratio": _ratio,
}  # fmt: skip
