"""Changes that may be tried on the demonstration, any of them and by any amount."""

from __future__ import annotations

from hypothesis import strategies as st

from engines import demo
from honest_lift.facts.changes import KINDS, Change, places_of

DEMO = demo()
AMOUNTS = [kind for kind in KINDS.values() if kind.how != "part"]
_START = {"ratio": 1.6, "lash": 0.4, "lobe_lift": 8.97}


@st.composite
def changes(draw: st.DrawFn) -> Change:
    kind = draw(st.sampled_from(AMOUNTS))
    where = draw(st.sampled_from(places_of(DEMO.engine.layout, kind)))
    reach = kind.reach * draw(st.floats(0.0 if kind.inside[0] >= 0 else -1.0, 1.0))
    amount = reach if kind.how == "by" else max(_START[kind.key] + reach, kind.inside[0])
    return Change("c", kind.key, where, round(amount, 4))
