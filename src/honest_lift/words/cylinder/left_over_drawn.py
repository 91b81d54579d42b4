"""What is left over a piston at TDC as a drawing: the parts its clearance volume is made of, and the ratio."""

from __future__ import annotations

from math import isfinite

from honest_lift.drawings.cylinder.clearance_volume import Part, left_over_scene
from honest_lift.drawings.scene import Scene
from honest_lift.estimates.cylinder.clearance_volume import TERMS, LeftOver
from honest_lift.facts.engine import Engine
from honest_lift.numbers.units import from_inside, in_words, unit_of


def left_over_drawn(engine: Engine, whole: LeftOver | None, cylinder: str) -> Scene:
    """Draw the clearance volume of a cylinder; what is missing in words where it is not known."""
    unit = engine.unit("volume")
    places = unit_of("volume", unit).places
    if whole is None or cylinder not in whole.chambers.cylinders:
        return left_over_scene((), "", "no cylinder is laid out yet", places)
    case = whole.chambers.cylinders.index(cylinder)
    volumes = whole.terms[:, case].tolist()
    missing = f"cylinder {cylinder}: not known yet; pour its chamber, state deck, gasket, bore and piston under Block"
    if not all(map(isfinite, volumes)):
        return left_over_scene((), "", missing, places)
    parts = [Part(name, from_inside(one, "volume", unit)) for name, one in zip(TERMS, volumes, strict=True) if one]
    left, ratio = whole.left.figure.value[case], whole.ratio.figure.value[case]
    title = f"clearance volume {in_words(left, 'volume', unit)}, {ratio:.2f} to 1"
    return left_over_scene(parts, title, missing, places)
