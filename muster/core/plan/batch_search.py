"""Waves: trays that go through their passes together, one wave after another.

Trays that share colours are cheapest side by side; models stand finished soonest one after another.
Between the two lie waves: within one everything is shared, and the next begins to fill the waiting
of the one before. Which trays form a wave, and in which order, is what is searched here; the
dispatch does the rest. Waves are first cut from the order of least work by weight (Smith 1956),
what is due earlier before it.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np

from muster.core.plan.kernel.attempt import attempt
from muster.core.plan.kernel.dispatch import (
    DUE,
    IDLE,
    N_TASTES,
    OVERHEAD,
    PICKY,
    SHARE,
    STARTED,
    TAIL,
)
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.layout import Floats
from muster.core.plan.search_state import Rank, SearchState

# Plain tastes: an idle second costs a second, so does a second of setting up, shared by those that
# wait for the same family; what still follows a task counts up to an hour.
PLAIN = np.zeros(N_TASTES, np.float64)
PLAIN[IDLE], PLAIN[OVERHEAD], PLAIN[SHARE] = 1.0, 1.0, 0.8
PLAIN[TAIL], PLAIN[DUE], PLAIN[STARTED], PLAIN[PICKY] = 2400.0, 900.0, 300.0, 0.3

SIZES = (9, 14, 6, 4, 20, 3, 2, 30)
"""Trays in a wave, to begin with; the likeliest first."""

STEPS_S = (6000.0, 2000.0, 800.0, 250.0)
"""How many seconds of idling and setting up a tray of the wave before is worth."""

HEAT = 0.01
"""How much worse waves one commonly goes on from at first, as a share of the cost."""


@dataclass(frozen=True)
class Batch:
    """Waves as tried: by tray which wave it is in, how strictly they follow, and the tastes."""

    of: Ints
    step_s: float
    weights: Floats
    leaning: Floats
    """By task: seconds added to how late it is taken."""
    wishes: Ints
    """By task: 1 where it is worked only where all that it wants holds."""
    rank: Rank


class BatchSearch:
    """Waves from one beginning, each varied from the one gone on from."""

    def __init__(self, ground: SearchState) -> None:
        self.ground = ground
        self.random = ground.random
        self.trays = int(ground.strands.max()) + 1 if len(ground.strands) else 0
        self.order = self._order()
        self.current: Batch | None = None
        sizes = [(0, STEPS_S[0])] + [
            (size, step)
            for step in STEPS_S
            for size in SIZES
            if size < self.trays and not (size == 2 and step > 2000)
        ]
        held = (0, 1) if ground.assembled.wishes.any() else (0,)
        self.untried = [(size, step, wish) for size, step in sizes for wish in held]

    def _order(self) -> Ints:
        """The rank of each tray: earliest due first, then least work left by weight."""
        problem, strands = self.ground.assembled.problem, self.ground.strands
        work, weight = np.zeros(self.trays), np.full(self.trays, 1e-3)
        due = np.full(self.trays, np.inf)
        done = problem.done_s()
        for tray, task in zip(strands, problem.tasks.values(), strict=True):
            work[tray] += task.work_s - done[task.id]
            items = [problem.items[item] for item in task.items]
            weight[tray] = max(weight[tray], sum(float(item.weight) for item in items))
            due[tray] = min([due[tray], *(float(i.due) for i in items if i.due is not None)])
        place = np.empty(self.trays, np.int64)
        place[np.lexsort((work / weight, due))] = np.arange(self.trays)
        return place

    def _try(
        self, of: Ints, step_s: float, weights: Floats, leaning: Floats, wishes: Ints
    ) -> Batch:
        ground, one = self.ground, self.ground.assembled
        priority = of[ground.strands] * step_s + leaning
        attempt(
            one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
            one.windows, priority, one.tail, one.due, weights, wishes,
            ground.measures,
        )  # fmt: skip
        made = Batch(of, step_s, weights, leaning, wishes, ground.rank())
        ground.keep()
        return made

    def next_first(self) -> bool:
        """Try the next of the waves to begin with; False where all were tried."""
        if not self.untried:
            return False
        size, step_s, held = self.untried.pop(0)
        of = self.order // size if size else np.zeros(self.trays, np.int64)
        none = np.zeros(len(self.ground.assembled.tasks))
        wishes = self.ground.assembled.wishes * held
        made = self._try(of, step_s, PLAIN, none, wishes)
        if self.current is None or made.rank < self.current.rank:
            self.current = made
        return True

    def step(self, warmth: float) -> None:
        """One variation. ``warmth`` (1 to 0) says how much worse one may go on from."""
        if self.next_first():
            return
        current = self.current
        assert current is not None
        varied = self._varied(current)
        made = self._try(varied.of, varied.step_s, varied.weights, varied.leaning, varied.wishes)
        heat = HEAT * warmth * current.rank[5]
        room = current.rank[5] - heat * math.log(1.0 - self.random.random())
        if made.rank[:5] < current.rank[:5] or (
            made.rank[:5] == current.rank[:5] and made.rank[5] <= room
        ):
            self.current = made

    def _varied(self, current: Batch) -> Batch:
        roll = self.random.random()
        of = current.of.copy()
        waves = int(of.max()) + 1 if self.trays else 1
        if self.trays > 1 and roll < 0.25:
            one, two = self.random.integers(self.trays, size=2)
            of[one], of[two] = of[two], of[one]
        elif self.trays > 1 and roll < 0.45:
            one = int(self.random.integers(self.trays))
            of[one] = max(0, of[one] + int(self.random.choice([-1, 1])))
        elif self.trays > 1 and roll < 0.53:
            # Split a wave in two, or make two one.
            wave = int(self.random.integers(waves))
            if self.random.random() < 0.5:
                mine = np.flatnonzero(of == wave)
                of[of > wave] += 1
                of[mine[self.random.random(len(mine)) < 0.5]] += 1
            else:
                of[of > wave] -= 1
        elif waves > 1 and roll < 0.6:
            wave = int(self.random.integers(waves - 1))
            first, second = of == wave, of == wave + 1
            of[first], of[second] = wave + 1, wave
        elif roll < 0.66:
            return replace(current, step_s=float(self.random.choice(STEPS_S)))
        elif roll < 0.7 and self.ground.assembled.wishes.any():
            wishes = current.wishes.copy()
            groups = self.ground.groups
            group = groups[int(self.random.integers(len(groups)))]
            wishes[group] = self.ground.assembled.wishes[group] * int(self.random.integers(2))
            return replace(current, wishes=wishes)
        elif roll < 0.76:
            weights = current.weights * np.exp(self.random.normal(0.0, 0.25, N_TASTES))
            return replace(current, weights=weights)
        else:
            return replace(current, leaning=self._leaning(current.leaning))
        return replace(current, of=of)

    def _leaning(self, leaning: Floats) -> Floats:
        """Lean on a task, a few, or a group: of one family, one unit, one tray."""
        leaning = leaning.copy()
        scale = float(self.random.choice([60.0, 240.0, 900.0, 3600.0]))
        if self.random.random() < 0.5:
            groups = self.ground.groups
            leaning[groups[int(self.random.integers(len(groups)))]] += self.random.normal(0, scale)
        else:
            chosen = self.random.integers(len(leaning), size=1 + int(self.random.integers(3)))
            leaning[chosen] += self.random.normal(0.0, scale, len(chosen))
        return leaning
