"""A stronger bound on the cost: everything shared out over sittings, as a linear programme.

The bounds by chain and by bench time each forget what the other knows. Here every task is spread
over the stretches of the sittings as it likes, in fractions, but (a) a stretch holds no more work
than it is long, and a sitting no more work and setting up; (b) a family is open in a sitting by at
least the largest share that any of its tasks has there, its tool is out likewise, and neither costs
less than the fewest openings; (c) what follows a pass is never further than what was done a wait
earlier; (d) a model is done when its last pass is. Every real plan is such a sharing out, so the
least cost of all of them is a lower bound.

The programme's answer is not trusted: see ``programme.py``.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from itertools import pairwise

from muster.core.plan.bounds import chains
from muster.core.plan.bounds_openings import fewest_openings_s
from muster.core.plan.calendar import slots
from muster.core.plan.clocks import FOREVER, rates_of, ready_at
from muster.core.plan.linear_program import Programme, Row
from muster.core.plan.plan import Bounds
from muster.core.plan.problem import Break, Link, Problem, Task

DAY_S = 86_400.0
FINE_S = 1800
"""How long a stretch is at most where the problem is small: the commonest stand."""

MOST_FINE, MOST = 3_000, 6_000
"""Tasks times stretches: above the first, a stretch is a sitting; above the other, no proof."""

ROOM = 1.35
"""The sittings looked at one by one hold so much times the work; what is later is one stretch."""

UNDONE_S = 1e5


@dataclass(frozen=True, slots=True)
class Stretch:
    """A stretch of bench time, in the sitting with this number."""

    sitting: int
    start: int
    end: int
    holds_s: int


def proven(problem: Problem, bounds: Bounds) -> Bounds:
    """``bounds`` with a cost that knows how the sittings must be shared.

    Takes seconds for some 250 tasks in 20 sittings; what is much larger is left as it is.
    """
    if bounds.finish >= FOREVER:
        return bounds
    cost = Sharing(problem, bounds).least_cost()
    return bounds if cost is None else replace(bounds, cost_s=max(bounds.cost_s, math.floor(cost)))


class Sharing:
    """The programme of one problem."""

    def __init__(self, problem: Problem, bounds: Bounds) -> None:
        self.problem, self.bounds = problem, bounds
        _, self.done_by, _, self.end_at = chains(problem)
        self.done_s = problem.done_s()
        self.left = {n: t.work_s - self.done_s[n] for n, t in problem.tasks.items()}
        self.tasks = [t for t in problem.tasks.values() if self.left[t.id]]
        self.here = problem.sitting_at(problem.now)
        self.made = Programme()
        self.x: dict[str, list[int]] = {}
        self.switches: list[int] = []
        """Variables that are whole in every plan: a tool is out in a sitting, a family opened."""

    def least_cost(self) -> float | None:
        """A lower bound on the cost of every plan; None where the programme would be too large."""
        fine = len(self.tasks) * len(self._stretches(FINE_S)) <= MOST_FINE
        return self.made.least() if self.build(FINE_S if fine else None) else None

    def build(self, fine_s: int | None) -> bool:
        """Write the programme, its stretches at most so long (None: a sitting each); False where it
        would be too large."""
        self.stretches = self._stretches(fine_s)
        if not self.tasks or len(self.tasks) * len(self.stretches) > MOST:
            return False
        self._share_work()
        self._open_families()
        for link in self.problem.links:
            if self.left[link.before] and self.left[link.after]:
                self._follow(link)
        self._fill_places()
        self._finish_models()
        self._finish_all()
        self.made.constant += sum(self.left.values())
        return True

    def _stretches(self, fine_s: int | None) -> list[Stretch]:
        """The sittings from ``now`` on, cut fine or whole; what is late comes as one."""
        wanted = ROOM * self.bounds.hands_on_s
        found: list[Stretch] = []
        whole = slots(self.problem, ())
        for index, slot in enumerate(whole):
            if wanted < 0 and slot.start > self.bounds.finish:
                rest = whole[index:]
                holds = sum(one.end - one.start for one in rest)
                found.append(Stretch(slot.sitting, slot.start, rest[-1].end, holds))
                break
            length = slot.end - slot.start
            wanted -= length
            parts = -(-length // fine_s) if fine_s else 1
            edges = [slot.start + length * part // parts for part in range(parts + 1)]
            found.extend(Stretch(slot.sitting, a, b, b - a) for a, b in pairwise(edges) if b > a)
        return found

    def _share_work(self) -> None:
        """Where each task's work may lie, and what sittings and stretches hold."""
        allowed = {needs: slots(self.problem, needs) for needs in {t.needs for t in self.tasks}}
        for task in self.tasks:
            first = self.done_s[task.id] // task.per_item_s
            begun = self.done_s[task.id] % task.per_item_s > 0
            earliest = self.end_at[task.id][first] - (0 if begun else task.per_item_s)
            self.x[task.id] = [
                self.made.variable(
                    0.0,
                    1.0
                    if (begun or s.end > earliest)
                    and any(a.start < s.end and a.end > s.start for a in allowed[task.needs])
                    else 0.0,
                )
                for s in self.stretches
            ]
            # Work left undone is so dear that it only says where a sharing has no room.
            undone = self.made.variable(UNDONE_S, 1.0)
            self.made.row(1, [(undone, 1.0), *((x, 1.0) for x in self.x[task.id])], 1)
        for index, stretch in enumerate(self.stretches):
            for needs, within in allowed.items():
                holds = sum(
                    max(0, min(a.end, stretch.end) - max(a.start, stretch.start)) for a in within
                )
                these = [t for t in self.tasks if not needs or t.needs == needs]
                terms = [(self.x[t.id][index], float(self.left[t.id])) for t in these]
                self.made.row(-math.inf, terms, float(holds))

    def _in_sitting(self, task: Task, sitting: int) -> list[int]:
        pairs = zip(self.x[task.id], self.stretches, strict=True)
        return [x for x, stretch in pairs if stretch.sitting == sitting]

    def _open_families(self) -> None:
        """Openings and outings: no less than any task's share, in each sitting and in all."""
        problem, made = self.problem, self.made
        last = self.stretches[-1]
        carried = {one.family for one in problem.open} if self.here is not None else set()
        out = set(problem.out) | {problem.families[f].tool for f in carried}
        fixed = sum(problem.families[name].cleanup_s for name in carried)
        if self.here is not None:
            fixed += sum(problem.tools[name].cleanup_s for name in out if name)
        made.constant += fixed
        counted: Row = []
        for sitting in dict.fromkeys(s.sitting for s in self.stretches):
            many = len(problem.sittings) if sitting == last.sitting else 1
            here = sitting == self.here
            mine = [s for s in self.stretches if s.sitting == sitting]
            holds: Row = []
            for task in self.tasks:
                left = float(self.left[task.id])
                holds += [(x, left) for x in self._in_sitting(task, sitting)]
            blocks: Row = []
            uses: dict[str, int] = {}
            for name, tool in problem.tools.items():
                cost = 0 if here and name in out else tool.setup_s + tool.cleanup_s
                uses[name] = made.variable(float(cost), float(many))
                if many == 1 and cost:
                    self.switches.append(uses[name])
                blocks.append((uses[name], float(cost)))
            for name, family in problem.families.items():
                these = [t for t in self.tasks if t.family == name]
                cost = 0 if here and name in carried else family.setup_s + family.cleanup_s
                if not these:
                    continue
                opened = made.variable(float(cost), float(many))
                if many == 1 and cost:
                    self.switches.append(opened)
                # Openings beyond the first of a sitting: as many as its life makes needed.
                again = made.variable(float(family.setup_s + family.cleanup_s), math.ldexp(1, 20))
                blocks += [(opened, float(cost)), (again, made.costs[again])]
                for task in these:
                    shares = self._in_sitting(task, sitting)
                    made.row(0, [(opened, 1.0), *((x, -1.0) for x in shares)], math.inf)
                if family.tool:
                    made.row(0, [(uses[family.tool], 1.0), (opened, -1.0)], math.inf)
            made.row(-math.inf, [*holds, *blocks], float(sum(s.holds_s for s in mine)))
            counted += blocks
        made.row(float(fewest_openings_s(problem) - fixed), counted, math.inf)

    def _fill_places(self) -> None:
        """What was worked so lately that it is wet at a stretch's end stands in its places then."""
        for name, capacity in self.problem.places.items():
            # Work that may stop within an item says too little about how many have ended.
            using = [t for t in self.tasks if t.places.get(name) and t.break_ is not Break.ANY]
            spare = max((t.places[name] for t in using), default=0)
            for index, stretch in enumerate(self.stretches[:-1]):
                terms: Row = []
                for task in using:
                    rates = rates_of(self.problem, task.clock)
                    each = task.places[name] * self.left[task.id] / task.per_item_s
                    upto = index
                    while upto >= 0:
                        soonest = self.stretches[upto].start + 1
                        if ready_at(rates, soonest, task.dry_s) <= stretch.end:
                            break
                        terms.append((self.x[task.id][upto], each))
                        upto -= 1
                # One item may be in hand, worked in part and not yet put down.
                if terms:
                    self.made.row(-math.inf, terms, float(capacity + spare))

    def _follow(self, link: Link) -> None:
        """What follows is never further than what was done a wait earlier allows."""
        problem = self.problem
        before, after = problem.tasks[link.before], problem.tasks[link.after]
        pairs = problem.pairs(link.before, link.after)
        same = bool(pairs) and all(before.items[i] == after.items[j] for i, j in pairs)
        hull = self._allowed(before, after, pairs)
        for index, stretch in enumerate(self.stretches):
            upto = index
            while upto >= 0 and self._ready(link, before, same, upto) >= stretch.end:
                upto -= 1
            if stretch is self.stretches[-1]:
                upto = index
            mine = [(x, 1.0) for x in self.x[link.after][: index + 1]]
            theirs = self.x[link.before][: upto + 1]
            for (f0, g0), (f1, g1) in pairwise(hull):
                slope = (g1 - g0) / (f1 - f0)
                terms = [*mine, *((x, -slope) for x in theirs)]
                self.made.row(-math.inf, terms, g0 - slope * f0 + 1e-9)

    def _ready(self, link: Link, before: Task, same: bool, index: int) -> int:
        """The soonest that may follow what ends in a stretch."""
        start = self.stretches[index].start
        ready = ready_at(rates_of(self.problem, link.clock), start, link.stand_s)
        if same:
            rates = rates_of(self.problem, before.clock)
            ready = max(ready, ready_at(rates, start, before.dry_s))
        return ready

    def _allowed(
        self, before: Task, after: Task, pairs: list[tuple[int, int]]
    ) -> list[tuple[float, float]]:
        """By the share done of what is left of one: the most that may be done of the other."""

        def share(task: Task, place: int) -> float:
            through = place * task.per_item_s - self.done_s[task.id]
            return max(0.0, through / self.left[task.id])

        first = -(-self.done_s[after.id] // after.per_item_s)
        asked: dict[int, int] = {}
        if pairs:
            for i, j in pairs:
                asked[j] = max(asked.get(j, 0), i + 1)
        else:
            asked = dict.fromkeys(range(len(after.items)), len(before.items))
        points = [(0.0, 0.0), (1.0, 1.0)]
        reached = 0.0
        for j in range(first, len(after.items)):
            wanted = share(before, asked[j]) if j in asked else 0.0
            if wanted > reached:
                # Until so much is done, no more than what lies before this item.
                points.append((reached, share(after, j)))
                reached = wanted
        points.append((reached, 1.0))
        return _hull(points)

    def _finish_models(self) -> None:
        """Each model waits until its last pass is done and dry."""
        problem, made = self.problem, self.made
        followed = {
            (link.before, item)
            for link in problem.links
            for item in problem.tasks[link.before].items
            if self.left[link.after] and item in problem.tasks[link.after].items
        }
        last: dict[str, str] = {}
        for task in self.tasks:
            for place, item in enumerate(task.items):
                done = (place + 1) * task.per_item_s <= self.done_s[task.id]
                if not done and (task.id, item) not in followed:
                    last[item] = task.id
        worth = problem.item_day_s / DAY_S
        for name, moment in self.done_by.items():
            if name not in last:
                made.constant += (
                    worth * float(problem.items[name].weight) * max(0, moment - problem.now)
                )
        for task in self.tasks:
            points, weight = [(0.0, 0.0)], 0.0
            for place, item in enumerate(task.items):
                through = (place + 1) * task.per_item_s - self.done_s[task.id]
                if through > 0:
                    mine = last.get(item) == task.id
                    weight += float(problem.items[item].weight) if mine else 0.0
                    points.append((through / self.left[task.id], weight))
            if weight:
                self._wait(task, _hull(points), weight, worth)

    def _wait(
        self, task: Task, hull: list[tuple[float, float]], weight: float, worth: float
    ) -> None:
        rates = rates_of(self.problem, task.clock)
        moments = [ready_at(rates, stretch.start, task.dry_s) for stretch in self.stretches]
        self.made.constant += worth * weight * (moments[0] - self.problem.now)
        for index, (one, two) in enumerate(pairwise(moments)):
            saved = worth * (two - one)
            self.made.constant += saved * weight
            done = self.made.variable(-saved, weight)
            mine = self.x[task.id][: index + 1]
            for (f0, g0), (f1, g1) in pairwise(hull):
                slope = (g1 - g0) / (f1 - f0)
                terms = [(done, 1.0), *((x, -slope) for x in mine)]
                self.made.row(-math.inf, terms, g0 - slope * f0 + 1e-9)

    def _finish_all(self) -> None:
        """The finish waits for every task that nothing follows, and comes no sooner than is proven
        otherwise. What is followed is done sooner by what ``_follow`` says."""
        followed = {link.before for link in self.problem.links if self.left[link.after]}
        ending = [task for task in self.tasks if task.id not in followed]
        worth = self.problem.day_s / 2 / DAY_S
        soonest = self.bounds.finish
        moments = [max(stretch.start, soonest) for stretch in self.stretches]
        self.made.constant += worth * (moments[0] - self.problem.now)
        for index, (one, two) in enumerate(pairwise(moments)):
            if two == one:
                continue
            self.made.constant += worth * (two - one)
            sooner = self.stretches[index].end < soonest
            done = self.made.variable(-worth * (two - one), 0.0 if sooner else 1.0)
            for task in ending:
                mine = self.x[task.id][: index + 1]
                self.made.row(-math.inf, [(done, 1.0), *((x, -1.0) for x in mine)], 1e-9)


def _hull(points: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """The least concave line over points that begins and ends with the first and last of them."""
    found: list[tuple[float, float]] = []
    for f, g in sorted(points):
        if found and f == found[-1][0]:
            found[-1] = (f, max(g, found[-1][1]))
            continue
        while len(found) > 1 and (found[-1][1] - found[-2][1]) * (f - found[-2][0]) <= (
            g - found[-2][1]
        ) * (found[-1][0] - found[-2][0]):
            found.pop()
        found.append((f, g))
    return found
