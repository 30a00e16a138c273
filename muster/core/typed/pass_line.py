"""A pass from a few typed letters: ``pinw 1 Peat 4 water, running gear`` Enter.

What a house proposes for it follows its habits: chips, decals, an undercoat, eyes and parts each
become the passes of its own school.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass, replace

from muster.core.craft.media import MEDIA
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import OTHER, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES
from muster.core.recipes.recipe import MixPart, Pass
from muster.core.stack.formatting import varnish
from muster.core.stack.habits.house import OURS, Habits
from muster.core.stack.minutes import minutes_for
from muster.core.vocabulary import Kind, Tier

TOOLS = {"airbrush": (2.0, 3.0, 15.0), "brush": (1.0, 1.0, 45.0), "spray can": (2.0, 1.0, 30.0),
         "sponge": (1.0, 1.0, 30.0)}  # fmt: skip
"""Minutes to open a mix on it, to clean up, and that it stays open. Common practice."""

APART = {"wheels", "running gear", "crew"}
"""Zones that a house which paints parts apart proposes as parts."""


@dataclass(frozen=True)
class About:
    """What the passes are proposed for."""

    kind: Kind
    tier: Tier = "hand"
    scale: int = 72
    habits: Habits = OURS
    tables: Tables = DEFAULTS


def matches(text: str, known: list[str]) -> list[str]:
    """Known words that the letters mean, the likeliest first: whole, then begun, then by letters
    in their order (``pw`` is a pin wash)."""
    letters = _plain(text)
    if not letters:
        return []
    ranked = []
    for index, name in enumerate(known):
        plain = _plain(name)
        if plain == letters:
            ranked.append((0, 0, index, name))
        elif plain.startswith(letters):
            ranked.append((1, len(plain), index, name))
        elif plain[0] == letters[0] and _in_order(letters, plain):
            initials = "".join(word[0] for word in re.split(r"[ -]", name))
            ranked.append((2 if initials == letters else 3, len(plain), index, name))
    return [name for *_, name in sorted(ranked)]


def typed(text: str, about: About) -> list[Pass]:
    """The passes meant by what is typed; none where no technique is recognised."""
    words = text.replace(",", " , ").split()
    for length in range(min(3, len(words)), 0, -1):
        found = matches(" ".join(words[:length]), [*BUNDLES, *about.tables.techniques])
        begun = [one for one in found if _begins(one, words[:length])]
        if begun or (length == 1 and found):
            name = (begun or found)[0]
            rest = " ".join(words[length:])
            if name in BUNDLES:
                return [_with_rest(one, rest, about) for one in BUNDLES[name](about)]
            return [_with_rest(proposed(name, about), rest, about)]
    return []


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
        minutes=minutes_for(technique, about.kind, about.tier, about.scale,
                            about.tables.techniques),
    )  # fmt: skip
    return replace(made, **more)  # type: ignore[arg-type]


def _undercoat(about: About) -> list[Pass]:
    if about.habits.undercoat == "none":
        return [replace(varnish("dull", "dull the plastic", "matt"), note="The moulded colour is "
                        "the base.")]  # fmt: skip
    return [proposed("spray", about, key="undercoat", name="undercoat", medium="primer")]


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
            proposed("brush", about, key="chips-light", name="light chips", cover=0.05,
                     note="A lighter spot of the base, irregular, with small outliers."),
            proposed("brush", about, key="chips-dark", name="dark inside the chips", cover=0.03),
        ]  # fmt: skip
    return [proposed("sponge", about, key="chips", name="sponged chips",
                     note="Several torn pieces of different grain, swapped often.")]  # fmt: skip


def _decals(about: About) -> list[Pass]:
    soak = f"Cut, soak {about.habits.soak} in lukewarm water, not in softening fluid."
    mark = proposed("decal", about, key="numbers", name="numbers", tier="hand", note=soak)
    seal = varnish("seal", "seal the decals", "satin")
    if about.habits.decal_ground == "fluids":
        wetted = f"{soak} Wet the place with setting fluid, then soften."
        return [replace(mark, minutes=round(mark.minutes * 1.5, 1), note=wetted), seal]
    if about.habits.decal_ground == "glue":
        ground = proposed("dip", about, key="gloss", name="two thin coats of white glue", coats=2,
                          tool="brush", finish="gloss")  # fmt: skip
        return [ground, mark, seal]
    return [varnish("gloss", "gloss coat", "gloss"), mark, seal]


def _eyes(about: About) -> list[Pass]:
    note = (
        "" if about.habits.eyes == "painted" else "This house leaves eyes out: seen close up only."
    )
    skin = ("skin",) if "skin" in about.tables.zones[about.kind] else ()
    one = proposed("brush", about, key="eyes", name="eyes", tier="close", cover=0.05)
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


def _with_rest(one: Pass, rest: str, about: About) -> Pass:
    """Zones, minutes, coats, finish, tool and mix from the words after the technique."""
    left: list[str] = []
    zones: list[str] = []
    known = [*about.tables.zones[about.kind], *DETAIL_ZONES]
    for piece in (part.strip() for part in rest.split(" , ")):
        low = piece.lower().strip(" ,")
        if not low:
            continue
        minutes = re.fullmatch(r"(\d+(?:\.\d+)?) ?min(?:utes)?", low)
        coats = re.fullmatch(r"(?:x ?)?([1-9]) ?(?:coats?)|x ?([1-9])", low)
        zone = [name for name in known if name == low or (len(low) > 2 and name.startswith(low))]
        if minutes:
            one = replace(one, minutes=float(minutes[1]))
        elif coats:
            one = replace(one, coats=int(coats[1] or coats[2]))
        elif low in ("matt", "satin", "gloss"):
            one = replace(one, finish=low)  # type: ignore[arg-type]
        elif low in TOOLS:
            setup, cleanup, stays = TOOLS[low]
            one = replace(one, tool=low, setup_min=setup, cleanup_min=cleanup, open_min=stays)
        elif low in about.tables.media:
            one = replace(one, medium=low)
        elif zone:
            zones += zone[:1]
        else:
            left.append(piece)
    if zones:
        way = about.tables.techniques.get(one.technique, OTHER)
        whole = way.has(TechniqueTrait.BLOCKS_IN) or way.has(TechniqueTrait.AIRBRUSHES)
        apart = about.habits.parts == "apart" and whole and zones[0] in APART
        slug = zones[0].replace(" ", "-")
        one = replace(one, zones=tuple(zones), part=slug if apart else one.part)
    if left and one.tool is not None:
        one = replace(one, mix=_mix(" ".join(left)))
    elif left:
        one = replace(one, name=" ".join(left)[:60])
    return one


def _mix(text: str) -> tuple[MixPart, ...]:
    """'1 Peat 4 water' as parts."""
    parts = re.findall(r"(?:(\d{1,2}) )?([^\d]+?)(?= \d|$)", text.strip())
    return tuple(
        MixPart(name.strip()[:60], int(number or 1)) for number, name in parts if name.strip()
    )


def _begins(name: str, words: list[str]) -> bool:
    """Whether the letters begin the name, as a whole or word by word."""
    parts = re.split(r"[ -]", name)
    by_word = len(words) == len(parts) and all(
        part.startswith(_plain(word)) for word, part in zip(words, parts, strict=True)
    )
    return by_word or _plain(name).startswith(_plain("".join(words)))


def _plain(text: str) -> str:
    return re.sub(r"[^a-z0-9]", "", text.lower())


def _in_order(letters: str, word: str) -> bool:
    rest = iter(word)
    return all(letter in rest for letter in letters)
