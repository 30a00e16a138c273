"""Cautions: what to do, what to wear and where, at the pass that needs it, before it starts.

Usual cautions of the trade. A product's label, its safety data sheet and local rules come first.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from muster.core.craft.climate import Climate
from muster.core.craft.media import MediumTrait
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Recipe
from muster.core.stack.layer import AppliedLayer, apply_all
from muster.core.vocabulary import Material

FIRST = "The product's label, its safety sheet and local rules come first."


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution. ``serious``: asked once a sitting before the call begins."""

    key: str
    words: str
    serious: bool = False


def cautions_of(recipe: Recipe, tables: Tables = DEFAULTS) -> list[Caution]:
    """Every caution of a recipe, in the order of its passes."""
    found: list[Caution] = []
    for film in apply_all(recipe, Climate(), tables):
        for words, serious in _of(film, film.material or "polystyrene"):
            found.append(Caution(film.pass_.key, words, serious))
    return found


def _of(film: AppliedLayer, material: Material) -> Iterator[tuple[str, bool]]:
    does, medium = film.does, film.medium
    solvent = film.carrier in ("white spirit", "lacquer thinner", "alcohol")
    airbrushed = film.pass_.tool == "airbrush" or does(TechniqueTrait.AIRBRUSHES)
    if does(TechniqueTrait.FROM_CAN) or (airbrushed and solvent):
        yield ("Outdoors or extraction; respirator for organic vapour and particles; no flame.",
               True)  # fmt: skip
    elif airbrushed and medium is not None:
        yield "Extraction or a particle mask.", False
    elif solvent:
        yield "Open a window, gloves, close the jar; no flame.", True
    if film.pass_.warm_air and film.carrier == "white spirit":
        yield "No hair dryer over wet white spirit: it can ignite.", True
    if medium is not None and medium.has(MediumTrait.HEATS_RAGS):
        yield "Lay oil-soaked rags flat outdoors or under water: they can heat themselves.", True
    if film.pass_.adhesive in ("superglue", "accelerator"):
        yield "Ventilate, keep it off eyes and skin.", False
    if film.pass_.adhesive == "epoxy" or (
        medium is not None and medium.has(MediumTrait.SENSITISES)
    ):
        yield "Gloves: two-part resins sensitise the skin.", False
    if film.pass_.adhesive == "solvent cement":
        yield "Ventilate; no flame.", False
    shapes = does(TechniqueTrait.ABRADES) or does(TechniqueTrait.CUTS_PARTS)
    if shapes or (film.technique.act == "build" and not does(TechniqueTrait.CLEANS)):
        if material in ("resin", "board", "print", "card"):
            yield (f"Sand {material} wet, with a particle mask: its dust harms the lungs.",
                   True)  # fmt: skip
        if material == "metal":
            yield "Old metal models can hold lead: wash your hands.", False
        if material == "foam":
            yield "Hot wire and hot knife on foam give off fumes: extraction.", True
        if does(TechniqueTrait.CUTS_PARTS):
            yield "Cut away from the hand.", False
