"""Seven recipes to start from, in generic terms with invented mixes.

Minutes, waits and set-ups are common practice with no source; each can be changed.
"""

from __future__ import annotations

from typing import Any

from muster.core.recipes.recipe import RECIPE, Kind, Recipe

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
_ACRYLIC: dict[str, Any] = {"dry_min": 10, "stand_min": 25}
_SPRAYED: dict[str, Any] = {"dry_min": 5, "stand_min": 15}
_WASH: dict[str, Any] = {"dry_min": 20, "stand_min": 60}
_ENAMEL: dict[str, Any] = {"dry_min": 180, "stand_min": 720, "clock": "cure"}
_GLOSS: dict[str, Any] = {"dry_min": 20, "stand_min": 480, "finish": "gloss"}
_MATT: dict[str, Any] = {"dry_min": 20, "stand_min": 0, "finish": "matt", "mix": "Matt varnish"}


def _p(
    key: str, name: str, technique: str, minutes: float, tool: str | None, mix: str = "",
    colour: str | None = None, **rest: Any,
) -> dict[str, Any]:  # fmt: skip
    parts = []
    for part in (rest.pop("mix", mix) or "").split(", "):
        if part:
            amount, _, paint = part.partition(" ")
            named = {"name": paint, "parts": int(amount)} if amount.isdigit() else {"name": part}
            parts.append(named)
    return {
        "key": key, "name": name, "technique": technique, "minutes": minutes, "tool": tool,
        "mix": parts, "colour": colour, **_ON.get(tool or "", {}), **rest,
    }  # fmt: skip


def _recipe(code: str, name: str, kind: Kind, *passes: dict[str, Any]) -> Recipe:
    return RECIPE.validate_python(
        {"id": code, "name": name, "kind": kind, "version": 1, "passes": passes}
    )


_BLACK = _p("undercoat", "undercoat", "spray", 0.5, "airbrush", "Tarn black", INK, **_SPRAYED)
_WASHED = _p("wash", "wash", "wash", 1, "brush", "1 Peat, 2 water", PEAT, **_WASH)
_SEALED = _p("matt", "matt coat", "varnish", 0.5, "airbrush", **_MATT)

