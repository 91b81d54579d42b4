"""Proving a book: every entry by its link, every fact by the entry that put it there, and a fingerprint by what was printed.

It is told of the document as it lies in the file, of whatever version: nothing is lifted, mended or set aside first.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from msgspec import Struct

from honest_lift.facts.book.chain import Chain, first_broken
from honest_lift.facts.book.records import ORDER, digest, records_of

NO_BOOK = "it has no book yet: one begins with the first edit"
_SHOWN = 5  # of facts that do not hold


class Proof(Struct, frozen=True):
    """What a file's book comes to. `broken`: what does not hold, in sentences, the first link first; empty where all does.

    `entries`, and of them those `before` the book; `fingerprint` of the whole; `past`: of all `chains` those that ended, and why.
    """

    broken: tuple[str, ...]
    entries: int = 0
    before: int = 0
    fingerprint: str = ""
    past: tuple[Chain, ...] = ()
    chains: tuple[Chain, ...] = ()

    @property
    def holds(self) -> bool:
        """Tell whether all of it holds."""
        return not self.broken


def proof_of(document: Mapping[str, Any]) -> Proof:
    """Prove the book of an engine file's document. What is no document of ours at all has no book."""
    journal = [one for one in _list(document.get("journal")) if isinstance(one, Mapping)]
    chains = [_chain(one) for one in _list(document.get("chains")) if isinstance(one, Mapping)]
    if not chains:
        return Proof((NO_BOOK,), len(journal))
    *past, last = chains
    begun = max((i for i, one in enumerate(journal) if one.get("entry") == "begun"), default=None)
    broken = [f"the chain before {one.ended}: {one.broken}" for one in past if one.broken]
    if (at := first_broken(last, journal)) is not None:
        broken.append(_link_words(at, journal, last))
    if begun is None:
        broken.append("the entry that begins the book is gone")
        return Proof(tuple(broken), len(journal), 0, last.fingerprint, tuple(past), tuple(chains))
    broken += _facts(journal[begun], journal[begun + 1 :], document)
    return Proof(tuple(broken), len(journal), begun, last.fingerprint, tuple(past), tuple(chains))


def _list(value: Any) -> Sequence[Any]:
    return value if isinstance(value, list | tuple) else []


def _chain(raw: Mapping[str, Any]) -> Chain:
    links = tuple(one if isinstance(one, str) else "" for one in _list(raw.get("links")))
    return Chain(links, str(raw.get("ended", "")), str(raw.get("broken", "")))


def _link_words(at: int, journal: Sequence[Mapping[str, Any]], chain: Chain) -> str:
    if at >= len(journal):
        links, entries = len(chain.links), len(journal)
        return f"entry {at + 1} is gone, and all after it: the chain has {links} links, the journal {entries} entries"
    what = entry_words(journal[at])
    if at >= len(chain.links):
        return f"entry {at + 1} has no link: {what}"
    return f"entry {at + 1} does not hold: {what}"


def entry_words(entry: Mapping[str, Any]) -> str:
    """Say in a few words what an entry of a document is."""
    about = [str(entry[name]) for name in ("quantity", "text", "sentence", "why", "note", "words") if entry.get(name)]
    place = entry.get("place")
    if isinstance(place, Mapping) and place.get("name"):
        about.append(f"at {place['name']}")
    made = " ".join(str(entry.get(name, "")) for name in ("when", "by")).strip()
    return f"{entry.get('entry', 'entry')} {' '.join(about)}".strip() + (f", {made}" if made else "")


def _facts(begun: Mapping[str, Any], since: Sequence[Mapping[str, Any]], document: Mapping[str, Any]) -> list[str]:
    """Say which records of a document are not what the book says of them."""
    engine, aside = document.get("engine"), _list(document.get("set_aside"))
    if not isinstance(engine, Mapping):
        return ["the engine is gone"]
    records = begun.get("records")
    told: dict[str, str] = {str(key): str(one) for key, one in records.items()} if isinstance(records, Mapping) else {}
    for entry in since:
        for change in _list(entry.get("changes")) if entry.get("entry") == "edited" else ():
            name, after = f"{change.get('table', '')}/{change.get('key', '')}", str(change.get("after", ""))
            told.pop(name, None) if not after else told.__setitem__(name, digest(after.encode()))
    there = {name: digest(body) for name, body in records_of(engine, aside).items()}
    odd = [name for name in dict.fromkeys((*told, *there)) if told.get(name) != there.get(name)]
    words = [_record_words(name, name in told, name in there) for name in odd[:_SHOWN]]
    return words + ([f"and {len(odd) - _SHOWN} more facts"] if len(odd) > _SHOWN else [])


def _record_words(name: str, was: bool, is_there: bool) -> str:
    table, _, key = name.partition("/")
    what = f"the order of {table}" if key == ORDER else f"{table} {key}".strip()
    if not is_there:
        return f"{what} is gone, and no entry took it out"
    return f"{what} is not what the book says" if was else f"{what} is there, and no entry put it there"
