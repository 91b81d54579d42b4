"""Observations as they are typed: a word of the list, its number or its beginning, and a reason behind a colon."""

from __future__ import annotations

from honest_lift.facts.quantity import Quantity
from honest_lift.numbers.entry import EntryError


def read_word(row: Quantity, text: str) -> tuple[int, str] | None:
    """Give the place of the word in the quantity's list, and the reason; None for a blank.

    Raises EntryError, naming the words there are, for any other; and where a word wants a reason and has none.
    """
    typed, _, reason = (part.strip() for part in text.partition(":"))
    word = " ".join(typed.lower().split())
    if not word:
        if reason:
            raise EntryError(f"“{text.strip()}”: the word is missing before the colon. {words_of(row)}")
        return None
    keys = [one.key for one in row.choices]
    found = _found(keys, word)
    if len(found) != 1:
        why = "could be several of them" if found else "is none of them"
        raise EntryError(f"“{typed}” {why}. {words_of(row)}")
    chosen = row.choices[found[0]]
    if chosen.needs_reason and not reason:
        raise EntryError(f"“{chosen.key}” needs its reason; write it behind a colon, as in “{chosen.key}: worn”.")
    return found[0], reason


def _found(keys: list[str], word: str) -> list[int]:
    if word.isascii() and word.isdigit():
        return [int(word) - 1] if 1 <= int(word) <= len(keys) else []
    return [keys.index(word)] if word in keys else [i for i, key in enumerate(keys) if key.startswith(word)]


def words_of(row: Quantity) -> str:
    """Say which words there are: `1 even, 2 broken, 3 off-centre`."""
    return "Words: " + ", ".join(f"{number} {one.key}" for number, one in enumerate(row.choices, start=1)) + "."
