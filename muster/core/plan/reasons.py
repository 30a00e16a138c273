"""Why there is no plan, in words a painter understands."""

from __future__ import annotations

from collections.abc import Sequence

from muster.core.plan.calendar import slots
from muster.core.plan.plan import Block
from muster.core.plan.problem import Problem


def why_impossible(
    problem: Problem, placed: dict[str, int], blocks: Sequence[Block]
) -> tuple[str, ...]:
    """What cannot hold together, or the first task without a place and the bench time missing.

    ``placed`` says how many seconds of each task the best attempt found a place for.
    """
    found: list[str] = []
    if not any(sitting.end > problem.now for sitting in problem.sittings):
        found.append("No sitting is left: add one.")
    for task in problem.tasks.values():
        if placed[task.id] >= task.work_s:
            continue
        for tag in task.needs:
            if not slots(problem, (tag,)):
                found.append(f"{task.id} needs '{tag}', which holds in no sitting that is left.")
        for place, amount in task.places.items():
            if amount > problem.places[place] and task.dry_s:
                found.append(
                    f"{task.id} takes {amount} of '{place}' an item, which holds "
                    f"{problem.places[place]}."
                )
    for pin in problem.pins:
        if placed[pin.task] < problem.tasks[pin.task].work_s and pin.start >= problem.now:
            found.append(
                f"{pin.task} is pinned where it cannot start, or what it waits for cannot be done "
                f"by then: unpin it, or pin it later."
            )
    open_tasks = [task for task in problem.tasks.values() if placed[task.id] < task.work_s]
    if open_tasks:
        first = open_tasks[0]
        missing = sum(task.work_s - placed[task.id] for task in open_tasks)
        last = max((sitting.end for sitting in problem.sittings), default=problem.now)
        bench = sum(
            sitting.end - max(sitting.start, problem.now)
            for sitting in problem.sittings
            if sitting.end > problem.now
        )
        used = sum(block.end - block.start for block in blocks)
        found.append(
            f"{first.id} is the first for which no place was found; {len(open_tasks)} tasks with "
            f"{-(-missing // 60)} minutes of work are left over. The sittings up to {last} hold "
            f"{bench // 60} minutes, of which {used // 60} are taken: add about "
            f"{-(-missing // 60)} minutes at the bench, or leave passes out."
        )
    return tuple(found) or ("No place was found for all the work.",)
