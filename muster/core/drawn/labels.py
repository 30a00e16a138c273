"""Labels for the tape of a label printer: tray tickets and shelf labels, each with a QR code
(ISO/IEC 18004, drawn by segno) of the page that it stands for."""

from __future__ import annotations

import segno

from muster.core.colour.owned import OwnedPaint
from muster.core.drawn.page import INK, KEY, PAPER, Page, clear_fill
from muster.core.pipeline import Derived
from muster.core.views.board import Board
from muster.core.views.cards import CallCard
from muster.core.views.roll import TrayStrip

TICKET_W, TICKET_H = 62.0, 34.0
SHELF_W, SHELF_H = 62.0, 20.0
MARGIN, CODE = 3.0, 23.0
QUIET_MODULES = 2
"""Of white around the code within the label; the label's own edge gives the other two."""


def tray_tickets(derived: Derived, board: Board, address: str) -> list[Page]:
    """A ticket for each tray with work to come; ``address`` and the tray's id open its call."""
    next_call: dict[str, CallCard] = {}
    for card in sorted((c for c in board.calls if c.start), key=lambda one: str(one.start)):
        next_call.setdefault(card.tray, card)
    names = {unit.id: unit for unit in derived.snapshot.choices.units}
    pages = []
    for strip in board.rows:
        unit = names.get(strip.id.rsplit(".", 1)[0])
        if strip.id not in next_call or unit is None:
            continue
        recipe = derived.snapshot.recipes[unit.recipe_key]
        lines = [f"{unit.count} {unit.name}, 1/{unit.scale}", recipe.name,
                 f"first {next_call[strip.id].name}"]  # fmt: skip
        pages.append(_ticket(strip, lines, f"{address}{strip.id}"))
    return pages


def _ticket(strip: TrayStrip, lines: list[str], address: str) -> Page:
    page = Page(TICKET_W, TICKET_H)
    side = CODE
    room = TICKET_W - side - 3 * MARGIN
    page.words(MARGIN, 8, strip.name, 13, bold=True, most=room)
    y = 12.6
    for line in lines:
        page.words(MARGIN, y, line, 7.5, soft=True, most=room)
        y += 3.7
    width = min(3.2, (room + 0.8) / max(1, len(strip.pips)) - 0.8)
    for place, pip in enumerate(strip.pips):
        x = MARGIN + place * (width + 0.8)
        page.box(x, TICKET_H - 9.6, width, 4, "none", INK)
        if width >= 2:
            said = str(pip.model)
            page.words(x + width / 2 - 0.7 * len(said), TICKET_H - 3, said, 5.5)
    draw_code(page, address, TICKET_W - side - MARGIN, MARGIN, side)
    return page


def shelf_labels(paints: list[tuple[int, OwnedPaint, str]], address: str) -> list[Page]:
    """A label for each paint: its row, the paint and its colour when dry; ``address`` and the row
    open its card."""
    pages = []
    for row, paint, dry in paints:
        page = Page(SHELF_W, SHELF_H)
        side = SHELF_H - 2 * MARGIN
        fill = clear_fill(paint.finish) if paint.clear else dry
        page.box(MARGIN, MARGIN, 9, side, PAPER)
        page.box(MARGIN, MARGIN, 9, side, fill, KEY)
        room = SHELF_W - side - 9 - 4 * MARGIN
        page.words(MARGIN + 12, 8, paint.name, 9.5, bold=True, most=room)
        made = " ".join(word for word in (paint.range, paint.code) if word)
        page.words(MARGIN + 12, 12, made or paint.medium, 7, soft=True, most=room)
        page.words(
            MARGIN + 12, 15.6, f"{paint.medium}, {paint.seen_opacity}", 7, soft=True, most=room
        )
        draw_code(page, f"{address}{row}", SHELF_W - side - MARGIN, MARGIN, side)
        pages.append(page)
    return pages


def draw_code(page: Page, words: str, x: float, y: float, side: float) -> None:
    """A QR code in a square of so many millimetres, with its quiet zone. Raises ValueError for more
    words than a code holds."""
    made = segno.make(words, error="m", micro=False)
    rows = [list(row) for row in made.matrix]
    module = side / (len(rows) + 2 * QUIET_MODULES)
    shape = []
    for down, row in enumerate(rows):
        at = 0
        while at < len(row):
            run = at
            while run < len(row) and row[run]:
                run += 1
            if run > at:
                left = x + (at + QUIET_MODULES) * module
                top = y + (down + QUIET_MODULES) * module
                shape.append(f"M{left:.3f} {top:.3f}h{(run - at) * module:.3f}v{module:.3f}"
                             f"h{-(run - at) * module:.3f}z")  # fmt: skip
            at = max(run, at + 1)
    page.path("".join(shape), "#000000", "none", 0)
