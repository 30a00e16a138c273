"""What happens to each item, told from facts and planned blocks, for the checker alone."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import WALL, Problem, Rate


@dataclass(frozen=True, slots=True)
class Visit:
    """One item in hand in one task, [start, end), then wet until ``ready``."""

    task: str
    item: str
    start: int
    end: int
    ready: int
    start_is_fact: bool
    end_is_fact: bool


@dataclass(frozen=True, slots=True)
class Stay:
    """An amount put in a place, [start, end)."""

    what: str
    start: int
    end: int
    amount: int
    is_fact: bool


def waited(rates: Sequence[Rate], start: int, end: int) -> int:
    """Thousandths of a second waited on a clock, summed stretch by stretch."""
    edges = sorted({start, end, *(rate.start for rate in rates if start < rate.start < end)})
    total = 0
    for low, high in itertools.pairwise(edges):
        current = rates[0]
        for rate in rates:
            if rate.start <= low:
                current = rate
        total += (high - low) * current.milli
    return total


def dry_at(rates: Sequence[Rate], start: int, wait_s: int) -> int:
    """The first whole second by which ``wait_s`` are waited, found by halving."""
    low, high = start, start + 1
    while waited(rates, start, high) < wait_s * 1000:
        high = start + 2 * (high - start)
    while low < high:
        middle = (low + high) // 2
        if waited(rates, start, middle) >= wait_s * 1000:
            high = middle
        else:
            low = middle + 1
    return low


@dataclass(frozen=True)
class Story:
    """A problem and a plan, and what follows for every item."""

    problem: Problem
    plan: Plan
    work: list[Block]
    done_s: dict[str, int]
    visits: dict[tuple[str, str], Visit]

    @staticmethod
    def of(problem: Problem, plan: Plan) -> Story:
        """Tell the story of a plan. Work is taken in the order of time."""
        work = sorted((b for b in plan.blocks if b.do == "work"), key=lambda b: b.start)
        story = Story(problem, plan, work, problem.done_s(), {})
        for task in problem.tasks.values():
            for number, item in enumerate(task.items):
                visit = story._visit(task.id, number, item)
                if visit is not None:
                    story.visits[task.id, item] = visit
        return story

    def rates(self, clock: str) -> tuple[Rate, ...]:
        """The rates of a clock by name."""
        return (Rate(0, 1000),) if clock == WALL else self.problem.clocks[clock]

    def _visit(self, name: str, number: int, item: str) -> Visit | None:
        task = self.problem.tasks[name]
        low, high = number * task.per_item_s, (number + 1) * task.per_item_s
        start = end = None
        start_is_fact = end_is_fact = False
        for piece in self.problem.done:
            if piece.task != name:
                continue
            span, worked = piece.end - piece.start, piece.to_s - piece.from_s
            if piece.from_s <= low < piece.to_s:
                start = piece.start + -(-(low - piece.from_s) * span // worked)
                start_is_fact = True
            if piece.from_s < high <= piece.to_s:
                end = piece.start + -(-(high - piece.from_s) * span // worked)
                end_is_fact = True
        for block in self.work:
            if block.ref != name:
                continue
            if block.from_s <= low < block.to_s:
                start = block.start + low - block.from_s
            if block.from_s < high <= block.to_s:
                end = block.start + high - block.from_s
        if start is None or end is None:
            return None
        ready = dry_at(self.rates(task.clock), end, task.dry_s)
        return Visit(name, item, start, end, ready, start_is_fact, end_is_fact)

    def stays(self, place: str) -> list[Stay]:
        """Everything that is put in a place by drying and by holds."""
        found = []
        for task in self.problem.tasks.values():
            amount = task.places.get(place, 0)
            for item in task.items if amount else ():
                visit = self.visits[task.id, item]
                what = f"{item} after {task.id}"
                found.append(Stay(what, visit.end, visit.ready, amount, visit.end_is_fact))
        for hold in self.problem.holds:
            amount = hold.places.get(place, 0)
            if not amount:
                continue
            last: dict[int, int] = {}
            for i, j in self.problem.pairs(hold.from_, hold.to):
                ended = self.visits[hold.to, self.problem.tasks[hold.to].items[j]].end
                last[i] = max(last.get(i, 0), ended)
            for i, ended in last.items():
                item = self.problem.tasks[hold.from_].items[i]
                visit = self.visits[hold.from_, item]
                what = f"{item} from {hold.from_} to {hold.to}"
                found.append(Stay(what, visit.start, ended, amount, visit.start_is_fact))
        return found
