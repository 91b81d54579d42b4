"""What is in hand at the bench, as scenes: chosen by what is being measured. Nothing is told in words."""

from __future__ import annotations

from math import cos, pi, sin

from honest_lift.drawings.bench.below import (
    clay_scene,
    margin_scene,
    mark_scene,
    pad_scene,
    port_scene,
    pour_scene,
    wheel_pointer,
)
from honest_lift.drawings.bench.tester import free_scene, tester_scene
from honest_lift.drawings.bench.valve_in_head import InHead, valve_scene
from honest_lift.drawings.cam.degree_wheel import at as on_rim
from honest_lift.drawings.parts.outline import arc, block
from honest_lift.drawings.scene import Box, Circle, Line, Scene, Shape, Stroke, Words
from honest_lift.facts.place import at_position
from honest_lift.gauges.bench.bench import Bench
from honest_lift.gauges.bench.kinds import REFERENCE


def in_hand(bench: Bench) -> list[tuple[float, Scene]]:
    """Give the scenes of what is in hand, each with its share of the width."""
    quantity, name, engine = bench.quantity, bench.name, bench.engine
    if quantity == "reference_load":
        return [(1.0, tester_scene(REFERENCE, bench.height_mm, bench.stack_mm))]
    if quantity == "spring_load":
        return [(1.0, tester_scene(engine.springs[name], bench.height_mm, bench.stack_mm))]
    if quantity in ("bind_height", "free_length"):
        spring = engine.springs[name]
        pressed = tester_scene(spring, spring.solid_mm, 0.0) if quantity == "bind_height" else free_scene(spring)
        return [(1.0, pressed)]
    if quantity == "chamber_volume":
        return [(1.0, _pour(bench)), *((0.5, _port(bench, one)) for one in engine.fitted if one[:-1] == name)]
    if quantity == "lobe":
        return [(1.0, _wheel(bench)), (0.7, _lobe(bench))]
    if quantity == "piston_valve_clay":
        return [(1.0, _clay(bench))]
    if quantity in ("gasket_thickness", "locator_thickness"):
        return [(1.0, _plate(engine.true(quantity, name)))]
    return _of_valve(bench)


def _of_valve(bench: Bench) -> list[tuple[float, Scene]]:
    quantity, name, engine = bench.quantity, bench.name, bench.engine
    if quantity in ("valve_margin", "stem_tip_height"):
        worn = 1.2 if "worn tip" in engine.seen.get(name, ()) else 0.0
        return [(1.0, margin_scene(engine.true("valve_margin", name), worn)), (0.8, _port(bench, name))]
    if quantity == "wipe_centre":
        return [(1.0, pad_scene(engine.true("wipe_centre", name)))]
    if quantity == "mark_centre":
        return [(1.0, mark_scene(engine.true("mark_centre", name)))]
    return [(1.0, valve_scene(_in_head(bench, name)))]


def _port(bench: Bench, name: str) -> Scene:
    seen = bench.engine.seen.get(name, ())
    return port_scene(wet="wet port" in seen, broken="broken ring" in seen)


def _in_head(bench: Bench, name: str) -> InHead:
    """Give what is to be seen of a valve: with its spring, but for the micrometer that stands in its place."""
    engine = bench.engine
    seen = engine.seen.get(name, ())
    shims, spacer = bench.shims_mm(name), 0.0 if "no spacer" in seen else engine.true("locator_thickness", "")
    limber = bench.traps.limber_mm if "pushrod" not in bench.undone else 0.0
    sunk = bench.traps.bled_mm.get(name, 0.0) if f"lifter {name}" not in bench.undone else 0.0
    measuring = bench.quantity == "installed_height"
    return InHead(
        None if measuring else engine.springs[engine.fitted[name]], engine.true("installed_height", name) - shims, spacer, shims,
        1.1 if "dished" in seen else 0.0, engine.true("lock_out", name),
        "ledge" in seen, bench.quantity == "valve_lift", 3.0 * limber, 2.0 * sunk,
    )  # fmt: skip


def _pour(bench: Bench) -> Scene:
    name = bench.name
    bubble = bench.traps.bubbles.get(name, 0.0) if f"bubble {name}" not in bench.undone else 0.0
    plug = bench.traps.plugs.get(name, 0.0) if f"plug {name}" not in bench.undone else 0.0
    return pour_scene(1.0, bubble=bubble > 0.0, deep=plug > 0.0)


def _clay(bench: Bench) -> Scene:
    seen = () if "clay" in bench.undone else bench.engine.seen.get("clay", ())
    pressed = bench.traps.sprung_mm if "clay" not in bench.undone else 0.0
    thick = bench.engine.true("piston_valve_clay", bench.name) + pressed
    gasket = "gasket print" in bench.engine.seen.get("clay", ())
    return clay_scene(
        thick, curled="clay curled" in seen, gasket=gasket, open_mm=pressed if "head not down" in seen else 0.0
    )


def _plate(thick_mm: float) -> Scene:
    """Draw a gasket or spacer in the jaws, enlarged beside a step of one millimetre."""
    thick = 8.0 * thick_mm
    strokes: tuple[Stroke, ...] = (
        Shape(block(-30.0, 0.0, 60.0, thick), "line"), Shape(block(-8.0, -14.0, 16.0, 14.0), "cut"),
        Shape(block(-8.0, thick, 16.0, 14.0), "cut"), Line(36.0, 0.0, 42.0, 0.0, "faint"), Line(36.0, 8.0, 42.0, 8.0, "faint"),
    )  # fmt: skip
    return Scene(strokes, -40.0, -18.0, 46.0, 40.0)


def _wheel(bench: Bench) -> Scene:
    """Draw the wheel as it stands under its pointer."""
    turned = bench.wheel_deg
    strokes: list[Stroke] = [Shape(tuple(arc((0.0, 0.0), 60.0, 0.0, 2 * pi, 72)), "line"), Circle(0.0, 0.0, 9.0, "cut")]
    for at in range(0, 360, 10):
        long = 50.0 if at % 30 == 0 else 55.0
        strokes.append(Line(*on_rim(at - turned, long), *on_rim(at - turned, 60.0), "faint"))
        if at % 30 == 0:
            strokes.append(Words(*on_rim(at - turned, 43.0), str(at), "middle", "small"))
    loose = bench.traps.wheel_deg != 0.0 and bench.has_slipped
    return Scene((*strokes, *wheel_pointer(bent=loose)), -68.0, -66.0, 68.0, 82.0)


def _lobe(bench: Bench) -> Scene:
    """Draw the lobe under its lifter, as far round as the crank has turned it."""
    role = at_position(bench.name).role
    points = []
    for i in range(121):
        cam = 2.0 * pi * i / 120
        crank = bench.crank_deg + 2.0 * cam * 180.0 / pi
        reach = 15.0 + bench.engine.lobe_lift_mm(role, crank)
        points.append((-reach * sin(cam), reach * cos(cam)))
    lift = bench.engine.lobe_lift_mm(role, bench.crank_deg)
    lifter = Box(-10.0, 15.0 + lift, 20.0, 22.0, "line")
    return Scene((Shape(tuple(points), "cut"), Circle(0.0, 0.0, 3.0, "faint"), lifter), -30.0, -30.0, 30.0, 52.0)
