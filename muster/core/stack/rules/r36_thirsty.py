"""Bare wood, board and plaster drink a wash."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import seal_before
from muster.core.stack.layer import WHOLE
from muster.core.stack.walk import Walk

DRINKS = ("wood", "board", "card", "cork", "plaster")


@rule(36, "thirsty", "bare wood, board or plaster is not sealed before a wash")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once; any film that covers it whole is seal enough."""
    for step in walked.steps:
        film = step.layer
        if film.material not in DRINKS or not film.lays:
            continue
        if film.grade >= Grade.FLOOD and film.does(TechniqueTrait.FLOWS):
            bare = [
                zone
                for zone, met in step.by_zone.items()
                if not any(one.layer.cover >= WHOLE for one in met)
            ]
            if bare:
                words = f"bare {film.material} drinks '{film.name}' in blotches: seal it"
                repair = Insert("seal it first", seal_before(step), film.pass_.key)
                yield Finding("thirsty", "note", words, film.pass_.key, (repair,))
                return
