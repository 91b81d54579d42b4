"""Files that are well formed and odd: each is refused with a sentence, or examined, shown and reported without a slip."""

import contextlib
import json

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from msgspec import structs

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.checks.signed import to_sign
from honest_lift.facts.bolts import BoltPlan
from honest_lift.facts.book.log_edits import Log, Tick
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import Describe
from honest_lift.facts.file import FileError, decode_book, encode_book
from honest_lift.facts.firing import read_firing
from honest_lift.facts.job import Job
from honest_lift.facts.place import at_position
from honest_lift.facts.trials import Trial
from honest_lift.plans.train.turn_plan import turn_plan
from honest_lift.plans.trial import tried_on
from honest_lift.sheets.book_text import book_text
from honest_lift.sheets.findings_json import findings_report
from honest_lift.sheets.findings_text import findings_text


def with_trials():
    """The demonstration with changes accepted and tried, so that their records are made odd as well."""
    some = (Change("a", "head_cut", "left", 0.5), Change("b", "ratio", "", 1.7), Change("c", "seat_sunk", "3i", 0.2))
    book = tried_on(demo(), some)
    return structs.replace(book, engine=structs.replace(book.engine, trials=(Trial("t", "more", some),)))


def with_a_book():
    """A running engine: a firing order, a bolt plan, a log, ticks, a signature, and seat loads read on it."""
    made = Bench("head: 1e 1i 2i 2e").complete().do(Describe({"hand": "Ash", "job": Job("check-up")}, "hand"))
    made.do(Describe({"firing": read_firing("1-2", made.engine.layout), "bolts": BoltPlan(torque_nm=90.0)}, "plans"))
    made.do(Log("run", "2026-05-01", "first", 2.0, 3)).do(Tick("loads_read"))
    made.do(to_sign(made.book, next(one for one in examine(made.book).findings if one.position), "as agreed"))
    for name in made.names:
        made.read("seat_load_engine", at_position(name), 400.0, "lever", "tester")
    return made.book


DOCUMENTS = [json.loads(encode_book(book)) for book in (demo(), Bench().complete().book, with_trials(), with_a_book())]
WORDS = ["", "zz", "1e", "9i", "é", "new", "spring", "shims", "outer", "engine", "position", "spring_load", "installed_height",
         "height_micrometer", "tester", "in", "furlong", "N", "role", "intake", "assumed"]  # fmt: skip
NUMBERS = [0, 1, -1, 1e-9, 5.0, 45.0, 1e6, 0.1, 100]


def leaves(value, path=()):
    """Give the path of every single value in a document."""
    children = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else None
    if children is None:
        yield path
        return
    for key, child in children:
        yield from leaves(child, (*path, key))


LEAVES = [list(leaves(document)) for document in DOCUMENTS]


@st.composite
def odd_documents(draw):
    which = draw(st.integers(0, len(DOCUMENTS) - 1))
    document = json.loads(json.dumps(DOCUMENTS[which]))
    for path in draw(st.lists(st.sampled_from(LEAVES[which]), min_size=1, max_size=3, unique=True)):
        holder = document
        for key in path[:-1]:
            holder = holder[key]
        old = holder[path[-1]]
        if isinstance(old, str):
            holder[path[-1]] = draw(st.sampled_from(WORDS))
        elif isinstance(old, int | float) and not isinstance(old, bool):
            holder[path[-1]] = draw(st.sampled_from(NUMBERS))
        else:
            holder[path[-1]] = draw(st.sampled_from([None, 1.0, "x", True]))
    return json.dumps(document).encode()


@pytest.mark.filterwarnings("ignore:Generating overly large repr")  # a failure is told as what it is
@settings(max_examples=40, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
@given(odd_documents())
def test_an_odd_file_is_refused_or_examined(data):
    with contextlib.suppress(FileError):
        book = decode_book(data, "x")
        examination = examine(book)
        assert list(findings_text(book, examination))
        assert findings_report(book, examination).version == 1
        assert list(book_text(book, examination))
        assert turn_plan(book) is not None
        assert decode_book(encode_book(book), "x") == book


def test_odd_files_are_shown(open_window, monkeypatch):
    from honest_lift.desk import questions

    monkeypatch.setattr(questions, "tell", lambda parent, title, words: None)
    window = open_window()

    @settings(max_examples=25, suppress_health_check=list(HealthCheck))
    @given(odd_documents())
    def shown(data):
        with contextlib.suppress(FileError):
            window.session.take(decode_book(data, "x"), None)
            for step in ("springs", "engine", "heights", "book"):
                window.session.open_step(step)
                window.session.walk(1)
                assert not window.grab().isNull()

    shown()
