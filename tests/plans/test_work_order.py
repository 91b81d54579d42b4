"""The machinist's work order, and what of a mock-up holds the route up."""

from __future__ import annotations

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.checks.route import on_route
from honest_lift.checks.signed import to_sign
from honest_lift.facts.book.log_edits import Tick
from honest_lift.facts.edits import Describe
from honest_lift.facts.job import Job
from honest_lift.plans.cures import cures_for
from honest_lift.plans.head.work_order import STAGES, work_order
from honest_lift.sheets.findings_text import findings_text
from honest_lift.sheets.work_order_text import work_order_text

BOOK = demo()
SEEN = examine(BOOK)


def test_every_failing_finding_with_a_cure_stands_in_it_once_in_the_order_of_the_shop():
    jobs = work_order(BOOK, SEEN)
    order = [STAGES.index(one.stage) for one in jobs]
    assert order == sorted(order)
    ours = {name for stage in STAGES for name in stage.checks}
    wanted = {
        (one.check.name, one.place) for one in SEEN.findings
        if one.position and one.verdict.word == "fails" and one.check.name in ours and cures_for(BOOK, one)
    }  # fmt: skip
    assert {(one.finding.check.name, one.finding.place) for one in jobs} == wanted
    assert len(jobs) == len(wanted) > 5
    text = "\n".join(work_order_text(BOOK.engine, jobs))
    assert text.count("[ ]") == len(jobs)
    assert all(one.cures[0] in text for one in jobs)


def test_what_is_signed_for_is_not_ordered():
    made = Bench()
    made.history.book = BOOK
    first = work_order(BOOK, SEEN)[0].finding
    made.do(Describe({"hand": "Ash"}, "hand"))
    made.do(to_sign(made.book, first, "stays as it is"))
    left = work_order(made.book, examine(made.book))
    assert len(left) == len(work_order(BOOK, SEEN)) - 1
    assert "Nothing fails that a machinist" in "\n".join(work_order_text(BOOK.engine, ()))


def test_a_mock_up_is_known_to_every_reading_and_out_before_anything_is_final():
    made = Bench().complete().do(Describe({"hand": "Ash", "job": Job("ratio change")}, "hand"))
    made.do(Describe({"mock_up": ("checking springs", "solid lifter")}, "mock-up in")).height("1e", 45.1)
    assert made.book.journal[-1].note == "mock-up: checking springs, solid lifter"
    assert "mock-up still in: checking springs, solid lifter" in "\n".join(findings_text(made.book, examine(made.book)))

    def item(key):
        return next(one for one in on_route(made.book, examine(made.book)) if one.item.key == key)

    made.do(Tick("final_parts")).do(Tick("turned_twice"))
    assert (item("final_parts").is_done, item("turned_twice").is_done) == (False, True)
    assert item("final_parts").left_in == ("checking springs", "solid lifter")
    made.do(Describe({"mock_up": ()}, "out")).height("1e", 45.1)
    assert item("final_parts").is_done
    assert made.book.journal[-1].note == ""
