"""Making a plan: settle what facts have left behind, dispatch, improve, and prove."""

from __future__ import annotations

from collections.abc import Callable
from functools import cached_property

import numpy as np

from muster.core.plan.bounds import bounds_of
from muster.core.plan.kernel.assemble import Assembled, assemble
from muster.core.plan.kernel.attempt import owed_can_be_paid
from muster.core.plan.kernel.beginning import beginning
from muster.core.plan.kernel.shape import (
    BLOCK_FIELDS,
    BLOCKS,
    DO_NAMES,
    I_DONE,
    N_BLOCKS,
    T_WORK,
    Ints,
    column,
)
from muster.core.plan.measure import measure
from muster.core.plan.plan import Block, Bounds, Plan, Score
from muster.core.plan.problem import Problem
from muster.core.plan.proof import proven
from muster.core.plan.reasons import why_impossible
from muster.core.plan.search import Search

PATIENCE = 24
"""How many varied attempts are made at least where the first finds no place for something."""


class Planner:
    """Plans one problem. Use ``first`` for a plan at once, then ``improve`` as long as wanted."""

    def __init__(self, problem: Problem, seed: int = 1) -> None:
        self.problem = problem
        self.seed = seed
        self.assembled = assemble(problem)
        start, self.missed = _settle(self.assembled)
        self.search = Search(self.assembled, start, seed)

    @cached_property
    def bounds(self) -> Bounds:
        """What is proven of every plan; found when it is first asked for."""
        return bounds_of(self.problem)

    def prove(self) -> None:
        """Look for a stronger bound on the cost: a second or a few, so not while anyone waits."""
        self.bounds = proven(self.problem, self.bounds)

    def first(self, guide: Plan | None = None) -> Plan:
        """A complete plan at once; one that keeps to the order of ``guide`` where there is one."""
        self.search.first(guide)
        while self.search.best_rank is not None and self.search.best_rank[0] > 0:
            if self.search.steps >= PATIENCE:
                break
            self.search.step(1.0)
        return self.plan()

    def improve(
        self,
        until_step: int | None,
        go_on: Callable[[], float],
        on_better: Callable[[Plan], None] | None = None,
    ) -> Plan:
        """Better plans until ``until_step`` attempts are made or ``go_on`` answers 0."""
        told = None if on_better is None else (lambda _: on_better(self.plan()))
        self.search.run(until_step, go_on, told)
        return self.plan()

    def plan(self) -> Plan:
        """The best so far."""
        best, rank = self.search.best, self.search.best_rank
        assert rank is not None
        missed = tuple(
            (self.problem.links[link].before, self.problem.links[link].after)
            for link in self.missed
        )
        if rank[0] > 0:
            return self._impossible(best, missed)
        blocks = blocks_of(self.assembled, best)
        done = column(best, I_DONE, len(self.assembled.items)).tolist()
        worked = {item for task in self.problem.tasks.values() for item in task.items}
        done_at = {
            name: done[index] for index, name in enumerate(self.assembled.items) if name in worked
        }
        return Plan(
            status="planned",
            blocks=blocks,
            score=measure(self.problem, blocks, done_at, len(missed)),
            bounds=self.bounds,
            missed=missed,
            seed=self.seed,
            steps=self.search.steps,
        )

    def _impossible(self, state: Ints, missed: tuple[tuple[str, str], ...]) -> Plan:
        work = column(state, T_WORK, len(self.assembled.tasks)).tolist()
        placed = dict(zip(self.assembled.tasks, work, strict=True))
        zero = self.bounds.late_weight * 0
        return Plan(
            status="impossible",
            blocks=(),
            score=Score(len(missed), zero, zero, 0, 0, self.problem.now, self.problem.now),
            bounds=Bounds(zero, 0, self.problem.now, 0),
            missed=missed,
            seed=self.seed,
            steps=self.search.steps,
            reasons=why_impossible(self.problem, placed, blocks_of(self.assembled, state)),
        )


def blocks_of(assembled: Assembled, state: Ints) -> tuple[Block, ...]:
    """The blocks that a dispatch has written, with their names."""
    names = (
        assembled.tools,
        assembled.families,
        assembled.tasks,
        assembled.families,
        assembled.tools,
    )
    rows = column(state, BLOCKS, int(state[N_BLOCKS]) * BLOCK_FIELDS).reshape(-1, BLOCK_FIELDS)
    return tuple(
        Block(DO_NAMES[do], names[do][ref], start, end, low, high)
        for do, ref, low, high, start, end in rows.tolist()
    )


def _settle(assembled: Assembled) -> tuple[Ints, list[int]]:
    """The beginning, with as many windows from facts kept as can be; and the links missed."""
    all_windows = assembled.windows
    start = beginning(assembled, all_windows)
    if _payable(assembled, start):
        return start, []
    none = np.zeros(len(all_windows), np.int64)
    bare = beginning(assembled, none)
    facts = _links_from_facts(assembled, bare)
    kept = none.copy()
    start = bare
    for link in facts:
        kept[link] = 1
        tried = beginning(assembled, kept)
        if _payable(assembled, tried):
            start = tried
        else:
            kept[link] = 0
    return start, [link for link in sorted(facts) if not kept[link]]


def _payable(assembled: Assembled, start: Ints) -> bool:
    if not assembled.problem.sittings:
        return False
    state, spare = start.copy(), start.copy()
    return bool(
        owed_can_be_paid(assembled.frame, start, state, spare, assembled.order, assembled.windows)
    )


def _links_from_facts(assembled: Assembled, bare: Ints) -> list[int]:
    """Links whose window counts from a fact and asks something still to come, soonest first."""
    problem = assembled.problem
    done = problem.done_s()
    found: list[tuple[int, int]] = []
    for index, link in enumerate(problem.links):
        before, after = problem.tasks[link.before], problem.tasks[link.after]
        if link.window_s is None or done[link.before] < before.per_item_s:
            continue
        if done[link.after] > after.work_s - after.per_item_s:
            continue
        ended = max(p.end for p in problem.done if p.task == link.before)
        found.append((ended + link.window_s, index))
    return [index for _, index in sorted(found)]
