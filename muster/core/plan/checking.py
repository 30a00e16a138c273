"""The independent checker: does a plan keep every rule, and does it measure what it says?

It shares only the problem's and the plan's plain data with the planner, so that a mistake in the
planner cannot hide itself here. Each rule is one function that yields complaints.
"""

from __future__ import annotations

import itertools
import math
from bisect import bisect_right
from collections.abc import Callable, Iterator
from fractions import Fraction

from muster.core.plan.checking_facts import FOR_EVER, Story
from muster.core.plan.checking_links import links
from muster.core.plan.checking_openings import families_and_tools
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import DAY_S, Break, Problem


def check(problem: Problem, plan: Plan) -> list[str]:
    """Complaints about a plan, empty where it keeps every rule and states true figures."""
    unknown = list(_unknown(problem, plan))
    if unknown:
        return unknown
    story = Story.of(problem, plan)
    found = [*one_painter(story), *pieces(story)]
    if found:
        return found
    found = [complaint for rule in RULES for complaint in rule(story)]
    return found or list(figures(story))


def _unknown(problem: Problem, plan: Plan) -> Iterator[str]:
    """Blocks of what the problem does not know."""
    families, tools = problem.families.keys(), problem.tools.keys()
    known = {"work": problem.tasks.keys(), "open": families, "close": families}
    for block in plan.blocks:
        if block.ref not in known.get(block.do, tools):
            yield f"1: {block} is of nothing that the problem knows"


def one_painter(story: Story) -> Iterator[str]:
    """Rule 1: blocks have the right length, do not overlap, lie in one sitting, none before now."""
    problem = story.problem
    starts = [sitting.start for sitting in problem.sittings]
    for block in story.plan.blocks:
        if block.end - block.start != _length(problem, block):
            yield f"1: {block} has the wrong length"
        if block.end <= block.start:
            yield f"1: {block} has no length and must be left out"
        if block.start < problem.now:
            yield f"1: {block} starts before now"
        index = bisect_right(starts, block.start) - 1
        if index < 0 or block.end > problem.sittings[index].end:
            yield f"1: {block} does not lie in one sitting"
    order = sorted(story.plan.blocks, key=lambda block: (block.start, block.end))
    for one, two in itertools.pairwise(order):
        if two.start < one.end:
            yield f"1: {two} starts before {one} has ended"


def _length(problem: Problem, block: Block) -> int:
    if block.do == "work":
        return block.to_s - block.from_s
    if block.do in ("open", "close"):
        family = problem.families[block.ref]
        return family.setup_s if block.do == "open" else family.cleanup_s
    tool = problem.tools[block.ref]
    return tool.setup_s if block.do == "get_out" else tool.cleanup_s


def pieces(story: Story) -> Iterator[str]:
    """Rules 2 and 11: pieces of a task are in order, cover it once up to its end or to where it is
    left, and are cut only as allowed."""
    work: dict[str, list[Block]] = {}
    for block in story.work:
        work.setdefault(block.ref, []).append(block)
    left = {one.task: one for one in story.plan.left}
    if len(left) < len(story.plan.left):
        yield "11: a task is named as left twice"
    if (story.plan.status == "planned") != (not left):
        yield f"11: the status is {story.plan.status}, but {len(left)} tasks are left"
    for name in left.keys() - story.problem.tasks.keys():
        yield f"11: task {name}, which is named as left, does not exist"
    for task in story.problem.tasks.values():
        done = reached = story.done_s[task.id]
        step = {Break.NONE: task.work_s, Break.ITEM: task.per_item_s, Break.ANY: 300}[task.break_]
        for piece in work.get(task.id, ()):
            if piece.from_s != reached:
                yield f"2: {piece} should go on from {reached}"
            reached = piece.to_s
            if reached != task.work_s and reached % step:
                yield f"2: {piece} is cut where task {task.id} may not be"
        if reached == task.work_s:
            if task.id in left:
                yield f"11: task {task.id} is named as left, but it is worked to its end"
        elif task.id not in left:
            whole = task.work_s
            yield f"2: task {task.id} is worked to {reached} of {whole}, and not named as left"
        elif left[task.id].from_s != reached:
            yield f"11: task {task.id} is left from {reached}, not {left[task.id].from_s}"
        if reached < done:
            yield f"2: task {task.id} is done to {done} already"


