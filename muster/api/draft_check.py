"""Looking a recipe over while it is being edited: findings, waits, cautions. Nothing is kept."""

from __future__ import annotations

from typing import Annotated, Literal

from django.contrib.auth.models import User
from django.http import Http404
from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import UserRequest
from muster.api.trials import trials_and_lessons, tried
from muster.apps.colour.queries import shelf_entries
from muster.apps.house.services import house_of
from muster.apps.plan.paces import paces
from muster.apps.recipes.queries import versions_of
from muster.core.colour.names import by_name
from muster.core.craft.climate import Climate
from muster.core.errors import DomainError
from muster.core.house import Celsius, Percent
from muster.core.recipes.expand import held_by
from muster.core.recipes.recipe import (
    MOST_PASSES,
    Pass,
    Recipe,
    Subject,
    subject_of,
    with_subject,
)
from muster.core.stack.appearance import bare
from muster.core.stack.cautions import FIRST
from muster.core.stack.habits.house import with_habit
from muster.core.stack.undercoat import Undercoat, with_undercoat
from muster.core.typed.bundles import About
from muster.core.typed.pass_line import read_line
from muster.core.typed.pass_words import in_words
from muster.core.views.beside import Beside, beside
from muster.core.views.draft_report import Draft, DraftReport
from muster.core.vocabulary import DocumentVersion, Kind, Tier

router = Router()


class DraftIn(Schema):
    """A draft; what is left out of room and habits is as in the user's house."""

    code: Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{0,40}$")] = ""
    kind: Kind
    subject: Subject = Subject()
    scale: Annotated[int, Field(ge=1, le=1000)] | None = None
    """Of the unit that it is looked at for; none: that of the recipe."""
    passes: Annotated[list[Pass], Field(max_length=MOST_PASSES)]
    celsius: Celsius | None = None
    humidity: Percent | None = None
    weathering: Literal["solvent", "all-acrylic"] | None = None
    undercoat: Undercoat = "as it is"
    zone: Annotated[str, Field(max_length=90)] = ""
    """Whose section is asked for."""
    mend: bool = True
    """Whether what mends it is looked for, too: of a long recipe that takes a while."""


@router.post("/draft-check", response=DraftReport)
def checkdraft_of(request: UserRequest, payload: DraftIn) -> DraftReport:
    """Look a draft over. Two queries, one more each where the shelf holds paints, and trials or
    nested recipes are to be read."""
    if not payload.passes:
        return DraftReport(
            findings=[], seams=[], hours=0, first=FIRST, water=1, cure=1, spraying="fine",
            bare=bare(payload.subject.material).look(), uncovered=[], grounded=[],
            section=None,
        )  # fmt: skip
    return draft_of(request.user, payload).seen()


class BesideIn(DraftIn):
    """A draft, and what it is laid beside: a version of a recipe, or itself over another
    undercoat."""

    recipe: Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{0,40}$")] = ""
    version: DocumentVersion = 0
    over: Undercoat | None = None


@router.post("/draft-beside", response=Beside)
def lay_beside(request: UserRequest, payload: BesideIn) -> Beside:
    """A draft beside another. The queries of two checks, and one for the version.

    Raises Http404 where there is no such version, DomainError for a draft without a pass.
    """
    if not payload.passes:
        raise DomainError("there is nothing to lay beside anything: type a pass first")
    payload = payload.model_copy(update={"mend": False})
    one = draft_of(request.user, payload)
    if not payload.recipe:
        other = payload.model_copy(update={"undercoat": payload.over or payload.undercoat})
        return beside(one, draft_of(request.user, other), payload.zone)
    name = payload.recipe, payload.version
    found = versions_of(request.user.pk, [name]).get(name)
    if found is None:
        raise Http404
    other = payload.model_copy(
        update={"code": found.id, "kind": found.kind, "subject": subject_of(found),
                "passes": list(found.passes)}
    )  # fmt: skip
    return beside(one, draft_of(request.user, other), payload.zone)


class TypedIn(Schema):
    """What was typed, and for what."""

    text: Annotated[str, Field(max_length=200)]
    kind: Kind
    tier: Tier = "hand"
    scale: Annotated[int, Field(ge=1, le=1000)] = 72


class TypedOut(Schema):
    """What was understood: the passes, each in words; and what was not, which the note keeps."""

    passes: list[Pass]
    reading: list[str]
    unread: list[str]


@router.post("/typed", response=TypedOut)
def read_typed(request: UserRequest, payload: TypedIn) -> TypedOut:
    """The passes meant by a few letters, as this house would do them; none where unclear."""
    house, _ = house_of(request.user.pk)
    about = About(
        payload.kind, payload.tier, payload.scale, habits=house.habits, tables=house.tables(),
        paces=paces(request.user.pk),
    )  # fmt: skip
    line = read_line(payload.text, about)
    return TypedOut(
        passes=list(line.passes),
        reading=[
            in_words(one) + (", as you logged it" if one.technique in about.paces else "")
            for one in line.passes
        ],
        unread=list(line.unread),
    )


def draft_of(user: User, payload: DraftIn) -> Draft:
    """A draft with all that it is looked at in: house, room, shelf, trials."""
    house, _ = house_of(user.pk)
    habits = house.habits
    if payload.weathering is not None:
        habits = with_habit(habits, "weathering", payload.weathering)
    air = house.air
    climate = Climate(
        air.celsius if payload.celsius is None else payload.celsius,
        air.humidity if payload.humidity is None else payload.humidity,
    )
    passes = tuple(payload.passes)
    own, lifted = trials_and_lessons(user, payload.code)
    passes = tried(passes, own)
    named = Recipe(payload.code or "draft", "draft", payload.kind, 1, passes)
    recipe = with_subject(named, payload.subject)
    held = {name for one in passes if (name := held_by(one)) is not None}
    return Draft(
        with_undercoat(recipe, payload.undercoat), climate, habits, house.tables(),
        versions_of(user.pk, held) if held else {},
        by_name(one.paint for one in shelf_entries(user.pk)),
        payload.scale, lifted, payload.zone, payload.mend,
    )  # fmt: skip
