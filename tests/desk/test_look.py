"""How the window looks: shapes, colours, keys, names for screen readers, odd engines, drawings to scale."""

import sys
from itertools import combinations

import numpy as np
import pytest
from PyQt6.QtGui import QImage, QKeySequence, QPainter
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLineEdit, QTableView, QWidget

from engines import Bench, demo
from honest_lift.desk.actions import ACTIONS
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.theme import THEMES, Theme
from honest_lift.drawings.scene import Arrow, Box, Circle, Line, Words
from honest_lift.drawings.spring.height_axis import Dot, height_axis_scene
from honest_lift.drawings.spring.spring import SpringView, spring_scene
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.parts import Member

VERDICTS = ("passes", "close", "fails", "unproven")
# Machado, Oliveira and Fernandes 2009 (IEEE TVCG 15, 1291), severity 1.0, from memory
COLOUR_VISION = {
    "protan": [[0.152286, 1.052583, -0.204868], [0.114503, 0.786281, 0.099216], [-0.003882, -0.048116, 1.051998]],
    "deutan": [[0.367322, 0.860646, -0.227968], [0.280085, 0.672501, 0.047413], [-0.011820, 0.042940, 0.968881]],
    "tritan": [[1.255528, -0.076749, -0.178779], [-0.078411, 0.930809, 0.147602], [0.004733, 0.691367, 0.303900]],
    "usual": np.eye(3).tolist(),
}


def linear(colour: str) -> np.ndarray:
    parts = np.array([int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)])
    return np.where(parts <= 0.04045, parts / 12.92, ((parts + 0.055) / 1.055) ** 2.4)


def contrast(one: str, other: str) -> float:
    """WCAG 2.1 contrast ratio."""
    bright, dark = sorted((float(linear(c) @ [0.2126, 0.7152, 0.0722]) for c in (one, other)), reverse=True)
    return (bright + 0.05) / (dark + 0.05)


@pytest.mark.parametrize("theme", THEMES.values(), ids=THEMES)
def test_contrasts(theme: Theme):
    for verdict in VERDICTS:
        for ground in (theme.paper, theme.paper2, theme.chip):
            assert contrast(getattr(theme, verdict), ground) >= 3.0, (verdict, ground)
    for words, grounds in {
        theme.ink: (theme.paper, theme.paper2, theme.select), theme.muted: (theme.paper, theme.paper2, theme.select),
        theme.scribe: (theme.blue, theme.blue2, theme.bar), theme.faint: (theme.blue, theme.blue2, theme.bar),
        theme.amber_words: (theme.paper, theme.paper2), theme.mark: (theme.blue,),
    }.items():  # fmt: skip
        for ground in grounds:
            assert contrast(words, ground) >= 4.5, (words, ground)
    for edges, grounds in {  # borders of fields and buttons, the line under a tab, what shows the focus
        theme.edge: (theme.paper, theme.paper2), theme.close: (theme.paper, theme.paper2), theme.faint: (theme.bar,),
        theme.mark: (theme.bar,),
    }.items():  # fmt: skip
        for ground in grounds:
            assert contrast(edges, ground) >= 3.0, (edges, ground)


@pytest.mark.parametrize("theme", THEMES.values(), ids=THEMES)
@pytest.mark.parametrize("vision", COLOUR_VISION)
def test_verdicts_differ_in_shape_whatever_the_colour_vision(theme, vision, qapp):
    """Drawn in the greys such an eye sees, every two verdicts differ in many of their pixels."""
    looks = {}
    for verdict in VERDICTS:
        image = QImage(40, 40, QImage.Format.Format_RGB32)
        image.fill(0xFFF6F3EC)
        painter = QPainter(image)
        paint_verdict(painter, theme, verdict, 20, 20, 14)
        painter.end()
        bits = image.constBits().asarray(image.sizeInBytes())
        pixels = np.frombuffer(bytes(bits), dtype=np.uint8).reshape(40, 40, 4)[..., 2::-1] / 255.0
        seen = np.clip(pixels @ np.array(COLOUR_VISION[vision]).T, 0, 1) @ [0.2126, 0.7152, 0.0722]
        looks[verdict] = np.abs(seen - seen[0, 0]) > 0.1
    for one, other in combinations(VERDICTS, 2):
        differing = np.mean(looks[one] != looks[other])
        assert differing > 0.05, (one, other, differing)


class Answering:
    """A window that has everything the real one has, and does nothing: what is called on it must be there to be called."""

    def __init__(self, real):
        self._real = real

    def __getattr__(self, name):
        return Answering(getattr(self._real, name))

    def __call__(self, *_):
        assert callable(self._real)


def test_no_two_actions_share_a_key_and_every_one_is_answered(open_window):
    window = open_window()
    keys = [QKeySequence(row.key).toString() for row in ACTIONS if row.key]
    assert len(keys) == len(set(keys))
    assert all(keys)
    for row in ACTIONS:
        row.does(Answering(window))
    menus = [action.text() for action in window.menuBar().actions()]
    assert menus == ["&Engine", "&Measure", "&View", "&Help"]


def test_every_control_has_a_name_for_a_screen_reader(open_window):
    window = open_window()
    for step in STEPS:
        window.session.open_step(step)
    nameless = [
        (type(one).__name__, one.objectName())
        for kind in (QComboBox, QLineEdit, QTableView, QAbstractButton)
        for one in window.findChildren(kind)
        if not one.accessibleName() and not getattr(one, "text", str)() and not one.objectName().startswith("qt_")
        and one.parent() is not None and type(one.parent()).__name__ not in ("QSpinBox", "QComboBox", "RecordTable", "GridView")
        and type(one).__name__ not in ("QToolButton", "QTableCornerButton")
    ]  # fmt: skip
    assert nameless == []
    window.session.open_step("heights")
    assert window.strip.accessibleDescription() == "1 exhaust: passes"


