"""Facts, append-only."""

from __future__ import annotations

from django.db import models

from muster.apps.roll.models import Muster
from muster.core.facts.fact import FACT
from muster.core.facts.fact import Fact as FactDocument


class Fact(models.Model):
    """One fact, by the id that the client gave it: sent twice, it counts once."""

    id = models.UUIDField(primary_key=True)
    muster = models.ForeignKey(Muster, on_delete=models.CASCADE, related_name="facts")
    document = models.JSONField()
    at = models.DateTimeField()
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["muster", "at"], name="fact_by_muster")]

    def value(self) -> FactDocument:
        """The fact as the core knows it."""
        return FACT.validate_python(self.document)
