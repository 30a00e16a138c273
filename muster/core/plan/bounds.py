"""What is proven of every plan that keeps the rules.

Each bound relaxes the problem to something that can be solved exactly: one item's chain of work
and waits through the calendar as if nothing else were to be done; all the bench work as if nothing
had to wait; the fewest openings and outings as if everything else stood ready. So none can be above
what the best plan reaches. (Sorting by shortest work: Smith 1956.)
"""

from __future__ import annotations

import math
from bisect import bisect_left, bisect_right
from dataclasses import replace
from fractions import Fraction
from graphlib import TopologicalSorter
from itertools import accumulate

from muster.core.plan.bounds_left import least_left_weight
from muster.core.plan.bounds_openings import fewest_openings_s
from muster.core.plan.calendar import Slot, slots
from muster.core.plan.clocks import FOREVER, rates_of, ready_at
from muster.core.plan.plan import Bounds, Left
from muster.core.plan.problem import Problem, Rate
from muster.core.plan.scoring import cost_of
from muster.core.plan.subproblem import placed_part


class BenchTime:
    """When so many seconds of slot time have passed, and how many have passed by a moment."""

    def __init__(self, spans: list[Slot]) -> None:
        self.starts = [slot.start for slot in spans]
        self.ends = [slot.end for slot in spans]
        lengths = [slot.end - slot.start for slot in spans]
        self.before = [0, *accumulate(lengths)]
        # Twice the area under the moments of all slots before each, so that it stays whole.
        self.twice = [0, *accumulate(slot.end**2 - slot.start**2 for slot in spans)]

    def passed(self, moment: int) -> int:
        """Seconds of slot time before ``moment``."""
        index = bisect_left(self.ends, moment)
        if index == len(self.ends):
            return self.before[-1]
        return self.before[index] + max(0, moment - self.starts[index])

    def after(self, moment: int, seconds: int) -> int:
        """The moment by which ``seconds`` of slot time have passed from ``moment`` on."""
        wanted = self.passed(moment) + seconds
        if wanted > self.before[-1]:
            return FOREVER
        index = bisect_left(self.before, wanted, lo=1) - 1
        return max(moment, self.starts[index] + wanted - self.before[index])

    def twice_integral(self, seconds: int) -> int:
        """Twice the integral over slot time, 0 to ``seconds``, of the moment at which it is."""
        index = bisect_right(self.before, seconds) - 1
        if index == len(self.starts):
            return self.twice[index]
        start, used = self.starts[index], seconds - self.before[index]
        return self.twice[index] + (start + used) ** 2 - start**2


def bounds_of(problem: Problem) -> Bounds:
    """Lower bounds on late weight, hands-on, finish and cost; FOREVER where nothing can be done."""
    bench = BenchTime(slots(problem, ()))
    ends, done_by, finish, _ = chains(problem)
    left = problem.done_s()
    work = sum(task.work_s - left[name] for name, task in problem.tasks.items())
    hands_on = work + fewest_openings_s(problem)
    finish = max(finish, bench.after(problem.now, hands_on) if hands_on else problem.now)
    own = _own_work(problem)
    late = _late_weight(problem, bench, own, done_by)
    net = BenchTime(_net_slots(problem))
    finish = max(finish, net.after(problem.now, work) if work else problem.now)
    waits = max(
        _waits(problem, bench, own, ends, done_by), _waits_by_ratio(problem, net, own, done_by)
    )
    free = chains(replace(problem, pins=()))[1] if problem.pins else done_by
    bench_s = bench.passed(FOREVER) - bench.passed(problem.now)
    left_weight = least_left_weight(problem, free, own, bench_s)
    if finish >= FOREVER:
        return Bounds(late, hands_on, finish, hands_on, left_weight)
    cost = math.floor(cost_of(problem, hands_on, finish, waits))
    return Bounds(late, hands_on, finish, cost, left_weight)


def bounds_beside(
    problem: Problem, left: tuple[Left, ...], dropped: tuple[str, ...] = ()
) -> Bounds:
    """Lower bounds on every plan that leaves no more than ``left`` and keeps no pin of ``dropped``;
    that on what is left, on every plan."""
    whole = bounds_of(problem)
    if not left and not dropped:
        return whole
    part = bounds_of(placed_part(problem, left, dropped))
    return replace(part, left_weight=whole.left_weight)