@pytest.mark.parametrize(
    ("book", "theme"),
    [(empty_book, "dark"), (lambda: Bench("head: 1i1 1i2 1e1 1e2").book, "light"), (demo, "light"), (demo, "dark")],
    ids=["empty, dark", "four valves, light", "demo, light", "demo, dark"],
)
def test_every_view_draws_at_every_size(open_window, book, theme):
    window = open_window(book())
    for zoom in (0.7, 1.0, 2.0):
        window.dress(theme, zoom)
        for step in STEPS:
            window.session.open_step(step)
            assert not window.grab().isNull()
    for step in ("previous", "next", "larger", "smaller", "theme"):
        window._actions[step].trigger()


def test_cautions_and_licence_are_told(open_window, monkeypatch):
    from honest_lift.desk import questions

    said = []
    for name in ("tell", "show_table"):
        monkeypatch.setattr(questions, name, lambda parent, title, words: said.append(words))
    window = open_window()
    for name in ("cautions", "about"):
        window._actions[name].trigger()
    assert "eye protection on" in said[0]
    assert "GNU General Public License" in said[1]


def test_settings_are_kept(open_window, tmp_path):
    from PyQt6.QtCore import QSettings

    from honest_lift.desk.session import Session
    from honest_lift.desk.window import Window

    settings = QSettings(str(tmp_path / "settings.ini"), QSettings.Format.IniFormat)
    first = Window(Session(demo()), settings)
    first.dress("light", 1.21)
    first.toggle_theme()
    first.close()
    second = Window(Session(demo()), settings)
    assert (second.theme_name, round(second.zoom, 2)) == ("dark", 1.21)
    settings.setValue("theme", "mauve")
    settings.setValue("zoom", 99)
    third = Window(Session(demo()), settings)
    assert (third.theme_name, third.zoom) == ("light", 2.5)


def test_the_spring_is_drawn_to_scale():
    members = (Member("outer", wire_mm=5.0, mean_diameter_mm=34.0, coils=6), Member("inner", 2.0, 0.1, 3.0, 24.0, 8))
    views = (SpringView("closed", 45.0, "45.00 mm", "900 N"), SpringView("open", 32.0, "32.00 mm", "2000 N"))
    scene = spring_scene(members, views, (0.5, 1.0), 30.0, "binds 30 mm")
    shims = [one for one in scene.strokes if isinstance(one, Box) and one.ink == "mark"]
    assert [(one.y, one.height) for one in shims] == [(0.0, 0.5), (0.5, 1.0)] * 2
    arrows = [one.y for one in scene.strokes if isinstance(one, Arrow)]
    assert arrows == pytest.approx([1.5, 46.5, 1.5, 33.5]), "shims plus height"
    circles = [one for one in scene.strokes if isinstance(one, Circle)]
    assert {one.radius for one in circles} == {2.5, 1.5}
    closed_outer = [one for one in circles if one.radius == 2.5 and one.x < 20]
    assert max(one.y for one in closed_outer) + 2.5 == pytest.approx(46.5), "the last coil touches the retainer"
    dashed = [one.y1 for one in scene.strokes if isinstance(one, Line) and one.dashed]
    assert dashed == [31.5, 31.5]


def test_a_spring_nobody_measured_is_an_empty_place():
    nan = float("nan")
    scene = spring_scene((Member("outer"),), (SpringView("closed", nan, "– mm", "load not proven"),), (), nan, "")
    words = [one.text for one in scene.strokes if isinstance(one, Words)]
    assert words == ["closed", "load not proven", "not known"]
    assert spring_scene((Member("outer"),), (SpringView("closed", 40.0, "40", ""),), (), nan, "").strokes


def test_heights_on_one_axis():
    dots = [Dot("1e", 1.800, False), Dot("1i", 1.801, False), Dot("3e", 1.740, True), Dot("8e", float("nan"), False)]
    scene = height_axis_scene(dots, 1.780, 1.820, 3, "in")
    circles = [one for one in scene.strokes if isinstance(one, Circle)]
    assert len(circles) == 3, "what is not measured has no dot"
    assert [one.filled for one in sorted(circles, key=lambda one: one.x)] == [True, False, False]
    assert len({(one.x, one.y) for one in circles}) == 3
    assert "target 1.780 to 1.820" in [one.text for one in scene.strokes if isinstance(one, Words)]
    nan = float("nan")
    assert isinstance(height_axis_scene([], nan, nan, 3, "in").strokes[0], Words)
    assert height_axis_scene([Dot("1e", 5000.0, False)], 1.0, 2.0, 3, "in").strokes


def test_a_sheet_that_nobody_sees_waits_and_catches_up_when_it_is_shown(open_window, qapp):
    window = open_window()
    for step in STEPS:
        window.session.open_step(step)
    window.session.open_step("heights")
    refreshed = []

    def watch(frame, event, _):
        owner = frame.f_locals.get("self") if event == "call" and frame.f_code.co_name == "refresh" else None
        if isinstance(owner, QWidget) and not owner.isVisible():
            refreshed.append(type(owner).__name__)

    sys.setprofile(watch)
    window.bar.entry.setText("1.812")
    window.bar.confirm()
    sys.setprofile(None)
    assert refreshed == []
    window.session.go("1e")
    window.session.open_step("readings")
    qapp.processEvents()
    grid = window.sheets["readings"].model
    assert "1.812" in {grid.index(row, 1).data() for row in range(grid.rowCount())}
    window.session.undo()
    window.session.open_step("heights")
    window.session.open_step("readings")
    assert "1.812" not in {grid.index(row, 1).data() for row in range(grid.rowCount())}
