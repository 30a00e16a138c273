"""Figures, guns, buildings and ground to start from, in generic terms with invented mixes.

Minutes and set-ups are common practice with no source; waits follow from the layers. Each can be
changed. Vehicles and effects stand in ``starters_vehicles``.
"""

from __future__ import annotations

from typing import Any

from muster.core.recipes.recipe import RECIPE, Recipe
from muster.core.vocabulary import Kind

INK, GREEN, CLOTH, SKIN = "#1c1d1f", "#66703f", "#ece8dc", "#bf8a66"
BRASS, PEAT, SILT, TIMBER = "#a9853f", "#3a2a20", "#8a7a59", "#a8926a"
SLATE, RUST, OXIDE, MARSH, STEEL = "#46586b", "#7a3327", "#6d3a2c", "#4d5a3c", "#8f9498"

# Mixes on tools: what opening one takes, and how long it stays open.
_ON: dict[str, dict[str, Any]] = {
    "airbrush": {"setup_min": 2, "cleanup_min": 3, "open_min": 15},
    "brush": {"setup_min": 1, "cleanup_min": 1, "open_min": 45, "life_min": 120},
    "spray can": {"setup_min": 2, "cleanup_min": 1, "open_min": 30},
    "sponge": {"setup_min": 1, "cleanup_min": 1, "open_min": 30},
}


def a_pass(
    key: str, name: str, technique: str, minutes: float, tool: str | None, mix: str = "",
    colour: str | None = None, **rest: Any,
) -> dict[str, Any]:  # fmt: skip
    """A pass; ``mix`` as '5 Reed green, 2 Silt'."""
    parts = []
    for part in mix.split(", ") if mix else ():
        amount, _, paint = part.partition(" ")
        named = {"name": paint, "parts": int(amount)} if amount.isdigit() else {"name": part}
        parts.append(named)
    return {
        "key": key, "name": name, "technique": technique, "minutes": minutes, "tool": tool,
        "mix": parts, "colour": colour, **_ON.get(tool or "", {}), **rest,
    }  # fmt: skip


def a_recipe(
    code: str, name: str, kind: Kind, *passes: dict[str, Any], material: str = "polystyrene"
) -> Recipe:
    """A recipe's first version."""
    return RECIPE.validate_python(
        {"id": code, "name": name, "kind": kind, "version": 1, "passes": passes,
         "material": material}
    )  # fmt: skip


BLACK = a_pass("undercoat", "undercoat", "spray", 0.5, "airbrush", "Tarn black", INK)
WASHED = a_pass("wash", "wash", "wash", 1, "brush", "1 Peat, 2 water", PEAT)
SEALED = a_pass("matt", "matt coat", "varnish", 0.5, "airbrush", "Matt varnish", finish="matt")
SATIN = a_pass("seal", "seal", "varnish", 2, "airbrush", "Satin varnish", finish="satin")
GLOSS = a_pass("gloss", "gloss coat", "varnish", 2, "airbrush", "Gloss varnish", finish="gloss")
DECALS = a_pass("numbers", "numbers", "decal", 6, None, tier="hand")

