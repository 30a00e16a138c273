"""An owned paint: what its label says, what is left of it, and what its swatches showed."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache
from typing import Annotated, Literal

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.colour.calibrate import Swatch, calibrated
from muster.core.colour.paint import Optics, stated
from muster.core.colour.shelf import DROP_ML, Paint, Shelf
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of_hex
from muster.core.craft.media import MEDIA, MediumTrait
from muster.core.vocabulary import STRICT, Colour, Name, Opacity

Millilitres = Annotated[float, Field(ge=0, le=100_000)]

WHITE = "#f4f3ee"
"""What a tint is taken to be made with, where no white of one's own is named."""


@dataclass(frozen=True, config=STRICT)
class Reading:
    """A swatch as it was read: dry, unless ``wet``; wet ones tell nothing of the dry paint."""

    kind: Literal["masstone", "tint", "over black", "over white"]
    colour: Colour
    wet: bool = False
    share: Annotated[float, Field(ge=0.01, le=1)] = 1.0
    coats: Annotated[float, Field(ge=0.05, le=10)] = 1.0


READING: TypeAdapter[Reading] = TypeAdapter(Reading)


@dataclass(frozen=True, config=STRICT)
class OwnedPaint:
    """A paint. ``colour``: the label's; ``left_ml`` None: nobody knows; ``price``: of a pot of
    ``size_ml``; ``density``: g/ml; ``tare_g``: the empty pot."""

    name: Name
    colour: Colour
    range: Annotated[str, Field(max_length=60)] = ""
    code: Annotated[str, Field(max_length=40)] = ""
    medium: Name = "acrylic"
    opacity: Literal["opaque", "semi-opaque", "semi-transparent", "transparent"] | None = None
    finish: Literal["matt", "satin", "gloss"] = "matt"
    size_ml: Annotated[float, Field(ge=0.1, le=100_000)] | None = None
    left_ml: Millilitres | None = None
    price: Annotated[float, Field(ge=0, le=10_000)] | None = None
    density: Annotated[float, Field(ge=0.5, le=3)] = 1.2
    tare_g: Annotated[float, Field(ge=0, le=1000)] = 8.0
    drop_ml: Annotated[float, Field(ge=0.005, le=1)] = DROP_ML
    swatches: Annotated[tuple[Reading, ...], Field(max_length=40)] = ()

    @property
    def dry(self) -> str:
        """Its colour when dry: the mean of its masstone swatches, or the label's."""
        read = [one.colour for one in self.swatches if one.kind == "masstone" and not one.wet]
        if not read:
            return self.colour
        return _mean(tuple(read))

    @property
    def seen_opacity(self) -> Opacity:
        """As stated, or as is usual for its medium."""
        row = MEDIA.get(self.medium)
        return self.opacity or (row.opacity if row else "opaque")

    @property
    def clear(self) -> bool:
        """A varnish, a thinner or a fluid: it has no colour to match with."""
        row = MEDIA.get(self.medium)
        return row is not None and row.has(MediumTrait.COLOURLESS)

    @property
    def price_ml(self) -> float:
        """Price of a millilitre; 0 where it is not known."""
        return self.price / self.size_ml if self.price and self.size_ml else 0.0


PAINT: TypeAdapter[OwnedPaint] = TypeAdapter(OwnedPaint)


def optics_of(paint: OwnedPaint) -> Optics:
    """Absorption and scattering, by its dry swatches where there are any."""
    dry = tuple(one for one in paint.swatches if not one.wet)
    return _optics(paint.colour, paint.seen_opacity, dry)


@lru_cache(maxsize=4096)
def _optics(colour: str, opacity: Opacity, dry: tuple[Reading, ...]) -> Optics:
    masstone = [one.colour for one in dry if one.kind == "masstone"]
    start = stated(_mean(tuple(masstone)) if masstone else colour, opacity)
    told = [one for one in dry if one.kind != "masstone"]
    if not told:
        return start
    labs = lab_of(xyz_of_hex([one.colour for one in dry]))
    swatches = [
        Swatch(one.kind, (float(lab[0]), float(lab[1]), float(lab[2])), one.share, one.coats)
        for one, lab in zip(dry, labs, strict=True)
    ]
    return calibrated(start, swatches, stated(WHITE))


@lru_cache(maxsize=4096)
def _mean(colours: tuple[str, ...]) -> str:
    if len(colours) == 1:
        return colours[0]
    return hexes_of(xyz_of_hex(list(colours)).mean(axis=0))[0]


def shelf_from(paints: Iterable[OwnedPaint]) -> Shelf:
    """The shelf that mixes are looked for on. Raises ValueError for more than 300."""
    return Shelf(
        tuple(
            Paint(
                one.name, optics_of(one), one.medium,
                one.left_ml is None or one.left_ml > 0, one.price_ml,
            )
            for one in paints
        )
    )  # fmt: skip
