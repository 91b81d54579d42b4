"""One engine and its book: the facts as an immutable snapshot, and the journal of readings beside them."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal, TypeVar, cast

from msgspec import Struct, field

from honest_lift.facts.calibrations import Calibration, ReferenceSpring
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import CONSULTED, Fitment, Slot, changed_slots, in_place, springs_in_place
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.layout import Layout, Position
from honest_lift.facts.limits import DEFAULT_TOLERANCES, Limit, Tolerance, default_limits
from honest_lift.facts.parts import Spring, SpringCard, SpringSet
from honest_lift.facts.place import Place
from honest_lift.facts.remember import by_identity, last_few
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.tools import Tool
from honest_lift.facts.trials import Trial

Gear = Literal["pushrod", "finger follower", "bucket"]
Mount = Literal["stud", "shaft"]
Quoted = Literal["middles", "overall", "gauge"]  # how lengths of pushrods are told
HeadMaterial = Literal["", "iron", "aluminium"]
GuideMaterial = Literal["", "iron", "bronze"]
RodMaterial = Literal["", "steel", "aluminium"]
Lifter = Literal["solid flat", "solid roller", "hydraulic flat", "hydraulic roller", ""]
_ALIKE = {"volume": "cc", "mass": "g", "angle": "deg", "time": "s", "turns": "turn", "speed": "rpm", "ratio": "",
          "percent": "%", "observed": ""}  # fmt: skip
INCH_UNITS = {"length": "in", "load": "lbf", "rate": "lbf/in", "pressure": "psi", "temperature": "°F",
              "torque": "lbf·ft", "stress": "ksi", "area": "in²", "flow": "cfm", **_ALIKE}  # fmt: skip
METRIC_UNITS = {"length": "mm", "load": "N", "rate": "N/mm", "pressure": "bar", "temperature": "°C",
                "torque": "N·m", "stress": "MPa", "area": "cm²", "flow": "l/s", **_ALIKE}  # fmt: skip


class Engine(Struct, frozen=True, forbid_unknown_fields=True):
    """Everything known about an engine that is no reading."""

    id: str
    name: str = ""
    note: str = ""
    layout: Layout = Layout()
    gear: Gear = "pushrod"
    rocker_mount: Mount = "stud"
    lifter: Lifter = ""
    head_material: HeadMaterial = ""
    guide_material: GuideMaterial = ""
    rod_material: RodMaterial = ""
    cam_card: str = ""
    lobes: tuple[CamLobe, ...] = ()
    cam_separation_deg: float | None = None  # cam degrees between the middles, as the card says
    cam_advance_deg: float | None = None  # crank degrees ground in, as the card says; retard is negative
    facts: tuple[Fact, ...] = ()
    cards: tuple[SpringCard, ...] = ()
    sets: tuple[SpringSet, ...] = ()
    springs: tuple[Spring, ...] = ()
    fitments: tuple[Fitment, ...] = ()
    tools: tuple[Tool, ...] = ()
    default_tools: dict[str, str] = field(default_factory=dict)
    references: tuple[ReferenceSpring, ...] = ()
    calibrations: tuple[Calibration, ...] = ()
    pushrod_stock: tuple[float, ...] = ()  # lengths in mm to be had, quoted as `pushrods_quoted` says
    pushrods_quoted: Quoted = "middles"
    bucket_stock: tuple[ShimSize, ...] = ()  # shims for buckets in the drawer
    bucket_sold: tuple[float, ...] = ()  # sizes in mm that can be bought
    shim_stock: tuple[ShimSize, ...] = ()
    hardened_base: bool = False  # a hardened shim or cup lies under every spring: aluminium heads
    limits: tuple[Limit, ...] = field(default_factory=default_limits)
    tolerances: tuple[Tolerance, ...] = DEFAULT_TOLERANCES
    trials: tuple[Trial, ...] = ()  # changes that nobody has made yet, by name
    people: tuple[str, ...] = ()
    hand: str = ""
    units: dict[str, str] = field(default_factory=lambda: dict(INCH_UNITS))

    def unit(self, dimension: str) -> str:
        """Give the unit figures of a dimension are shown and typed in."""
        usual = METRIC_UNITS if self.units.get("length") == METRIC_UNITS["length"] else INCH_UNITS
        return self.units.get(dimension) or usual.get(dimension, "")

    def position(self, name: str) -> Position | None:
        """Find a valve position by its id."""
        return self.layout.position(name)

    def fitted(self, slot: Slot, position: str) -> Fitment | None:
        """Find what sits in a slot now: the latest fitment at a valve, a head or the engine, as the slot's scope is."""
        return in_place(self.fitments).get((slot, position))

    def spring_at(self, position: str) -> str:
        """Give the id of the spring fitted at a position; "" for none."""
        fitment = self.fitted("spring", position)
        return fitment.part if fitment else ""

    def position_of(self, spring: str) -> str:
        """Give the position a spring is fitted at; "" when it lies on the bench."""
        return next((one for one in springs_in_place(self.fitments).get(spring, ()) if self.position(one)), "")

    def set_of(self, spring: str) -> SpringSet | None:
        """Find the set a spring belongs to."""
        one = _by_name(self.springs).get(spring)
        return _by_name(self.sets).get(one.set) if one else None

    def card_of(self, spring: str) -> SpringCard | None:
        """Find the card of a spring's type."""
        owner = self.set_of(spring)
        return _by_name(self.cards).get(owner.card) if owner else None

    def tool(self, name: str) -> Tool | None:
        """Find a tool by its id."""
        return _by_name(self.tools).get(name)

    def tool_for(self, quantity: str, way: str) -> Tool | None:
        """Find the drawer's default tool for a way of measuring."""
        return self.tool(self.default_tools.get(f"{quantity}/{way}", ""))


