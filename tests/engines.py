"""Small engines for tests, built by the same edits a person makes."""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.demo.engine import demo_book
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Edit, State, StrikeOut, fit_springs, fitment, new_id, reading_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.history import History
from honest_lift.facts.job import AS_BEGUN, Job
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.layout import read_layout
from honest_lift.facts.limits import Limit, default_limits
from honest_lift.facts.parts import Member, Spring, SpringCard, SpringSet
from honest_lift.facts.place import ENGINE, Place, at_position, of_spring
from honest_lift.facts.quantities.bare_head import DEPTHS
from honest_lift.facts.tools import Tool

GAUGE = Tool("gauge", "height_micrometer", "gauge", "length", resolution=0.01, accuracy=0.01, repeatability=0.015)
RULE = Tool("rule", "rule", "rule", "length", resolution=25.4 / 32, accuracy=0.0)
TESTER = Tool(
    "tester", "spring_tester", "tester", "load",
    accuracy_percent=1.0, repeatability_percent=0.5, height_accuracy_mm=0.0,
)  # fmt: skip
SOLID = Tool("solid", "caliper", "caliper", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
MICROMETER = Tool(
    "micrometer", "outside_micrometer", "micrometer", "length", resolution=0.001, accuracy=0.001, repeatability=0.001,
)  # fmt: skip
DEFAULTS = {
    "installed_height/height_micrometer": "gauge", "installed_height/rule": "rule", "spring_load/tester": "tester",
    "bind_height/tester": "solid",
}  # fmt: skip
POINTS = ((48.0, 560.0), (45.0, 722.0), (42.0, 890.0), (39.0, 1066.0), (36.0, 1260.0), (34.0, 1412.0))


def demo() -> Book:
    """Give the demonstration engine under an id of its own, asked for nothing that nobody has begun."""
    book = demo_book(new_id())
    return replace(book, engine=replace(book.engine, job=Job(AS_BEGUN)))


def all_failing() -> Book:
    """Give the demonstration engine held to limits that nothing of it can meet."""
    book = demo()
    never = (
        replace(one, lowest=None, highest=one.highest - 9.0) if one.highest is not None
        else replace(one, lowest=1.5 * one.lowest + 9.0)
        for one in book.engine.limits if one.highest is not None or one.lowest is not None
    )  # fmt: skip
    return replace(book, engine=replace(book.engine, limits=tuple(never)))


SOUND = {
    "seat_contact": "even", "leak_test": "dry", "spring_standing": "floor", "retainer_level": "level", "parts_condition": "reuse",
    "spring_direction": "close coils down",
}  # fmt: skip


def seen(book: Book, quantity: str, place: Place, word: str, note: str = "") -> Reading:
    """Make the reading of an observation."""
    row = CATALOG[quantity]
    value = float(next(i for i, one in enumerate(row.choices) if one.key == word))
    return reading_of(book, quantity, place, value, text=word, unit="", way=row.ways[0].key, note=note)


def without_facts(journal: tuple[AnyEntry, ...]) -> tuple[AnyEntry, ...]:
    """Give entries without what the book says of facts."""
    return tuple(one for one in journal if not isinstance(one, Begun | Edited))


class Bench:
    """An engine at work: `do` edits, `read` readings, `book` as it stands."""

    def __init__(self, layout: str = "head: 1e 1i 2i 2e", lifter: str = "solid roller") -> None:
        names = [position.id for position in read_layout(layout).positions]
        card = SpringCard("card", "card", (Member("outer"),), 45.0, 722.0, 34.0, 1412.0, 33.0)
        engine = Engine(
            new_id(), name="bench", job=Job(AS_BEGUN), layout=read_layout(layout), lifter=lifter, cards=(card,),
            sets=(SpringSet("set", "set", "card", "new", tuple(h for h, _ in POINTS)),),
            springs=tuple(Spring(str(i + 1), "set") for i in range(len(names))),
            head_material="iron", guide_material="iron",
            tools=(GAUGE, RULE, TESTER, SOLID, MICROMETER), default_tools=DEFAULTS,
            limits=(
                Limit("seat", "seat_load", 600.0, 900.0, origin="cam card"),
                Limit("open", "open_load", 1100.0, 1500.0, origin="cam card"),
                *default_limits(),
            ),
        )  # fmt: skip
        self.history = History(Book(engine))
        self.names = names
        places = {name: str(i + 1) for i, name in enumerate(names)}
        self.do(fit_springs(self.engine, places, "springs fitted"))

    @property
    def book(self) -> Book:
        """Give the book as it stands."""
        return self.history.book

    @property
    def engine(self) -> Engine:
        """Give the engine as it stands."""
        return self.history.book.engine

    @property
    def entries(self) -> tuple[AnyEntry, ...]:
        """Give the journal without what it says of facts."""
        return without_facts(self.book.journal)

    def do(self, edit: Edit) -> Bench:
        """Apply an edit."""
        self.history.do(edit)
        return self

    def read(self, quantity: str, place: Place, value: float, way: str, tool: str = "", **more) -> Bench:
        """Take a reading in the inside unit."""
        text, unit = f"{value}", {"spring_load": "N"}.get(quantity, "mm")
        return self.do(
            Confirm((reading_of(self.book, quantity, place, value, text=text, unit=unit, way=way, tool=tool, **more),))
        )

    def height(self, position: str, value: float, way: str = "height_micrometer", **more) -> Bench:
        """Read an installed height."""
        return self.read("installed_height", at_position(position), value, way, **more)

    def spring(self, name: str, points=POINTS, bind: float | None = 32.5, member: str = "") -> Bench:
        """Put a spring on the tester."""
        for height, load in points:
            self.read("spring_load", of_spring(name, member), load, "tester", at={"test_height": height})
        if bind is not None:
            self.read("bind_height", of_spring(name, member), bind, "tester")
        return self

    def strike(self, spring: str) -> Bench:
        """Strike out whatever was read of a spring."""
        for entry in self.book.journal:
            if getattr(entry, "place", None) and entry.place.kind == "spring" and entry.place.name == spring:
                self.do(StrikeOut(entry.id))
        return self

    def state(self, quantity: str, value: float, place: Place = ENGINE, **more) -> Bench:
        """State a fact; one typed anew was always so."""
        return self.do(State((Fact(quantity, place, value, **more),), "corrected"))

    def shims(self, position: str, *thicknesses: float) -> Bench:
        """Fit shims."""
        from honest_lift.facts.edits import Fit

        return self.do(Fit((fitment(self.engine, "shims", position, thicknesses_mm=thicknesses),), "shims"))

    def look(self, quantity: str, place: Place, word: str, note: str = "") -> Bench:
        """Write down what is seen."""
        return self.do(Confirm((seen(self.book, quantity, place, word, note),)))

    def bare_head(self) -> Bench:
        """Measure and look at everything of the bare head and the locks, all alike and in order."""
        self.state("retainer_angle", 7.0).state("lock_angle", 7.0)
        made = []
        for name in self.names:
            bore = 8.05 if name[1] == "i" else 8.06
            given = [("stem_diameter", d, 8.0, "micrometer") for d in DEPTHS]
            given += [("guide_bore", d, bore, "bore_gauge") for d in DEPTHS]
            given += [("valve_margin", "", 1.6, "caliper"), ("stem_tip_height", "", 50.0, "caliper"),
                      ("lock_out", "", 0.2, "depth_gauge"),
                      ("spring_seat_height", "", 0.0, "indicator"), ("spring_seat_runout", "", 0.01, "indicator"),
                      ("retainer_rocker", "", 2.0, "feeler")]  # fmt: skip
            for quantity, depth, value, way in given:
                made.append(reading_of(self.book, quantity, at_position(name, depth), value, text=f"{value}", unit="mm",
                                       way=way, tool="micrometer"))  # fmt: skip
            made += [seen(self.book, quantity, at_position(name), word) for quantity, word in SOUND.items()]
        return self.do(Confirm(tuple(made)))

    def complete(self, height: float = 45.0, lift: float = 9.0) -> Bench:
        """Measure everything at every valve, all alike."""
        self.state("target_height", 45.0).state("lobe_lift", (lift + 0.4) / 1.5, tolerance=0.01)
        self.state("rocker_ratio", 1.5, tolerance=0.003).state("lash", 0.4, tolerance=0.02)
        for i, name in enumerate(self.names):
            self.height(name, height).spring(str(i + 1))
            self.read("free_length", of_spring(str(i + 1)), 56.0, "caliper", "solid")
            self.read("seal_gap", at_position(name), lift + 3.0, "caliper", "solid")
        return self.bare_head()
