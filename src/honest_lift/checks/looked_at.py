"""What is looked at and not measured, valve by valve: contact, leak, parts, how spring and retainer stand."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED, findings_observed
from honest_lift.checks.on_valves import looked_at, names_of
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.observed import choice_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal_index import is_read
from honest_lift.facts.made_at import has_base_at
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Ground

SEAT_CONTACT = Check("seat_contact", "Contact ring", "head", OBSERVED, "What the blued seat shows.")
LEAK_TEST = Check("leak_test", "Leak test", "head", OBSERVED, "Whether the closed valve holds a fluid.")
PARTS_CONDITION = Check(
    "parts_condition", "Valve, retainer, locks", "head", OBSERVED, "Whether the parts are fit to be used again.",
)  # fmt: skip
SPRING_STANDING = Check(
    "spring_standing", "Spring on the floor", "head", OBSERVED, "Whether the spring sits on the floor of its pocket.",
)  # fmt: skip
RETAINER_LEVEL = Check(
    "retainer_level", "Retainer level", "head", OBSERVED, "Whether the retainer is level with its neighbours.",
)  # fmt: skip
HARDENED_BASE = Check(
    "hardened_base", "Hardened base", "heights", OBSERVED,
    "An aluminium head has a hardened shim or cup under every spring.",
)  # fmt: skip
HALF_LIFT_SEEN = Check(
    "half_lift_seen", "Square at half lift", "rocker", OBSERVED, "The arm against a set square at half lift.",
)  # fmt: skip
SEAL_SEEN = Check(
    "seal_seen", "Retainer at the seal", "heights", OBSERVED, "Whether they were seen to touch at full lift."
)
ROCKER_SEEN = Check("rocker_seen", "Rocker at the retainer", "heights", OBSERVED, "Whether they were seen to touch.")
SEEN = (HALF_LIFT_SEEN, SEAL_SEEN, ROCKER_SEEN)  # begun where somebody looked; nobody has to
BARE_HEAD = (SEAT_CONTACT, LEAK_TEST, PARTS_CONDITION, SPRING_STANDING, RETAINER_LEVEL)


def check_looked_at(book: Book) -> list[Finding]:
    """Give what was seen at every valve."""
    seen = [one for check in BARE_HEAD for one in looked_at(book, check, check.name)]
    return seen + check_hardened_base(book)


def check_seen(book: Book) -> list[Finding]:
    """Give what was seen where somebody looked; what only looked fine proves nothing, and is said beside the figure instead."""
    seen = [one for check in SEEN if is_read(book.journal, check.name) for one in looked_at(book, check, check.name)]
    return [one for one in seen if one.word and one.word != "fine"]


def seen_fine(book: Book, quantity: str) -> list[str]:
    """Say at every valve what looked fine there, and that it proves nothing but the look; "" where nobody looked."""
    told = [at_valve(book, quantity, name) for name in names_of(book)]
    chosen = [choice_of(one) if not one.ground & ~Ground.SPECIFIED else None for one in told]
    return [f"{one.says}: it proves the look, and no distance" if one and one.key == "fine" else "" for one in chosen]


def check_hardened_base(book: Book) -> list[Finding]:
    """Tell whether a hardened base lies under every spring of an aluminium head. An iron one needs none."""
    engine, names = book.engine, names_of(book)
    if engine.head_material == "iron":
        return []
    places = [at_position(name) for name in names]
    stated = engine.head_material == "aluminium"
    if not stated:
        return findings_observed(
            HARDENED_BASE, places, names, [_no_base("the material of the heads is not stated")] * len(names)
        )
    given = [_base_at(engine, name) for name in names]
    return findings_observed(HARDENED_BASE, places, names, given)


def _base_at(engine: Engine, position: str) -> Input:
    has = has_base_at(engine, position)
    if has is None:
        return _no_base("nobody has stated whether there is a hardened shim or cup under the springs")
    return Input("hardened_base", "engine", "observed", 0.0 if has else 1.0, note="stated under Engine and parts")


def _no_base(why: str) -> Input:
    note = f"{why}: state it under Engine and parts, Engine"
    return Input("hardened_base", "engine", "missing", ground=Ground.MISSING, note=note)
