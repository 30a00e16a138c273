"""Looking a recipe over while it is being edited: findings, waits, cautions. Nothing is kept."""

from __future__ import annotations

from typing import Annotated, Literal

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from muster.core.recipes.recipe import Kind, Material, Pass, Recipe
from muster.core.stack.cautions import FIRST
from muster.core.stack.check import check
from muster.core.stack.finding import Finding, SetHabit, SetMaterial, mended
from muster.core.stack.habits import Habits
from muster.core.stack.room import Room
from muster.core.stack.said import time

router = Router()


class LookIn(Schema):
    """A draft, and the room and house that it is to be looked at in."""

    kind: Kind
    material: Material = "polystyrene"
    passes: Annotated[list[Pass], Field(max_length=60)]
    celsius: Annotated[float, Field(ge=-20, le=50)] = 20
    humidity: Annotated[float, Field(ge=0, le=100)] = 50
    weathering: Literal["solvent", "all-acrylic"] = "solvent"


class RepairOut(Schema):
    """A repair, and the passes as they are after it."""

    words: str
    passes: list[Pass]


class FindingOut(Schema):
    """A finding at the pass with ``key`` (empty: of the whole recipe)."""

    code: str
    severity: Literal["error", "warning", "note"]
    words: str
    key: str
    repairs: list[RepairOut]


class SeamOut(Schema):
    """Between a pass and the next: how long one waits, and for what."""

    key: str
    wait: str
    why: str
    stated: bool
    needed: str
    cautions: list[str]
    serious: bool


class LookOut(Schema):
    """What the layers say. ``hours``: from the first pass to the last one's drying."""

    findings: list[FindingOut]
    seams: list[SeamOut]
    hours: float
    first: str


@router.post("/look", response=LookOut)
def look(request: HttpRequest, payload: LookIn) -> LookOut:
    """Look a draft over. No query."""
    if not payload.passes:
        return LookOut(findings=[], seams=[], hours=0, first=FIRST)
    habits = Habits(weathering=payload.weathering)
    recipe = Recipe("draft", "draft", payload.kind, 1, tuple(payload.passes), payload.material)
    report = check(recipe, Room(payload.celsius, payload.humidity), habits)
    cautions: dict[str, list[str]] = {}
    told: set[str] = set()
    for one in report.cautions:
        # A serious caution stands at each of its passes, another at the first.
        if one.serious or one.words not in told:
            cautions.setdefault(one.key, []).append(one.words)
        told.add(one.words)
    serious = {one.key for one in report.cautions if one.serious}
    seams = [
        SeamOut(
            key=step.laid.one.key, wait=time(step.wait.minutes) if step.wait.minutes else "",
            why=step.wait.why, stated=step.wait.stated,
            needed=time(step.wait.needed) if step.wait.needed else "",
            cautions=cautions.get(step.laid.one.key, []), serious=step.laid.one.key in serious,
        )
        for step in report.walked.steps
    ]  # fmt: skip
    last = report.walked.steps[-1]
    return LookOut(
        findings=[_finding(recipe, habits, one) for one in report.findings], seams=seams,
        hours=round((last.end + last.wait.minutes) / 60, 1), first=FIRST,
    )  # fmt: skip


def _finding(recipe: Recipe, habits: Habits, one: Finding) -> FindingOut:
    repairs = [
        RepairOut(words=repair.words, passes=list(mended(recipe, habits, repair)[0].passes))
        for repair in one.repairs
        if not isinstance(repair, SetHabit | SetMaterial)
    ]
    return FindingOut(
        code=one.code, severity=one.severity, words=one.words, key=one.key, repairs=repairs
    )
