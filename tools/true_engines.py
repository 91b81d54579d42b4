"""How often what is said of an engine is true of it: hidden engines, measured as a person would, checked, and held to the truth.

    PYTHONPATH=tests python tools/true_engines.py [engines a kind]

Of every kind of engine many are drawn: parts that differ from one another, tools off within their cards, readings rounded as
they are typed, springs that are straight, kinked or tapered, pressed at two, three or five heights, testers calibrated or not,
one gasket measured for all, mock-ups and clay. The table it prints stands in docs/validation.md: the share of figures whose doubt
covers the truth, and the share of bad truths that pass.
"""

from __future__ import annotations

import sys
from collections import defaultdict
from collections.abc import Callable
from math import pi

import numpy as np
from msgspec.structs import replace
from numpy.random import Generator

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.finding import Finding
from honest_lift.facts.calibrations import Calibration, CertifiedPoint, ReferenceSpring
from honest_lift.facts.edits import Confirm, Describe, Put, Several, State, reading_of
from honest_lift.facts.fact import Fact
from honest_lift.facts.limits import Limit
from honest_lift.facts.parts import SpringSet
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, of_reference, of_spring
from honest_lift.facts.tools import Tool
from honest_lift.mechanics.spring.spring_set import yardstick
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

LAYOUTS = {
    "pushrod V8": ("left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e", "pushrod"),
    "bucket four": ("head: 1e 1i 2i 2e 3e 3i 4i 4e", "bucket"),
    "finger six": ("head: 1e 1i 2i 2e 3e 3i 4i 4e 5e 5i 6i 6e", "finger follower"),
    "twin": ("front: 1e 1i\nrear: 2i 2e", "pushrod"),
}
_HEIGHTS = {2: (46.5, 35.0), 3: (46.5, 41.0, 35.0), 5: (48.0, 46.0, 42.0, 38.0, 34.5)}
Truths = dict[tuple[str, str], float]


class Hand:
    """Reads true values with tools whose offsets were drawn within their cards, and writes the readings down."""

    def __init__(self, bench: Bench, rng: Generator) -> None:
        self.bench, self.rng, self.made = bench, rng, []
        self.tools = {
            "gauge": Tool("gauge", "height_micrometer", "gauge", "length", resolution=0.01, accuracy=0.02, repeatability=0.012),
            "caliper": Tool("caliper", "caliper", "caliper", "length", resolution=0.02, accuracy=0.03, repeatability=0.015),
            "dial": Tool("dial", "indicator", "dial", "length", resolution=0.01, accuracy=0.015, repeatability=0.007),
            "mike": Tool("mike", "outside_micrometer", "mike", "length", resolution=0.01, accuracy=0.004, repeatability=0.003),
            "burette": Tool("burette", "burette", "burette", "volume", resolution=0.2, accuracy=0.2, repeatability=0.1),
            "tester": Tool("tester", "spring_tester", "tester", "load", resolution=2.0, accuracy_percent=1.0,
                           repeatability_percent=0.4, height_accuracy_mm=0.04),
        }  # fmt: skip
        self.off = {
            name: rng.uniform(-1, 1)
            * (one.accuracy if one.accuracy is not None else (one.accuracy_percent or 0.0) / 100.0)
            for name, one in self.tools.items()
        }
        self.stop = rng.uniform(-1, 1) * 0.04
        bench.do(Several(tuple(Put("tools", one) for one in self.tools.values()), "tools"))

    def shown(self, tool: str, true: float) -> float:
        """Give what a tool shows of a true value: off, scattered, rounded to its step."""
        one = self.tools[tool]
        share = one.accuracy_percent is not None
        scatter = (one.repeatability_percent or 0.0) / 100.0 * true if share else one.repeatability or 0.0
        read = true + (self.off[tool] * true if share else self.off[tool]) + self.rng.normal(0.0, scatter)
        return float(np.round(read / one.resolution) * one.resolution)

    def read(self, quantity: str, place: Place, true: float, way: str, tool: str, **more) -> None:
        """Write a reading down; a burette is read at both ends."""
        value = self.shown(tool, true)
        if tool == "burette":
            begin = self.rng.uniform(0.0, 2.0)
            value = self.shown(tool, begin + true) - self.shown(tool, begin) + self.off[tool]
            more["also"] = {"start": "0"}
        text = f"{value:.6g}"
        self.made.append(
            reading_of(self.bench.book, quantity, place, float(text), text=text, unit="mm", way=way, tool=tool, **more)
        )

    def written(self) -> None:
        """Take everything that was written down as one edit."""
        self.bench.do(Confirm(tuple(self.made)))
        self.made = []