FIGURES: tuple[Recipe, ...] = (
    a_recipe(
        "infantry-six", "Infantry in six colours", "figure", BLACK,
        a_pass("base", "base", "brush", 3, "brush", "5 Reed green, 2 Silt", GREEN, coats=2,
               note="Two thin coats; keep it open for touching up."),
        a_pass("cloth", "cloth", "brush", 2.5, "brush", "Pale linen", CLOTH, zones=["cloth"],
               coats=2),
        a_pass("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, zones=["skin"], coats=2),
        a_pass("timber", "timber", "brush", 1, "brush", "Silt", SILT, zones=["weapon"], coats=2),
        a_pass("brass", "brass", "brush", 1, "brush", "Lamp brass", BRASS, zones=["metal"],
               coats=2, tier="hand"),
        WASHED,
        a_pass("lights", "edge lights", "dry-brush", 1, "brush", "3 Reed green, 2 Pale linen",
               "#98a06c", zones=["edges"], tier="hand"),
        SEALED,
    ),
    a_recipe(
        "infantry-light-above", "Infantry over light from above", "figure", BLACK,
        a_pass("light", "white from above", "spray", 0.5, "airbrush", "Lime white", "#e9e8e2",
               coats=2, cover=0.5, note="From above only: light and shade for nothing."),
        a_pass("cloth", "thin cloth", "glaze", 2.5, "brush", "1 Reed green, 3 glaze", GREEN,
               zones=["cloth"], trial="Thin enough that the light shows through."),
        a_pass("gear", "gear", "brush", 2, "brush", "2 Peat, 1 Silt", "#5d4a36", zones=["gear"]),
        a_pass("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, zones=["skin"], coats=2),
        a_pass("metal", "metal", "brush", 1, "brush", "Bright steel", STEEL, zones=["metal"],
               coats=2),
        WASHED, SEALED,
    ),
    a_recipe(
        "white-cloth", "White cloth", "figure",
        a_pass("undercoat", "grey undercoat", "spray", 0.5, "airbrush", "Mist grey", "#9b9c9a"),
        a_pass("base", "off-white base", "brush", 3, "brush", "4 Pale linen, 1 Silt", "#cfc8b6",
               zones=["cloth"], note="Off-white: pure white leaves nothing for the light."),
        a_pass("gear", "gear", "brush", 2, "brush", "2 Peat, 1 Silt", "#5d4a36", zones=["gear"]),
        a_pass("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, zones=["skin"]),
        WASHED,
        a_pass("folds", "folds", "highlight", 2, "brush", "Pale linen", CLOTH, zones=["cloth"]),
        a_pass("high", "high lights", "highlight", 1, "brush", "Lime white", "#f7f6f1",
               zones=["cloth"], tier="hand"),
        SEALED,
    ),
    a_recipe(
        "metal-links", "Metal links and armour", "figure", BLACK,
        a_pass("links", "links", "dry-brush", 1, "brush", "Bright steel", STEEL,
               zones=["metal", "weapon"], note="Before the cloth: a dry-brush strays."),
        a_pass("ink", "dark wash", "wash", 1, "brush", "1 Tarn black, 3 water", INK,
               zones=["metal", "weapon"]),
        a_pass("cloth", "cloth", "brush", 2.5, "brush", "Slate blue", SLATE, zones=["cloth"],
               coats=2),
        a_pass("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, zones=["skin"], coats=2),
        SEALED,
    ),
    a_recipe(
        "mounted", "Mounted", "mounted", BLACK,
        a_pass("cloth", "cloth", "brush", 2.5, "brush", "Pale linen", CLOTH, zones=["gear"],
               coats=3),
        a_pass("coats", "coats", "brush", 5, "brush", "Slate blue", SLATE, coats=2,
               zones=["cloth"]),
        a_pass("ponies", "ponies", "brush", 4, "brush", "3 Peat, 1 Fen clay", "#5b4132",
               zones=["mount"]),
        a_pass("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, zones=["skin"], coats=2),
        a_pass("brass", "brass", "brush", 1.5, "brush", "Lamp brass", BRASS, zones=["metal"],
               coats=2, tier="hand"),
        WASHED, SEALED,
    ),
    a_recipe(
        "gun-crew", "Gun and crew", "gun",
        a_pass("build", "build", "assemble", 25, None, adhesive="solvent cement", cut="any",
               clock="cure"),
        BLACK,
        a_pass("base", "base", "brush", 4, "brush", "5 Reed green, 2 Silt", GREEN, coats=2),
        a_pass("metal", "metal", "dry-brush", 2, "brush", "Bright steel", STEEL, zones=["barrel"],
               tier="hand"),
        a_pass("brass", "brass", "brush", 3, "brush", "Lamp brass", BRASS, zones=["metal"],
               coats=2),
        WASHED, SEALED,
    ),
    a_recipe(
        "timber-building", "Timber building", "building",
        a_pass("undercoat", "brown undercoat", "spray can", 3, "spray can", "Peat brown", PEAT,
               wants=["daylight"],
               note="Outdoors or with extraction, mask on, no flame. The label comes first."),
        a_pass("planks", "planks", "dry-brush", 12, "brush", "Drift timber", TIMBER),
        a_pass("pale", "pale planks", "dry-brush", 8, "brush", "2 Drift timber, 1 Pale linen",
               "#c6b797", tier="hand"),
        WASHED, SEALED, material="wood",
    ),
    a_recipe(
        "brickwork", "Brickwork with mortar wash", "building",
        a_pass("undercoat", "oxide undercoat", "spray", 3, "airbrush", "Red oxide", OXIDE),
        a_pass("bricks", "bricks", "dry-brush", 10, "brush", "2 Red oxide, 1 Fen clay", "#94604a",
               zones=["walls"]),
        a_pass("odd", "odd bricks", "brush", 8, "brush", "1 Peat, 1 Fen clay", "#7b5a45",
               zones=["walls"], cover=0.1, tier="hand"),
        a_pass("roof", "roof", "brush", 6, "brush", "Slate blue", SLATE, zones=["roof"]),
        a_pass("mortar", "mortar wash", "wash", 6, "brush", "1 Pale linen, 4 water", CLOTH,
               zones=["walls", "roof"], note="On matt, so that it spreads and stains."),
        SEALED, material="plaster",
    ),
    a_recipe(
        "ground", "Ground", "base",
        a_pass("paste", "ground paste", "texture", 10, None, cut="any"),
        a_pass("ground", "ground", "brush", 5, "brush", "Silt", SILT),
        WASHED,
        a_pass("lights", "lights", "dry-brush", 3, "brush", "1 Silt, 1 Pale linen", "#b8ad92"),
        SEALED,
        a_pass("grass", "grass", "grass", 4, None),
    ),
)  # fmt: skip

BY_KIND: dict[Kind, str] = {
    "figure": "infantry-six", "mounted": "mounted", "vehicle": "vehicle-solvent",
    "gun": "gun-crew", "aircraft": "aircraft-lines", "building": "timber-building",
    "base": "ground",
}  # fmt: skip
"""The recipe proposed for a kind."""
