"""Calls as the board and the bench name them, with why each stands where it does."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from muster.core.amounts.film import in_drops
from muster.core.amounts.requirements import amount_of
from muster.core.colour.wet import wet_of
from muster.core.pipeline import Derived
from muster.core.plan.calendar import stretches
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.plan import Plan
from muster.core.plan.reasons import Reason, reasons_of
from muster.core.recipes.recipe import Pass
from muster.core.stack.cautions import Caution, cautions_of
from muster.core.views.roll import tray_id
from muster.core.work.coats import pass_and_coat


@dataclass(frozen=True)
class CallCard:
    """A call as the board and the bench name it."""

    id: str
    tray: str
    tray_number: int
    """Of the unit's trays, from 1."""
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


def title_of(derived: Derived, call_id: str) -> str:
    """A call as a painter names it."""
    call = derived.calls.get(call_id)
    return f"{call.name}, {call.tray_name}" if call else call_id


def cards_of(derived: Derived, plan: Plan) -> list[CallCard]:
    """A card for every call, with why it stands where it does."""
    instance, problem = derived.instance, derived.instance.problem
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
                  if (call.unit.id, m, call.keys[0]) in derived.state.ticks]  # fmt: skip
        mine = spans.get(call.id)
        ends = [instance.seconds(derived.state.ticks[call.unit.id, m, call.keys[0]].end)
                for m in ticked]  # fmt: skip
        dry_from = dry_to = None
        rates = rates_of(problem, task.clock)
        if mine or ends:
            first = min([*ends, *([mine[0][0] + task.per_item_s] if mine else [])])
            last = max([*ends, *([mine[-1][1]] if mine else [])])
            dry_from = instance.moment(ready_at(rates, first, task.dry_s))
            dry_to = instance.moment(ready_at(rates, last, task.dry_s))
        part = call.first
        warned = [
            one
            for key in call.keys
            for one in cautions.get((call.unit.id, pass_and_coat(key)[0]), ())
        ]
        recipe = derived.snapshot.recipes[call.unit.recipe, call.unit.recipe_version]
        left = len(call.models) - len(ticked)
        taken = amount_of(part, call.unit, left or len(call.models), recipe)
        cards.append(
            CallCard(
                id=call.id,
                tray=tray_id(call),
                tray_number=call.tray,
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
                start=instance.moment(mine[0][0]) if mine else None,
                end=instance.moment(mine[-1][1]) if mine else None,
                dry_from=dry_from,
                dry_to=dry_to,
                pinned=call.id in pinned,
                late=bool(due and mine and dry_to and dry_to > due),
                why=[
                    *(
                        _sentence(derived, reason, call.id in pinned)
                        for reason in reasons.get(call.id, [])
                    ),
                    *_wishes(derived, call.id, mine or []),
                ],
                cautions=list(dict.fromkeys(one.words for one in warned)),
                serious=any(one.serious for one in warned),
                ml=round(taken.ml, 2),
                drops=in_drops([p.parts for p in part.mix], taken.drops()) if part.mix else [],
                wet=wet_of(part.colour) if part.colour else None,
            )
        )
    return cards


def _wishes(derived: Derived, call: str, spans: list[tuple[int, int]]) -> list[str]:
    """What a call wants and gets or goes without, and what that costs."""
    problem = derived.instance.problem
    said = []
    for tag, cost in problem.tasks[call].wants.items() if spans else ():
        holds = stretches(problem.conditions, tag)
        without = sum(not any(a <= low and high <= b for a, b in holds) for low, high in spans)
        if without:
            said.append(f"wants {tag} and goes without: counted as {_minutes(cost * without)}")
        else:
            said.append(f"has {tag}, as it wants")
    return said


def _cautions(derived: Derived) -> dict[tuple[str, str], list[Caution]]:
    """By unit and pass: what to be careful of."""
    found: dict[tuple[str, str], list[Caution]] = {}
    by_recipe = {name: cautions_of(one) for name, one in derived.snapshot.recipes.items()}
    for unit in derived.snapshot.choices.units:
        for caution in by_recipe[unit.recipe, unit.recipe_version]:
            # A coat's key holds the first letters of its pass's.
            for key in {caution.key, caution.key[:17]}:
                found.setdefault((unit.id, key), []).append(caution)
    return found


def _mix(one: Pass) -> str:
    if len(one.mix) == 1 and one.mix[0].parts == 1:
        return one.mix[0].name
    return ", ".join(f"{part.parts} {part.name}" for part in one.mix)


def _clock(derived: Derived, seconds: int) -> str:
    moment = derived.instance.moment(seconds).astimezone(ZoneInfo(derived.snapshot.choices.zone))
    now = derived.snapshot.now.astimezone(moment.tzinfo)
    return f"{moment:%H:%M}" if moment.date() == now.date() else f"{moment:%a %H:%M}"


def _minutes(seconds: int) -> str:
    minutes = round(seconds / 60)
    return f"{minutes} min" if minutes < 90 else f"{minutes // 60} h {minutes % 60:02d}"


def _sentence(derived: Derived, reason: Reason, pinned: bool) -> str:
    """A reason as a painter would say it. ``pinned``: by the user, not because it is under way."""
    at = _clock(derived, reason.at)
    other = title_of(derived, reason.other) if reason.other else ""
    match reason.kind:
        case "pinned":
            if not pinned and derived.state.under_way is not None:
                begun = derived.instance.seconds(derived.state.under_way.begun)
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
