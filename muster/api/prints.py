"""What is printed of a plan and of the shelf: a run sheet, tray tickets, shelf labels."""

from __future__ import annotations

from typing import Annotated, Literal

from django.http import HttpResponse
from ninja import Router
from pydantic import Field

from muster.api.requests import UserRequest
from muster.api.throttles import ByUser
from muster.apps.colour.queries import shelf_entries
from muster.apps.devices.label_printer import TAPE_MM, SimulatedPrinter
from muster.apps.plan.current import current_plan
from muster.apps.printing import pdf_of
from muster.apps.roll.queries import own_muster
from muster.core.drawn.labels import shelf_labels, tray_tickets
from muster.core.drawn.page import Page, notice
from muster.core.drawn.recipe_card import stacked
from muster.core.drawn.run_sheet import run_sheet
from muster.core.views.agenda import next_agenda
from muster.core.views.board import board_of
from muster.core.views.roll import roll_of

router = Router()
Format = Literal["svg", "pdf"]
PRINTS = "600/h"
NO_SITTING = "No sitting with work is to come: add a sitting, or a unit."
NO_TRAY = "No tray has work to come."
NO_PAINT = "The shelf is empty: add a paint first."
After = Annotated[int, Field(ge=0, le=60)]


@router.get(
    "/musters/{int:muster_id}/plan/run-sheet",
    response={200: None},
    throttle=ByUser("print", PRINTS),
)
def sheet(
    request: UserRequest, muster_id: int, form: Format = "pdf", after: After = 0
) -> HttpResponse:
    """The run sheet of the next sitting with work, or of one so many ``after`` it; where there is
    none, a sheet that says so. Raises Http404.
    """
    current = current_plan(own_muster(request.user, muster_id))
    derived = current.derived
    agenda = next_agenda(board_of(derived, current.plan, roll_of(derived)), after)
    pages = run_sheet(derived, agenda) if agenda else [notice(NO_SITTING)]
    name = f"run-sheet-{agenda.sitting.start:%Y-%m-%d}" if agenda else "run-sheet"
    if form == "svg":
        return _file(stacked(pages).encode(), "image/svg+xml", f"{name}.svg")
    return _file(pdf_of(pages), "application/pdf", f"{name}.pdf")


@router.get(
    "/musters/{int:muster_id}/tickets", response={200: None}, throttle=ByUser("print", PRINTS)
)
def tickets(request: UserRequest, muster_id: int, form: Format = "svg") -> HttpResponse:
    """A ticket for each tray with work to come: as SVG from the label printer, or as PDF.

    Raises Http404.
    """
    current = current_plan(own_muster(request.user, muster_id))
    derived = current.derived
    board = board_of(derived, current.plan, roll_of(derived))
    address = request.build_absolute_uri(f"/{muster_id}/bench?tray=")
    pages = tray_tickets(derived, board, address)
    return _labels(
        pages or [notice(NO_TRAY, TAPE_MM)], form, f"tray-tickets-{muster_id}", current.run.pk
    )


@router.get("/shelf/labels", response={200: None}, throttle=ByUser("print", PRINTS))
def labels(request: UserRequest, form: Format = "svg") -> HttpResponse:
    """A label for each paint."""
    entries = shelf_entries(request.user.pk)
    # A paint's card is opened in any muster: the address finds the user's newest.
    address = request.build_absolute_uri("/paint/")
    rows = [(one.id, one.paint, one.paint.dry) for one in entries]
    pages = shelf_labels(rows, address) or [notice(NO_PAINT, TAPE_MM)]
    return _labels(pages, form, "shelf-labels", len(entries))


def _labels(pages: list[Page], form: Format, name: str, seed: int) -> HttpResponse:
    if form == "pdf":
        return _file(pdf_of(pages), "application/pdf", f"{name}.pdf")
    strip = SimulatedPrinter(seed).put_out(pages)
    return _file(strip.svg.encode(), "image/svg+xml", f"{name}.svg")


def _file(body: bytes, kind: str, name: str) -> HttpResponse:
    found = HttpResponse(body, content_type=kind)
    found["Content-Disposition"] = f'attachment; filename="{name}"'
    return found
