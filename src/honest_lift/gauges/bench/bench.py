"""The bench itself: what is in hand, how its handles stand, and what a tool sends of it. No line and no window in it.

What a hand can get wrong stands here as it would on a bench: a part left in the tester's stack, shims left in a pocket, a gauge
that was never closed, a wheel that slipped. An eye that looks meets it; nothing tells it.
"""

from __future__ import annotations

from typing import NamedTuple

from msgspec import Struct

from honest_lift.facts.layout import read_layout
from honest_lift.gauges.bench.hidden import HiddenEngine
from honest_lift.gauges.bench.kinds import CERTIFIED_MM, KINDS, REFERENCE
from honest_lift.gauges.bench.tools import CARDS, PlayedTool
from honest_lift.numbers.mendable import MendableError

MEASURES: dict[str, tuple[str, ...]] = {  # what each tool is used for on this bench
    "height micrometer": ("installed_height",),
    "spring tester": ("spring_load", "reference_load"),
    "caliper": ("bind_height", "free_length", "seal_gap", "valve_margin", "stem_tip_height", "retainer_thickness", "lock_out",
                "mark_centre", "wipe_centre", "piston_valve_clay", "gasket_thickness", "locator_thickness"),
    "indicator": ("valve_lift",),  # at the retainer
    "degree wheel": ("lobe",),
    "burette": ("chamber_volume",),
    "lever tester": ("seat_load_engine",),
}  # fmt: skip
_OF_SPRINGS = ("spring_load", "bind_height", "free_length")


class Traps(Struct, frozen=True, forbid_unknown_fields=True):
    """How the bench was left by whoever used it before.

    `stack_mm`: parts left in the tester under the spring. `shims_in`: shims, mm, by valve, still in their pockets. `off`: what a
    tool is off by, beyond its card, by name; a load's as a share. `wheel_deg`: what the wheel slips by, from overlap on. `bubbles`:
    cc of air under the plate, by cylinder. `plugs`: what a plug that is too deep takes, cc, by cylinder.
    `sprung_mm`: what clay comes back by. `limber_mm`: what a checking pushrod gives. `bled_mm`: what lifters bleed down, by valve.
    """

    stack_mm: float = 0.0
    shims_in: dict[str, float] = {}
    off: dict[str, float] = {}
    wheel_deg: float = 0.0
    bubbles: dict[str, float] = {}
    plugs: dict[str, float] = {}
    sprung_mm: float = 0.0
    limber_mm: float = 0.0
    bled_mm: dict[str, float] = {}


_NOTCH_MM = 0.3
_SLIPS_AT, _STOP_DEG = 60.0, 28.0  # crank degrees: where a loose wheel is knocked, where a stop holds the piston
PUT_RIGHT: dict[str, tuple[tuple[str, str], ...]] = {  # by what is measured: (what `put_right` takes, how it is said)
    "installed_height": (
        ("shims {0}", "Take the shims out"),
        ("zero height micrometer", "Close it and set it to zero"),
    ),
    "spring_load": (("stack", "Empty the stack"), ("recalibrate spring tester", "Have the tester recalibrated")),
    "reference_load": (("stack", "Empty the stack"), ("recalibrate spring tester", "Have the tester recalibrated")),
    "chamber_volume": (("bubble {0}", "Tilt it, and let air out"), ("plug {0}", "Set the plug as it will be")),
    "piston_valve_clay": (("clay", "Press new clay, the head bolted down"),),
    "valve_lift": (("pushrod", "Put a stiff pushrod in"), ("lifter {0}", "Put a solid lifter in")),
    "lobe": (("wheel", "Set the wheel again, and tighten it"),),
}
_AS_IT_SHOULD_BE = Traps()


class Sent(NamedTuple):
    """One line that was sent: by which tool, of what, at which place, at which height, and what it showed."""

    tool: str
    quantity: str
    name: str
    at_mm: float
    shown: float
    line: str


