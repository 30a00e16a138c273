"""A recipe as A5 cards: what to do in order, in which mix, on what, with which wait after it."""

from __future__ import annotations

from copy import deepcopy

from muster.core.craft.schematics import SCHEMATICS
from muster.core.craft.schematics.drawing import WIDTH as DRAWN
from muster.core.drawn.core_sample import Bed, draw_section
from muster.core.drawn.page import INK, KEY, PAPER, Page, clear_fill
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.appearance import bare
from muster.core.stack.cautions import FIRST
from muster.core.typed.pass_words import how
from muster.core.views.draft_report import DraftReport, Seam

WIDTH, HEIGHT = 148.0, 210.0
"""A5, standing."""

LEFT, RIGHT, ROW = 9.0, 139.0, 9.8
FIRST_Y, NEXT_Y, FOOT_Y = 66.0, 24.0, 184.0


def card_pages(recipe: Recipe, seen: DraftReport | None, why: str = "") -> list[Page]:
    """The cards of a recipe, as many as its passes need.

    ``seen``: what its layers say; None where they cannot be looked at, and ``why``: its passes are
    printed all the same, as they are stated. Raises KeyError for a report of another recipe.
    """
    seams = {one.key: one for one in seen.seams} if seen else {}
    pages: list[Page] = []
    page, y = _first(recipe, seen), FIRST_Y
    for number, one in enumerate(recipe.passes, 1):
        if y + ROW > FOOT_Y:
            pages.append(page)
            page, y = _following(recipe), NEXT_Y
        _row(page, y, number, one, seams[one.key] if seen else None)
        y += ROW
    pages.append(page)
    for number, each in enumerate(pages, 1):
        _foot(each, seen, why, f"{number} of {len(pages)}" if len(pages) > 1 else "")
    return pages


def _head(page: Page, recipe: Recipe) -> None:
    page.words(LEFT, 14, recipe.name, 15, bold=True, most=RIGHT - LEFT)
    made = f"1/{recipe.scale} · version {recipe.version} · {recipe.material}"
    page.words(LEFT, 19.5, made, 9, soft=True)


def _first(recipe: Recipe, seen: DraftReport | None) -> Page:
    page = Page(WIDTH, HEIGHT)
    _head(page, recipe)
    minutes = sum(one.minutes for one in recipe.passes)
    waits = f", {seen.hours:g} h with waits" if seen else ""
    page.words(RIGHT, 19.5, f"{minutes:.0f} min a model{waits}", 9, end=True)
    page.box(LEFT, 23, 60, 38, PAPER)
    seams = seen.seams if seen else []
    colours = {zone: look.flat for seam in seams for zone, look in seam.appearances.items()}
    scale, unpainted = 50 / DRAWN, seen.bare.flat if seen else bare(recipe.material).look().flat
    for shape in SCHEMATICS[recipe.kind]:
        page.path(shape.path, colours.get(shape.zone, unpainted), KEY, 0.8,
                  f"translate({LEFT + 5} 24.5) scale({scale:.4f})")  # fmt: skip
    if seen and seen.section is not None:
        draw_section(page, seen.section, Bed(LEFT + 64, 23, RIGHT - LEFT - 64, 33))
        page.words(LEFT + 64, 60.4, f"{seen.section.zone}, layers to scale", 8, soft=True)
    page.rule(LEFT, FIRST_Y - 2, RIGHT, KEY, 0.35)
    return page


def _following(recipe: Recipe) -> Page:
    page = Page(WIDTH, HEIGHT)
    _head(page, recipe)
    page.rule(LEFT, NEXT_Y - 2, RIGHT, KEY, 0.35)
    return page


def _row(page: Page, y: float, number: int, one: Pass, seam: Seam | None) -> None:
    page.words(LEFT + 4, y + 4.2, str(number), 9, soft=True, end=True)
    finish = seam.finish if seam else None
    fill = clear_fill(finish) if finish else (seam.dried if seam else None) or one.colour
    if fill:
        page.box(LEFT + 6.5, y + 0.6, 11, 6.4, PAPER)
        page.box(LEFT + 6.5, y + 0.6, 11, 6.4, fill, KEY)
    page.words(LEFT + 20, y + 4, one.name, 9.5, bold=True, most=62)
    inside = ", ".join(each.name for each in seam.inside) if seam else ""
    page.words(LEFT + 20, y + 7.4, inside or how(one), 8, soft=True, most=82)
    page.words(RIGHT - 18, y + 4, f"{one.minutes:g} min", 9, end=True)
    if seam and seam.wait:
        page.words(RIGHT - 18, y + 7.4, f"then {seam.wait}", 8, soft=True, end=True)
    look = next(iter(seam.appearances.values()), None) if seam else None
    if finish:
        page.words(RIGHT, y + 5, finish, 8, soft=True, end=True)
    elif look:
        for n, shade in enumerate((look.recess, look.flat, look.edge)):
            page.box(RIGHT - 15 + n * 5, y + 0.6, 5, 6.4, shade)
        page.box(RIGHT - 15, y + 0.6, 15, 6.4, "none", KEY)
    page.rule(LEFT, y + ROW - 1, RIGHT)


def _foot(page: Page, seen: DraftReport | None, why: str, sheet: str) -> None:
    seams = seen.seams if seen else []
    cautions = list(dict.fromkeys(words for seam in seams for words in seam.cautions))
    told = [*cautions[:3], FIRST] if seen else [f"Its layers cannot be looked at: {why}", FIRST]
    page.rule(LEFT, FOOT_Y + 2, RIGHT, INK, 0.35)
    y = FOOT_Y + 6.5
    for words in told:
        page.words(LEFT, y, words, 8, most=RIGHT - LEFT - 14)
        y += 4.1
    page.words(RIGHT, FOOT_Y + 6.5, sheet, 8, soft=True, end=True)
    page.words(RIGHT, HEIGHT - 6, "recess, flat, edge", 7, soft=True, end=True)


def stacked(pages: list[Page]) -> str:
    """Pages under each other as one SVG document. Raises ValueError for none."""
    if not pages:
        raise ValueError("no page: give one at least")
    if len(pages) == 1:
        return pages[0].text()
    whole = Page(pages[0].width, sum(page.height for page in pages))
    top = 0.0
    for page in pages:
        sheet = deepcopy(page.root)
        sheet.set("y", f"{top:g}")
        sheet.set("width", f"{page.width:g}")
        sheet.set("height", f"{page.height:g}")
        whole.root.append(sheet)
        top += page.height
    return whole.text()
