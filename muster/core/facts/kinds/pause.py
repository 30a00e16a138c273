"""The call under way is paused, or goes on."""

from __future__ import annotations

from dataclasses import replace

from muster.core.facts.fact import Fact, Kind, Told, kind


@kind("pause")
class Pause(Kind):
    """The call under way is paused; paused already, it goes on."""

    def tell(self, fact: Fact, told: Told) -> None:
        """The current model counts from now on."""
        if told.under_way:
            paused = not told.under_way.paused
            told.under_way = replace(told.under_way, since=fact.at, paused=paused)