def chains(
    problem: Problem,
) -> tuple[dict[str, int], dict[str, int], int, dict[str, list[int]]]:
    """By item: its earliest last end, and earliest done; the earliest finish of all work; and by
    task the earliest end on each of its items."""
    order: TopologicalSorter[str] = TopologicalSorter(dict.fromkeys(problem.tasks, ()))
    into: dict[str, list[int]] = {name: [] for name in problem.tasks}
    for index, link in enumerate(problem.links):
        order.add(link.after, link.before)
        into[link.after].append(index)
    done_s = problem.done_s()
    facts = _fact_ends(problem)
    pins = {pin.task: pin for pin in problem.pins}
    calendars: dict[tuple[str, ...], BenchTime] = {}
    end_at: dict[str, list[int]] = {}
    ends: dict[str, int] = {}
    done_by: dict[str, int] = {}
    finish = problem.now
    for name in order.static_order():
        task = problem.tasks[name]
        count = len(task.items)
        earliest = [max(problem.now, task.not_before or 0)] * count
        pin = pins.get(name)
        if pin is not None and pin.start + pin.slack_s >= problem.now:
            earliest = [max(moment, pin.start) for moment in earliest]
        for index in into[name]:
            link = problem.links[index]
            rates = rates_of(problem, link.clock)
            before = problem.tasks[link.before]
            before_ends = end_at[link.before]
            dries = rates_of(problem, before.clock)
            pairs = problem.pairs(link.before, name)
            for i, j in pairs:
                wait = _wait(rates, before_ends[i], link.stand_s)
                if before.items[i] == task.items[j]:
                    wait = max(wait, _wait(dries, before_ends[i], before.dry_s))
                earliest[j] = max(earliest[j], wait)
            if not pairs:
                wait = _wait(rates, before_ends[-1], link.stand_s)
                earliest = [max(moment, wait) for moment in earliest]
        if task.needs not in calendars:
            calendars[task.needs] = BenchTime(slots(problem, task.needs))
        calendar = calendars[task.needs]
        reached = problem.now
        mine: list[int] = []
        for place in range(count):
            high = (place + 1) * task.per_item_s
            if high <= done_s[name]:
                mine.append(facts[name, place])
                continue
            low = max(place * task.per_item_s, done_s[name])
            begun = low > place * task.per_item_s
            start = reached if begun else max(reached, earliest[place])
            reached = FOREVER if start >= FOREVER else calendar.after(start, high - low)
            mine.append(reached)
            finish = max(finish, reached)
        end_at[name] = mine
        if done_s[name] < task.work_s and task.family:
            family = problem.families[task.family]
            tool = problem.tools[family.tool].cleanup_s if family.tool else 0
            finish = max(finish, mine[-1] + family.cleanup_s + tool)
        for item, end in zip(task.items, mine, strict=True):
            ends[item] = max(ends.get(item, 0), end)
            dry = _wait(rates_of(problem, task.clock), end, task.dry_s)
            done_by[item] = max(done_by.get(item, 0), dry)
    return ends, done_by, min(finish, FOREVER), end_at


def _wait(rates: tuple[Rate, ...], start: int, wait_s: int) -> int:
    return FOREVER if start >= FOREVER else ready_at(rates, start, wait_s)


