"""Recording facts."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import clock
from muster.apps.bench.models import Fact
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.errors import DomainError
from muster.core.facts.fact import FACT
from muster.core.facts.fact import Fact as FactDocument
from muster.core.facts.validation import RefusedFact, sift

MOST_FACTS = 100_000
"""In one muster: some hundred times what painting five hundred models takes."""


@dataclass(frozen=True)
class Recorded:
    """What became of facts that were sent: ids of those that are kept now, and those refused."""

    stored: list[str]
    refused: list[RefusedFact]


@transaction.atomic
def record(user: User, muster_id: int, sent: Iterable[FactDocument | RefusedFact]) -> Recorded:
    """Keep the facts that can be, in the order in which they happened; one sent twice counts once.
    No plan is waited for.

    Raises Http404 where the muster is not his, DomainError where it holds too many.
    """
    muster = own_muster(user, muster_id, lock=True)
    good, refused = sift(sent, choices_of(muster), clock.now())
    others = Fact.objects.filter(pk__in=[fact.id for fact in good])
    known = dict(others.values_list("pk", "muster_id"))
    new = [fact for fact in good if fact.id not in known]
    elsewhere = [str(pk) for pk, where in known.items() if where != muster.pk]
    if new and muster.facts.count() + len(new) > MOST_FACTS:
        raise DomainError(f"a muster holds {MOST_FACTS} facts: export it and begin another")
    keep(muster, new)
    words = "a fact with that id is known already: make a new one"
    refused += [RefusedFact(id_, [words]) for id_ in elsewhere]
    return Recorded([str(one.id) for one in good if str(one.id) not in elsewhere], refused)


def keep(muster: Muster, facts: list[FactDocument]) -> None:
    """Write facts; a phone's clock that is ahead does not bring them into the future."""
    now = clock.now()
    Fact.objects.bulk_create(
        Fact(id=fact.id, muster=muster, document=FACT.dump_python(fact, mode="json"),
             at=min(fact.at, now))
        for fact in facts
    )  # fmt: skip
