"""What a plan amounts to, exactly, for the planner's own use."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from fractions import Fraction

from muster.core.plan.calendar import stretches
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.plan import Block, Left, Score
from muster.core.plan.problem import DAY_S, Problem


def cost_of(
    problem: Problem, hands_on_s: int, finish: int, waits: Fraction, wants_s: int = 0
) -> Fraction:
    """The cost in seconds of bench work; ``waits`` = Σ over items of weight × seconds till done."""
    return (
        Fraction(hands_on_s + wants_s)
        + Fraction(problem.day_s * (finish - problem.now), 2 * DAY_S)
        + problem.item_day_s * waits / DAY_S
    )


def measure(
    problem: Problem,
    blocks: Sequence[Block],
    done_at: dict[str, int],
    missed: int,
    left: Sequence[Left] = (),
) -> Score:
    """The score of blocks that leave each item with tasks done at ``done_at``."""
    hands_on = sum(block.end - block.start for block in blocks)
    finish = max((block.end for block in blocks), default=problem.now)
    late, days, waits = Fraction(0), Fraction(0), Fraction(0)
    moments, weights = Fraction(0), Fraction(0)
    for name, done in done_at.items():
        item = problem.items[name]
        weights += item.weight
        moments += item.weight * done
        waits += item.weight * max(0, done - problem.now)
        if item.due is not None and done > item.due:
            late += item.weight
            days += item.weight * -(-(done - item.due) // DAY_S)
    wants_s = unmet_wants_s(problem, blocks)
    models = problem.model_weights()
    return Score(
        missed=missed,
        late_weight=late,
        lateness_days=days,
        cost_s=math.ceil(cost_of(problem, hands_on, finish, waits, wants_s)),
        hands_on_s=hands_on,
        finish=finish,
        mean_done=math.ceil(moments / weights) if weights else problem.now,
        left_weight=sum((models[name] for name in models_of(problem, left)), Fraction(0)),
        left_s=sum(problem.tasks[one.task].work_s - one.from_s for one in left),
        wants_s=wants_s,
    )


def dry_after(problem: Problem, blocks: Iterable[Block]) -> dict[str, int]:
    """When each item is dry of all that was worked on it and is in ``blocks``."""
    pieces = [(b.ref, b.from_s, b.to_s, b.start, b.end) for b in blocks if b.do == "work"]
    pieces += [(one.task, one.from_s, one.to_s, one.start, one.end) for one in problem.done]
    found: dict[str, int] = {}
    for name, from_s, to_s, start, end in pieces:
        task = problem.tasks[name]
        per, rates = task.per_item_s, rates_of(problem, task.clock)
        for place in range(from_s // per, to_s // per):
            # Facts are spread evenly over their piece, each moment rounded up to a second.
            high = (place + 1) * per
            ended = start - (-(high - from_s) * (end - start) // (to_s - from_s))
            dry = ready_at(rates, ended, task.dry_s)
            item = task.items[place]
            found[item] = max(found.get(item, dry), dry)
    return found


def items_of(problem: Problem, left: Iterable[Left]) -> set[str]:
    """The items of which anything is left."""
    return {
        item
        for one in left
        for item in problem.tasks[one.task].items[
            one.from_s // problem.tasks[one.task].per_item_s :
        ]
    }


def models_of(problem: Problem, left: Iterable[Left]) -> set[str]:
    """The models of which anything is left."""
    return {item.partition("/")[0] for item in items_of(problem, left)}


def unmet_wants_s(problem: Problem, blocks: Iterable[Block]) -> int:
    """What pieces cost that lie outside what they want, in seconds of bench work (rule 12)."""
    spans: dict[str, list[tuple[int, int]]] = {}
    total = 0
    for block in blocks:
        for tag, cost in problem.tasks[block.ref].wants.items() if block.do == "work" else ():
            if tag not in spans:
                spans[tag] = stretches(problem.conditions, tag)
            if not any(start <= block.start and block.end <= end for start, end in spans[tag]):
                total += cost
    return total
