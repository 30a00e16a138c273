"""The run sheet of a sitting, A4: calls in order with times, mixes in drops, pips to tick and what
to be careful of. It lies beside the models; what is ticked on it is entered afterwards."""

from __future__ import annotations

from datetime import datetime
from zoneinfo import ZoneInfo

from muster.core.drawn.page import INK, KEY, PAPER, Page, clear_fill
from muster.core.pipeline import Derived
from muster.core.stack.cautions import FIRST
from muster.core.views.agenda import Agenda, Step

WIDTH, HEIGHT = 210.0, 297.0
LEFT, RIGHT = 12.0, 198.0
FIRST_Y, FOOT_Y = 27.0, 284.0
ROW, NOTED, CHORE = 11.4, 13.8, 4.6
PIP = 4.4
MOST_CAUTIONS = 8
MEASURABLE_ML = 0.5
"""Less than this nobody measures but in drops."""

CHORES = {"open": "set up", "close": "clean", "get_out": "get out", "put_away": "put away"}


def run_sheet(derived: Derived, agenda: Agenda) -> list[Page]:
    """The sheet: one page for an evening, more for a long day."""
    zone = ZoneInfo(derived.snapshot.choices.zone)
    cautions = list(dict.fromkeys(
        words for step in agenda.steps if step.card for words in step.card.cautions
    ))  # fmt: skip
    foot = FOOT_Y - 4.6 * (min(MOST_CAUTIONS, len(cautions)) + 1)
    pages = [_head(derived, agenda, zone)]
    y = FIRST_Y
    for step in agenda.steps:
        height = _height(step)
        if y + height > (foot if len(pages) == 1 else FOOT_Y):
            pages.append(_head(derived, agenda, zone))
            y = FIRST_Y
        _row(pages[-1], y, step, derived, zone)
        y += height
    _foot(pages[0], foot, [*cautions[:MOST_CAUTIONS], FIRST])
    for number, page in enumerate(pages, 1):
        if len(pages) > 1:
            page.words(RIGHT, HEIGHT - 6, f"{number} of {len(pages)}", 8, soft=True, end=True)
    return pages


def _height(step: Step) -> float:
    if step.card is None:
        return CHORE
    row = NOTED if step.card.note else ROW
    return row + (PIP + 4.4) * (-(-len(step.models) // _PIPS_A_ROW) - 1)


_PIPS_A_ROW = int((RIGHT - LEFT - 96) // (PIP + 1.6))


def _clock(moment: datetime, zone: ZoneInfo) -> str:
    return f"{moment.astimezone(zone):%H:%M}"


def _head(derived: Derived, agenda: Agenda, zone: ZoneInfo) -> Page:
    page = Page(WIDTH, HEIGHT)
    start = agenda.sitting.start.astimezone(zone)
    hours = f"{start:%H:%M} to {_clock(agenda.sitting.end, zone)}"
    page.words(LEFT, 16, f"{start:%A} {start.day} {start:%B}, {hours}", 17, bold=True)
    page.words(RIGHT, 16, derived.snapshot.choices.name, 11, end=True, soft=True)
    page.words(LEFT, 21.5, "tick a model when it is done; a corner filled is a touch-up", 8,
               soft=True)  # fmt: skip
    page.rule(LEFT, FIRST_Y - 3, RIGHT, INK, 0.4)
    return page


def _row(page: Page, y: float, step: Step, derived: Derived, zone: ZoneInfo) -> None:
    if step.card is None:
        chore = step.chore
        if chore is not None:
            minutes = round((step.end - step.start).total_seconds() / 60)
            words = f"{CHORES.get(chore.do, chore.do)} {chore.what.replace('-', ' ')}"
            page.words(LEFT, y + 2.2, _clock(step.start, zone), 8, soft=True)
            page.words(LEFT + 15, y + 2.2, f"{words}, {minutes} min", 8, soft=True, most=120)
            page.rule(LEFT, y + CHORE - 1.2, RIGHT)
        return
    card = step.card
    page.words(LEFT, y + 4.4, _clock(step.start, zone), 12, bold=True)
    page.words(LEFT, y + 8.8, f"to {_clock(step.end, zone)}", 8, soft=True)
    fill = card.colour or (clear_fill(card.finish) if card.finish else None)
    if fill:
        page.box(LEFT + 15, y, 12, 9.4, PAPER)
        page.box(LEFT + 15, y, 12, 9.4, fill, KEY)
    name = card.name if step.first else f"{card.name}, goes on"
    page.words(LEFT + 30, y + 3.8, f"{name}, {card.tray_name}", 11, bold=True, most=62)
    page.words(LEFT + 30, y + 8.4, _mix(derived, step), 8.5, most=62)
    x0 = LEFT + 96
    for place, model in enumerate(step.models):
        row, column = divmod(place, _PIPS_A_ROW)
        x, top = x0 + column * (PIP + 1.6), y + row * (PIP + 4.4)
        page.box(x, top, PIP, PIP, "none", INK)
        said = str(model)
        page.words(x + PIP / 2 - 0.65 * len(said), top + PIP + 2.9, said, 6.5, soft=True)
    if card.note:
        page.words(LEFT + 30, y + 11.9, card.note, 7.5, soft=True, most=62)
    page.rule(LEFT, y + _height(step) - 1.4, RIGHT)


def _mix(derived: Derived, step: Step) -> str:
    card = step.card
    if card is None:
        return ""
    call = derived.calls[card.id]
    parts = [
        f"{drops} {part.name}"
        for drops, part in zip(card.drops, call.first.mix, strict=False)
        if drops
    ]
    tool = f" by {card.tool}" if card.tool and card.tool != "brush" else ""
    if not parts:
        return (card.mix or "no paint") + tool
    much = f", {card.ml:.1f} ml" if card.ml >= MEASURABLE_ML else ""
    return f"drops: {', '.join(parts)}{much}{tool}"


def _foot(page: Page, y: float, told: list[str]) -> None:
    page.rule(LEFT, y, RIGHT, INK, 0.4)
    for words in told:
        y += 4.6
        page.words(LEFT, y, words, 8, most=RIGHT - LEFT)
