"""Versioned documents: each change is a new version, and undo is a new one that repeats an old.

Shared by everything that a user changes by commands: a muster's choices, his house.
"""

from __future__ import annotations

from collections.abc import Iterable
from datetime import timedelta
from typing import Protocol, TypeVar

from django.db import models
from django.db.models import Model, QuerySet

from muster.apps import clock

KEPT = 60
"""The newest versions are kept, so many of them; older ones go a day after they were made. So undo
reaches back over every change of the last day, and over sixty at least."""

KEPT_FOR = timedelta(days=1)


class Numbered(Protocol):
    """A version as undo sees it."""

    number: models.PositiveIntegerField[int, int]
    undoes: models.PositiveIntegerField[int | None, int | None]


Row = TypeVar("Row", bound=Model)


class Outdated(Exception):
    """The change saw an older version; ``changed`` says what came since."""

    def __init__(self, changed: list[str]) -> None:
        super().__init__("outdated")
        self.changed = changed


def undoable(rows: Iterable[Row], first: int) -> Row | None:
    """The newest version that neither is an undo nor was undone, of ``rows`` from the newest down.

    What was before it must be known: its row is kept, or its number is ``first``, before which
    nothing needed keeping.
    """
    rows = list(rows)
    numbers = {row.number for row in rows}  # type: ignore[attr-defined]
    gone: set[int] = set()
    for row in rows:
        number, undoes = row.number, row.undoes  # type: ignore[attr-defined]
        if undoes is not None:
            gone.add(undoes)
        elif number not in gone:
            return row if number - 1 in numbers or number == first else None
    return None


def prune(rows: QuerySet[Row], newest: int) -> None:
    """Let go of versions that are old in number and in time; ``newest`` is the number just made."""
    rows.filter(number__lte=newest - KEPT, made_at__lt=clock.now() - KEPT_FOR).delete()
