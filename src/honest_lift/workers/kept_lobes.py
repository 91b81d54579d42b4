"""Solved lobes kept from run to run in a file of the cache folder, told apart by all their figures: safe to delete at any time.

It is never believed over other code (`made_by.py`), and what can't be read in it is not there.
"""

from __future__ import annotations

import hashlib
from collections.abc import Sequence
from pathlib import Path
from typing import Any

import msgspec
import numpy as np
from msgspec import Struct

from honest_lift.estimates.cam.card import OfCard
from honest_lift.estimates.cam.lobe_read import LobeRead, OfTable
from honest_lift.facts import disk
from honest_lift.mechanics.cam.card_lobe import Flank
from honest_lift.workers.made_by import made_by

_MOST = 64
_MOST_BYTES = 8_000_000

Solved = tuple[Any, Any]  # a problem and its answer


class _Lobe(Struct, frozen=True):
    figures: bytes  # a digest of what it was worked out from
    flank: Flank | None = None
    read: LobeRead | None = None


class _File(Struct, frozen=True):
    made_by: str
    lobes: tuple[_Lobe, ...]


def _figures(problem: OfCard | OfTable) -> bytes:
    return hashlib.sha256(msgspec.msgpack.encode(problem, order="deterministic")).digest()


def _laid_out(array: Any) -> tuple[str, tuple[int, ...], bytes]:
    if not isinstance(array, np.ndarray):
        raise NotImplementedError(f"{type(array)} is no array")
    return array.dtype.str, array.shape, array.tobytes()


def _array(_kind: type, laid: Any) -> Any:
    dtype, shape, body = laid
    return np.frombuffer(body, dtype=dtype).reshape(shape).copy()


class KeptLobes:
    """What a file holds, read when it is first asked for."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._held: dict[bytes, _Lobe] | None = None

    def find(self, problem: Any) -> Flank | LobeRead | None:
        """Give the answer to a problem; None where it is not kept, or is no lobe."""
        if not isinstance(problem, OfCard | OfTable):
            return None
        one = self._lobes().get(_figures(problem))
        if one is None:
            return None
        return one.flank if isinstance(problem, OfCard) else one.read

    def keep(self, solved: Sequence[Solved]) -> None:
        """Keep answers beside those that were kept before; the oldest go. A disk that refuses is none of anybody's business."""
        held = self._lobes()
        for problem, answer in solved:
            if not isinstance(problem, OfCard | OfTable):
                continue
            key = _figures(problem)
            held.pop(key, None)
            if isinstance(answer, Flank):
                held[key] = _Lobe(key, flank=answer)
            elif isinstance(answer, LobeRead):
                held[key] = _Lobe(key, read=answer)
        kept = _File(made_by(), tuple(held.values())[-_MOST:])
        try:
            disk.make_folder(self._path.parent)
            disk.put_whole(self._path, msgspec.msgpack.encode(kept, enc_hook=_laid_out))
        except OSError:
            return

    def _lobes(self) -> dict[bytes, _Lobe]:
        if self._held is None:
            self._held = {one.figures: one for one in self._read()}
        return self._held

    def _read(self) -> tuple[_Lobe, ...]:
        try:
            body = disk.read_file(self._path, _MOST_BYTES)
            found = msgspec.msgpack.decode(body, type=_File, dec_hook=_array)
        except (OSError, ValueError, TypeError, msgspec.MsgspecError):
            return ()
        return found.lobes if found.made_by == made_by() else ()
