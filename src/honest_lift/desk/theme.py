"""Colours, fonts and the style sheet, for a light and a dark shop."""

from __future__ import annotations

from pathlib import Path

from msgspec import Struct
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor, QFont, QFontDatabase, QGuiApplication

FAMILY = "B612"
_FONTS = Path(__file__).parent / "fonts"


class Theme(Struct, frozen=True):
    """Every colour by what it is for. Verdict colours only ever fill shapes."""

    name: str
    paper: str
    paper2: str
    ink: str
    muted: str
    rule: str
    select: str
    edge: str  # of fields and buttons
    blue: str = "#14344F"
    blue2: str = "#1B4263"
    bar: str = "#0F2438"
    scribe: str = "#EAF3F7"
    faint: str = "#8EB3CA"
    chip: str = "#F6F3EC"
    passes: str = "#14776A"
    close: str = "#B57600"
    fails: str = "#C23B1B"
    unproven: str = "#5B6470"
    amber_words: str = "#8A5D00"
    mark: str = "#F0B23C"

    def verdict(self, word: str) -> QColor:
        """Give the colour that fills a verdict's shape."""
        return QColor(getattr(self, word))


LIGHT = Theme("light", "#F6F3EC", "#EFEADF", "#1C2227", "#65635B", "#D8D2C4", "#DFE7EC", "#5D7C90")
DARK = Theme(
    "dark", "#191D21", "#20262B", "#ECE8DF", "#A5A39A", "#3A4148", "#27394A", "#86ABC2",
    passes="#3FB09F", close="#E0A030", fails="#EE6A48", unproven="#A3ADB9", amber_words="#E0A030", chip="#191D21",
    bar="#0B1925",
)  # fmt: skip
THEMES = {"light": LIGHT, "dark": DARK}


def load_fonts() -> None:
    """Load the shipped faces."""
    for path in sorted(_FONTS.glob("*.otf")):
        QFontDatabase.addApplicationFont(str(path))


_SMALLEST = 9  # pixels: below, nobody reads


def font(pixels: float, *, bold: bool = False, italic: bool = False) -> QFont:
    """Give the face at a size in pixels, with figures of one width."""
    face = QFont(FAMILY)
    face.setPixelSize(max(_SMALLEST, round(pixels)))
    face.setBold(bold)
    face.setItalic(italic)
    return face


def theme_of_system() -> str:
    """Name the theme that goes with the system's own: dark where it says so, light where it says nothing."""
    dark = QGuiApplication.styleHints().colorScheme() == Qt.ColorScheme.Dark
    return DARK.name if dark else LIGHT.name


