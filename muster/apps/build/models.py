"""Kits as a user knows them: parts, joints, faults and minutes as he last had them."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class KnownKit(models.Model):
    """One kit, by name; the newest that was built of it."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=60)
    key = models.CharField(max_length=80)
    """By which two spellings are one kit."""
    document = models.JSONField()
    changed_at = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "key"], name="kit_once")]
