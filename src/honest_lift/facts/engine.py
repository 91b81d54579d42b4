"""One engine and its book: the facts as an immutable snapshot, and the journal of readings beside them."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import count
from typing import Any, Literal

from msgspec import Struct, field

from honest_lift.facts.bolts import BoltPlan
from honest_lift.facts.book.chain import Chain
from honest_lift.facts.calibrations import Calibration, ReferenceSpring
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.fact import Fact
from honest_lift.facts.firing import Fires
from honest_lift.facts.fitments import Fitment, Slot, in_place, springs_in_place
from honest_lift.facts.job import Job
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.layout import Layout, Position
from honest_lift.facts.limits import DEFAULT_TOLERANCES, Limit, Tolerance, default_limits
from honest_lift.facts.made_of import GuideMaterial, MadeOf
from honest_lift.facts.memory.remember import by_identity
from honest_lift.facts.own_route import OwnRoute
from honest_lift.facts.parts import Spring, SpringCard, SpringSet
from honest_lift.facts.place import Place
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.tools import Tool, as_then
from honest_lift.facts.trials import Trial

Gear = Literal["pushrod", "finger follower", "bucket"]
Mount = Literal["stud", "shaft"]
Quoted = Literal["middles", "overall", "gauge"]  # how lengths of pushrods are told
HeadMaterial = Literal["", "iron", "aluminium"]
RodMaterial = Literal["", "steel", "aluminium"]
Lifter = Literal["solid flat", "solid roller", "hydraulic flat", "hydraulic roller", ""]
CamTurns = Literal["", "toward the valve", "toward the pivot"]
_ALIKE = {"volume": "cc", "mass": "g", "angle": "deg", "time": "s", "turns": "turn", "speed": "rpm", "ratio": "",
          "percent": "%", "observed": "", "frequency": "Hz"}  # fmt: skip
INCH_UNITS = {"length": "in", "load": "lbf", "rate": "lbf/in", "pressure": "psi", "temperature": "°F",
              "torque": "lbf·ft", "stress": "ksi", "area": "in²", "flow": "cfm", "roughness": "µin",
              "velocity": "ft/s", **_ALIKE}  # fmt: skip
METRIC_UNITS = {"length": "mm", "load": "N", "rate": "N/mm", "pressure": "bar", "temperature": "°C",
                "torque": "N·m", "stress": "MPa", "area": "cm²", "flow": "l/s", "roughness": "µm",
                "velocity": "m/s", **_ALIKE}  # fmt: skip


class Engine(Struct, frozen=True, forbid_unknown_fields=True):
    """Everything known about an engine that is no reading."""

    id: str
    name: str = ""
    note: str = ""
    layout: Layout = Layout()
    job: Job = Job()
    firing: tuple[Fires, ...] = ()
    bolts: BoltPlan = BoltPlan()
    own_route: OwnRoute = OwnRoute()
    mock_up: tuple[str, ...] = ()  # what is fitted only to try, see `mock_up.py`
    gear: Gear = "pushrod"
    rocker_mount: Mount = "stud"
    lifter: Lifter = ""
    cam_turns: CamTurns = ""  # which way the lobe's surface runs over a finger
    head_material: HeadMaterial = ""
    guide_material: GuideMaterial = ""
    made_of: tuple[MadeOf, ...] = ()  # guides and bases that differ from the engine's, by place
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
    hardened_base: bool | None = None  # a hardened shim or cup lies under every spring: aluminium heads; None: not said
    limits: tuple[Limit, ...] = field(default_factory=default_limits)
    tolerances: tuple[Tolerance, ...] = DEFAULT_TOLERANCES
    trials: tuple[Trial, ...] = ()  # changes that nobody has made yet, by name
    people: tuple[str, ...] = ()
    hand: str = ""
    units: dict[str, str] = field(default_factory=lambda: dict(INCH_UNITS))
    copied_from: str = ""  # the id of the engine it was saved as a copy of

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

    def free_spring_numbers(self) -> Iterator[str]:
        """Give the numbers no spring has, from 1 on."""
        taken = {one.id for one in self.springs}
        return (str(number) for number in count(1) if str(number) not in taken)

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

    def tool_as_read(self, name: str, read_on: str) -> Tool | None:
        """Find a tool by its id, as what was read with it at a time is judged."""
        tool = self.tool(name)
        return as_then(tool, read_on) if tool else None

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
    when: str = ""  # it was read, or stated, on: what was read there later stands in for it
    read_at: dict[str, float] = {}  # of a reading with a coordinate


class Book(Struct, frozen=True, forbid_unknown_fields=True):
    """What one engine file holds."""

    engine: Engine
    journal: tuple[AnyEntry, ...] = ()
    set_aside: tuple[SetAside, ...] = ()
    chains: tuple[Chain, ...] = ()  # over the journal: the last goes on; none in a file that has no book yet
