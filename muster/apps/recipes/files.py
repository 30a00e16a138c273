"""A recipe out to an open file, and in again."""

from __future__ import annotations

from dataclasses import replace

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404, HttpResponse
from ninja import File, Router, Schema
from ninja.files import UploadedFile

from muster.apps.house.services import house_of
from muster.apps.recipes.models import Recipe as RecipeRow
from muster.apps.recipes.queries import newest_version, versions_of
from muster.apps.recipes.services import keep_version
from muster.apps.requests import UserRequest
from muster.core.errors import DomainError
from muster.core.formats import recipe as recipe_format
from muster.core.recipes.expand import all_held, expand_recipe, with_held
from muster.core.recipes.recipe import Recipe
from muster.core.stack.check import check

router = Router()


class RecipePreview(Schema):
    """What an import would do."""

    name: str
    passes: int
    held: list[str]
    errors: list[str]
    """What its layers would do wrong: said, not refused."""


class Imported(Schema):
    """The recipe as it is called here."""

    code: str


@router.get("/recipes/{code}/file", response={200: None})
def export(request: UserRequest, code: str) -> HttpResponse:
    """The newest version with all that it holds."""
    row = newest_version(request.user, code)
    if row is None:
        raise Http404
    recipe = row.value()
    known = versions_of(request.user.pk, [(recipe.id, recipe.version)])
    held = tuple(one for _, one in sorted(all_held(recipe, known).items()))
    answer = HttpResponse(recipe_format.write(recipe, held), content_type="application/json")
    answer["Content-Disposition"] = f'attachment; filename="{code}.json"'
    return answer


@router.post("/recipe-file/preview", response=RecipePreview)
def preview(request: UserRequest, file: File[UploadedFile]) -> RecipePreview:
    """What importing a file would do; nothing is changed."""
    document = _document(file)
    house, _ = house_of(request.user.pk)
    flat = expand_recipe(document.recipe, document.known()).recipe
    report = check(flat, house.climate(), house.habits, house.tables())
    return RecipePreview(
        name=document.recipe.name, passes=len(flat.passes),
        held=[one.name for one in document.held],
        errors=[one.words for one in report.findings if one.severity == "error"],
    )  # fmt: skip


@router.post("/recipe-file", response=Imported)
def import_recipe(request: UserRequest, file: File[UploadedFile]) -> Imported:
    """Import a recipe with all that it holds: all or nothing."""
    document = _document(file)
    house, _ = house_of(request.user.pk)
    check(expand_recipe(document.recipe, document.known()).recipe, tables=house.tables())
    return Imported(code=_keep(request.user, document))


def _document(file: UploadedFile) -> recipe_format.RecipeFile:
    if file.size is None or file.size > recipe_format.MOST_BYTES:
        raise DomainError(
            f"the file is larger than {recipe_format.MOST_BYTES // 1000} kB: it is no recipe"
        )
    return recipe_format.read_file(file.read())


@transaction.atomic
def _keep(user: User, document: recipe_format.RecipeFile) -> str:
    """Keep every recipe of a file; one that differs from the user's own of its id gets a new id."""
    renamed: dict[tuple[str, int], str] = {}
    for one in (*document.held, document.recipe):
        code, number = one.id, 1
        while not _fits(user, replace(one, id=code)):
            number += 1
            code = f"{one.id[:36]}-{number}"
        renamed[one.id, one.version] = code
    for one in (*document.held, document.recipe):
        keep_version(user, replace(with_held(one, renamed), id=renamed[one.id, one.version]))
    return renamed[document.recipe.id, document.recipe.version]


def _fits(user: User, recipe: Recipe) -> bool:
    """Whether the id is free, or this very version stands there."""
    row = RecipeRow.objects.filter(owner=user, code=recipe.id).first()
    if row is None:
        return True
    version = row.versions.filter(number=recipe.version).first()
    return version is not None and version.value() == recipe
