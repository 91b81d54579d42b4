"""Engines that were open last, for the Engine menu; those whose file is gone are not offered."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QSettings
from PyQt6.QtWidgets import QMenu

from honest_lift.facts.journal_file import named, path_of

_MOST = 9
_KEY = "recent"


class Recent:
    """The list, kept in the settings."""

    def __init__(self, settings: QSettings | None) -> None:
        self._settings = settings

    @property
    def paths(self) -> tuple[Path, ...]:
        """Give the files that are still there, the latest first."""
        found = map(path_of, self._kept())
        return tuple(one for one in found if one is not None and one.is_file())

    def remember(self, path: Path | None) -> None:
        """Put a file first."""
        if self._settings is None or path is None:
            return
        name, kept = named(path), self._kept()
        if kept[:1] != [name]:
            self._settings.setValue(_KEY, [name, *(one for one in kept if one != name)][:_MOST])

    def fill(self, menu: QMenu, go: Callable[[Path], object]) -> None:
        """Fill a menu with them, each with a digit to choose it by."""
        menu.clear()
        for number, path in enumerate(self.paths, 1):
            title = f"{path.name}  ({path.parent})".replace("&", "&&")
            menu.addAction(f"&{number} {title}", lambda _=False, own=path: go(own))
        if menu.isEmpty():
            menu.addAction(menu.tr("none yet")).setEnabled(False)

    def _kept(self) -> list[str]:
        kept = self._settings.value(_KEY) if self._settings else None
        return [str(one) for one in ([kept] if isinstance(kept, str) else kept or [])]
