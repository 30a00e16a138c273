"""From a problem to the arrays that the dispatch works on."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from muster.core.plan.calendar import Slot, slots
from muster.core.plan.clocks import rates_of
from muster.core.plan.kernel.fields import Ints, lay_out
from muster.core.plan.kernel.layout import (
    BREAK_ANY,
    BREAK_ITEM,
    BREAK_NONE,
    INF,
    NEVER,
    Floats,
    Frame,
)
from muster.core.plan.kernel.urgency import urgency
from muster.core.plan.problem import WALL, Break, Problem, Task

_BREAKS = {Break.NONE: BREAK_NONE, Break.ITEM: BREAK_ITEM, Break.ANY: BREAK_ANY}


@dataclass(frozen=True)
class Assembled:
    """The frame, and the names that its numbers stand for."""

    problem: Problem
    frame: Frame
    weight: Floats  # by item, then by model
    tasks: list[str]
    items: list[str]
    families: list[str]
    tools: list[str]
    order: Ints  # tasks in topological order
    windows: Ints  # by link: 1 where it has a window
    wishes: Ints  # by task: 1 where what it wants holds in some stretch still to come
    tail: Floats  # by task: what still follows it, 0 to 1
    due: Floats  # by task: when it must start for its items' dues, roughly; inf: no due
    t_off: Ints
    x_item: Ints
    x_pred: Ints
    u_pairs: Ints
    pin_high: Ints


def ints(values: Iterable[int]) -> Ints:
    """A flat array of whole numbers."""
    return np.array(list(values), dtype=np.int64)


def ragged(groups: Iterable[Iterable[int]]) -> tuple[Ints, Ints]:
    """Lists of different length as (offsets, values)."""
    offsets = [0]
    values: list[int] = []
    for group in groups:
        values.extend(group)
        offsets.append(len(values))
    return ints(offsets), ints(values)


def number(names: Iterable[str]) -> dict[str, int]:
    """Names to their places."""
    return {name: index for index, name in enumerate(names)}


def assemble(problem: Problem) -> Assembled:
    """Lay the problem out in arrays."""
    tasks, items = list(problem.tasks), list(problem.items)
    t_at, i_at = number(tasks), number(items)
    every_task = list(problem.tasks.values())
    t_off, x_item = ragged([i_at[item] for item in task.items] for task in every_task)
    columns: dict[str, Ints] = {"task_first_op": t_off, "op_item": x_item}
    columns |= _bench(problem)
    columns |= _tasks(problem, every_task)
    columns |= _calendars(problem, every_task)
    columns |= _pins(problem, t_at)
    x_pred = np.zeros(len(x_item), np.int64)
    columns |= _links(problem, t_at, t_off, x_pred)
    held, u_pairs = _holds(problem, t_at, t_off)
    columns |= held
    columns["item_due"] = ints(INF if i.due is None else i.due for i in problem.items.values())
    columns["item_tasks"] = np.bincount(x_item, minlength=len(items)).astype(np.int64)
    models = problem.model_weights()
    m_at = number(models)
    columns["item_model"] = ints(m_at[name.partition("/")[0]] for name in items)
    counts = {
        "n_sittings": len(problem.sittings),
        "n_tasks": len(tasks),
        "n_items": len(items),
        "n_families": len(problem.families),
        "n_tools": len(problem.tools),
        "n_places": len(problem.places),
        "now_at_start": problem.now,
        "day_worth": problem.day_s,
        "item_day_worth": problem.item_day_s,
        "n_models": len(models),
        "last_end": problem.last_end(),
        "n_pins": int((columns["pin_high"] < INF).sum()),
    }
    order, tail, due = urgency(problem)
    return Assembled(
        problem=problem,
        frame=lay_out(Frame, counts, columns),
        weight=np.array(
            [float(item.weight) for item in problem.items.values()]
            + [float(weight) for weight in models.values()],
            np.float64,
        ),
        tasks=tasks,
        items=items,
        families=list(problem.families),
        tools=list(problem.tools),
        order=ints(t_at[name] for name in order),
        windows=ints(0 if link.window_s is None else 1 for link in problem.links),
        wishes=_wishes(columns),
        tail=tail,
        due=due,
        t_off=t_off,
        x_item=x_item,
        x_pred=x_pred,
        u_pairs=u_pairs,
        pin_high=columns["pin_high"],
    )


def _bench(problem: Problem) -> dict[str, Ints]:
    """Sittings, clocks, families, tools and places."""
    k_at = number(problem.tools)
    families, tools = list(problem.families.values()), list(problem.tools.values())
    rates = [rates_of(problem, clock) for clock in problem.clocks]
    clock_off, rate_from = ragged([rate.start for rate in group] for group in rates)
    _, rate_milli = ragged([rate.milli for rate in group] for group in rates)
    return {
        "sitting_start": ints(sitting.start for sitting in problem.sittings),
        "sitting_end": ints(sitting.end for sitting in problem.sittings),
        "clock_rates": clock_off,
        "rate_from": rate_from,
        "rate_milli": rate_milli,
        "family_tool": ints(k_at[f.tool] if f.tool else -1 for f in families),
        "family_setup": ints(f.setup_s for f in families),
        "family_cleanup": ints(f.cleanup_s for f in families),
        "family_keeps": ints(INF if f.open_s is None else f.open_s for f in families),
        "family_life": ints(INF if f.life_s is None else f.life_s for f in families),
        "family_merges": ints(1 if f.setup_s or f.cleanup_s else 0 for f in families),
        "tool_setup": ints(tool.setup_s for tool in tools),
        "tool_cleanup": ints(tool.cleanup_s for tool in tools),
        "tool_holds": ints(tool.open_families for tool in tools),
        "place_capacity": ints(problem.places.values()),
    }


def _tasks(problem: Problem, every_task: list[Task]) -> dict[str, Ints]:
    f_at, c_at = number(problem.families), {**number(problem.clocks), WALL: -1}
    return {
        "task_per_item": ints(task.per_item_s for task in every_task),
        "task_n_items": ints(len(task.items) for task in every_task),
        "task_family": ints(f_at[task.family] if task.family else -1 for task in every_task),
        "task_break": ints(_BREAKS[task.break_] for task in every_task),
        "task_dry": ints(task.dry_s for task in every_task),
        "task_clock": ints(c_at[task.clock] for task in every_task),
        "task_not_before": ints(
            NEVER if task.not_before is None else task.not_before for task in every_task
        ),
        "task_puts": ints(
            task.places.get(place, 0) for task in every_task for place in problem.places
        ),
    }


def _calendars(problem: Problem, every_task: list[Task]) -> dict[str, Ints]:
    """Slots by distinct set of tags, and where each sitting's slots begin; wants by task."""
    needs_of = [tuple(sorted(set(task.needs))) for task in every_task]
    wants_of = [
        {tag: cost for tag, cost in sorted(task.wants.items()) if cost and tag not in task.needs}
        for task in every_task
    ]
    wish_of = [
        tuple(sorted({*needs, *wants})) for needs, wants in zip(needs_of, wants_of, strict=True)
    ]
    single = [(tag,) for wants in wants_of for tag in wants]
    spans: dict[tuple[str, ...], list[Slot]] = {
        tags: slots(problem, tags) for tags in dict.fromkeys([*needs_of, *wish_of, *single])
    }
    cal_at = {tags: index for index, tags in enumerate(spans)}
    cal_off = [0]
    flat: list[Slot] = []
    cal_first: list[int] = []
    for mine in spans.values():
        base = len(flat)
        flat.extend(mine)
        cal_off.append(len(flat))
        first = dict.fromkeys(range(len(problem.sittings)), len(flat))
        for index in range(len(mine) - 1, -1, -1):
            first[mine[index].sitting] = base + index
        cal_first.extend(first.values())
    want_off, want_cal = ragged([cal_at[tag,] for tag in wants] for wants in wants_of)
    return {
        "task_calendar": ints(cal_at[needs] for needs in needs_of),
        "task_wish_calendar": ints(cal_at[wish] for wish in wish_of),
        "task_wants": want_off,
        "want_calendar": want_cal,
        "want_s": ints(cost for wants in wants_of for cost in wants.values()),
        "calendar_slots": ints(cal_off),
        "calendar_first_slot": ints(cal_first),
        "slot_start": ints(slot.start for slot in flat),
        "slot_end": ints(slot.end for slot in flat),
        "slot_sitting": ints(slot.sitting for slot in flat),
    }


