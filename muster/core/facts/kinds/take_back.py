"""A fact never was."""

from __future__ import annotations

from muster.core.facts.fact import Fact, Kind, Told, kind


@kind("take_back")
class TakeBack(Kind):
    """The fact ``of`` never was. Facts are never edited: this is how one is undone."""

    def tell(self, fact: Fact, told: Told) -> None:
        """Nothing of its own: the replay leaves out what it takes back."""
