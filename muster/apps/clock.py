"""The one place where the application reads the clock. Tests and the demo may set it."""

from __future__ import annotations

from datetime import datetime

from django.utils import timezone


def now() -> datetime:
    """Now, aware."""
    return timezone.now()
