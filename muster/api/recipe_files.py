"""A recipe out to an open file, and in again."""

from __future__ import annotations

from django.http import Http404, HttpResponse
from ninja import File, Router, Schema
from ninja.files import UploadedFile

from muster.api.files import as_file, upload
from muster.api.requests import UserRequest
from muster.apps.house.services import house_of
from muster.apps.recipes.queries import newest_version, versions_of
from muster.apps.recipes.services import keep_file
from muster.core.formats import recipe as recipe_format
from muster.core.recipes.expand import all_held, expand_recipe
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
    """The newest version with all that it holds. Raises Http404 where there is none."""
    row = newest_version(request.user, code)
    if row is None:
        raise Http404
    recipe = row.value()
    known = versions_of(request.user.pk, [(recipe.id, recipe.version)])
    held = tuple(one for _, one in sorted(all_held(recipe, known).items()))
    return as_file(recipe_format.write(recipe, held), f"{code}.json")


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
    return Imported(code=keep_file(request.user, document))


def _document(file: UploadedFile) -> recipe_format.RecipeFile:
    return recipe_format.read_file(upload(file, recipe_format.MOST_BYTES, "recipe"))
