"""Recipes with one mistake each: what is to be named, and the repair that a painter would do first.

Written from the practice of the bench, each beside a sound recipe of its school.
"""

from __future__ import annotations

from typing import Any, NamedTuple

from muster.core.recipes.recipe import Recipe
from tests.core.stack.corpus.sound import (
    BLACK,
    BROWN,
    CAN,
    DECALS,
    DUST,
    GLOSS,
    GREEN,
    GREY,
    LINEN,
    MATT,
    OLIVE,
    OXIDE,
    PEAT,
    PIN,
    PRIMER,
    SAND,
    SATIN,
    SKIN,
    SPRAYED,
    STEEL,
    WASH,
    WHITE,
    spot,
)
from tests.core.stack.making import p, recipe


class Mistake(NamedTuple):
    """A recipe, the code of what is wrong, and words of the first repair (empty: none is right)."""

    made: Recipe
    code: str
    first: str


def _of(code: str, first: str, *passes: dict[str, object], **more: Any) -> Mistake:
    return Mistake(recipe(*passes, **more), code, first)


FIGURE = (SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"))
FLUID = p("fluid", "fluid")
CHIPPED = p("scratch", "chipped", carrier="water", tried="good")

FAULTY: dict[str, Mistake] = {
    "wash before the coat is ready": _of(
        "lifts", "wait as long", SPRAYED, spot("coat", GREEN, "cloth", stand_min=8),
        spot("face", SKIN, "skin", stand_min=4), WASH, MATT, kind="figure"),
    "alcohol paint brushed over acrylic": _of(
        "lifts", "use water", CAN, OLIVE,
        p("brush", "bands", medium="alcohol acrylic", colour=SAND, cover=0.4), MATT),
    "varnish on decals of five minutes": _of(
        "lifts", "wait as long", CAN, OLIVE, GLOSS, DECALS | {"stand_min": 5}, MATT),
    "oil wash over loose pigment": _of(
        "lifts", "", CAN, OLIVE, SATIN,
        p("pigment", "dust", colour=DUST, zones=["lower", "running gear"]),
        p("wash", "oil wash", medium="oil", colour=PEAT, zones=["lower", "running gear"]),
        use="shown"),
    "lacquer over fresh enamel": _of(
        "hot over soft", "wait until it can", CAN,
        p("brush", "olive", medium="enamel", colour=GREEN, stand_min=600),
        p("spray", "bands", medium="lacquer", colour=SAND, cover=0.5), MATT),
    "fluid never scratched": _of(
        "fluid window", "scratch", CAN, p("spray", "rust", colour=OXIDE), SATIN, FLUID,
        p("spray", "olive", colour=GREEN), SATIN, MATT),
    "scratched the next day": _of(
        "fluid window", "wait no longer", CAN, p("spray", "rust", colour=OXIDE), SATIN, FLUID,
        p("spray", "olive", colour=GREEN, stand_min=1440), CHIPPED, SATIN, MATT),
    "enamel over fluid": _of(
        "fluid top", "use thin water", CAN, p("spray", "rust", colour=OXIDE), SATIN, FLUID,
        p("spray", "olive", medium="enamel", colour=GREEN), CHIPPED, SATIN, MATT),
    "wash over open chips": _of(
        "unsealed chips", "seal", CAN, p("spray", "rust", colour=OXIDE), SATIN, FLUID,
        p("spray", "olive", colour=GREEN), CHIPPED, WASH, MATT),
    "decals on matt": _of("silvering", "a gloss coat", CAN, OLIVE, DECALS, SATIN, PIN, MATT),
    "decals soaked an hour in fluid": _of(
        "soaked in fluid", "soak them in", CAN, OLIVE, GLOSS,
        DECALS | {"soak_s": 3600, "carrier": "softener"}, SATIN, MATT),
    "enamel wash flooded over fresh enamel": _of(
        "unprotected paint", "wait as long", CAN,
        p("brush", "olive", medium="enamel", colour=GREEN, stand_min=1000),
        p("wash", "wash", medium="enamel wash", colour=PEAT), MATT),
    "wash all over gloss": _of("gloss pools", "make that coat satin", CAN, OLIVE, GLOSS, WASH,
                               MATT),
    "varnish over pigment": _of(
        "dulled pigment", "after the varnish", CAN, OLIVE, PIN,
        p("pigment", "dust", colour=DUST, zones=["lower", "running gear"]),
        p("fix", "fixed", zones=["lower", "running gear"]), MATT),
    "pigment left loose": _of(
        "dulled pigment", "fix it", CAN, OLIVE, PIN, MATT,
        p("pigment", "dust", colour=DUST, zones=["lower", "running gear"])),
    "no varnish at all": _of("no final coat", "a matt coat", *FIGURE, WASH, kind="figure"),
    "left gloss under its weathering": _of(
        "no final coat", "a matt coat", CAN, OLIVE, GLOSS, DECALS, PIN),
    "wash after the last varnish": _of("no final coat", "a matt coat", *FIGURE, MATT, WASH,
                                       kind="figure"),
    "dip in gloss without matt": _of(
        "no final coat", "a matt coat", *FIGURE,
        p("dip", "brown dip", medium="enamel varnish", finish="gloss", colour=PEAT),
        kind="figure"),
    "matt over the windows": _of(
        "no final coat", "'panes'", CAN, spot("walls", SAND, "walls"), spot("roof", OXIDE, "roof"),
        p("brush", "panes", colour=BLACK, zones=["glass"], finish="gloss"), WASH, MATT,
        kind="building"),
    "matt over a metallic finish": _of(
        "no final coat", "'bright tank'", CAN, OLIVE, p("brush", "bright tank", colour=STEEL,
                                               zones=["rear"], finish="metallic", coats=2), MATT),
    "white base with lights to come": _of(
        "no headroom", "base it off-white", PRIMER,
        p("brush", "white", colour="#fcfcfa", zones=["cloth"], coats=4),
        spot("face", SKIN, "skin"), p("highlight", "folds", colour="#ffffff", zones=["cloth"]),
        MATT, kind="figure"),
    "edge light darker than its base": _of(
        "no headroom", "a lighter mix", *FIGURE,
        p("edge", "edges", colour="#3a4228", zones=["cloth"]), MATT, kind="figure"),
    "black wash on black": _of(
        "will not show", "a lighter colour", SPRAYED,
        p("spray", "black", colour=BLACK), p("wash", "black wash", colour="#161618"), MATT),
    "dark wash on dark tracks": _of(
        "will not show", "a lighter colour", CAN, OLIVE,
        p("brush", "tracks", colour="#241f1b", zones=["tracks"], coats=2),
        p("wash", "track wash", colour="#1f1a17", zones=["tracks"]), MATT),
    "white chips by brush": _of(
        "will not show", "a colour nearer", CAN, OLIVE, SATIN,
        p("brush", "chips", colour=WHITE, cover=0.04, purpose="wear"), PIN, MATT),
    "white chips by sponge": _of(
        "will not show", "a colour nearer", CAN, OLIVE, SATIN,
        p("sponge", "chips", colour=WHITE, varied=True), PIN, MATT),
    "splashes as large as plates": _of(
        "too small", "marks of", CAN, OLIVE, MATT,
        p("splash", "flicked", colour=DUST, medium="acrylic mud", size_mm=3, tried=None,
          trial="on card")),
    "yellow over black in one coat": _of(
        "shows through", "", SPRAYED,
        p("brush", "yellow", colour="#e0b92f", zones=["cloth"]), spot("face", SKIN, "skin"),
        MATT, kind="figure"),
    "mail dry-brushed after the cloth": _of(
        "stray dry-brush", "before 'coat'", SPRAYED, spot("coat", GREEN, "cloth"),
        p("dry-brush", "mail", colour=STEEL, zones=["metal"]), spot("face", SKIN, "skin"), MATT,
        kind="figure"),
    "soft plastic painted straight": _of(
        "soft plastic", "a thin white-glue dip", p("wash parts", "bath"), *FIGURE, MATT,
        kind="figure", material="polythene"),
    "resin glued with cement": _of(
        "wrong glue", "use superglue", p("wash parts", "bath"),
        p("glue", "arms", adhesive="solvent cement"), PRIMER, OLIVE, MATT, material="resin"),
    "photo-etch with solvent cement": _of(
        "wrong glue", "use superglue",
        p("glue", "grilles", adhesive="solvent cement", materials=["photo-etch", "polystyrene"]),
        CAN, OLIVE, MATT),
    "hot glue on foam": _of(
        "wrong glue", "use", p("glue", "hill", adhesive="hot glue", materials=["foam", "foam"]),
        p("texture", "skin"), p("brush", "earth", colour=BROWN), kind="base", material="foam"),
    "superglue on bare foam": _of(
        "eats the ground", "use white glue",
        p("glue", "rod", adhesive="superglue", materials=["wood", "foam"]),
        p("texture", "skin"), p("brush", "earth", colour=BROWN), kind="base", material="foam"),
    "superglue on varnish": _of(
        "painted joint", "scrape", CAN, OLIVE, MATT,
        p("glue", "stowage", adhesive="superglue", zones=["stowage"])),
    "filler over varnish": _of(
        "painted joint", "scrape", CAN, OLIVE, MATT, p("fill", "gap"),
        p("spray", "olive again", colour=GREEN), MATT),
    "cement over paint": _of(
        "painted joint", "scrape", CAN, OLIVE,
        p("glue", "turret", adhesive="solvent cement"), MATT),
    "clogged wheel bores": _of(
        "painted joint", "scrape", CAN, OLIVE, p("spray", "wheels", colour=GREEN, part="wheels"),
        p("fit", "wheels on their axles", part="wheels"), MATT),
    "strut glued before everything": _of(
        "fragile early", "after", p("glue", "struts", adhesive="superglue", fragile=True), PRIMER,
        p("spray", "grey", colour=GREY, coats=2), p("mask", "tape"),
        p("spray", "bands", colour=GREEN, cover=0.4), p("unmask", "off"), GLOSS, DECALS, SATIN,
        MATT, kind="aircraft"),
    "inside after the roof": _of(
        "no reach", "before", CAN, OLIVE, p("glue", "roof on", zones=["inside"],
                                            adhesive="superglue", materials=["resin", "resin"]),
        p("brush", "inside", colour=LINEN, zones=["inside"], coats=3), MATT),
    "tape on paint of an hour": _of(
        "mask on soft paint", "wait until", CAN,
        p("spray", "sand", colour=SAND, coats=2, stand_min=60), p("mask", "tape"),
        p("spray", "green", colour=GREEN, cover=0.5), p("unmask", "off"), MATT),
    "tape over water pencil": _of(
        "mask on soluble", "seal it first", CAN, OLIVE,
        p("pencil", "rust marks", colour="#8a4426"), p("mask", "tape"),
        p("spray", "band", colour=SAND, cover=0.3, coats=2), p("unmask", "off"), MATT),
    "rust into a wet oil wash": _of(
        "local first", "wait until", CAN, OLIVE, SATIN,
        p("wash", "oil wash", medium="oil", colour=PEAT, stand_min=60),
        p("streak", "rust", medium="oil", colour="#a3562a", zones=["rear"]), MATT),
    "acrylic over fresh oils": _of(
        "sealed too soon", "wait until", CAN, OLIVE, SATIN,
        p("wash", "oil wash", medium="oil", colour=PEAT, stand_min=480), MATT),
    "second can coat after four hours": _of(
        "wrinkles", "wait", p("spray can", "grey", colour=GREY, stand_min=240),
        p("spray can", "white", colour=WHITE, coats=2), spot("lines", GREEN, "markings"), MATT),
    "can on bare foam": _of(
        "eats the ground", "close the foam", p("spray can", "brown", colour=BROWN),
        p("dry-brush", "stones", colour=SAND), MATT, kind="base", material="foam"),
    "belly forgotten": _of(
        "missed zone", "paint it with", SPRAYED,
        p("spray", "back", colour=GREEN, zones=["upper"], coats=2), GLOSS, DECALS, SATIN, MATT,
        kind="aircraft"),
    "chips that skip the wheels": _of(
        "missed zone", "and running gear", CAN, OLIVE, SATIN,
        p("sponge", "chips", colour=PEAT, zones=["upper", "lower"], varied=True), PIN, MATT),
    "chips on all but the wheels": _of(
        "missed zone", "and wheels", CAN, OLIVE, SATIN,
        p("sponge", "chips", colour=PEAT, all_but=["wheels"], varied=True), PIN, MATT),
    "resin sprayed in its colour": _of(
        "no undercoat", "an undercoat first", p("wash parts", "bath"),
        p("spray", "coats", colour=GREEN), spot("face", SKIN, "skin"), WASH, MATT, kind="figure",
        material="resin"),
    "superglue at the canopy": _of(
        "frosted glass", "use clear-parts glue", PRIMER,
        p("spray", "grey", colour=GREY, coats=2),
        p("glue", "canopy", adhesive="superglue", zones=["glass"]), MATT, kind="aircraft"),
    "resin without undercoat": _of(
        "no undercoat", "an undercoat first", p("wash parts", "bath"),
        p("brush", "coat", colour=GREEN, coats=2), spot("face", SKIN, "skin"), WASH, MATT,
        kind="figure", material="resin"),
    "bare metal sprayed with acrylic": _of(
        "no undercoat", "an undercoat first", p("spray", "olive", colour=GREEN, tool="airbrush"),
        spot("tracks", BLACK, "tracks"), PIN, MATT, material="metal"),
    "thick lacquer brushed on plastic": _of(
        "no undercoat", "spray it", p("brush", "olive", medium="lacquer", colour=GREEN, thick=2),
        PIN, MATT),
    "epoxy handled after five minutes": _of(
        "handled soft", "wait as long", p("glue", "turret", adhesive="epoxy", stand_min=5),
        CAN, OLIVE, MATT),
    "filler sanded after an hour": _of(
        "handled soft", "wait as long", p("fill", "gaps", stand_min=60), p("sand", "smooth"),
        CAN, OLIVE, MATT),
    "varnish sprayed with lacquer over bare decals": _of(
        "bare decal", "seal the decals", CAN, OLIVE, GLOSS, DECALS,
        p("varnish", "matt", medium="lacquer varnish", finish="matt")),
}  # fmt: skip
