"""What happens to each item, told from facts and planned blocks, for the checker alone."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import accumulate, pairwise
from typing import NamedTuple

from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import WALL, Problem, Rate, Task

FOR_EVER = 2**61


class Meter:
    """What a clock shows: thousandths waited since the second at which its rates begin."""

    def __init__(self, rates: Sequence[Rate]) -> None:
        self.edges = [rate.start for rate in rates]
        self.rates = [rate.milli for rate in rates]
        spans = (high - low for low, high in pairwise(self.edges))
        waits = (span * milli for span, milli in zip(spans, self.rates, strict=False))
        self.shown = [0, *accumulate(waits)]
        self.steady = self.rates[0] if len(set(self.rates)) == 1 else 0

    def at(self, moment: int) -> int:
        """Thousandths shown at a moment; before the first rate, counted back at that rate."""
        if self.steady:
            return (moment - self.edges[0]) * self.steady
        index = max(0, bisect_right(self.edges, moment) - 1)
        return self.shown[index] + (moment - self.edges[index]) * self.rates[index]

    def dry(self, start: int, wait_s: int) -> int:
        """The first whole second by which ``wait_s`` are waited from ``start``."""
        if wait_s <= 0:
            return start
        if self.steady == 1000:
            return start + wait_s
        wanted = self.at(start) + wait_s * 1000
        # The last stretch at whose beginning not enough is shown; stretches at rate 0 are skipped.
        index = max(0, bisect_left(self.shown, wanted) - 1)
        return max(start, self.edges[index] - (-(wanted - self.shown[index]) // self.rates[index]))


class Stay(NamedTuple):
    """An amount put in a place, [start, end)."""

    start: int
    end: int
    amount: int
    is_fact: bool
    task: str
    item: str


@dataclass(slots=True)
class Course:
    """One task's course, position by position: None where an item was not started, or not ended.

    Facts come first: so many starts and ends are facts.
    """

    task: Task
    starts: list[int | None]
    ends: list[int | None]
    ready: list[int]
    """When the item is dry; where it was put down unfinished, when that was."""
    fact_starts: int
    fact_ends: int
    last_end: int
    """When the last piece ended."""


@dataclass
class Story:
    """A problem and a plan, and what follows for every item."""

    problem: Problem
    plan: Plan
    work: list[Block] = field(default_factory=list)
    done_s: dict[str, int] = field(default_factory=dict)
    courses: dict[str, Course] = field(default_factory=dict)
    meters: dict[str, Meter] = field(default_factory=dict)

    @staticmethod
    def of(problem: Problem, plan: Plan) -> Story:
        """Tell the story of a plan. Work is taken in the order of time."""
        work = sorted((b for b in plan.blocks if b.do == "work"), key=lambda b: b.start)
        story = Story(problem, plan, work)
        story.meters = {name: Meter(rates) for name, rates in problem.clocks.items()}
        story.meters[WALL] = Meter((Rate(0, 1000),))
        facts: dict[str, list[tuple[int, int, int, int]]] = {}
        for done in problem.done:
            facts.setdefault(done.task, []).append((done.from_s, done.to_s, done.start, done.end))
        planned: dict[str, list[tuple[int, int, int, int]]] = {}
        for block in work:
            planned.setdefault(block.ref, []).append(
                (block.from_s, block.to_s, block.start, block.end)
            )
        for name, task in problem.tasks.items():
            mine = facts.get(name, [])
            story.done_s[name] = mine[-1][1] if mine else 0
            story.courses[name] = _course(
                task, mine, planned.get(name, []), story.meters[task.clock]
            )
        return story

    def stays(self, place: str) -> list[Stay]:
        """Everything that is put in a place by drying and by holds."""
        found = []
        for course in self.courses.values():
            amount = course.task.places.get(place, 0)
            if not amount:
                continue
            for number, end in enumerate(course.ends):
                if end is not None and course.ready[number] > end:
                    found.append(Stay(end, course.ready[number], amount,
                                      number < course.fact_ends, course.task.id,
                                      course.task.items[number]))  # fmt: skip
        for hold in self.problem.holds:
            amount = hold.places.get(place, 0)
            if not amount:
                continue
            one, two = self.courses[hold.from_], self.courses[hold.to]
            last: dict[int, int] = {}
            for i, j in self.problem.pairs(hold.from_, hold.to):
                ended = two.ends[j]
                last[i] = max(last.get(i, 0), FOR_EVER if ended is None else ended)
            for i, until in last.items():
                start = one.starts[i]
                if start is not None and until > start:
                    found.append(Stay(start, until, amount, i < one.fact_starts, hold.from_,
                                      one.task.items[i]))  # fmt: skip
        return found


def _course(
    task: Task,
    facts: list[tuple[int, int, int, int]],
    planned: list[tuple[int, int, int, int]],
    meter: Meter,
) -> Course:
    count, per = len(task.items), task.per_item_s
    starts: list[int | None] = [None] * count
    ends: list[int | None] = [None] * count
    last_end = 0
    for low_s, high_s, begun, ended in [*facts, *planned]:
        work, span = high_s - low_s, ended - begun
        last_end = max(last_end, ended)
        # Facts are spread evenly over their piece, each moment rounded up to a second.
        for place in range(max(0, -(-low_s // per)), min(count, -(-high_s // per))):
            starts[place] = begun - (-(place * per - low_s) * span // work)
        for place in range(max(0, low_s // per), min(count, high_s // per)):
            ends[place] = begun - (-((place + 1) * per - low_s) * span // work)
    done = facts[-1][1] if facts else 0
    ready = [
        last_end if end is None else meter.dry(end, task.dry_s) for end in ends
    ]  # fmt: skip
    return Course(task, starts, ends, ready, -(-done // per), done // per, last_end)
