"""The bench: facts in, and what became of each out."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpResponse
from ninja import Router, Schema
from pydantic import Field

from muster.api.musters import View, answer
from muster.api.requests import UserRequest
from muster.apps import clock
from muster.apps.bench.services import Recorded, record
from muster.apps.plan.services import change
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.commands.sit_down import sitting_now
from muster.core.facts.validation import SentFact
from muster.core.vocabulary import DocumentVersion

router = Router()


class FactsIn(Schema):
    """Facts in the order in which they happened."""

    facts: Annotated[list[SentFact], Field(min_length=1, max_length=500)]


class SitDown(Schema):
    """Sit down now, for so many minutes."""

    version: DocumentVersion
    minutes: Annotated[int, Field(ge=10, le=600)]


@router.post("/musters/{int:muster_id}/facts", response=Recorded)
def facts(request: UserRequest, muster_id: int, payload: FactsIn) -> Recorded:
    """Record facts: answered when they are kept, before any plan mends. Bad ones are named, and do
    not stand in the way of good ones."""
    return record(request.user, muster_id, payload.facts)


@router.post("/musters/{int:muster_id}/sit-down", response=View)
def sit_down(request: UserRequest, muster_id: int, payload: SitDown) -> HttpResponse:
    """Make a sitting that begins now; the plan mends."""
    choices = choices_of(own_muster(request.user, muster_id))
    wanted = sitting_now(choices, clock.now(), payload.minutes)
    return answer(change(request.user, muster_id, payload.version, wanted))
