"""What a problem file must not hold, beyond the shape of its fields."""

from __future__ import annotations

from collections.abc import Container, Iterable
from dataclasses import replace
from graphlib import CycleError, TopologicalSorter
from itertools import pairwise

from muster.core.errors import DomainError
from muster.core.plan.problem import WALL, Problem, Sitting


def validate(problem: Problem) -> None:
    """Raise DomainError for ids that do not exist and for what no plan could keep."""
    _refuse_overlaps(problem)
    _refuse_bad_clocks(problem)
    _refuse_unknown_ids(problem)
    _refuse_cycles(problem)
    _refuse_bad_tasks(problem)
    _refuse_bad_holds(problem)
    _refuse_bad_facts(problem)


def complete(problem: Problem) -> Problem:
    """The problem, validated, with what follows from what stands open and out.

    The sitting of ``now`` is taken to end when that has been closed and put away (rule 9), and the
    next to start no sooner. Raises DomainError as ``validate``.
    """
    validate(problem)
    index = problem.sitting_at(problem.now)
    if index is None:
        return problem
    families = [problem.families[left.family] for left in problem.open]
    tools = {*problem.out, *(family.tool for family in families if family.tool)}
    needed = sum(family.cleanup_s for family in families)
    needed += sum(problem.tools[name].cleanup_s for name in tools)
    end = problem.now + needed
    here = problem.sittings[index]
    if end <= here.end:
        return problem
    moved = (Sitting(max(one.start, end), one.end) for one in problem.sittings[index + 1 :])
    after = (one for one in moved if one.start < one.end)
    return replace(problem, sittings=(*problem.sittings[:index], Sitting(here.start, end), *after))


def _refuse_overlaps(problem: Problem) -> None:
    for one, two in pairwise(problem.sittings):
        if two.start < one.end:
            raise DomainError(
                f"sittings: the one from {one.start} to {one.end} overlaps the one from "
                f"{two.start}: shorten or join them"
            )


def _refuse_bad_clocks(problem: Problem) -> None:
    for name, rates in problem.clocks.items():
        where = f"clock '{name}'"
        for one, two in pairwise(rates):
            if two.start <= one.start:
                raise DomainError(
                    f"{where}: its times must rise, but {two.start} follows {one.start}: sort them"
                )
        if rates[-1].milli == 0:
            raise DomainError(
                f"{where}: its last rate is 0, so nothing would ever dry: make it more"
            )


def _known(where: str, word: str, ids: Iterable[str], known: Container[str]) -> None:
    for name in ids:
        if name not in known:
            raise DomainError(f"{where}: there is no {word} '{name}': add it or correct the id")


def _refuse_unknown_ids(problem: Problem) -> None:
    clocks = {WALL, *problem.clocks}
    for name, family in problem.families.items():
        _known(f"family '{name}'", "tool", [family.tool] if family.tool else [], problem.tools)
    for task in problem.tasks.values():
        where = f"task '{task.id}'"
        _known(where, "item", task.items, problem.items)
        _known(where, "family", [task.family] if task.family else [], problem.families)
        _known(where, "clock", [task.clock], clocks)
        _known(where, "place", task.places, problem.places)
    for number, link in enumerate(problem.links, 1):
        _known(f"link {number}", "task", [link.before, link.after], problem.tasks)
        _known(f"link {number}", "clock", [link.clock], clocks)
    for number, hold in enumerate(problem.holds, 1):
        _known(f"hold {number}", "task", [hold.from_, hold.to], problem.tasks)
        _known(f"hold {number}", "place", hold.places, problem.places)
    for number, pin in enumerate(problem.pins, 1):
        _known(f"pin {number}", "task", [pin.task], problem.tasks)
    for number, piece in enumerate(problem.done, 1):
        _known(f"done piece {number}", "task", [piece.task], problem.tasks)
    for number, left in enumerate(problem.open, 1):
        _known(f"open family {number}", "family", [left.family], problem.families)
    _known("out", "tool", problem.out, problem.tools)


def _refuse_cycles(problem: Problem) -> None:
    order: TopologicalSorter[str] = TopologicalSorter(dict.fromkeys(problem.tasks, ()))
    for link in problem.links:
        order.add(link.after, link.before)
    try:
        order.prepare()
    except CycleError as error:
        ring = " after ".join(f"'{name}'" for name in reversed(error.args[1]))
        raise DomainError(f"links form a cycle: {ring}: take one of these links out") from error


def _refuse_bad_tasks(problem: Problem) -> None:
    for task in problem.tasks.values():
        if not task.items:
            raise DomainError(f"task '{task.id}': it has no items: give it some or take it out")
        twice = {item for item in task.items if task.items.count(item) > 1}
        if twice:
            raise DomainError(
                f"task '{task.id}': item '{min(twice)}' stands in it twice: take one out"
            )
    pinned = [pin.task for pin in problem.pins]
    for name in pinned:
        if pinned.count(name) > 1:
            raise DomainError(f"task '{name}': it is pinned twice: keep one pin")


def _refuse_bad_holds(problem: Problem) -> None:
    after: dict[str, list[str]] = {}
    for link in problem.links:
        after.setdefault(link.before, []).append(link.after)
    for number, hold in enumerate(problem.holds, 1):
        reached, heap = set(), [hold.from_]
        while heap:
            for name in after.get(heap.pop(), ()):
                if name not in reached:
                    reached.add(name)
                    heap.append(name)
        if hold.to not in reached:
            raise DomainError(
                f"hold {number}: no links lead from '{hold.from_}' to '{hold.to}': "
                f"link them or take the hold out"
            )


def _refuse_bad_facts(problem: Problem) -> None:
    reached = dict.fromkeys(problem.tasks, 0)
    ended: dict[str, int] = {}
    for number, piece in enumerate(problem.done, 1):
        where = f"done piece {number} of task '{piece.task}'"
        if piece.end > problem.now:
            raise DomainError(f"{where}: it ends at {piece.end}, later than now, {problem.now}")
        if piece.from_s != reached[piece.task]:
            raise DomainError(
                f"{where}: it begins at {piece.from_s} but {reached[piece.task]} s are done before "
                f"it: done pieces run from 0 without a gap; reorder the task's items"
            )
        if piece.to_s > problem.tasks[piece.task].work_s:
            raise DomainError(
                f"{where}: it goes to {piece.to_s} but the task has "
                f"{problem.tasks[piece.task].work_s} s of work: correct to_s"
            )
        if piece.start < ended.get(piece.task, 0):
            raise DomainError(
                f"{where}: it starts before the piece before it ended: correct its start"
            )
        reached[piece.task] = piece.to_s
        ended[piece.task] = piece.end
    names = [left.family for left in problem.open]
    for left in problem.open:
        if left.last_end > problem.now:
            raise DomainError(
                f"open family '{left.family}': last_end is later than now: correct it"
            )
        if names.count(left.family) > 1:
            raise DomainError(f"open family '{left.family}': it stands twice: take one out")
    if len(set(problem.out)) < len(problem.out):
        raise DomainError("out: a tool stands in it twice: take one out")
