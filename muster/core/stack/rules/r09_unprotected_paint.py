"""White spirit over paint that nothing protects."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.walk import Walk, meant_for


@rule(9, "unprotected paint", "white spirit comes over enamel, oil or fresh paint not sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error where it dissolves; a note where it only stains matt acrylic."""
    stained = False
    for step in walked.steps:
        film = step.layer
        if film.carrier != "white spirit" or not film.lays or film.technique.act == "fix":
            continue
        bare = [
            met
            for met in step.exposed
            if not met.sealed
            and met.layer.lays
            and met.layer.medium
            and not meant_for(film, met.layer)
        ]
        soft = [
            met
            for met in bare
            if met.layer.medium
            and met.layer.medium.family == "oily"
            and met.state < State.CURED
            and met.layer.cover >= 0.5
        ]
        cured_enamel = [
            met
            for met in bare
            if met.layer.medium
            and met.layer.cover >= 0.5
            and met.layer.medium.family == "oily"
            and met.state == State.CURED
            and not met.layer.medium.seals
            and met.layer.does(TechniqueTrait.HIDES)
        ]
        seal = Insert("seal it first", seal_before(step), film.one.key)
        if (soft or cured_enamel) and film.medium and film.grade >= 2:
            met = (soft or cured_enamel)[0]
            words = (
                f"white spirit of '{film.name}' dissolves '{met.layer.name}' of "
                f"{duration(met.age)}, "
                f"which nothing seals"
            )
            ready = met.state >= State.RECOATABLE
            yield Finding(
                "unprotected paint", "error", words, film.one.key, (seal,) if ready else ()
            )
            continue
        matt = [
            met
            for met in bare
            if met.layer.medium
            and met.layer.medium.family == "acrylic"
            and not met.layer.medium.seals
            and met.layer.one.finish in (None, "matt")
            and met.layer.cover >= 0.9
        ]
        wanted = walked.habits.wash_ground == "matt" or walked.recipe.kind == "building"
        if matt and not stained and not wanted:
            stained = True
            words = (
                f"white spirit of '{film.name}' stains the matt '{matt[0].layer.name}': wanted on "
                "mortar and timber; elsewhere seal first, and it can be taken back"
            )
            yield Finding("unprotected paint", "note", words, film.one.key, (seal,))
