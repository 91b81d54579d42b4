"""What a spring tester's calibration says, in words."""

from __future__ import annotations

from math import isfinite, sqrt

from honest_lift.estimates.spring.tester import Correction
from honest_lift.facts.engine import Engine
from honest_lift.numbers.units import in_figures, in_words

_NAMES = {"offset": "offset", "gain": "gain", "stop": "height stop"}


def correction_words(correction: Correction, engine: Engine) -> tuple[str, ...]:
    """Say what was fitted and why, how far off the tester is, how well that is known, and what alarms."""
    fit = correction.fit
    lines = [f"{_fitted(correction, engine)} from {len(correction.read_n)} readings, {_told_apart(correction)}."]
    low, high = float(correction.read_n.min()), float(correction.read_n.max())
    unit = engine.unit("load")
    for read in dict.fromkeys((low, high)):
        u = sqrt(sum(move**2 for _, _, move in correction.load_sources(read)))
        shown, true, doubt = (in_words(one, "load", unit, 1) for one in (read, correction.load(read), 2 * u))
        lines.append(f"A reading of {shown} is taken for {true.removesuffix(unit).rstrip()} ±{doubt}.")
    if not correction.is_checked:
        lines.append(
            "No check is possible: there are as many parameters as readings. The tester's own accuracy counts too."
        )
    elif isfinite(fit.likelihood):
        lines.append(f"Scatter: chi-square {fit.chi_square:.1f} at {fit.freedom} degrees of freedom, "
                     f"as large as this {100 * fit.likelihood:.0f} times of 100.")  # fmt: skip
    if not correction.is_certified:
        lines.append("A certificate states no uncertainty of its own, so the tester's accuracy counts too.")
    lines += [f"Alarm: {one}. Nothing read with it passes." for one in correction.alarms]
    return tuple(lines)


def high_by(read_n: float, certified_n: float, engine: Engine) -> str:
    """Say how much more a tester shows than the certificate says, without the unit."""
    return in_figures(read_n - certified_n, "load", engine.unit("load"), 1)


def _fitted(correction: Correction, engine: Engine) -> str:
    if not correction.fit.names:
        return "No correction is justified"
    load, length = engine.unit("load"), engine.unit("length")
    amounts = {
        "offset": f"offset {in_words(correction.offset_n, 'load', load, 2)}",
        "gain": f"gain {100 * correction.gain:+.2f} percent",
        "stop": f"height stop {in_words(correction.stop_mm, 'length', length, 4)} high",
    }
    words = ", ".join(amounts[name] for name in correction.fit.names)
    return words[:1].upper() + words[1:]


def _told_apart(correction: Correction) -> str:
    """Say what more was tried and what it would have brought."""
    tried = dict(correction.fit.tried)
    kept = correction.fit.names
    more = [names for names in tried if len(names) == len(kept) + 1 and set(names) > set(kept)]
    if not more:
        return "which can tell no more apart"
    return "; ".join(
        f"a {' and '.join(_NAMES[n] for n in names if n not in kept)} as well would better chi-square by "
        f"{tried[kept] - tried[names]:.1f} only, and 3.84 is asked"
        for names in more
    )
