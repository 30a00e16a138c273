"""Recipes that a seasoned painter would call sound, by school and subject.

Written from the practice of the bench, before the rules were looked at: nothing but a note may be
said of any of them. Colours are invented.
"""

from __future__ import annotations

from typing import Any

from muster.core.recipes.recipe import Recipe
from tests.core.stack.making import p, recipe

BLACK, WHITE, GREY, OXIDE, BROWN = "#1c1d1f", "#eeede8", "#9b9c9a", "#6d3a2c", "#4a3526"
GREEN, SAND, SLATE, LINEN, SKIN = "#5b6640", "#b3a37c", "#46586b", "#e3ddcb", "#bf8a66"
PEAT, STEEL, RUST, DUST, BRASS = "#3a2a20", "#8f9498", "#8a4426", "#c2ae88", "#a9853f"
WET_EARTH = "#54422e"

SPRAYED = p("spray", "undercoat", colour=BLACK)
CAN = p("spray can", "undercoat", colour=GREY)
PRIMER = p("spray", "primer", medium="primer", colour=GREY)
MATT = p("varnish", "matt", finish="matt")
SATIN = p("varnish", "satin", finish="satin")
GLOSS = p("varnish", "gloss", finish="gloss")
DECALS = p("decal", "numbers", tier="hand")
WIPED = p("wipe back", "wiped", carrier="white spirit")
PIN = p("pin wash", "pin wash", colour=PEAT)
OLIVE = p("spray", "olive", colour=GREEN, tool="airbrush")
WASH = p("wash", "brown wash", colour=PEAT)


def spot(name: str, colour: str, *zones: str, **more: object) -> dict[str, object]:
    """A colour brushed on in two coats."""
    return p("brush", name, colour=colour, zones=list(zones), **{"coats": 2, **more})


