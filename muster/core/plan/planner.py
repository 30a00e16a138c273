"""Making a plan: settle what facts have left behind, dispatch, improve, and prove."""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import replace
from functools import cached_property

import numpy as np

from muster.core.plan.bounds import bounds_of
from muster.core.plan.bounds_exact import proven_whole
from muster.core.plan.bounds_lp import proven
from muster.core.plan.kept_windows import settle
from muster.core.plan.kernel.assemble import Assembled, assemble
from muster.core.plan.kernel.attempt import pay_only
from muster.core.plan.kernel.fields import column, scalar
from muster.core.plan.kernel.layout import BLOCK_FIELDS, DO_NAMES, State
from muster.core.plan.left import left_of
from muster.core.plan.plan import Block, Bounds, Left, Plan
from muster.core.plan.problem import Problem
from muster.core.plan.relaxation import Relaxation
from muster.core.plan.scoring import measure
from muster.core.plan.search import Search
from muster.core.plan.subproblem import placed_part
from muster.core.plan.vetting import vetted

MOST_PROGRAMMES, PROGRAMMES_TASKS = 40, 40_000
"""How many linear programmes a proof takes where no time is given: at most, and by the square of
the tasks, by which each one's time grows."""

BRIEF_S = 0.25
"""Five times what a plan for comparing takes in a usual muster."""

PATIENCE = 24
"""How many varied attempts are made at least where the first finds no place for something."""


