"""Musters: making, reading, commanding, undoing; export and import."""

from __future__ import annotations

from datetime import date, timedelta
from itertools import islice, takewhile
from typing import Annotated

from django.http import HttpResponse
from ninja import File, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field

from muster.api.files import as_file, upload
from muster.api.plan import Progress, progress_of
from muster.api.requests import Line, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps import clock
from muster.apps.exchange.muster_files import Preview, export_text, import_file, preview_of
from muster.apps.plan import services
from muster.apps.plan.current import current_plan, moved_of
from muster.apps.recipes.models import RecipeVersion
from muster.apps.recipes.queries import newest_recipes
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import all_choices, newest_change, own_muster
from muster.apps.roll.services import begin as begin_new
from muster.core.choices import (
    MOST_UNITS,
    Choices,
    Evening,
    LostSitting,
    MovedSitting,
    Order,
    Spell,
    Weekly,
)
from muster.core.commands.any_command import AnyCommand
from muster.core.commands.begin import begin_muster
from muster.core.commands.verbs.add_unit import AddUnit
from muster.core.errors import DomainError
from muster.core.formats.muster import MOST_BYTES
from muster.core.recipes.starters import BY_KIND
from muster.core.typed.unit_line import read_line
from muster.core.views.bench import BenchView, bench_view
from muster.core.views.board import Board, board_of
from muster.core.views.calendar_text import local_day
from muster.core.views.moved import Moved, moved_words
from muster.core.views.roll import Head, UnitRow, head_of, roll_of
from muster.core.vocabulary import Day, DocumentVersion, Kind, LocalTime
from muster.core.work.sittings import sittings_from

router = Router()

WEEKS_SHOWN = 6
MOST_SHOWN = 60
"""Of sittings to come, single ones and of the rhythm."""


class MusterName(Schema):
    """A muster in the list."""

    id: int
    name: str
    version: int
    models: int
    parade_day: date | None


class View(Schema):
    """Everything the rooms show of a muster, derived in one go."""

    id: int
    version: int
    now: str
    head: Head
    roll: list[UnitRow]
    rhythm: list[Weekly]
    lost: list[LostSitting]
    shifted: list[MovedSitting]
    evenings: list[Evening]
    """Those to come, of the rhythm and single ones, for some weeks."""
    order: list[Order]
    board: Board
    bench: BenchView
    progress: Progress
    moved: list[Moved]
    moved_words: list[str]
    parade_day: date | None
    rack: int
    spare_min: int
    finish_first: str | None
    hours: list[Spell]
    undo: str | None
    trouble: list[str]
    """What could not be planned, and why."""
    newest: dict[str, int]


class Typed(Schema):
    """What a typed line says, and the recipe proposed for it."""

    count: int
    name: str
    kind: str | None
    scale: int | None
    recipe: str | None


class TypedLine(Schema):
    """A typed line."""

    line: Line


class TypedUnitIn(Schema):
    """A unit as typed, with its kind and recipe as proposed or chosen."""

    line: Line
    kind: Kind | None = None
    recipe: Line


class Weekday(Schema):
    """A weekday (0 is Monday) with its usual hours."""

    weekday: Annotated[int, Field(ge=0, le=6)]
    start: LocalTime
    end: LocalTime


class NewMuster(Schema):
    """The three questions, answered."""

    name: Line
    zone: Line
    units: Annotated[list[TypedUnitIn], Field(max_length=MOST_UNITS)]
    weekdays: Annotated[list[Weekday], Field(max_length=7)]
    parade_day: Day | None = None


class CommandIn(Schema):
    """A command, with the version that the caller saw."""

    version: DocumentVersion
    command: AnyCommand


class Seen(Schema):
    """The version that the caller saw."""

    version: DocumentVersion


def view_of(muster: Muster) -> View:
    """Derive everything."""
    current = current_plan(muster)
    derived, plan = current.derived, current.plan
    choices = derived.snapshot.choices
    moved = moved_of(current.run)
    rows = roll_of(derived)
    board = board_of(derived, plan, rows)
    last = newest_change(muster)
    newest: dict[str, int] = {}
    versions = RecipeVersion.objects.filter(recipe__owner=muster.owner_id)
    for code, number in versions.values_list("recipe__code", "number"):
        newest[code] = max(newest.get(code, 0), number)
    return View(
        id=muster.pk, version=muster.version, now=clock.now().isoformat(),
        head=head_of(derived, plan, rows), roll=rows,
        rhythm=list(choices.rhythm), lost=list(choices.lost), shifted=list(choices.moved),
        evenings=coming(choices), order=list(choices.order), board=board,
        bench=bench_view(derived, board), progress=progress_of(current.run),
        moved=moved, moved_words=moved_words(moved, choices.zone),
        parade_day=choices.parade_day, rack=choices.rack, spare_min=choices.spare_min,
        finish_first=choices.finish_first, hours=list(choices.spells),
        trouble=[one.words for one in derived.trouble],
        undo=last.label if last else None, newest=newest,
    )  # fmt: skip


