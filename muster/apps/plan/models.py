"""Runs of the planner: the best plan so far of one state of a muster; and who works on them."""

from __future__ import annotations

from django.db import models

from muster.apps.roll.models import Muster


class WorkerBeat(models.Model):
    """When a task worker last showed that it lives. One row a worker."""

    worker = models.CharField(max_length=80, primary_key=True)
    at = models.DateTimeField()


class PlanRun(models.Model):
    """A plan for (version, facts), made at once and improved by a worker that holds a lease."""

    class Status(models.TextChoices):
        """How far it is."""

        READY = "ready"
        QUEUED = "queued"
        IMPROVING = "improving"
        DONE = "done"
        STOPPED = "stopped"

    muster = models.ForeignKey(Muster, on_delete=models.CASCADE, related_name="runs")
    version = models.PositiveIntegerField()
    facts = models.PositiveIntegerField()
    house = models.PositiveIntegerField(default=0)
    program = models.CharField(max_length=16, default="")
    """Which program made it: see ``program``."""
    status = models.CharField(max_length=12, choices=Status.choices, default=Status.READY)
    origin = models.DateTimeField()
    made_for = models.DateTimeField()
    problem = models.JSONField(null=True)
    """What a worker improves; none where nobody has asked for more."""
    plan = models.JSONField()
    first_cost_s = models.BigIntegerField(default=0)
    budget_s = models.FloatField(default=0)
    spent_s = models.FloatField(default=0)
    heartbeat = models.DateTimeField(null=True)
    lease = models.UUIDField(null=True)
    moved = models.JSONField(default=list)
    past = models.JSONField(default=list)
    """Chores of plans before this one that lie behind ``made_for``."""
    stop_asked = models.BooleanField(default=False)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["muster", "-id"], name="run_newest")]


class Alternative(models.Model):
    """Changes kept to be laid beside the plan: tried whenever they are looked at, never in force
    until they are taken."""

    muster = models.ForeignKey(Muster, on_delete=models.CASCADE, related_name="alternatives")
    name = models.CharField(max_length=120)
    command = models.JSONField()
    made_at = models.DateTimeField(auto_now_add=True)


class CalendarAddress(models.Model):
    """The private address of a muster's sittings as a calendar: who knows it may read them."""

    muster = models.OneToOneField(Muster, on_delete=models.CASCADE, related_name="calendar")
    secret = models.CharField(max_length=64, unique=True)
    made_at = models.DateTimeField(auto_now_add=True)