def untouched(story: Story) -> Iterator[str]:
    """Rule 5: a wet item is not touched, and no item is in hand twice at once."""
    by_item: dict[str, list[tuple[int, int, int, str]]] = {}
    for course in story.courses.values():
        for number, item in enumerate(course.task.items):
            start = course.starts[number]
            if start is not None:
                by_item.setdefault(item, []).append(
                    (start, course.ready[number], number < course.fact_starts, course.task.id)
                )
    for item, visits in by_item.items():
        if len(visits) == 1:
            continue
        visits.sort()
        wet_until, wet_by = -1, ""
        for index, (start, ready, is_fact, task) in enumerate(visits):
            if start < wet_until and not is_fact:
                yield f"5: {task} touches {item} at {start}; {wet_by} is dry at {wet_until}"
            # What starts in the same second is in hand already for the one before it.
            follows = visits[index + 1] if index + 1 < len(visits) else None
            if follows is not None and follows[0] == start < follows[1] and not is_fact:
                yield f"5: {task} and {follows[3]} have {item} in hand at {start}"
            if ready > wet_until:
                wet_until, wet_by = ready, task


def places(story: Story) -> Iterator[str]:
    """Rule 7: nothing is put in a place beyond its capacity."""
    for place, capacity in story.problem.places.items():
        stays = sorted(story.stays(place))
        ends = sorted((stay.end, stay.amount) for stay in stays)
        held, gone, number = 0, 0, 0
        while number < len(stays):
            moment, by_plan = stays[number].start, None
            while number < len(stays) and stays[number].start == moment:
                held += stays[number].amount
                if not stays[number].is_fact:
                    by_plan = stays[number]
                number += 1
            while gone < len(ends) and ends[gone][0] <= moment:
                held -= ends[gone][1]
                gone += 1
            if by_plan is not None and held > capacity:
                yield (
                    f"7: {place} holds {held} of {capacity} when {by_plan.item} of {by_plan.task} "
                    f"is put there at {moment}"
                )


def needs_and_pins(story: Story) -> Iterator[str]:
    """Rule 8: pieces lie where their tags hold, not before they may, and as they are pinned."""
    problem = story.problem
    spans = _spans(problem)
    first: dict[str, Block] = {}
    for block in story.work:
        first.setdefault(block.ref, block)
        task = problem.tasks[block.ref]
        for tag in task.needs:
            if not _within(spans.get(tag, []), block):
                yield f"8: {block} does not lie within {tag}"
        if task.not_before is not None and block.start < task.not_before:
            yield f"8: {block} starts before {task.not_before}"
    dropped = set(story.plan.dropped_pins)
    for pin in problem.pins:
        coming = first.get(pin.task)
        if coming is None or pin.start + pin.slack_s < problem.now:
            continue
        kept = pin.start <= coming.start <= pin.start + pin.slack_s
        if not kept and pin.task not in dropped:
            yield f"8: {coming} is not where it is pinned: {pin}"
        if kept and pin.task in dropped:
            yield f"8: {coming} is named as not kept to its pin, but it is"
    for name in dropped - {pin.task for pin in problem.pins}:
        yield f"8: {name} is named as a dropped pin, but it has none"


def _spans(problem: Problem) -> dict[str, list[tuple[int, int]]]:
    """By tag, the stretches in which it holds, those that touch made one."""
    found: dict[str, list[tuple[int, int]]] = {}
    for condition in sorted(problem.conditions, key=lambda one: one.start):
        mine = found.setdefault(condition.tag, [])
        if mine and condition.start <= mine[-1][1]:
            mine[-1] = (mine[-1][0], max(mine[-1][1], condition.end))
        else:
            mine.append((condition.start, condition.end))
    return found


