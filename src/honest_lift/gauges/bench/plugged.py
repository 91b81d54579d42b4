"""Stand-ins that are plugged in on this machine: each says by a small file where its line is and how it speaks."""

from __future__ import annotations

import os
from pathlib import Path

import msgspec
from msgspec import Struct

from honest_lift.gauges.instruments.instrument import Instrument, refusal

_LARGEST_BYTES = 20_000


class Plugged(Struct, frozen=True, forbid_unknown_fields=True):
    """A stand-in: the instrument as it would be set up, and the process that plays it."""

    instrument: Instrument
    process: int


def folder() -> Path:
    """Give where stand-ins say that they are plugged in: the session's folder, or where there is none the user's state."""
    from platformdirs import user_runtime_path, user_state_path

    with_session = os.environ.get("XDG_RUNTIME_DIR") and Path(os.environ["XDG_RUNTIME_DIR"]).is_dir()
    base = user_runtime_path if with_session else user_state_path
    return base("honest-lift", appauthor=False) / "bench"


def stand_ins() -> tuple[Instrument, ...]:
    """Give the stand-ins that are plugged in now, by name; what a bench left behind that ended without a word is none."""
    try:
        paths = sorted(folder().glob("*.json"))
    except OSError:
        return ()
    found = (_read(one) for one in paths)
    return tuple(one.instrument for one in found if one is not None and _is_running(one.process))


def plug_in(instrument: Instrument) -> Path:
    """Say that a stand-in is plugged in; give the file that says so. Raises OSError."""
    folder().mkdir(parents=True, exist_ok=True, mode=0o700)
    path = folder() / f"{os.getpid()}-{instrument.name.replace(' ', '-').replace('/', '-')}.json"
    path.write_bytes(msgspec.json.encode(Plugged(instrument, os.getpid())))
    return path


def _read(path: Path) -> Plugged | None:
    try:
        data = path.read_bytes()[:_LARGEST_BYTES]
        told = msgspec.json.decode(data, type=Plugged)
    except (OSError, ValueError):
        return None
    return None if refusal(told.instrument) else told


def _is_running(process: int) -> bool:
    try:
        os.kill(process, 0)
    except OverflowError:
        return False
    except OSError as error:
        return isinstance(error, PermissionError)
    return process > 0
