"""The plan as a board: sittings at true minutes, trays as rows, calls with their reasons."""

from __future__ import annotations

from bisect import bisect_left
from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from muster.core.amounts.film import in_drops
from muster.core.amounts.needs import amount_of
from muster.core.colour.wet import wet_of
from muster.core.pipeline import Derived
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.plan import Plan
from muster.core.plan.why import Reason, reasons_of
from muster.core.recipes.recipe import Pass
from muster.core.rooms.left import LeftRow, left_rows
from muster.core.rooms.roll import TrayStrip, UnitRow, tray_id
from muster.core.stack.cautions import Caution, cautions_of


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
class CallCard:
    """A call as the board and the bench name it."""

    id: str
    tray: str
    tray_name: str
    unit: str
    name: str
    mix: str
    tool: str | None
    colour: str | None
    finish: str | None
    note: str
    pass_keys: list[str]
    models: list[int]
    done_models: list[int]
    per_item_s: int
    handful: int
    start: datetime | None
    end: datetime | None
    dry_from: datetime | None
    dry_to: datetime | None
    pinned: bool
    late: bool
    why: list[str]
    cautions: list[str]
    serious: bool
    """Asked once a sitting before it is begun."""
    ml: float
    """To be mixed for the models still open."""
    drops: list[int]
    """Of each part of the mix, in its exact ratio, enough for them."""
    wet: str | None
    """About what the mix looks like while wet."""


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
    bench, problem = derived.bench, derived.bench.problem
    due = derived.snapshot.choices.due()
    pieces, chores, joins = _blocks(derived, plan)
    used = dict.fromkeys(range(len(problem.sittings)), 0)
    for block in plan.blocks:
        sitting = problem.sitting_at(block.start)
        if sitting is not None:
            used[sitting] += block.end - block.start
    spans = [
        SittingSpan(
            bench.moment(s.start), bench.moment(s.end), used[index],
            due is not None and bench.moment(s.start) >= due,
        )
        for index, s in enumerate(problem.sittings)
    ]  # fmt: skip
    return Board(
        status=plan.status,
        left=left_rows(derived, plan),
        gap=plan.gap(),
        finish=bench.moment(plan.score.finish),
        cost_s=plan.score.cost_s,
        hands_on_s=plan.score.hands_on_s,
        openings=sum(block.do == "open" for block in plan.blocks),
        sittings=spans,
        rows=[strip for row in rows for strip in row.trays],
        calls=_cards(derived, plan),
        pieces=pieces,
        chores=chores,
        joins=joins,
        missed=[_missed(derived, one, two) for one, two in plan.missed],
    )


def _missed(derived: Derived, one: str, two: str) -> MissedWindow:
    """Say what happened, what still holds, and what to do."""
    first, second = derived.calls[one], derived.calls[two]
    ticks = derived.record.ticks
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
            f"{_title(derived, two)} came too late after {first.name} on {who}: the window has "
            f"closed and only the wait still counts. Try {second.name} on one of them first; if it "
            f"no longer works there, do {first.name} again."
        ),
        models=late,
        facts=[str(ticks[first.unit.id, model, first.keys[-1]].fact) for model in late],
    )


def _title(derived: Derived, call_id: str) -> str:
    call = derived.calls.get(call_id)
    return f"{call.name}, {call.tray_name}" if call else call_id


def _blocks(derived: Derived, plan: Plan) -> tuple[list[Piece], list[Chore], list[Join]]:
    bench, problem = derived.bench, derived.bench.problem
    pieces, chores, joins = [], [], []
    work = [block for block in plan.blocks if block.do == "work"]
    last_of: dict[str, tuple[str, int | None]] = {}
    for block in plan.blocks:
        start, end = bench.moment(block.start), bench.moment(block.end)
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


