"""What everything means: under the cursor, and whole under Shift+F1."""

import pytest
from PyQt6.QtCore import Qt

from engines import demo
from honest_lift.checks.unbegun import every_check
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.what_card import WhatCard
from honest_lift.drawings.scene import Words
from honest_lift.facts.catalog import CATALOG
from honest_lift.words.what_is import finding_card, quantity_card, quantity_hint

TIP = Qt.ItemDataRole.ToolTipRole


@pytest.mark.parametrize("name", CATALOG)
def test_every_quantity_says_what_it_is_and_how_it_is_measured(name):
    row, engine = CATALOG[name], demo().engine
    assert row.meaning
    assert row.meaning[1:] in quantity_hint(name)
    card = quantity_card(name, engine)
    assert all(way.howto in card for way in row.ways)
    assert all(one.says in card for one in row.choices)
    assert row.caution in card


def test_every_check_and_step_says_what_it_is():
    assert all(one.meaning for one in every_check().values())
    assert all(one.counts for one in STEPS.values())


def test_every_finding_of_the_demonstration_has_its_card(open_window):
    window = open_window()
    engine = window.session.engine
    for one in window.session.examination.findings[::7]:
        card = finding_card(one, engine)
        assert one.check.meaning in card
        assert "Limit: " in card


def test_bar_route_tables_and_the_card_explain(open_window, monkeypatch):
    window = open_window()
    bar = window.bar
    assert bar.what.toolTip().startswith("Installed height: distance between")
    assert [bar.way.itemData(i, TIP) or "" for i in range(bar.way.count())] == [one.howto for one in bar.task.row.ways]
    steps = list(STEPS)
    assert window.route.explained(steps.index("springs")) == (
        "Spring bench: 15 of 16 valves whose spring has loads and coil bind; fails"
    )
    assert window.route.explained(99) == ""
    said, shown = [], []
    monkeypatch.setattr(
        WhatCard, "exec", lambda card: said.append(card.words.text()) or shown.append(card.picture.scenes)
    )
    window._actions["what"].trigger()
    assert said[-1].startswith("Installed height\n")
    assert "shims in place" in said[-1]
    assert "installed height" in [one.text for _, scene in shown[-1] for one in scene.strokes if isinstance(one, Words)]
    window.ladder.rungs.setFocus()
    monkeypatch.setattr(window.ladder.rungs, "hasFocus", lambda: True)
    window._actions["what"].trigger()
    chosen = window.ladder.rungs.chosen
    assert said[-1].startswith(f"{chosen.check.title}\n{chosen.check.meaning}")
    bind = window.session.examination.finding("coil_bind_clearance", "1e")
    assert "Rules:\n  0.060 in min: the default: room for" in finding_card(bind, window.session.engine)
    window._actions["step_engine"].trigger()
    page = window.sheets["engine"].pages["Limits"]
    window.sheets["engine"].open_page("Limits")
    index = page.limits.records.index(0, 0)
    assert every_check()[page.limits.records.records[0].check].meaning in page.limits.records.data(index, TIP)
