"""A sitting as the painter goes through it: its calls in order, with times and mixes."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from itertools import takewhile
from zoneinfo import ZoneInfo

from muster.core.formats.calendar import SittingEvent
from muster.core.pipeline import Derived
from muster.core.views.board import Board, Chore, SittingSpan
from muster.core.views.cards import CallCard
from muster.core.work.sittings import sittings_from

WEEKS_BACK, WEEKS_ON = 4, 26


@dataclass(frozen=True)
class Step:
    """A stretch at the bench: of a call with its models, or a chore (``card`` is None)."""

    start: datetime
    end: datetime
    card: CallCard | None
    models: tuple[int, ...]
    chore: Chore | None
    first: bool
    """Whether it is the first stretch of its call in this sitting."""


@dataclass(frozen=True)
class Agenda:
    """One sitting with its steps in order."""

    sitting: SittingSpan
    steps: tuple[Step, ...]


def next_agenda(board: Board, number: int = 0) -> Agenda | None:
    """The sitting with work that is so many after the next one; None where there is none."""
    every = (_agenda(board, sitting) for sitting in board.sittings)
    found = [agenda for agenda in every if agenda.steps]
    return found[number] if number < len(found) else None


def _agenda(board: Board, sitting: SittingSpan) -> Agenda:
    cards = {card.id: card for card in board.calls}
    within = [p for p in board.pieces if sitting.start <= p.start < sitting.end]
    seen: set[str] = set()
    steps = []
    for piece in sorted(within, key=lambda one: one.start):
        first = piece.call not in seen
        seen.add(piece.call)
        steps.append(Step(piece.start, piece.end, cards[piece.call], tuple(piece.models), None,
                          first))  # fmt: skip
    steps += [
        Step(one.start, one.end, None, (), one, True)
        for one in board.chores
        if steps and sitting.start <= one.start < sitting.end
    ]
    steps.sort(key=lambda one: (one.start, one.card is not None))
    return Agenda(sitting, tuple(steps))


def sitting_events(derived: Derived, board: Board) -> list[SittingEvent]:
    """Every sitting from four weeks ago for half a year on, those to come with their calls."""
    choices, now = derived.snapshot.choices, derived.snapshot.now
    zone = ZoneInfo(choices.zone)
    today = now.astimezone(zone).date()
    last = today + timedelta(weeks=WEEKS_ON)
    planned = {one.sitting.start: one for one in (_agenda(board, s) for s in board.sittings)}
    ahead = sittings_from(choices, today - timedelta(weeks=WEEKS_BACK))
    found = []
    for evening in takewhile(lambda one: one.day < last, ahead):
        begins = datetime.combine(evening.day, evening.start, zone)
        agenda = planned.get(begins)
        found.append(SittingEvent(evening, _lines(agenda, zone) if agenda else ()))
    return found


def _lines(agenda: Agenda, zone: ZoneInfo) -> tuple[str, ...]:
    return tuple(
        f"{step.start.astimezone(zone):%H:%M} {step.card.name}, {step.card.tray_name}"
        + (f": {step.card.mix}" if step.card.mix else "")
        for step in agenda.steps
        if step.card is not None
    )
