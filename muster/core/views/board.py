"""The plan as a board: sittings at true minutes, trays as rows, calls with their reasons."""

from __future__ import annotations

from bisect import bisect_left
from dataclasses import dataclass
from datetime import datetime

from muster.core.pipeline import Derived
from muster.core.plan.plan import Plan
from muster.core.views.cards import CallCard, cards_of, title_of
from muster.core.views.left import LeftRow, left_rows
from muster.core.views.roll import TrayStrip, UnitRow, tray_id


@dataclass(frozen=True)
class Piece:
    """A stretch of a call at the bench, from its first setting-up to its end."""

    call: str
    start: datetime
    end: datetime
    models: list[int]


@dataclass(frozen=True)
class Chore:
    """Getting out, opening, closing, putting away."""

    do: str
    what: str
    start: datetime
    end: datetime
    tray: str | None
    """The row that it is drawn on: of the call that follows it, or that it follows."""


@dataclass(frozen=True)
class Join:
    """One changeover, shared: the second call goes on with the family that the first has open."""

    first: str
    second: str
    at: datetime


@dataclass(frozen=True)
class OrderMark:
    """A call that waits for one of another unit, as the user has said."""

    before: str
    after: str


@dataclass(frozen=True)
class SittingSpan:
    """A sitting still to come or under way."""

    start: datetime
    end: datetime
    used_s: int
    after_parade: bool


@dataclass(frozen=True)
class Board:
    """The whole board."""

    status: str
    left: list[LeftRow]
    gap: float
    finish: datetime
    cost_s: int
    hands_on_s: int
    openings: int
    sittings: list[SittingSpan]
    rows: list[TrayStrip]
    calls: list[CallCard]
    pieces: list[Piece]
    chores: list[Chore]
    joins: list[Join]
    orders: list[OrderMark]
    missed: list[MissedWindow]


@dataclass(frozen=True)
class MissedWindow:
    """A window that closed before its second call was done, and the way out.

    ``models`` are those that wait beyond it; taking ``facts`` back does the first call again."""

    first: str
    second: str
    sentence: str
    models: list[int]
    facts: list[str]


def board_of(derived: Derived, plan: Plan, rows: list[UnitRow]) -> Board:
    """Lay the plan out."""
    instance, problem = derived.instance, derived.instance.problem
    due = derived.snapshot.choices.due()
    pieces, chores, joins = _blocks(derived, plan)
    used = dict.fromkeys(range(len(problem.sittings)), 0)
    for block in plan.blocks:
        sitting = problem.sitting_at(block.start)
        if sitting is not None:
            used[sitting] += block.end - block.start
    spans = [
        SittingSpan(
            instance.moment(s.start), instance.moment(s.end), used[index],
            due is not None and instance.moment(s.start) >= due,
        )
        for index, s in enumerate(problem.sittings)
    ]  # fmt: skip
    return Board(
        status=plan.status,
        left=left_rows(derived, plan),
        gap=plan.gap(),
        finish=instance.moment(plan.score.finish),
        cost_s=plan.score.cost_s,
        hands_on_s=plan.score.hands_on_s,
        openings=sum(block.do == "open" for block in plan.blocks),
        sittings=spans,
        rows=[strip for row in rows for strip in row.trays],
        calls=cards_of(derived, plan),
        pieces=pieces,
        chores=chores,
        joins=joins,
        orders=[
            OrderMark(one.before.id, one.after.id)
            for one in instance.follows
            if one.order is not None
        ],
        missed=[_missed(derived, one, two) for one, two in plan.missed],
    )


def _missed(derived: Derived, one: str, two: str) -> MissedWindow:
    """Say what happened, what still holds, and what to do."""
    first, second = derived.calls[one], derived.calls[two]
    ticks = derived.state.ticks
    late = [
        model
        for model in second.models
        if (first.unit.id, model, first.keys[-1]) in ticks
        and (second.unit.id, model, second.keys[0]) not in ticks
    ]
    who = f"model {late[0]}" if len(late) == 1 else f"{len(late)} models"
    return MissedWindow(
        first=one,
        second=two,
        sentence=(
            f"{title_of(derived, two)} came too late after {first.name} on {who}: the window has "
            f"closed and only the wait still counts. Try {second.name} on one of them first; if it "
            f"no longer works there, do {first.name} again."
        ),
        models=late,
        facts=[str(ticks[first.unit.id, model, first.keys[-1]].fact) for model in late],
    )


def _blocks(derived: Derived, plan: Plan) -> tuple[list[Piece], list[Chore], list[Join]]:
    instance, problem = derived.instance, derived.instance.problem
    pieces, chores, joins = [], [], []
    work = [block for block in plan.blocks if block.do == "work"]
    last_of: dict[str, tuple[str, int | None]] = {}
    for block in plan.blocks:
        start, end = instance.moment(block.start), instance.moment(block.end)
        sitting = problem.sitting_at(block.start)
        if block.do == "work":
            task = problem.tasks[block.ref]
            call = derived.calls[block.ref]
            first, last = block.from_s // task.per_item_s, -(-block.to_s // task.per_item_s)
            pieces.append(Piece(block.ref, start, end, list(call.models[first:last])))
            if task.family:
                before = last_of.get(task.family)
                if before and before[1] == sitting and before[0] != block.ref:
                    joins.append(Join(before[0], block.ref, start))
                last_of[task.family] = (block.ref, sitting)
            continue
        if block.do in ("open", "close"):
            last_of.pop(block.ref, None)
        at = bisect_left(work, block.start, key=lambda piece: piece.start)
        at -= block.do in ("close", "put_away")
        tray = tray_id(derived.calls[work[at].ref]) if 0 <= at < len(work) else None
        chores.append(Chore(block.do, block.ref, start, end, tray))
    return pieces, chores, joins
