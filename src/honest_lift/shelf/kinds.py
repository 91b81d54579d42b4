"""The kinds of parts on the shelf, and the columns of each: what a maker's list says of a part.

Lengths in mm, loads in N, masses in kg, angles in degrees inside; a column's header in a file carries its unit.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.numbers.units import units_of

TEXT, FLAG = "text", "yes or no"


class Column(Struct, frozen=True):
    """A column: its key in files, its title, its dimension (or text, or yes and no), its range inside, and what it means."""

    key: str
    title: str
    dimension: str
    inside: tuple[float, float] = (0.0, 0.0)
    needed: bool = False
    meaning: str = ""

    @property
    def is_figure(self) -> bool:
        """Tell whether it holds a figure."""
        return self.dimension not in (TEXT, FLAG)

    @property
    def has_unit(self) -> bool:
        """Tell whether its header has to say a unit."""
        return self.is_figure and any(one.symbol for one in units_of(self.dimension))


class PartKind(Struct, frozen=True):
    """A kind of part: the key of its file, its titles, and its columns after number and name."""

    key: str
    title: str
    one: str
    columns: tuple[Column, ...]

    def column(self, key: str) -> Column | None:
        """Find a column by its key."""
        return next((one for one in self.columns if one.key == key), None)


NUMBER = Column("number", "part number", TEXT, needed=True, meaning="Told once a shelf and kind.")
NAME = Column("name", "name", TEXT, meaning="What people call it.")
MOST_LETTERS = 120  # of a text


def _mm(key: str, title: str, low: float, high: float, meaning: str = "", *, needed: bool = False) -> Column:
    return Column(key, title, "length", (low, high), needed, meaning)


def _grams(key: str, title: str, high_kg: float, meaning: str = "") -> Column:
    return Column(key, title, "mass", (0.0, high_kg), False, meaning)


_ANGLE = Column(
    "angle", "taper, to the stem", "angle", (2.0, 30.0), True, "The taper's own angle: 7 and 10 degrees are usual."
)
_OFFSET = _mm("offset", "over standard height", -5.0, 5.0, "How much higher the spring's step is; none is 0.")
_STEM = _mm("stem", "stem", 3.0, 20.0, "Stem diameter at the locks.", needed=True)

PARTS: dict[str, PartKind] = {
    one.key: one
    for one in (
        PartKind("springs", "Springs", "spring", (
            _mm("seat_height", "seat height", 15.0, 90.0, "Height of the load with the valve shut.", needed=True),
            Column("seat_load", "seat load", "load", (20.0, 5000.0), True, "Load at the seat height."),
            _mm("open_height", "open height", 10.0, 85.0, "A lower height the maker states a load at.", needed=True),
            Column("open_load", "open load", "load", (50.0, 12000.0), True, "Load at the open height."),
            _mm("bind_height", "bind height", 8.0, 80.0, "Height at which its coils are solid.", needed=True),
            _mm("most_lift", "max lift", 2.0, 30.0, "The max valve lift its maker allows."),
            _mm("free_length", "free length", 20.0, 130.0),
            _mm("outside", "outside, at its foot", 10.0, 80.0, "Across its widest coil, at the head.", needed=True),
            _mm("inside", "inside, at its foot", 5.0, 75.0, "Within its innermost member, over the boss or locator.", needed=True),
            _mm("top_outside", "outside, at its top", 8.0, 80.0, "Of a tapered one; as at its foot where blank."),
            _mm("top_inside", "inside of the outer, at its top", 5.0, 75.0, "What the retainer's step goes into.", needed=True),
            Column("members", "members", "ratio", (1.0, 3.0), True, "Coils in the nest: 1, 2 or 3."),
            _grams("mass", "mass", 1.0),
            _mm("wire", "wire of the outer", 1.0, 15.0), _mm("mean_diameter", "mean diameter of the outer", 6.0, 75.0),
            Column("coils", "coils", "ratio", (2.0, 20.0)), Column("active_coils", "active coils", "ratio", (1.0, 18.0)),
            Column("peened", "shot peened", FLAG),
        )),
        PartKind("retainers", "Retainers", "retainer", (
            _ANGLE,
            _mm("spigot", "step inside the spring", 5.0, 75.0, "Across the step that centres the outer spring.", needed=True),
            _mm("covers", "for springs up to", 8.0, 80.0, "The widest spring it carries, outside at its top.", needed=True),
            Column("members", "members", "ratio", (1.0, 3.0), True, "Springs it seats."),
            _OFFSET, _mm("under", "underside under its step", -5.0, 30.0, "How far it reaches below the spring's step."),
            _grams("mass", "mass", 0.2),
        )),
        PartKind("locks", "Locks", "pair of locks", (_ANGLE, _STEM, _OFFSET, _mm("length", "length", 2.0, 25.0),
                                                     _grams("mass", "mass of the pair", 0.1))),
        PartKind("locators", "Locators and cups", "locator", (
            _mm("thickness", "thickness under the spring", 0.1, 10.0, needed=True),
            _mm("spigot", "step inside the spring", 5.0, 75.0), _mm("cup", "cup outside the spring", 8.0, 90.0),
            _mm("hole", "hole over the guide", 5.0, 60.0),
        )),
        PartKind("seals", "Seals", "seal", (
            _mm("guide", "for guides of", 5.0, 40.0, needed=True), _STEM,
            _mm("outside", "outside", 6.0, 50.0), _mm("height", "over the guide", 0.0, 25.0),
        )),
        PartKind("valves", "Valves", "valve", (
            _mm("head", "head", 15.0, 90.0, needed=True), _STEM, _mm("length", "length", 40.0, 300.0, needed=True),
            _mm("tip_to_groove", "tip to groove", 1.0, 30.0), _mm("margin", "margin", 0.1, 5.0), _grams("mass", "mass", 1.5),
        )),
        PartKind("rockers", "Rockers", "rocker", (
            Column("ratio", "ratio", "ratio", (0.8, 2.6), True), _mm("arm", "valve arm", 15.0, 80.0),
            _grams("at_valve", "mass at the valve", 0.5),
        )),
        PartKind("pushrods", "Pushrods", "pushrod", (
            _mm("length", "length, between ball centres", 50.0, 450.0, needed=True), _mm("outside", "outside", 4.0, 20.0),
            _grams("mass", "mass", 0.5),
        )),
        PartKind("shims", "Shims", "shim", (
            _mm("thickness", "thickness", 0.05, 6.0, needed=True), _mm("outside", "outside", 10.0, 90.0),
            _mm("inside", "inside", 5.0, 80.0), Column("hardened", "hardened", FLAG),
            Column("pieces", "pieces", "ratio", (0.0, 100000.0), False, "How many there are; blank where not counted."),
        )),
        PartKind("cams", "Cam cards", "cam card", (
            _mm("intake_lift", "intake lobe lift", 1.0, 25.0, needed=True),
            _mm("exhaust_lift", "exhaust lobe lift", 1.0, 25.0, needed=True),
            Column("intake_durations", "intake durations", TEXT, needed=True, meaning="As on its card: `280 @ .006, 230 @ .050`."),
            Column("exhaust_durations", "exhaust durations", TEXT, needed=True, meaning="As on its card."),
        )),
    )
}  # fmt: skip


class Part(Struct, frozen=True):
    """A part on a shelf: its kind, number and name, and its figures inside, texts and yes or no by column; blank is left out."""

    kind: str
    number: str
    name: str = ""
    values: dict[str, float | str | bool] = {}

    @property
    def id(self) -> str:
        """Give what tells it from every other part of a shelf."""
        return f"{self.kind}/{self.number}"

    def figure(self, key: str) -> float:
        """Give a figure; NaN where it is blank."""
        value = self.values.get(key)
        return float(value) if isinstance(value, int | float) and not isinstance(value, bool) else float("nan")
