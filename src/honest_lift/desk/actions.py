"""Every action of the window as data: id, title, menu and key. Menus, shortcuts and the shortcut page come from it."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Any, NamedTuple

from honest_lift.demo.demonstrations import DEMONSTRATIONS
from honest_lift.desk.steps.order import STEPS


class ActionRow(NamedTuple):
    """One action. `does`: what it does to the window. `rule`: a line stands above it in its menu."""

    id: str
    title: str
    menu: str
    key: str
    does: Callable[[Any], object]
    rule: bool = False


_DIGITS = "123456789GHJB0"


def _open_demo(name: str, window: Any) -> None:
    window.files.open_demo(name)


def _open(step: str, window: Any) -> None:
    window.session.open_step(step)


ACTIONS: tuple[ActionRow, ...] = (
    ActionRow("new", "&New engine", "&Engine", "Ctrl+N", lambda window: window.files.new_engine()),
    ActionRow("open", "&Open…", "&Engine", "Ctrl+O", lambda window: window.files.open_engine()),
    ActionRow("save", "&Save", "&Engine", "Ctrl+S", lambda window: window.files.save_engine(), True),
    ActionRow("save_as", "Save &as…", "&Engine", "Ctrl+Shift+S", lambda window: window.files.save_engine_as()),
    ActionRow("sheet", "Build s&heet…", "&Engine", "Ctrl+P", lambda window: window.files.write_sheet()),
    ActionRow("grid", "Blank &grid for a pen…", "&Engine", "", lambda window: window.files.write_grid()),
    ActionRow(
        "page_out",
        "Save a &table or drawing of this page…",
        "&Engine",
        "Ctrl+Shift+E",
        lambda window: window.save_page(),
    ),
    ActionRow("restore", "&Restore the backup…", "&Engine", "", lambda window: window.files.restore_backup()),
    ActionRow("recover", "Look for unsa&ved work…", "&Engine", "", lambda window: window.files.recover_never_saved()),
    ActionRow("close", "&Close the window", "&Engine", "Ctrl+W", lambda window: window.close()),
    ActionRow("quit", "&Quit", "&Engine", "Ctrl+Q", lambda window: window.close(), True),
    ActionRow("undo", "&Undo", "&Measure", "Ctrl+Z", lambda window: window.undo()),
    ActionRow("redo", "Re&do", "&Measure", "Ctrl+Shift+Z", lambda window: window.redo()),
    ActionRow("next_reading", "Measure what is ne&xt", "&Measure", "F2", lambda window: window.measure_next(), True),
    ActionRow("readings", "&Readings here…", "&Measure", "F4", lambda window: window.measure.readings_here(), True),
    ActionRow(
        "move",
        "Mo&ve the reading to another place…",
        "&Measure",
        "Ctrl+M",
        lambda window: window.measure.move_reading(),
    ),
    ActionRow("note", "&Note on the reading…", "&Measure", "Ctrl+T", lambda window: window.measure.note_reading()),
    ActionRow(
        "strike", "Stri&ke the reading out…", "&Measure", "Ctrl+K", lambda window: window.measure.strike_reading()
    ),
    ActionRow(
        "swap", "Exchange t&wo springs…", "&Measure", "Ctrl+E", lambda window: window.measure.swap_springs(), True
    ),
    ActionRow("fit_set", "&Fit a set of springs…", "&Measure", "", lambda window: window.measure.fit_set()),
    ActionRow("valves", "Va&lves of this seat…", "&Measure", "Ctrl+L", lambda window: window.measure.valves_here()),
    ActionRow(
        "changed", "Something else was &changed here…", "&Measure", "", lambda window: window.measure.record_change()
    ),
    ActionRow(
        "sign", "Si&gn for this finding…", "&Measure", "Ctrl+I", lambda window: window.measure.sign_finding(), True
    ),
    *(
        ActionRow(f"step_{one.key}", one.menu, "&View", one.keys, partial(_open, one.key))
        for one in sorted(STEPS.values(), key=lambda one: _DIGITS.index(one.keys[-1]))
    ),
    ActionRow("finding", "The whole &finding, and back", "&View", "F3", lambda window: window.open_finding(), True),
    ActionRow("back", "&Back to the sheet", "&View", "Esc", lambda window: window.close_finding()),
    ActionRow("previous", "&Previous valve", "&View", "Ctrl+Up", lambda window: window.previous_valve(), True),
    ActionRow("next", "&Next valve", "&View", "Ctrl+Down", lambda window: window.next_valve()),
    ActionRow(
        "whole",
        "Worst verdict of the &whole valve on the heads",
        "&View",
        "F8",
        lambda window: window.toggle_whole(),
    ),
    ActionRow("strip", "&Other figure on the heads", "&View", "F6", lambda window: window.strip.show_next()),
    ActionRow("fold", "Fold or &unfold the margins", "&View", "F7", lambda window: window.ladder.rungs.toggle_fold()),
    ActionRow("theme", "Dark &theme", "&View", "Ctrl+D", lambda window: window.toggle_theme(), True),
    ActionRow("system", "Light or dark as the s&ystem", "&View", "", lambda window: window.follow_system()),
    ActionRow("sound", "&Sound with readings", "&View", "F9", lambda window: window.toggle_sound()),
    ActionRow("language", "Lan&guage of the window…", "&View", "", lambda window: window.help.choose_language()),
    ActionRow("larger", "&Larger", "&View", "Ctrl++", lambda window: window.larger()),
    ActionRow("smaller", "S&maller", "&View", "Ctrl+-", lambda window: window.smaller()),
    *(
        ActionRow(f"demo_{name}", f"Demonstration &{number}: {one.title}", "&Help", "", partial(_open_demo, name))
        for number, (name, one) in enumerate(DEMONSTRATIONS.items(), start=1)
    ),
    ActionRow("bench", "Simulated &bench, for practice…", "&Help", "", lambda window: window.help.open_bench()),
    ActionRow("manual", "&Manual", "&Help", "F1", lambda window: window.help.show_manual()),
    ActionRow("keys", "&Keys", "&Help", "", lambda window: window.help.show_keys()),
    ActionRow("what", "&What is this?", "&Help", "Shift+F1", lambda window: window.show_what()),
    ActionRow("cautions", "&Cautions", "&Help", "", lambda window: window.help.show_cautions()),
    ActionRow("about", "&About", "&Help", "", lambda window: window.help.show_about()),
)
CHECKABLE = ("whole", "theme", "sound")
