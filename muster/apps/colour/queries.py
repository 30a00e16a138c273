"""From the database to a user's shelf."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from muster.apps.colour.models import Paint, PaintFact
from muster.core.by_name import ByName
from muster.core.colour.calibrate import MOST_SWATCHES
from muster.core.colour.names import called, in_full
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
    called: str = ""
    """Its name; of a later paint of the same name, with range and code."""

    @property
    def names(self) -> tuple[str, ...]:
        """What recipes may call it."""
        return tuple(dict.fromkeys((self.called, in_full(self.paint))))


def less(kept: list[ShelfEntry], used: Mapping[str, float]) -> list[ShelfEntry]:
    """The shelf after ticks have used so much of each; of two pots of one paint the first goes
    first."""
    left: ByName[float] = ByName(used)
    found = []
    for one in kept:
        if one.paint.left_ml is None:
            found.append(one)
            continue
        rest = one.paint.left_ml
        for name in one.names:
            taken = min(rest, left.get(name, 0.0))
            left[name] = left.get(name, 0.0) - taken
            rest -= taken
        found.append(replace(one, paint=replace(one.paint, left_ml=rest)))
    return found


def shelf_entries(owner_id: int) -> list[ShelfEntry]:
    """Every paint on the shelf, in the order they came. Two queries."""
    rows = list(Paint.objects.filter(owner=owner_id, gone=False).order_by("pk"))
    facts: dict[int, list[PaintFact]] = {row.pk: [] for row in rows}
    found = PaintFact.objects.filter(paint__owner=owner_id, paint__gone=False)
    for fact in found.order_by("at", "pk") if rows else ():
        facts[fact.paint_id].append(fact)
    told = [_told(row, facts[row.pk]) for row in rows]
    names = called([one.paint for one in told])
    return [replace(one, called=name) for one, name in zip(told, names, strict=True)]


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
