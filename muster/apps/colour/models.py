"""Paints on a user's shelf, what was found out about them, and pots that were mixed."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from muster.core.colour.owned import PAINT, READING, OwnedPaint, Reading


class Paint(models.Model):
    """A paint: its label, in ``document`` without swatches. ``gone``: taken off the shelf."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    document = models.JSONField()
    made_at = models.DateTimeField()
    gone = models.BooleanField(default=False)

    class Meta:
        indexes = [models.Index(fields=["owner", "gone"], name="paint_shelf")]

    def value(self) -> OwnedPaint:
        """The label as the core knows it."""
        return PAINT.validate_python(self.document)


class PaintFact(models.Model):
    """What was found out: weighed (ml), bought (ml), poured into a pot (ml), or a swatch that was
    read. Append-only; ``take_back``: the fact ``of`` never was; ``pot``: the one that taught it."""

    class Kind(models.TextChoices):
        """What it tells."""

        WEIGHED = "weighed"
        BOUGHT = "bought"
        POURED = "poured"
        SWATCH = "swatch"
        TAKE_BACK = "take_back"

    paint = models.ForeignKey(Paint, on_delete=models.CASCADE, related_name="facts")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    at = models.DateTimeField()
    ml = models.FloatField(default=0)
    reading = models.JSONField(null=True)
    pot = models.ForeignKey("Pot", null=True, on_delete=models.SET_NULL)
    of = models.ForeignKey("self", null=True, on_delete=models.CASCADE)

    def swatch(self) -> Reading:
        """The reading as the core knows it."""
        return READING.validate_python(self.reading)


class Pot(models.Model):
    """A mixed amount: what was really put in, in drops by paint. ``dried``: what it dried to."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=60)
    drops = models.JSONField()
    target = models.CharField(max_length=7)
    predicted = models.CharField(max_length=7)
    dried = models.CharField(max_length=7, blank=True)
    note = models.CharField(max_length=300, blank=True)
    made_at = models.DateTimeField()
    gone = models.BooleanField(default=False)


class Picture(models.Model):
    """A photograph that a colour is taken from: encoded anew, without metadata, its owner's
    alone."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    jpeg = models.BinaryField()
    width = models.IntegerField()
    height = models.IntegerField()
    made_at = models.DateTimeField()


class Target(models.Model):
    """A colour to be matched again: of a unit, from a photograph or typed."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=60)
    colour = models.CharField(max_length=7)
    unit = models.CharField(max_length=60, blank=True)
    picture = models.ForeignKey(Picture, null=True, on_delete=models.SET_NULL)
    made_at = models.DateTimeField()
    gone = models.BooleanField(default=False)
