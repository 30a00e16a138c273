"""White spirit over paint that nothing protects."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, MediumTrait, State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.attack import at_home
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.formatting import duration, own_wait_before, seal_before
from muster.core.stack.layer import WHOLE
from muster.core.stack.walk import ExposedLayer, Step, Walk, intended, worked_kinds

DRINKS = ("wood", "board", "card", "cork", "plaster")
"""Materials whose mortar and grain a wash is meant to stain."""


@rule(9, "unprotected paint", "white spirit floods over enamel, oil or fresh paint not sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error where it dissolves; a note where it only stains matt acrylic, said once."""
    stained = False
    for step in walked.steps:
        film = step.layer
        if film.carrier != "white spirit" or film.technique.act not in ("lay", "work"):
            continue
        if step.layer.pass_.tried == "lifted":
            continue
        seal = Insert("seal it first", seal_before(step), film.pass_.key)
        dissolved = [met for met in step.exposed if _dissolves(step, met)]
        if dissolved:
            yield _finding(walked, step, dissolved[0], seal)
            continue
        matt = [met for met in step.exposed if not met.sealed and _is_matt_acrylic(met)]
        wanted = (
            walked.habits.wash_ground == "matt"
            or walked.recipe.kind == "building"
            or film.material in DRINKS
        )
        washes = film.does(TechniqueTrait.TINTS) or film.does(TechniqueTrait.LINE)
        if matt and not stained and not wanted and washes and film.purpose != "light":
            stained = True
            words = (
                f"white spirit of '{film.name}' stains the matt '{matt[0].layer.name}': wanted on "
                "mortar and timber; elsewhere seal first, and it can be taken back"
            )
            yield Finding("unprotected paint", "note", words, film.pass_.key, (seal,))


def _dissolves(step: Step, met: ExposedLayer) -> bool:
    """Whether it floods or scrubs, and what it meets has not the strength to stand that."""
    film, medium = step.layer, met.layer.medium
    # What is scrubbed floods the films below the one that it works.
    grade = min(film.grade, Grade.FLOOD) if film.technique.act == "work" else film.grade
    if met.sealed or medium is None or grade < Grade.FLOOD:
        return False
    if film.technique.act == "work" and (
        met.layer.index in intended(step)
        or (medium.kind in worked_kinds(step) and met.state >= State.RECOATABLE)
    ):
        return False
    if medium.has(MediumTrait.LOOSE) or medium.has(MediumTrait.DECAL):
        return False
    least = medium.least("white spirit", met.state)
    return least is not None and grade >= least and not at_home(film, met.layer, met.state)


def _finding(walked: Walk, step: Step, met: ExposedLayer, seal: Insert) -> Finding:
    film = step.layer
    words = (
        f"white spirit of '{film.name}' dissolves '{met.layer.name}' of {duration(met.age)}, "
        "which nothing seals"
        + (f" and which cures in {duration(met.layer.cured)}" if met.layer.cured < 1e9 else "")
    )
    repairs: list[Repair] = []
    before = own_wait_before(walked, step)
    if before is not None:
        repairs.append(Change("wait as long as it needs", before, (("stand_min", None),)))
    if met.state >= State.RECOATABLE and film.lays:
        repairs.append(seal)
    return Finding("unprotected paint", "error", words, film.pass_.key, tuple(repairs))


def _is_matt_acrylic(met: ExposedLayer) -> bool:
    """A whole coat of matt acrylic: its pores drink what is thinned."""
    layer = met.layer
    if layer.medium is None or layer.medium.family != "acrylic" or layer.clear or layer.toughened:
        return False
    return layer.pass_.finish in (None, "matt") and layer.cover >= WHOLE
