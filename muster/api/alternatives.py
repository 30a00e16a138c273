"""A plan beside the plan: changes tried with nothing changed, and those kept to be looked at."""

from __future__ import annotations

from typing import Annotated

from django.http import Http404
from ninja import Router, Schema, Status
from pydantic import Field

from muster.api.requests import Line, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.plan.current import current_plan
from muster.apps.plan.models import Alternative
from muster.apps.roll.queries import own_muster
from muster.core.commands.any_command import COMMAND, AnyCommand
from muster.core.errors import DomainError
from muster.core.views.alternative_plan import AlternativePlan, alternative_plan

router = Router()

MOST_KEPT = 12


class ChangesIn(Schema):
    """The changes to try."""

    command: AnyCommand


class AlternativeIn(ChangesIn):
    """Changes to keep, by a name."""

    name: Annotated[Line, Field(min_length=1, max_length=120)]


class AlternativeOut(Schema):
    """Changes kept."""

    id: int
    name: str
    command: AnyCommand


@router.post(
    "/musters/{int:muster_id}/plan/try", response=AlternativePlan, throttle=ByUser("try", HEAVY)
)
def try_changes(request: UserRequest, muster_id: int, payload: ChangesIn) -> AlternativePlan:
    """The plan as it would be; nothing is changed. Raises DomainError where it is refused."""
    current = current_plan(own_muster(request.user, muster_id))
    return alternative_plan(current.derived, current.plan, payload.command)


@router.get("/musters/{int:muster_id}/plan/alternatives", response=list[AlternativeOut])
def alternatives(request: UserRequest, muster_id: int) -> list[AlternativeOut]:
    """Those kept, the oldest first. Raises Http404."""
    muster = own_muster(request.user, muster_id)
    return [_out(row) for row in muster.alternatives.order_by("pk")]


@router.post("/musters/{int:muster_id}/plan/alternatives", response=list[AlternativeOut])
def keep(request: UserRequest, muster_id: int, payload: AlternativeIn) -> list[AlternativeOut]:
    """Keep changes; of the same name, in its place.

    Raises DomainError for too many, and where they are refused now.
    """
    muster = own_muster(request.user, muster_id, lock=False)
    kept = muster.alternatives.exclude(name=payload.name).count()
    if kept >= MOST_KEPT:
        raise DomainError(f"{MOST_KEPT} alternatives are kept: let one go first")
    command = COMMAND.dump_python(payload.command, mode="json")
    muster.alternatives.update_or_create(name=payload.name, defaults={"command": command})
    return alternatives(request, muster_id)


@router.delete(
    "/musters/{int:muster_id}/plan/alternatives/{int:alternative_id}", response={204: None}
)
def let_go(request: UserRequest, muster_id: int, alternative_id: int) -> Status[None]:
    """Let one go. Raises Http404."""
    muster = own_muster(request.user, muster_id)
    gone, _ = muster.alternatives.filter(pk=alternative_id).delete()
    if not gone:
        raise Http404
    return Status(204, None)


def _out(row: Alternative) -> AlternativeOut:
    command = COMMAND.validate_python(row.command)
    return AlternativeOut.model_construct(id=row.pk, name=row.name, command=command)
