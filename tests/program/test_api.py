"""The public interface: its examples hold, what it says is what the program says, and what it can't do it says."""

import doctest
from pathlib import Path

import numpy as np
import pytest

from honest_lift import api
from honest_lift.checks.examine import examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.facts.file import read_book

DOCS = Path(__file__).parents[2] / "docs" / "api.md"


def test_its_examples_hold():
    failed, tried = doctest.testfile(str(DOCS), module_relative=False, optionflags=doctest.NORMALIZE_WHITESPACE)
    assert (failed, tried > 12) == (0, True)


def test_what_it_says_is_what_the_program_says(tmp_path):
    engine, book = api.demo("four"), demonstration("four")
    seen = examine(book)
    found = engine.findings()
    assert [(one["check"], one["verdict"]) for one in found] == [
        (one.check.name, one.verdict.word) for one in seen.findings
    ]
    assert [engine.verdict(one) for one in engine.valves] == [seen.verdict(one).word for one in engine.valves]
    engine.read("spring_load", f"spring {engine.springs[0]}", 300.0, at=36.0)
    engine.state("lash", 0.25, "intake", tolerance=0.02, source="card", meant="corrected")
    path = tmp_path / "mine.liftbook"
    engine.save(path)
    again = api.open_engine(path)
    assert again.name == engine.name
    assert again.stands("lash", "intake").value == 0.25
    assert read_book(path).journal[-1] is not None
    assert again.stands("seat_plane").kind == "missing"


def test_what_it_can_not_do_it_says(tmp_path):
    engine = api.demo("four")
    with pytest.raises(api.FileError):
        api.open_engine(tmp_path / "none.liftbook")
    with pytest.raises(api.EditError, match="no tool"):
        engine.read("installed_height", "1e", 36.0, tool="a stick")
    for wrong, says in (({"value": 3.0e5}, "can't be installed height"), ({"value": float("nan")}, "can't be installed height"),
                        ({"value": 36.0, "way": "guess"}, "is no way to read")):  # fmt: skip
        with pytest.raises(api.EditError, match=says):
            engine.read("installed_height", "1e", **wrong)
    with pytest.raises(api.EditError, match="give it as at="):
        engine.read("spring_load", f"spring {engine.springs[0]}", 300.0)
    with pytest.raises(api.EditError, match="can't be lash"):
        engine.state("lash", 900.0)
    with pytest.raises(api.EditError, match="is no valve"):
        engine.verdict("9x")
    with pytest.raises(KeyError):
        engine.stands("colour")
    assert api.verdict([np.nan, 1.0], 0.1, highest=2.0) == ["unproven", "passes"]
    assert set(api.__all__) <= set(dir(api))
