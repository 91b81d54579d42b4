"""What has been written reaches the disk itself, so that it outlives a power cut."""

from __future__ import annotations

import os
from pathlib import Path


def flush_folder(folder: Path) -> None:
    """Flush a folder, so that a new name in it outlives a power cut. OSError where it can't be."""
    handle = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
