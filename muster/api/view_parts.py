"""The view in parts, each with a digest: who reads again is sent only what has changed."""

from __future__ import annotations

from dataclasses import fields
from hashlib import blake2b
from typing import Annotated, Any

from django.http import HttpResponse
from ninja import Router, Schema
from pydantic import Field
from pydantic_core import to_json

from muster.api.musters import View, view_of
from muster.api.requests import UserRequest
from muster.apps.roll.queries import own_muster
from muster.core.views.cards import CallCard

router = Router()

CALL_PARTS = 16
"""The calls' cards are by far the most of a view; a tick changes those of one unit."""


class ViewParts(Schema):
    """Parts by name, and the digests of all parts in one word, to be said at the next reading."""

    parts: dict[str, Any]
    digests: str


Have = Annotated[str, Field(max_length=2000)]
"""The digests that came with what the caller holds; empty where he holds nothing."""


@router.get("/musters/{int:muster_id}/parts", response=ViewParts)
def view_parts(request: UserRequest, muster_id: int, have: Have = "") -> HttpResponse:
    """Of everything the rooms show, what is not yet held. Raises Http404."""
    view = view_of(own_muster(request.user, muster_id))
    return HttpResponse(changed_since(view, have), content_type="application/json")


def parts_of(view: View) -> dict[str, bytes]:
    """Every part as JSON by its name, in an order that is always the same: ``head``,
    ``board.rows``, ``board.calls.3``."""
    found = {name: to_json(getattr(view, name)) for name in View.model_fields if name != "board"}
    for field in fields(view.board):
        if field.name != "calls":
            found[f"board.{field.name}"] = to_json(getattr(view.board, field.name))
    for number, cards in enumerate(_by_unit(view.board.calls)):
        found[f"board.calls.{number}"] = to_json(cards)
    return found


def changed_since(view: View, have: str) -> bytes:
    """As JSON: the parts whose digests are not among those that the caller has, and all digests."""
    parts = parts_of(view)
    digests = [blake2b(body, digest_size=6).hexdigest() for body in parts.values()]
    held = have.split(".")
    known = held if len(held) == len(parts) else [""] * len(parts)
    told = [
        b"%s:%s" % (to_json(name), body)
        for (name, body), digest, old in zip(parts.items(), digests, known, strict=True)
        if digest != old
    ]
    return b'{"parts":{%s},"digests":%s}' % (b",".join(told), to_json(".".join(digests)))


def _by_unit(cards: list[CallCard]) -> list[list[CallCard]]:
    """The cards in so many runs of whole units; some are empty where there are few."""
    units = {unit: number for number, unit in enumerate(dict.fromkeys(one.unit for one in cards))}
    found: list[list[CallCard]] = [[] for _ in range(CALL_PARTS)]
    for card in cards:
        found[units[card.unit] * CALL_PARTS // max(CALL_PARTS, len(units))].append(card)
    return found
