"""The search: waves by dispatch, then annealing over lists. Anytime, stoppable, repeatable."""

from __future__ import annotations

from collections.abc import Callable

from muster.core.plan.batch_search import BatchSearch
from muster.core.plan.kernel.assemble import Assembled, number
from muster.core.plan.kernel.fields import column, copy_of, scalar
from muster.core.plan.kernel.layout import BLOCK_FIELDS, DO_WORK, INF, State
from muster.core.plan.list_search import ListSearch
from muster.core.plan.plan import Plan
from muster.core.plan.replanning import AS_PLANNED_S
from muster.core.plan.search_state import SearchState, walked

WAVES_SHARE = 0.15
"""How much of the time goes to waves; the rest anneals what they found."""

FIRST_TASKS = 1200
"""A first plan tries as many waves as come to so many tasks dispatched, and two at least."""

REPAIR_TASKS = 8_000
"""How many steps a repair takes, by the tasks."""

WORTH_MOVING_S = 900
"""A plan that is known is not thrown about for less bench work than this."""

CYCLE_STEPS, CYCLE_STEPS_A_ROW = 200, 5
"""How many steps an annealing takes that has the time, in all and for each row of the list."""

FEW_TASKS = 24
"""Up to so many tasks, good orders may lie anywhere, and some are found by chance."""

ENDING = 0.05
"""When so little is left, one goes on from the best only."""

LOST = 8.0
"""So many small worsenings dearer than the best, one goes back to the best."""


class Search(SearchState):
    """Attempts from one beginning, one after another."""

    def __init__(self, assembled: Assembled, start: State, seed: int) -> None:
        super().__init__(assembled, start, seed)
        self.waves = BatchSearch(self)
        self.lists = ListSearch(self)
        self.cycles = 0

    def first(self, guide: Plan | None = None, steady: bool = False) -> None:
        """What is nearest to ``guide``; without one, or where it falls short, the first waves.

        ``steady``: only facts and time have gone on since. Then what goes as planned, or runs late
        and still does what it did, is left as it is known.
        """
        if guide is not None and guide.blocks:
            known = guide.score
            before = (0.0, float(known.left_weight), float(known.left_s), float(known.late_weight))
            self.lists.follow(guide, INF, loose=False)
            sound = self.best_rank is not None and self.best_rank[:4] <= before
            if steady and sound and not self._is_early(guide):
                return
            self._if_worth_moving(lambda: self._follow_patiently(guide))
            self._if_worth_moving(lambda: self._follow_freely(guide))
            self._if_worth_moving(self._repair)
            if self.best_rank is not None and self.best_rank[:4] <= before:
                return
        count = max(1, len(self.assembled.tasks))
        for _ in range(max(2, FIRST_TASKS // count)):
            self.waves.next_first()

    def _is_early(self, guide: Plan) -> bool:
        """Whether what was placed last starts sooner than in ``guide``, and nothing later."""
        planned: dict[tuple[int, int], int] = {}
        at = number(self.assembled.tasks)
        for block in guide.blocks:
            if block.do == "work" and block.ref in at:
                planned[at[block.ref], block.from_s] = block.start
        size = scalar(self.best, State, "n_blocks") * BLOCK_FIELDS
        rows = column(self.best, State, "blocks", size).reshape(-1, BLOCK_FIELDS)
        sooner = 0
        for do, task, low, _, start, _ in rows.tolist():
            if do != DO_WORK or (task, low) not in planned:
                continue
            shift = start - planned[task, low]
            if shift > AS_PLANNED_S:
                return False
            sooner = min(sooner, shift)
        return sooner < -AS_PLANNED_S

    def _follow_patiently(self, guide: Plan) -> None:
        """Let calls come sooner where the bench would stand idle, or for a quarter of an hour."""
        self.lists.follow(guide, INF)
        self.lists.follow(guide, 900)

    def _follow_freely(self, guide: Plan) -> None:
        """Let calls go into sooner sittings."""
        self.lists.follow(guide, 0, keep_sittings=False)

    def _if_worth_moving(self, act: Callable[[], None]) -> None:
        """Try something, and keep what it finds where that is worth the calls that move."""
        steady, rank = copy_of(self.best), self.best_rank
        act()
        found = self.best_rank
        if rank is None or found is None or found[:5] < rank[:5]:
            return
        if found[5] > rank[5] - WORTH_MOVING_S:
            self.best[:], self.best_rank = steady, rank

    def _repair(self) -> None:
        """Some cold steps from what was followed: what a shift has torn apart is joined again."""
        assert self.best_rank is not None
        self.lists.set_out(self.best, walked(self.best_rank))
        for _ in range(REPAIR_TASKS // max(1, len(self.assembled.tasks))):
            self.lists.step(0.0)

    def step(self, warmth: float) -> None:
        """One attempt: waves while much of the time is left, then a neighbouring list."""
        if warmth > 1 - WAVES_SHARE or self.best_rank is None:
            self.waves.step((warmth - 1 + WAVES_SHARE) / WAVES_SHARE)
            return
        lists = self.lists
        cycle = CYCLE_STEPS + CYCLE_STEPS_A_ROW * lists.count
        if lists.rank is None or lists.age >= cycle:
            self._begin_cycle()
        # A small problem is annealed again and again, a large one once for the time there is.
        warmth = min(warmth / (1 - WAVES_SHARE), 1 - lists.age / cycle)
        best = walked(self.best_rank)
        far = best[5] + LOST * warmth * lists.small_s
        lost = lists.rank is not None and best < lists.rank and lists.rank[5] > far
        if lost and (self.cycles % 2 or warmth < ENDING):
            lists.set_out(self.best, best)
        lists.step(max(0.0, warmth))

    def _begin_cycle(self) -> None:
        """Anneal anew: first from the best, then by turns from other waves and from the best; where
        there is little to do, from any order too."""
        assert self.best_rank is not None
        self.cycles += 1
        if self.cycles % 3 == 0 and len(self.assembled.tasks) <= FEW_TASKS:
            self.lists.scramble()
        elif self.cycles % 2:
            self.lists.set_out(self.best, walked(self.best_rank))
        else:
            self.waves.step(1.0)
            self.lists.set_out(self.state, self.lean_rank())
        self.lists.age = 0

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
            before = self.best_rank
            self.step(left)
            if on_better is not None and self.best_rank is not before:
                on_better(self)
