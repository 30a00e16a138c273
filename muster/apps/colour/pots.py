"""Keeping pots: what was mixed, and what it dried to."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404

from muster.apps import clock
from muster.apps.colour.models import Paint, PaintFact, Pot
from muster.apps.colour.queries import ShelfEntry, shelf_entries
from muster.apps.colour.services import add_swatch, own_paint, unlearn
from muster.core.colour.teaching import Lesson, lesson_of
from muster.core.errors import DomainError

MOST_POTS = 300


def own_pot(user: User, pot_id: int) -> Pot:
    """The user's pot that is not empty. Raises Http404 where there is none."""
    pot = Pot.objects.filter(owner=user, pk=pot_id, gone=False).first()
    if pot is None:
        raise Http404
    return pot


@transaction.atomic
def save_pot(
    user: User, drops: list[tuple[ShelfEntry, int]], name: str, target: str, predicted: str,
    note: str,
) -> None:  # fmt: skip
    """Save a pot: the shelf falls by what went into it. Raises DomainError where too many are."""
    if Pot.objects.filter(owner=user, gone=False).count() >= MOST_POTS:
        raise DomainError(f"{MOST_POTS} pots are kept: empty one first")
    now = clock.now()
    Pot.objects.create(
        owner=user, name=name, target=target, predicted=predicted, note=note, made_at=now,
        drops=[{"paint": entry.id, "name": entry.called, "drops": many}
               for entry, many in drops],
    )  # fmt: skip
    for entry, many in drops:
        Paint.objects.get(pk=entry.id).facts.create(
            kind=PaintFact.Kind.POURED, at=now, ml=many * entry.paint.drop_ml
        )


@transaction.atomic
def dry_pot(user: User, pot_id: int, colour: str) -> Lesson | None:
    """Record what a pot dried to: the paints in it learn from that. None where one of them is no
    longer on the shelf. What it had taught before is taken back.

    Raises Http404 where the pot is not his.
    """
    pot = own_pot(user, pot_id)
    unlearn(pot)
    pot.dried = colour
    pot.save(update_fields=["dried"])
    entries = {one.id: one for one in shelf_entries(user.pk)}
    known = [(entries[one["paint"]], one["drops"]) for one in pot.drops if one["paint"] in entries]
    if len(known) < len(pot.drops):
        return None
    lesson = lesson_of([(entry.paint, drops) for entry, drops in known], colour)
    for index, reading in lesson.swatches:
        add_swatch(own_paint(user, known[index][0].id), reading, pot)
    return lesson


def empty_pot(user: User, pot_id: int) -> None:
    """The pot is used up. Raises Http404 where it is not his."""
    pot = own_pot(user, pot_id)
    pot.gone = True
    pot.save(update_fields=["gone"])