def _cards(derived: Derived, plan: Plan) -> list[CallCard]:
    bench, problem = derived.bench, derived.bench.problem
    reasons = reasons_of(problem, plan)
    spans: dict[str, list[tuple[int, int]]] = {}
    for block in plan.blocks:
        if block.do == "work":
            spans.setdefault(block.ref, []).append((block.start, block.end))
    due = derived.snapshot.choices.due()
    pinned = {pin.call for pin in derived.snapshot.choices.pins}
    cautions = _cautions(derived)
    cards = []
    for call in derived.calls.values():
        task = problem.tasks[call.id]
        ticked = [m for m in call.models
                  if (call.unit.id, m, call.keys[0]) in derived.record.ticks]  # fmt: skip
        mine = spans.get(call.id)
        ends = [bench.seconds(derived.record.ticks[call.unit.id, m, call.keys[0]].end)
                for m in ticked]  # fmt: skip
        dry_from = dry_to = None
        rates = rates_of(problem, task.clock)
        if mine or ends:
            first = min([*ends, *([mine[0][0] + task.per_item_s] if mine else [])])
            last = max([*ends, *([mine[-1][1]] if mine else [])])
            dry_from = bench.moment(ready_at(rates, first, task.dry_s))
            dry_to = bench.moment(ready_at(rates, last, task.dry_s))
        part = call.first
        warned = [one for key in call.keys for one in cautions.get((call.unit.id, key), ())]
        recipe = derived.snapshot.recipes[call.unit.recipe, call.unit.recipe_version]
        left = len(call.models) - len(ticked)
        taken = amount_of(part, call.unit, left or len(call.models), recipe)
        cards.append(
            CallCard(
                id=call.id,
                tray=tray_id(call),
                tray_name=call.tray_name,
                unit=call.unit.id,
                name=call.name,
                mix=_mix(part),
                tool=part.tool,
                colour=part.colour,
                finish=part.finish,
                note=" ".join(one.note for one in call.passes if one.note),
                pass_keys=list(call.keys),
                models=list(call.models),
                done_models=ticked,
                per_item_s=task.per_item_s,
                handful=call.handful,
                start=bench.moment(mine[0][0]) if mine else None,
                end=bench.moment(mine[-1][1]) if mine else None,
                dry_from=dry_from,
                dry_to=dry_to,
                pinned=call.id in pinned,
                late=bool(due and mine and dry_to and dry_to > due),
                why=[
                    _sentence(derived, reason, call.id in pinned)
                    for reason in reasons.get(call.id, [])
                ],
                cautions=list(dict.fromkeys(one.words for one in warned)),
                serious=any(one.serious for one in warned),
                ml=round(taken.ml, 2),
                drops=in_drops([p.parts for p in part.mix], taken.drops()) if part.mix else [],
                wet=wet_of(part.colour) if part.colour else None,
            )
        )
    return cards


def _cautions(derived: Derived) -> dict[tuple[str, str], list[Caution]]:
    """By unit and pass: what to be careful of."""
    found: dict[tuple[str, str], list[Caution]] = {}
    by_recipe = {name: cautions_of(one) for name, one in derived.snapshot.recipes.items()}
    for unit in derived.snapshot.choices.units:
        for caution in by_recipe[unit.recipe, unit.recipe_version]:
            found.setdefault((unit.id, caution.key), []).append(caution)
    return found


def _mix(one: Pass) -> str:
    if len(one.mix) == 1 and one.mix[0].parts == 1:
        return one.mix[0].name
    return ", ".join(f"{part.parts} {part.name}" for part in one.mix)


def _clock(derived: Derived, seconds: int) -> str:
    moment = derived.bench.moment(seconds).astimezone(ZoneInfo(derived.snapshot.choices.zone))
    now = derived.snapshot.now.astimezone(moment.tzinfo)
    return f"{moment:%H:%M}" if moment.date() == now.date() else f"{moment:%a %H:%M}"


def _minutes(seconds: int) -> str:
    minutes = round(seconds / 60)
    return f"{minutes} min" if minutes < 90 else f"{minutes // 60} h {minutes % 60:02d}"


def _sentence(derived: Derived, reason: Reason, pinned: bool) -> str:
    """A reason as a painter would say it. ``pinned``: by the user, not because it is under way."""
    at = _clock(derived, reason.at)
    other = _title(derived, reason.other) if reason.other else ""
    match reason.kind:
        case "pinned":
            if not pinned and derived.record.running is not None:
                begun = derived.bench.seconds(derived.record.running.begun)
                return f"under way since {_clock(derived, begun)}"
            return f"pinned to {at} by you"
        case "shares":
            saved = _minutes(reason.saves_s)
            return f"goes on when {other} ends: shares what is open, saves {saved}"
        case "wet":
            return f"waits for {other} to dry until {at}"
        case "stand":
            return f"waits {_minutes(reason.saves_s)} after {other}, until {at}"
        case "dry_since":
            return f"{other} ready since {at}"
        case "sitting":
            return f"the sitting begins at {at}"
        case "full":
            return f"the bench is taken until {at} by {other}"
        case "condition":
            return f"'{reason.other}' begins at {at}"
        case "not_before":
            return f"put off until {at}"
        case "now":
            return "it is the next thing to do"
        case "order":
            return "nothing holds it here but the order of the whole: sooner costs more elsewhere"
        case "window":
            return f"must start by {at}, before the window after {other} closes"
    return reason.kind
