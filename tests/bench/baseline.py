"""Varied restarts of the dispatch around the best found so far."""

from __future__ import annotations

from dataclasses import dataclass

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
from muster.core.plan.kernel.fields import column, scalar
from muster.core.plan.kernel.layout import BLOCK_FIELDS, DO_WORK, Floats, State
from muster.core.plan.search_state import Rank, SearchState

# Plain tastes: an idle second costs a second, so does a second of setting up, shared by those that
# wait for the same family; what still follows a task counts up to an hour.
PLAIN = np.zeros(N_TASTES, np.float64)
PLAIN[IDLE], PLAIN[OVERHEAD], PLAIN[SHARE] = 1.0, 1.0, 0.8
PLAIN[TAIL], PLAIN[DUE], PLAIN[STARTED], PLAIN[PICKY] = 2400.0, 900.0, 300.0, 0.3

FRESH_SHARE = 0.15
"""How often an attempt sets out from nothing rather than from the best so far."""


@dataclass
class Attempt:
    """What a dispatch was made with, and what came of it."""

    priority: Floats
    weights: Floats
    rank: Rank
    starts: Floats
    """When each task's first piece starts; tasks without one come last."""


class Restarts:
    """Dispatches from one beginning, each varied from an earlier one or fresh."""

    def __init__(self, ground: SearchState) -> None:
        self.ground = ground
        self.random = ground.random
        self.current: Attempt | None = None
        self.best: Attempt | None = None

    def try_once(self, priority: Floats, weights: Floats) -> Attempt:
        """One dispatch."""
        one, ground = self.ground.assembled, self.ground
        attempt(
            one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
            one.windows, priority, one.tail, one.due, weights, one.wishes * 0,
            ground.measures,
        )  # fmt: skip
        made = Attempt(priority, weights, ground.rank(), self._starts())
        ground.keep()
        if self.best is None or made.rank < self.best.rank:
            self.best = made
        return made

    def _starts(self) -> Floats:
        state = self.ground.state
        starts = np.full(len(self.ground.assembled.tasks), np.inf)
        count = scalar(state, State, "n_blocks") * BLOCK_FIELDS
        rows = column(state, State, "blocks", count).reshape(-1, BLOCK_FIELDS)
        work = rows[rows[:, 0] == DO_WORK][::-1]
        starts[work[:, 1]] = work[:, 4]
        return starts

    def first(self) -> Attempt:
        """The plain dispatch."""
        made = self.try_once(np.zeros(len(self.ground.assembled.tasks)), PLAIN)
        if self.current is None or made.rank < self.current.rank:
            self.current = made
        return made

    def step(self, warmth: float) -> None:
        """One varied attempt. ``warmth`` (1 to 0) says how much worse one may go on from."""
        current = self.current
        assert current is not None
        roll = self.random.random()
        if roll < FRESH_SHARE * warmth:
            priority, weights = self._fresh()
        elif roll < 0.6:
            priority, weights = self._reordered(current)
        else:
            priority, weights = self._varied(current)
        made = self.try_once(priority, weights)
        room = (*current.rank[:5], current.rank[5] * (1 + 0.02 * warmth))
        if made.rank <= room:
            self.current = made
        elif self.best is not None and self.random.random() < 0.02:
            self.current = self.best

    def _fresh(self) -> tuple[Floats, Floats]:
        count = len(self.ground.assembled.tasks)
        weights = PLAIN * np.exp(self.random.normal(0.0, 0.6, N_TASTES))
        return self.random.normal(
            0.0, self.random.choice([30.0, 120.0, 400.0, 6000.0]), count
        ), weights

    def _reordered(self, current: Attempt) -> tuple[Floats, Floats]:
        """The order of an earlier attempt, with a task, a few, or a group moved in it.

        The wider the step between ranks, the longer one idles rather than leave the order.
        """
        count = len(current.priority)
        place = np.empty(count, np.float64)
        place[np.argsort(current.starts, kind="stable")] = np.arange(count)
        spread = float(self.random.choice([1.5, 4.0, 15.0, 60.0]))
        if self.random.random() < 0.3:
            group = self.ground.groups[int(self.random.integers(len(self.ground.groups)))]
            place[group] += self.random.normal(0.0, spread)
        else:
            chosen = self.random.integers(count, size=1 + int(self.random.integers(2)))
            place[chosen] += self.random.normal(0.0, spread, len(chosen))
        rank = np.empty(count, np.float64)
        rank[np.argsort(place, kind="stable")] = np.arange(count)
        return rank * float(self.random.choice([40.0, 200.0, 1000.0, 5000.0])), current.weights

    def _varied(self, current: Attempt) -> tuple[Floats, Floats]:
        priority, weights = current.priority.copy(), current.weights
        count = len(priority)
        roll = self.random.random()
        scale = float(self.random.choice([60.0, 240.0, 900.0, 3600.0]))
        if roll < 0.2:
            weights = weights * np.exp(self.random.normal(0.0, 0.25, N_TASTES))
        elif roll < 0.5 and self.ground.groups:
            group = self.ground.groups[int(self.random.integers(len(self.ground.groups)))]
            priority[group] += self.random.normal(0.0, scale)
        else:
            chosen = self.random.integers(count, size=1 + int(self.random.integers(3)))
            priority[chosen] += self.random.normal(0.0, scale, len(chosen))
        return priority, weights
