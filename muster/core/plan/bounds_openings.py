"""The fewest openings of families and outings of tools that any plan needs, in seconds."""

from __future__ import annotations

from graphlib import TopologicalSorter

from muster.core.plan.clocks import rates_of
from muster.core.plan.problem import Break, Problem

_NONE = -(10**9)


def fewest_openings_s(problem: Problem) -> int:
    """Seconds of getting out, opening, closing and putting away that no plan can save."""
    now = problem.now
    done_s = problem.done_s()
    lengths = sorted(
        (s.end - max(s.start, now) for s in problem.sittings if s.end > now), reverse=True
    )
    current = problem.sitting_at(now)
    here = problem.sittings[current].end - now if current is not None else 0
    carried = {left.family: left for left in problem.open} if current is not None else {}
    left_of = {name: task.work_s - done_s[name] for name, task in problem.tasks.items()}
    chain = _Chains(problem, left_of, max(lengths, default=0))

    total = 0
    for name, family in problem.families.items():
        both = family.setup_s + family.cleanup_s
        left = carried.get(name)
        if left is not None:
            total += family.cleanup_s if both else 0
        work = sum(left_of[t.id] for t in problem.tasks.values() if t.family == name)
        if not work or not both:
            continue
        joins = left is not None and (family.open_s is None or now - left.last_end <= family.open_s)
        reach = lengths if family.life_s is None else [min(n, family.life_s) for n in lengths]
        if family.life_s is None:
            needed = _fewest(reach, work)
        else:
            needed = -(-work // max(1, reach[0])) if reach else 0
        if joins and family.life_s is not None and reach:
            first = left.first_start if left is not None else now
            held = max(0, min(here, first + family.life_s - now))
            needed = 1 + max(0, -(-(work - held) // max(1, reach[0])))
        needed = max(needed, chain.longest({name}))
        total += max(0, needed - (1 if joins else 0)) * both
    for name, tool in problem.tools.items():
        mine = {f for f, family in problem.families.items() if family.tool == name}
        out = current is not None and (name in problem.out or bool(mine & carried.keys()))
        if out:
            total += tool.cleanup_s
        work = sum(left_of[t.id] for t in problem.tasks.values() if t.family in mine)
        if not work:
            continue
        needed = max(_fewest(lengths, work), chain.longest(mine))
        total += max(0, needed - (1 if out else 0)) * (tool.setup_s + tool.cleanup_s)
    return total


def _fewest(lengths: list[int], work: int) -> int:
    """How many of the longest stretches hold so much work."""
    count = 0
    for length in lengths:
        if work <= 0:
            break
        work -= length
        count += 1
    return max(count, 1)


class _Chains:
    """Along links, how many different sittings a family's or tool's tasks need at least."""

    def __init__(self, problem: Problem, left_of: dict[str, int], longest_sitting: int) -> None:
        self.problem = problem
        self.left_of = left_of
        order: TopologicalSorter[str] = TopologicalSorter(dict.fromkeys(problem.tasks, ()))
        self.into: dict[str, list[tuple[str, bool]]] = {name: [] for name in problem.tasks}
        for link in problem.links:
            order.add(link.after, link.before)
            one, two = problem.tasks[link.before], problem.tasks[link.after]
            fastest = max(rate.milli for rate in rates_of(problem, link.clock))
            wait = -(-link.stand_s * 1000 // fastest)
            # A chain stays on one item: both tasks work the same ones, or all wait for all.
            if one.items != two.items and problem.pairs(link.before, link.after):
                continue
            # What is surely worked on that item next to the wait, on either side of it.
            beside = sum(
                1
                if task.break_ is Break.ANY or left_of[task.id] < task.per_item_s
                else task.per_item_s
                for task in (one, two)
            )
            apart = left_of[one.id] > 0 and wait + beside > longest_sitting
            self.into[link.after].append((link.before, apart))
        self.order = list(order.static_order())

    def longest(self, mine: set[str]) -> int:
        """The most sittings that tasks whose family is mine need along one chain."""
        together: dict[str, int] = {}
        apart: dict[str, int] = {}
        best = 0
        for name in self.order:
            same, other = _NONE, _NONE
            for before, split in self.into[name]:
                if split:
                    other = max(other, together[before], apart[before])
                else:
                    same, other = max(same, together[before]), max(other, apart[before])
            if self.problem.tasks[name].family in mine and self.left_of[name]:
                same, other = max(same, other + 1, 1), _NONE
            together[name], apart[name] = same, other
            best = max(best, same, other)
        return best
