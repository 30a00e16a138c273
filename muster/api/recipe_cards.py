"""Recipes to print: cards of A5, a core sample of A6; as SVG and as PDF."""

from __future__ import annotations

from typing import Annotated, Literal

from django.http import Http404, HttpResponse
from ninja import Router
from pydantic import Field

from muster.api.draft_check import DraftIn, draft_of
from muster.api.requests import UserRequest
from muster.api.throttles import ByUser
from muster.apps.printing import pdf_of
from muster.apps.recipes.queries import newest_version
from muster.core.craft.zones import MAIN
from muster.core.drawn.core_sample import sample_page
from muster.core.drawn.page import Page
from muster.core.drawn.recipe_card import card_pages, stacked
from muster.core.errors import DomainError
from muster.core.recipes.recipe import subject_of
from muster.core.views.draft_report import Draft
from muster.core.views.section import bare_section

router = Router()
Format = Literal["svg", "pdf"]
Zone = Annotated[str, Field(max_length=90)]


@router.get("/recipes/{code}/card", response={200: None}, throttle=ByUser("print", "600/h"))
def card(request: UserRequest, code: str, form: Format = "pdf") -> HttpResponse:
    """The newest version as cards, also where its layers cannot be looked at. Raises Http404 where
    there is no such recipe."""
    draft = _kept(request, code)
    try:
        pages = card_pages(draft.recipe, draft.seen())
    except DomainError as error:
        pages = card_pages(draft.recipe, None, error.complaints[0])
    return _printed(pages, form, f"{code}-card")


@router.get("/recipes/{code}/core-sample", response={200: None}, throttle=ByUser("print", "600/h"))
def core_sample(
    request: UserRequest, code: str, form: Format = "pdf", zone: Zone = ""
) -> HttpResponse:
    """The newest version's section of a zone, the one that most passes meet where none is named.

    Raises Http404 where there is no such recipe.
    """
    draft = _kept(request, code, zone)
    try:
        section = draft.section()
    except DomainError:
        section = bare_section(zone or MAIN[draft.recipe.kind][0])
    page = sample_page(section, draft.recipe.name, draft.recipe.material)
    return _printed([page], form, f"{code}-core-sample")


def _kept(request: UserRequest, code: str, zone: str = "") -> Draft:
    row = newest_version(request.user, code)
    if row is None:
        raise Http404
    kept = row.value()
    asked = DraftIn(code=kept.id, kind=kept.kind, subject=subject_of(kept),
                    passes=list(kept.passes), zone=zone, mend=False)  # fmt: skip
    draft = draft_of(request.user, asked)
    # The names that are printed are the kept recipe's own.
    return draft.named(kept)


def _printed(pages: list[Page], form: Format, name: str) -> HttpResponse:
    if form == "svg":
        found = HttpResponse(stacked(pages), content_type="image/svg+xml")
    else:
        found = HttpResponse(pdf_of(pages), content_type="application/pdf")
    found["Content-Disposition"] = f'attachment; filename="{name}.{form}"'
    return found
