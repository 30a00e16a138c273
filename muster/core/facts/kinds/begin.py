"""A call is begun."""

from __future__ import annotations

from muster.core.facts.fact import CallUnderWay, Fact, Kind, Told, kind


@kind("begin")
class Begin(Kind):
    """A call is begun at ``at``; whatever was under way is left."""

    of_unit = True

    def tell(self, fact: Fact, told: Told) -> None:
        """It is under way, and so is its first model."""
        told.under_way = CallUnderWay(
            fact.unit, fact.pass_keys, fact.tray, fact.at, fact.at, paused=False
        )
