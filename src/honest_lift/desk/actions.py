"""Every action of the window as data: id, title, menu and key. Menus, shortcuts and the shortcut page come from it."""

from __future__ import annotations

from typing import NamedTuple


class ActionRow(NamedTuple):
    """One action. `method`: the window's method that does it. `rule`: a line stands above it in its menu."""

    id: str
    title: str
    menu: str
    key: str
    method: str
    rule: bool = False


ACTIONS: tuple[ActionRow, ...] = (
    ActionRow("new", "&New engine", "&Engine", "Ctrl+N", "files.new_engine"),
    ActionRow("open", "&Open…", "&Engine", "Ctrl+O", "files.open_engine"),
    ActionRow("demo", "Open the &demonstration engine", "&Engine", "", "files.open_demo"),
    ActionRow("save", "&Save", "&Engine", "Ctrl+S", "files.save_engine", True),
    ActionRow("save_as", "Save &as…", "&Engine", "Ctrl+Shift+S", "files.save_engine_as"),
    ActionRow("restore", "&Restore the backup…", "&Engine", "", "files.restore_backup"),
    ActionRow("recover", "Look for unsa&ved work…", "&Engine", "", "files.recover_never_saved"),
    ActionRow("quit", "&Quit", "&Engine", "Ctrl+Q", "close", True),
    ActionRow("undo", "&Undo", "&Measure", "Ctrl+Z", "undo"),
    ActionRow("redo", "Re&do", "&Measure", "Ctrl+Shift+Z", "redo"),
    ActionRow("next_reading", "Measure what is ne&xt", "&Measure", "F2", "measure_next", True),
    ActionRow("readings", "&Readings here…", "&Measure", "F4", "measure.readings_here", True),
    ActionRow("move", "Mo&ve the reading to another place…", "&Measure", "Ctrl+M", "measure.move_reading"),
    ActionRow("note", "&Note on the reading…", "&Measure", "Ctrl+T", "measure.note_reading"),
    ActionRow("strike", "Stri&ke the reading out…", "&Measure", "Ctrl+K", "measure.strike_reading"),
    ActionRow("swap", "Exchange t&wo springs…", "&Measure", "Ctrl+E", "measure.swap_springs", True),
    ActionRow("fit_set", "&Fit a set of springs…", "&Measure", "", "measure.fit_set"),
    ActionRow("changed", "Something else was &changed here…", "&Measure", "", "measure.record_change"),
    ActionRow("step_engine", "&Engine and parts", "&View", "Ctrl+1", "show_engine"),
    ActionRow("step_head", "Bare hea&d", "&View", "Ctrl+2", "show_head"),
    ActionRow("step_springs", "&Spring bench", "&View", "Ctrl+3", "show_springs"),
    ActionRow("step_heights", "Springs and &heights", "&View", "Ctrl+4", "show_heights"),
    ActionRow("step_shims", "Shi&m plan", "&View", "Ctrl+5", "show_shims"),
    ActionRow("step_cam", "&Camshaft", "&View", "Ctrl+6", "show_cam"),
    ActionRow("step_rocker", "&Rocker", "&View", "Ctrl+7", "show_rocker"),
    ActionRow("step_turn", "Through the t&urn", "&View", "Ctrl+8", "show_turn"),
    ActionRow("step_squeeze", "Cham&bers and compression", "&View", "Ctrl+9", "show_squeeze"),
    ActionRow("step_match", "Ma&tch", "&View", "Ctrl+H", "show_match"),
    ActionRow("step_trial", "Tr&ial", "&View", "Ctrl+J", "show_trial"),
    ActionRow("step_readings", "&All readings", "&View", "Ctrl+0", "show_readings"),
    ActionRow("finding", "The whole &finding, and back", "&View", "F3", "open_finding", True),
    ActionRow("back", "&Back to the sheet", "&View", "Esc", "close_finding"),
    ActionRow("previous", "&Previous valve", "&View", "Ctrl+Up", "previous_valve", True),
    ActionRow("next", "&Next valve", "&View", "Ctrl+Down", "next_valve"),
    ActionRow("whole", "Worst verdict of the &whole valve on the heads", "&View", "Ctrl+W", "toggle_whole"),
    ActionRow("theme", "Dark &theme", "&View", "Ctrl+D", "toggle_theme", True),
    ActionRow("larger", "&Larger", "&View", "Ctrl++", "larger"),
    ActionRow("smaller", "S&maller", "&View", "Ctrl+-", "smaller"),
    ActionRow("keys", "&Keys", "&Help", "F1", "show_keys"),
    ActionRow("cautions", "&Cautions", "&Help", "", "show_cautions"),
    ActionRow("about", "&About", "&Help", "", "show_about"),
)
CHECKABLE = ("whole", "theme")
