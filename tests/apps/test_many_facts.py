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
from tests.conftest import Clock


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


def reading_ms(client: Client, muster: Muster) -> float:
    times = []
    for _ in range(15):
        begun = time.perf_counter()
        assert client.get(f"/api/musters/{muster.pk}").status_code == 200
        times.append(1000 * (time.perf_counter() - begun))
    # The least: what else the machine does can only add.
    return min(times)


def test_two_thousand_facts_cost_a_read_little_more_than_twenty(
    ada: Client, held: Clock, muster: dict[str, Any]
) -> None:
    kept = Muster.objects.get(pk=muster["id"])
    told(kept, held, 20)
    few = reading_ms(ada, kept)
    told(kept, held, 1980)
    many = reading_ms(ada, kept)
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