def spring_of(rng: Generator, form: str) -> Callable[[float], float]:
    """Give a spring's true load, N, at a height: its rate stays, steps up once, or glides up, by half at the most."""
    free, rate = 57.0 + rng.normal(0, 0.15), 58.0 * (1 + rng.normal(0, 0.012))
    kink, step = rng.uniform(36.0, 46.0), rng.uniform(0.15, 0.5)

    def load(height: float) -> float:
        pressed = max(free - height, 0.0)
        more = (
            step * max(kink - height, 0.0)
            if form == "kinked"
            else step * pressed**2 / 60.0
            if form == "tapered"
            else 0.0
        )
        return float(rate * (pressed + more))

    return load


def draw(kind: str, rng: Generator) -> tuple[Bench, Truths]:
    """Draw an engine and measure it: the bench, and the truth of every finding by check and place."""
    layout, gear = LAYOUTS[kind]
    bench = Bench(layout, lifter="solid roller").do(Describe({"gear": gear, "rod_material": "steel"}, "gear"))
    hand, truths = Hand(bench, rng), Truths()
    lifts = _lifts(hand, gear, rng)
    _springs(hand, lifts, truths, rng)
    _squeeze(hand, truths, rng)
    _mock_ups(hand, truths, rng)
    hand.written()
    return bench, truths


def _state(bench: Bench, **figures: tuple[float, float]) -> None:
    bench.do(
        State(tuple(Fact(name, ENGINE, value, tolerance=tolerance) for name, (value, tolerance) in figures.items()))
    )


def _lifts(hand: Hand, gear: str, rng: Generator) -> dict[str, float]:
    """Give each valve's true lift: stated parts that differ within their tolerance, or read at the retainer."""
    bench, ratio = hand.bench, {"pushrod": 1.5, "bucket": 1.0, "finger follower": 1.8}[gear]
    lobe, read = 10.0 / ratio, rng.random() < 0.5
    _state(bench, lobe_lift=(lobe, 0.05), lash=(0.3, 0.04), target_height=(45.0, 0.0))
    if gear != "bucket":
        _state(bench, rocker_ratio=(ratio, 0.01 * ratio))
    found = {}
    for name in bench.names:
        own = ratio * (1 + rng.uniform(-0.01, 0.01) * (gear != "bucket"))
        found[name] = (lobe + rng.uniform(-0.05, 0.05)) * own - (0.3 + rng.uniform(-0.04, 0.04))
        if read:
            hand.read("valve_lift", at_position(name), found[name], "indicator", "dial")
    return found


def _springs(hand: Hand, lifts: dict[str, float], truths: Truths, rng: Generator) -> None:
    bench, count = hand.bench, int(rng.choice(list(_HEIGHTS)))
    form = str(rng.choice(["linear", "kinked", "tapered"]))
    heights = _HEIGHTS[count]
    card = replace(bench.engine.cards[0], form="linear" if form == "linear" and rng.random() < 0.5 else "")
    bench.do(Several((Put("cards", card), Put("sets", SpringSet("set", "set", "card", "new", heights))), "cards"))
    if rng.random() < 0.5:
        _calibrate(hand)
    loads = {}
    for i, name in enumerate(bench.names):
        spring, load = str(i + 1), spring_of(rng, form)
        height, bind, gap = (
            45.0 + rng.normal(0, 0.2),
            33.0 + rng.normal(0, 0.2),
            lifts[name] + 1.5 + rng.normal(0, 0.15),
        )
        hand.read("installed_height", at_position(name), height, "height_micrometer", "gauge")
        hand.read("bind_height", of_spring(spring), bind, "tester", "caliper")
        hand.read("seal_gap", at_position(name), gap, "caliper", "caliper")
        for at in heights:
            hand.read(
                "spring_load", of_spring(spring), load(at + hand.stop), "tester", "tester", at={"test_height": at}
            )
        opened = height - lifts[name]
        truths |= {
            ("installed_height", name): height, ("coil_bind_clearance", name): opened - bind, ("seat_load", name): load(height),
            ("open_load", name): load(opened), ("retainer_seal", name): gap - lifts[name],
        }  # fmt: skip
        loads[name] = load(card.seat_height_mm or 45.0)
    _in_set(bench, loads, truths)


