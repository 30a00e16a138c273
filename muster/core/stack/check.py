"""Everything that a recipe's stack says: findings, waits, cautions."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from muster.core.craft.climate import Climate
from muster.core.craft.media import CARRIERS
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.zones import unknown_zones
from muster.core.errors import DomainError, nearest
from muster.core.recipes.recipe import Recipe
from muster.core.stack import rules as _rules
from muster.core.stack.cautions import Caution, cautions_of
from muster.core.stack.finding import SEVERITIES, Finding
from muster.core.stack.habits.house import Habits
from muster.core.stack.looking import look, with_good_repairs
from muster.core.stack.seal_offers import Offer, seals_that_save
from muster.core.stack.walk import Lifted, Walk, walk

assert _rules.__path__, "importing the package registers its rules"


@dataclass(frozen=True, slots=True)
class Report:
    """The whole report; findings the gravest first, then in the order of the passes."""

    walked: Walk
    findings: tuple[Finding, ...]
    cautions: tuple[Caution, ...]
    offers: tuple[Offer, ...] = ()
    """Seals that would shorten a long wait."""


def check(
    recipe: Recipe,
    climate: Climate | None = None,
    habits: Habits | None = None,
    tables: Tables = DEFAULTS,
    scale: int | None = None,
    lifted: Lifted = frozenset(),
    mend: bool = True,
) -> Report:
    """Walk a recipe and look at it by every rule. Raises DomainError for what cannot be walked.

    ``mend``: look for what mends it, too; each repair is tried, which takes as long as another
    look.
    """
    refuse_unknown(recipe, tables)
    walked = walk(recipe, climate, habits, tables, scale, lifted)
    order = {one.key: index for index, one in enumerate(walked.recipe.passes)}
    found = (
        with_good_repairs(recipe, walked)
        if mend
        else [replace(one, repairs=()) for one in look(walked)]
    )
    found += (*_own_zones(recipe, tables), *_unknown_materials(recipe, tables))
    found.sort(key=lambda one: (SEVERITIES.index(one.severity), order.get(one.key, -1), one.code))
    return Report(
        walked, tuple(found), tuple(cautions_of(walked.recipe, tables)),
        tuple(seals_that_save(recipe, walked)) if mend else (),
    )  # fmt: skip


def _own_zones(recipe: Recipe, tables: Tables) -> Iterator[Finding]:
    """Zones that the tables lack: each is taken for one of the recipe's own, beside nothing."""
    known = tables.zones[recipe.kind]
    for one in recipe.passes:
        for zone in unknown_zones(known, one.zones) if one.part is None else ():
            alike = nearest(zone, known)
            near = f"; {alike}" if alike.startswith("did you mean") else ""
            words = f"no zone '{zone}' is known on a {recipe.kind}: taken for a new one{near}"
            yield Finding("zone of its own", "note", words, one.key)


def _unknown_materials(recipe: Recipe, tables: Tables) -> Iterator[Finding]:
    """Materials of parts and joints that the tables lack: no rule speaks of them."""
    said = [("", row.material) for row in recipe.materials]
    said += [(one.key, name) for one in recipe.passes for name in one.materials]
    for key, name in said:
        if name not in tables.materials:
            near = nearest(name, tables.materials)
            words = f"no material is called '{name}', so nothing is said of it: {near}"
            yield Finding("unknown material", "note", words, key)


def refuse_unknown(recipe: Recipe, tables: Tables = DEFAULTS) -> None:
    """Refuse media, techniques, glues and materials that nobody knows. Raises DomainError."""
    complaints = []
    glues = set(tables.glues)
    if recipe.material not in tables.materials:
        known = ", ".join(tables.materials)
        complaints.append(f"no material is called '{recipe.material}': use {known}")
    for one in recipe.passes:
        if one.medium is not None and one.medium not in tables.media:
            near = nearest(one.medium, tables.media)
            complaints.append(f"pass '{one.name}': no medium is called '{one.medium}': {near}")
        for word, said, words in (
            ("technique", one.technique, set(tables.techniques)),
            ("glue", one.adhesive, glues),
            ("carrier", one.carrier, set(CARRIERS)),
        ):
            if said is not None and said not in words:
                near = nearest(said, sorted(words))
                complaints.append(f"pass '{one.name}': no {word} is called '{said}': {near}")
    if complaints:
        raise DomainError(*complaints)
