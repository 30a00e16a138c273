"""The call under way is ended."""

from __future__ import annotations

from muster.core.facts.fact import Fact, Kind, Told, kind


@kind("end")
class End(Kind):
    """The call under way is put away, done or not."""

    def tell(self, fact: Fact, told: Told) -> None:
        """Nothing is under way."""
        told.under_way = None
