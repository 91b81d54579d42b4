"""One thing, one name: the words of the glossary on every page, and none of those they replaced."""

import re

import pytest

from engines import demo
from honest_lift.checks.wording import reason
from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk.manual_window import manual_folder
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.tools import KINDS
from honest_lift.sheets.papers import build_sheet
from pages import every_page, texts

GONE = re.compile(
    r"\b(doubts?|lets? go|contact (is )?lost|told|worked out|anew|nobody|wants?|stands? (at|out|apart|for|on|in|above|below)|"
    r"bind margin|left over the piston|effective ratio|TDC of the overlap|(before|after) [TB]DC|coils in all|natural frequency|"
    r"fatigue margin|endless life|out of line|seat to guide|opens sideways|piston below the deck|left out later|schools?|"
    r"reads to|true to|repeats to|strongest weakest|hardest|Take (it|down)|at least [\d.]+ \w+$|at most [\d.]+ \w+$)\b",
    re.IGNORECASE,
)
ENGINES = {"eight": demo, "four": lambda: demonstration("four"), "empty": empty_book}


@pytest.mark.parametrize("name", ENGINES)
def test_old_words_are_gone_from_every_page(open_window, name):
    window = open_window(ENGINES[name]())
    session = window.session
    wrong = {f"{page}: {one}" for page, sheet in every_page(window) for one in texts(sheet) if GONE.search(one)}
    wrong |= {f"window: {one}" for one in texts(window.ladder) | texts(window.bar) if GONE.search(one)}
    if session.examination is not None:
        said = {reason(one, session.engine) for one in session.examination.findings}
        wrong |= {f"reason: {one}" for one in said if GONE.search(one)}
    assert sorted(wrong) == []


def test_old_words_are_gone_from_the_manual_and_from_paper():
    """What is drawn into the manual is the program's own, and looked at on its pages."""
    wrong = []
    for path in sorted(manual_folder().glob("*.md")):
        written = DRAWN.sub("", path.read_text(encoding="utf-8"))
        wrong += [f"{path.name}: {line}" for line in written.splitlines() if GONE.search(FIGURES.sub("", line))]
    sheet = TAGS.sub(" ", build_sheet(demo(), appendix=False).html())
    wrong += [f"sheet: {found[0]}" for found in GONE.finditer(sheet)]
    assert wrong == []


DRAWN, TAGS = re.compile("<!-- drawn.*?<!-- end -->", re.DOTALL), re.compile("<[^>]*>")
FIGURES = re.compile(r"`[^`]*`")
NAMES_OF_TOOLS = re.compile("|".join(re.escape(one.title) for one in KINDS))
INCHES = re.compile(r"(?<![/\d])[\d.]+ in\b(?! a | the | an )")


def test_a_metric_engine_is_told_in_millimetres(open_window):
    window = open_window(demonstration("four"))
    found = set()
    for page, sheet in every_page(window):
        if "Trial" not in page and "Match: Shelf" not in page:  # what a catalogue says stays as it says it
            found |= {f"{page}: {one}" for one in texts(sheet) if INCHES.search(NAMES_OF_TOOLS.sub("", one))}
    assert sorted(found) == []
