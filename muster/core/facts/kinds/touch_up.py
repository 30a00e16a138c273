"""A model needs touching up."""

from __future__ import annotations

from muster.core.facts.fact import Fact, Kind, Told, kind, touch_key


@kind("touch_up")
class TouchUp(Kind):
    """A model's pass needs touching up."""

    of_unit = True
    of_model = True

    def tell(self, fact: Fact, told: Told) -> None:
        """What was touched up before counts no more."""
        for key in fact.pass_keys:
            told.touch_ups.add((fact.unit, fact.model, key))
            told.ticks.pop((fact.unit, fact.model, touch_key(key)), None)
