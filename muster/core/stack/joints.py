"""Joints: which two materials meet where something is glued, and what was painted there."""

from __future__ import annotations

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import JOINTS
from muster.core.recipes.recipe import Pass
from muster.core.stack.walk import Step, Walk
from muster.core.vocabulary import Material

SCRAPE = Pass(
    key="scrape",
    name="scrape the joints",
    technique="scrape",
    minutes=2,
    note="Bare faces where it will be glued, and clear bores.",
)


def sides(walked: Walk, step: Step) -> tuple[Material | None, Material | None]:
    """The two materials that a glue joins; None for one that nobody has said.

    Those of the pass itself; else its part's and the rest's. A kit is assembled from one material.
    """
    known, one = walked.tables.materials, step.layer.pass_
    if len(one.materials) == 2:
        return known.get(one.materials[0]), known.get(one.materials[1])
    glass: Material | None = "clear" if any(walked.is_clear(zone) for zone in one.zones) else None
    body = known.get(walked.recipe.material)
    if len(one.materials) == 1:
        return known.get(one.materials[0]), body
    if glass is not None:
        return glass, body
    own = {row.part: row.material for row in walked.recipe.materials}
    if one.part is not None and one.part in own:
        return known.get(own[one.part]), body
    if step.layer.does(TechniqueTrait.CUTS_PARTS) or one.part is not None:
        return body, body
    return body, None


def painted_before(walked: Walk, step: Step) -> list[Step]:
    """The passes that laid paint or varnish on the faces of a joint, the last first.

    Of a part or zones that are named, those; else of the whole model. Faces that were left out,
    masked while they were painted, or scraped since are free.
    """
    one = step.layer.pass_
    found: list[Step] = []
    masked = False
    # Who keeps a part's joints free under its colour does so all along.
    free = {
        before.layer.pass_.part
        for before in walked.before(step)
        if before.layer.pass_.part and JOINTS in before.layer.pass_.all_but
    }
    for before in walked.before(step):
        film = before.layer
        same = one.part is None or film.pass_.part in (None, one.part)
        if film.does(TechniqueTrait.ABRADES) and same:
            found.clear()
        if film.does(TechniqueTrait.COVERS_UP) and same:
            masked = True
        elif film.technique.act == "mask":
            masked = False
        meets = set(film.zones) & set(step.layer.zones)
        if film.lays and meets and not masked and film.pass_.part not in free:
            if JOINTS not in film.pass_.all_but:
                found.append(before)
    return found[::-1]
