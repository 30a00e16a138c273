"""Load the demo musters, their dates shifted so that they are alive today."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, time, timedelta
from pathlib import Path
from typing import Any

from django.contrib.auth.models import User
from django.core.management.base import BaseCommand, CommandParser
from django.db import transaction

from muster.apps import clock
from muster.apps.accounts.api import DEMO_NAME
from muster.apps.colour.shelf import keep_paints
from muster.apps.plan.current import current_plan
from muster.apps.recipes.services import give_starters
from muster.apps.roll.files import keep_document
from muster.apps.roll.models import Muster
from muster.core.choices import Choices, Evening
from muster.core.formats import muster as muster_format
from muster.core.formats import shelf as shelf_format

DEMO = Path(__file__).resolve().parents[5] / "demo"
SHELF = "shelf.json"
FILES = ("lock-watch.json", "reed-coast.json")
AHEAD = timedelta(days=28)


class Command(BaseCommand):
    """``manage.py load_demo [--fresh]``."""

    help = __doc__ or ""

    def add_arguments(self, parser: CommandParser) -> None:
        """``--fresh``: begin anew."""
        parser.add_argument("--fresh", action="store_true")

    @transaction.atomic
    def handle(self, *args: Any, **options: Any) -> None:
        """Make the demo account and its musters where they are missing."""
        user, _ = User.objects.get_or_create(username=DEMO_NAME)
        if options["fresh"]:
            user.delete()
            user = User.objects.create(username=DEMO_NAME)
        user.set_unusable_password()
        user.save()
        if Muster.objects.filter(owner=user).exists():
            return
        give_starters(user)
        keep_paints(user, shelf_format.read((DEMO / SHELF).read_bytes()))
        now = clock.now()
        for name in FILES:
            document = muster_format.read((DEMO / name).read_bytes())
            muster = keep_document(user, shifted(document, now, busy=name == FILES[-1]))
            current_plan(muster)


def shifted(
    document: muster_format.MusterFile, now: datetime, busy: bool
) -> muster_format.MusterFile:
    """The file moved by whole weeks, its parade day about four weeks ahead of ``now``."""
    choices = document.choices
    parade = choices.parade_day or now.date()
    weeks = round(((now + AHEAD).date() - parade).days / 7)
    by = timedelta(weeks=weeks)
    evenings = tuple(_moved(one, by) for one in choices.evenings)
    moved = replace(
        choices,
        parade_day=parade + by,
        evenings=evenings,
        rhythm=tuple(replace(one, since=one.since + by) for one in choices.rhythm),
        lost=tuple(replace(one, day=one.day + by) for one in choices.lost),
        moved=tuple(replace(one, day=one.day + by, to=one.to + by) for one in choices.moved),
    )
    if busy:
        moved = with_sitting_now(moved, now)
    facts = tuple(
        replace(fact, at=fact.at + by, start=fact.start + by if fact.start else None)
        for fact in document.facts
    )
    return replace(document, choices=moved, facts=facts)


def _moved(evening: Evening, by: timedelta) -> Evening:
    day = evening.day + by
    return replace(evening, id=f"{day:%Y%m%d}-{evening.start:%H%M}", day=day)


def with_sitting_now(choices: Choices, now: datetime) -> Choices:
    """A sitting covers the moment of starting, so that the bench has something to do."""
    local = now.astimezone(choices.local(date(2000, 1, 1), time(0)).tzinfo)
    start = (local - timedelta(minutes=10)).replace(second=0, microsecond=0)
    end = start + timedelta(hours=2, minutes=30)
    here = Evening(f"{start:%Y%m%d-%H%M}", start.date(), start.time(), end.time())
    evenings = sorted((*choices.evenings, here), key=lambda one: (one.day, one.start))
    return replace(choices, evenings=tuple(evenings))
