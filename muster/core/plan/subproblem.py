"""Smaller problems made from one: what a partial plan places, and two tasks by themselves."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import replace
from fractions import Fraction

from muster.core.plan.plan import Left
from muster.core.plan.problem import Link, Problem, Task


def placed_part(problem: Problem, left: Iterable[Left], dropped: Collection[str] = ()) -> Problem:
    """The problem without what is left and without the pins of ``dropped``: what is proven of it
    holds for every plan that places at least as much and keeps no more pins.

    An item of which anything is left is done when the last sitting ends, however long what is
    placed of it dries, so its lateness and its waiting prove nothing.
    """
    if dropped:
        pins = tuple(pin for pin in problem.pins if pin.task not in dropped)
        problem = replace(problem, pins=pins)
    cut = {one.task: one.from_s // problem.tasks[one.task].per_item_s for one in left}
    if not cut:
        return problem
    tasks: dict[str, Task] = {}
    for name, task in problem.tasks.items():
        count = cut.get(name, len(task.items))
        if count:
            tasks[name] = replace(task, items=task.items[:count])
    gone = {item for name, count in cut.items() for item in problem.tasks[name].items[count:]}
    items = {
        name: replace(item, due=None, weight=Fraction(0)) if name in gone else item
        for name, item in problem.items.items()
    }
    return _of(replace(problem, items=items), tasks)


def one_pair(problem: Problem, link: Link) -> Problem:
    """A link's two tasks on one model each, as if nothing else were to do and nothing were done."""
    one, two = problem.tasks[link.before], problem.tasks[link.after]
    pairs = problem.pairs(one.id, two.id) or [(0, 0)]
    i, j = pairs[0]
    tasks = {
        one.id: replace(one, items=one.items[i : i + 1]),
        two.id: replace(two, items=two.items[j : j + 1]),
    }
    fresh = replace(problem, done=(), open=(), out=(), pins=(), holds=())
    alone = _of(fresh, tasks)
    return replace(alone, links=(link,))


def _of(problem: Problem, tasks: dict[str, Task]) -> Problem:
    """The problem with these tasks only, and what of the rest speaks about them."""
    links = tuple(
        link
        for link in problem.links
        if link.before in tasks and link.after in tasks and _still_meet(problem, tasks, link)
    )
    done = []
    for piece in problem.done:
        if piece.task not in tasks or piece.from_s >= tasks[piece.task].work_s:
            continue
        over = piece.to_s - tasks[piece.task].work_s
        if over > 0:
            span = piece.end - piece.start
            end = piece.start - (-span * (piece.to_s - over - piece.from_s) //
                                 (piece.to_s - piece.from_s))  # fmt: skip
            piece = replace(piece, to_s=piece.to_s - over, end=end)
        done.append(piece)
    return replace(
        problem,
        tasks=tasks,
        links=links,
        holds=tuple(h for h in problem.holds if h.from_ in tasks and h.to in tasks),
        pins=tuple(pin for pin in problem.pins if pin.task in tasks),
        done=tuple(done),
    )


def _still_meet(problem: Problem, tasks: dict[str, Task], link: Link) -> bool:
    """A link by pairs must not become one of all against all because its pairs are left."""
    if not problem.pairs(link.before, link.after):
        # All must end before any starts; where some are left, so is all that follows.
        return len(tasks[link.before].items) == len(problem.tasks[link.before].items)
    kept = {name: set(task.items) for name, task in tasks.items()}
    one, two = problem.tasks[link.before], problem.tasks[link.after]
    return any(
        one.items[i] in kept[link.before] and two.items[j] in kept[link.after]
        for i, j in problem.pairs(link.before, link.after)
    )
