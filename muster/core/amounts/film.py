"""How much of a mix a pass takes: area × coats × wet film ÷ transfer, and what stays behind.

Films and transfer are common practice with no source, until the user has weighed his own.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

from muster.core.colour.shelf import DROP_ML
from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import OTHER, TECHNIQUES
from muster.core.craft.zones import ZONES, zones_of
from muster.core.recipes.recipe import Pass
from muster.core.stack.layer import medium_of
from muster.core.vocabulary import Kind

WET_UM = {"airbrush": 25.0, "spray can": 200.0, "brush": 60.0}
"""Wet film of one coat by tool, µm. Of a can its contents, propellant and solvent included."""

TRANSFER = {"brush": 0.9, "sponge": 0.7, "airbrush": 0.5, "spray can": 0.35}
"""Share of what leaves the tool that lands on a model."""
SMALL = {"airbrush": 0.25, "spray can": 0.12}
"""The same on figures and other small things: most goes past them."""
SMALL_KINDS: tuple[Kind, ...] = ("figure", "mounted", "gun", "base")
SMALL_CM2 = 80.0
"""Of such a kind, what is larger is sprayed as a vehicle is: a terrain board is no small base."""

STAYS_ML = {"airbrush": 0.5, "brush": 0.25, "sponge": 0.25, "spray can": 0.0}
"""What is left in cup or palette at the end of a call, ml."""

DRINKS = 2.0
"""Bare wood, board and foam take so many times as much of the first coat, unless sealed."""
THIRSTY = ("wood", "board", "card", "cork", "foam", "plaster")

PLACE_SHARE = {"recesses": 0.15, "edges": 0.1}


def surface_share(kind: Kind, one: Pass) -> float:
    """The share of a model's surface that the zones of a pass are, each zone as large as the next
    and what lies within one a part of it. Common practice: nobody measures zones."""
    known, sizes = ZONES[kind], _sizes(kind)
    named = [zone for zone in one.zones if zone in known]
    if not named and one.zones:
        return sum(PLACE_SHARE.get(zone, 0.0) for zone in one.zones) or 1.0
    mine = zones_of(known, tuple(named), one.all_but)
    weights = {row.zone: row.cover for row in one.cover_by}
    shares = (sizes.get(zone, LEAST_SHARE) * weights.get(zone, 1.0) for zone in mine)
    return min(1.0, sum(shares))


LEAST_SHARE = 0.05
"""Of a rim, a crew, a pane: what is no part of the usual surface. Common practice."""


@cache
def _sizes(kind: Kind) -> dict[str, float]:
    seen = [zone for zone in ZONES[kind].values() if not zone.clear and not zone.hidden]
    outer = [zone.name for zone in seen if not zone.within]
    found: dict[str, float] = {}
    for zone in seen:
        inner = [each.name for each in seen if each.within == zone.name]
        whole = 1 / len(outer) if not zone.within else found[zone.within]
        found[zone.name] = whole / (len(inner) + 1)
    return found


@dataclass(frozen=True)
class Amount:
    """Of one call: ml on each model, left behind in cup or palette, and in all."""

    each_ml: float
    left_ml: float
    models: int

    @property
    def ml(self) -> float:
        """To be mixed."""
        return self.each_ml * self.models + self.left_ml

    def drops(self, drop_ml: float = DROP_ML) -> int:
        """The same in whole drops, rounded up."""
        return math.ceil(round(self.ml / drop_ml, 6))


def amount(
    one: Pass,
    kind: Kind,
    area_cm2: float,
    models: int,
    surface: float = 1.0,
    drinks: bool = False,
) -> Amount:
    """What a pass takes on so many models of that surface each.

    ``surface``: the share of the surface that its zones are. ``drinks``: it is the first coat on a
    thirsty material. A step without paint takes none. Raises ValueError for an area of 0 or less.
    """
    if area_cm2 <= 0:
        raise ValueError(f"an area of {area_cm2:g} cm²: use more than 0")
    way = TECHNIQUES.get(one.technique, OTHER)
    medium = medium_of(one, way)
    if way.paint_free or medium is None:
        return Amount(0.0, 0.0, models)
    used = one.tool or way.usual_tool
    tool = used if used in TRANSFER else "brush"
    film_um = WET_UM.get(tool, WET_UM["brush"])
    if way.film_um is not None:
        film_um = way.film_um
    share = one.cover if one.cover is not None else way.wets
    share = (1.0 if one.cover_by else share) * surface
    transfer = TRANSFER[tool]
    if kind in SMALL_KINDS and area_cm2 < SMALL_CM2:
        transfer = SMALL.get(tool, transfer)
    if medium.has(MediumTrait.BY_MILLIMETRE):
        # Paste and plaster are laid by the millimetre, and next to nothing is lost.
        return Amount(area_cm2 * share * one.coats * one.thick / 10, STAYS_ML[tool], models)
    # 1 µm over 1 cm² is 0.0001 ml.
    each = area_cm2 * share * one.coats * one.thick * film_um * 1e-4 / transfer
    if drinks:
        each *= (one.coats - 1 + DRINKS) / one.coats
    return Amount(each, STAYS_ML.get(tool, 0.25), models)


def spreading_m2(solids_percent: float, dry_um: float) -> float:
    """Spreading rate, m² per litre: % volume solids × 10 / dry film µm, the trade's standard
    practice. Raises ValueError outside 0 to 100 %, or for no film."""
    if not 0 < solids_percent <= 100 or dry_um <= 0:
        raise ValueError(f"{solids_percent:g} % solids, {dry_um:g} µm: use 0 to 100 % and a film")
    return solids_percent * 10 / dry_um


SOLIDS_PERCENT = 30.0
"""Of a model paint by volume. Common practice, no source: few labels say it."""


def covers_cm2_ml(coats: float = 1.0) -> float:
    """Surface that a millilitre covers by brush, cm²: by its spreading rate, less what stays in the
    brush."""
    dry_um = WET_UM["brush"] * SOLIDS_PERCENT / 100
    # 1 m² per litre is 10 cm² per millilitre.
    return spreading_m2(SOLIDS_PERCENT, dry_um) * 10 * TRANSFER["brush"] / coats


def in_drops(parts: list[int], drops: int) -> list[int]:
    """Whole drops of each part of a mix, at least so many in all, in the mix's exact ratio."""
    whole = sum(parts)
    times = max(1, math.ceil(drops / whole))
    return [part * times for part in parts]
