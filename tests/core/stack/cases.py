"""For each rule: what it must catch, and what lies near and must be left alone."""

from __future__ import annotations

from typing import Any, NamedTuple

from muster.core.craft.climate import Climate
from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits.house import Habits
from tests.core.stack.making import (
    BASE,
    CHIP,
    DARK,
    DECALS,
    ENAMEL,
    FLUID,
    GLOSS,
    GREEN,
    LINEN,
    MATT,
    OIL,
    SATIN,
    UNDER,
    WHITE,
    p,
    recipe,
)


class Case(NamedTuple):
    """A rule's code, a recipe that it must catch, one that it must not, and where they stand."""

    code: str
    caught: Recipe
    near: Recipe
    climate: Climate = Climate()
    habits: Habits = Habits()
    near_habits: Habits | None = None


def same(code: str, caught: tuple[Any, ...], near: tuple[Any, ...], **more: Any) -> Case:
    """Both recipes of one kind and material."""
    kept = {key: more.pop(key) for key in ("kind", "material") if key in more}
    return Case(code, recipe(*caught, **kept), recipe(*near, **kept), **more)


BONE = p("brush", "base", coats=3)
FLOODED = p("wash", "enamel wash", medium="enamel wash")
CURED = p("spray", "oxide", stand_min=1500)

