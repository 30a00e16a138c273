"""Keeping a user's shelf: labels, and what was found out of each paint."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import QuerySet
from django.http import Http404

from muster.apps import clock
from muster.apps.colour.models import Paint, PaintFact, Pot
from muster.apps.colour.paint_usage import used_from
from muster.apps.colour.queries import shelf_entries
from muster.apps.devices.scale import SimulatedScale, ml_of
from muster.core.colour.owned import PAINT, READING, OwnedPaint, Reading
from muster.core.colour.shelf import MOST_PAINTS
from muster.core.errors import DomainError
from muster.core.formats.shelf import complaints_of


def own_paint(user: User, paint_id: int) -> Paint:
    """The user's paint, on his shelf. Raises Http404 where it is not."""
    row = Paint.objects.filter(owner=user, pk=paint_id, gone=False).first()
    if row is None:
        raise Http404
    return row


@transaction.atomic
def keep_paints(user: User, paints: list[OwnedPaint]) -> None:
    """Put paints on the shelf, with their swatches: all or none.

    Raises DomainError where the shelf is full, or a paint cannot hold.
    """
    count = Paint.objects.filter(owner=user, gone=False).count()
    if count + len(paints) > MOST_PAINTS:
        raise DomainError(
            f"{count} paints and {len(paints)} more: a shelf holds {MOST_PAINTS}; take off what is "
            "used up"
        )
    _refuse_odd(*paints)
    for one in paints:
        label = _label(one, one.left_ml)
        row = Paint.objects.create(owner=user, document=label, made_at=clock.now())
        for swatch in one.swatches:
            add_swatch(row, swatch)


def keep_unknown(user: User, paints: list[OwnedPaint]) -> None:
    """Put those on the shelf that are not there yet, by name, range and code. Raises as above."""
    keep_paints(user, told_apart(user, paints)[1])


def told_apart(user: User, paints: list[OwnedPaint]) -> tuple[list[OwnedPaint], list[OwnedPaint]]:
    """Those that are on the shelf already, and those that are not."""
    names = {entry.paint.twin_key for entry in shelf_entries(user.pk)}
    known = [one for one in paints if one.twin_key in names]
    return known, [one for one in paints if one.twin_key not in names]


def change_label(user: User, paint_id: int, paint: OwnedPaint) -> None:
    """Change a label; what is left is weighed, not typed over.

    Raises Http404 where the paint is not his, DomainError where it cannot hold.
    """
    row = own_paint(user, paint_id)
    _refuse_odd(paint)
    row.document = _label(paint, row.document.get("left_ml"))
    row.save(update_fields=["document"])


def take_off(user: User, paint_id: int, back: bool) -> None:
    """Take a paint off the shelf, or put it back. Raises Http404 where it is not his."""
    if not Paint.objects.filter(owner=user, pk=paint_id).update(gone=not back):
        raise Http404


def weigh(user: User, paint_id: int, grams: float | None) -> None:
    """Weigh a pot, on the simulated scale where no weight is given.

    Raises Http404 where the paint is not his, DomainError for less than an empty pot weighs.
    """
    weigh_all(user, [(own_paint(user, paint_id).pk, grams)])


def weigh_all(user: User, pots: list[tuple[int, float | None]]) -> None:
    """Weigh pots by their paints' ids: all or none.

    Raises DomainError for less than an empty pot weighs.
    """
    now = clock.now()
    paints = {one.id: one.paint for one in used_from(user, shelf_entries(user.pk))}
    complaints, facts = [], []
    for paint_id, stated in pots:
        paint = paints[paint_id]
        grams = SimulatedScale(int(now.timestamp())).grams(paint) if stated is None else stated
        if grams < paint.tare_g * 0.5:
            complaints.append(
                f"{paint.name}: {grams:g} g is less than half of the empty pot ({paint.tare_g:g} "
                "g): weigh pot and paint together, or correct the pot's weight"
            )
        kind, ml = PaintFact.Kind.WEIGHED, ml_of(grams, paint)
        facts.append(PaintFact(paint_id=paint_id, kind=kind, at=now, ml=ml))
    if complaints:
        raise DomainError(*complaints)
    PaintFact.objects.bulk_create(facts)


def buy(user: User, paint_id: int, ml: float) -> None:
    """More of it came. Raises Http404 where the paint is not his."""
    own_paint(user, paint_id).facts.create(kind=PaintFact.Kind.BOUGHT, at=clock.now(), ml=ml)


def add_swatch(row: Paint, reading: Reading, pot: Pot | None = None) -> None:
    """A swatch was read, or a pot taught it: the paint learns from it."""
    document = READING.dump_python(reading, mode="json")
    row.facts.create(kind=PaintFact.Kind.SWATCH, at=clock.now(), reading=document, pot=pot)


def forget(user: User, paint_id: int) -> None:
    """The paint forgets all that it learnt: its label counts again. Raises Http404 where it is not
    his."""
    _never_was(PaintFact.objects.filter(paint=own_paint(user, paint_id)))


def unlearn(pot: Pot) -> None:
    """What a pot taught never was: it dried to something else."""
    _never_was(PaintFact.objects.filter(pot=pot))


def _never_was(facts: QuerySet[PaintFact]) -> None:
    swatches = facts.filter(kind=PaintFact.Kind.SWATCH, paintfact__isnull=True)
    now = clock.now()
    PaintFact.objects.bulk_create(
        PaintFact(paint_id=one.paint_id, kind=PaintFact.Kind.TAKE_BACK, at=now, of=one)
        for one in swatches
    )


def take_back(user: User, fact_id: int) -> None:
    """A reading or weighing never was. Raises Http404 where it is not of his shelf."""
    fact = PaintFact.objects.filter(paint__owner=user, pk=fact_id).first()
    if fact is None:
        raise Http404
    fact.paint.facts.create(kind=PaintFact.Kind.TAKE_BACK, at=clock.now(), of=fact)


def _refuse_odd(*paints: OwnedPaint) -> None:
    complaints = [complaint for one in paints for complaint in complaints_of(one)]
    if complaints:
        raise DomainError(*complaints)


def _label(paint: OwnedPaint, left_ml: float | None) -> dict[str, object]:
    raw = PAINT.dump_python(paint, mode="json")
    return {**raw, "swatches": [], "left_ml": left_ml}
