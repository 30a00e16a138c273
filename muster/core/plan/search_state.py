"""What every way of searching stands on: one beginning, one store of the best, one chance."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.assemble import Assembled, ints
from muster.core.plan.kernel.attempt import (
    COST,
    DAYS,
    LATE,
    LEAN,
    LEFT_S,
    LEFT_WEIGHT,
    N_MEASURES,
    UNPINNED,
)
from muster.core.plan.kernel.fields import Ints, copy_of
from muster.core.plan.kernel.layout import State
from muster.core.plan.problem import whole_names

Rank = tuple[float, float, float, float, float, float]
"""Pins not kept, weight left, seconds left, late weight, lateness in days, cost: smaller is better,
in this order."""

LEFT_WORTH = 2.0
"""What a second of work left counts as in what is gone on from, in seconds of bench work: more than
it costs to do, and so that a few seconds more or less do not end the search there."""


def walked(rank: Rank) -> Rank:
    """A rank as the search walks on it: seconds left are one with the cost."""
    unpinned, weight, left_s, late, days, cost = rank
    return (unpinned, weight, 0.0, late, days, cost + LEFT_WORTH * left_s)


class SearchState:
    """``state`` and ``measures`` hold the attempt made last; ``best`` a copy of the best state."""

    def __init__(self, assembled: Assembled, start: State, seed: int) -> None:
        self.assembled = assembled
        self.start = start
        self.state, self.spare = copy_of(start), copy_of(start)
        self.best = copy_of(start)
        self.best_rank: Rank | None = None
        self.random = np.random.Generator(np.random.PCG64(seed))
        self.steps = 0
        self.measures = np.zeros(N_MEASURES, np.float64)
        self.groups, self.strands = self._groups()

    def _groups(self) -> tuple[list[Ints], Ints]:
        """Tasks that are worth moving together: of a family, a unit, a tray; and trays by task.

        Tasks on the same models, whole or in parts, are of one tray.
        """
        problem = self.assembled.problem
        by_family: dict[str, list[int]] = {}
        by_unit: dict[str, list[int]] = {}
        by_models: dict[tuple[str, ...], list[int]] = {}
        for index, task in enumerate(problem.tasks.values()):
            by_family.setdefault(task.family or "", []).append(index)
            by_unit.setdefault(problem.items[task.items[0]].unit or "", []).append(index)
            models = tuple(sorted({whole_names(item)[-1] for item in task.items}))
            by_models.setdefault(models, []).append(index)
        strands = np.zeros(len(problem.tasks), np.int64)
        for number, group in enumerate(by_models.values()):
            strands[group] = number
        groups = (*by_family.values(), *by_unit.values(), *by_models.values())
        return [ints(group) for group in groups], strands

    def rank(self) -> Rank:
        """What the attempt made last amounts to."""
        m = self.measures
        return (
            float(m[UNPINNED]), round(float(m[LEFT_WEIGHT]), 6), float(m[LEFT_S]),
            round(float(m[LATE]), 6), float(m[DAYS]), float(m[COST]),
        )  # fmt: skip

    def lean_rank(self) -> Rank:
        """What is gone on from: an almost empty last sitting counts as almost saved."""
        return walked((*self.rank()[:5], float(self.measures[LEAN])))

    def keep(self) -> bool:
        """Count the attempt made last, and keep it where it is the best so far."""
        self.steps += 1
        rank = self.rank()
        if self.best_rank is not None and rank >= self.best_rank:
            return False
        self.best_rank = rank
        self.best[:] = self.state
        return True
