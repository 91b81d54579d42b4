"""The faults a practice engine can have: what each does to the truth or to the bench, where it shows, what it would have cost.

Faults of parts are true of the engine; those of the bench make readings wrong until somebody sees them. All are common practice,
no source; their sizes are invented.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.layout import read_layout
from honest_lift.gauges.bench.bench import Traps
from honest_lift.gauges.bench.hidden import HiddenEngine

PARTS = (
    "spring", "inner spring", "retainer", "lock", "spacer", "shims", "seat", "valve", "pocket", "follower", "pushrod", "lifter",
    "tester", "micrometer", "degree wheel", "pour", "clay", "gasket",
)  # fmt: skip
Spoilt = tuple[HiddenEngine, Traps]
Place = Literal["valve", "role", "cylinder", "bench"]


class FaultKind(Struct, frozen=True):
    """A kind of fault. `part`: what is to be named; `at`: what kind of place it has; `checks`: those that fail by it, "" for none.

    `wrongs`: the quantity whose readings it makes wrong, until it is seen and put right. `cost`: what it would have done.
    """

    key: str
    title: str
    part: str
    at: Place
    spoil: Callable[[HiddenEngine, Traps, str, float], Spoilt]
    size: float
    cost: str
    checks: tuple[str, ...] = ()
    wrongs: str = ""


class Fault(Struct, frozen=True, forbid_unknown_fields=True):
    """A fault of a case: its kind, its place (a valve, role or cylinder; "" for the bench), its size; 0 for the usual one."""

    kind: str
    place: str = ""
    size: float = 0.0


def spoilt_by(engine: HiddenEngine, faults: tuple[Fault, ...]) -> Spoilt:
    """Give an engine with faults, and the bench as it was left. KeyError for a fault, or a place, that is none."""
    traps = Traps()
    for one in faults:
        kind = FAULTS[one.kind]
        engine, traps = kind.spoil(engine, traps, one.place, one.size or kind.size)
    return engine, traps


def places_of(engine: HiddenEngine, fault: Fault) -> tuple[str, ...]:
    """Give every place a fault is at: of a role, its valves; "" for the bench."""
    if FAULTS[fault.kind].at != "role":
        return (fault.place,)
    return tuple(one.id for one in read_layout(engine.layout).positions if one.role == fault.place)


# --- springs ---


def _weak(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    number = engine.fitted[place]
    own = engine.springs[number]
    return engine.with_spring(
        number, replace(own, rate_n_mm=own.rate_n_mm * (1.0 - size), free_mm=own.free_mm - 1.0)
    ), traps


def _weak_role(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    for name in places_of(engine, Fault("weak role", place)):
        engine, traps = _weak(engine, traps, name, size)
    return engine, traps


def _weak_inner(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    number = engine.fitted[place]
    own = engine.springs[number]
    if own.inner is None:
        raise KeyError("this engine's springs have no inner one")
    inner = replace(own.inner, rate_n_mm=own.inner.rate_n_mm * (1.0 - size), free_mm=own.inner.free_mm - 2.0)
    return engine.with_spring(number, replace(own, inner=inner)), traps


def _linear(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    number = engine.fitted[place]
    own = replace(
        engine.springs[number], stiffer=0.0, closes="", paint="", bind_mm=engine.springs[number].bind_mm + size
    )
    return engine.with_spring(number, own).with_seen(place, "even coils"), traps


def _turned(engine: HiddenEngine, place: str, paint: str) -> HiddenEngine:
    number = engine.fitted[place]
    return engine.with_spring(number, replace(engine.springs[number], closes="up", paint=paint)).with_seen(
        place, "upside down"
    )


def _upside_down(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return _turned(engine, place, "down"), traps


def _paint_reversed(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    for name in places_of(engine, Fault("paint reversed", place)):
        engine = _turned(engine, name, "up")
    return engine, traps


def _exchanged(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    """Make the exhausts' springs stiffer by a share, all of them, and exchange a cylinder's two."""
    positions = read_layout(engine.layout).positions
    for one in positions:
        if one.role == "exhaust":
            number = engine.fitted[one.id]
            own = engine.springs[number]
            engine = engine.with_spring(number, replace(own, rate_n_mm=own.rate_n_mm * (1.0 + size)))
    first, other = (one.id for one in positions if str(one.cylinder) == place)
    fitted = {**engine.fitted, first: engine.fitted[other], other: engine.fitted[first]}
    return replace(engine, fitted=fitted).with_seen(first, "thicker wire").with_seen(other, "thicker wire"), traps


# --- what stands at a valve ---


def _moves(quantity: str, sign: float, word: str) -> Callable[[HiddenEngine, Traps, str, float], Spoilt]:
    def spoil(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
        return engine.moved_by(quantity, place, sign * size).with_seen(place, word), traps

    return spoil


def _wrong_lock(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    engine = engine.moved_by("lock_out", place, size).moved_by("installed_height", place, size)
    return engine.with_seen(place, "lock stands out"), traps


def _leaking(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen(place, "wet port", "broken ring"), traps


def _other_valve(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    engine = engine.moved_by("valve_margin", place, -size).moved_by("stem_tip_height", place, size)
    return engine.with_seen(place, "thin margin"), traps


def _shown(*words: str) -> Callable[[HiddenEngine, Traps, str, float], Spoilt]:
    def spoil(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
        return engine.with_seen(place, *words), traps

    return spoil


def _wiped(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.moved_by("wipe_centre", place, size).with_seen(place, "worn wipe"), traps


def _long_pushrod(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    for one in read_layout(engine.layout).positions:
        engine = engine.moved_by("mark_centre", one.id, size).with_seen(one.id, "mark outboard")
    return engine, traps


# --- the bench ---


def _stack(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen("tester", "retainer in the stack"), replace(traps, stack_mm=size)


def _off(tool: str) -> Callable[[HiddenEngine, Traps, str, float], Spoilt]:
    def spoil(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
        return engine, replace(traps, off={**traps.off, tool: size})

    return spoil


def _shims_in(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen(place, "shims in the pocket"), replace(traps, shims_in={**traps.shims_in, place: size})


def _wheel(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen("wheel", "pointer bent"), replace(traps, wheel_deg=size)


def _bubble(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen(place, "bubble"), replace(traps, bubbles={**traps.bubbles, place: size})


def _plug(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen(place, "plug too deep"), replace(traps, plugs={**traps.plugs, place: size})


def _clay(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    for one in read_layout(engine.layout).positions:
        engine = engine.moved_by("piston_valve_clay", one.id, -size)
    return engine.with_seen("clay", "head not down", "clay curled"), replace(traps, sprung_mm=size)


def _gasket(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen("clay", "gasket print"), traps


def _limber(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen("pushrod", "pushrod bowed"), replace(traps, limber_mm=size)


def _bled(engine: HiddenEngine, traps: Traps, place: str, size: float) -> Spoilt:
    return engine.with_seen(place, "lifter down"), replace(traps, bled_mm={**traps.bled_mm, place: size})


_LOADS = ("seat_load", "open_load", "set_share", "set_weakest", "set_spread")
_FLOATS = "every valve of the role floats below the red line"
_STRONG = "every spring reads strong, and sagged ones go back in"
_BY_THAT_MUCH = "every height is out by that much, and so is every seat load"
_CUT = "the chamber is taken for smaller than it is, and is cut larger than its neighbours"
_BINDS = "the true lift is more than was read, and coils bind"
_MEETS = "the clearance is less by that much, and the valve meets the piston"
_SIDEWAYS = "the rockers push the stems sideways, and guides and tips wear out in a season"
_UNLIKE = "it binds before the others, and surges on its own"
_UNEVEN = ("open_load", "set_share", "coil_bind_clearance")
_HEIGHT = ("installed_height", "seat_load")
_LOCKED = ("installed_height", "lock_out", "seat_load")
_SEAT = ("leak_test", "seat_contact")
_HEAD = ("valve_margin", "tip_level")
_RIGHT_WAY = ("spring_direction",)


def _kinds() -> tuple[FaultKind, ...]:
    kind, high, spacer = FaultKind, _off("spring tester"), _moves("installed_height", 1.0, "no spacer")
    dished = _moves("installed_height", 1.0, "dished")
    return (
        kind("weak spring", "a collapsed spring", "spring", "valve", _weak, 0.16, "this valve floats first", _LOADS),
        kind("weak role", "a whole role sagged", "spring", "role", _weak_role, 0.15, _FLOATS, _LOADS),
        kind("weak inner", "the inner spring of a twin sagged", "inner spring", "valve", _weak_inner, 0.5,
             "this valve floats first, and the outer spring hides why", _LOADS),
        kind("linear spring", "a linear spring among progressive ones", "spring", "valve", _linear, 1.6, _UNLIKE, _UNEVEN),
        kind("upside down", "a spring upside down", "spring", "valve", _upside_down, 0.0,
             "its heavy end hangs on the retainer: it surges and breaks", _RIGHT_WAY),
        kind("paint reversed", "paint marks that mean the other end", "spring", "role", _paint_reversed, 0.0,
             "all of the role run with the heavy end moving", _RIGHT_WAY),
        kind("exchanged", "intake and exhaust springs exchanged", "spring", "cylinder", _exchanged, 0.16,
             "one valve hammers its seat, and the other floats", _LOADS),
        kind("no spacer", "a forgotten spacer", "spacer", "valve", spacer, 1.52, "its seat load is low: it bounces", _HEIGHT),
        kind("dished retainer", "a dished retainer", "retainer", "valve", dished, 1.1,
             "it pulls through under load, and the valve drops", _HEIGHT),
        kind("wrong lock", "a lock for another stem", "lock", "valve", _wrong_lock, 0.95, "the valve drops", _LOCKED),
        kind("leaking seat", "a seat that leaks", "seat", "valve", _leaking, 0.0, "the valve burns at its seat", _SEAT),
        kind("other valve", "another maker's valve", "valve", "valve", _other_valve, 0.95,
             "its thin edge glows, and lights the charge before its time", _HEAD),
        kind("ledge", "a ledge under a spring", "pocket", "valve", _shown("ledge"), 0.0,
             "the spring stands crooked, and rubs through its retainer", ("spring_standing",)),
        kind("worn tip", "a worn stem tip", "valve", "valve", _shown("worn tip"), 0.0,
             "the rocker digs in, and its side thrust wears the guide", ("parts_condition",)),
        kind("worn follower", "a follower that wipes at its edge", "follower", "valve", _wiped, 2.8,
             "the pad's edge breaks, and takes the lobe with it", ("wipe_centre", "wipe_room")),
        kind("long pushrod", "pushrods too long after milling", "pushrod", "bench", _long_pushrod, 1.7, _SIDEWAYS,
             ("mark_centre",)),
        kind("stack", "a retainer left in the tester's stack", "tester", "bench", _stack, 2.6, _STRONG, (), "spring_load"),
        kind("tester high", "a tester that reads high", "tester", "bench", high, 0.065, _STRONG, (), "spring_load"),
        kind("not zeroed", "a micrometer that was not zeroed", "micrometer", "bench", _off("height micrometer"), 0.42,
             _BY_THAT_MUCH, (), "installed_height"),
        kind("shims in", "shims left in a pocket", "shims", "valve", _shims_in, 0.76,
             "the pocket is taken for shallower than it is, and is shimmed wrongly", (), "installed_height"),
        kind("slipped wheel", "a degree wheel that slipped", "degree wheel", "bench", _wheel, 5.0,
             "the cam goes in retarded or advanced, and a valve meets its piston", (), "lobe"),
        kind("bubble", "air under the plate of a pour", "pour", "cylinder", _bubble, 0.8, _CUT, (), "chamber_volume"),
        kind("plug depth", "a plug that stands too deep in a pour", "pour", "cylinder", _plug, 0.9, _CUT, (), "chamber_volume"),
        kind("clay", "a head not down on its clay, which sprang back", "clay", "bench", _clay, 0.8, _MEETS, (),
             "piston_valve_clay"),
        kind("gasket sign", "clay that was pressed with the gasket in", "gasket", "bench", _gasket, 0.0, _MEETS, (),
             "piston_valve_clay"),
        kind("limber pushrod", "a checking pushrod that bends", "pushrod", "bench", _limber, 0.8, _BINDS, (), "valve_lift"),
        kind("bled lifter", "a lifter that bled down", "lifter", "valve", _bled, 1.3, _BINDS, (), "valve_lift"),
    )  # fmt: skip


FAULTS: dict[str, FaultKind] = {one.key: one for one in _kinds()}
