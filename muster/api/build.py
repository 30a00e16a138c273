"""Build: what a unit is built of, what would come of a change, templates and kits."""

from __future__ import annotations

from django.http import Http404
from ninja import Router, Schema

from muster.api.requests import UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.build.services import kits_of
from muster.apps.plan.current import Current, current_plan
from muster.apps.roll.queries import own_muster
from muster.core.build.kit import Kit
from muster.core.build.templates.all import templates_for
from muster.core.choices import Unit
from muster.core.commands.any_command import AnyCommand
from muster.core.views.build import BuildRow, BuildView, build_rows, build_view
from muster.core.views.build_tried import (
    ApartPlan,
    WayPlan,
    apart_planned,
    build_tried,
    ways_planned,
)
from muster.core.vocabulary import Kind

router = Router()


class TemplateOut(Schema):
    """A kit to start from."""

    id: str
    name: str
    kinds: list[Kind]
    kit: Kit


class KitsOut(Schema):
    """Kits to start from: those built before, the newest first, and templates."""

    known: list[Kit]
    templates: list[TemplateOut]


class BuildChange(Schema):
    """A change to try."""

    command: AnyCommand


class BuildOut(Schema):
    """A unit as it is built; none where it is of one piece."""

    version: int
    view: BuildView | None


def _unit(current: Current, unit_id: str) -> Unit:
    """The unit. Raises Http404 where it is not on the roll."""
    unit = current.derived.snapshot.choices.unit(unit_id)
    if unit is None:
        raise Http404
    return unit


def _current(request: UserRequest, muster_id: int) -> Current:
    return current_plan(own_muster(request.user, muster_id))


@router.get("/build/kits", response=KitsOut)
def kits(request: UserRequest, of: Kind = "vehicle") -> KitsOut:
    """What to start from; templates made for a kind first."""
    made = [
        TemplateOut(id=one.id, name=one.name, kinds=list(one.kinds), kit=one.kit)
        for one in templates_for(of)
    ]
    return KitsOut.model_construct(known=kits_of(request.user), templates=made)


@router.get("/musters/{int:muster_id}/build", response=list[BuildRow])
def rows(request: UserRequest, muster_id: int) -> list[BuildRow]:
    """Every unit, with what it is built of. Raises Http404."""
    return build_rows(_current(request, muster_id).derived)


@router.get("/musters/{int:muster_id}/build/{unit}", response=BuildOut)
def view(request: UserRequest, muster_id: int, unit: str) -> BuildOut:
    """A unit as it is built. Raises Http404."""
    muster = own_muster(request.user, muster_id)
    current = current_plan(muster)
    found = build_view(current.derived, _unit(current, unit))
    return BuildOut.model_construct(version=muster.version, view=found)


@router.post("/musters/{int:muster_id}/build/{unit}/try", response=BuildOut)
def tried(request: UserRequest, muster_id: int, unit: str, payload: BuildChange) -> BuildOut:
    """Build as it would be; nothing is changed. Raises DomainError where it is refused."""
    muster = own_muster(request.user, muster_id)
    derived = current_plan(muster).derived
    found = build_tried(derived, unit, payload.command)
    return BuildOut.model_construct(version=muster.version, view=found)


@router.get(
    "/musters/{int:muster_id}/build/{unit}/ways", response=list[WayPlan],
    throttle=ByUser("ways", HEAVY),
)  # fmt: skip
def ways(request: UserRequest, muster_id: int, unit: str, joint: str) -> list[WayPlan]:
    """The ways of a joint, each planned. Raises Http404."""
    current = _current(request, muster_id)
    build = _unit(current, unit).build
    if build is None or build.kit.joint(joint) is None:
        raise Http404
    return ways_planned(current.derived, current.plan, unit, joint)


@router.get(
    "/musters/{int:muster_id}/build/{unit}/apart", response=ApartPlan,
    throttle=ByUser("ways", HEAVY),
)  # fmt: skip
def apart(request: UserRequest, muster_id: int, unit: str) -> ApartPlan:
    """What painting apart saves: two plans. Raises Http404, too for a unit of one piece."""
    current = _current(request, muster_id)
    if _unit(current, unit).build is None:
        raise Http404
    return apart_planned(current.derived, unit)
