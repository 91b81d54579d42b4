"""Checks that the job asks for and that nobody has begun: unproven, with what has to be read first.

What a check would need besides shows once it is begun. Checks that only belong where somebody states something (a tip height to
hold, a pocket's radius, a limit of stress) ask for nothing by themselves.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence

from msgspec.structs import replace

from honest_lift.checks.catalog import CHECKS
from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.looked_at import BARE_HEAD, SEEN
from honest_lift.checks.observed import findings_observed
from honest_lift.checks.on_valves import limits_at
from honest_lift.checks.rocker.seen import GUIDE_PLATE
from honest_lift.estimates.estimate import Estimate, Input, estimate_of
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.parts import kind_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import limit_for
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, of_spring
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.numbers.doubt import Ground

_OF_PAIR = ("lean_toward", "lean_across", "head_diameter", "valve_margin", "face_angle", "heads_over", "heads_step")
_FIRST: dict[str, tuple[str, ...]] = {
    "tip_level": ("stem_tip_height",), "spring_seat_level": ("spring_seat_height",),
    "spring_seat_runout": ("spring_seat_runout",), "valve_margin": ("valve_margin",),
    "guide_clearance": ("stem_diameter", "guide_bore"),
    "spring_on_floor": ("floor_diameter", "spring_outside"), "spring_over_boss": ("pilot_diameter", "spring_inside"),
    "spring_on_retainer": ("retainer_spigot", "spring_inside"),
    "lock_angle": ("retainer_angle", "lock_angle"), "lock_stem": ("lock_stem", "stem_at_lock"), "lock_out": ("lock_out",),
    "lock_engaged": ("lock_out", "lock_length"), "retainer_rocker": ("retainer_rocker",),
    "mark_centre": ("mark_centre",), "mark_width": ("mark_width",),
    "half_lift": GEOMETRY, "true_ratio": (*GEOMETRY, "rocker_ratio"),
    "preload": ("lifter_preload",), "plunger_left": ("plunger_travel",), "lash_set": ("lash",),
    "pushrod_to_head": ("pushrod_to_head",), "slot_stud": ("slot_stud",), "roller_sideways": ("roller_sideways",),
    "shaft_side_play": ("shaft_side_play",), "guide_plate": ("guide_plate",),
    "piston_valve": ("piston_valve_clay",), "valve_to_valve": _OF_PAIR,
    "squish": ("deck_clearance", "gasket_thickness"),
    "chamber_pours": ("chamber_volume",), "chamber_spread": ("chamber_volume",), "compression": ("chamber_volume",),
    "compression_spread": ("chamber_volume",), "float_margin": ("red_line",),
    "flexible_float": ("red_line",), "bounce_margin": ("red_line",),
    "coils_in_motion": ("red_line",), "piston_valve_speed": ("red_line", "piston_valve_clay"),
}  # fmt: skip
_ON_CYLINDERS = frozenset({"squish", "chamber_pours", "chamber_spread", "compression", "compression_spread"})
_LOOKED_AT = {one.name: one for one in (*BARE_HEAD, GUIDE_PLATE, *SEEN)}


def _hydraulic(engine: Engine) -> bool:
    return engine.lifter.startswith("hydraulic")


def _solid(engine: Engine) -> bool:
    return not _hydraulic(engine)


def _rocked(engine: Engine) -> bool:
    return engine.gear != "bucket"


def _on_stud(engine: Engine) -> bool:
    return engine.gear == "pushrod" and engine.rocker_mount == "stud"


def _on_shaft(engine: Engine) -> bool:
    return engine.gear != "bucket" and engine.rocker_mount == "shaft"


def _of_pushrods(engine: Engine) -> bool:
    return engine.gear == "pushrod"


def _leaning(engine: Engine) -> bool:
    return engine.gear != "pushrod"  # heads of most pushrod engines do not lean together


def _several(engine: Engine) -> bool:
    return len(engine.layout.cylinders) > 1


def _any(engine: Engine) -> bool:
    return True


_BELONGS: dict[str, Callable[[Engine], bool]] = {
    "preload": _hydraulic, "plunger_left": _hydraulic, "lash_set": _solid, "pushrod_to_head": _of_pushrods,
    "slot_stud": _on_stud, "guide_plate": _on_stud, "shaft_side_play": _on_shaft, "roller_sideways": _rocked,
    "retainer_rocker": _rocked, "mark_centre": _rocked, "mark_width": _rocked, "half_lift": _rocked, "true_ratio": _rocked,
    "uneven_tip": _rocked, "half_lift_seen": _of_pushrods,
    "rocker_seen": _rocked, "wipe_centre": _rocked, "wipe_room": _rocked, "valve_to_valve": _leaning,
    "compression_spread": _several, "chamber_spread": _several,
}  # fmt: skip


def belongs(engine: Engine, check: str) -> bool:
    """Tell whether a check belongs to an engine's gear at all."""
    return _BELONGS.get(check, _any)(engine)


def every_check() -> dict[str, Check]:
    """Give every check that a job can ask, by name: those held to a limit, then those looked at."""
    return {**CHECKS, **_LOOKED_AT}


def asked_of(engine: Engine) -> tuple[str, ...]:
    """Give the checks the job asks that belong to this engine and ask for readings by themselves, in the order of the catalog."""
    asks = engine.job.asks
    return tuple(one for one in every_check() if one in asks and one in _FIRST and belongs(engine, one))