def _figures() -> dict[str, Recipe]:
    def made(*passes: dict[str, object], **more: Any) -> Recipe:
        return recipe(*passes, kind="figure", **more)

    return {
        "six colours and a dip wash": made(
            SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"),
            spot("belts", BROWN, "gear"), spot("rifle", PEAT, "weapon"),
            spot("buttons", BRASS, "metal"), WASH, MATT,
        ),
        "dry-brushed from black": made(
            SPRAYED, p("dry-brush", "grey", colour="#5c5d60"),
            p("dry-brush", "light grey", colour="#8b8c8f"),
            p("dry-brush", "nearly white", colour="#c4c4c2", zones=["edges"]), MATT,
        ),
        "light from above under thin colours": made(
            SPRAYED, p("spray", "white from above", colour=WHITE, cover=0.5),
            p("brush", "thin coat", colour=GREEN, zones=["cloth"], dilution=4,
              purpose="modulate"),
            p("brush", "thin leather", colour=BROWN, zones=["gear"], medium="one-coat"),
            spot("hands", SKIN, "skin", purpose="modulate"), MATT,
        ),
        "one-coat colours over white": made(
            p("spray can", "white undercoat", colour=WHITE),
            p("brush", "green", colour=GREEN, medium="one-coat", zones=["cloth"]),
            p("brush", "leather", colour=BROWN, medium="one-coat", zones=["gear", "weapon"]),
            p("brush", "flesh", colour=SKIN, medium="one-coat", zones=["skin"]), MATT,
        ),
        "white cloth built from grey": made(
            PRIMER, spot("warm grey", "#b5aea0", "cloth"), spot("faces", SKIN, "skin"),
            p("highlight", "off-white", colour="#d9d3c4", zones=["cloth"]),
            p("highlight", "white", colour="#f4f2ec", zones=["cloth"], tier="hand"), WASH, MATT,
        ),
        "mail first, then cloth": made(
            SPRAYED, p("dry-brush", "steel", colour=STEEL, zones=["mail", "weapon"]),
            p("wash", "black wash", colour=BLACK, zones=["mail", "weapon"]),
            spot("tunic", SLATE, "cloth"), spot("face", SKIN, "skin"), MATT,
        ),
        "eyes last and a dot of gloss on them": made(
            SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"), WASH,
            p("brush", "whites of eyes", colour="#e9e6dc", zones=["eyes"], cover=0.02,
              tier="close"),
            p("brush", "pupils", colour=BLACK, zones=["eyes"], cover=0.01, tier="close"), MATT,
            p("brush", "wet eyes", medium="acrylic varnish", finish="gloss", zones=["eyes"],
              cover=0.02, tier="close"),
        ),
        "soft plastic with a glue dip": made(
            p("wash parts", "bath"), p("dip", "thin white glue", stand_min=1440),
            p("spray", "undercoat", colour=GREY), spot("coat", GREEN, "cloth"),
            spot("face", SKIN, "skin"), p("wash", "wash", colour=PEAT), MATT, material="polythene",
        ),
        "metal figures in enamel by brush": made(
            p("file", "mould lines"), p("wash parts", "wash them"),
            p("brush", "undercoat", medium="enamel", colour=GREY, purpose="ground"),
            p("brush", "coats", medium="enamel", colour=GREEN, zones=["cloth"]),
            p("brush", "faces", medium="enamel", colour=SKIN, zones=["skin"]),
            p("brush", "belts", medium="enamel", colour=LINEN, zones=["gear"], coats=3),
            p("wash", "oil wash", medium="oil", colour=PEAT),
            p("varnish", "matt", medium="enamel varnish", finish="matt", tool="brush"),
            material="metal",
        ),
        "white of an eye in one coat": made(
            SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"),
            p("brush", "white of eyes", colour="#efeae0", zones=["eyes"], tier="close"), WASH,
            MATT,
        ),
        "black rim after the varnish": made(
            SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"), WASH, MATT,
            p("brush", "rim", colour=BLACK, zones=["base rim"]),
        ),
        "inks over a metal base, shown in a cabinet": made(
            PRIMER, p("spray", "silver", colour="#b9bcbf", medium="lacquer", finish="metallic"),
            p("glaze", "blue ink", medium="ink", colour="#2b4a8b", zones=["cloth"],
              tried="good"),
            spot("face", SKIN, "skin"), use="shown",
        ),
        "varnish in the paint": made(
            SPRAYED, spot("coat", GREEN, "cloth", "gear", varnish_share=0.2, finish="satin"),
            spot("face", SKIN, "skin", varnish_share=0.2, finish="satin"),
            spot("rifle", PEAT, "weapon", varnish_share=0.2, finish="satin"),
            spot("steel", STEEL, "metal", varnish_share=0.2, finish="satin"),
            spot("hair", BROWN, "hair", varnish_share=0.2, finish="satin"),
        ),
        "mounted, with a matt horse": recipe(
            SPRAYED, spot("riders", SLATE, "cloth"), spot("faces", SKIN, "skin"),
            spot("leather", BROWN, "gear"),
            p("brush", "horses", colour="#5b4132", zones=["mount"], coats=2),
            p("dry-brush", "manes", colour="#7d6a58", zones=["mane"]), WASH, MATT, kind="mounted",
        ),
        "touched up before the varnish": made(
            SPRAYED, spot("coat", GREEN, "cloth"), spot("face", SKIN, "skin"),
            spot("belts", LINEN, "gear", coats=4), WASH,
            p("brush", "corrections", colour=GREEN, zones=["cloth"], cover=0.1,
              purpose="clean up"),
            MATT,
        ),
    }  # fmt: skip


