"""Varied restarts of the dispatch around the best found so far: anytime, stoppable, repeatable."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from muster.core.plan.kernel.assemble import Assembled
from muster.core.plan.kernel.attempt import COST, DAYS, LATE, LEFT, N_MEASURES, attempt
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
from muster.core.plan.kernel.shape import (
    BLOCK_FIELDS,
    BLOCKS,
    DO_WORK,
    N_BLOCKS,
    Floats,
    Ints,
    column,
)

Rank = tuple[float, float, float, float]

# Plain tastes: an idle second costs a second, so does a second of setting up, shared by those that
# wait for the same family; what still follows a task counts up to an hour.
PLAIN = np.zeros(N_TASTES, np.float64)
PLAIN[IDLE], PLAIN[OVERHEAD], PLAIN[SHARE] = 1.0, 1.0, 0.8
PLAIN[TAIL], PLAIN[DUE], PLAIN[STARTED], PLAIN[PICKY] = 2400.0, 900.0, 300.0, 0.3

FRESH_SHARE = 0.15
"""How often an attempt sets out from nothing rather than from the best so far."""


@dataclass
class Attempt:
    """What an attempt was made with, and what came of it."""

    priority: Floats
    taste: Floats
    rank: Rank
    state: Ints
    starts: Floats
    """When each task's first piece starts; tasks without one come last."""


class Search:
    """Attempts from one beginning. ``best`` is the best so far; ``steps`` how many were made."""

    def __init__(self, assembled: Assembled, start: Ints, seed: int) -> None:
        self.assembled = assembled
        self.start = start
        self.state, self.spare = start.copy(), start.copy()
        self.random = np.random.Generator(np.random.PCG64(seed))
        self.steps = 0
        self.measures = np.zeros(N_MEASURES, np.float64)
        self.groups = self._groups()
        self.best: Attempt | None = None
        self.current: Attempt | None = None

    def _groups(self) -> list[Ints]:
        """Tasks that are worth moving together: of one family, of one unit, of one tray."""
        by_family: dict[str, list[int]] = {}
        by_unit: dict[str, list[int]] = {}
        by_items: dict[tuple[str, ...], list[int]] = {}
        problem = self.assembled.problem
        for index, task in enumerate(problem.tasks.values()):
            by_family.setdefault(task.family or "", []).append(index)
            by_unit.setdefault(problem.items[task.items[0]].unit or "", []).append(index)
            by_items.setdefault(task.items, []).append(index)
        groups = (*by_family.values(), *by_unit.values(), *by_items.values())
        return [np.array(group, np.int64) for group in groups]

    def try_once(self, priority: Floats, taste: Floats) -> Attempt:
        """One dispatch. The state it ends in is copied only where it is the best so far."""
        one = self.assembled
        attempt(
            one.frame, one.weight, self.start, self.state, self.spare, one.order, one.windows,
            priority, one.tail, one.due, taste, self.measures,
        )  # fmt: skip
        self.steps += 1
        m = self.measures
        rank = (float(m[LEFT]), round(float(m[LATE]), 6), float(m[DAYS]), float(m[COST]))
        made = Attempt(priority, taste, rank, self.state, self._starts())
        if self.best is None or rank < self.best.rank:
            made.state = self.state.copy()
            self.best = made
        return made

    def _starts(self) -> Floats:
        starts = np.full(len(self.assembled.tasks), np.inf)
        count = int(self.state[N_BLOCKS]) * BLOCK_FIELDS
        rows = column(self.state, BLOCKS, count).reshape(-1, BLOCK_FIELDS)
        work = rows[rows[:, 0] == DO_WORK][::-1]
        starts[work[:, 1]] = work[:, 4]
        return starts

    def first(self, priority: Floats | None = None, taste: Floats | None = None) -> Attempt:
        """The plain dispatch, or one that follows a given order."""
        count = len(self.assembled.tasks)
        made = self.try_once(
            np.zeros(count) if priority is None else priority, PLAIN if taste is None else taste
        )
        if self.current is None or made.rank < self.current.rank:
            self.current = made
        return made

    def step(self, warmth: float) -> None:
        """One varied attempt. ``warmth`` (1 to 0) says how much worse one may go on from."""
        current = self.current
        assert current is not None
        roll = self.random.random()
        if roll < FRESH_SHARE * warmth:
            priority, taste = self._fresh()
        elif roll < 0.6:
            priority, taste = self._reordered(current)
        else:
            priority, taste = self._varied(current)
        made = self.try_once(priority, taste)
        room = (*current.rank[:3], current.rank[3] * (1 + 0.02 * warmth))
        if made.rank <= room:
            self.current = made
        elif self.best is not None and self.random.random() < 0.02:
            self.current = self.best

    def _fresh(self) -> tuple[Floats, Floats]:
        count = len(self.assembled.tasks)
        taste = PLAIN * np.exp(self.random.normal(0.0, 0.6, N_TASTES))
        return self.random.normal(
            0.0, self.random.choice([30.0, 120.0, 400.0, 6000.0]), count
        ), taste

    def _reordered(self, current: Attempt) -> tuple[Floats, Floats]:
        """The order of an earlier attempt, with a task, a few, or a group moved in it.

        The wider the step between ranks, the longer one idles rather than leave the order.
        """
        count = len(current.priority)
        place = np.empty(count, np.float64)
        place[np.argsort(current.starts, kind="stable")] = np.arange(count)
        spread = float(self.random.choice([1.5, 4.0, 15.0, 60.0]))
        if self.random.random() < 0.3:
            group = self.groups[int(self.random.integers(len(self.groups)))]
            place[group] += self.random.normal(0.0, spread)
        else:
            chosen = self.random.integers(count, size=1 + int(self.random.integers(2)))
            place[chosen] += self.random.normal(0.0, spread, len(chosen))
        rank = np.empty(count, np.float64)
        rank[np.argsort(place, kind="stable")] = np.arange(count)
        return rank * float(self.random.choice([40.0, 200.0, 1000.0, 5000.0])), current.taste

    def _varied(self, current: Attempt) -> tuple[Floats, Floats]:
        priority, taste = current.priority.copy(), current.taste
        count = len(priority)
        roll = self.random.random()
        scale = float(self.random.choice([60.0, 240.0, 900.0, 3600.0]))
        if roll < 0.2:
            taste = taste * np.exp(self.random.normal(0.0, 0.25, N_TASTES))
        elif roll < 0.5 and self.groups:
            group = self.groups[int(self.random.integers(len(self.groups)))]
            priority[group] += self.random.normal(0.0, scale)
        else:
            chosen = self.random.integers(count, size=1 + int(self.random.integers(3)))
            priority[chosen] += self.random.normal(0.0, scale, len(chosen))
        return priority, taste

    def run(
        self,
        until_step: int | None,
        go_on: Callable[[], float],
        on_better: Callable[[Search], None] | None = None,
    ) -> None:
        """Attempt until ``until_step`` steps are made or ``go_on`` answers 0.

        ``go_on`` answers what share of the time is left, 1 to 0. With ``until_step`` alone the
        result depends on the seed and the number of steps only.
        """
        if not self.assembled.tasks:
            return
        while until_step is None or self.steps < until_step:
            left = go_on()
            if left <= 0:
                return
            if until_step is not None:
                left = 1 - self.steps / until_step
            before = self.best
            self.step(left)
            if on_better is not None and self.best is not before:
                on_better(self)