def _within(spans: list[tuple[int, int]], block: Block) -> bool:
    index = bisect_right(spans, (block.start, FOR_EVER)) - 1
    return index >= 0 and spans[index][0] <= block.start and block.end <= spans[index][1]


def figures(story: Story) -> Iterator[str]:
    """The measures that the plan states are those of its blocks, and no bound is above them."""
    plan, problem = story.plan, story.problem
    hands_on = sum(block.end - block.start for block in plan.blocks)
    finish = max((block.end for block in plan.blocks), default=problem.now)
    spans = _spans(problem)
    wants = sum(
        cost
        for block in story.work
        for tag, cost in problem.tasks[block.ref].wants.items()
        if not _within(spans.get(tag, []), block)
    )
    cost = Fraction(hands_on + wants) + Fraction(problem.day_s * (finish - problem.now), 2 * DAY_S)
    late, days, moments, weights = Fraction(0), Fraction(0), Fraction(0), Fraction(0)
    waits = Fraction(0)
    done_at, left = _done(story)
    for name, done in done_at.items():
        item = problem.items[name]
        weights += item.weight
        moments += item.weight * done
        waits += item.weight * max(0, done - problem.now)
        if item.due is not None and done > item.due:
            late += item.weight
            days += item.weight * -(-(done - item.due) // DAY_S)
    cost += problem.item_day_s * waits / DAY_S
    left_s = sum(problem.tasks[one.task].work_s - one.from_s for one in plan.left)
    left_weight = _left_weight(problem, left)
    stated = plan.score
    for name, value, true in (
        ("hands_on_s", stated.hands_on_s, hands_on),
        ("wants_s", stated.wants_s, wants),
        ("finish", stated.finish, finish),
        ("late_weight", stated.late_weight, late),
        ("lateness_days", stated.lateness_days, days),
        ("cost_s", stated.cost_s, math.ceil(cost)),
        (
            "mean_done",
            stated.mean_done,
            math.ceil(moments / weights) if weights else problem.now,
        ),
        ("left_s", stated.left_s, left_s),
        ("left_weight", stated.left_weight, left_weight),
    ):
        if value != true:
            yield f"figures: {name} is stated as {value}, but it is {true}"
    bounds = plan.bounds
    for name, bound, value in (
        ("left_weight", bounds.left_weight, stated.left_weight),
        ("late_weight", bounds.late_weight, stated.late_weight),
        ("hands_on_s", bounds.hands_on_s, stated.hands_on_s),
        ("finish", bounds.finish, stated.finish),
        ("cost_s", bounds.cost_s, stated.cost_s),
    ):
        if bound > value:
            yield f"figures: the bound of {name}, {bound}, is above what was reached, {value}"


def _done(story: Story) -> tuple[dict[str, int], set[str]]:
    """When each item with tasks is done, and which are left: those at the end of all sittings."""
    done: dict[str, int] = {}
    left: set[str] = set()
    for course in story.courses.values():
        for item, ready, end in zip(course.task.items, course.ready, course.ends, strict=True):
            if end is None:
                left.add(item)
            elif ready > done.get(item, -1):
                done[item] = ready
    last = story.problem.sittings[-1].end if story.problem.sittings else 0
    done.update(dict.fromkeys(left, max(last, story.problem.now)))
    return done, left


def _left_weight(problem: Problem, left: set[str]) -> Fraction:
    """Over models of which anything is left: their weight, or that of their heaviest part."""
    total = Fraction(0)
    for model in {item.split("/")[0] for item in left}:
        if model in problem.items:
            total += problem.items[model].weight
        else:
            parts = [i.weight for name, i in problem.items.items() if name.split("/")[0] == model]
            total += max(parts)
    return total


# The other rules, for plans whose work is whole.
RULES: tuple[Callable[[Story], Iterator[str]], ...] = (
    families_and_tools,
    untouched,
    links,
    places,
    needs_and_pins,
)
