"""A recipe is a list of passes, from the bare material up. Times are minutes."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.craft.clocks import Clock
from muster.core.errors import DomainError
from muster.core.vocabulary import (
    STRICT,
    TIERS,
    Colour,
    Cut,
    Finish,
    Kind,
    Millimetres,
    Minutes,
    Name,
    Purpose,
    Tier,
    Use,
)

MOST_PASSES = 120
"""Of a recipe, nested ones unfolded."""

SPARE_PASSES = 40
"""What an undercoat, habits and repairs may add to it."""

BUILT_PASSES = 1_000
"""Of a recipe that is built of a kit: its passes, parts, jobs and joints."""

MOST_PARTS = 99
"""Of one paint in a mix."""

LONG_MIN = 30.0
"""Work on one model that takes so long may be put down in the middle. Common practice."""


@dataclass(frozen=True, config=STRICT)
class MixPart:
    """So many parts of one paint or thinner."""

    name: Name
    parts: Annotated[int, Field(ge=1, le=MOST_PARTS)] = 1


def _dilution(value: Any) -> Any:
    """'1:3' as three parts of thinner to one of paint."""
    if isinstance(value, str) and value.startswith("1:"):
        return value[2:]
    return value


def _by_name(value: Any) -> Any:
    """A mapping of zones or parts as rows, as it is kept."""
    if not isinstance(value, dict):
        return value
    field = "material" if all(isinstance(one, str) for one in value.values()) else "cover"
    word = "part" if field == "material" else "zone"
    return [{word: name, field: said} for name, said in value.items()]


PartName = Annotated[str, Field(pattern=r"^[a-z0-9-]{1,24}$")]
Cover = Annotated[float, Field(ge=0.01, le=1)]
Trial = Literal["good", "too strong", "too weak", "lifted"]


@dataclass(frozen=True, config=STRICT)
class ZoneCover:
    """The share of one zone that a pass covers: a patch, or a step of a gradient."""

    zone: Name
    cover: Cover


@dataclass(frozen=True, config=STRICT)
class PartMaterial:
    """What a part is made of, where that is not what the rest is made of."""

    part: PartName
    material: Name


@dataclass(frozen=True, config=STRICT)
class RecipePart:
    """A part, the zones that are its own, and the part that takes it up (None: the main one).

    Where a recipe has such rows, a part is on its own until a pass joins it ``onto`` another, and
    the main part is worked without it until then.
    """

    part: PartName
    zones: Annotated[tuple[Name, ...], Field(max_length=20)] = ()
    onto: PartName | None = None
    main: bool = False
    """Whether it is the main one itself."""


PartMaterials = Annotated[
    tuple[PartMaterial, ...], Field(max_length=40), BeforeValidator(_by_name)
]  # fmt: skip
PartNames = Annotated[tuple[PartName, ...], Field(max_length=40)]
Scale = Annotated[int, Field(ge=1, le=1000)]
"""72 for 1/72."""


@dataclass(frozen=True, config=STRICT)
class Pass:
    """One pass of a recipe.

    ``stand_min`` and ``window_min`` count to the pass that follows it. ``dry_min`` and
    ``stand_min`` follow from the stack where they are None; a number is the user's own.
    ``carrier``: what it is thinned with, where not with its medium's. ``thick``: times a thin coat,
    or millimetres of ground paste. ``size_mm``: of the single mark of an effect. ``trial``: what a
    trial patch showed; ``tried``: how it came out.
    ``holds``: a smaller recipe done here, as its id and version: ``rust@1``.
    ``needs``: what must hold while it is worked, such as daylight; ``wants``: what had better.
    ``cut``: how its work may be cut; None: between models, long work on one model anywhere.
    ``purpose``: what it is for; None: it follows from the technique. ``all_but``: zones or parts
    that are left out; ``joints`` for the faces that will be glued. ``cover_by``: share of single
    zones. ``dilution``: parts of thinner to one of paint. ``varnish_share``: of varnish in the
    paint, whose sheen is the ``finish``. ``soak_s``: seconds in the liquid. ``materials``: the two
    that meet at a joint. ``fragile``: what is fitted snaps in the hand. ``varied``: tools or
    patterns are changed from model to model. ``onto``: of a joint, the part that takes the part up,
    where that is not the main one.
    """

    key: Annotated[str, Field(pattern=r"^[a-z0-9-]{1,24}$")]
    name: Name
    technique: Name
    minutes: Annotated[float, Field(ge=0.1, le=6000)]
    tool: Name | None = None
    mix: Annotated[tuple[MixPart, ...], Field(max_length=12)] = ()
    colour: Colour | None = None
    finish: Finish | None = None
    setup_min: Minutes = 0
    cleanup_min: Minutes = 0
    open_min: Minutes | None = None
    life_min: Minutes | None = None
    dry_min: Minutes | None = None
    clock: Clock = "water"
    stand_min: Minutes | None = None
    window_min: Minutes | None = None
    cut: Cut | None = None
    needs: Annotated[tuple[Name, ...], Field(max_length=12)] = ()
    wants: Annotated[tuple[Name, ...], Field(max_length=12)] = ()
    tier: Tier = "table"
    part: PartName | None = None
    onto: PartName | None = None
    note: Annotated[str, Field(max_length=400)] = ""
    medium: Name | None = None
    carrier: Name | None = None
    zones: Annotated[tuple[Name, ...], Field(max_length=40)] = ()
    coats: Annotated[int, Field(ge=1, le=9)] = 1
    cover: Cover | None = None
    thick: Annotated[float, Field(ge=1, le=20)] = 1
    warm_air: bool = False
    adhesive: Name | None = None
    size_mm: Millimetres | None = None
    trial: Annotated[str, Field(max_length=400)] = ""
    holds: Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{1,40}@[0-9]{1,6}$")] | None = None
    purpose: Purpose | None = None
    all_but: Annotated[tuple[Name, ...], Field(max_length=40)] = ()
    cover_by: Annotated[tuple[ZoneCover, ...], Field(max_length=40), BeforeValidator(_by_name)] = ()
    dilution: Annotated[float, Field(ge=0, le=200), BeforeValidator(_dilution)] | None = None
    varnish_share: Annotated[float, Field(ge=0, le=1)] = 0
    soak_s: Annotated[float, Field(ge=0, le=1_000_000)] | None = None
    materials: Annotated[tuple[Name, ...], Field(max_length=2)] = ()
    fragile: bool = False
    varied: bool = False
    tried: Trial | None = None

    @property
    def breaks(self) -> Cut:
        """How its work may be cut: as stated, else by how long a model takes."""
        if self.cut is not None:
            return self.cut
        return "any" if self.minutes >= LONG_MIN else "item"

    @property
    def family(self) -> str | None:
        """The name under which passes share one opening: the mix on its tool."""
        if not self.tool:
            return None
        mix = " + ".join(f"{part.parts} {part.name}" for part in self.mix) or self.name
        return f"{self.tool}: {mix}"


@dataclass(frozen=True, config=STRICT)
class Recipe:
    """One version of a recipe."""

    id: Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{1,40}$")]
    name: Name
    kind: Kind
    version: Annotated[int, Field(ge=1, le=1_000_000)]
    passes: Annotated[tuple[Pass, ...], Field(min_length=1, max_length=BUILT_PASSES)]
    material: Name = "polystyrene"
    """A ``Material``, or a material of the user's own."""
    materials: PartMaterials = ()
    """Of parts that are made of something else."""
    use: Use = "played"
    fragile: PartNames = ()
    """Parts that snap in the hand."""
    scale: Scale = 72
    """For which its minutes and sizes of marks are said: 72 for 1/72."""
    parts: Annotated[tuple[RecipePart, ...], Field(max_length=120)] = ()
    """Parts with zones of their own, where it is built of a kit."""

    def for_tier(self, tier: Tier) -> tuple[Pass, ...]:
        """The passes worth doing for models seen from that distance."""
        reach = TIERS.index(tier)
        return tuple(p for p in self.passes if TIERS.index(p.tier) <= reach)


