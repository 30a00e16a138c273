"""From the database to a user's shelf."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from muster.apps.colour.models import Paint, PaintFact
from muster.core.colour.calibrate import MOST_SWATCHES
from muster.core.colour.owned import OwnedPaint, Reading


@dataclass(frozen=True)
class ShelfEntry:
    """A paint as its facts tell it: ``paint.left_ml`` as counted at ``since``, with what was bought
    and poured after."""

    id: int
    paint: OwnedPaint
    since: datetime
    swatches: tuple[tuple[int, Reading], ...]
    """With their facts' ids."""

    def less(self, used: Mapping[str, float]) -> ShelfEntry:
        """The same after ticks have used so much of it."""
        if self.paint.left_ml is None:
            return self
        left = max(0.0, self.paint.left_ml - used.get(self.paint.name, 0.0))
        return replace(self, paint=replace(self.paint, left_ml=left))


def shelf_entries(owner_id: int) -> list[ShelfEntry]:
    """Every paint on the shelf, in the order they came. Two queries."""
    rows = list(Paint.objects.filter(owner=owner_id, gone=False).order_by("pk"))
    facts: dict[int, list[PaintFact]] = {row.pk: [] for row in rows}
    found = PaintFact.objects.filter(paint__owner=owner_id, paint__gone=False)
    for fact in found.order_by("at", "pk") if rows else ():
        facts[fact.paint_id].append(fact)
    return [_told(row, facts[row.pk]) for row in rows]


def _told(row: Paint, facts: list[PaintFact]) -> ShelfEntry:
    gone = {fact.of_id for fact in facts if fact.kind == PaintFact.Kind.TAKE_BACK}
    label, since = row.value(), row.made_at
    left = label.left_ml
    swatches: list[tuple[int, Reading]] = []
    for fact in facts:
        if fact.pk in gone:
            continue
        if fact.kind == PaintFact.Kind.WEIGHED:
            left, since = fact.ml, fact.at
        elif fact.kind == PaintFact.Kind.BOUGHT:
            left = (left or 0.0) + fact.ml
        elif fact.kind == PaintFact.Kind.POURED and left is not None:
            left = max(0.0, left - fact.ml)
        elif fact.kind == PaintFact.Kind.SWATCH:
            swatches.append((fact.pk, fact.swatch()))
    # The newest tell of the paint as it is now.
    swatches = swatches[-MOST_SWATCHES:]
    paint = replace(label, left_ml=left, swatches=tuple(one for _, one in swatches))
    return ShelfEntry(row.pk, paint, since, tuple(swatches))
