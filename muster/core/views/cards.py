"""Calls as the board and the bench name them, with why each stands where it does."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
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
from muster.core.stack.formatting import duration
from muster.core.views.roll import tray_id
from muster.core.work.calls import Call
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
    reasons = reasons_of(derived.instance.problem, plan)
    spans: dict[str, list[tuple[int, int]]] = {}
    for block in plan.blocks:
        if block.do == "work":
            spans.setdefault(block.ref, []).append((block.start, block.end))
    cautions = _cautions(derived)
    return [
        _card(derived, call, spans.get(call.id, []), reasons.get(call.id, []), cautions)
        for call in derived.calls.values()
    ]


def _card(
    derived: Derived,
    call: Call,
    spans: list[tuple[int, int]],
    reasons: Iterable[Reason],
    cautions: Mapping[tuple[str, str], Sequence[Caution]],
) -> CallCard:
    """One call's card. ``spans``: when it is worked, in seconds of the problem."""
    instance = derived.instance
    task = instance.problem.tasks[call.id]
    ticked = [m for m in call.models if (call.unit.id, m, call.keys[0]) in derived.state.ticks]
    dry_from, dry_to = _drying_between(derived, call, ticked, spans)
    due = derived.snapshot.choices.due()
    pinned = any(pin.call == call.id for pin in derived.snapshot.choices.pins)
    warned = [
        caution
        for key in call.keys
        for caution in cautions.get((call.unit.id, pass_and_coat(key)[0]), ())
    ]
    part = call.first
    recipe = derived.snapshot.recipes[call.unit.recipe_key]
    left = len(call.models) - len(ticked)
    taken = amount_of(part, call.unit, left or len(call.models), recipe)
    return CallCard(
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
        start=instance.moment(spans[0][0]) if spans else None,
        end=instance.moment(spans[-1][1]) if spans else None,
        dry_from=dry_from,
        dry_to=dry_to,
        pinned=pinned,
        late=bool(due and spans and dry_to and dry_to > due),
        why=[
            *(_sentence(derived, reason, pinned) for reason in reasons),
            *_wishes(derived, call.id, spans),
        ],
        cautions=list(dict.fromkeys(caution.words for caution in warned)),
        serious=any(caution.serious for caution in warned),
        ml=round(taken.ml, 2),
        drops=in_drops([p.parts for p in part.mix], taken.drops()) if part.mix else [],
        wet=wet_of(part.colour) if part.colour else None,
    )


def _drying_between(
    derived: Derived, call: Call, ticked: list[int], spans: list[tuple[int, int]]
) -> tuple[datetime | None, datetime | None]:
    """From when to when the models of a call are dry, as worked and as planned."""
    instance = derived.instance
    task = instance.problem.tasks[call.id]
    keys = ((call.unit.id, model, call.keys[0]) for model in ticked)
    ends = [instance.seconds(derived.state.ticks[key].end) for key in keys]
    first = [*ends, *(start + task.per_item_s for start, _ in spans[:1])]
    last = [*ends, *(end for _, end in spans[-1:])]
    if not first:
        return None, None
    rates = rates_of(instance.problem, task.clock)
    dry = (ready_at(rates, moment, task.dry_s) for moment in (min(first), max(last)))
    dry_from, dry_to = (instance.moment(moment) for moment in dry)
    return dry_from, dry_to


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
        for caution in by_recipe[unit.recipe_key]:
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
    if minutes < 90:
        return f"{minutes} min"
    # Beyond two days nobody counts minutes.
    if minutes >= 2880 or minutes % 60 == 0:
        return duration(minutes)
    return f"{minutes // 60} h {minutes % 60:02d}"


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
