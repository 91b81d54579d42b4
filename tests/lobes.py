"""Lobes of two families with the noise of a bench, for tests and for the figures of docs/validation.md."""

import numpy as np

from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.mechanics.cam.lobe import CardLobe

LIFT_ERROR, WHEEL = 0.01 / np.sqrt(12), 0.2


class Polynomial:
    """A 2-p-q-r-s lobe: another family than the program draws from a card, known with its derivatives in closed form.

    Source: Norton, Cam Design and Manufacturing Handbook (boundary conditions), from memory.
    """

    def __init__(self, lift, half, powers, lean=0.0):
        self.lift_mm, self.half, self.lean = lift, half, lean
        self.end_deg = half * (1 + lean)
        self.powers = (2, *powers)
        rows = [[1.0] * 5]
        for order in range(1, 5):
            rows.append([float(np.prod([p - k for k in range(order)])) for p in self.powers])
        self.shares = np.linalg.solve(np.array(rows), [-1.0, 0, 0, 0, 0])

    def _share(self, cam):
        half = np.where(cam < 0, self.half * (1 - self.lean), self.half * (1 + self.lean))
        return np.minimum(np.abs(cam) / half, 1.0), half

    def lift(self, cam):
        x, _ = self._share(np.asarray(cam))
        return self.lift_mm * np.where(
            x < 1, 1 + sum(c * x**p for c, p in zip(self.shares, self.powers, strict=True)), 0
        )

    def acceleration(self, cam):
        x, half = self._share(np.asarray(cam))
        bent = sum(c * p * (p - 1) * x ** (p - 2) for c, p in zip(self.shares, self.powers, strict=True))
        return self.lift_mm / half**2 * np.where(x < 1, bent, 0.0)


def twenty(seed=5):
    """Twenty lobes of both families, and the noise to walk them with: seeded, so that the figures stand still."""
    rng, lobes = np.random.default_rng(seed), []
    for i in range(20):
        lift = rng.uniform(6, 11)
        if i % 2:
            p = int(rng.choice([6, 8, 10]))
            q = p + int(rng.choice([4, 6, 8]))
            r = q + int(rng.choice([6, 8, 10]))
            lobes.append(Polynomial(lift, rng.uniform(62, 80), (p, q, r, r + int(rng.choice([8, 10, 14])))))
        else:
            d = rng.uniform(270, 310)
            flank = flank_from_card(
                lift, ((0.15, d), (1.27, d - rng.uniform(36, 46)), (5.08, d - rng.uniform(125, 140)))
            )
            lobes.append(CardLobe(flank))
    return lobes, rng


class Pulsed:
    """A lobe by its acceleration: a nose as flat as its power, then half a sine wave; integrated by the trapezoidal rule."""

    def __init__(self, lift, half, turn, power):
        self.at = np.linspace(0.0, half, 4001)
        change = turn * half
        nose = -np.cos(np.pi / 2 * np.clip(self.at / change, 0, 1) ** power) * (self.at < change)
        flank = np.where(self.at >= change, np.sin(np.pi * np.clip((self.at - change) / (half - change), 0, 1)), 0.0)
        bent = nose - flank * self._sum(nose)[-1] / self._sum(flank)[-1]
        fallen = self._sum(self._sum(bent))
        scale = lift / -fallen[-1]
        self.lift_mm, self.end_deg = lift, half
        self._lift, self._bent = lift + fallen * scale, bent * scale

    def _sum(self, rate):
        return np.concatenate([[0.0], np.cumsum((rate[1:] + rate[:-1]) / 2 * (self.at[1] - self.at[0]))])

    def lift(self, cam):
        return np.interp(np.abs(cam), self.at, self._lift, right=0.0)

    def acceleration(self, cam):
        return np.interp(np.abs(cam), self.at, self._bent, right=0.0)


def usual_pulsed(count=30, seed=3):
    """Lobes of that family with a usual nose and flank."""
    rng, found = np.random.default_rng(seed), []
    while len(found) < count:
        one = Pulsed(rng.uniform(6.5, 10), rng.uniform(72, 92), rng.uniform(0.42, 0.6), rng.choice([1.5, 2, 3, 4]))
        bent = one.acceleration(np.linspace(0, one.end_deg, 800))
        if -0.0070 <= bent.min() <= -0.0040 and 0.006 <= bent.max() <= 0.013:
            found.append(one)
    return found


def walked(lobe, rng, step, resolution=0.01, wheel=WHEEL, span=240.0, level=0.2):
    """Walk a lobe with a wheel: every reading rounded to the indicator's step, the wheel misread by its error."""
    crank = np.arange(-span, span + 1, step)
    lift = lobe.lift((crank + rng.normal(0, wheel, len(crank))) / 2)
    return crank, np.round(lift / resolution) * resolution + level


def walked_table(book, place, durations, lift_mm, *, centre_deg, tool, wheel, stops=True):
    """Give the table of a lobe from a card walked every two crank degrees, by a wheel whose zero is its TDC."""
    from honest_lift.facts.edits import new_id, now
    from honest_lift.facts.staleness import depends_on
    from honest_lift.facts.wheel_table import WheelTable

    lobe = CardLobe(flank_from_card(lift_mm, durations))
    crank = np.arange(centre_deg - 180.0, centre_deg + 180.1, 2.0)
    lifts = np.round(lobe.lift((crank - centre_deg) / 2.0), 2)
    return WheelTable(
        new_id(), now(), "", place, "lifter", tuple(crank.tolist()), tuple(np.maximum(lifts, 0.0).tolist()), tool, wheel,
        (-30.0, 30.0) if stops else None, "mm", depends_on=depends_on(book.engine, "lobe_lift", "indicator", place),
    )  # fmt: skip