def not_asked(engine: Engine) -> tuple[str, ...]:
    """Give the titles of the checks that this job does not ask, though they would belong to the engine."""
    return tuple(
        check.title for name, check in every_check().items() if belongs(engine, name) and not engine.job.shows(name)
    )


def _first(engine: Engine, check: str) -> tuple[str, ...]:
    """Give what a check wants read first: of the gear's geometry what this very gear is put together from."""
    kind = kind_of(engine)
    if check not in ("half_lift", "true_ratio") or kind is None:
        return _FIRST[check]
    parts = tuple(one for one in kind.names if one not in kind.idle and one not in ("lobe_lift", "lash"))
    return (*parts, "rocker_ratio") if check == "true_ratio" else parts


def unbegun(book: Book, found: Iterable[Finding]) -> tuple[Finding, ...]:
    """Give an unproven finding of every asked check at every place where there is none."""
    engine = book.engine
    asked = asked_of(engine)
    if not asked or not engine.layout.positions:
        return ()
    there = {(one.check.name, _where(one)) for one in found}
    lacking = tuple(
        each for check in asked
        for each in _lacking(book, check, [one for one in _places(engine, check) if (check, one.name) not in there])
    )  # fmt: skip
    return _unbegun((_asking(engine), lacking)) if lacking else ()


def _lacking(book: Book, check: str, places: Sequence[Place]) -> Lacking:
    """Give what a check wants at each place where it found nothing; remembered until something is read of it."""
    first = _first(book.engine, check)
    of_springs = any("spring" in CATALOG[one].places for one in first)
    springs = [book.engine.spring_at(_position(book.engine, one)) for one in places if of_springs]
    asked = (check, tuple(one.name for one in places), tuple(springs))
    return recalled(book, first, asked, lambda: tuple((check, one, tuple(_wanted(book, check, one))) for one in places))


def _where(one: Finding) -> str:
    return one.place.name if one.place.kind == "cylinder" else one.position


def _places(engine: Engine, check: str) -> list[Place]:
    if check in _ON_CYLINDERS:
        return [at_cylinder(str(one)) for one in engine.layout.cylinders]
    names = [one.id for one in engine.layout.positions]
    if check == "valve_to_valve":
        names = [one for one in names if at_position(one).role == "intake" and engine.layout.opposite(one)]
    return [at_position(one) for one in names]


def _asking(engine: Engine) -> Engine:
    """Give of an engine what an unbegun finding is made from."""
    return Engine("", layout=engine.layout, lifter=engine.lifter, limits=engine.limits, guide_material=engine.guide_material,
                  made_of=engine.made_of)  # fmt: skip


Lacking = tuple[tuple[str, Place, tuple[Input, ...]], ...]


@by_value
def _unbegun(asked: tuple[Engine, Lacking]) -> tuple[Finding, ...]:
    engine, lacking = asked
    by_check: dict[str, list[tuple[Place, tuple[Input, ...]]]] = {}
    for check, place, inputs in lacking:
        by_check.setdefault(check, []).append((place, inputs))
    return tuple(one for check, there in by_check.items() for one in _at(engine, check, there))


def _at(engine: Engine, check: str, there: Sequence[tuple[Place, tuple[Input, ...]]]) -> list[Finding]:
    places, inputs = [one for one, _ in there], [own for _, own in there]
    positions = [_position(engine, one) for one in places]
    if check in _LOOKED_AT:
        return findings_observed(_LOOKED_AT[check], places, positions, [own[0] for own in inputs])
    estimate = Estimate(estimate_of([own[0] for own in inputs]).figure, tuple(inputs))
    if check in _ON_CYLINDERS:
        limits = [limit_for(engine.limits, check, "", engine.lifter)] * len(places)
    else:
        every, order = limits_at(Book(engine), check), [one.id for one in engine.layout.positions]
        limits = [every[order.index(one)] for one in positions]
    return findings(CHECKS[check], places, positions, estimate, limits)


def _position(engine: Engine, place: Place) -> str:
    return place.name if place.kind == "position" else engine.layout.of_cylinder(place.name)[0]


def _wanted(book: Book, check: str, place: Place) -> list[Input]:
    """Give what has to be read first and is not there yet, at the place it is read at."""
    position = _position(book.engine, place)
    first = _first(book.engine, check)
    told = [resolve(book, quantity, _where_read(book.engine, quantity, place, position)) for quantity in first]
    lacking = [replace(one, asked=one.asked or place) for one in told if one.ground & Ground.MISSING]
    again = Input(first[0], "", "missing", ground=Ground.MISSING, note=_AGAIN.get(check, "not begun"),
                  asked=place)  # fmt: skip
    return lacking or [again]


POURED_ONCE = "poured once: only a second pour shows whether the first can be believed"
_AGAIN = {
    "chamber_pours": POURED_ONCE,
    "lash_set": "lash is stated, not measured at this valve",
}


def _where_read(engine: Engine, quantity: str, place: Place, position: str) -> Place:
    kinds = CATALOG[quantity].places
    if place.kind in kinds:
        return place
    if "position" in kinds:
        return at_position(position)
    return of_spring(engine.spring_at(position)) if "spring" in kinds else ENGINE
