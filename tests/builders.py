"""Scripted builders at the simulated bench: one who measures by the book, and one who checks two springs and two heights."""

from __future__ import annotations

from honest_lift.facts.calibrations import Calibration
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Put, reading_of
from honest_lift.facts.history import History
from honest_lift.facts.place import at_position, of_reference
from honest_lift.gauges.bench.bench import MEASURES
from honest_lift.gauges.bench.kinds import CERTIFIED_MM, REFERENCE
from honest_lift.gauges.practice.begin import starting_book
from honest_lift.gauges.practice.case import bench_of
from honest_lift.gauges.practice.judge import Claim, judge
from honest_lift.gauges.practice.truth import WAYS, place_of
from honest_lift.numbers.units import to_inside

# What an eye that meets something names, and what it does about it at once.
MEETS = {
    "even coils": ("spring", ""), "upside down": ("spring", ""), "thicker wire": ("", ""), "no spacer": ("spacer", ""),
    "dished": ("retainer", ""), "lock stands out": ("lock", ""), "wet port": ("seat", ""), "broken ring": ("seat", ""),
    "thin margin": ("valve", ""), "ledge": ("pocket", ""),
    "worn tip": ("valve", ""), "worn wipe": ("follower", ""), "mark outboard": ("", ""),
    "retainer in the stack": ("tester", "stack"),
    "shims in the pocket": ("shims", "shims {0}"), "pointer bent": ("", ""), "bubble": ("pour", "bubble {0}"),
    "plug too deep": ("pour", "plug {0}"), "head not down": ("clay", "clay"), "clay curled": ("clay", "clay"),
    "gasket print": ("gasket", ""), "pushrod bowed": ("pushrod", "pushrod"), "lifter down": ("lifter", "lifter {0}"),
}  # fmt: skip
BENCH = ("tester", "wheel", "clay", "pushrod")


class Builder:
    """Measures a case over the bench's own lines, and writes it into a book."""

    def __init__(self, case):
        self.case, self.bench = case, bench_of(case)
        self.history = History(starting_book(case))
        self.claims = set()

    @property
    def book(self):
        return self.history.book

    def judged(self):
        return judge(
            self.case, self.bench, self.book, tuple(sorted(self.claims, key=lambda one: (one.part, one.place)))
        )

    # --- measuring ---

    def heard(self, sent):
        """Understand a line as the program does."""
        tool = self.bench.tools[sent.tool]
        shown = tool.instrument("").pattern.read(sent.line)
        return shown, to_inside(shown.value, tool.card.dimension, shown.unit)

    def tool_of(self, quantity):
        return next(name for name, own in MEASURES.items() if quantity in own)

    def read(self, quantity, name, way="", height=0.0):
        tool, row = self.tool_of(quantity), CATALOG[quantity]
        self.bench.take_up(tool, quantity, name)
        if height:
            self.bench.press(height)
        shown, value = self.heard(self.bench.send())
        place = of_reference(name) if quantity == "reference_load" else place_of(quantity, name)
        reading = reading_of(
            self.book, quantity, place, value, text=shown.text, unit=shown.unit,
            way=way or WAYS.get(quantity, row.ways[0].key), tool=self.bench.tools[tool].card.id,
            at={"test_height": height} if height else {}, also={"start": "0"} if quantity == "chamber_volume" else {},
        )  # fmt: skip
        self.history.do(Confirm((reading,)))
        return reading

    def measure(self, quantity, names=None):
        for name in names or self.bench.places(quantity):
            for height in self.bench.pressed_at() if quantity == "spring_load" else (0.0,):
                self.read(quantity, name, height=height)

    # --- by the book ---

    def by_the_book(self):
        self.look()
        self.close_every_tool()
        if "spring_load" in self.case.measure:
            self.hold_against_the_reference()
        if "lobe" in self.case.measure:
            self.walk_a_lobe()
        for quantity in self.case.measure:
            if quantity not in ("lobe", "locator_thickness", "gasket_thickness"):
                self.measure(quantity)
        return self

    def look(self):
        for name in (*self.bench.engine.fitted, *{one[:-1]: 1 for one in self.bench.engine.fitted}, *BENCH):
            for word in self.bench.engine.seen.get(name, ()):
                part, undo = MEETS[word]
                if part:
                    self.claims.add(Claim(part, "" if name in BENCH else name))
                if undo:
                    self.bench.put_right(undo.format(name))
        for name in self.bench.engine.fitted:
            seen = self.bench.engine.seen.get(name, ())
            for quantity, bad, good, mark in (("leak_test", "weeping", "dry", "wet port"),
                                              ("seat_contact", "broken", "even", "broken ring"),
                                              ("spring_direction", "upside down", "close coils down", "upside down"),
                                              ("spring_standing", "ledge", "floor", "ledge")):  # fmt: skip
                word = bad if mark in seen else good
                value = float([one.key for one in CATALOG[quantity].choices].index(word))
                way = CATALOG[quantity].ways[0].key
                self.history.do(
                    Confirm((reading_of(self.book, quantity, at_position(name), value, text=word, unit="", way=way),))
                )

    def close_every_tool(self):
        for name, tool in self.bench.tools.items():
            if tool.is_load or name == "degree wheel":
                continue
            self.bench.tool = name
            _, shown = self.heard(self.bench.close_tool())
            if abs(shown) > 3.0 * tool.card.accuracy:
                self.claims.add(Claim({"height micrometer": "micrometer"}[name]))
            self.bench.put_right(f"zero {name}")

    def hold_against_the_reference(self):
        made = [self.read("reference_load", "ref", height=height) for height in CERTIFIED_MM]
        off = [one.value / REFERENCE.load_n(one.at["test_height"]) - 1.0 for one in made]
        if max(map(abs, off)) > 0.03:
            self.claims.add(Claim("tester"))
            self.bench.put_right("recalibrate spring tester")
            made = [self.read("reference_load", "ref", height=height) for height in CERTIFIED_MM]
        self.history.do(
            Put("calibrations", Calibration("cal", self.bench.tools["spring tester"].card.id, made[-1].when,
                                            readings=tuple(one.id for one in made)))
        )  # fmt: skip

    def walk_a_lobe(self):
        before = self.bench.stops()
        self.bench.take_up("degree wheel", "lobe", self.bench.places("lobe")[0])
        for at in range(-20, 240, 20):
            self.bench.turn(float(at))
            self.bench.send()
        if self.bench.stops() != before:
            self.claims.add(Claim("degree wheel"))

    # --- in a hurry ---

    def two_springs_and_two_heights(self):
        for quantity in self.case.measure:
            if quantity not in ("lobe", "locator_thickness", "gasket_thickness"):
                self.measure(quantity, self.bench.places(quantity)[:2])
        return self