def _in_set(bench: Bench, loads: dict[str, float], truths: Truths) -> None:
    values = np.array(list(loads.values()))
    roles = np.array([1 if at_position(name).role == "intake" else 2 for name in loads])
    against = float(yardstick(values, roles))
    for name, load in loads.items():
        truths["set_share", name] = 100.0 * load / against
        truths["set_spread", name] = 100.0 * float(np.ptp(values)) / float(np.median(values))


def _calibrate(hand: Hand) -> None:
    """Hold the tester against two reference springs of different rate, four loads each."""
    made = []
    for name, rate in (("soft", 35.0), ("stiff", 90.0)):
        points = tuple(CertifiedPoint(70.0 - load / rate, load) for load in (450.0, 800.0, 1200.0, 1500.0))
        hand.bench.do(Put("references", ReferenceSpring(name, name, points, plus_minus_n=1.0)))
        for one in points:
            true = one.load_n - rate * hand.stop
            hand.read("reference_load", of_reference(name), true, "tester", "tester", at={"test_height": one.height_mm})
            made.append(hand.made[-1].id)
    hand.bench.do(Put("calibrations", Calibration("cal", "tester", "2020-01-01T00:00:00Z", readings=tuple(made))))


def _squeeze(hand: Hand, truths: Truths, rng: Generator) -> None:
    """Pour the chambers, read decks at two points, one gasket for all; pistons are stated."""
    bench = hand.bench
    _state(bench, bore=(92.0, 0.02), stroke=(86.0, 0.03), gasket_bore=(94.0, 0.2), piston_volume=(4.0, 0.3),
           crevice_volume=(0.5, 0.0))  # fmt: skip
    gaskets = {head.name: 1.0 + rng.normal(0, 0.015) for head in bench.engine.layout.heads}
    hand.read(
        "gasket_thickness", ENGINE, gaskets[bench.engine.layout.heads[0].name] + rng.normal(0, 0.015), "caliper", "mike"
    )
    pours, ratios, chambers, decks = int(rng.integers(1, 3)), {}, {}, {}
    for cylinder in map(str, bench.engine.layout.cylinders):
        head = bench.engine.layout.head_of_cylinder(cylinder)
        chambers[cylinder], decks[cylinder] = 52.0 + rng.normal(0, 0.35), 0.1 + rng.normal(0, 0.03)
        for pour in range(pours):
            hand.read(
                "chamber_volume", at_cylinder(cylinder), chambers[cylinder], "burette", "burette", repeat=pour > 0
            )
        rock = rng.normal(0, 0.05)
        for point, side in (("thrust side", 1), ("other side", -1)):
            hand.read(
                "deck_clearance", at_cylinder(cylinder, point), decks[cylinder] + side * rock, "indicator", "dial"
            )
        bore, stroke = 92.0 + rng.uniform(-0.02, 0.02), 86.0 + rng.uniform(-0.03, 0.03)
        opening, dish = 94.0 + rng.uniform(-0.2, 0.2), 4.0 + rng.uniform(-0.3, 0.3)
        swept = pi / 4 * bore**2 * stroke / 1000
        left = (
            chambers[cylinder] + pi / 4 * (opening**2 * gaskets[head] + bore**2 * decks[cylinder]) / 1000 + dish + 0.5
        )
        ratios[cylinder] = (swept + left) / left
        truths["squish", cylinder] = decks[cylinder] + gaskets[head]
        truths["compression", cylinder] = ratios[cylinder]
    for cylinder in ratios:
        truths["compression_spread", cylinder] = ratios[cylinder] - min(ratios.values())
        truths["chamber_spread", cylinder] = chambers[cylinder] - min(chambers.values())


