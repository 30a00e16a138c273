"""Recording facts."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import clock
from muster.apps.bench.models import Fact
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.errors import DomainError
from muster.core.facts.fact import FACT
from muster.core.facts.fact import Fact as FactDocument
from muster.core.facts.validation import refuse_impossible

MOST_FACTS = 100_000
"""In one muster: some hundred times what painting five hundred models takes."""


@transaction.atomic
def record(user: User, muster_id: int, facts: list[FactDocument]) -> Muster:
    """Record facts in the order in which they happened; one sent twice counts once.

    Raises Http404 where the muster is not his, DomainError for a fact that cannot be.
    """
    muster = own_muster(user, muster_id, lock=True)
    now = clock.now()
    refuse_impossible(facts, choices_of(muster), now)
    others = Fact.objects.filter(pk__in=[fact.id for fact in facts])
    if others.exclude(muster=muster).exists():
        raise DomainError("a fact with that id is known already: make a new one")
    if Fact.objects.filter(muster=muster).count() > MOST_FACTS:
        raise DomainError(f"a muster holds {MOST_FACTS} facts: export it and begin another")
    known = set(others.values_list("pk", flat=True))
    keep(muster, [fact for fact in facts if fact.id not in known])
    return muster


def keep(muster: Muster, facts: list[FactDocument]) -> None:
    """Write facts; a phone's clock that is ahead does not bring them into the future."""
    now = clock.now()
    Fact.objects.bulk_create(
        Fact(id=fact.id, muster=muster, document=FACT.dump_python(fact, mode="json"),
             at=min(fact.at, now))
        for fact in facts
    )  # fmt: skip
