"""A user's house, each version kept: undo goes back to the one before."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from muster.core.house import HOUSE
from muster.core.house import House as HouseDocument


class HouseVersion(models.Model):
    """The house as it stood after a change. ``undoes``: the version that it goes back on."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    number = models.PositiveIntegerField()
    document = models.JSONField()
    label = models.CharField(max_length=200)
    undoes = models.PositiveIntegerField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["owner", "number"], name="house_version_once")
        ]

    def value(self) -> HouseDocument:
        """The house as the core knows it."""
        return HOUSE.validate_python(self.document)
