"""The task worker: takes runs off the queue, and brings back those whose worker died."""

from __future__ import annotations

import threading
import time
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import connection

from muster.apps.plan.tasks import reap

REAP_EVERY_S = 10.0


class Command(BaseCommand):
    """``manage.py work``."""

    help = __doc__ or ""

    def handle(self, *args: Any, **options: Any) -> None:
        """Work until ended."""
        threading.Thread(target=self._reap, daemon=True).start()
        call_command("db_worker", interval=0.5)

    def _reap(self) -> None:
        while True:
            time.sleep(REAP_EVERY_S)
            reap()
            connection.close()
