"""A muster that was painted for a year is read as fast as one begun today."""

from __future__ import annotations

import time
import uuid
from datetime import timedelta
from typing import Any

from django.test import Client

from muster.apps.bench.models import Fact
from muster.apps.plan.read_facts import facts_of
from muster.apps.roll.models import Muster
from tests.conftest import NEW, Clock, post


def told(muster: Muster, held: Clock, many: int) -> None:
    """So many facts: models touched up and done again, over and over."""
    for number in range(many):
        at = held.now - timedelta(days=30) + timedelta(minutes=number)
        document = {
            "id": str(uuid.uuid4()), "kind": ("touch_up", "tick")[number % 2],
            "at": at.isoformat(), "unit": "pikes", "pass_keys": ["under"],
            "model": 1 + number // 2 % 6, "tray": 1,
        }  # fmt: skip
        Fact.objects.create(id=document["id"], muster=muster, at=at, document=document)


def reading_ms(client: Client, *musters: Muster) -> list[float]:
    """How long each takes to read, in turn: what else the machine does falls upon them alike."""
    times: list[list[float]] = [[] for _ in musters]
    for _ in range(20):
        for mine, muster in zip(times, musters, strict=True):
            begun = time.perf_counter()
            assert client.get(f"/api/musters/{muster.pk}").status_code == 200
            mine.append(1000 * (time.perf_counter() - begun))
    # The least: what else the machine does can only add.
    return [min(mine) for mine in times]


def test_two_thousand_facts_cost_a_read_little_more_than_twenty(
    ada: Client, held: Clock, muster: dict[str, Any]
) -> None:
    begun_today = Muster.objects.get(pk=muster["id"])
    painted_long = Muster.objects.get(pk=post(ada, "musters", NEW).body["id"])
    told(begun_today, held, 20)
    told(painted_long, held, 20)
    reading_ms(ada, begun_today, painted_long)
    told(painted_long, held, 1980)
    few, many = reading_ms(ada, begun_today, painted_long)
    print(f"20 facts: {few:.1f} ms, 2000: {many:.1f} ms")
    assert many < 1.35 * few, "a fifth, and what a busy machine adds"


def test_facts_read_bit_by_bit_are_those_read_at_once(
    ada: Client, held: Clock, muster: dict[str, Any]
) -> None:
    kept = Muster.objects.get(pk=muster["id"])
    for many in (1, 3, 7):
        told(kept, held, many)
        at_once = tuple(row.value() for row in kept.facts.order_by("at", "made_at"))
        assert facts_of(kept) == at_once
    # An older phone sends what it kept: its facts lie between those that are there.
    told(kept, held, 2)
    kept.facts.order_by("at").first().delete()
    assert facts_of(kept) == tuple(row.value() for row in kept.facts.order_by("at", "made_at"))