def _wishes(columns: dict[str, Ints]) -> Ints:
    """1 for each task that wants what holds in some stretch."""
    wanting = np.diff(columns["task_wants"]) > 0
    filled = np.diff(columns["calendar_slots"])[columns["task_wish_calendar"]] > 0
    return (wanting & filled).astype(np.int64)


def _pins(problem: Problem, t_at: dict[str, int]) -> dict[str, Ints]:
    low, high = np.full(len(t_at), NEVER), np.full(len(t_at), INF)
    done_s = problem.done_s()
    for pin in problem.pins:
        over = done_s[pin.task] >= problem.tasks[pin.task].work_s
        if not over and pin.start + pin.slack_s >= problem.now:
            low[t_at[pin.task]] = pin.start
            high[t_at[pin.task]] = pin.start + pin.slack_s
    return {"pin_low": low, "pin_high": high}


def _links(problem: Problem, t_at: dict[str, int], t_off: Ints, x_pred: Ints) -> dict[str, Ints]:
    """Links, their pairs by task-item; ``x_pred`` counts what each task-item waits for."""
    c_at = {**number(problem.clocks), WALL: -1}
    pairs_of: list[list[tuple[int, int]]] = [[] for _ in x_pred]
    whole_of: list[list[int]] = [[] for _ in t_at]
    before: list[list[int]] = [[] for _ in t_at]
    windowed = np.zeros(len(t_at), np.int64)
    for index, link in enumerate(problem.links):
        one, two = t_at[link.before], t_at[link.after]
        before[two].append(one)
        if link.window_s is not None:
            windowed[one] = 1
        pairs = problem.pairs(link.before, link.after)
        for i, j in pairs:
            pairs_of[t_off[one] + i].append((index, int(t_off[two]) + j))
            x_pred[t_off[two] + j] += 1
        if not pairs:
            whole_of[one].append(index)
            x_pred[t_off[two] : t_off[two + 1]] += 1
    pair_off, pair_link = ragged([index for index, _ in group] for group in pairs_of)
    _, pair_to = ragged([y for _, y in group] for group in pairs_of)
    whole_off, whole_link = ragged(whole_of)
    before_off, before_task = ragged(before)
    return {
        "task_windowed": windowed,
        "op_pairs": pair_off,
        "pair_link": pair_link,
        "pair_to": pair_to,
        "task_whole_links": whole_off,
        "whole_link": whole_link,
        "link_after": ints(t_at[link.after] for link in problem.links),
        "link_stand": ints(link.stand_s for link in problem.links),
        "link_window": ints(link.window_s or 0 for link in problem.links),
        "link_clock": ints(c_at[link.clock] for link in problem.links),
        "task_befores": before_off,
        "before_task": before_task,
    }


