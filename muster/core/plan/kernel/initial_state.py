"""The state from which a dispatch sets out: what facts have left behind at ``now``."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.assemble import Assembled, number
from muster.core.plan.kernel.commit import drop_stays, end_item, start_item
from muster.core.plan.kernel.fields import SCALARS, Ints, column, lay_out, scalar, set_scalar
from muster.core.plan.kernel.layout import BLOCK_FIELDS, INF, NEVER, State
from muster.core.plan.problem import Break


def initial_state(assembled: Assembled, fact_windows: Ints) -> State:
    """The state at ``now``. ``fact_windows`` says by link whether windows from facts are kept."""
    state = _empty(assembled)
    _tell_facts(assembled, state, fact_windows)
    _carry(assembled, state)
    drop_stays(state)
    return state


def _empty(assembled: Assembled) -> State:
    problem = assembled.problem
    n_tasks, n_x, n_items = len(assembled.tasks), len(assembled.x_item), len(assembled.items)
    n_families, n_tools, n_places = len(problem.families), len(problem.tools), len(problem.places)
    done = problem.done_s()
    pieces = sum(
        2 + (task.work_s // 300 if task.break_ is Break.ANY else len(task.items))
        for task in problem.tasks.values()
    )
    rows = 4 * pieces + 2 * n_families + 2 * n_tools * (len(problem.sittings) + 1) + 8
    stays = len(assembled.u_pairs) + 4
    stays += sum(len(task.items) * len(task.places) for task in problem.tasks.values())
    now, current = problem.now, problem.sitting_at(problem.now)
    if current is None:
        current = sum(sitting.end <= now for sitting in problem.sittings)
    begins = problem.sittings[current].start if current < len(problem.sittings) else now
    left = np.array([done[name] < task.work_s for name, task in problem.tasks.items()], bool)
    pinned = np.array((assembled.pin_high < INF) & left, np.int64)
    scalars = dict.fromkeys(SCALARS[State], 0)
    scalars["now"], scalars["sitting"] = max(now, begins), current
    scalars["tasks_left"], scalars["pins_left"] = int(left.sum()), int(pinned.sum())
    sizes = {
        **dict.fromkeys(("task_worked", "task_owed"), n_tasks),
        **dict.fromkeys(
            ("family_open", "family_first", "family_last", "open_families"), n_families
        ),
        **dict.fromkeys(("stay_until", "stay_place", "stay_amount", "stay_unit"), stays),
        "item_done_at": n_items,
        "tool_out": n_tools,
        "place_held": n_places,
        "blocks": rows * BLOCK_FIELDS,
    }
    columns = {name: np.zeros(size, np.int64) for name, size in sizes.items()}
    columns["task_pinned"] = pinned
    columns["op_earliest"], columns["op_latest"] = np.full(n_x, NEVER), np.full(n_x, INF)
    columns["op_waits_for"] = assembled.x_pred
    columns["item_dry_at"], columns["item_in_hand"] = np.full(n_items, NEVER), np.full(n_items, -1)
    columns["family_deadline"] = np.full(n_families, INF)
    columns["unit_pairs"] = assembled.u_pairs
    return lay_out(State, scalars, columns)


def _tell_facts(assembled: Assembled, state: State, fact_windows: Ints) -> None:
    problem, frame, t_off = assembled.problem, assembled.frame, assembled.t_off
    t_at = number(assembled.tasks)
    worked = column(state, State, "task_worked", len(assembled.tasks))
    for name, seconds in problem.done_s().items():
        worked[t_at[name]] = seconds
    events: list[tuple[int, int, int, int]] = []
    for piece in problem.done:
        task = problem.tasks[piece.task]
        span, work = piece.end - piece.start, piece.to_s - piece.from_s
        for place in range(len(task.items)):
            low, high = place * task.per_item_s, (place + 1) * task.per_item_s
            if piece.from_s <= low < piece.to_s:
                moment = piece.start - (-(low - piece.from_s) * span // work)
                events.append((moment, 1, t_at[piece.task], place))
            if piece.from_s < high <= piece.to_s:
                moment = piece.start - (-(high - piece.from_s) * span // work)
                events.append((moment, 0, t_at[piece.task], place))
    # An item whose start and end fall on one second must still start first.
    events.sort(key=lambda event: (event[0], event[2], event[3], -event[1]))
    for moment, starts, task_no, place in events:
        if starts:
            start_item(frame, state, task_no, int(t_off[task_no]) + place)
        else:
            end_item(frame, state, task_no, place, moment, fact_windows)
    hand = column(state, State, "item_in_hand", len(assembled.items))
    hand[:] = -1
    for task_no, task in enumerate(problem.tasks.values()):
        place, within = divmod(int(worked[task_no]), task.per_item_s)
        if within:
            hand[assembled.x_item[t_off[task_no] + place]] = task_no


def _carry(assembled: Assembled, state: State) -> None:
    problem = assembled.problem
    if problem.sitting_at(problem.now) is None:
        return
    n_families = len(assembled.families)
    f_at, k_at = number(assembled.families), number(assembled.tools)
    out = column(state, State, "tool_out", len(assembled.tools))
    for left in problem.open:
        family, index = problem.families[left.family], f_at[left.family]
        if family.tool:
            out[k_at[family.tool]] = 1
        if not family.setup_s and not family.cleanup_s:
            continue
        column(state, State, "family_open", n_families)[index] = 1
        column(state, State, "family_first", n_families)[index] = left.first_start
        column(state, State, "family_last", n_families)[index] = left.last_end
        if family.open_s is not None:
            # Closed as it would have been; a close may come later, but nothing is won by that.
            column(state, State, "family_deadline", n_families)[index] = (
                left.last_end + family.open_s
            )
        count = scalar(state, State, "n_open")
        column(state, State, "open_families", n_families)[count] = index
        set_scalar(state, State, "n_open", count + 1)
    for name in problem.out:
        out[k_at[name]] = 1
