"""What a plan sets out from: the facts, with as many pins and open windows kept as can be."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.assemble import Assembled
from muster.core.plan.kernel.attempt import N_MEASURES, free_pins_at, pay_only
from muster.core.plan.kernel.fields import column, copy_of, scalar, set_scalar
from muster.core.plan.kernel.initial_state import initial_state
from muster.core.plan.kernel.layout import State


def settle(assembled: Assembled) -> tuple[State, list[int]]:
    """The beginning, and the links whose windows from facts cannot be kept (rule 10).

    Pins come first. A window is kept where all that is owed can be paid beside it and those that
    close sooner.
    """
    all_windows = assembled.windows
    start = initial_state(assembled, all_windows)
    if _payable(assembled, start):
        return start, []
    kept = np.zeros(len(all_windows), np.int64)
    facts = _links_from_facts(assembled)
    start = initial_state(assembled, kept)
    if not _payable(assembled, start):
        free_pins_at(assembled.frame, start, copy_of(start), assembled.order, assembled.windows)
    pins = column(start, State, "task_pinned", len(assembled.tasks)).copy()
    pins_left = scalar(start, State, "pins_left")
    for link in facts:
        kept[link] = 1
        tried = initial_state(assembled, kept)
        column(tried, State, "task_pinned", len(assembled.tasks))[:] = pins
        set_scalar(tried, State, "pins_left", pins_left)
        if _payable(assembled, tried):
            start = tried
        else:
            kept[link] = 0
    return start, [link for link in sorted(facts) if not kept[link]]


def _payable(assembled: Assembled, start: State) -> bool:
    if not assembled.problem.sittings:
        return False
    measures = np.zeros(N_MEASURES, np.float64)
    return pay_only(
        assembled.frame, assembled.weight, start, copy_of(start), assembled.order,
        assembled.windows, measures,
    )  # fmt: skip


def _links_from_facts(assembled: Assembled) -> list[int]:
    """Links whose window counts from a fact and asks something still to come, soonest first."""
    problem = assembled.problem
    done = problem.done_s()
    found: list[tuple[int, int]] = []
    for index, link in enumerate(problem.links):
        before, after = problem.tasks[link.before], problem.tasks[link.after]
        if link.window_s is None or done[link.before] < before.per_item_s:
            continue
        if done[link.after] > after.work_s - after.per_item_s:
            continue
        ended = max(p.end for p in problem.done if p.task == link.before)
        found.append((ended + link.window_s, index))
    return [index for _, index in sorted(found)]
