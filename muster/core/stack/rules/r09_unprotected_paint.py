"""White spirit over paint that nothing protects."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.layer import WHOLE
from muster.core.stack.walk import ExposedLayer, Walk, meant_for


@rule(9, "unprotected paint", "white spirit comes over enamel, oil or fresh paint not sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error where it dissolves; a note where it only stains matt acrylic, said once."""
    stained = False
    for step in walked.steps:
        film = step.layer
        if film.carrier != "white spirit" or not film.lays or film.technique.act == "fix":
            continue
        bare = [
            met
            for met in step.exposed
            if not met.sealed and met.layer.lays and not meant_for(film, met.layer)
        ]
        seal = Insert("seal it first", seal_before(step), film.pass_.key)
        oily = [met for met in bare if _is_oily(met)]
        soft = [met for met in oily if met.state < State.CURED]
        dissolved = soft or [met for met in oily if _is_bare_coat(met)]
        if dissolved and film.medium and film.grade >= Grade.BRUSH:
            met = dissolved[0]
            words = (
                f"white spirit of '{film.name}' dissolves '{met.layer.name}' of "
                f"{duration(met.age)}, which nothing seals"
            )
            repairs = (seal,) if met.state >= State.RECOATABLE else ()
            yield Finding("unprotected paint", "error", words, film.pass_.key, repairs)
            continue
        matt = [met for met in bare if _is_matt_acrylic(met)]
        wanted = walked.habits.wash_ground == "matt" or walked.recipe.kind == "building"
        if matt and not stained and not wanted:
            stained = True
            words = (
                f"white spirit of '{film.name}' stains the matt '{matt[0].layer.name}': wanted on "
                "mortar and timber; elsewhere seal first, and it can be taken back"
            )
            yield Finding("unprotected paint", "note", words, film.pass_.key, (seal,))


def _is_oily(met: ExposedLayer) -> bool:
    """Enamel or oil over at least half of its zone."""
    medium = met.layer.medium
    return medium is not None and medium.family == "oily" and met.layer.cover >= 0.5


def _is_bare_coat(met: ExposedLayer) -> bool:
    """A coat of colour that seals nothing, itself least of all."""
    seals = met.layer.medium is not None and met.layer.medium.seals
    return not seals and met.layer.does(TechniqueTrait.HIDES)


def _is_matt_acrylic(met: ExposedLayer) -> bool:
    """A whole coat of matt acrylic: its pores drink what is thinned."""
    layer = met.layer
    if layer.medium is None or layer.medium.family != "acrylic" or layer.medium.seals:
        return False
    return layer.pass_.finish in (None, "matt") and layer.cover >= WHOLE
