"""The task worker: takes runs off the queue, and brings back those whose worker died."""

from __future__ import annotations

import threading
import time
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import DatabaseError, connection

from muster.apps.plan.heartbeat import BEAT_EVERY_S, beat
from muster.apps.plan.tasks import reap
from muster.apps.standing_back import stand_back

NICER = 19
"""So far an improved plan stands back behind whoever waits for an answer."""


class Command(BaseCommand):
    """``manage.py work``."""

    help = __doc__ or ""

    def handle(self, *args: Any, **options: Any) -> None:
        """Work until ended."""
        stand_back(NICER)
        threading.Thread(target=self._look_after, daemon=True).start()
        call_command("db_worker", interval=0.5)

    def _look_after(self) -> None:
        while True:
            try:
                beat()
                reap()
            except DatabaseError:
                self.stderr.write("the database does not answer; trying again")
            connection.close()
            time.sleep(BEAT_EVERY_S)
