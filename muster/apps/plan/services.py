"""Changing a muster: a command, an undo, units that follow a recipe; all or nothing."""

from __future__ import annotations

from dataclasses import replace

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import clock
from muster.apps.build.services import remember
from muster.apps.plan.current import current_plan
from muster.apps.plan.snapshots import recipes_of, snapshot_of
from muster.apps.recipes.queries import newest_version, versions_of
from muster.apps.recipes.services import keep_version
from muster.apps.roll.models import Muster, Version
from muster.apps.roll.queries import (
    all_choices,
    choices_of,
    newest_change,
    own_muster,
    refuse_outdated,
)
from muster.apps.roll.services import keep
from muster.core.choices import Choices
from muster.core.commands.command import Command, applied
from muster.core.commands.verbs.add_unit import AddUnit
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.errors import DomainError
from muster.core.house import House
from muster.core.pipeline import derive, derive_what_can
from muster.core.recipes.expand import expand_recipe, held_by
from muster.core.recipes.recipe import Recipe, complaints_of
from muster.core.snapshot import Snapshot


@transaction.atomic
def change(user: User, muster_id: int, seen: int, wanted: Command) -> Muster:
    """Carry a command out on the version that the caller saw.

    Raises Http404 where the muster is not his, Outdated where another change came before,
    DomainError where the command cannot be, or leaves no problem to plan.
    """
    muster = own_muster(user, muster_id, lock=True)
    refuse_outdated(muster, seen)
    before = choices_of(muster)
    choices, label = applied(wanted, before, clock.now())
    if isinstance(wanted, AddUnit | EditUnit):
        _refuse_missing_recipe(muster, choices)
    keep(muster, choices, label)
    remember(user, before, choices)
    # A choice that leaves something without a plan is refused as a whole; what was so before it
    # does not stand in its way.
    trouble = current_plan(muster).derived.trouble
    if trouble:
        snapshot, _ = snapshot_of(muster)
        recipes = recipes_of(muster, before)
        _refuse_new(snapshot, replace(snapshot, choices=before, recipes=recipes))
    return muster


@transaction.atomic
def undo(user: User, muster_id: int, seen: int) -> Muster:
    """Go back on the newest command that still stands; survives reloads.

    Raises Http404 where the muster is not his, Outdated where another change came before,
    DomainError where there is nothing to take back.
    """
    muster = own_muster(user, muster_id, lock=True)
    refuse_outdated(muster, seen)
    target = newest_change(muster)
    if target is None:
        raise DomainError("there is nothing to take back")
    before = Version.objects.get(muster=muster, number=target.number - 1)
    keep(muster, before.value(), f"Taken back: {target.label}", undoes=target.number)
    return muster


@transaction.atomic
def change_recipe(user: User, new: Recipe, seen: int, follow: list[tuple[int, str]]) -> None:
    """Keep a recipe's next version; ``follow``: musters and their units that follow it at once.

    Raises DomainError where it was changed elsewhere, or cannot hold; Http404 for a muster that is
    not his.
    """
    row = newest_version(user, new.id)
    if row is None or row.number != seen:
        raise DomainError("this recipe was changed elsewhere meanwhile: look at it again")
    complaints = complaints_of(new)
    if complaints:
        raise DomainError(*complaints)
    held = (held_by(one) or ("", 0) for one in new.passes)
    expand_recipe(new, versions_of(user.pk, held))
    keep_version(user, new)
    for muster_id, unit in follow:
        muster = own_muster(user, muster_id)
        wanted = EditUnit("edit_unit", unit, recipe=new.id, recipe_version=new.version)
        change(user, muster_id, muster.version, wanted)


def units_with(user: User, recipe: str) -> list[tuple[int, str, str]]:
    """The units that are painted by a recipe: muster, id and name."""
    return [
        (muster, unit.id, unit.name)
        for muster, _, choices in all_choices(user.pk)
        for unit in choices.units
        if unit.recipe == recipe
    ]


def _refuse_new(snapshot: Snapshot, before: Snapshot) -> None:
    """Raises DomainError for a snapshot that leaves without a plan what ``before`` did not."""
    trouble = derive_what_can(snapshot).trouble
    if not trouble:
        return
    known = {one.words for one in derive_what_can(before).trouble}
    new = [one.words for one in trouble if one.words not in known]
    if not known:
        # It says best what is wrong, as a whole.
        derive(snapshot)
    if new:
        raise DomainError(*new)


def refuse_trouble(user: User, house: House) -> None:
    """Raises DomainError for a house in which something that is planned now could not be."""
    for muster in Muster.objects.filter(owner=user):
        before, _ = snapshot_of(muster)
        _refuse_new(replace(before, house=house), before)


def _refuse_missing_recipe(muster: Muster, choices: Choices) -> None:
    recipes = recipes_of(muster, choices)
    for unit in choices.units:
        if (unit.recipe, unit.recipe_version) not in recipes:
            raise DomainError(f"{unit.name}: there is no such recipe: choose one of yours")
