"""Load the demo musters, their dates shifted so that they are alive today."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from django.db import transaction

from muster.apps import clock
from muster.apps.accounts.demo import demo_account, make_demo_account
from muster.apps.colour.services import keep_paints
from muster.apps.exchange.muster_files import keep_document
from muster.apps.plan.current import current_plan
from muster.apps.recipes.services import give_starters
from muster.apps.roll.models import Muster
from muster.core.formats import muster as muster_format
from muster.core.formats import shelf as shelf_format
from muster.core.formats.shift import shift_muster, with_sitting_around

DEMO = Path(__file__).resolve().parents[5] / "demo"
SHELF = "shelf.json"
FILES = ("lock-watch.json", "reed-coast.json")


class Command(BaseCommand):
    """``manage.py load_demo [--fresh]``."""

    help = __doc__ or ""

    def add_arguments(self, parser: CommandParser) -> None:
        """``--fresh``: begin anew."""
        parser.add_argument("--fresh", action="store_true")

    @transaction.atomic
    def handle(self, *args: Any, **options: Any) -> None:
        """Make the demo account and its musters where they are missing."""
        user = demo_account()
        if user is not None and options["fresh"]:
            user.delete()
            user = None
        user = user or make_demo_account()
        if Muster.objects.filter(owner=user).exists():
            return
        give_starters(user)
        keep_paints(user, shelf_format.read((DEMO / SHELF).read_bytes()))
        now = clock.now()
        for name in FILES:
            document = muster_format.read((DEMO / name).read_bytes())
            document = shift_muster(document, now)
            if name == FILES[-1]:
                choices = with_sitting_around(document.choices, now)
                document = replace(document, choices=choices)
            muster = keep_document(user, document)
            current_plan(muster)
