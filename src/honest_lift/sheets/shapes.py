"""The shape of each verdict on paper: told apart without a colour."""

from honest_lift.numbers.verdict import Verdict

SHAPES = {Verdict.PASSES: "●", Verdict.CLOSE: "◐", Verdict.FAILS: "▲", Verdict.UNPROVEN: "◌"}