CASES = (
    same(
        "lifts",
        (p("brush", "base", stand_min=5), p("wash", "wash")),
        (p("brush", "base"), p("wash", "wash"), MATT),
    ),
    same(
        "lifts",
        (BASE, p("brush", "trim", medium="alcohol acrylic"), MATT),
        (BASE, p("brush", "trim"), MATT),
    ),
    same(
        "lifts",
        (BASE, p("wash", "clay wash", medium="clay wash"), p("brush", "lights"), MATT),
        (BASE, p("wash", "clay wash", medium="clay wash"), SATIN, p("brush", "lights"), MATT),
    ),
    same(
        "hot over soft",
        (p("brush", "base", medium="enamel"), p("spray", "top", medium="lacquer")),
        (p("spray", "base", medium="lacquer"), p("brush", "top", medium="enamel")),
    ),
    same("fluid window", (CURED, FLUID, BASE, MATT), (CURED, FLUID, BASE, CHIP, SATIN, MATT)),
    same(
        "fluid window",
        (CURED, FLUID, p("spray", "base", stand_min=300), CHIP, SATIN),
        (CURED, FLUID, p("spray", "base", stand_min=20), CHIP, SATIN),
    ),
    same(
        "fluid top",
        (CURED, FLUID, p("spray", "top", medium="enamel"), CHIP, SATIN),
        (CURED, FLUID, p("spray", "top"), CHIP, SATIN),
    ),
    same(
        "fluid ground",
        ({**UNDER, "stand_min": 60}, FLUID, BASE, CHIP, SATIN),
        (UNDER, SATIN, FLUID, BASE, CHIP, SATIN),
    ),
    same(
        "unsealed chips",
        (CURED, FLUID, BASE, CHIP, p("wash", "wash"), MATT),
        (CURED, FLUID, BASE, CHIP, SATIN, p("wash", "wash"), MATT),
    ),
    same("silvering", (BASE, DECALS, MATT), (BASE, GLOSS, DECALS, MATT)),
    same("silvering", (BASE, MATT, DECALS, SATIN), (BASE, SATIN, DECALS, MATT)),
    same(
        "bare decal",
        (BASE, GLOSS, DECALS, p("varnish", "seal", medium="lacquer varnish")),
        (BASE, GLOSS, DECALS, SATIN, p("varnish", "seal", medium="lacquer varnish")),
    ),
    same(
        "unprotected paint",
        (p("brush", "base", medium="enamel", stand_min=900), FLOODED, MATT),
        (p("brush", "base", medium="enamel", stand_min=900), SATIN, FLOODED, MATT),
    ),
    same("unprotected paint", (BASE, ENAMEL, MATT), (BASE, GLOSS, ENAMEL, MATT)),
    same(
        "gloss pools",
        (BASE, GLOSS, p("wash", "wash"), MATT),
        (BASE, SATIN, p("wash", "wash"), MATT),
    ),
    same(
        "dulled pigment",
        (BASE, p("pigment", "dust"), MATT),
        (BASE, MATT, p("pigment", "dust"), p("fix", "fix the dust")),
    ),
    same(
        "loose pigment",
        (BASE, MATT, p("pigment", "dust")),
        (BASE, MATT, p("pigment", "mud", medium="bound pigment")),
    ),
    same("no final coat", (UNDER, BASE), (UNDER, BASE, MATT)),
    same(
        "late coat",
        (BASE, p("brush", "oil stain", zones=["lower"], finish="gloss"), MATT),
        (BASE, MATT, p("brush", "oil stain", zones=["lower"], finish="gloss")),
    ),
    same(
        "no headroom",
        (p("brush", "cloth", colour=WHITE), p("highlight", "folds", colour=WHITE), MATT),
        (p("brush", "cloth", colour="#d9d3c4"), p("highlight", "folds", colour=WHITE), MATT),
        kind="figure",
    ),
    same(
        "will not show",
        (
            p("spray", "base", colour=DARK),
            p("sponge", "chips", colour="#202124", varied=True),
            MATT,
        ),
        (
            p("spray", "base", colour=GREEN),
            p("sponge", "chips", colour="#3a2a20", varied=True),
            MATT,
        ),
    ),
    same(
        "too stark",
        (
            p("spray", "base", colour=GREEN),
            p("sponge", "chips", colour="#f4f2ec", varied=True),
            MATT,
        ),
        (
            p("spray", "base", colour=GREEN),
            p("sponge", "chips", colour="#8d9663", varied=True),
            MATT,
        ),
    ),
    same(
        "too small",
        (BASE, p("sponge", "chips", size_mm=0.1, varied=True), MATT),
        (BASE, p("edge", "edges", size_mm=0.1), MATT),
    ),
    same(
        "too big",
        (BASE, p("splash", "mud", size_mm=3, trial="good"), MATT),
        (BASE, p("splash", "mud", size_mm=0.6, trial="good"), MATT),
    ),
    same(
        "shows through",
        (p("spray", "undercoat", colour=DARK), p("brush", "cloth", colour=LINEN), MATT),
        (p("spray", "undercoat", colour=DARK), p("dry-brush", "cloth", colour=LINEN), MATT),
        kind="figure",
    ),
    same(
        "stray dry-brush",
        (p("brush", "cloth", zones=["cloth"]), p("dry-brush", "steel", zones=["metal"]), MATT),
        (p("dry-brush", "steel", zones=["metal"]), p("brush", "cloth", zones=["cloth"]), MATT),
        kind="figure",
    ),
    same(
        "dark last",
        (
            p("brush", "boots", zones=["gear"], colour=DARK),
            p("brush", "cloth", zones=["cloth"], colour=LINEN),
            MATT,
        ),
        (
            p("brush", "cloth", zones=["cloth"], colour=LINEN),
            p("brush", "boots", zones=["gear"], colour=DARK),
            MATT,
        ),
        kind="figure",
    ),
    Case(
        "soft plastic",
        recipe(UNDER, BASE, MATT, kind="figure", material="polythene"),
        recipe(UNDER, BASE, MATT, kind="figure", material="polythene"),
        near_habits=Habits(soft_plastic="straight"),
    ),
    same(
        "wrong glue",
        (p("glue", "wheels", adhesive="solvent cement"),),
        (p("glue", "wheels", adhesive="superglue"),),
        material="resin",
    ),
    same(
        "painted joint",
        (UNDER, p("glue", "wheels", adhesive="solvent cement"), MATT),
        (p("mask", "mask the joints"), UNDER, p("glue", "wheels", adhesive="solvent cement"), MATT),
    ),
    same(
        "fragile early",
        (
            p("glue", "railings", fragile=True),
            BASE,
            p("wash", "wash"),
            p("dry-brush", "lights"),
            MATT,
        ),
        (
            BASE,
            p("wash", "wash"),
            p("dry-brush", "lights"),
            p("glue", "railings", fragile=True),
            MATT,
        ),
    ),
    same(
        "no reach",
        (p("glue", "fit the floor", zones=["inside"]), p("brush", "inside", zones=["inside"])),
        (p("brush", "inside", zones=["inside"]), p("glue", "fit the floor", zones=["inside"])),
    ),
    same(
        "mask on soft paint",
        (p("spray", "base", stand_min=60), p("mask", "mask"), BASE, MATT),
        (p("spray", "base"), p("mask", "mask"), BASE, MATT),
    ),
    same(
        "local first",
        (
            BASE,
            SATIN,
            p("wash", "oil wash", medium="oil", stand_min=120, colour=DARK),
            p("brush", "rust", medium="oil", colour="#7a3327", zones=["rear"]),
        ),
        (
            BASE,
            SATIN,
            p("wash", "oil wash", medium="oil", colour=DARK),
            SATIN,
            p("brush", "rust", medium="oil", colour="#7a3327", zones=["rear"]),
        ),
    ),
    same(
        "one-way",
        (BASE, SATIN, p("filter", "filter"), MATT),
        (BASE, SATIN, p("filter", "filter", trial="tried under the hull"), MATT),
    ),
    Case("fog", recipe(BASE, MATT), recipe(BASE, p("brush", "lights")), climate=Climate(12, 80)),
    same(
        "stir and thin",
        (BASE, p("varnish", "matt coat", finish="matt", tool="brush")),
        (BASE, p("varnish", "matt coat", finish="matt", tool="airbrush")),
    ),
    same(
        "release agent",
        (UNDER, BASE, MATT),
        (p("wash parts", "wash the parts"), UNDER, BASE, MATT),
        material="resin",
    ),
    same(
        "clone",
        (BASE, p("sponge", "chips"), MATT),
        (BASE, p("sponge", "chips", varied=True), MATT),
    ),
    same(
        "sealed too soon",
        (BASE, SATIN, p("wash", "oil wash", medium="oil", stand_min=600), MATT),
        (BASE, SATIN, OIL, MATT),
    ),
    same(
        "eats the ground",
        (p("spray can", "undercoat"), MATT),
        (p("texture", "filler skin"), p("spray can", "undercoat"), MATT),
        kind="base",
        material="foam",
    ),
    same(
        "wrinkles",
        (p("spray can", "grey", stand_min=240), p("spray can", "white"), MATT),
        (p("spray can", "grey", stand_min=40), p("spray can", "white"), MATT),
    ),
    same(
        "missed zone",
        (
            UNDER,
            p("brush", "hull", zones=["upper"]),
            p("wash", "wash", zones=["upper"]),
            p("brush", "belly", zones=["lower"]),
            MATT,
        ),
        (
            UNDER,
            p("brush", "hull", zones=["upper"]),
            p("brush", "belly", zones=["lower"]),
            p("wash", "wash", zones=["upper", "lower"]),
            MATT,
        ),
        kind="aircraft",
    ),
    same(
        "frosted glass",
        (p("glue", "windows", adhesive="superglue", zones=["glass"]),),
        (p("glue", "windows", adhesive="white glue", zones=["glass"]),),
        material="wood",
        kind="building",
    ),
    same(
        "thirsty",
        (p("wash", "timber wash"), MATT),
        (BONE, p("wash", "timber wash"), MATT),
        material="wood",
        kind="building",
    ),
    same(
        "no undercoat",
        (p("brush", "base", colour=GREEN, coats=2), MATT),
        (p("brush", "primer", medium="enamel", colour=GREEN), p("brush", "trim"), MATT),
        material="metal",
    ),
    same(
        "soaked in fluid",
        (BASE, GLOSS, p("decal", "numbers", soak_s=3600, carrier="softener"), MATT),
        (
            BASE,
            GLOSS,
            p("decal", "numbers", soak_s=20),
            p("set decals", "softened", carrier="softener"),
            MATT,
        ),
    ),
    same(
        "mask on soluble",
        (BASE, p("wash", "clay", medium="clay wash"), p("mask", "tape"), BASE, MATT),
        (BASE, p("wash", "clay", medium="clay wash"), SATIN, p("mask", "tape"), BASE, MATT),
    ),
    same(
        "handled soft",
        (p("glue", "turret", adhesive="epoxy", stand_min=5), UNDER, BASE, MATT),
        (
            p("glue", "turret", adhesive="epoxy", stand_min=5),
            p("glue", "hatch", adhesive="epoxy"),
            UNDER,
            BASE,
            MATT,
        ),
    ),
)
