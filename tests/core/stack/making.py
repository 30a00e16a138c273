"""Recipes for tests, as short as they can be said."""

from __future__ import annotations

from typing import Any

from muster.core.formats.recipe import read
from muster.core.recipes.recipe import Recipe

GREEN, DARK, WHITE, LINEN = "#66703f", "#1c1d1f", "#fbfbf9", "#ece8dc"


def p(technique: str, name: str = "", **more: Any) -> dict[str, Any]:
    """A pass; minutes and key follow from it."""
    return {"technique": technique, "name": name or technique, **more}


def recipe(*passes: dict[str, Any], kind: str = "vehicle", **more: Any) -> Recipe:
    """A recipe of these passes, through the open format as a user's own would come."""
    import json

    document = {"name": "test", "kind": kind, "passes": list(passes), **more}
    text = json.dumps({"format": "crisp-muster/recipe", "version": 3, "recipe": document})
    return read(text)


UNDER = p("spray", "undercoat", purpose="ground")
BASE = p("spray", "base")
GLOSS = p("varnish", "gloss coat", finish="gloss")
SATIN = p("varnish", "satin coat", finish="satin")
MATT = p("varnish", "matt coat", finish="matt")
DECALS = p("decal", "numbers")
FLUID = p("fluid", "chipping fluid")
CHIP = p("scratch", "chip", carrier="water", trial="tried on the hull's floor: good")
ENAMEL = p("pin wash", "pin wash", medium="enamel wash")
OIL = p("wash", "oil wash", medium="oil")