def _holds(problem: Problem, t_at: dict[str, int], t_off: Ints) -> tuple[dict[str, Ints], Ints]:
    """Holds as units: one for each item and place; and how many pairs each waits for."""
    p_at = number(problem.places)
    starts_of: list[list[int]] = [[] for _ in range(int(t_off[-1]))]
    ends_of: list[list[int]] = [[] for _ in range(int(t_off[-1]))]
    holding = np.zeros(len(t_at), np.int64)
    u_place: list[int] = []
    u_amount: list[int] = []
    u_pairs: list[int] = []
    for hold in problem.holds:
        pairs = problem.pairs(hold.from_, hold.to)
        for place, amount in hold.places.items():
            for i in sorted({i for i, _ in pairs}):
                unit = len(u_place)
                mine = [j for k, j in pairs if k == i]
                u_place.append(p_at[place])
                u_amount.append(amount)
                u_pairs.append(len(mine))
                holding[t_at[hold.from_]] = 1
                starts_of[t_off[t_at[hold.from_]] + i].append(unit)
                for j in mine:
                    ends_of[t_off[t_at[hold.to]] + j].append(unit)
    start_off, start_unit = ragged(starts_of)
    end_off, end_unit = ragged(ends_of)
    columns = {
        "task_holds": holding,
        "unit_place": ints(u_place),
        "unit_amount": ints(u_amount),
        "op_hold_starts": start_off,
        "hold_start_unit": start_unit,
        "op_hold_ends": end_off,
        "hold_end_unit": end_unit,
    }
    return columns, ints(u_pairs)
