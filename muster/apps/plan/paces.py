"""How long a technique takes at this user's bench, by all that he has ticked."""

from __future__ import annotations

from functools import lru_cache
from statistics import median

from django.db.models import Count

from muster.apps.plan.snapshots import snapshot_of
from muster.apps.roll.models import Muster
from muster.core.pipeline import derive_what_can
from muster.core.work.consumption import paces_of

Stamps = tuple[tuple[int, int, int], ...]


def paces(owner_id: int) -> dict[str, float]:
    """By technique, how many times the table's minutes a model takes. One query; more where
    something was ticked since it was last asked for in this process."""
    rows = Muster.objects.filter(owner_id=owner_id).annotate(told=Count("facts"))
    return _paces(tuple(rows.filter(told__gt=0).values_list("pk", "version", "told")))


@lru_cache(maxsize=256)
def _paces(stamps: Stamps) -> dict[str, float]:
    found: dict[str, list[float]] = {}
    for muster in Muster.objects.filter(pk__in=[pk for pk, _, _ in stamps]):
        snapshot, _ = snapshot_of(muster)
        derived = derive_what_can(snapshot)
        for technique, times in paces_of(derived.calls.values(), derived.state).items():
            found.setdefault(technique, []).append(times)
    return {technique: median(times) for technique, times in found.items()}