def _vehicles() -> dict[str, Recipe]:
    def made(*passes: dict[str, object], **more: Any) -> Recipe:
        return recipe(*passes, kind="vehicle", **more)

    tracks = p("brush", "tracks", colour="#4c4640", part="tracks", coats=2)
    return {
        "oils over enamel over a seal": made(
            CAN, OLIVE, GLOSS, DECALS, SATIN, PIN, WIPED,
            p("streak", "oil streaks", medium="oil", colour="#6b5034"),
            p("blend", "pulled down", carrier="white spirit"), MATT,
        ),
        "panel modulation with filters": made(
            SPRAYED, p("spray", "shadow coat", colour="#33391f", purpose="shade"),
            p("spray", "middle", colour=GREEN, cover=0.7),
            p("spray", "panel centres", colour="#7d8a58", cover=0.4), SATIN,
            p("filter", "ochre filter", colour="#b08a3c", tried="good"), PIN, MATT,
        ),
        "hard-edged camouflage with tape": made(
            CAN, p("spray", "sand", colour=SAND, coats=2), p("mask", "tape"),
            p("spray", "green", colour=GREEN, cover=0.5), p("unmask", "tape off"),
            p("spray", "mist of sand", colour=SAND, dilution=8, cover=0.3, purpose="modulate"),
            GLOSS, DECALS, SATIN, PIN, MATT,
        ),
        "chipping fluid over rust": made(
            CAN, p("spray", "rust brown", colour=OXIDE, medium="lacquer"), SATIN,
            p("fluid", "fluid"), p("spray", "grey", colour="#7d8488"),
            p("scratch", "chipped", carrier="water", tried="good"), SATIN,
            p("wash", "rust wash", medium="enamel wash", colour="#7a4a2c"), MATT,
        ),
        "two rounds of fluid in one sitting": made(
            CAN, p("spray", "oxide", colour=OXIDE), SATIN, p("fluid", "fluid"),
            p("spray", "olive", colour=GREEN), p("scratch", "worn", carrier="water", tried="good"),
            p("fluid", "fluid for the stripes"),
            p("spray", "white stripes", colour=WHITE, zones=["upper"], cover=0.2),
            p("scratch", "worn stripes", carrier="water", tried="good"), SATIN, PIN, MATT,
        ),
        "mud and splashes after the matt": made(
            CAN, OLIVE, SATIN, PIN, MATT,
            p("pigment", "thick", medium="bound pigment", colour=DUST, thick=2,
              zones=["lower", "running gear"]),
            p("splash", "flicked", medium="bound pigment", colour=WET_EARTH, size_mm=0.5,
              zones=["lower"], tried="good"),
            p("brush", "wet", medium="acrylic varnish", finish="gloss", zones=["lower"],
              cover=0.1),
        ),
        "pigment laid into wet fixer": made(
            CAN, OLIVE, PIN, MATT,
            p("brush", "fixer", medium="acrylic fixer", zones=["running gear"], stand_min=1),
            p("pastel", "chalk", colour=DUST, zones=["running gear"]),
        ),
        "tracks apart, fitted last": made(
            CAN, OLIVE, p("brush", "tracks", colour=BLACK, part="tracks", all_but=["joints"]),
            p("dry-brush", "steel on the links", colour=STEEL, part="tracks"),
            p("wash", "track wash", colour="#5d4432", part="tracks", medium="oil"), GLOSS, DECALS,
            SATIN, PIN, MATT, p("glue", "tracks on", part="tracks", adhesive="superglue"),
            p("pigment", "dust", colour=DUST, zones=["lower", "running gear"]),
            p("fix", "fixed", zones=["lower", "running gear"]),
        ),
        "vinyl tracks of their own material": made(
            p("assemble", "hull", adhesive="solvent cement"), p("wash parts", "bath"), CAN, OLIVE,
            PRIMER | {"part": "tracks"}, tracks, PIN, MATT,
            materials={"tracks": "vinyl"},
        ),
        "winter white worn off with water": made(
            CAN, OLIVE, GLOSS, DECALS, SATIN, p("fluid", "fluid"),
            p("spray", "whitewash", colour=WHITE, cover=0.8),
            p("scratch", "worn", carrier="water", tried="good"), SATIN, PIN, MATT,
        ),
        "two-tone by brush in enamel": made(
            p("brush", "sand", medium="enamel", colour=SAND, coats=2),
            p("brush", "green bands", medium="enamel", colour=GREEN, cover=0.4),
            p("brush", "tyres", medium="enamel", colour=BLACK, zones=["wheels"]),
            p("brush", "tools", medium="enamel", colour=BROWN, zones=["tools"]),
            DECALS | {"carrier": "softener"},
            p("varnish", "satin", medium="enamel varnish", finish="satin", tool="brush"),
            p("wash", "oil wash", medium="oil", colour=PEAT, zones=["lower"]),
            p("varnish", "matt", medium="enamel varnish", finish="matt", tool="brush"),
        ),
        "all water, one evening": made(
            PRIMER, OLIVE, DECALS | {"carrier": "softener"}, SATIN,
            p("pin wash", "lines", medium="acrylic wash", colour=PEAT),
            p("sponge", "chips", colour="#4a3a2c", varied=True),
            p("stipple", "dust", colour=DUST, zones=["lower", "running gear"], cover=0.2), MATT,
        ),
        "clay wash by damp brush": made(
            CAN, OLIVE, SATIN, p("wash", "clay", medium="clay wash", colour=DUST),
            p("wipe back", "damp brush", carrier="water"),
            p("brush", "more clay low", medium="clay wash", colour="#a58d63", zones=["lower"],
              cover=0.3),
            p("varnish", "matt from the can", tool="spray can", finish="matt"),
        ),
        "chips by brush": made(
            CAN, p("spray", "dark yellow", colour="#a8904f", coats=2), SATIN,
            p("chip", "light of the base", colour="#c0aa6c"),
            p("chip", "dark inside", colour=PEAT), PIN, MATT,
        ),
        "resin kit with photo-etch": made(
            p("wash parts", "bath"), p("glue", "grilles", adhesive="superglue",
                                       materials=["photo-etch", "resin"]),
            PRIMER, OLIVE, GLOSS, DECALS, SATIN, PIN, MATT, material="resin",
        ),
        "converted truck with a crew": made(
            p("assemble", "chassis and cab", adhesive="solvent cement"),
            p("glue", "planks on the bed", adhesive="superglue", materials=["wood", "polystyrene"]),
            CAN, OLIVE, spot("crew's coats", SLATE, "crew"), spot("crew's faces", SKIN, "crew",
                                                                  cover=0.2),
            p("glue", "crew in", zones=["crew"], adhesive="white glue",
              materials=["resin", "scatter"]),
            PIN, MATT,
        ),
        "aerial fitted at the end": made(
            CAN, OLIVE, GLOSS, DECALS, SATIN, PIN, MATT,
            p("glue", "aerial", adhesive="superglue", fragile=True, part="aerial"),
        ),
        "chips on all but the tracks, which rust": made(
            CAN, OLIVE, spot("tracks", "#4c4640", "tracks"), SATIN,
            p("sponge", "chips", colour=PEAT, all_but=["tracks"], varied=True),
            p("stipple", "rust", colour="#8a4426", zones=["tracks"]), PIN, MATT,
        ),
        "graphite on the tracks after all": made(
            CAN, OLIVE, spot("tracks", "#3b322b", "tracks"), PIN, MATT,
            p("pencil", "graphite", colour="#7a7d80", zones=["tracks"]),
        ),
        "dots of oil, blended": made(
            PRIMER, p("spray", "sand", colour=SAND, coats=2), SATIN,
            p("stipple", "pale dots", medium="oil", colour="#e8dcb0"),
            p("stipple", "blue dots", medium="oil", colour="#405070"),
            p("blend", "blended down", carrier="white spirit"), MATT,
        ),
        "exhaust of its own, soot last": made(
            CAN, OLIVE, spot("exhaust", OXIDE, "exhaust", coats=2),
            p("stipple", "rust", colour="#a3562a", zones=["exhaust"]), SATIN, PIN, MATT,
            p("pigment", "soot", colour="#26211d", zones=["exhaust"]), p("fix", "fixed",
                                                                         zones=["exhaust"]),
        ),
        "dust faded from rear to front": made(
            CAN, OLIVE, SATIN, PIN,
            p("spray", "dust", medium="enamel", dilution=6, colour=DUST,
              cover_by={"rear": 0.5, "lower": 0.4, "front": 0.1, "upper": 0.1,
                        "running gear": 0.5}, purpose="tone down"),
            MATT,
        ),
        "gun and its crew": recipe(
            p("assemble", "gun", adhesive="solvent cement"), CAN,
            p("dry-brush", "barrel", colour=STEEL, zones=["barrel"]),
            p("brush", "carriage", colour=GREEN, zones=["carriage", "wheels"], coats=2),
            spot("coats", SLATE, "crew"), WASH, MATT, kind="gun",
        ),
    }  # fmt: skip


