"""What a row of the quantity catalog says: a quantity, the ways to measure it, and the words of what is only looked at."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.fitments import Slot
from honest_lift.facts.place import PlaceKind
from honest_lift.numbers.verdict import Verdict


class Choice(Struct, frozen=True):
    """One of the words an observation is written down in, and what it says of the part.

    `needs_reason`: it is only taken with a reason, written behind a colon.
    """

    key: str
    says: str
    verdict: Verdict = Verdict.PASSES
    needs_reason: bool = False


class Asked(Struct, frozen=True):
    """A figure typed beside the entry and read with the same tool: where a burette started. `sign`: how it counts."""

    key: str
    title: str
    sign: int
    usual: str = ""  # what stands there until somebody types another


class Way(Struct, frozen=True):
    """A way to measure a quantity: tools that suit it, what is added to the reading, what it depends on.

    `corrections`: (sign, quantity) to be added to the raw reading. `depends`: slots whose change makes a
    reading taken this way stale; `noted`: slots whose change leaves it standing and makes what follows
    predicted. `sign`: how the entry itself counts, beside what is `asked`. `carried_by`: kinds of tool that
    carried the height to the tester, so that its offset is shared with the height read in the head.
    `squeezes`: the quantity that stood in the tester beside the spring and comes off the height it shows. `on_pushrods`: slots it
    depends on besides where lifters lie in the block and rockers on the head.
    """

    key: str
    title: str
    tools: tuple[str, ...]
    depends: tuple[Slot, ...] = ()
    corrections: tuple[tuple[int, str], ...] = ()
    howto: str = ""
    short: str = ""  # for a narrow column
    noted: tuple[Slot, ...] = ()
    asked: tuple[Asked, ...] = ()
    sign: int = 1
    carried_by: tuple[str, ...] = ()
    squeezes: str = ""
    on_pushrods: tuple[Slot, ...] = ()

    def rests_on(self, gear: str) -> tuple[Slot, ...]:
        """Give the slots whose change makes a reading stale, on an engine of a gear."""
        return self.depends + self.on_pushrods if gear == "pushrod" else self.depends

    @property
    def figures(self) -> int:
        """Give how many figures are read with the tool for one reading."""
        return 1 + len(self.asked)

    def comes_to(self, figure: float, others: dict[str, float]) -> float:
        """Give what the figures of one reading come to, such as a burette's end less its start. KeyError for one missing.

        >>> from honest_lift.facts.catalog import CATALOG
        >>> CATALOG["chamber_volume"].way("burette").comes_to(64.6, {"start": 0.4})
        64.2
        """
        return round(self.sign * figure + sum(one.sign * others[one.key] for one in self.asked), 12)


class Quantity(Struct, frozen=True):
    """A row of the catalog."""

    name: str
    title: str
    symbol: str
    dimension: str
    places: tuple[PlaceKind, ...]
    physical: tuple[float, float]
    plausible: tuple[float, float]
    ways: tuple[Way, ...] = ()
    meaning: str = ""
    caution: str = ""
    at: str = ""  # the coordinate a reading is taken at, as a quantity name
    members: tuple[str, ...] = ()  # parts of the place it is read at one by one: depths of a guide
    page: str = "Cam card"  # of engine and parts, where it is stated
    middle: bool = False  # of five repeats and more the middle one counts, not their mean
    stated_for: tuple[Slot, ...] = ()  # parts a stated figure speaks of, where a reading rests on others
    part: tuple[Slot, ...] = ()  # whose own dimension it is, where its ways and `stated_for` do not say
    ways_alike: bool = True  # all read the same thing as it is; hot and cold, or clay that springs back, do not
    one_a_head: bool = False  # one piece serves all cylinders of a head: what it is off by moves them together
    pair: bool = False  # read between two valves of a cylinder: it rests on the parts of both
    choices: tuple[Choice, ...] = ()  # of an observation: a reading's value is the place of its word, counted from 0

    @property
    def walked_at(self) -> PlaceKind:
        """Give the kind of place one walks along to read it: a spring, a cylinder, else a valve."""
        return "spring" if "spring" in self.places else "cylinder" if "cylinder" in self.places else "position"

    @property
    def ways_compare(self) -> bool:
        """Tell whether what two ways read can be held against each other as it was read, with nothing added or taken off."""
        return self.ways_alike and not any(way.corrections for way in self.ways)

    @property
    def speaks_of(self) -> tuple[Slot, ...]:
        """Give the parts whose own dimension a stated figure of it is; none for a target, or what somebody chose."""
        by_ways = self.ways[0].depends[:1] if self.ways else ()
        return self.part or self.stated_for or by_ways

    def way(self, key: str) -> Way | None:
        """Find a way by its key."""
        return next((way for way in self.ways if way.key == key), None)
