"""Light paint over dark needs coats to hide it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.tones import coats_needed, lightness
from muster.core.stack.walk import Walk


@rule(16, "shows through", "coats do not hide the ground where hiding is meant")
def findings(walked: Walk) -> Iterator[Finding]:
    """Silent for dry-brush, glaze, filter, modulation and shading: they mean to let it through."""
    for step in walked.steps:
        film = step.layer
        meant = (
            film.does(TechniqueTrait.HIDES)
            and film.cover >= 0.9
            and not film.does(TechniqueTrait.THICK)
        )
        if not meant or film.pass_.colour is None or "modulat" in film.pass_.name.lower():
            continue
        under = [
            met.layer
            for met in step.exposed
            if met.layer.pass_.colour and met.layer.lays and met.layer.cover >= 0.9
        ]
        if not under or under[0].pass_.colour is None:
            continue
        ground = under[0]
        assert ground.pass_.colour is not None
        gap = lightness(film.pass_.colour) - lightness(ground.pass_.colour)
        needed = coats_needed(film.pass_.colour, ground.pass_.colour)
        if needed > film.pass_.coats:
            words = (
                f"'{ground.name}' shows through {film.pass_.coats} thin coat"
                f"{'s' if film.pass_.coats > 1 else ''} of '{film.name}': L* {gap:+.0f}, about "
                f"{needed} coats hide it"
            )
            yield Finding(
                "shows through",
                "warning",
                words,
                film.pass_.key,
                (Change(f"{needed} coats", film.pass_.key, (("coats", needed),)),),
            )