def style_sheet(theme: Theme, zoom: float) -> str:
    """Give the style sheet of the whole window."""
    px = {n: f"{max(_SMALLEST, round(n * zoom))}px" for n in (11, 12, 13, 14, 15, 18, 22, 26)}
    t, icons = theme, (Path(__file__).parent / "icons").as_posix()
    return f"""
    * {{ font-family: "{FAMILY}"; font-size: {px[13]}; color: {t.ink}; }}
    QMainWindow, QDialog, QMessageBox, #sheet, #page {{ background: {t.paper}; }}
    QMenuBar {{ background: {t.paper2}; padding: 1px 6px; }}
    QMenuBar::item {{ padding: 3px 10px; background: transparent; }}
    QMenuBar::item:selected, QMenu::item:selected {{ background: {t.select}; }}
    QMenu {{ background: {t.paper}; border: 1px solid {t.rule}; }}
    QMenu::item {{ padding: 4px 26px 4px 20px; }}
    QMenu::item:disabled {{ color: {t.muted}; }}
    QMenu::separator {{ height: 1px; background: {t.rule}; margin: 4px 8px; }}
    #heading {{ font-weight: bold; padding-top: 6px; }}
    #bigFigure {{ font-size: {px[26]}; font-weight: bold; }}
    #working {{ font-size: {px[14]}; background: {t.paper2}; border-left: 3px solid {t.faint}; padding: 6px 10px; }}
    #offer {{ text-align: left; }}
    #reasonTitle {{ font-weight: bold; }}
    #title {{ font-size: {px[18]}; font-weight: bold; }}
    #subtitle, #hint {{ color: {t.muted}; }}
    #caution {{ color: {t.amber_words}; }}
    #engineName {{ color: {t.muted}; font-size: {px[12]}; padding-right: 14px; }}
    #diskNotice {{ background: {t.fails}; color: {t.paper}; font-weight: bold; padding: 6px 14px; }}
    #side {{ background: {t.paper2}; }}
    QTableView {{ background: {t.paper}; alternate-background-color: {t.paper}; gridline-color: {t.rule};
        border: 0; selection-background-color: {t.select}; selection-color: {t.ink}; outline: 0; }}
    QTableView::item {{ border-bottom: 1px solid {t.rule}; padding: 0 4px; }}
    QTableView::item:selected {{ background: {t.select}; color: {t.ink}; }}
    QListWidget {{ background: {t.paper}; border: 1px solid {t.edge}; border-radius: 3px; outline: 0; }}
    QTextBrowser {{ background: {t.paper}; border: 1px solid {t.edge}; border-radius: 3px; font-size: {px[14]};
        selection-background-color: {t.blue2}; selection-color: {t.scribe}; }}
    QListWidget::item {{ padding: 2px 4px; }}
    QListWidget::indicator {{ width: 13px; height: 13px; border: 1px solid {t.edge}; border-radius: 2px; }}
    QListWidget::indicator:checked {{ background: {t.edge}; }}
    QListWidget::item:selected {{ background: {t.select}; color: {t.ink}; }}
    QListWidget:focus {{ border: 2px solid {t.close}; }}
    QHeaderView {{ background: {t.paper}; }}
    QHeaderView::section {{ background: {t.paper}; color: {t.muted}; border: 0; border-bottom: 2px solid {t.ink};
        padding: 3px 4px; font-size: {px[12]}; font-weight: normal; }}
    QTableCornerButton::section {{ background: {t.paper}; border: 0; }}
    QLineEdit, QPlainTextEdit {{ placeholder-text-color: {t.muted}; }}
    QLineEdit, QPlainTextEdit, QComboBox, QSpinBox {{ background: {t.paper}; border: 1px solid {t.edge};
        border-radius: 3px; padding: 3px 6px; selection-background-color: {t.blue2}; selection-color: {t.scribe}; }}
    QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus {{ border: 2px solid {t.close}; padding: 2px 5px; }}
    QLineEdit:disabled, QComboBox:disabled {{ color: {t.muted}; background: {t.paper2}; }}
    QComboBox QAbstractItemView {{ background: {t.paper}; selection-background-color: {t.select};
        selection-color: {t.ink}; }}
    QComboBox::drop-down {{ border: 0; background: transparent; width: 20px; }}
    QComboBox::down-arrow {{ image: url({icons}/down-{t.name}.svg); width: 10px; height: 6px; }}
    #bar QComboBox::down-arrow {{ image: url({icons}/down-bar.svg); }}
    QPushButton {{ background: {t.paper2}; border: 1px solid {t.edge}; border-radius: 3px; padding: 4px 12px; }}
    QPushButton:hover {{ background: {t.select}; }}
    QPushButton:focus {{ border: 2px solid {t.close}; padding: 3px 11px; }}
    QPushButton:disabled {{ color: {t.muted}; }}
    QScrollArea, #reasonArea, #reasonArea > QWidget, #reasonArea > QWidget > QWidget {{ border: 0; background: transparent; }}
    QScrollBar:vertical {{ width: 10px; background: transparent; }}
    QScrollBar:horizontal {{ height: 10px; background: transparent; }}
    QScrollBar::handle {{ background: {t.rule}; border-radius: 4px; min-height: 24px; min-width: 24px; }}
    QScrollBar::add-line, QScrollBar::sub-line {{ width: 0; height: 0; }}
    QTabBar {{ background: transparent; }}
    QTabBar::tab {{ background: transparent; padding: 6px 14px; color: {t.muted}; border-bottom: 3px solid transparent; }}
    QTabBar::tab:selected {{ color: {t.ink}; border-bottom: 3px solid {t.edge}; font-weight: bold; }}
    QTabBar QToolButton {{ background: {t.paper2}; border: 1px solid {t.edge}; border-radius: 2px; }}
    QTabBar QToolButton::right-arrow {{ image: url({icons}/right-{t.name}.svg); width: 8px; height: 10px; }}
    QTabBar QToolButton::left-arrow {{ image: url({icons}/left-{t.name}.svg); width: 8px; height: 10px; }}
    QTabWidget::pane {{ border: 0; border-top: 1px solid {t.rule}; }}
    #bar {{ background: {t.bar}; }}
    #bar QLabel {{ color: {t.scribe}; background: transparent; }}
    #bar #barSmall {{ color: {t.faint}; font-size: {px[12]}; }}
    #bar #barPlace {{ font-size: {px[18]}; font-weight: bold; }}
    #bar #barUnderstood {{ font-size: {px[15]}; }}
    #bar #barError {{ color: #FFB9A3; font-size: {px[13]}; }}
    #bar QLineEdit {{ background: #F6F3EC; color: #1C2227; font-size: {px[26]}; border: 2px solid {t.faint};
        padding: 2px 12px; selection-background-color: #1B4263; selection-color: #EAF3F7; }}
    #bar QLineEdit:focus {{ border: 2px solid {t.mark}; }}
    #bar QComboBox {{ background: {t.blue}; color: {t.scribe}; border: 1px solid {t.faint}; padding: 2px 6px; }}
    #bar QComboBox:focus {{ border: 1px solid {t.mark}; }}
    #bar QComboBox QAbstractItemView {{ background: {t.blue}; color: {t.scribe};
        selection-background-color: {t.blue2}; selection-color: {t.scribe}; }}
    """
