"""Reading a user's musters."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db.models import F
from django.http import Http404

from muster.apps import versions
from muster.apps.roll.models import Muster, Version
from muster.apps.versions import Outdated
from muster.core.choices import Choices


def own_muster(user: User, muster_id: int, lock: bool = False) -> Muster:
    """The user's muster. Raises Http404 where it is not his."""
    musters = Muster.objects.select_for_update() if lock else Muster.objects
    muster = musters.filter(owner=user, pk=muster_id).first()
    if muster is None:
        raise Http404
    return muster


def choices_of(muster: Muster) -> Choices:
    """The choices as they stand."""
    return Version.objects.get(muster=muster, number=muster.version).value()


def all_choices(owner_id: int) -> list[tuple[int, int, Choices]]:
    """Every muster of a user as it stands: its number, its version and its choices, the oldest
    first. One query, however many there are and however often each was changed."""
    rows = Version.objects.filter(muster__owner=owner_id, number=F("muster__version"))
    return [(row.muster_id, row.number, row.value()) for row in rows.order_by("muster_id")]


def refuse_outdated(muster: Muster, seen: int) -> None:
    """Raises Outdated where the command saw an older version."""
    if muster.version != seen:
        rows = Version.objects.filter(muster=muster, number__gt=seen).order_by("number")
        raise Outdated([row.label for row in rows[:5]])


def newest_change(muster: Muster) -> Version | None:
    """The newest change that can be taken back."""
    rows = Version.objects.filter(muster=muster).order_by("-number").defer("choices")
    return versions.undoable(rows, first=0)
