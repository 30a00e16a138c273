"""Musters, and every version of their choices: undo is a new version that repeats an old one."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from muster.core.choices import CHOICES
from muster.core.choices import Choices as ChoicesDocument


class Muster(models.Model):
    """The whole job."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    version = models.PositiveIntegerField(default=1)
    made_at = models.DateTimeField(auto_now_add=True)


class Version(models.Model):
    """The choices as they stood after a command. ``undoes``: the version that it goes back on."""

    muster = models.ForeignKey(Muster, on_delete=models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    choices = models.JSONField()
    label = models.CharField(max_length=200)
    undoes = models.PositiveIntegerField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["muster", "number"], name="muster_version_once")
        ]

    def value(self) -> ChoicesDocument:
        """The choices as the core knows them."""
        return CHOICES.validate_python(self.choices)