STARTERS: tuple[Recipe, ...] = (
    _recipe(
        "infantry-six", "Infantry in six colours", "figure", _BLACK,
        _p("base", "base", "brush", 3, "brush", "5 Reed green, 2 Silt", GREEN, **_ACRYLIC,
           note="Two thin coats; keep it open for touching up."),
        _p("cloth", "cloth", "brush", 2.5, "brush", "Pale linen", CLOTH, **_ACRYLIC),
        _p("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, **_ACRYLIC),
        _p("timber", "timber", "brush", 1, "brush", "Silt", SILT, **_ACRYLIC, tier="table"),
        _p("brass", "brass", "brush", 1, "brush", "Lamp brass", BRASS, **_ACRYLIC, tier="hand"),
        _WASHED,
        _p("lights", "edge lights", "dry-brush", 1, "brush", "3 Reed green, 2 Pale linen",
           "#98a06c", **_ACRYLIC, tier="hand"),
        _SEALED,
    ),
    _recipe(
        "mounted", "Mounted", "mounted", _BLACK,
        _p("coats", "coats", "brush", 5, "brush", "Slate blue", SLATE, **_ACRYLIC),
        _p("ponies", "ponies", "brush", 4, "brush", "3 Peat, 1 Fen clay", "#5b4132", **_ACRYLIC),
        _p("cloth", "cloth", "brush", 2.5, "brush", "Pale linen", CLOTH, **_ACRYLIC),
        _p("skin", "skin", "brush", 1.5, "brush", "Fen clay", SKIN, **_ACRYLIC),
        _p("brass", "brass", "brush", 1.5, "brush", "Lamp brass", BRASS, **_ACRYLIC, tier="hand"),
        _WASHED, _SEALED,
    ),
    _recipe(
        "vehicle-solvent", "Vehicle with solvent wash", "vehicle", _BLACK,
        _p("boiler", "main colour", "spray", 5, "airbrush", "Oxide red", RUST, **_SPRAYED),
        _p("wheels", "wheels", "brush", 6, "brush", "Tarn black", INK, **_ACRYLIC, part="wheels",
           note="On their sprue or on a stick; keep paint out of the bores."),
        _p("brass", "brass", "brush", 4, "brush", "Lamp brass", BRASS, **_ACRYLIC),
        _p("fit", "fit the wheels", "glue", 4, None, dry_min=20, stand_min=60, clock="wall"),
        _p("gloss", "gloss coat", "varnish", 2, "airbrush", "Gloss varnish", **_GLOSS),
        _p("numbers", "numbers", "decal", 6, None, dry_min=15, stand_min=180, tier="hand"),
        _p("seal", "seal", "varnish", 2, "airbrush", "Satin varnish", dry_min=20, stand_min=240,
           finish="satin"),
        _p("wash", "pin wash", "pin wash", 8, "brush", "1 Peat, 4 white spirit", PEAT, **_ENAMEL,
           needs=["noise allowed"],
           note="White spirit: open a window, gloves, no flame. The label comes first."),
        _p("dust", "dust", "stipple", 4, "sponge", "Silt", SILT, **_ACRYLIC, tier="hand"),
        _SEALED,
    ),
    _recipe(
        "vehicle-chipping", "Vehicle with chipping fluid", "vehicle",
        _p("oxide", "oxide coat", "spray", 4, "airbrush", "Red oxide", OXIDE, dry_min=20,
           stand_min=1440),
        _p("fluid", "chipping fluid", "spray", 2, "airbrush", "Chipping fluid", dry_min=15,
           stand_min=20, window_min=240),
        _p("top", "top colour", "spray", 5, "airbrush", "Marsh green", MARSH, dry_min=10,
           stand_min=15, window_min=60),
        _p("chip", "chip", "scratch", 10, "brush", "water", dry_min=20, stand_min=60,
           note="Water and a stick, in the same sitting, before the fluid hardens."),
        _p("seal", "seal", "varnish", 2, "airbrush", "Satin varnish", dry_min=20, stand_min=240,
           finish="satin"),
        _p("wash", "recess wash", "wash", 5, "brush", "1 Peat, 2 water", PEAT, **_WASH),
        _SEALED,
    ),
    _recipe(
        "gun-crew", "Gun and crew", "gun",
        _p("build", "build", "assemble", 25, None, dry_min=60, stand_min=720, clock="wall",
           cut="any"),
        _BLACK,
        _p("base", "base", "brush", 4, "brush", "5 Reed green, 2 Silt", GREEN, **_ACRYLIC),
        _p("brass", "brass", "brush", 3, "brush", "Lamp brass", BRASS, **_ACRYLIC),
        _p("metal", "metal", "dry-brush", 2, "brush", "Bright steel", STEEL, **_ACRYLIC,
           tier="hand"),
        _WASHED, _SEALED,
    ),
    _recipe(
        "timber-building", "Timber building", "building",
        _p("undercoat", "brown undercoat", "spray can", 3, "spray can", "Peat brown", PEAT,
           dry_min=20, stand_min=1440, needs=["daylight"],
           note="Outdoors or with extraction, mask on, no flame. The label comes first."),
        _p("planks", "planks", "dry-brush", 12, "brush", "Drift timber", TIMBER, **_ACRYLIC),
        _p("pale", "pale planks", "dry-brush", 8, "brush", "2 Drift timber, 1 Pale linen",
           "#c6b797", **_ACRYLIC, tier="hand"),
        _WASHED, _SEALED,
    ),
    _recipe(
        "ground", "Ground", "base",
        _p("paste", "ground paste", "texture", 10, None, dry_min=240, stand_min=720,
           clock="water", cut="any"),
        _p("ground", "ground", "brush", 5, "brush", "Silt", SILT, **_ACRYLIC),
        _WASHED,
        _p("lights", "lights", "dry-brush", 3, "brush", "1 Silt, 1 Pale linen", "#b8ad92",
           **_ACRYLIC),
        _p("grass", "grass", "grass", 4, None, dry_min=60, stand_min=240),
        _SEALED,
    ),
)  # fmt: skip

BY_KIND: dict[Kind, str] = {
    "figure": "infantry-six", "mounted": "mounted", "vehicle": "vehicle-solvent",
    "gun": "gun-crew", "aircraft": "vehicle-solvent", "building": "timber-building",
    "base": "ground",
}  # fmt: skip
"""The recipe proposed for a kind."""
