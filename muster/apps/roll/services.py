"""Keeping versions of a muster's choices."""

from __future__ import annotations

from django.contrib.auth.models import User

from muster.apps import versions
from muster.apps.roll.models import Muster, Version
from muster.core.choices import CHOICES, Choices, refuse_too_much
from muster.core.errors import DomainError

MOST_MUSTERS = 50


def keep(muster: Muster, choices: Choices, label: str, undoes: int | None = None) -> None:
    """Write the next version, and let go of those that are too old to be gone back to. Raises
    DomainError for more than a muster can hold."""
    refuse_too_much(choices)
    muster.version += 1
    muster.save(update_fields=["version"])
    Version.objects.create(
        muster=muster,
        number=muster.version,
        choices=CHOICES.dump_python(choices, mode="json"),
        label=label[:200],
        undoes=undoes,
    )
    versions.prune(Version.objects.filter(muster=muster), muster.version)


def begin(owner: User, choices: Choices, label: str = "Begun") -> Muster:
    """A new muster. Raises DomainError where the owner has too many."""
    if Muster.objects.filter(owner=owner).count() >= MOST_MUSTERS:
        raise DomainError(f"you have {MOST_MUSTERS} musters: remove one first")
    muster = Muster.objects.create(owner=owner, version=0)
    keep(muster, choices, label)
    return muster
