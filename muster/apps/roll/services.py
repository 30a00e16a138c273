"""Changing a muster: a command, an undo, a whole new one. All or nothing."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import clock
from muster.apps.plan.current import current_plan
from muster.apps.roll.models import Muster, Version
from muster.apps.roll.queries import choices_of, own_muster, recipes_of, refuse_outdated
from muster.core.choices import CHOICES, Choices
from muster.core.commands.command import Command
from muster.core.commands.verbs.add_unit import AddUnit
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.errors import DomainError

MOST_MUSTERS = 50


@transaction.atomic
def command(user: User, muster_id: int, seen: int, wanted: Command) -> Muster:
    """Carry a command out on the version that the caller saw."""
    muster = own_muster(user, muster_id, lock=True)
    refuse_outdated(muster, seen)
    choices, label = wanted.apply(choices_of(muster), clock.now())
    if isinstance(wanted, AddUnit | EditUnit):
        _refuse_missing_recipe(muster, choices)
    keep(muster, choices, label)
    # A choice that leaves no problem to plan is refused as a whole.
    current_plan(muster)
    return muster


@transaction.atomic
def undo(user: User, muster_id: int, seen: int) -> Muster:
    """Go back on the newest command that still stands; survives reloads, reaches to the start."""
    muster = own_muster(user, muster_id, lock=True)
    refuse_outdated(muster, seen)
    target = undoable(muster)
    if target is None:
        raise DomainError("there is nothing to take back")
    before = Version.objects.filter(muster=muster, number__lt=target.number).latest("number")
    keep(muster, before.value(), f"Taken back: {target.label}", undoes=target.number)
    return muster


def undoable(muster: Muster) -> Version | None:
    """The newest version that neither is an undo nor was undone."""
    rows = list(Version.objects.filter(muster=muster).order_by("number").defer("choices"))
    gone = {row.undoes for row in rows if row.undoes is not None}
    standing = [row for row in rows if row.undoes is None and row.number not in gone]
    return standing[-1] if len(standing) > 1 else None


def keep(muster: Muster, choices: Choices, label: str, undoes: int | None = None) -> None:
    """Write the next version."""
    muster.version += 1
    muster.save(update_fields=["version"])
    Version.objects.create(
        muster=muster,
        number=muster.version,
        choices=CHOICES.dump_python(choices, mode="json"),
        label=label[:200],
        undoes=undoes,
    )


def begin(owner: User, choices: Choices, label: str = "Begun") -> Muster:
    """A new muster. Raises Refused where the owner has too many."""
    if Muster.objects.filter(owner=owner).count() >= MOST_MUSTERS:
        raise DomainError(f"you have {MOST_MUSTERS} musters: remove one first")
    muster = Muster.objects.create(owner=owner, version=0)
    keep(muster, choices, label)
    return muster


def _refuse_missing_recipe(muster: Muster, choices: Choices) -> None:
    recipes = recipes_of(muster, choices)
    for unit in choices.units:
        if (unit.recipe, unit.recipe_version) not in recipes:
            raise DomainError(f"{unit.name}: there is no such recipe: choose one of yours")
