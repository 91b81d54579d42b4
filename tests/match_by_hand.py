"""An invented shelf with pockets, and the nested loop over it that the search is held against, one number at a time."""

from itertools import combinations_with_replacement
from math import inf, isfinite, isnan, sqrt

import numpy as np

from honest_lift.mechanics.match.asked import Asked, CardSprings, Pairs, Pockets, Retainers, Stacks, Window

ANGLES = 9


def shelf(seed, springs=7, retainers=4, locks=3, pockets=3):
    """Lay an invented shelf and pockets out; figures wide enough that most things fail now and then."""
    rng = np.random.default_rng(seed)
    blank = lambda values, share: np.where(rng.random(len(values)) < share, np.nan, values)  # noqa: E731
    n = springs
    outside = rng.uniform(33, 41, n)
    members = rng.choice([1.0, 2.0], n)
    card = CardSprings(
        rng.uniform(40, 75, n), rng.uniform(45, 49, n), rng.uniform(850, 1080, n), rng.uniform(26, 32.5, n),
        blank(rng.uniform(12.5, 16, n), 0.3), blank(rng.uniform(0.03, 0.06, n), 0.1), outside, rng.uniform(13, 24, n), outside,
        outside - rng.uniform(8.5, 10, n), members, blank(rng.uniform(0.3, 0.5, n), 0.5),
    )  # fmt: skip
    held_by = Retainers(
        rng.uniform(23, 32, retainers), rng.uniform(36, 44, retainers), rng.choice([1.0, 2.0], retainers)
    )
    r, q = (one.ravel() for one in np.meshgrid(np.arange(retainers), np.arange(locks), indexing="ij"))
    high, higher = rng.choice([0.0, 1.27], retainers), rng.choice([0.0, -1.27], locks)
    under, heavy = blank(rng.uniform(-1.5, 1.5, retainers), 0.3), blank(rng.uniform(0.01, 0.04, retainers), 0.2)
    pairs = Pairs(r, q, high[r] + higher[q], under[r], heavy[r] + rng.uniform(0.003, 0.008, locks)[q])
    at = pockets
    role = np.arange(at) % 2
    lift = np.where(role, 13.4, 13.0)
    fraction, bends = rng.uniform(0.3, 1.0, (2, ANGLES)), rng.uniform(0.6e-3, 2.4e-3, (2, ANGLES))
    per = (bends * 1e-3 * 36.0)[role]
    pockets = Pockets(
        rng.normal(48.0, 0.5, at), rng.uniform(0.01, 0.04, at), lift, rng.uniform(0.0, 0.05, at), rng.uniform(15.5, 19, at),
        np.full(at, 0.03), blank(rng.uniform(39, 43, at), 0.3), blank(rng.uniform(13, 15, at), 0.3), rng.uniform(0.12, 0.2, at),
        1.0 / per, lift[:, None] * fraction[role] / per, rng.choice([0.0, 90.0], at), np.full(at, 0.02),
    )  # fmt: skip

    def window(least, most, comfort):
        return Window(*(np.full(at, float(one)) for one in (least, most, comfort)))

    asked = Asked(
        window(800, 1100, 80), window(1200, 2100, 150), window(1.2, inf if seed % 2 else 4.5, 0.5), window(1.5, inf, 1.0),
        window(0, inf, 0.5), window(-inf, 900, 50), window(5 if seed % 3 else -inf, inf, 10), 6500.0, 5.0, 9.0, 0.02, 0.05, 3.0,
    )  # fmt: skip
    sizes = (0.38, 0.76, 1.52)
    totals = sorted({round(sum(one), 6) for k in range(4) for one in combinations_with_replacement(sizes, k)} | {-0.5})
    stacks = Stacks(np.array(totals), np.zeros(len(totals), dtype=np.int64), np.array(totals) < 0)
    return card, held_by, pairs, pockets, stacks, asked


def by_hand(card, held_by, pairs, pockets, stacks, asked):
    """Give {(spring, pair): weakest rung} of every candidate, by a nested loop."""
    found = {}
    for s in range(len(card.rate)):
        for q in range(len(pairs.retainer)):
            if not goes_together(card, held_by, pockets, asked, s, pairs.retainer[q]):
                continue
            weakest = min(
                max(min(rungs(card, pairs, pockets, asked, s, q, p, t)) for t in stacks.total_mm)
                for p in range(len(pockets.bare_mm))
            )
            if weakest >= -1e-9:
                found[s, q] = weakest
    return found


def goes_together(card, held_by, pockets, asked, s, r):
    play = card.top_inside_mm[s] - held_by.spigot_mm[r]
    return (
        asked.fit_u_mm <= play <= asked.loose_mm and held_by.covers_mm[r] >= card.top_outside_mm[s]
        and held_by.members[r] == card.members[s]
        and all(isnan(f) or f - card.outside_mm[s] >= asked.fit_u_mm for f in pockets.floor_mm)
        and all(isnan(b) or card.inside_mm[s] - b >= asked.fit_u_mm for b in pockets.boss_mm)
    )  # fmt: skip


def rungs(card, pairs, pockets, asked, s, q, p, total):
    """Give every rung of one spring, pair and stack at one pocket."""
    height, lift = pockets.bare_mm[p] + pairs.offset_mm[q] - total, pockets.lift_mm[p]
    k, uh, ul = card.rate[s], pockets.height_u[p], pockets.lift_u[p]
    at = lambda h: card.load_n[s] + k * (card.height_mm[s] - h)  # noqa: E731
    seat, opened, bind = at(height), at(height - lift), height - lift - card.bind_mm[s]
    u_seat, u_open = 2 * sqrt(asked.seat_u_n**2 + (k * uh) ** 2), 2 * sqrt(asked.open_u_n**2 + k**2 * (uh**2 + ul**2))
    u_bind = 2 * sqrt(uh**2 + ul**2 + asked.bind_u_mm**2)
    for limit, value, u in (
        (asked.seat_load, seat, u_seat),
        (asked.open_load, opened, u_open),
        (asked.coil_bind_clearance, bind, u_bind),
    ):
        yield min(value - limit.least[p], limit.most[p] - value) / limit.comfort[p] - u / limit.comfort[p]
    if not isnan(card.stress_mpa_n[s]):
        stress = card.stress_mpa_n[s] * opened
        yield (asked.open_stress.most[p] - stress * (1 + 2 * 0.05 / sqrt(3))) / asked.open_stress.comfort[p]
    if not isnan(card.most_lift_mm[s]):
        yield (card.most_lift_mm[s] - lift - 2 * ul) / asked.card_lift.comfort[p]
    if not isnan(pairs.down_mm[q]):
        gap = pockets.gap_mm[p] + pairs.offset_mm[q] - pairs.down_mm[q] - lift
        yield (
            gap - asked.retainer_seal.least[p] - 2 * sqrt(pockets.gap_u[p] ** 2 + ul**2)
        ) / asked.retainer_seal.comfort[p]
    mass = pockets.fixed_kg[p] + card.moving_kg[s] + pairs.mass_kg[q]
    if not isnan(mass) and isfinite(asked.control.least[p]):
        holds = min(
            (seat - pockets.gas_n[p]) * a + k * b for a, b in zip(pockets.held_p[p], pockets.held_q[p], strict=True)
        )
        share = sqrt(max(holds, 0) / mass) / asked.red_line_rpm * (1 - 2 * pockets.nose_u[p])
        yield (100 * (share - 1) - asked.control.least[p]) / asked.control.comfort[p]