@by_identity
def _by_name(records: tuple[Any, ...]) -> dict[str, Any]:
    return {one.id: one for one in records}


class SetAside(Struct, frozen=True, forbid_unknown_fields=True):
    """A value of a file that makes no physical sense: kept as it stood, named by place and field, not used."""

    place: str
    field: str
    given: str
    why: str
    quantity: str = ""
    at: Place | None = None


class Book(Struct, frozen=True, forbid_unknown_fields=True):
    """What one engine file holds."""

    engine: Engine
    journal: tuple[AnyEntry, ...] = ()
    set_aside: tuple[SetAside, ...] = ()


def narrowed(book: Book, quantities: frozenset[str], slots: frozenset[str], *, parts: bool = False) -> Book:
    """Reduce a book to what some quantities are resolved from, so that everything else may change unnoticed.

    Answers can then be remembered by the narrowed book: it is equal whenever nothing they rest on has changed.
    `parts` keeps springs, their cards and the limits too.
    """
    whole = book.engine
    if (
        changed_slots(whole.fitments) & slots
    ):  # what was read before a known change is moved by it, and that asks for more
        quantities, slots = quantities | CONSULTED, slots | slots_of(CONSULTED)
    engine = Engine(
        "",
        layout=whole.layout,
        gear=whole.gear,
        rocker_mount=whole.rocker_mount,
        lifter=whole.lifter,
        lobes=whole.lobes if "lobe_lift" in quantities else (),
        cam_separation_deg=whole.cam_separation_deg if "lobe_lift" in quantities else None,
        cam_advance_deg=whole.cam_advance_deg if "lobe_lift" in quantities else None,
        rod_material=whole.rod_material,
        head_material=whole.head_material,
        guide_material=whole.guide_material,
        hardened_base=whole.hardened_base,
        units=whole.units,
        facts=tuple(one for one in whole.facts if one.quantity in quantities),
        fitments=_narrowing(_fitments, whole.fitments, slots, lambda one: one.slot in slots),
        tools=whole.tools,
        default_tools=whole.default_tools,
        references=whole.references if "reference_load" in quantities else (),
        calibrations=whole.calibrations if "reference_load" in quantities else (),
        tolerances=whole.tolerances,
        cards=whole.cards if parts else (),
        sets=whole.sets if parts else (),
        springs=whole.springs if parts else (),
        limits=whole.limits if parts else (),
    )
    return Book(engine, _narrowed_journal(book.journal, quantities), book.set_aside)


def _narrowed_journal(journal: tuple[AnyEntry, ...], quantities: frozenset[str]) -> tuple[AnyEntry, ...]:
    """Give a journal without other quantities' readings."""
    return _narrowing(
        _journals, journal, quantities, lambda one: not isinstance(one, Reading) or one.quantity in quantities
    )


def _narrowing(kept: list[Any], whole: T, by: frozenset[str], wanted: Callable[[Any], bool]) -> T:
    """Give those records of a tuple that are wanted; while the tuple is the very same, so is what is given."""
    for known, asked, found in kept:
        if known is whole and asked == by:
            return cast(T, found)
    made = cast(T, tuple(one for one in whole if wanted(one)))  # type: ignore[attr-defined]
    kept.insert(0, (whole, by, made))
    del kept[_NARROWINGS:]
    return made


T = TypeVar("T")
_NARROWINGS = 48  # of one journal: a trial asks for each of them again at every step of its slider
_journals: list[Any] = last_few()
_fitments: list[Any] = last_few()
