"""The independent checker: does a plan keep every rule, and does it measure what it says?

It shares only the problem's and the plan's plain data with the planner, so that a mistake in the
planner cannot hide itself here. Each rule is one function that yields complaints.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Iterator
from fractions import Fraction

from muster.core.plan.checking_facts import Story, Visit, waited
from muster.core.plan.checking_openings import families_and_tools
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import DAY_S, Break, Problem


def check(problem: Problem, plan: Plan) -> list[str]:
    """Complaints about a plan, empty where it keeps every rule and states true figures."""
    if plan.status == "impossible":
        return []
    story = Story.of(problem, plan)
    found = [*one_painter(story), *pieces(story)]
    if found:
        return found
    found = [complaint for rule in RULES for complaint in rule(story)]
    return found or list(figures(story))


def one_painter(story: Story) -> Iterator[str]:
    """Rule 1: blocks have the right length, do not overlap, lie in one sitting, none before now."""
    problem = story.problem
    for block in story.plan.blocks:
        if block.end - block.start != _length(problem, block):
            yield f"1: {block} has the wrong length"
        if block.end <= block.start:
            yield f"1: {block} has no length and must be left out"
        if block.start < problem.now:
            yield f"1: {block} starts before now"
        if not any(s.start <= block.start and block.end <= s.end for s in problem.sittings):
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
    """Rule 2: pieces of a task are in order, cover it once, and are cut only as allowed."""
    for task in story.problem.tasks.values():
        reached = story.done_s[task.id]
        work = [block for block in story.work if block.ref == task.id]
        for number, piece in enumerate(work):
            if piece.from_s != reached:
                yield f"2: {piece} should go on from {reached}"
            if number and task.break_ is Break.NONE:
                yield f"2: {piece} cuts a task that is worked in one piece"
            if number and task.break_ is Break.ITEM and piece.from_s % task.per_item_s:
                yield f"2: {piece} cuts within an item"
            if number and task.break_ is Break.ANY and piece.from_s % 300:
                yield f"2: {piece} cuts at no multiple of 300 s"
            reached = piece.to_s
        if reached != task.work_s:
            yield f"2: task {task.id} is worked to {reached} of {task.work_s}"


def untouched(story: Story) -> Iterator[str]:
    """Rule 5: a wet item is not touched, and no item is in hand twice at once."""
    by_item: dict[str, list[Visit]] = {}
    for visit in story.visits.values():
        by_item.setdefault(visit.item, []).append(visit)
    for item, visits in by_item.items():
        for one in visits:
            for two in visits:
                if one is two or two.start_is_fact:
                    continue
                if one.start <= two.start < one.ready:
                    yield f"5: {two.task} touches {item} at {two.start}; dry at {one.ready}"


def links(story: Story) -> Iterator[str]:
    """Rules 6 and 10: stands and windows, by pairs or, where there are none, by the whole."""
    missed = set(story.plan.missed)
    for link in story.problem.links:
        excused = (link.before, link.after) in missed
        clock = story.rates(link.clock)
        pairs = story.problem.pairs(link.before, link.after)
        before = [story.visits[link.before, i] for i in story.problem.tasks[link.before].items]
        after = [story.visits[link.after, j] for j in story.problem.tasks[link.after].items]
        if pairs:
            stands = windows = [(before[i], after[j]) for i, j in pairs]
        else:
            stands = [(one, two) for one in before for two in after]
            windows = stands
        if excused and not any(one.end_is_fact for one in before):
            yield f"10: {link} is named as missed, but its window counts from no fact"
        for one, two in stands:
            if two.start_is_fact:
                continue
            if two.start < one.end or waited(clock, one.end, two.start) < link.stand_s * 1000:
                yield f"6: {two} starts too soon after {one}: {link}"
        if link.window_s is None or excused:
            continue
        for one, two in windows:
            if two.start_is_fact:
                continue
            if waited(clock, one.end, two.start) > link.window_s * 1000:
                yield f"6: {two} starts too late after {one}: {link}"
    known = {(link.before, link.after) for link in story.problem.links}
    for name in missed - known:
        yield f"10: {name} is named as missed, but there is no such link"


def places(story: Story) -> Iterator[str]:
    """Rule 7: nothing is put in a place beyond its capacity."""
    for place, capacity in story.problem.places.items():
        stays = story.stays(place)
        for put in stays:
            if put.is_fact or put.end <= put.start:
                continue
            held = sum(s.amount for s in stays if s.start <= put.start < s.end)
            if held > capacity:
                yield f"7: {place} holds {held} of {capacity} when {put.what} is put there"


def needs_and_pins(story: Story) -> Iterator[str]:
    """Rule 8: pieces lie where their tags hold, not before they may, and as they are pinned."""
    problem = story.problem
    for block in story.work:
        task = problem.tasks[block.ref]
        for tag in task.needs:
            reached = block.start
            for spell in sorted(
                (c for c in problem.conditions if c.tag == tag), key=lambda c: c.start
            ):
                if spell.start <= reached < spell.end:
                    reached = spell.end
            if reached < block.end:
                yield f"8: {block} does not lie within {tag}"
        if task.not_before is not None and block.start < task.not_before:
            yield f"8: {block} starts before {task.not_before}"
    for pin in problem.pins:
        coming = [block for block in story.work if block.ref == pin.task]
        if not coming or pin.start + pin.slack_s < problem.now:
            continue
        if not pin.start <= coming[0].start <= pin.start + pin.slack_s:
            yield f"8: {coming[0]} is not where it is pinned: {pin}"


def figures(story: Story) -> Iterator[str]:
    """The measures that the plan states are those of its blocks, and no bound is above them."""
    plan, problem = story.plan, story.problem
    hands_on = sum(block.end - block.start for block in plan.blocks)
    finish = max((block.end for block in plan.blocks), default=problem.now)
    cost = Fraction(hands_on) + Fraction(problem.day_s * (finish - problem.now), 2 * DAY_S)
    late, days, moments, weights = Fraction(0), Fraction(0), Fraction(0), Fraction(0)
    for item in problem.items.values():
        ready = [visit.ready for visit in story.visits.values() if visit.item == item.id]
        if not ready:
            continue
        done = max(ready)
        weights += item.weight
        moments += item.weight * done
        cost += problem.item_day_s * item.weight * max(0, done - problem.now) / DAY_S
        if item.due is not None and done > item.due:
            late += item.weight
            days += item.weight * -(-(done - item.due) // DAY_S)
    stated = plan.score
    for name, value, true in (
        ("hands_on_s", stated.hands_on_s, hands_on),
        ("finish", stated.finish, finish),
        ("late_weight", stated.late_weight, late),
        ("lateness_days", stated.lateness_days, days),
        ("cost_s", stated.cost_s, math.ceil(cost)),
        (
            "mean_done",
            stated.mean_done,
            math.ceil(moments / weights) if weights else problem.now,
        ),
    ):
        if value != true:
            yield f"figures: {name} is stated as {value}, but it is {true}"
    bounds = plan.bounds
    for name, bound, value in (
        ("late_weight", bounds.late_weight, stated.late_weight),
        ("hands_on_s", bounds.hands_on_s, stated.hands_on_s),
        ("finish", bounds.finish, stated.finish),
        ("cost_s", bounds.cost_s, stated.cost_s),
    ):
        if bound > value:
            yield f"figures: the bound of {name}, {bound}, is above what was reached, {value}"


# The other rules, for plans whose work is whole.
RULES: tuple[Callable[[Story], Iterator[str]], ...] = (
    families_and_tools,
    untouched,
    links,
    places,
    needs_and_pins,
)
