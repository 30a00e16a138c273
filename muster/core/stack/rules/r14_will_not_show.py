"""An effect shows against what lies under it, and not too much."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace

import numpy as np

from muster.core.colour.spaces import difference as ciede2000
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.appearance import Surface, laid_over, lie_of, paint_of
from muster.core.stack.finding import Change, Finding, Remove, Repair, rule
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.tones import difference, lightness, nearer
from muster.core.stack.walk import Step, Walk

STARK = 38.0
"""ΔL* above which chips look like droppings; common practice, no source."""

LEAST_MARK = 6.0
"""ΔE00 of a mark's own colour against its ground, below which it is not seen across a table; common
practice, no source."""

LEAST: Mapping[str, float] = {"filter": 0.6, "glaze": 0.6, "wash": 2.4, "pin wash": 2.4}
"""ΔE00 that a film must change where it lies thickest, by technique, to be seen at all; common
practice, no source. Others: as a mark."""

PLACES = ("recesses", "flats", "edges")


@rule(14, "will not show", "an effect is too near to what lies under it, or too far from it")
def findings(walked: Walk) -> Iterator[Finding]:
    """Judged dry, against what really lies there: the look of recess, flat and edge before it."""
    for step in walked.steps:
        film = step.layer
        if film.pass_.colour is None or not film.paints or film.does(TechniqueTrait.PROUD):
            continue
        if film.pass_.tried == "good" or not step.layer.zones or film.index == 0:
            continue
        if film.does(TechniqueTrait.TINTS) or film.does(TechniqueTrait.LINE):
            yield from _film(walked, step)
        elif film.purpose == "wear" or film.does(TechniqueTrait.EFFECT):
            yield from _mark(walked, step)


def _film(walked: Walk, step: Step) -> Iterator[Finding]:
    """A wash, a filter or an edge, by what it changes."""
    film = step.layer
    changes = []
    for was, now in _met(walked, step):
        apart = ciede2000(was.lab(), now.lab())
        place = int(np.argmax(apart))
        changes.append((float(apart[place]), was))
    if not changes:
        return
    most, ground_surface = max(changes, key=lambda change: change[0])
    lights = film.does(TechniqueTrait.LIGHTS)
    if lights and ground_surface.lab()[2][0] > TOO_LIGHT:
        # A base that leaves no room for lights is told at the base.
        return
    least = LEAST_LIGHT if lights else LEAST.get(film.technique.name, LEAST_MARK)
    if most >= least:
        return
    lies = lie_of(film.pass_)
    place = int(np.argmax([t * s for t, s in zip(lies.thick, lies.share, strict=True)]))
    ground = ground_surface.lab()[place]
    words = (
        f"'{film.name}' will not show in the {PLACES[place]}: ΔE00 {most:.1f} at most, on a ground "
        f"of L* {ground[0]:.0f}"
    )
    colour = _one_that_shows(film, ground_surface, place, least)
    repairs: tuple[Repair, ...] = (
        Change("a lighter colour", film.pass_.key, (("colour", colour),)),
        Remove("leave it out", film.pass_.key),
    )
    yield Finding("will not show", "warning", words, film.pass_.key, repairs)


STEPS_L = (18.0, 30.0, 42.0, 54.0, 66.0)
"""L* by which a colour is tried farther from its ground."""


def _one_that_shows(film: AppliedLayer, ground: Surface, place: int, least: float) -> str:
    """The film's hue, so much lighter that it shows, as little as that takes."""
    assert film.pass_.colour is not None
    colour = film.pass_.colour
    for step in STEPS_L:
        colour = nearer(film.pass_.colour, ground.hexes[place], step)
        one = replace(film.pass_, colour=colour)
        paint = paint_of(one, film.medium)
        assert paint is not None
        now = laid_over(ground, one, paint, film.pass_.cover)
        if float(ciede2000(ground.lab(), now.lab()).max()) >= least:
            break
    return colour


TOO_LIGHT = 91.0
"""L* of a base above which a rule of its own speaks of its lights."""

LEAST_LIGHT = 2.0
"""ΔE00 that an edge or a light must change; common practice, no source."""


def _mark(walked: Walk, step: Step) -> Iterator[Finding]:
    """A chip, a streak, dust: by its own colour against the flats."""
    film = step.layer
    assert film.pass_.colour is not None
    grounds = [was.hexes[1] for was, _ in _met(walked, step)]
    found = [(difference(film.pass_.colour, ground), ground) for ground in dict.fromkeys(grounds)]
    if not found:
        return
    far, ground = max(found)
    step_l = lightness(film.pass_.colour) - lightness(ground)
    if far < LEAST_MARK:
        words = f"'{film.name}' will not show on its ground: ΔE00 {far:.1f}, ΔL* {step_l:+.0f}"
        colour = nearer(film.pass_.colour, ground, 14.0)
        repair = Change("a lighter colour", film.pass_.key, (("colour", colour),))
        yield Finding("will not show", "warning", words, film.pass_.key, (repair,))
    elif _chips(film) and step_l > STARK:
        words = (
            f"'{film.name}' is too stark on its ground: ΔL* {step_l:+.0f}, chips so light look "
            "like droppings"
        )
        colour = nearer(film.pass_.colour, ground, STARK - 10)
        repair = Change("a colour nearer the base", film.pass_.key, (("colour", colour),))
        yield Finding("too stark", "warning", words, film.pass_.key, (repair,))


def _chips(film: AppliedLayer) -> bool:
    """Chips, by sponge or by brush: small marks of wear that are no film."""
    brushed = film.does(TechniqueTrait.BLOCKS_IN) and film.purpose == "wear" and film.cover < 0.2
    return film.does(TechniqueTrait.CHIPS) or brushed


def _met(walked: Walk, step: Step) -> list[tuple[Surface, Surface]]:
    """What a pass lies on and what becomes of it, each look once."""
    at = step.layer.index
    pairs = {}
    for zone in step.layer.zones:
        was, now = walked.surfaces[zone][at - 1 : at + 1]
        pairs[id(was), id(now)] = was, now
    return list(pairs.values())
