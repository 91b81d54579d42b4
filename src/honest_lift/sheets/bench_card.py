"""The shim plan as a card to lay beside the head: what goes where, and a line to write the reading that confirms it."""

from __future__ import annotations

from honest_lift.facts.engine import Engine
from honest_lift.numbers.units import in_figures, in_words
from honest_lift.plans.spring.shims import Pocket, ShimPlan

_CAUTION = "A compressed valve spring can put an eye out: eye protection on, the tool square, never over the face."


def bench_card(engine: Engine, plan: ShimPlan) -> str:
    """Write a plan as plain text, head by head, with room for the reading that confirms each height."""
    length, load = engine.unit("length"), engine.unit("load")
    apart = any(one.inner_mm is not None for one in plan.pockets)
    lines = [f"Shim plan, {engine.name or 'engine without a name'}", f"Goal: {plan.goal}. Lengths in {length}, loads in {load}.",
             *(["Shims: under the outer / under the inner."] if apart else []), _CAUTION, ""]  # fmt: skip
    by_name = {one.position: one for one in plan.pockets}
    for head in engine.layout.heads:
        lines += [
            f"{head.name} head",
            f"{'pocket':<8}{'spring':<8}{'shims':<24}{'height':>8}{'seat':>8}{'open':>8}   as read",
        ]
        lines += [_line(by_name[one.id], length, load) for one in head.positions if one.id in by_name]
        lines.append("")
    lines += [*_shopping(engine, plan), "", *(f"{one[:1].upper()}{one[1:]}." for one in plan.problems)]
    lines.append("Heights and loads here are predicted. Each pocket is proven by one reading after the shims are in.")
    return "\n".join(lines) + "\n"


def _shopping(engine: Engine, plan: ShimPlan) -> list[str]:
    """Count what the whole plan takes by size, and how many of them are to be bought."""
    unit, where = engine.unit("length"), {"outer": "", "inner": ", under the inner", "both": ", under both"}
    told = []
    for one in plan.wanted(engine):
        counts = [
            own.count
            for own in engine.shim_stock
            if own.thickness_mm == one.thickness_mm and one.fits in (own.fits, "both")
        ]
        stock = "in stock, not counted: count them" if None in counts else "all in stock"
        buy = f"buy {one.lacking}" if one.lacking else stock
        told.append(f"  {in_words(one.thickness_mm, 'length', unit)}{where[one.fits]}: {one.count}, {buy}")
    return ["Shims of the whole plan:", *(told or ["  none"])]


def _line(one: Pocket, length: str, load: str) -> str:
    stack = " + ".join(in_figures(t, "length", length) for t in one.after_mm) or "none"
    if one.inner_mm is not None:
        stack += f" / {' + '.join(in_figures(t, 'length', length) for t in one.inner_mm) or 'none'}"
    height, seat, opened = (in_figures(one.height_mm, "length", length), in_figures(one.seat_load_n, "load", load),
                            in_figures(one.open_load_n, "load", load))  # fmt: skip
    return f"{one.position:<8}{one.spring:<8}{stack:<24}{height:>8}{seat:>8}{opened:>8}   ________"
