"""A dozen whole jobs in the manner of the bench: what is taken on from bare parts to done."""

from __future__ import annotations

from typing import NamedTuple

from muster.core.recipes.recipe import Recipe
from tests.core.stack.corpus.sound import DECALS, GLOSS, MATT, SATIN, WASH
from tests.core.stack.making import p, recipe

FLUID_SET = DECALS | {"carrier": "softener"}
BUILT = p("assemble", "build", adhesive="solvent cement", minutes=40)
BATH = p("wash parts", "bath")
WIPED = p("wipe back", "wiped", carrier="white spirit")


class Job(NamedTuple):
    """A recipe, and how many models of it at which scale."""

    made: Recipe
    models: int
    scale: int = 72


JOBS: dict[str, Job] = {
    "brush and enamel only": Job(recipe(
        BUILT, p("brush", "green", medium="enamel", colour="#5b6640", coats=2),
        p("brush", "tracks", medium="enamel", colour="#333333", zones=["tracks"]),
        p("brush", "wood of tools", medium="enamel", colour="#8a6a45", zones=["tools"], cover=0.1),
        FLUID_SET, p("varnish", "satin", medium="enamel varnish", finish="satin", tool="brush"),
        p("wash", "wash", medium="enamel wash", colour="#2c221a"),
        p("dry-brush", "edges", medium="enamel", colour="#8f9a6e"),
        p("varnish", "matt", medium="enamel varnish", finish="matt", tool="brush"),
    ), 3),
    "chipping fluid, oils and binder": Job(recipe(
        BATH, BUILT, p("spray can", "red primer", colour="#6d3a2c"),
        p("spray", "sand", medium="lacquer", colour="#b3a37c"), SATIN,
        p("fluid", "fluid"), p("spray", "green bands", colour="#5b6640", cover=0.5),
        p("scratch", "chipped", carrier="water", tried="good"), SATIN,
        p("filter", "blue filter", medium="oil", colour="#3b5070", tried="good"),
        p("pin wash", "dark wash", medium="oil", colour="#2a1d15"), WIPED, MATT,
        p("pigment", "mud", medium="bound pigment", colour="#6b5a40",
          zones=["lower", "running gear"], thick=2, warm_air=True),
        p("brush", "oil stains", medium="oil", colour="#20180f", zones=["rear"], cover=0.05,
          finish="gloss"),
    ), 2, 35),
    "five brick buildings": Job(recipe(
        BATH, p("glue", "walls", adhesive="superglue"),
        p("spray", "grey primer", medium="primer", colour="#9b9c9a"),
        p("spray", "brick", colour="#8a4a38"),
        p("sponge", "odd bricks", colour="#a85f48", zones=["walls"], varied=True),
        p("wash", "mortar", colour="#e3ddcb", zones=["walls"]),
        p("wipe back", "bricks wiped", carrier="water", zones=["walls"]),
        p("brush", "roof", colour="#4d5560", zones=["roof"]),
        p("dry-brush", "roof light", colour="#8b939b", zones=["roof"]),
        p("brush", "doors", colour="#355c3a", zones=["door"]),
        p("brush", "window frames", colour="#e8e4d8", zones=["windows"], coats=3), MATT,
        p("glue", "panes", adhesive="white glue", zones=["glass"]),
        kind="building", material="print",
    ), 5),
    "soft-plastic infantry": Job(recipe(
        BATH, p("dip", "thin white glue"), p("spray can", "grey", colour="#9b9c9a"),
        p("brush", "uniform", colour="#66703f", zones=["cloth"], coats=2),
        p("brush", "flesh", colour="#bf8a66", zones=["skin"], coats=2),
        p("brush", "rifle", colour="#4a3526", zones=["weapon"]), WASH,
        p("varnish", "matt", tool="spray can", finish="matt"), kind="figure", material="polythene",
    ), 40),
    "open fighting room": Job(recipe(
        BUILT, p("spray", "primer", medium="primer", colour="#555555"),
        p("spray", "cream inside", colour="#e3ddcb", zones=["inside"], coats=3),
        p("wash", "wash inside", colour="#3a2a20", zones=["inside"]),
        p("brush", "crew's coats", colour="#46586b", part="crew", coats=2, all_but=["joints"]),
        p("brush", "crew's faces", colour="#bf8a66", part="crew", zones=["skin"], coats=2),
        p("glue", "crew in", part="crew", adhesive="superglue"),
        p("mask", "crew covered", zones=["inside", "crew"]),
        p("spray", "dark yellow", colour="#a8904f", coats=2), p("unmask", "uncovered"), GLOSS,
        DECALS, SATIN, p("pin wash", "wash", colour="#3a2a20"), MATT,
    ), 3),
    "dark two-tone vehicle": Job(recipe(
        p("spray can", "black", colour="#1c1d1f"), p("spray", "dark grey", colour="#3c4146",
                                                     coats=2),
        p("spray", "brown bands", colour="#3f2f25", cover=0.35), GLOSS, DECALS, SATIN,
        p("filter", "light grey filter", colour="#9b9c9a", tried="good"),
        p("dry-brush", "edges", colour="#6f767c"),
        p("wash", "dust", medium="clay wash", colour="#c2ae88", zones=["lower", "running gear"]),
        MATT,
    ), 4),
    "aircraft with masks": Job(recipe(
        BUILT, p("fill", "seams"), p("sand", "seams smooth"),
        p("glue", "canopy", zones=["glass"], adhesive="clear-parts glue"),
        p("mask", "canopy", zones=["glass"]),
        p("spray", "primer", medium="primer", colour="#9b9c9a"),
        p("spray", "sky", colour="#9fb0bd", zones=["lower"]),
        p("spray", "grey", colour="#6c747a", zones=["upper"]), p("mask", "worms of putty"),
        p("spray", "green", colour="#59624d", zones=["upper"], cover=0.5), p("unmask", "off"),
        GLOSS, DECALS, p("set decals", "softened", carrier="softener"), SATIN,
        p("pin wash", "lines", colour="#2b2622"), WIPED, MATT, kind="aircraft",
    ), 3),
    "printed boxes on foam": Job(recipe(
        p("glue", "boxes", adhesive="white glue", materials=["print", "foam"]),
        p("texture", "ground", thick=2), p("brush", "earth", colour="#5e4a33"), WASH,
        p("dry-brush", "light", colour="#a08d72"), MATT, p("grass", "tufts"),
        kind="base", material="foam",
    ), 4),
    "crossing on plaster paste": Job(recipe(
        p("cut", "board"), p("glue", "sleepers", adhesive="white glue",
                             materials=["wood", "board"]),
        p("texture", "plaster", medium="plaster", thick=6),
        p("brush", "earth", colour="#5e4a33", coats=2), WASH,
        p("dry-brush", "light", colour="#a08d72"), p("grass", "static grass"),
        p("varnish", "matt", finish="matt", tool="spray can"), kind="base", material="board",
    ), 2),
    "converted truck with crew": Job(recipe(
        BUILT, p("glue", "resin crates", adhesive="superglue", materials=["resin", "polystyrene"]),
        p("spray can", "grey primer", colour="#9b9c9a"), p("spray", "olive", colour="#5b6640"),
        p("brush", "canvas", colour="#7d7a55", zones=["stowage"], coats=2),
        p("brush", "tyres", colour="#2a2a2b", zones=["wheels"]), WASH,
        p("dry-brush", "light", colour="#8f9a6e"), FLUID_SET, MATT,
        p("brush", "panes", colour="#223344", zones=["glass"], finish="gloss"),
    ), 2),
    "farmhouse": Job(recipe(
        p("glue", "walls", adhesive="white glue"), p("brush", "sealed", medium="white glue"),
        p("brush", "plaster", colour="#d8cfb8", zones=["walls"], coats=2),
        p("brush", "timbers", colour="#4a3526", zones=["timber"]),
        p("brush", "thatch", colour="#8a7248", zones=["roof"], coats=2),
        p("wash", "sepia", colour="#4a3520"),
        p("dry-brush", "thatch light", colour="#c2ae88", zones=["roof"]),
        p("streak", "dirt", medium="acrylic wash", colour="#54422e", zones=["walls"]), MATT,
        kind="building", material="board",
    ), 1),
    "old kit in three hours": Job(recipe(
        BATH, BUILT, p("spray can", "olive", colour="#5b6640"),
        p("brush", "tracks", colour="#333330", zones=["tracks"]), FLUID_SET, WASH,
        p("dry-brush", "light", colour="#98a06c"), MATT,
    ), 1),
}  # fmt: skip
