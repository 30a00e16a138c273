"""An owned paint: what its label says, what is left of it, and what its swatches showed."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.colour.calibrate import Swatch, calibrated
from muster.core.colour.kinds import ROWS, SPELT, KindTrait, PaintKind, kind_from, proposed
from muster.core.colour.paint import Optics, stated
from muster.core.colour.reconstruct import keep_reflectances
from muster.core.colour.shelf import DROP_ML, Paint, Shelf
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of_hex
from muster.core.vocabulary import STRICT, Colour, Name, Opacity, name_key

Millilitres = Annotated[float, Field(ge=0, le=100_000)]

WHITE = "#f4f3ee"
"""What a tint is taken to be made with, where no white of one's own is named."""


@dataclass(frozen=True, config=STRICT)
class Reading:
    """A swatch as it was read: dry, unless ``wet``; wet ones tell nothing of the dry paint.
    ``inferred``: nobody read it, a pot of several paints dried so that it must be about so."""

    kind: Literal["masstone", "tint", "over black", "over white"]
    colour: Colour
    wet: bool = False
    share: Annotated[float, Field(ge=0.01, le=1)] = 1.0
    coats: Annotated[float, Field(ge=0.05, le=10)] = 1.0
    inferred: bool = False


def _kind(value: Any) -> Any:
    """A kind by any of the words that files use."""
    if not isinstance(value, str):
        return value
    plain = " ".join(value.lower().split())
    return SPELT.get(plain, plain)


READING: TypeAdapter[Reading] = TypeAdapter(Reading)


@dataclass(frozen=True, config=STRICT)
class OwnedPaint:
    """A paint. ``kind``: None where nobody said; it then follows from medium and opacity.
    ``colour``: the label's; ``left_ml`` None: nobody knows; ``price``: of a pot of ``size_ml``;
    ``density``: g/ml; ``tare_g``: the empty pot."""

    name: Name
    colour: Colour
    range: Annotated[str, Field(max_length=60)] = ""
    code: Annotated[str, Field(max_length=40)] = ""
    medium: Name = "acrylic"
    kind: Annotated[PaintKind | None, BeforeValidator(_kind)] = None
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
        read = [one.colour for one in told_by(self.swatches) if one.kind == "masstone"]
        return _mean(tuple(read)) if read else self.colour

    @property
    def seen_kind(self) -> PaintKind:
        """As stated, or as follows from its medium and opacity."""
        return kind_from(self.kind, self.medium, self.opacity)

    @property
    def sounds_like(self) -> PaintKind | None:
        """The kind that its name sounds like, where nobody said one and it would be another."""
        heard = None if self.kind else proposed(self.name)
        return heard if heard != self.seen_kind else None

    @property
    def seen_opacity(self) -> Opacity:
        """As stated, or as is usual for its kind."""
        return self.opacity or ROWS[self.seen_kind].opacity

    @property
    def clear(self) -> bool:
        """A varnish, a medium, a thinner or a fluid: it has no colour to match with."""
        return ROWS[self.seen_kind].has(KindTrait.COLOURLESS)

    @property
    def twin_key(self) -> tuple[str, str, str]:
        """Pots with the same are pots of one paint."""
        return name_key(self.name), name_key(self.range), name_key(self.code)

    @property
    def price_ml(self) -> float:
        """Price of a millilitre; 0 where it is not known."""
        return self.price / self.size_ml if self.price and self.size_ml else 0.0


PAINT: TypeAdapter[OwnedPaint] = TypeAdapter(OwnedPaint)


def told_by(swatches: Iterable[Reading]) -> tuple[Reading, ...]:
    """The dry swatches that tell of a paint: of a kind that was read, none that is inferred; of
    inferred ones the last, which was inferred from what all before had taught."""
    dry = [one for one in swatches if not one.wet]
    read = {one.kind for one in dry if not one.inferred}
    last = {one.kind: one for one in dry if one.inferred and one.kind not in read}
    return (*(one for one in dry if not one.inferred), *last.values())


def optics_of(paint: OwnedPaint) -> Optics:
    """How it colours, tints and hides, by its dry swatches where there are any."""
    return _optics(paint.colour, paint.seen_opacity, paint.seen_kind, told_by(paint.swatches))


@lru_cache(maxsize=4096)
def _optics(colour: str, opacity: Opacity, kind: PaintKind, dry: tuple[Reading, ...]) -> Optics:
    masstone = [one.colour for one in dry if one.kind == "masstone"]
    row = ROWS[kind]
    start = stated(
        _mean(tuple(masstone)) if masstone else colour, opacity, row.strength,
        row.has(KindTrait.PEARL),
    )  # fmt: skip
    told = [one for one in dry if one.kind != "masstone"]
    if not told or not row.strength:
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
    paints = list(paints)
    keep_reflectances(one.dry for one in paints)
    return Shelf(
        tuple(
            Paint(
                one.name, optics_of(one), one.medium,
                one.left_ml is None or one.left_ml > 0, one.price_ml, one.seen_kind,
                one.twin_key,
            )
            for one in paints
        )
    )  # fmt: skip
