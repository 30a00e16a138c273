"""A gaming model wants a last coat; what should shine comes after it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, Move, rule
from muster.core.stack.formatting import join_words, key_behind, varnish
from muster.core.stack.layer import SMALL, AppliedLayer
from muster.core.stack.masks import masked
from muster.core.stack.walk import Step, Walk

MATT = varnish("matt", "matt coat", "matt")


@rule(12, "no final coat", "no varnish covers the model at the end, or matt lies over what shines")
def findings(walked: Walk) -> Iterator[Finding]:
    """The final coat once for the recipe; each late coat at its pass."""
    if walked.recipe.use == "played" and not walked.effects_only and walked.recipe.kind != "base":
        yield from _last_coat(walked)
    for step in walked.steps:
        if step.layer.seals and step.layer.pass_.finish == "matt":
            yield from _late(walked, step)


def _late(walked: Walk, step: Step) -> Iterator[Finding]:
    film = step.layer
    for before in walked.before(step):
        layer = before.layer
        zones = set(layer.zones) & set(film.zones)
        if not zones and not film.pass_.zones and not film.pass_.part:
            # A matt coat over the whole model reaches painted glass that nobody masks.
            glass = {zone for zone in layer.zones if walked.is_clear(zone)}
            zones = glass - set(film.pass_.all_but)
        if zones and layer.paints and _shines(walked, layer) and not masked(walked, step, zones):
            words = (
                f"matt '{film.name}' lies over '{layer.name}', which is to shine: mask it, or do "
                "it afterwards"
            )
            move = Move(f"'{layer.name}' after it", layer.pass_.key, key_behind(walked, step))
            yield Finding("late coat", "warning", words, film.pass_.key, (move,))
            return


def _shines(walked: Walk, layer: AppliedLayer) -> bool:
    """Whether it is meant to shine: by its finish, or because it lies on glass."""
    if layer.seals or layer.technique.act != "lay":
        return False
    glass = any(walked.is_clear(zone) for zone in layer.pass_.zones)
    return glass or layer.pass_.finish in ("gloss", "metallic")


def _last_coat(walked: Walk) -> Iterator[Finding]:
    if not any(step.layer.paints for step in walked.steps):
        return
    sealed_once = any(step.layer.seals or step.layer.toughened for step in walked.steps)
    apart = {
        zone
        for step in walked.steps
        for zone in (*step.layer.besides, *(step.layer.zones if step.layer.pass_.part else ()))
    }
    if not sealed_once:
        apart = set()
    bare: list[str] = []
    glossy: list[tuple[str, str]] = []
    worked: list[tuple[str, str]] = []
    for zone in walked.final:
        if walked.is_clear(zone) or zone in apart:
            continue
        over, seal = _above_the_seal(walked, zone)
        if seal is None:
            bare.append(zone)
        elif over:
            worked.append((zone, over[0].name))
        elif _gloss_unmeant(seal):
            glossy.append((zone, seal.name))
    if bare and not (sealed_once and _hidden(walked, bare)):
        where = "the model" if len(bare) == len(_seen(walked)) else join_words(sorted(bare))
        words = f"nothing seals {where} at the end: paint wears off where it is handled"
        yield _finding(walked, words)
    elif worked:
        words = f"'{worked[0][1]}' comes after the last varnish: it wears off where it is handled"
        yield _finding(walked, words)
    elif glossy:
        words = f"the model is left as glossy as '{glossy[0][1]}' made it: a matt coat dulls it"
        yield _finding(walked, words)


def _finding(walked: Walk, words: str) -> Finding:
    last: str | None = None
    for step in reversed(walked.steps):
        film = step.layer
        stays = (_stays_open(film) and not film.seals) or film.technique.act in (
            "build",
            "bare",
            "fix",
            "mask",
        )
        if not stays and not (film.paints and _shines(walked, film)):
            break
        last = film.pass_.key
    parts = dict.fromkeys(zone for step in walked.steps for zone in step.layer.zones
                          if walked.is_clear(zone))  # fmt: skip
    coat = replace(MATT, all_but=tuple(parts)) if parts else MATT
    return Finding(
        "no final coat", "warning", words, "", (Insert("a matt coat at the end", coat, last),)
    )


def _seen(walked: Walk) -> list[str]:
    return [zone for zone in walked.final if not walked.is_clear(zone)]


def _hidden(walked: Walk, zones: list[str]) -> bool:
    """Whether these are only what nobody sees or touches."""
    known = walked.zones
    return all(zone in known and known[zone].hidden for zone in zones)


def _above_the_seal(walked: Walk, zone: str) -> tuple[list[AppliedLayer], AppliedLayer | None]:
    """What was laid over the last sealing film of a zone, and that film."""
    over: list[AppliedLayer] = []
    for step in reversed(walked.steps):
        film = step.layer
        if not film.lays or zone not in (*film.zones, *film.besides):
            continue
        if film.seals or film.toughened:
            return over, film
        if not _stays_open(film) and not film.clear:
            over.append(film)
    return over, None


def _stays_open(film: AppliedLayer) -> bool:
    """What properly comes after the last varnish: pigment and what fixes it, mud, grass, what is
    to shine, a dot of gloss."""
    return (
        film.does(TechniqueTrait.DRY)
        or film.technique.act == "fix"
        or film.medium_has(MediumTrait.STAYS_PROUD)
        or film.medium_has(MediumTrait.FIXES)
        or film.does(TechniqueTrait.PROUD)
        or film.pass_.finish in ("gloss", "metallic")
        or (film.cover < SMALL and not film.does(TechniqueTrait.DECALS))
    )


def _gloss_unmeant(seal: AppliedLayer) -> bool:
    """A gloss that was laid over the whole model, for decals or as a dip."""
    glue = seal.medium_has(MediumTrait.SMOOTH)
    gloss = seal.pass_.finish == "gloss" or (glue and seal.pass_.finish is None)
    return gloss and not seal.pass_.zones
