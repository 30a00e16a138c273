"""What a house proposes for a word: chips, decals, an undercoat, eyes, each by its own school."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace

from muster.core.craft.media import MEDIA
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import OTHER
from muster.core.recipes.recipe import Pass
from muster.core.stack.formatting import varnish
from muster.core.stack.habits.house import OURS, Habits
from muster.core.stack.minutes import minutes_for
from muster.core.vocabulary import Kind, Tier

TOOLS = {"airbrush": (2.0, 3.0, 15.0), "brush": (1.0, 1.0, 45.0), "spray can": (2.0, 1.0, 30.0),
         "sponge": (1.0, 1.0, 30.0)}  # fmt: skip
"""Minutes to open a mix on it, to clean up, and that it stays open. Common practice."""


@dataclass(frozen=True)
class About:
    """What the passes are proposed for."""

    kind: Kind
    tier: Tier = "hand"
    scale: int = 72
    habits: Habits = OURS
    tables: Tables = DEFAULTS
    paces: Mapping[str, float] = field(default_factory=dict)
    """By technique, how many times the table's minutes a model takes at this bench."""


def proposed(technique: str, about: About, **more: object) -> Pass:
    """One pass by a technique with the minutes and tool that are usual for it."""
    way = about.tables.techniques.get(technique, OTHER)
    tool = way.usual_tool
    setup, cleanup, stays = TOOLS.get(tool or "", (0.0, 0.0, None))
    medium = MEDIA.get(way.medium or "")
    acrylic = None
    if medium is not None and about.habits.weathering == "all-acrylic":
        acrylic = medium.acrylic
    made = Pass(
        key=re.sub(r"[^a-z0-9]+", "-", technique.lower()).strip("-")[:24] or "pass",
        name=technique, technique=technique, tool=tool, setup_min=setup, cleanup_min=cleanup,
        open_min=stays, medium=acrylic,
        minutes=_minutes(technique, about),
    )  # fmt: skip
    return replace(made, **more)  # type: ignore[arg-type]


def _minutes(technique: str, about: About) -> float:
    """Minutes a model: as they were logged, else as is usual."""
    usual = minutes_for(technique, about.kind, about.tier, about.scale, about.tables.techniques)
    return max(0.1, round(usual * about.paces.get(technique, 1.0), 1))


def _undercoat(about: About) -> list[Pass]:
    if about.habits.undercoat == "none":
        return [replace(varnish("dull", "dull the plastic", "matt"), note="The moulded colour is "
                        "the base.")]  # fmt: skip
    return [
        proposed(
            "spray", about, key="undercoat", name="undercoat", medium="primer", purpose="ground"
        )
    ]


def _chips(about: About) -> list[Pass]:
    way = about.habits.chipping
    if way == "fluid":
        return [
            replace(varnish("ground", "seal the ground", "satin"), key="ground"),
            proposed("fluid", about, key="fluid", name="chipping fluid", window_min=240),
            proposed("spray", about, key="top", name="top colour", window_min=60),
            proposed("scratch", about, key="chip", name="chip", carrier="water",
                     note="Water and a stick, in the same sitting, before the fluid hardens."),
            replace(varnish("sealed", "seal the chips", "satin"), key="sealed"),
        ]  # fmt: skip
    if way == "brush":
        return [
            proposed("chip", about, key="chips-light", name="light chips", cover=0.05,
                     note="A lighter spot of the base, irregular, with small outliers."),
            proposed("chip", about, key="chips-dark", name="dark inside the chips", cover=0.03),
        ]  # fmt: skip
    return [proposed("sponge", about, key="chips", name="sponged chips", varied=True,
                     note="Several torn pieces of different grain, swapped often.")]  # fmt: skip


def _decals(about: About) -> list[Pass]:
    soak = f"Cut, soak {about.habits.soak} in lukewarm water, not in softening fluid."
    mark = proposed("decal", about, key="numbers", name="numbers", tier="hand", note=soak)
    seal = varnish("seal", "seal the decals", "satin")
    if about.habits.decal_ground == "fluids":
        wetted = f"{soak} Wet the place with setting fluid, then soften."
        fluid = replace(mark, minutes=round(mark.minutes * 1.5, 1), note=wetted, carrier="softener")
        return [fluid, seal]
    if about.habits.decal_ground == "glue":
        ground = proposed("dip", about, key="gloss", name="two thin coats of white glue", coats=2,
                          tool="brush", finish="gloss")  # fmt: skip
        return [ground, mark, seal]
    return [varnish("gloss", "gloss coat", "gloss"), mark, seal]


def _eyes(about: About) -> list[Pass]:
    note = (
        "" if about.habits.eyes == "painted" else "This house leaves eyes out: seen close up only."
    )
    skin = ("eyes",) if "eyes" in about.tables.zones[about.kind] else ()
    one = proposed("brush", about, key="eyes", name="eyes", tier="close", cover=0.02)
    return [replace(one, note=note, zones=skin)]


def _weathered(about: About) -> list[Pass]:
    ground = about.habits.wash_ground
    wash = proposed("wash", about, key="wash", name="wash")
    if about.habits.varnish == "end" or ground == "matt":
        return [wash]
    finish = "satin" if about.habits.weathering == "all-acrylic" else "gloss"
    return [varnish("before", f"{finish} coat", finish), wash]  # type: ignore[arg-type]


BUNDLES: dict[str, Callable[[About], list[Pass]]] = {
    "undercoat": _undercoat, "chips": _chips, "decals": _decals, "eyes": _eyes,
    "sealed wash": _weathered,
}  # fmt: skip
"""What one says for several passes, or for one that habits shape."""
