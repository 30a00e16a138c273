"""Annealing over lists: a plan's pieces in their order, a few of them moved at each step.

Simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983): a worse neighbour is gone on from with a
chance that falls with how much worse it is and with time. What counts before cost never gets worse.
"""

from __future__ import annotations

import math

import numpy as np

from muster.core.plan.batch_search import PLAIN
from muster.core.plan.kernel.assemble import number
from muster.core.plan.kernel.attempt import attempt, attempt_list
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.follow import LIST_FIELDS, TASK, UP_TO, WISH
from muster.core.plan.kernel.layout import INF, State
from muster.core.plan.kernel.vary import N_DRAWS, read_list, vary
from muster.core.plan.plan import Plan
from muster.core.plan.search_state import Rank, SearchState

HOT, COLD = 3.0, 0.01
"""How much worse a neighbour is commonly gone on from, first and last: times a small worsening."""

SOFT = 0.1
"""How often the dispatch places a list, free to leave its order where that pays."""

STEPS_S = (40.0, 200.0, 1000.0, 5000.0)
"""How long the dispatch idles rather than leave the order by one place."""

SMALL = 0.4
"""A small worsening: only this share of those met is smaller."""

PATIENCES = (INF, INF, 900, 0)
"""Seconds that a row may idle before a later one may go first; one is chosen at each step."""


class ListSearch:
    """Lists from one beginning, each a neighbour of the one gone on from."""

    def __init__(self, ground: SearchState) -> None:
        self.ground = ground
        size = 3 * len(ground.assembled.tasks) + 64
        self.current = np.zeros((size, LIST_FIELDS), np.int64)
        self.made = np.zeros((size, LIST_FIELDS), np.int64)
        self.count = 0
        self.rank: Rank | None = None
        self.small_s = 0.0
        self.age = 0
        """Steps since it was last set out anew."""

    def set_out(self, state: State, rank: Rank) -> None:
        """Go on from a plan that was placed in ``state``."""
        self.count = read_list(self.ground.assembled.frame, state, self.current)
        self.rank = rank

    def rows_of(self, plan: Plan, keep_sittings: bool, loose: bool = True) -> Ints:
        """A plan as a list; what it does not know, or not whole, comes last.

        ``loose``: what it knows may come sooner, too, where the bench would stand idle.
        """
        problem = self.ground.assembled.problem
        at = number(self.ground.assembled.tasks)
        rows: list[tuple[int, int, int, int]] = []
        last: dict[int, int] = {}
        for block in plan.blocks:
            if block.do == "work" and block.ref in at:
                sitting = (problem.sitting_at(block.start) or 0) if keep_sittings else 0
                rows.append((at[block.ref], block.to_s, sitting, 0))
                if block.to_s == problem.tasks[block.ref].work_s:
                    last[at[block.ref]] = sitting
        order = self.ground.assembled.order.tolist()
        rows.extend((task, INF, 0 if loose else last.get(task, 0), 0) for task in order)
        return np.array(rows, np.int64).reshape(-1, LIST_FIELDS)

    def follow(
        self, plan: Plan, patience: int, keep_sittings: bool = True, loose: bool = True
    ) -> Rank:
        """Place everything in the order of ``plan``; none sooner than in its sitting, if wanted."""
        rows = self.rows_of(plan, keep_sittings, loose)
        return self.place(rows, len(rows), patience)

    def _learn(self, worse_s: float) -> None:
        """Keep ``small_s`` where ``SMALL`` of all worsenings lie below it."""
        if worse_s <= 0:
            return
        if not self.small_s:
            self.small_s = worse_s
        self.small_s *= 1.0 + 0.02 * (SMALL if worse_s > self.small_s else SMALL - 1.0)

    def place(self, entries: Ints, count: int, patience: int) -> Rank:
        """Place the first ``count`` rows as they stand, and keep it where it is the best."""
        ground, one = self.ground, self.ground.assembled
        attempt_list(
            one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
            one.windows, entries, count, patience, ground.measures,
        )  # fmt: skip
        ground.keep()
        return ground.lean_rank()

    def scramble(self) -> None:
        """Go on from all tasks in any order."""
        order = self.ground.random.permutation(len(self.ground.assembled.tasks))
        rows = np.zeros((len(order), LIST_FIELDS), np.int64)
        rows[:, TASK], rows[:, UP_TO] = order, INF
        rank = self.place(rows, len(rows), INF)
        self.set_out(self.ground.state, rank)

    def _lean_on(self, entries: Ints, count: int, step_s: float) -> Rank:
        """Let the dispatch place everything, leaning on the order of a list."""
        ground, one = self.ground, self.ground.assembled
        priority = np.full(len(one.tasks), float(count))
        priority[entries[:count, TASK][::-1]] = np.arange(count)[::-1]
        attempt(
            one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
            one.windows, priority * step_s, one.tail, one.due, PLAIN, self._wishes(entries, count),
            ground.measures,
        )  # fmt: skip
        ground.keep()
        return ground.lean_rank()

    def _wishes(self, entries: Ints, count: int) -> Ints:
        """By task: 1 where all its rows are held to what it wants."""
        wishes = self.ground.assembled.wishes.copy()
        wishes[entries[:count, TASK][entries[:count, WISH] == 0]] = 0
        return wishes

    def step(self, warmth: float) -> None:
        """One neighbour. ``warmth`` (1 to 0) says how much worse one may go on from."""
        ground = self.ground
        self.age += 1
        if self.rank is None or not self.count:
            ground.steps += 1
            return
        draws = ground.random.random(N_DRAWS)
        frame = ground.assembled.frame
        count = vary(frame, ground.strands, self.current, self.count, draws, self.made)
        if draws[9] < SOFT:
            rank = self._lean_on(self.made, count, STEPS_S[int(draws[7] * len(STEPS_S))])
        else:
            rank = self.place(self.made, count, PATIENCES[int(draws[7] * len(PATIENCES))])
        heat = self.small_s * COLD * (HOT / COLD) ** warmth
        room = self.rank[5] - heat * math.log(1.0 - float(draws[8]))
        self._learn(rank[5] - self.rank[5])
        if rank[:5] < self.rank[:5] or (rank[:5] == self.rank[:5] and rank[5] <= room):
            self.set_out(ground.state, rank)
