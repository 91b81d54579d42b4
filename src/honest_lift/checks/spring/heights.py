"""Heights: installed height against its target, and what is left to coil bind."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.two_ways import two_ways
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import Limit
from honest_lift.mechanics.spring.heights import open_height, travel_to_bind
from honest_lift.mechanics.spring.margins import coil_bind_clearance
from honest_lift.numbers.doubt import Array, Ground

INSTALLED_HEIGHT = Check(
    "installed_height", "Installed height", "heights", "length",
    "Height of the spring with the valve closed, against the target of the build.",
)  # fmt: skip
COIL_BIND_CLEARANCE = Check(
    "coil_bind_clearance", "Coil-bind clearance", "heights", "length",
    "What is left between the spring at full lift and coil bind: travel to bind less lift.",
)  # fmt: skip

_APART = "travel to bind as it was read on the head is not installed height less bind: what stopped it, or which of them is wrong"


def check_installed_height(book: Book, valves: Valves) -> list[Finding]:
    """Hold each installed height against the target; with no target it is unproven."""
    targets = valves.targets
    limits: list[Limit | None] = [
        limit if target.kind != "missing" else None
        for limit, target in zip(valves.limits(book, "installed_height"), targets, strict=True)
    ]
    about = np.array([one.value for one in targets])
    guessed = np.array([one.kind == "assumed" for one in targets])
    figure = valves.installed.figure.on_ground(guessed, Ground.ASSUMED | Ground.UNRANGED)
    installed = Estimate(figure, valves.installed.inputs)
    remarks = [
        "no target height is stated for this valve" if target.kind == "missing" else odd
        for target, odd in zip(targets, valves.stack_remarks, strict=True)
    ]
    return findings(
        INSTALLED_HEIGHT, valves.places, valves.names, installed, limits, about=about,
        remarks=remarks,
    )  # fmt: skip


def check_bind_margin(book: Book, valves: Valves) -> list[Finding]:
    """Hold what is left to coil bind at full lift against its least (and, in one rule, its most)."""
    bind = valves.curves.bind
    both = two_ways(
        derive(np.subtract, valves.bind_travel, valves.lift),
        derive(coil_bind_clearance, valves.installed, valves.lift, bind),
    )
    height, lift, solid = (one.figure.value for one in (valves.installed, valves.lift, bind))
    terms = {
        "installed_height": height,
        "valve_lift": lift,
        "open_height": open_height(height, lift),
        "bind_height": solid,
        "travel_to_bind": travel_to_bind(height, solid),
        "inner_height": height - _inner_step(valves),
    }
    return findings(
        COIL_BIND_CLEARANCE, valves.places, valves.names, both.held, valves.limits(book, "coil_bind_clearance"), terms=terms,
        remarks=[
            "; ".join(words for words in (_APART if apart else "", light) if words) if spring else "no spring is fitted here"
            for spring, light, apart in zip(valves.springs, valves.coil_light, both.apart.tolist(), strict=True)
        ],
    )  # fmt: skip


def _inner_step(valves: Valves) -> Array:
    """Give how much shorter (n,) in mm the inner of each nest stands than its outer: its step, less what the stacks differ."""
    steps = []
    for card, more in zip(valves.cards, valves.more_mm, strict=True):
        inner = card.members[1].step_mm if card and len(card.members) > 1 else None
        steps.append(np.nan if inner is None else inner - more)
    return np.array(steps)
