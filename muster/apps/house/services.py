"""Reading and changing a user's house."""

from __future__ import annotations

from datetime import date

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import versions
from muster.apps.house.models import HouseVersion
from muster.core.errors import DomainError
from muster.core.house import HOUSE, USUAL, House


def newest(owner_id: int) -> HouseVersion | None:
    """The house as it stands; None where nothing was ever said. One query."""
    return HouseVersion.objects.filter(owner=owner_id).order_by("-number").first()


def house_of(owner_id: int) -> tuple[House, int]:
    """The house and its version (0: the usual one)."""
    row = newest(owner_id)
    return (USUAL, 0) if row is None else (row.value(), row.number)


@transaction.atomic
def change(user: User, seen: int, house: House, label: str, undoes: int | None = None) -> int:
    """Keep the next version. Raises DomainError where rows cannot hold, Outdated where another came
    before."""
    house.tables()
    User.objects.select_for_update().get(pk=user.pk)
    row = newest(user.pk)
    number = row.number if row else 0
    if number != seen:
        raise versions.Outdated([row.label] if row else [])
    HouseVersion.objects.create(
        owner=user, number=number + 1, document=HOUSE.dump_python(house, mode="json"),
        label=label[:200], undoes=undoes,
    )  # fmt: skip
    versions.prune(HouseVersion.objects.filter(owner=user), number + 1)
    return number + 1


def await_paint(user: User, seen: int, paint: str, day: date | None) -> int:
    """Say when a paint will be there (None: forget it). Raises Outdated."""
    house, _ = house_of(user.pk)
    when = f"comes on {day}" if day else "is no longer waited for"
    return change(user, seen, house.with_delivery(paint, day), f"{paint} {when}")


def newest_change(user: User) -> HouseVersion | None:
    """The newest change that can be taken back; before the first one the house was as usual."""
    rows = HouseVersion.objects.filter(owner=user).order_by("-number").defer("document")
    return versions.undoable(rows, first=1)


def undo(user: User, seen: int) -> int:
    """Go back on the newest change that stands. Raises DomainError where there is none."""
    target = newest_change(user)
    if target is None:
        raise DomainError("there is nothing to take back")
    row = HouseVersion.objects.filter(owner=user, number=target.number - 1).first()
    house = USUAL if row is None else row.value()
    return change(user, seen, house, f"Taken back: {target.label}", undoes=target.number)
