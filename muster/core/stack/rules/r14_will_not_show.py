"""An effect shows against what lies under it, and not too much."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.tones import difference, lightness, nearer
from muster.core.stack.walk import Walk

LEAST = 6.0
"""ΔE00 below which an effect is not seen across a table; common practice, no source."""
STARK = 38.0
"""ΔL* above which chips look like droppings; common practice, no source."""


@rule(14, "will not show", "an effect is too near to what lies under it, or too far from it")
def findings(walked: Walk) -> Iterator[Finding]:
    """Effects only: a ramp and a scheme have rules of their own."""
    for step in walked.steps:
        film = step.layer
        if (
            not film.does(TechniqueTrait.EFFECT)
            or film.pass_.colour is None
            or film.does(TechniqueTrait.PROUD)
        ):
            continue
        under = [
            one.layer
            for one in walked.before(step)
            if one.layer.pass_.colour is not None
            and one.layer.lays
            and one.layer.does(TechniqueTrait.HIDES)
            and one.layer.cover >= 0.9
            and set(one.layer.zones) & set(film.zones)
        ]
        if not under or under[-1].pass_.colour is None:
            continue
        ground = under[-1]
        assert ground.pass_.colour is not None
        far = difference(film.pass_.colour, ground.pass_.colour)
        step_l = lightness(film.pass_.colour) - lightness(ground.pass_.colour)
        if far < LEAST:
            words = (
                f"'{film.name}' will not show on '{ground.name}': ΔE00 {far:.1f}, ΔL* {step_l:+.0f}"
            )
            repairs: tuple[Repair, ...] = (
                Change(
                    "a lighter colour",
                    film.pass_.key,
                    (("colour", nearer(film.pass_.colour, ground.pass_.colour, 14.0)),),
                ),
            )
            yield Finding("will not show", "warning", words, film.pass_.key, repairs)
        elif film.does(TechniqueTrait.CHIPS) and step_l > STARK:
            words = (
                f"'{film.name}' is too stark on '{ground.name}': ΔL* {step_l:+.0f}, chips so light "
                "look like droppings"
            )
            value = nearer(film.pass_.colour, ground.pass_.colour, STARK - 10)
            yield Finding(
                "too stark",
                "warning",
                words,
                film.pass_.key,
                (Change("a colour nearer the base", film.pass_.key, (("colour", value),)),),
            )
