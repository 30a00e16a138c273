"""The facts of a muster, of which only those are read that were not read before.

Facts are append-only, so what a process has read stays true: it asks for what came since, and for
how many there are; where the two do not add up it reads them all.
"""

from __future__ import annotations

import threading
from collections import OrderedDict
from dataclasses import dataclass, field
from datetime import datetime
from uuid import UUID

from muster.apps.roll.models import Muster
from muster.core.facts.fact import Fact

MOST_MUSTERS = 64
"""Whose facts a process keeps: those that were read last."""


@dataclass
class _Known:
    rows: dict[UUID, tuple[datetime, datetime, Fact]] = field(default_factory=dict)
    """By id: when it was, when it came, and the fact."""
    last: datetime | None = None
    """When the newest of them came."""
    ordered: tuple[Fact, ...] = ()
    """As they happened."""


_kept: OrderedDict[tuple[int, datetime], _Known] = OrderedDict()
_lock = threading.Lock()


def facts_of(muster: Muster) -> tuple[Fact, ...]:
    """All facts in the order in which they happened. Two queries; three where some are missing."""
    with _lock:
        known = _kept.setdefault((muster.pk, muster.made_at), _Known())
        _kept.move_to_end((muster.pk, muster.made_at))
        while len(_kept) > MOST_MUSTERS:
            _kept.popitem(last=False)
        _read(muster, known)
        if len(known.rows) != muster.facts.count():
            known.rows, known.last, known.ordered = {}, None, ()
            _read(muster, known)
        if len(known.ordered) != len(known.rows):
            rows = sorted(known.rows.values(), key=lambda row: row[:2])
            known.ordered = tuple(fact for _, _, fact in rows)
        return known.ordered


def _read(muster: Muster, known: _Known) -> None:
    rows = muster.facts.all()
    if known.last is not None:
        rows = rows.filter(made_at__gte=known.last)
    for row in rows:
        if row.pk not in known.rows:
            known.rows[row.pk] = (row.at, row.made_at, row.value())
            known.last = max(known.last or row.made_at, row.made_at)
