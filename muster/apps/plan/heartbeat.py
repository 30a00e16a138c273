"""Whether a task worker lives."""

from __future__ import annotations

import os
import socket
from datetime import timedelta

from muster.apps import clock
from muster.apps.plan.models import WorkerBeat

BEAT_EVERY_S = 5.0
SILENT = timedelta(seconds=20)
FORGOTTEN = timedelta(days=1)


def beat() -> None:
    """Show that this worker lives; drop workers that have been silent for a day."""
    now = clock.now()
    name = f"{socket.gethostname()[:60]}/{os.getpid()}"
    WorkerBeat.objects.update_or_create(worker=name, defaults={"at": now})
    WorkerBeat.objects.filter(at__lt=now - FORGOTTEN).delete()


def worker_lives() -> bool:
    """Whether any worker showed itself lately."""
    return WorkerBeat.objects.filter(at__gt=clock.now() - SILENT).exists()
