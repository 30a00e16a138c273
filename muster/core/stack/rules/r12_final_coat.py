"""A gaming model wants a last coat; what should shine comes after it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, Move, rule
from muster.core.stack.formatting import varnish
from muster.core.stack.walk import Step, Walk

MATT = varnish("matt", "matt coat", "matt")

SHINES = ("wet mud", "mud", "oil stain", "glass", "gloss", "wet")
"""Words by which a pass says that it is to stay wet or bright."""


@rule(12, "no final coat", "no varnish covers the model at the end, or matt lies over what shines")
def findings(walked: Walk) -> Iterator[Finding]:
    """The final coat once for the recipe; each late coat at its pass."""
    if walked.recipe.kind != "base":
        yield from _bare(walked)
    for step in walked.steps:
        film = step.layer
        if not film.seals or film.pass_.finish != "matt":
            continue
        for before in walked.before(step):
            zones = set(before.layer.zones) & set(film.zones)
            clear = any(walked.zones[zone].clear for zone in zones)
            if zones and before.layer.lays and (clear or _shines(before)):
                words = (
                    f"matt '{film.name}' lies over '{before.layer.name}', which is to shine: mask "
                    "it, or do it afterwards"
                )
                behind = walked.steps[film.index + 1 :]
                to = behind[0].layer.pass_.key if behind else None
                yield Finding(
                    "late coat",
                    "warning",
                    words,
                    film.pass_.key,
                    (Move(f"'{before.layer.name}' after it", before.layer.pass_.key, to),),
                )
                break


def _shines(step: Step) -> bool:
    film = step.layer
    if film.seals or film.technique.act != "lay":
        return False
    said = film.pass_.name.lower()
    return any(said == word or said.startswith(f"{word} ") for word in SHINES)


def _bare(walked: Walk) -> Iterator[Finding]:
    painted = [one for one in walked.steps if one.layer.lays and not one.layer.seals]
    if not painted:
        return
    open_ = []
    for zone, stack in walked.final.items():
        if walked.zones[zone].clear:
            continue
        if not any(met.layer.seals for met in stack):
            open_.append(zone)
    if open_:
        every = len(open_) == len([z for z in walked.final if not walked.zones[z].clear])
        where = "the model" if every else ", ".join(sorted(open_))
        words = f"nothing seals {where} at the end: paint wears off where it is handled"
        last: str | None = None
        for step in reversed(walked.steps):
            film = step.layer
            if film.does(TechniqueTrait.DRY) or film.technique.act == "fix" or _shines(step):
                last = film.pass_.key
            else:
                break
        yield Finding(
            "no final coat", "warning", words, "", (Insert("a matt coat at the end", MATT, last),)
        )