def _rest() -> dict[str, Recipe]:
    def plane(*passes: dict[str, object], **more: Any) -> Recipe:
        return recipe(*passes, kind="aircraft", **more)

    def house(*passes: dict[str, object], **more: Any) -> Recipe:
        return recipe(*passes, kind="building", **more)

    def ground(*passes: dict[str, object], **more: Any) -> Recipe:
        return recipe(*passes, kind="base", **more)

    return {
        "aircraft, masked, clear canopy": plane(
            p("glue", "canopy", zones=["glass"], adhesive="clear-parts glue"),
            p("mask", "canopy masked", zones=["glass"]), PRIMER,
            p("spray", "belly", colour="#9fb0bd", zones=["lower"], coats=2),
            p("spray", "back", colour="#59624d", zones=["upper"], coats=2), p("unmask", "off"),
            spot("frame", "#59624d", "canopy frame"), GLOSS, DECALS, SATIN,
            p("pin wash", "lines", medium="acrylic wash", colour=BLACK), MATT,
        ),
        "bare metal aircraft in lacquer": plane(
            p("spray", "gloss black", medium="lacquer", colour=BLACK, finish="gloss"),
            p("spray", "aluminium", medium="lacquer", colour="#b5b8ba", finish="metallic"),
            DECALS, p("seal", "seal over the decals", finish="gloss", zones=["markings"]),
            use="shown",
        ),
        "propeller and wheels apart": plane(
            PRIMER, p("spray", "grey", colour="#8d959b"),
            p("brush", "propeller", colour=BLACK, part="propeller", all_but=["joints"]),
            GLOSS, DECALS, SATIN,
            p("pin wash", "lines", colour=PEAT), MATT,
            p("fit", "propeller", part="propeller"),
        ),
        "timber house, four dry-brushes": house(
            p("score", "planks"), p("spray can", "brown", colour=BROWN),
            p("dry-brush", "planks", colour="#7a6650"), p("dry-brush", "paler", colour="#a08d72"),
            p("dry-brush", "edges of boards", colour="#c6b797", zones=["edges"]),
            p("wash", "dark wash", colour=PEAT), MATT, material="wood",
        ),
        "brick with mortar from the wash": house(
            p("spray", "brick red", colour="#8a4a38"),
            p("brush", "odd bricks", colour="#6e3a2e", zones=["walls"], cover=0.1),
            p("brush", "slates", colour="#5c646b", zones=["roof"], coats=2),
            p("wash", "mortar", medium="enamel wash", colour=LINEN, zones=["walls"]),
            p("wipe back", "bricks wiped", carrier="white spirit", zones=["walls"]), MATT,
            material="plaster",
        ),
        "brick left as it was sprayed": house(
            p("spray can", "brick", colour="#8f4d3b"), spot("slates", "#5c646b", "roof"),
            spot("doors", GREEN, "door"), p("wash", "soot", colour=PEAT, zones=["walls", "roof"]),
            MATT, material="print",
        ),
        "windows in after the paint": house(
            CAN, spot("walls", SAND, "walls", coats=2), spot("roof", OXIDE, "roof"), WASH, MATT,
            p("glue", "panes", zones=["glass"], adhesive="white glue"),
        ),
        "printed boxes glued onto foam": house(
            p("wash parts", "rinsed"), CAN, spot("walls", SAND, "walls"),
            spot("roof", OXIDE, "roof"), WASH, MATT,
            p("glue", "onto the base", adhesive="foam glue", materials=["print", "foam"]),
            material="print",
        ),
        "floor glued to board": house(
            p("glue", "floor", adhesive="white glue", materials=["print", "board"]), CAN,
            spot("walls", SAND, "walls"), spot("roof", OXIDE, "roof"), WASH, MATT, material="print",
        ),
        "card walls, sealed before the wash": house(
            p("brush", "two coats of glue", medium="white glue", finish="matt"),
            p("brush", "walls", colour=SAND, coats=3), spot("roof", OXIDE, "roof"), WASH, MATT,
            material="card",
        ),
        "foam base with paste and grass": ground(
            p("texture", "paste", thick=2, colour=WET_EARTH), p("brush", "earth", colour="#5e4a33"),
            WASH, p("dry-brush", "stones", colour="#a08d72"), MATT, p("grass", "static grass"),
            material="foam",
        ),
        "plaster crossing": ground(
            p("texture", "plaster", medium="plaster", thick=5, colour=LINEN),
            p("brush", "earth", colour="#5e4a33", coats=2), WASH,
            p("dry-brush", "dry ridges", colour="#a08d72"), MATT, material="board",
        ),
        "sand on white glue overnight": ground(
            p("grass", "sand", colour=SAND), p("spray can", "brown", colour=BROWN),
            p("dry-brush", "sand", colour=SAND), p("grass", "tufts"), material="wood",
        ),
        "epoxy on hard foam": ground(
            p("glue", "rod", adhesive="epoxy", materials=["wood", "foam"]),
            p("texture", "skin", colour=WET_EARTH), p("brush", "grey", colour=GREY, coats=2),
            p("dry-brush", "light", colour="#c4c4c2"), MATT, material="foam",
        ),
        "foliage on a print": ground(
            p("wash parts", "rinsed"), p("spray can", "brown", colour=BROWN),
            p("dry-brush", "bark", colour="#8a7558"), MATT,
            p("glue", "leaves", adhesive="white glue", materials=["scatter", "print"]),
            material="print",
        ),
        "dust to nest": recipe(MATT, p("pigment", "dust", colour=DUST), p("fix", "fixed")),
        "rust to nest": recipe(
            p("sponge", "patches", colour=OXIDE, varied=True),
            p("streak", "runs", medium="enamel wash", colour=RUST), MATT,
        ),
    }  # fmt: skip


SOUND: dict[str, Recipe] = {**_figures(), **_vehicles(), **_rest()}
