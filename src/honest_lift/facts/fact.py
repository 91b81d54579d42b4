"""A fact that is no reading: specified by a card, or assumed because nobody knows."""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.place import Place

Kind = Literal["specified", "assumed"]


class Fact(Struct, frozen=True, forbid_unknown_fields=True):
    """A value of a quantity at a place, in the inside unit, with the text it was typed as.

    `tolerance`: plus or minus, in the inside unit; None takes the profile's default for the quantity.
    `low` and `high`: the range of an assumed value, `low_is_physical` where nothing can lie below it.
    `source`: the card it is from, or the reason for assuming it. What was stated after a part was fitted speaks of that part.
    """

    quantity: str
    place: Place
    value: float
    kind: Kind = "specified"
    text: str = ""
    unit: str = ""
    tolerance: float | None = None
    low: float | None = None
    high: float | None = None
    low_is_physical: bool = False
    source: str = ""
    when: str = ""  # stated on; "" in files that did not know

    @property
    def key(self) -> tuple[str, Place]:
        """Give what the fact is of and where: one fact stands for each."""
        return self.quantity, self.place