class Bench:
    """The bench at work. `put_right` undoes a trap that was seen."""

    def __init__(
        self, engine: HiddenEngine, traps: Traps = _AS_IT_SHOULD_BE, seed: int = 1, units: dict[str, str] | None = None
    ) -> None:
        self.engine, self.traps, self.seed = engine, traps, seed
        told = units or {}
        self.tools = {name: PlayedTool(name, seed, off=traps.off.get(name), unit=told.get(CARDS[name].dimension, ""))
                      for name in CARDS}  # fmt: skip
        self.tool = "height micrometer"
        self.quantity = "installed_height"
        self.name = self.places("installed_height")[0]
        self.height_mm = 40.0  # where the tester's handle stands
        self.height_was_mm = 99.0
        self.crank_deg = 0.0
        self._slipped = False
        self.undone: set[str] = set()

    # --- what is in hand ---

    def places(self, quantity: str) -> list[str]:
        """Give the places at which a quantity is there to be measured, in order."""
        layout = read_layout(self.engine.layout)
        if quantity == "reference_load":
            return ["ref"]
        if quantity in _OF_SPRINGS:
            return list(self.engine.springs)
        if quantity == "lobe":
            return [one.id for one in layout.positions]
        if quantity == "chamber_volume":
            return [str(one) for one in layout.cylinders]
        own = self.engine.figures.get(quantity, {})
        derived = quantity == "seat_load_engine"
        return [""] if set(own) == {""} else [one.id for one in layout.positions if derived or one.id in own]

    def take_up(self, tool: str, quantity: str, name: str) -> None:
        """Take a tool and a part in hand. Raises MendableError for what does not go together."""
        if quantity not in MEASURES.get(tool, ()):
            raise MendableError(f"The {tool} does not measure {quantity.replace('_', ' ')} on this bench.")
        if name not in self.places(quantity):
            raise MendableError(f"“{name}” is no place of {quantity.replace('_', ' ')}.")
        if (tool, quantity, name) != (self.tool, self.quantity, self.name):
            self.height_was_mm = 99.0
        self.tool, self.quantity, self.name = tool, quantity, name

    def pressed_at(self) -> tuple[float, ...]:
        """Give the heights at which a spring's load matters: of its kind, closed and open."""
        kind = KINDS[self.engine.key]
        return (kind.height_mm, kind.height_mm - kind.lift_mm)

    def notched(self, height_mm: float) -> float:
        """Give where the tester's handle comes to rest: near a height that matters it falls in, as into a notch."""
        notches = CERTIFIED_MM if self.quantity == "reference_load" else self.pressed_at()
        near = min(notches, key=lambda one: abs(one - height_mm))
        return near if abs(near - height_mm) <= _NOTCH_MM else height_mm

    def press(self, height_mm: float) -> None:
        """Turn the tester's handle to a height, by its own scale."""
        self.height_was_mm, self.height_mm = self.height_mm, height_mm

    # --- the degree wheel ---

    def turn(self, crank_deg: float) -> None:
        """Turn the crank to an angle from overlap TDC, its own way."""
        self.crank_deg = crank_deg
        self._slipped = self._slipped or (self.traps.wheel_deg != 0.0 and crank_deg > _SLIPS_AT)

    @property
    def wheel_deg(self) -> float:
        """Give what the wheel shows, to half a degree."""
        off = self.traps.wheel_deg if self._slipped and "wheel" not in self.undone else 0.0
        return round(2.0 * (self.crank_deg + off)) / 2.0

    @property
    def has_slipped(self) -> bool:
        """Tell whether the wheel was knocked since it was set."""
        return self._slipped

    def stops(self) -> tuple[float, float]:
        """Turn the crank against a stop in the first cylinder, one way and the other, and give what the wheel shows."""
        shown = []
        was = self.crank_deg
        for side in (-_STOP_DEG, _STOP_DEG):
            self.crank_deg = side
            shown.append(self.wheel_deg)
        self.crank_deg = was
        return shown[0], shown[1]

    # --- what is left undone ---

    @property
    def stack_mm(self) -> float:
        """Give what stands in the tester under the spring."""
        return 0.0 if "stack" in self.undone else self.traps.stack_mm

    def shims_mm(self, name: str) -> float:
        """Give what shims are in a pocket now."""
        return 0.0 if f"shims {name}" in self.undone else self.traps.shims_in.get(name, 0.0)

    def put_right(self, what: str) -> None:
        """Undo what was seen, by its name and place: see `PUT_RIGHT`."""
        if what.startswith("zero "):
            self.tools[what.removeprefix("zero ")].zero()
        if what.startswith("recalibrate "):
            self.tools[what.removeprefix("recalibrate ")].recalibrated()
        if what == "wheel":
            self._slipped = False
        self.undone.add(what)

    # --- what is sent ---

    def send(self) -> Sent:
        """Give what the tool in hand sends of what is in hand."""
        tool = self.tools[self.tool]
        shown = tool.shown(self._met(), rising=self.height_mm > self.height_was_mm)
        line = tool.line(shown)
        if self.tool == "degree wheel":
            line = f"{self.wheel_deg:.1f}; {shown:.2f}"
        return Sent(self.tool, self.quantity, self.name, self.height_mm, shown, line)

    def close_tool(self) -> Sent:
        """Give what the tool shows closed on nothing."""
        tool = self.tools[self.tool]
        shown = tool.closed()
        return Sent(self.tool, "", "", 0.0, shown, tool.line(shown))

    def _met(self) -> float:
        """Give what the tool truly meets: the part, and what was left with it."""
        quantity, name, traps = self.quantity, self.name, self.traps
        if quantity in ("spring_load", "reference_load"):
            stop = self.tools["spring tester"].stop_off_mm
            pressed_to = self.height_mm + stop - self.stack_mm
            return REFERENCE.load_n(pressed_to) if name == "ref" else self.engine.true(quantity, name, pressed_to)
        true = self.engine.true(quantity, name, self.crank_deg)
        if quantity == "installed_height":
            return true - self.shims_mm(name)
        if quantity == "chamber_volume":
            lost = [own.get(name, 0.0) for what, own in (("bubble", traps.bubbles), ("plug", traps.plugs))
                    if f"{what} {name}" not in self.undone]  # fmt: skip
            return true - sum(lost)
        if quantity == "piston_valve_clay" and "clay" not in self.undone:
            return true + traps.sprung_mm
        if quantity == "valve_lift":
            given = 0.0 if "pushrod" in self.undone else traps.limber_mm
            bled = 0.0 if f"lifter {name}" in self.undone else traps.bled_mm.get(name, 0.0)
            return true - given - bled
        return true
