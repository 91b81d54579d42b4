"""The program's own log: what slipped, in a file of the state folder that goes round, for whoever mends it."""

from __future__ import annotations

import contextlib
import faulthandler
import sys
from pathlib import Path

_LARGEST_BYTES, _KEPT = 500_000, 3


def log_folder() -> Path:
    """Give the folder the log lies in."""
    from platformdirs import user_log_path  # not needed before something slips

    return user_log_path("honest-lift", appauthor=False)


def log_path() -> Path:
    """Give the log's file."""
    return log_folder() / "honest-lift.log"


def start_log() -> None:
    """Send what is logged into the file, and a crash of the interpreter beside it; into standard error where there is no disk."""
    import logging  # a first window waits for none of it
    from logging.handlers import RotatingFileHandler

    root = logging.getLogger("honest_lift")
    if root.handlers:
        return
    handler: logging.Handler = logging.StreamHandler(sys.stderr)
    with contextlib.suppress(OSError):
        log_folder().mkdir(parents=True, exist_ok=True)
        handler = RotatingFileHandler(log_path(), maxBytes=_LARGEST_BYTES, backupCount=_KEPT, encoding="utf-8")
    handler.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s"))
    root.addHandler(handler)
    root.setLevel(logging.INFO)
    root.propagate = False
    with contextlib.suppress(OSError):
        faulthandler.enable((log_folder() / "crash.log").open("a"))
