"""Why a call stands where it does: the rules that hold at its start, read off the plan itself."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from muster.core.plan.calendar import stretches
from muster.core.plan.clocks import latest_at, rates_of, ready_at
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import Problem

Kind = Literal[
    "pinned", "shares", "wet", "stand", "dry_since", "sitting", "full", "condition", "not_before",
    "window", "order", "now",
]  # fmt: skip


BINDING = {"pinned", "shares", "wet", "stand", "sitting", "full", "condition", "not_before", "now"}
"""Kinds that hold a call where it is; a window says until when, ``dry_since`` what does not."""


@dataclass(frozen=True, slots=True)
class Reason:
    """One reason: its moment, the task or tag it comes from, and the seconds it saves or waits."""

    kind: Kind
    at: int
    other: str = ""
    saves_s: int = 0


Moments = dict[str, list[int | None]]
"""By task: of each of its items, where there is one."""


def reasons_of(problem: Problem, plan: Plan) -> dict[str, list[Reason]]:
    """By task: why its next piece does not start earlier. Binding reasons come first."""
    ends, starts = _visits(problem, plan)
    chain = list(plan.blocks)
    into: dict[str, list[int]] = {}
    for index, link in enumerate(problem.links):
        into.setdefault(link.after, []).append(index)
    found: dict[str, list[Reason]] = {}
    last_of: dict[str, Block] = {}
    for place, block in enumerate(chain):
        if block.do != "work":
            continue
        family = problem.tasks[block.ref].family or ""
        if block.ref not in found:
            found[block.ref] = [
                *_pin(problem, block),
                *_links(problem, block, into, ends, starts),
                *_bench(problem, chain, place, last_of.get(family)),
            ]
            if not any(reason.kind in BINDING for reason in found[block.ref]):
                found[block.ref].append(Reason("order", block.start))
        last_of[family] = block
    return found


def _visits(problem: Problem, plan: Plan) -> tuple[Moments, Moments]:
    """Ends and starts of each item in each task, from facts and plan."""
    ends: Moments = {name: [None] * len(task.items) for name, task in problem.tasks.items()}
    starts: Moments = {name: [None] * len(task.items) for name, task in problem.tasks.items()}
    spans = [(d.task, d.from_s, d.to_s, d.start, d.end) for d in problem.done]
    spans += [(b.ref, b.from_s, b.to_s, b.start, b.end) for b in plan.blocks if b.do == "work"]
    for name, from_s, to_s, start, end in spans:
        per, span, work = problem.tasks[name].per_item_s, end - start, to_s - from_s
        begun, ended = starts[name], ends[name]
        for number in range(-(-from_s // per), -(-to_s // per)):
            begun[number] = start - (-(number * per - from_s) * span // work)
        for number in range(from_s // per, to_s // per):
            ended[number] = start - (-((number + 1) * per - from_s) * span // work)
    return ends, starts


def _pin(problem: Problem, block: Block) -> list[Reason]:
    return [
        Reason("pinned", block.start)
        for pin in problem.pins
        if pin.task == block.ref and pin.start + pin.slack_s >= problem.now
    ]


def _links(
    problem: Problem,
    block: Block,
    into: dict[str, list[int]],
    ends: Moments,
    starts: Moments,
) -> list[Reason]:
    """Waits that hold the piece exactly where it is; else the one that was over last."""
    task = problem.tasks[block.ref]
    binding: list[Reason] = []
    loose: list[Reason] = []
    for index in into.get(block.ref, ()):
        link = problem.links[index]
        before = problem.tasks[link.before]
        rates, dries = rates_of(problem, link.clock), rates_of(problem, before.clock)
        pairs = problem.pairs(link.before, link.after) or [
            (len(before.items) - 1, j) for j in range(len(task.items))
        ]
        begun, ended = starts[block.ref], ends[link.before]
        latest_ready, held, closing = None, False, None
        kind: Kind = "stand"
        for i, j in pairs:
            moment, end = begun[j], ended[i]
            if moment is None or end is None or not block.start <= moment <= block.end:
                continue
            stood, dry = ready_at(rates, end, link.stand_s), end
            if before.items[i] == task.items[j]:
                dry = ready_at(dries, end, before.dry_s)
            ready = max(stood, dry)
            if moment == ready:
                held, kind = True, "wet" if dry > stood else "stand"
            latest_ready = ready if latest_ready is None else max(latest_ready, ready)
            if link.window_s is not None:
                last = latest_at(rates, end, link.window_s)
                closing = last if closing is None else min(closing, last)
        if latest_ready is None:
            continue
        if held:
            binding.append(Reason(kind, latest_ready, link.before, link.stand_s))
        else:
            loose.append(Reason("dry_since", latest_ready, link.before))
        if closing is not None:
            binding.append(Reason("window", closing, link.before))
    return binding or sorted(loose, key=lambda reason: -reason.at)[:1]


def _bench(problem: Problem, chain: list[Block], place: int, earlier: Block | None) -> list[Reason]:
    """What the bench was doing until the call's setting-up began.

    ``earlier``: the piece before it of the same family, in whichever sitting.
    """
    block = chain[place]
    task = problem.tasks[block.ref]
    found: list[Reason] = []
    if task.not_before == block.start:
        found.append(Reason("not_before", block.start))
    for tag in task.needs:
        if any(start == block.start for start, _ in stretches(problem.conditions, tag)):
            found.append(Reason("condition", block.start, tag))
    first = place
    while first > 0 and chain[first - 1].end == chain[first].start:
        if chain[first - 1].do not in ("get_out", "open"):
            break
        first -= 1
    before = chain[first - 1] if first > 0 else None
    own_set_up = any(b.do == "open" and b.ref == task.family for b in chain[first:place])
    sitting = problem.sitting_at(block.start)
    if task.family and not own_set_up:
        family = problem.families[task.family]
        saves = family.setup_s + family.cleanup_s
        here = earlier is not None and problem.sitting_at(earlier.start) == sitting
        if earlier is not None and here and earlier.ref != block.ref and saves:
            found.append(Reason("shares", earlier.end, earlier.ref, saves))
    begins = chain[first].start
    if sitting is not None and begins == problem.sittings[sitting].start:
        found.append(Reason("sitting", begins))
    elif begins <= problem.now:
        found.append(Reason("now", begins))
    elif before is not None and before.end == begins and not any(r.kind == "shares" for r in found):
        doing = before.ref if before.do == "work" else ""
        if doing and doing != block.ref:
            found.append(Reason("full", before.end, doing))
    return found
