"""What a shop has changed of the route: items of its own, built-in ones left out; in an engine, and kept for the next."""

from __future__ import annotations

from pathlib import Path

from msgspec import Struct

from honest_lift.facts.kept_file import keep, kept
from honest_lift.numbers.mendable import MendableError

_LARGEST_BYTES, _MOST_ITEMS, _MOST_LETTERS = 1_000_000, 200, 200


class OwnItem(Struct, frozen=True, forbid_unknown_fields=True):
    """An item of one's own, at a stage of the route."""

    key: str
    stage: str
    words: str


class OwnRoute(Struct, frozen=True, forbid_unknown_fields=True):
    """Items of one's own, in their order, and the keys of built-in ones that are left out."""

    items: tuple[OwnItem, ...] = ()
    left_out: tuple[str, ...] = ()

    def with_item(self, stage: str, words: str) -> OwnRoute:
        """Give the route with one more item. Raises MendableError for one that says nothing, or one too many."""
        words = " ".join(words.split())[:_MOST_LETTERS]
        if not words:
            raise MendableError("Type what is looked at first.")
        if len(self.items) >= _MOST_ITEMS:
            raise MendableError(f"A route has at most {_MOST_ITEMS} items of its own.")
        if any(one.words == words for one in self.items):
            raise MendableError(f"“{words[:40]}” is on the route already.")
        taken = {one.key for one in self.items}
        key = next(f"own {i}" for i in range(1, _MOST_ITEMS + 2) if f"own {i}" not in taken)
        return OwnRoute((*self.items, OwnItem(key, stage, words)), self.left_out)

    def without(self, key: str) -> OwnRoute:
        """Give the route without an item: an own one goes, a built-in one is left out."""
        if any(one.key == key for one in self.items):
            return OwnRoute(tuple(one for one in self.items if one.key != key), self.left_out)
        return OwnRoute(self.items, tuple(dict.fromkeys((*self.left_out, key))))


def shop_file() -> Path:
    """Give where the shop's own route is kept."""
    from platformdirs import user_data_path  # not needed before it is asked for

    return user_data_path("honest-lift", appauthor=False) / "route.json"


def keep_for_shop(route: OwnRoute) -> None:
    """Keep a route for the engines that come. Raises MendableError where the disk does not take it."""
    keep(shop_file(), route)


def shops_own() -> OwnRoute:
    """Give the shop's own route; the built-in one where nobody kept another. Raises MendableError for a file that is none."""
    return (
        kept(shop_file(), OwnRoute, _LARGEST_BYTES, "It is no route: keep one anew, or delete the file.") or OwnRoute()
    )
