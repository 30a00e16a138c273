"""A muster file planned as the application plans it, and its plan in words."""

from __future__ import annotations

import json
from datetime import datetime
from typing import Any
from zoneinfo import ZoneInfo

from pydantic import TypeAdapter

from muster.cli.moment import moment
from muster.core.formats import muster as muster_format
from muster.core.formats.document import validated
from muster.core.house import USUAL, House
from muster.core.pipeline import Derived, derive
from muster.core.plan.plan import Plan
from muster.core.snapshot import Snapshot
from muster.core.views.board import Board, Chore, Piece, board_of
from muster.core.views.left import hours
from muster.core.views.roll import head_of, roll_of

HOUSE: TypeAdapter[House] = TypeAdapter(House)
DOES = {"get_out": "get out", "open": "open", "close": "close", "put_away": "put away"}


def derived_from(raw: Any, now: str | None, house: Any) -> Derived:
    """Everything that follows from a muster file at a moment, in a house. Raises DomainError."""
    document = muster_format.read(json.dumps(raw))
    recipes = {(recipe.id, recipe.version): recipe for recipe in document.recipes}
    kept = USUAL if house is None else validated(HOUSE, house)
    return derive(Snapshot(document.choices, document.facts, recipes, moment(now), kept))


def said(derived: Derived, plan: Plan) -> str:
    """The sittings with their calls, then what is left and why."""
    rows = roll_of(derived)
    board, head = board_of(derived, plan, rows), head_of(derived, plan, rows)
    zone = ZoneInfo(derived.snapshot.choices.zone)
    done = (
        f", done by {head.done_by:%A} {head.done_by.day} {head.done_by:%B}" if head.done_by else ""
    )
    lines = [
        f"{head.name}: {head.models_left} of {head.models} models still to do, "
        f"{hours(head.bench_s)} at the bench{done}"
    ]
    if head.late_models:
        lines.append(f"{head.late_models} models late for the parade day")
    for span in board.sittings:
        acts = _acts(board, span.start, span.end)
        if acts:
            start, end = span.start.astimezone(zone), span.end.astimezone(zone)
            lines += ["", f"{start:%A} {start.day} {start:%B}, {start:%H:%M} to {end:%H:%M}"]
            lines += [f"  {_act(board, act, zone)}" for act in acts]
    if board.left:
        lines += ["", "Left"]
        lines += [f"  {row.title}: {row.sentence}" for row in board.left]
    return "\n".join(lines)


def _acts(board: Board, start: datetime, end: datetime) -> list[Piece | Chore]:
    acts: list[Piece | Chore] = [*board.pieces, *board.chores]
    return sorted((one for one in acts if start <= one.start < end), key=lambda one: one.start)


def _act(board: Board, act: Piece | Chore, zone: ZoneInfo) -> str:
    begins, ends = act.start.astimezone(zone), act.end.astimezone(zone)
    if isinstance(act, Chore):
        return f"{begins:%H:%M}        {DOES[act.do]} {act.what}"
    card = next(card for card in board.calls if card.id == act.call)
    which = "" if len(act.models) == len(card.models) else f", {_runs(act.models)}"
    mix = f", {card.mix}" if card.mix else ""
    return f"{begins:%H:%M}-{ends:%H:%M}  {card.name}, {card.tray_name}{which}{mix}"


def _runs(models: list[int]) -> str:
    """models 1-3, 5."""
    runs: list[list[int]] = []
    for model in sorted(models):
        if runs and model == runs[-1][-1] + 1:
            runs[-1].append(model)
        else:
            runs.append([model])
    said = ", ".join(f"{run[0]}-{run[-1]}" if len(run) > 1 else str(run[0]) for run in runs)
    return f"{'model' if len(models) == 1 else 'models'} {said}"