class Planner:
    """Plans one problem. Use ``first`` for a plan at once, then ``improve`` as long as wanted."""

    def __init__(self, problem: Problem, seed: int = 1) -> None:
        self.problem = problem
        self.seed = seed
        self.assembled = assemble(problem)
        start, self.missed = settle(self.assembled)
        self.search = Search(self.assembled, start, seed)
        self.relaxed = Relaxation(problem, _placed_at_once)
        self._bounds: dict[tuple[tuple[Left, ...], tuple[str, ...]], Bounds] = {}

    @cached_property
    def bounds(self) -> Bounds:
        """What is proven of every plan that places everything; found when it is first asked for."""
        return bounds_of(self.problem)

    def bounds_beside(self, left: tuple[Left, ...], dropped: tuple[str, ...] = ()) -> Bounds:
        """What is proven of every plan that leaves no more than ``left`` and keeps no pin of
        ``dropped``."""
        if not left and not dropped:
            return self.bounds
        key = (left, dropped)
        if key not in self._bounds:
            part = bounds_of(placed_part(self.problem, left, dropped))
            self._bounds[key] = replace(part, left_weight=self.bounds.left_weight)
        return self._bounds[key]

    def prove(self, go_on: Callable[[], bool] | None = None) -> None:
        """Look for a stronger bound on the cost: some seconds, so not while anyone waits.

        ``go_on`` is asked before each programme; without it so many are solved as are always the
        same.
        """
        if self.search.best_rank is None:
            return
        left = self._left(self.search.best)
        dropped = _dropped(self.problem, blocks_of(self.assembled, self.search.best))
        part = placed_part(self.problem, left, dropped)
        better = proven(part, self.bounds_beside(left, dropped))
        better = proven_whole(part, better, go_on or _so_often(_programmes(part)))
        if left or dropped:
            self._bounds[left, dropped] = better
        else:
            self.bounds = better

    def first(self, guide: Plan | None = None, steady: bool = False) -> Plan:
        """A plan at once; one that keeps to the order of ``guide`` where there is one.

        ``steady``: only facts and time have gone on since ``guide`` was made.
        """
        self.search.first(guide, steady)
        while self.search.best_rank is not None and any(self.search.best_rank[:3]):
            if self.search.steps >= PATIENCE or not self.problem.sittings:
                break
            self.search.step(1.0)
        return self.plan(guide)

    def improve(
        self,
        until_step: int | None,
        go_on: Callable[[], float],
        on_better: Callable[[], None] | None = None,
    ) -> Plan:
        """Better plans until ``until_step`` attempts are made or ``go_on`` answers 0.

        ``on_better`` is told that ``plan`` would answer a better one now.
        """
        told = None if on_better is None else (lambda _: on_better())
        self.search.run(until_step, go_on, told)
        return self.plan()

    def improve_briefly(self, steps: int) -> Plan:
        """A plan for comparing: so many attempts, the same each time; fewer where they are slow."""
        until = time.monotonic() + BRIEF_S
        return self.improve(steps, lambda: float(time.monotonic() < until))

    def plan(self, guide: Plan | None = None) -> Plan:
        """The best so far, checked: one that breaks a rule is never handed out."""
        return vetted(self.problem, self._plan(), guide)

    def _plan(self) -> Plan:
        best, rank = self.search.best, self.search.best_rank
        assert rank is not None
        if rank[1] == np.inf:
            # Nothing was found that pays what is owed; so pay that, and leave the rest.
            search = self.search
            pay_only(
                self.assembled.frame, self.assembled.weight, search.start, search.state,
                self.assembled.order, self.assembled.windows, search.measures,
            )  # fmt: skip
            best = search.state
        blocks = blocks_of(self.assembled, best)
        left = self._left(best)
        done = column(best, State, "item_done_at", len(self.assembled.items)).tolist()
        worked = {item for task in self.problem.tasks.values() for item in task.items}
        done_at = {
            name: done[index] for index, name in enumerate(self.assembled.items) if name in worked
        }
        missed, dropped = self._missed(best), _dropped(self.problem, blocks)
        return Plan(
            status="partial" if left else "planned",
            blocks=blocks,
            score=measure(self.problem, blocks, done_at, len(missed), left),
            bounds=self.bounds_beside(left, dropped),
            missed=missed,
            seed=self.seed,
            steps=self.search.steps,
            left=left,
            dropped_pins=dropped,
        )

    def _left(self, state: State) -> tuple[Left, ...]:
        work = column(state, State, "task_worked", len(self.assembled.tasks)).tolist()
        worked = dict(zip(self.assembled.tasks, work, strict=True))
        return left_of(self.problem, worked, self.relaxed)

    def _missed(self, state: State) -> tuple[tuple[str, str], ...]:
        """The links whose window from a fact is missed by something that is placed."""
        problem = self.problem
        work = column(state, State, "task_worked", len(self.assembled.tasks)).tolist()
        done = problem.done_s()
        found = []
        for index in self.missed:
            link = problem.links[index]
            one, two = problem.tasks[link.before], problem.tasks[link.after]
            facts = done[one.id] // one.per_item_s
            begun = -(-done[two.id] // two.per_item_s)
            placed = work[self.assembled.tasks.index(two.id)] // two.per_item_s
            pairs = problem.pairs(one.id, two.id)
            if any(i < facts and begun <= j < placed for i, j in pairs) or (
                not pairs and facts and begun < placed
            ):
                found.append((link.before, link.after))
        return tuple(found)


def _programmes(problem: Problem) -> int:
    return min(MOST_PROGRAMMES, PROGRAMMES_TASKS // max(1, len(problem.tasks) ** 2))


def _so_often(many: int) -> Callable[[], bool]:
    """Answers True so often."""
    left = iter(range(many))
    return lambda: next(left, None) is not None


def blocks_of(assembled: Assembled, state: State) -> tuple[Block, ...]:
    """The blocks that a dispatch has written, with their names."""
    names = (
        assembled.tools,
        assembled.families,
        assembled.tasks,
        assembled.families,
        assembled.tools,
    )
    rows = column(state, State, "blocks", scalar(state, State, "n_blocks") * BLOCK_FIELDS).reshape(
        -1, BLOCK_FIELDS
    )
    found: list[Block] = []
    for do, ref, low, high, start, end in rows.tolist():
        block = Block(DO_NAMES[do], names[do][ref], start, end, low, high)
        if found and _goes_on(assembled.problem, found[-1], block):
            found[-1] = replace(found[-1], end=end, to_s=high)
        else:
            found.append(block)
    return tuple(found)


def _goes_on(problem: Problem, one: Block, two: Block) -> bool:
    """Whether two pieces are one, cut without need: nothing lies between them and no rule tells
    them apart."""
    if one.do != "work" or (two.do, two.ref, two.start) != ("work", one.ref, one.end):
        return False
    task = problem.tasks[one.ref]
    family = problem.families[task.family] if task.family else None
    lasts = family is None or family.life_s is None or two.end - one.start <= family.life_s
    return lasts and not task.wants


def _dropped(problem: Problem, blocks: tuple[Block, ...]) -> tuple[str, ...]:
    """The tasks whose pins still bind and whose next piece stands elsewhere."""
    first: dict[str, int] = {}
    for block in blocks:
        if block.do == "work":
            first.setdefault(block.ref, block.start)
    return tuple(
        pin.task
        for pin in problem.pins
        if pin.task in first
        and problem.now <= pin.start + pin.slack_s
        and not pin.start <= first[pin.task] <= pin.start + pin.slack_s
    )


def _placed_at_once(problem: Problem) -> frozenset[str]:
    """The tasks that a first plan places to their end; none where it cannot pay what it owes."""
    search = Planner(problem).search
    search.first()
    if search.best_rank is None or search.best_rank[1] == np.inf:
        return frozenset()
    work = column(search.best, State, "task_worked", len(problem.tasks)).tolist()
    return frozenset(
        name
        for (name, task), worked in zip(problem.tasks.items(), work, strict=True)
        if worked == task.work_s
    )
