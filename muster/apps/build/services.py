"""Remembering kits."""

from __future__ import annotations

from dataclasses import replace

from django.contrib.auth.models import User

from muster.apps.build.models import KnownKit
from muster.core.build.kit import KIT, Kit
from muster.core.build.templates.shape import TEMPLATES
from muster.core.choices import Choices
from muster.core.vocabulary import name_key

MOST_KITS = 200
"""Of one user; beyond them the one that was longest ago gives way."""


def remember(user: User, before: Choices, after: Choices) -> None:
    """Keep the kits that a change touched, as they are now. A template that nobody has named is
    no kit of his."""
    old = {unit.id: unit.build.kit for unit in before.units if unit.build is not None}
    known = {made.name for made in TEMPLATES.values()}
    for unit in after.units:
        kit = unit.build.kit if unit.build is not None else None
        if kit is None or old.get(unit.id) == kit or kit.name in known:
            continue
        document = KIT.dump_python(_without_models(kit), mode="json")
        KnownKit.objects.update_or_create(
            owner=user, key=name_key(kit.name)[:80],
            defaults={"name": kit.name, "document": document},
        )  # fmt: skip
    kept = KnownKit.objects.filter(owner=user).order_by("-changed_at")
    extra = list(kept.values_list("pk", flat=True)[MOST_KITS:])
    if extra:
        KnownKit.objects.filter(pk__in=extra).delete()


def _without_models(kit: Kit) -> Kit:
    """A kit as it is taken from the shelf: models of another unit belong to one muster."""
    return replace(kit, parts=tuple(replace(part, unit=None) for part in kit.parts))


def kits_of(user: User) -> list[Kit]:
    """Every kit that he has built, the newest first."""
    rows = KnownKit.objects.filter(owner=user).order_by("-changed_at")
    return [KIT.validate_python(row.document) for row in rows]
