"""The glue of a joint: by the two materials that meet, with the times that it takes."""

from __future__ import annotations

from dataclasses import dataclass

from muster.core.build.kit import Joint, Kit
from muster.core.craft.adhesives import NO_GLUE, TIMES, GlueTimes
from muster.core.craft.tables import Tables
from muster.core.recipes.recipe import Recipe
from muster.core.vocabulary import Material


@dataclass(frozen=True, slots=True)
class JointGlue:
    """What holds a joint: the glue (none where it is held otherwise), its minutes until it is set,
    can be handled, is at full strength; ``right``: whether it holds these two; ``usual``: the
    glue of the pair."""

    name: str | None
    times: GlueTimes
    materials: tuple[Material, Material]
    right: bool
    usual: str = ""


def material_of(kit: Kit, part: str, recipe: Recipe, tables: Tables) -> Material:
    """Of what a part is made: as the kit says, else the recipe of that part, else of the whole."""
    found = kit.part(part)
    if found is not None and found.material is not None:
        return found.material
    own = {row.part: row.material for row in recipe.materials}
    known = tables.materials
    return known.get(own.get(part, "")) or known.get(recipe.material) or "polystyrene"


def glue_of(joint: Joint, kit: Kit, recipe: Recipe, tables: Tables) -> JointGlue:
    """The glue of a joint: the user's own, else the usual one of the pair."""
    one = material_of(kit, joint.part, recipe, tables)
    two = material_of(kit, joint.onto, recipe, tables)
    if joint.hold != "glue":
        return JointGlue(None, NO_GLUE, (one, two), True)
    usual = tables.holding(one, two)[0]
    name = joint.adhesive or usual
    right = name not in tables.glues or tables.holds(name, one, two)
    return JointGlue(name, tables.glues.get(name, TIMES["epoxy"]), (one, two), right, usual)
