"""Light paint over dark needs coats to hide it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.colour.kinds import ROWS
from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.layer import WHOLE, AppliedLayer
from muster.core.stack.tones import coats_needed, difference, lightness, shows_through
from muster.core.stack.walk import Step, Walk

SAME_COLOUR = 4.0
"""ΔE00 within which two passes are coats of one colour. Common practice."""

TOLERATED = 5.0
"""ΔE00 of ground that is let pass: one coat more is a matter of taste, and shade and lights follow.
Common practice."""

CAN_COATS = 2
"""Coats that one from a can is worth. Common practice."""


@rule(16, "shows through", "coats do not hide the ground where hiding is meant")
def findings(walked: Walk) -> Iterator[Finding]:
    """Silent for every purpose but hiding: light from above, modulation and mists mean to let the
    ground through. Coats of one colour in several passes count together, at the last."""
    for step in walked.steps:
        film = step.layer
        if not _hides(film) or film.pass_.colour is None or _goes_on(walked, step):
            continue
        ground, coats = _ground(walked, step)
        if ground is None or ground.pass_.colour is None:
            continue
        gap = lightness(film.pass_.colour) - lightness(ground.pass_.colour)
        metal = ROWS["flake"] if film.pass_.finish == "metallic" else ROWS["opaque"]
        paint = (metal.opacity, metal.strength)
        if shows_through(film.pass_.colour, ground.pass_.colour, coats, *paint) <= TOLERATED:
            continue
        needed = coats_needed(film.pass_.colour, ground.pass_.colour, *paint)
        more = film.pass_.coats + needed - coats
        words = (
            f"'{ground.name}' shows through {coats} coat{'s' if coats > 1 else ''} of "
            f"'{film.name}': L* {gap:+.0f}, about {needed} coats hide it"
        )
        repairs: list[Repair] = []
        if more <= MOST_COATS:
            repairs.append(Change(f"{needed} coats", film.pass_.key, (("coats", more),)))
        through = Change("it is to show through", film.pass_.key, (("purpose", "modulate"),))
        repairs.append(through)
        yield Finding("shows through", "warning", words, film.pass_.key, tuple(repairs))


MOST_COATS = 9


def _hides(film: AppliedLayer) -> bool:
    return (
        film.does(TechniqueTrait.HIDES)
        and film.paints
        and film.purpose == "hide"
        and film.cover >= WHOLE
        and not film.does(TechniqueTrait.THICK)
        and not film.medium_has(MediumTrait.POOLS)
    )


def _coats(film: AppliedLayer) -> int:
    return film.pass_.coats * (CAN_COATS if film.does(TechniqueTrait.FROM_CAN) else 1)


def _ground(walked: Walk, step: Step) -> tuple[AppliedLayer | None, int]:
    """What lies under the colour, and the coats of it laid so far."""
    film, coats = step.layer, _coats(step.layer)
    colour = film.pass_.colour
    for before in reversed(walked.before(step)):
        layer = before.layer
        if not layer.paints or layer.pass_.colour is None or layer.cover < WHOLE:
            continue
        if not set(layer.zones) & set(film.zones):
            continue
        if not (layer.does(TechniqueTrait.HIDES) or layer.does(TechniqueTrait.SKINS)):
            continue
        if colour is not None and difference(colour, layer.pass_.colour) < SAME_COLOUR:
            coats += _coats(layer)
            continue
        return layer, coats
    return None, coats


def _goes_on(walked: Walk, step: Step) -> bool:
    """Whether a later pass lays another coat of the same colour, before anything else."""
    film = step.layer
    for after in walked.after(step):
        layer = after.layer
        if not layer.paints or not set(layer.zones) & set(film.zones):
            continue
        same = layer.pass_.colour is not None and film.pass_.colour is not None
        return (
            same
            and layer.does(TechniqueTrait.HIDES)
            and difference(layer.pass_.colour or "", film.pass_.colour or "") < SAME_COLOUR
            and set(film.zones) <= set(layer.zones)
        )
    return False
