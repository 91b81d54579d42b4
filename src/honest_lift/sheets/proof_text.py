"""The proof of a book as lines of text: what holds, what does not, and the fingerprint to keep on paper."""

from __future__ import annotations

from honest_lift.facts.book.chain import is_of
from honest_lift.facts.book.proof import Proof


def proof_text(proof: Proof, printed: str = "") -> tuple[list[str], bool]:
    """Give the lines, and whether all holds, a printed fingerprint too. Raises ValueError for what is no fingerprint."""
    known = is_of(printed, proof.chains) if printed else True
    lines = [f"does not hold: {one}." for one in proof.broken]
    if printed:
        lines.append(
            f"fingerprint {printed}: "
            + ("it is of this book." if known else "this book never had it: it is another, or was written anew.")
        )
    if proof.holds:
        before = f", {proof.before} of them from before the book" if proof.before else ""
        lines.append(f"holds: {proof.entries} entries{before}, and every fact as the last of them left it.")
    lines += [f"begun again after entry {len(one.links)}: {one.ended}." for one in proof.past]
    if proof.fingerprint:
        lines.append(
            f"fingerprint {proof.fingerprint}: keep it on paper. It shows whether all of this was written anew."
        )
    return lines, proof.holds and known
