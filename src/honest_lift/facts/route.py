"""The route to the running engine: what is looked at on the way and when it may go on, by the job in hand.

Each item stands at a step of the work, in working order. A hold point is passed when nothing of its steps fails or is unproven, or
when somebody signed for what does. Common practice, no source; the maker's manual goes first.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.engine import Engine
from honest_lift.facts.fitments import Slot

_HEADS = frozenset({"everything", "new heads", "valve job", "bare heads"})
_SPRINGS = _HEADS | {"spring change"}
_ON_ENGINE = frozenset(
    {"everything", "new heads", "valve job", "spring change", "cam change", "ratio change", "milling"}
)
_FITTED = frozenset({"everything", "new heads", "milling", "valve job"})
ALL: frozenset[str] = frozenset()
BOLTS = "bolts "  # what the ticks of a head's bolt steps begin with


class Item(Struct, frozen=True):
    """One item. `words`: what is done or looked at; `jobs`: presets it belongs to, ALL for every one;
    `gear` it belongs to, "" for any.

    `holds`: steps whose findings hold it up; empty for what is only looked at. `caution`: what can hurt there.
    """

    key: str
    stage: str
    words: str
    jobs: frozenset[str] = ALL
    gear: str = ""
    holds: tuple[str, ...] = ()
    caution: str = ""

    @property
    def how(self) -> str:
        """Say the way it is done; "" where its words say it all."""
        return _HOW.get(self.key, "")

    @property
    def is_final(self) -> bool:
        """Tell whether nothing of a mock-up may be in any more: from the check with the final parts on."""
        return self.key in _FINAL


_HOW = {  # common practice and from memory; the maker's own procedure goes first
    "oil_first": "Prime the oil pump until oil stands at every rocker. A new flat-tappet cam is run in first, by its maker's own "
                 "speeds and minutes, often on the outer springs alone; only then the springs get their heat set.",
    "heat_set": "Warm at 1500 to 2000 rpm, no load, until oil and water are at working temperature, some 10 to 20 minutes. Switch "
                "off and let it cool to the room, some hours. Then lash again, and the seat load of every valve: new springs "
                "lose about 6 percent in the first running, and hold from then on.",
    "checked_again": "Cold again: head bolts where the manual says so, lash of every valve by the turn plan, the seat load of each "
                     "by the lever tester. That day is the first of each spring's history.",
    "turned_twice": "Two whole turns of the cam by hand, the engine's own way, plugs out. What stops is never forced: find it.",
    "close_coils": "Close-wound coils stand on the head. Paint marks one end: look up which one the maker means.",
}  # fmt: skip
_FINAL = frozenset({"final_parts", "speed_pass", "oil_first", "heat_set", "checked_again"})
_EYES = (
    "Eye protection on; the tool square on the retainer, never over the face: a compressed spring can put an eye out."
)
_HANDS = "Ignition off, plugs out, hands clear: an engine turned by hand or by its starter crushes fingers."
_FIRE = "Solvent, alcohol and fuel burn: ventilate, no flame."
_LIFTS = "Heads are heavy and slip: lift with help, never on its face with valves open."

ITEMS: tuple[Item, ...] = (
    Item("buckets_free", "bare head", "Buckets and the bare cam move freely; towers or caps marked and in order", _HEADS, "bucket"),
    Item("cam_free", "bare head", "The bare cam turns freely in its towers, which are marked and in order",
         _HEADS, "finger follower"),
    Item("oil_paths", "bare head", "Oil paths open, or blocked, as meant", _HEADS),
    Item("seats_lapped", "bare head", "Seats lapped and blued: an even ring all round", _HEADS),
    Item("faces_clean", "bare head", "Faces clean and flat; burrs stoned off; washed after milling",
         _HEADS | {"milling"}, caution=_FIRE),
    Item("numbered", "bare head", "Every valve, pad and follower numbered to its guide", _HEADS),
    Item("heads_pass", "bare head", "Hold: the bare head passes", _HEADS, holds=("head",)),
    Item("cups_first", "assembly", "Inner shim before the seal, cups before seals; every shim counted", _SPRINGS),
    Item("seal_by_hand", "assembly", "Stem oiled and turned through its seal; seal pressed on by hand with a socket", _SPRINGS),
    Item("close_coils", "assembly", "Close coils to the head, by the paint rule of this spring", _SPRINGS, caution=_EYES),
    Item("locks_flush", "assembly", "Locks flush and even after a tap on the tip", _SPRINGS, caution=_EYES),
    Item("springs_pass", "assembly", "Hold: springs, loads and heights pass", _SPRINGS, holds=("springs", "heights")),
    Item("gasket", "on the engine", "Gasket: holes, front mark and dowels looked at; thread sealer where a bolt enters water",
         _FITTED,
         caution=_LIFTS),
    Item("bolts", "on the engine", "Cap and head bolts in small steps from the middle out, by the manual's pattern and figures",
         _FITTED),
    Item("chambers_pass", "on the engine", "Hold: chambers, squish and compression pass", _FITTED, holds=("squeeze",)),
    Item("turned_twice", "on the engine", "Turned over twice by hand: nothing touches, nothing binds", _ON_ENGINE, caution=_HANDS),
    Item("clearances_pass", "on the engine", "Hold: clearances through the turn, rockers and lash pass",
         _ON_ENGINE - {"spring change"},  # which asks nothing of them
         holds=("turn", "rocker"), caution=_HANDS),
    Item("final_parts", "on the engine",
         "Checked again with the final pushrods, ratio and gasket; nothing of the mock-up is left in", _ON_ENGINE),
    Item("speed_pass", "before it runs", "Hold: it follows its cam up to the red line", frozenset({"everything"}),
         holds=("speed", "match")),
    Item("wipes", "check-up", "Followers' wipe, tips, locks and adjusters looked at", frozenset({"check-up"}), caution=_HANDS),
    Item("loads_read", "check-up", "Seat load of every valve read on the engine; what is odd three times, with its neighbours",
         frozenset({"check-up"}), caution=_EYES),
    Item("lash_read", "check-up", "Lash or preload read at every valve, by the turn plan", frozenset({"check-up"}), caution=_HANDS),
    Item("check_up_passes", "check-up", "Hold: what was looked over passes", frozenset({"check-up"}),
         holds=("head", "heights", "springs", "rocker")),
    Item("oil_first", "before it runs", "Oil pressure before it fires; the cam's own run-in first where its maker asks one",
         _ON_ENGINE),
    Item("heat_set", "first run", "Heat set: warmed at 1500 to 2000 rpm to working temperature, switched off, cooled to the room",
         _SPRINGS),
    Item("checked_again", "first run", "After the first heat: lash, head bolts where the manual says so, seat load on the engine",
         _ON_ENGINE, caution=_HANDS),
)  # fmt: skip


_VALVE: tuple[Slot, ...] = ("valve", "seat", "guide")
_STACK: tuple[Slot, ...] = ("spring", "shims", "inner shims", "locator", "retainer", "locks", "pocket", "seal")
_GEAR: tuple[Slot, ...] = ("rocker", "cam", "lash shim", "cam tower", "adjuster")
_JOINT: tuple[Slot, ...] = ("head face", "gasket", "block face")
_TURNED: tuple[Slot, ...] = (*_VALVE, *_STACK, *_GEAR, *_JOINT, "piston")
_RESTS: dict[str, tuple[Slot, ...]] = {  # the parts a tick speaks of: with other parts it is looked at again
    "buckets_free": ("cam", "cam tower", "lash shim"), "cam_free": ("cam", "cam tower"), "oil_paths": ("gasket", "cam tower"),
    "seats_lapped": ("valve", "seat"), "faces_clean": ("head face", "block face"), "numbered": ("valve", "lash shim"),
    "heads_pass": (*_VALVE, "pocket", "head face"), "cups_first": ("locator", "shims", "inner shims", "seal"),
    "seal_by_hand": ("seal", "guide", "valve"), "close_coils": ("spring",), "locks_flush": ("locks", "retainer", "valve"),
    "springs_pass": (*_VALVE, *_STACK, "cam"), "gasket": _JOINT, "bolts": (*_JOINT, "cam tower"),
    "chambers_pass": (*_JOINT, *_VALVE, "piston"), "turned_twice": _TURNED, "clearances_pass": _TURNED, "final_parts": _TURNED,
    "speed_pass": _TURNED, "wipes": ("rocker", "locks", "adjuster", "valve"), "loads_read": ("spring", "shims", "inner shims"),
    "lash_read": (*_GEAR, "valve", "seat"), "check_up_passes": (*_VALVE, *_STACK, *_GEAR), "oil_first": ("cam",),
    "heat_set": ("spring",), "checked_again": ("spring", "gasket", *_GEAR),
}  # fmt: skip


def slots_under(item: str) -> tuple[Slot, ...]:
    """Give the slots of the parts that a tick of an item speaks of; none for an item of somebody's own, which says no part."""
    if item.startswith(BOLTS):
        return ("gasket", "head face")
    return _RESTS.get(item, ())


def route_of(engine: Engine) -> tuple[Item, ...]:
    """Give the items of an engine's job and gear in working order, with its own; a job of one's own asks for all of them."""
    preset = engine.job.preset
    known = {name for one in ITEMS for name in one.jobs} | {"as begun"}
    own = engine.own_route
    built_in = [
        one for one in ITEMS
        if (not one.jobs or preset in one.jobs or preset not in known) and one.gear in ("", engine.gear)
        and one.key not in own.left_out
    ]  # fmt: skip
    return _with_own(built_in, [Item(one.key, one.stage, one.words) for one in own.items])


def _with_own(built_in: list[Item], own: list[Item]) -> tuple[Item, ...]:
    """Put own items after the others of their stage; of a stage that is not there, last."""
    stages = list(dict.fromkeys(one.stage for one in (*built_in, *own)))
    return tuple(one for stage in stages for one in (*built_in, *own) if one.stage == stage)
