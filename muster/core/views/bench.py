"""The bench: one call at a time, what dries, what comes next."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from itertools import groupby

from muster.core.facts.fact import Tick
from muster.core.pipeline import Derived
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.views.board import Board, SittingSpan
from muster.core.views.cards import CallCard

FORGOTTEN_S = 1200
"""A call without a tick for so much longer than its work takes has been left running."""


@dataclass(frozen=True)
class BenchPip:
    """A model in this call: ``state`` is open, wet or done."""

    model: int
    state: str
    touch_up: bool
    fact: str | None


@dataclass(frozen=True)
class Drying:
    """A tray that dries now."""

    tray_name: str
    start: datetime
    first_dry: datetime
    last_dry: datetime


@dataclass(frozen=True)
class BenchView:
    """What stands on the bench now. ``call`` is the one under way, else the next one."""

    call: CallCard | None
    running: bool
    paused: bool
    pips: list[BenchPip]
    number: int
    of: int
    since: datetime | None
    """When the model in hand was begun."""
    finished_about: datetime | None
    """When the models still open were done, had one worked on at the planned speed."""
    forgotten: bool
    """Whether the call seems to have been left running."""
    sitting_end: datetime | None
    clean_up_from: datetime | None
    next: list[CallCard]
    drying: list[Drying]
    can_take_back: bool
    last_fact: str | None


def bench_view(derived: Derived, board: Board) -> BenchView:
    """Put the bench together."""
    problem, state = derived.instance.problem, derived.state
    current = problem.sitting_at(problem.now)
    span = board.sittings[current] if current is not None else None
    order = [name for name, _ in groupby(piece.call for piece in board.pieces)]
    cards = {card.id: card for card in board.calls}
    under_way = _card_under_way(derived, board)
    shown = under_way or (cards[order[0]] if order else None)
    pips = _pips(derived, shown) if shown else []
    left = sum(pip.state == "open" for pip in pips)
    tonight = [piece.call for piece in board.pieces if span is not None and piece.start < span.end]
    running = state.under_way
    since = running.since if running and shown else None
    about = None
    if since is not None and shown is not None:
        about = min(derived.snapshot.now, since + timedelta(seconds=left * shown.per_item_s))
    last = state.last()
    return BenchView(
        call=shown,
        running=running is not None and shown is not None,
        paused=running is not None and running.paused,
        pips=pips,
        number=(tonight.index(shown.id) + 1) if shown and shown.id in tonight else 1,
        of=len(set(tonight)),
        since=since,
        finished_about=about,
        forgotten=_is_forgotten(derived, left, shown.per_item_s if shown else 0),
        sitting_end=span.end if span else None,
        clean_up_from=_clean_up_from(derived, span, shown) if running else None,
        next=[cards[name] for name in order if shown is None or name != shown.id][:3],
        drying=_drying(derived, board),
        can_take_back=last is not None,
        last_fact=str(last.id) if last else None,
    )


def _card_under_way(derived: Derived, board: Board) -> CallCard | None:
    """The card of the call that is under way, where the board still has it."""
    running = derived.state.under_way
    if running is None:
        return None
    told = (running.unit, str(running.tray), list(running.pass_keys[:1]))
    for card in board.calls:
        if (card.unit, card.tray.rpartition(".")[2], card.pass_keys[:1]) == told:
            return card
    return None


def _pips(derived: Derived, card: CallCard) -> list[BenchPip]:
    """Each model of a call, by its number in the unit."""
    pips = []
    for model in sorted(card.models):
        key = (card.unit, model, card.pass_keys[0])
        tick = derived.state.ticks.get(key)
        stage = "open"
        if tick is not None:
            stage = "wet" if _is_wet(derived, card.id, tick) else "done"
        fact = str(tick.fact) if tick else None
        pips.append(BenchPip(model, stage, key in derived.state.touch_ups, fact))
    return pips


def _clean_up_from(
    derived: Derived, span: SittingSpan | None, card: CallCard | None
) -> datetime | None:
    """When to begin to close the mix and put the tool away, so that the sitting ends in time."""
    if span is None or card is None:
        return None
    problem = derived.instance.problem
    family = derived.calls[card.id].first.family
    seconds = problem.families[family].cleanup_s if family else 0
    if card.tool and card.tool in problem.tools:
        seconds += problem.tools[card.tool].cleanup_s
    return span.end - timedelta(seconds=seconds)


def _is_forgotten(derived: Derived, left: int, per_item_s: int) -> bool:
    """Whether the call under way was left running: all that was left would long be done."""
    running = derived.state.under_way
    if running is None or running.paused or not left:
        return False
    quiet_s = (derived.snapshot.now - running.since).total_seconds()
    if derived.instance.problem.sitting_at(derived.instance.problem.now) is None:
        return quiet_s > FORGOTTEN_S
    return quiet_s > left * per_item_s + FORGOTTEN_S


def _is_wet(derived: Derived, call: str, tick: Tick) -> bool:
    """Whether a model ticked in a call is not yet dry."""
    problem = derived.instance.problem
    task = problem.tasks[call]
    ended = derived.instance.seconds(tick.end)
    return ready_at(rates_of(problem, task.clock), ended, task.dry_s) > problem.now


def _drying(derived: Derived, board: Board) -> list[Drying]:
    """Trays of which models are wet, of a call that was ended early those that were done."""
    now, instance = derived.snapshot.now, derived.instance
    found = []
    for card in board.calls:
        if not card.done_models:
            continue
        task = instance.problem.tasks[card.id]
        rates = rates_of(instance.problem, task.clock)
        ends = [
            derived.state.ticks[card.unit, model, card.pass_keys[0]].end
            for model in card.done_models
        ]
        first, last = (
            instance.moment(ready_at(rates, instance.seconds(end), task.dry_s))
            for end in (min(ends), max(ends))
        )
        if last <= now:
            continue
        part = len(card.done_models) < len(card.models)
        some = f", {len(card.done_models)} of {len(card.models)}" if part else ""
        found.append(Drying(f"{card.tray_name}{some}", max(ends), first, last))
    return sorted(found, key=lambda one: one.last_dry)[:3]
