"""The window's own words in another language, from files as Qt's Linguist writes them (`languages/*.ts`).

Menus, labels and hints are translated; the names of checks and quantities, findings, reports and the manual stay English, so that
one thing has one name everywhere. Nobody is given another language who did not ask for it.
"""

from __future__ import annotations

from importlib.resources import files
from xml.etree import ElementTree

from PyQt6.QtCore import QLibraryInfo, QTranslator
from PyQt6.QtWidgets import QApplication

LANGUAGES = {"en": "English", "de": "Deutsch"}
_FOLDER = "languages"


class Words(QTranslator):
    """Translates by the source text alone: one English text has one meaning here."""

    def __init__(self, language: str) -> None:
        super().__init__()
        self.known = words_of(language)

    def isEmpty(self) -> bool:
        return not self.known

    def translate(self, context: str, source: str, disambiguation: str | None = None, n: int = -1) -> str | None:
        return self.known.get(source)


def words_of(language: str) -> dict[str, str]:
    """Give every source text with its translation; English needs none."""
    if language == "en":
        return {}
    text = files("honest_lift.desk").joinpath(_FOLDER, f"{language}.ts").read_text(encoding="utf-8")
    told = ElementTree.fromstring(text.partition("<!DOCTYPE TS>")[2])
    return {one.findtext("source", ""): one.findtext("translation", "") for one in told.iter("message")}


def speak(app: QApplication, language: str) -> list[QTranslator]:
    """Let windows that are made from now on speak a language; whoever calls keeps what is given as long as they do."""
    if language not in LANGUAGES or language == "en":
        return []
    qt, own = QTranslator(), Words(language)
    qt.load(f"qtbase_{language}", QLibraryInfo.path(QLibraryInfo.LibraryPath.TranslationsPath))
    for one in (qt, own):
        app.installTranslator(one)
    return [qt, own]
