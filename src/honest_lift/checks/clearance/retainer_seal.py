"""Retainer to seal: the retainer against the seal, or the guide, over the valve's travel."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import derive
from honest_lift.facts.engine import Book
from honest_lift.mechanics.clearance.retainer_seal import retainer_to_seal

RETAINER_SEAL = Check(
    "retainer_seal", "Retainer to seal", "heights", "length",
    "What is left between the retainer's underside and the seal, or the guide, at full lift: the gap closed less lift.",
)  # fmt: skip
_CURE = "shorten the guide, or take locks or a retainer with an offset; shims do not move it"


def check_retainer_seal(book: Book, valves: Valves) -> list[Finding]:
    """Hold what is left between retainer and seal at full lift against its least. Shims do not move it."""
    left = derive(retainer_to_seal, valves.seal_gap, valves.lift)
    terms = {
        "gap_closed": valves.seal_gap.figure.value,
        "valve_lift": valves.lift.figure.value,
    }
    limits = valves.limits(book, "retainer_seal")
    least = [limit.lowest if limit and limit.lowest is not None else float("nan") for limit in limits]
    remarks = [
        "; ".join(words for words in (_CURE if value < bound else "", seen) if words)
        for value, bound, seen in zip(left.figure.value.tolist(), least, valves.seal_seen, strict=True)
    ]
    return findings(RETAINER_SEAL, valves.places, valves.names, left, limits, terms=terms, remarks=remarks)