def _mock_ups(hand: Hand, truths: Truths, rng: Generator) -> None:
    """Read heads against each other at the TDC lifts, beside which they come nearer, and squish by clay that springs back."""
    for name in hand.bench.names:
        if at_position(name).role == "intake":
            at_tdc, nearer = 2.0 + rng.normal(0, 0.4), 1.5 * rng.random() * rng.random()
            hand.read("valve_to_valve", at_position(name), at_tdc, "feeler", "caliper")
            truths["valve_to_valve", name] = at_tdc - nearer
    if rng.random() < 0.5:
        for cylinder in map(str, hand.bench.engine.layout.cylinders):
            thick = truths["squish", cylinder] + rng.uniform(0.0, 0.38)
            hand.read("squish", at_cylinder(cylinder), thick, "clay", "caliper")


def limit_all(bench: Bench, truths: Truths, rng: Generator) -> None:
    """State limits near the truth, so that a good part of the engine is bad."""
    by_check = defaultdict(list)
    for (check, _), true in truths.items():
        by_check[check].append(true)
    for check, values in by_check.items():
        for old in [one for one in bench.engine.limits if one.check == check]:
            bench.do(Put("limits", replace(old, lowest=None, highest=None)))
        spread = max(float(np.std(values)), 1e-6 * abs(float(np.mean(values))))
        edge = float(np.mean(values)) + rng.normal(0, 1.0) * spread
        about = 45.0 if check == "installed_height" else 0.0
        most = check.endswith("spread")
        bench.do(Put("limits", Limit(f"sim-{check}", check, None if most else edge - about, edge - about if most else None, 1.0,
                                     origin="cam card")))  # fmt: skip


def judged(kind: str, rng: Generator) -> list[tuple[str, bool, bool, bool, bool]]:
    """Give, for every finding with a figure: check, whether its doubt covers the truth, passes, is truly bad, is barred."""
    bench, truths = draw(kind, rng)
    limit_all(bench, truths, rng)
    found = []
    for one in examine(bench.book).findings:
        where = one.place.name if one.place.kind == "cylinder" else one.position
        true = truths.get((one.check.name, where))
        if true is None or one.figure != one.figure:
            continue
        bad = bool(true < one.lowest if one.lowest == one.lowest else true > one.highest)
        found.append(
            (one.check.name, covers(one, true), one.verdict is Verdict.PASSES, bad, one.verdict is Verdict.UNPROVEN)
        )
    return found


def covers(one: Finding, true: float) -> bool:
    """Tell whether a truth lies within a figure's doubt, or where it is assumed within its range and the doubt beyond that."""
    off, room = true - one.figure, one.expanded + 1e-9
    if one.ground & Ground.ASSUMED:
        return one.least - one.margin - room <= off <= one.most - one.margin + room
    return abs(off) <= room


def table(engines: int, seed: int = 1) -> dict[str, tuple[int, float, float, float]]:
    """Give by check: how many figures, the share covered, the share of bad truths that pass, the share that is unproven."""
    rng, rows = np.random.default_rng(seed), defaultdict(list)
    for kind in LAYOUTS:
        for _ in range(engines):
            for check, *told in judged(kind, rng):
                rows[check].append(told)
    made = {}
    for check, told in rows.items():
        covers, passes, bad, unproven = np.array(told, dtype=bool).T
        made[check] = (
            len(covers),
            float(covers.mean()),
            float((passes & bad).sum() / max(bad.sum(), 1)),
            float(unproven.mean()),
        )
    return made


if __name__ == "__main__":
    print("| check | figures | covered | bad ones that pass | unproven |\n| --- | --- | --- | --- | --- |")
    for check, (count, covered, passed, unproven) in table(int(sys.argv[1]) if len(sys.argv) > 1 else 50).items():
        print(
            f"| {check} | {count} | {100 * covered:.1f} % | {100 * passed:.1f} % | {100 * unproven:.0f} % |", flush=True
        )
