"""Trial patches: recorded at a pass, told where a recipe is looked at."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal, cast

from django.contrib.auth.models import User
from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import UserRequest
from muster.apps.recipes.models import Trial
from muster.apps.recipes.services import add_trial
from muster.core.recipes.recipe import Pass
from muster.core.stack.walk import Lifted

router = Router()

Verdict = Literal["good", "too strong", "too weak", "lifted"]


class TrialIn(Schema):
    """A trial of a pass: where, what it showed, and a note."""

    key: Annotated[str, Field(max_length=24)]
    where: Annotated[str, Field(min_length=1, max_length=60)] = "a hidden place"
    verdict: Verdict
    note: Annotated[str, Field(max_length=300)] = ""


class TrialOut(TrialIn):
    """The same as it was recorded."""

    at: str


@router.post("/recipes/{code}/trials", response=list[TrialOut])
def add(request: UserRequest, code: str, payload: TrialIn) -> list[TrialOut]:
    """Record a trial patch."""
    add_trial(request.user, code, payload.key, payload.where, payload.verdict, payload.note)
    return trials_of(request.user, code)


@router.get("/recipes/{code}/trials", response=list[TrialOut])
def trials(request: UserRequest, code: str) -> list[TrialOut]:
    """The trials of a recipe, the newest first."""
    return trials_of(request.user, code)


def trials_of(user: User, code: str) -> list[TrialOut]:
    """The trials of a recipe, the newest first. One query."""
    rows = Trial.objects.filter(recipe__owner=user, recipe__code=code).order_by("-at")
    return [_out(row) for row in rows]


def _out(row: Trial) -> TrialOut:
    return TrialOut(
        key=row.pass_key, where=row.where, verdict=cast(Verdict, row.verdict), note=row.note,
        at=row.at.isoformat(),
    )  # fmt: skip


MOST_READ = 1_000
"""Trials from which a house learns, the newest first."""


def trials_and_lessons(user: User, code: str) -> tuple[list[TrialOut], Lifted]:
    """The trials of a recipe, the newest first; and what all trials of the house taught: which
    paint lifted which, where the newest trial of the two says so. One query."""
    rows = Trial.objects.filter(recipe__owner=user).select_related("recipe").order_by("-at")
    own: list[TrialOut] = []
    newest: dict[tuple[str, str], str] = {}
    for row in rows[:MOST_READ]:
        if row.recipe.code == code:
            own.append(_out(row))
        if row.laid:
            newest.setdefault((row.laid, row.over), row.verdict)
    return own, frozenset(pair for pair, verdict in newest.items() if verdict == "lifted")


def tried(passes: tuple[Pass, ...], trials: list[TrialOut]) -> tuple[Pass, ...]:
    """Passes with what their newest trial showed, whatever it showed."""
    newest: dict[str, TrialOut] = {}
    for one in trials:
        newest.setdefault(one.key, one)
    return tuple(
        replace(
            one, tried=newest[one.key].verdict,
            trial=one.trial or f"{newest[one.key].verdict}, {newest[one.key].where}",
        )
        if one.key in newest
        else one
        for one in passes
    )  # fmt: skip
