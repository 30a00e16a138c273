"""A roster pasted or read: every line as it is understood, before anything is added."""

from __future__ import annotations

from typing import Annotated

from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import UserRequest
from muster.apps.recipes.queries import newest_recipes
from muster.core.errors import nearest
from muster.core.recipes.recipe import Recipe
from muster.core.recipes.starters import BY_KIND
from muster.core.typed.roster_lines import MOST_TEXT, RosterLine, read_roster

router = Router()


class RosterIn(Schema):
    """Lines, or a CSV."""

    text: Annotated[str, Field(max_length=MOST_TEXT)]


class RosterRow(Schema):
    """A line as understood; ``wrong`` says what is not, and how to mend it. ``kind`` None: no word
    tells it, to be chosen."""

    number: int
    line: str
    count: int
    name: str
    kind: str | None
    scale: int | None
    recipe: str | None
    wrong: str


@router.post("/roster/read", response=list[RosterRow])
def read(request: UserRequest, payload: RosterIn) -> list[RosterRow]:
    """What a roster says; nothing is changed. Raises DomainError where it is none."""
    mine = newest_recipes(request.user)
    return [_row(one, mine) for one in read_roster(payload.text)]


def _row(one: RosterLine, mine: dict[str, Recipe]) -> RosterRow:
    typed, wrong, recipe = one.typed, one.wrong, None
    if one.recipe and not wrong:
        said = one.recipe.casefold()
        recipe = next((c for c, r in mine.items() if said in (c, r.name.casefold())), None)
        if recipe is None:
            names = [each.name for each in mine.values()]
            wrong = f"there is no recipe '{one.recipe}': {nearest(one.recipe, names)}"
    if typed is not None and recipe is None:
        recipe = BY_KIND[typed.kind] if typed.kind else None
    return RosterRow(
        number=one.number, line=one.line, count=typed.count if typed else 0,
        name=typed.name if typed else one.line, kind=typed.kind if typed else None,
        scale=typed.scale if typed else None, recipe=recipe, wrong=wrong,
    )  # fmt: skip
