"""A model's pass is done."""

from __future__ import annotations

from dataclasses import replace

from muster.core.facts.fact import Fact, Kind, Tick, Told, kind, touch_key


@kind("tick")
class Ticked(Kind):
    """A model's pass is done, worked from ``start`` to ``at``."""

    of_unit = True
    of_model = True

    def tell(self, fact: Fact, told: Told) -> None:
        """What was to be touched up is done with it; the next model of the call is begun."""
        for key in fact.pass_keys:
            told.ticks[fact.unit, fact.model, key] = Tick(fact.id, fact.start or fact.at, fact.at)
            told.touch_ups -= {
                mark
                for mark in told.touch_ups
                if mark[:2] == (fact.unit, fact.model) and touch_key(mark[2]) == key
            }
        call = told.under_way
        if call and (call.unit, call.pass_keys) == (fact.unit, fact.pass_keys):
            told.under_way = replace(call, since=fact.at)
