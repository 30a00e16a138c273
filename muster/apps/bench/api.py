"""The bench: facts in, the mended view out."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Annotated

from django.db import transaction
from django.http import HttpResponse
from ninja import Router, Schema
from pydantic import Field

from muster.apps import clock
from muster.apps.bench.models import Fact
from muster.apps.requests import UserRequest
from muster.apps.roll import services
from muster.apps.roll.api import View, answer
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.commands.verbs.add_evening import AddEvening
from muster.core.errors import DomainError
from muster.core.facts.fact import FACT
from muster.core.facts.fact import Fact as FactDocument
from muster.core.facts.validation import refuse_impossible

router = Router()

MOST_FACTS = 100_000
"""In one muster: some hundred times what painting five hundred models takes."""


class FactsIn(Schema):
    """Facts in the order in which they happened."""

    facts: Annotated[list[FactDocument], Field(min_length=1, max_length=500)]


class SitDown(Schema):
    """Sit down now, for so many minutes."""

    version: int
    minutes: Annotated[int, Field(ge=10, le=600)]


@router.post("/musters/{int:muster_id}/facts", response=View)
def facts(request: UserRequest, muster_id: int, payload: FactsIn) -> HttpResponse:
    """Record facts. One sent twice counts once; one of the future is refused."""
    with transaction.atomic():
        muster = own_muster(request.user, muster_id, lock=True)
        now = clock.now()
        refuse_impossible(payload.facts, choices_of(muster), now)
        others = Fact.objects.filter(pk__in=[fact.id for fact in payload.facts])
        if others.exclude(muster=muster).exists():
            raise DomainError("a fact with that id is known already: make a new one")
        if Fact.objects.filter(muster=muster).count() > MOST_FACTS:
            raise DomainError(f"a muster holds {MOST_FACTS} facts: export it and begin another")
        known = set(others.values_list("pk", flat=True))
        Fact.objects.bulk_create(
            Fact(id=f.id, muster=muster, document=FACT.dump_python(f, mode="json"),
                 at=min(f.at, now))
            for f in payload.facts
            if f.id not in known
        )  # fmt: skip
    return answer(muster)


@router.post("/musters/{int:muster_id}/sit-down", response=View)
def sit_down(request: UserRequest, muster_id: int, payload: SitDown) -> HttpResponse:
    """Make a sitting that begins now; the plan mends."""
    muster = own_muster(request.user, muster_id)
    zone = choices_of(muster)
    now = clock.now().astimezone(zone.local(clock.now().date(), datetime.min.time()).tzinfo)
    start = now.replace(second=0, microsecond=0)
    end = start + timedelta(minutes=payload.minutes)
    if end.date() != start.date():
        end = start.replace(hour=23, minute=59)
    wanted = AddEvening("add_evening", start.date(), start.time(), end.time())
    return answer(services.command(request.user, muster_id, payload.version, wanted))