def _fact_ends(problem: Problem) -> dict[tuple[str, int], int]:
    ends = {}
    for piece in problem.done:
        per = problem.tasks[piece.task].per_item_s
        span, worked = piece.end - piece.start, piece.to_s - piece.from_s
        for place in range(piece.from_s // per, piece.to_s // per):
            at = (place + 1) * per - piece.from_s
            ends[piece.task, place] = piece.start - (-at * span // worked)
    return ends


def _own_work(problem: Problem) -> dict[str, int]:
    """Seconds still to be worked on each item itself."""
    done_s = problem.done_s()
    own = dict.fromkeys(problem.items, 0)
    for name, task in problem.tasks.items():
        for place, item in enumerate(task.items):
            low = max(place * task.per_item_s, done_s[name])
            own[item] += max(0, (place + 1) * task.per_item_s - low)
    return own


def _late_weight(
    problem: Problem, bench: BenchTime, own: dict[str, int], done_by: dict[str, int]
) -> Fraction:
    """Items whose chain alone is late; or what must be late since the bench cannot hold it all."""
    chain_late, worst = Fraction(0), Fraction(0)
    dues = set()
    for name, done in done_by.items():
        item = problem.items[name]
        if item.due is None:
            continue
        if done > item.due:
            chain_late += item.weight
        else:
            dues.add(item.due)
    for due in dues:
        room = bench.passed(max(due, problem.now)) - bench.passed(problem.now)
        asking = [
            (problem.items[name].weight, own[name])
            for name in done_by
            if own[name] and (problem.items[name].due or due + 1) <= due
        ]
        excess = sum(work for _, work in asking) - room
        late = Fraction(0)
        for weight, work in sorted(asking, key=lambda pair: pair[0] / pair[1]):
            if excess <= 0:
                break
            late += weight * min(Fraction(1), Fraction(excess, work))
            excess -= work
        worst = max(worst, Fraction(math.floor(late * 1000), 1000))
    return max(chain_late, worst)


def _waits(
    problem: Problem,
    bench: BenchTime,
    own: dict[str, int],
    ends: dict[str, int],
    done_by: dict[str, int],
) -> Fraction:
    """Σ over items of weight × seconds until done: by chains, or by shortest work first."""
    names = [name for name in done_by if own[name] and problem.items[name].weight]
    chains = Fraction(0)
    for name, done in done_by.items():
        if done < FOREVER:
            chains += problem.items[name].weight * max(0, done - problem.now)
    settled = sum(
        (
            problem.items[name].weight * max(0, done - problem.now)
            for name, done in done_by.items()
            if not own[name]
        ),
        Fraction(0),
    )
    weights = sorted((problem.items[name].weight for name in names), reverse=True)
    alone = sorted(ends[name] for name in names)
    dries = _shortest_dries(problem)
    dry = sum((problem.items[name].weight * dries.get(name, 0) for name in names), Fraction(0))
    shared, total = Fraction(0), 0
    for weight, work, end in zip(weights, sorted(own[name] for name in names), alone, strict=True):
        total += work
        at = max(end, bench.after(problem.now, total))
        if at < FOREVER:
            shared += weight * (at - problem.now)
    return max(chains, settled + dry + shared)


def _net_slots(problem: Problem) -> list[Slot]:
    """The slots in which work itself can lie: each sitting less the least setting up before its
    first piece and the least closing and putting away after its last."""
    done_s = problem.done_s()
    left = {t.family for t in problem.tasks.values() if done_s[t.id] < t.work_s}
    before, after = [], []
    for name in left:
        family = problem.families[name] if name else None
        tool = problem.tools[family.tool] if family and family.tool else None
        before.append((family.setup_s if family else 0) + (tool.setup_s if tool else 0))
        after.append((family.cleanup_s if family else 0) + (tool.cleanup_s if tool else 0))
    opens, closes = min(before, default=0), min(after, default=0)
    here = problem.sitting_at(problem.now)
    found = []
    for slot in slots(problem, ()):
        start = slot.start if slot.sitting == here else slot.start + opens
        if start < slot.end - closes:
            found.append(Slot(start, slot.end - closes, slot.sitting))
    return found


def _waits_by_ratio(
    problem: Problem, net: BenchTime, own: dict[str, int], done_by: dict[str, int]
) -> Fraction:
    """Σ over items of weight × seconds until done, however the bench is shared.

    By so much bench time no more weight can be done than fills it in the order of weight over work
    (a fractional knapsack: Dantzig 1957). What is not done goes on waiting; summed over time that
    is each item's weight times the mean moment of its stretch in Smith's order.
    """
    names = [name for name in done_by if own[name] and problem.items[name].weight]
    names.sort(key=lambda name: (Fraction(own[name]) / problem.items[name].weight, name))
    total = sum(
        (
            problem.items[name].weight * max(0, done - problem.now)
            for name, done in done_by.items()
            if not own[name]
        ),
        Fraction(0),
    )
    dries = _shortest_dries(problem)
    reached, area = 0, 0
    for name in names:
        reached += own[name]
        if reached > net.before[-1]:
            break
        grown = net.twice_integral(reached)
        mean = Fraction(grown - area, 2 * own[name])
        area = grown
        total += problem.items[name].weight * (mean - problem.now + dries.get(name, 0))
    return total


def _shortest_dries(problem: Problem) -> dict[str, int]:
    """By item: the least seconds that it dries after its last pass, whichever that can be."""
    done_s = problem.done_s()
    left = {name for name, task in problem.tasks.items() if done_s[name] < task.work_s}
    followed = {
        (link.before, item)
        for link in problem.links
        if link.after in left
        for item in set(problem.tasks[link.before].items) & set(problem.tasks[link.after].items)
    }
    least: dict[str, int] = {}
    for name in left:
        task = problem.tasks[name]
        fastest = max(rate.milli for rate in rates_of(problem, task.clock))
        dry = task.dry_s * 1000 // fastest
        for item in task.items:
            if (name, item) not in followed:
                least[item] = min(least.get(item, dry), dry)
    return least
