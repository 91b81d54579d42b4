"""The pages of a build sheet that are drawn: heads, springs, cam, geometry, clearances, compression, speed.

Each shows the valve that stands worst there, and says which it is. Drawings are SVG, so that paper has them as lines.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from math import inf, isfinite

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.drawings.chart import Chart
from honest_lift.drawings.head.head_map import MapValve, head_map_scene
from honest_lift.drawings.scene import Scene
from honest_lift.estimates.clearance.piston_valve import piston_to_valve
from honest_lift.estimates.cylinder.clearance_volume import left_over
from honest_lift.estimates.cylinder.dynamic_ratio import dynamic_ratio
from honest_lift.estimates.rocker.gear import rocker_of
from honest_lift.estimates.train.turn import crank_of, turns_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title
from honest_lift.sheets.chart_svg import chart_svg
from honest_lift.sheets.shapes import SHAPES
from honest_lift.sheets.svg import scene_svg
from honest_lift.words.cam.turn import CHECK_MM, cam_words
from honest_lift.words.cam.turn_figures import chart_of_turn
from honest_lift.words.clearance.turn_scene import curves_chart
from honest_lift.words.clearance.turned import tightest_words, window_words
from honest_lift.words.cylinder.chambers import chamber_words
from honest_lift.words.cylinder.left_over_drawn import left_over_drawn
from honest_lift.words.rocker.gear import rocker_words, seen_words
from honest_lift.words.rocker.side_drawn import side_drawn
from honest_lift.words.spring.load_drawn import load_curve_drawn
from honest_lift.words.spring.spring_drawn import heights_drawn, spring_drawn
from honest_lift.words.train.speed import ground_words, loss_words, speed_words
from honest_lift.words.train.speed_charts import chart_of_sweep
from honest_lift.words.train.train_scene import CylinderTurned


class Drawn(Struct, frozen=True):
    """A drawing. `title` is empty where it stands in the drawing itself. `wide`, `high`: in points, as it stands on paper."""

    key: str
    title: str
    svg: str
    wide: float
    high: float


class Page(Struct, frozen=True):
    """A page: its title, its drawings, and what is told under them."""

    title: str
    drawings: tuple[Drawn, ...]
    lines: tuple[str, ...] = ()


def pages_of(book: Book, seen: Examination) -> Iterator[Page]:
    """Give the pages one by one, so that whoever waits can be told how far it is; those of which nothing is asked are left out."""
    yield Page("The heads", (_scene("heads", "The heads", head_map(book, seen), 620.0, 40.0 + 130.0 * _rows(book)),))
    if not book.engine.layout.positions:
        return
    for make in (_springs, _cam, _geometry, _clearances, _compression, _speed):
        page = make(book, seen)
        if page is not None:
            yield page


def head_map(book: Book, seen: Examination) -> Scene:
    """Draw the heads with the worst verdict of every valve."""
    return head_map_scene([
        (head.name, [MapValve(one.id, one.role, SHAPES[seen.verdict(one.id)], seen.verdict(one.id).word) for one in head.positions])
        for head in book.engine.layout.heads
    ])  # fmt: skip


def worst_at(book: Book, seen: Examination, *checks: str) -> str:
    """Give the valve with the worst verdict of some checks that have a figure there, of equals the one with the least margin.

    "" without a valve. What was not measured can't be drawn; the tables and the cover tell of it.
    """
    names = [one.id for one in book.engine.layout.positions]

    def badness(name: str) -> tuple[int, float]:
        every = (seen.finding(check, name) for check in checks)
        found = [one for one in every if one is not None and isfinite(one.figure)]
        worst = max((one.verdict for one in found), default=-1)
        least = min((one.margin for one in found if one.verdict == worst and isfinite(one.margin)), default=inf)
        return int(worst), -least

    return max(names, key=badness, default="")


def _rows(book: Book) -> int:
    return max(len(book.engine.layout.heads), 1)


def _scene(key: str, title: str, scene: Scene, wide: float, high: float) -> Drawn:
    return Drawn(key, title, scene_svg([(high, scene)], wide), wide, high)


def _chart(key: str, chart: Chart, wide: float = 520.0, high: float = 230.0) -> Drawn:
    return Drawn(key, "", chart_svg(chart, wide, high), wide, high)


def _found(seen: Examination) -> Callable[[str, str], Finding | None]:
    return lambda check, position: seen.finding(check, position)


def _shown(position: str) -> str:
    return f"Shown: {position_title(position)}, the worst of what is measured here."


def _springs(book: Book, seen: Examination) -> Page:
    engine = book.engine
    at = worst_at(book, seen, "coil_bind_clearance", "seat_load", "open_load", "installed_height")
    drawings = [
        _scene("spring", f"Spring at {at}", spring_drawn(engine, seen, at), 330.0, 185.0),
        _scene("heights", "Every installed height", heights_drawn(engine, seen, at), 330.0, 120.0),
    ]
    if spring := engine.spring_at(at):
        drawings.append(_chart("load", load_curve_drawn(book, spring)))
    return Page("Springs and heights", tuple(drawings), (_shown(at),))


def _cam(book: Book, seen: Examination) -> Page | None:
    at = worst_at(book, seen, "piston_valve", "coil_bind_clearance")
    turns = turns_of(book, at)
    if not any(one.valve for one in turns.values()):
        return None
    chart = chart_of_turn(turns, crank_of(book), "lift", book.engine.unit("length"), CHECK_MM)
    return Page("Cam and lift", (_chart("lift", chart, high=260.0),), (_shown(at), *cam_words(book, turns, CHECK_MM)))


def _geometry(book: Book, seen: Examination) -> Page | None:
    at = worst_at(book, seen, "mark_centre", "mark_width")
    rocker = rocker_of(book, at_position(at).role, at)
    if rocker.gear is None:
        return None
    role = at_position(at).role
    drawing = _scene("rocker", f"Valve gear at {at}, half lift", side_drawn(book, rocker, 0.5), 420.0, 210.0)
    return Page("Geometry", (drawing,), (_shown(at), *rocker_words(book, rocker), *seen_words(book, role, at)))


def _clearances(book: Book, seen: Examination) -> Page | None:
    at = worst_at(book, seen, "piston_valve", "valve_to_valve")
    own = book.engine.position(at)
    found = {
        one: finding for one in _of_cylinder(book, at) if (finding := seen.finding("piston_valve", one)) is not None
    }
    if own is None or not found:
        return None
    chart = curves_chart(
        book, _of_cylinder(book, at), piston_to_valve(book), found, "nothing is measured towards it yet"
    )
    turned = CylinderTurned(book, _of_cylinder(book, at), _found(seen))
    nearest = turned.tightest_deg(at)
    train = turned.train(at, nearest or 0.0, "its lobe is not known yet")
    drawings = (
        _chart("clearance", chart),
        _scene("train", f"Valve train at {at}, where it comes nearest", train, 330.0, 270.0),
    )
    told = (
        _shown(at),
        tightest_words(book, at, seen.by_position[at]),
        window_words(book, _of_cylinder(book, at), found),
    )
    return Page("Clearances", drawings, tuple(one for one in told if one))


def _of_cylinder(book: Book, at: str) -> tuple[str, ...]:
    own = book.engine.position(at)
    return tuple(one.id for one in book.engine.layout.positions if own is not None and one.cylinder == own.cylinder)


def _compression(book: Book, seen: Examination) -> Page | None:
    at = worst_at(book, seen, "compression", "chamber_spread", "squish")
    own = book.engine.position(at)
    if own is None or seen.finding("compression", at) is None:
        return None
    whole = left_over(book)
    drawing = left_over_drawn(book.engine, whole, str(own.cylinder))
    told = chamber_words(book, whole, dynamic_ratio(book, whole))
    return Page("Compression", (_scene("compression", f"Cylinder {own.cylinder}", drawing, 420.0, 170.0),), told)


def _speed(book: Book, seen: Examination) -> Page | None:
    moved, at = seen.moved, worst_at(book, seen, "flexible_float", "bounce_margin")
    if moved is None or at not in moved.valves.names:
        return None
    case, found = moved.valves.names.index(at), seen.finding("flexible_float", at)
    words = speed_words(moved, case, found.verdict if found else None)
    chart = chart_of_sweep(moved, case, book.engine.unit("length"), words)
    told = (_shown(at), words, *ground_words(moved, case), loss_words(moved, case))
    return Page("Speed", (_chart("sweep", chart, high=270.0),), tuple(one for one in told if one))