@dataclass(frozen=True, config=STRICT)
class Subject:
    """What a recipe is for: of what the model and its parts are made, whether they are played with,
    which of them are fragile, and for which scale its minutes are said."""

    material: Name = "polystyrene"
    materials: PartMaterials = ()
    use: Use = "played"
    fragile: PartNames = ()
    scale: Scale = 72


def subject_of(recipe: Recipe) -> Subject:
    """What a recipe is for."""
    return Subject(recipe.material, recipe.materials, recipe.use, recipe.fragile, recipe.scale)


def with_subject(recipe: Recipe, subject: Subject) -> Recipe:
    """The same for something else."""
    return replace(
        recipe, material=subject.material, materials=subject.materials, use=subject.use,
        fragile=subject.fragile, scale=subject.scale,
    )  # fmt: skip


RECIPE: TypeAdapter[Recipe] = TypeAdapter(Recipe)


def next_version(
    old: Recipe, name: str, passes: tuple[Pass, ...], subject: Subject | None
) -> Recipe:
    """A recipe changed: a name and a subject that are not given stay.

    Raises DomainError for a recipe without passes.
    """
    if not passes:
        raise DomainError("a recipe needs at least one pass: add one")
    new = replace(
        old, name=name.strip() or old.name, version=old.version + 1, passes=passes
    )  # fmt: skip
    return new if subject is None else with_subject(new, subject)


def complaints_of(recipe: Recipe) -> list[str]:
    """What in a recipe cannot hold, each with how to mend it."""
    found = []
    if len(recipe.passes) > MOST_PASSES:
        found.append(f"{len(recipe.passes)} passes: a recipe has at most {MOST_PASSES}: part it")
    keys = [one.key for one in recipe.passes]
    for one in recipe.passes:
        if keys.count(one.key) > 1:
            found.append(f"pass '{one.name}': the key {one.key} stands twice: rename one")
        if one.window_min is not None and one.window_min < (one.stand_min or 0):
            found.append(
                f"pass '{one.name}': its window of {one.window_min:g} min is shorter than its "
                f"stand of {one.stand_min:g} min: widen the window or shorten the stand"
            )
    return list(dict.fromkeys(found))