def answer(muster: Muster) -> HttpResponse:
    """The view as JSON, written once: it is large, and what makes it is typed already."""
    return HttpResponse(view_of(muster).model_dump_json(), content_type="application/json")


def _name_of(muster_id: int, choices: Choices, version: int) -> MusterName:
    models = sum(unit.count for unit in choices.units)
    return MusterName(id=muster_id, name=choices.name, version=version, models=models,
                      parade_day=choices.parade_day)  # fmt: skip


def coming(choices: Choices) -> list[Evening]:
    """The sittings of the next weeks, those of today included."""
    today = local_day(choices, clock.now())
    last = today + timedelta(weeks=WEEKS_SHOWN)
    ahead = takewhile(lambda one: one.day < last, sittings_from(choices, today))
    return list(islice(ahead, MOST_SHOWN))


@router.get("/musters", response=list[MusterName])
def musters(request: UserRequest) -> list[MusterName]:
    """The user's musters, newest first. Three queries."""
    found = all_choices(request.user.pk)
    return [_name_of(number, choices, version) for number, version, choices in reversed(found)]


@router.post("/typed-unit", response=Typed)
def typed_unit(request: UserRequest, payload: TypedLine) -> Typed:
    """What a line says, as one types it."""
    typed = read_line(payload.line)
    recipe = BY_KIND[typed.kind] if typed.kind else None
    return Typed(count=typed.count, name=typed.name, kind=typed.kind, scale=typed.scale,
                 recipe=recipe)  # fmt: skip


@router.post("/musters", response=MusterName)
def begin(request: UserRequest, payload: NewMuster) -> MusterName:
    """A whole muster from three answers. Raises DomainError where an answer cannot be."""
    newest = newest_recipes(request.user)
    units = []
    for typed in payload.units:
        if typed.recipe not in newest:
            raise DomainError(f"'{typed.line}': there is no such recipe: choose one of yours")
        version = newest[typed.recipe].version
        units.append(AddUnit("add_unit", typed.line, typed.recipe, version, typed.kind))
    hours = {day.weekday: (day.start, day.end) for day in payload.weekdays}
    choices = begin_muster(
        payload.name, payload.zone, units, hours, payload.parade_day, clock.now()
    )
    muster = begin_new(request.user, choices)
    return _name_of(muster.pk, choices, muster.version)


@router.get("/musters/{int:muster_id}", response=View)
def view(request: UserRequest, muster_id: int) -> HttpResponse:
    """Everything the rooms show."""
    return answer(own_muster(request.user, muster_id))


@router.delete("/musters/{int:muster_id}", response={204: None})
def remove(request: UserRequest, muster_id: int) -> Status[None]:
    """Remove a muster with all its facts."""
    own_muster(request.user, muster_id).delete()
    return Status(204, None)


@router.post("/musters/{int:muster_id}/command", response=View)
def command(request: UserRequest, muster_id: int, payload: CommandIn) -> HttpResponse:
    """Carry out a command."""
    return answer(services.change(request.user, muster_id, payload.version, payload.command))


@router.post("/musters/{int:muster_id}/undo", response=View)
def undo(request: UserRequest, muster_id: int, payload: Seen) -> HttpResponse:
    """Take the newest command back."""
    return answer(services.undo(request.user, muster_id, payload.version))


@router.get("/musters/{int:muster_id}/file", response={200: None}, include_in_schema=True)
def export(request: UserRequest, muster_id: int) -> HttpResponse:
    """The whole muster as an open file."""
    muster = own_muster(request.user, muster_id)
    return as_file(export_text(muster), f"muster-{muster.pk}.json")


@router.post("/import/preview", response=Preview, throttle=ByUser("import", HEAVY))
def preview(request: UserRequest, file: File[UploadedFile]) -> Preview:
    """What importing a file would do; nothing is changed."""
    return preview_of(request.user, upload(file, MOST_BYTES, "muster"))


@router.post("/import", response=MusterName, throttle=ByUser("import", HEAVY))
def import_muster(request: UserRequest, file: File[UploadedFile]) -> MusterName:
    """Import a file: all or nothing."""
    muster = import_file(request.user, upload(file, MOST_BYTES, "muster"))
    return _name_of(muster.pk, muster.versions.get().value(), 1)
