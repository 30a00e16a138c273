"""The sittings as a calendar that a phone subscribes to, at a private address that can be renewed.

The address is the key: calendar programs sign in nowhere. It tells of one muster's sittings only.
"""

from __future__ import annotations

import secrets

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Schema, Status

from muster.api.requests import UserRequest
from muster.api.throttles import ByAddress
from muster.apps import clock
from muster.apps.plan.current import current_plan
from muster.apps.plan.models import CalendarAddress
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import own_muster
from muster.core.formats.calendar import calendar_text
from muster.core.views.agenda import sitting_events
from muster.core.views.board import board_of
from muster.core.views.roll import roll_of

router = Router()

SECRET_BYTES = 24


class CalendarOut(Schema):
    """The private address; none: there is none yet."""

    address: str | None


def calendar_of(muster: Muster) -> bytes:
    """The calendar as it stands."""
    current = current_plan(muster)
    derived = current.derived
    board = board_of(derived, current.plan, roll_of(derived))
    events = sitting_events(derived, board)
    return calendar_text(derived.snapshot.choices, events, f"muster-{muster.pk}", clock.now())


def _address(request: HttpRequest, row: CalendarAddress | None) -> CalendarOut:
    if row is None:
        return CalendarOut(address=None)
    return CalendarOut(address=request.build_absolute_uri(f"/api/calendar/{row.secret}.ics"))


@router.get("/musters/{int:muster_id}/calendar", response=CalendarOut)
def address(request: UserRequest, muster_id: int) -> CalendarOut:
    """Its address, where there is one. Raises Http404."""
    muster = own_muster(request.user, muster_id)
    return _address(request, CalendarAddress.objects.filter(muster=muster).first())


@router.post("/musters/{int:muster_id}/calendar", response=CalendarOut)
def renew(request: UserRequest, muster_id: int) -> CalendarOut:
    """A new address; the one before is dead from now on. Raises Http404."""
    muster = own_muster(request.user, muster_id)
    made = {"secret": secrets.token_urlsafe(SECRET_BYTES)}
    row, _ = CalendarAddress.objects.update_or_create(muster=muster, defaults=made)
    return _address(request, row)


@router.delete("/musters/{int:muster_id}/calendar", response={204: None})
def close(request: UserRequest, muster_id: int) -> Status[None]:
    """No address any more. Raises Http404."""
    CalendarAddress.objects.filter(muster=own_muster(request.user, muster_id)).delete()
    return Status(204, None)


@router.get("/musters/{int:muster_id}/calendar/file", response={200: None})
def file(request: UserRequest, muster_id: int) -> HttpResponse:
    """The calendar as a file. Raises Http404."""
    found = _ics(own_muster(request.user, muster_id))
    found["Content-Disposition"] = f'attachment; filename="sittings-{muster_id}.ics"'
    return found


@router.get(
    "/calendar/{secret}.ics", auth=None, response={200: None},
    throttle=ByAddress("calendar", "240/h"),
)  # fmt: skip
def feed(request: HttpRequest, secret: str) -> HttpResponse:
    """The calendar to whoever knows its address. Raises Http404."""
    row = CalendarAddress.objects.select_related("muster").filter(secret=secret).first()
    if row is None:
        raise Http404
    return _ics(row.muster)


def _ics(muster: Muster) -> HttpResponse:
    found = HttpResponse(calendar_of(muster), content_type="text/calendar; charset=utf-8")
    found["Cache-Control"] = "private, no-store"
    return found
