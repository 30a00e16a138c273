"""Everything that a recipe's stack says: findings, waits, cautions."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.craft.climate import Climate
from muster.core.craft.media import CARRIERS
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.zones import unknown_zones
from muster.core.errors import DomainError, nearest
from muster.core.recipes.recipe import Recipe
from muster.core.stack import rules as _rules
from muster.core.stack.cautions import Caution, cautions_of
from muster.core.stack.finding import (
    RULES,
    SEVERITIES,
    Change,
    Finding,
    Remove,
    Repair,
    Several,
)
from muster.core.stack.habits.house import Habits
from muster.core.stack.walk import Walk, walk
from muster.core.vocabulary import MOST_MINUTES

assert _rules.__path__, "importing the package registers its rules"


@dataclass(frozen=True, slots=True)
class Report:
    """The whole report; findings the gravest first, then in the order of the passes."""

    walked: Walk
    findings: tuple[Finding, ...]
    cautions: tuple[Caution, ...]


def check(
    recipe: Recipe,
    climate: Climate | None = None,
    habits: Habits | None = None,
    tables: Tables = DEFAULTS,
) -> Report:
    """Walk a recipe and look at it by every rule. Raises DomainError for what cannot be walked."""
    refuse_unknown(recipe, tables)
    walked = walk(recipe, climate, habits, tables)
    order = {one.key: index for index, one in enumerate(walked.recipe.passes)}
    found = [finding for rule in RULES.values() for finding in rule.findings(walked)]
    if len(walked.recipe.passes) == 1:
        found = [_kept_whole(finding) for finding in found]
    found = [replace(one, repairs=tuple(filter(_can_be, one.repairs))) for one in found]
    found.sort(key=lambda one: (SEVERITIES.index(one.severity), order.get(one.key, -1), one.code))
    return Report(walked, tuple(found), tuple(cautions_of(walked.recipe, tables)))


def _can_be(repair: Repair) -> bool:
    """Whether what a repair states is a value that a pass can have: no wait is longer than that."""
    steps = repair.steps if isinstance(repair, Several) else (repair,)
    waits = [
        value
        for step in steps
        if isinstance(step, Change)
        for name, value in step.values
        if name == "stand_min"
    ]
    return all(not isinstance(wait, int | float) or wait <= MOST_MINUTES for wait in waits)


def _kept_whole(finding: Finding) -> Finding:
    """A finding without the repair that would take the only pass out: a recipe needs one."""
    repairs = tuple(repair for repair in finding.repairs if not isinstance(repair, Remove))
    return replace(finding, repairs=repairs)


def refuse_unknown(recipe: Recipe, tables: Tables = DEFAULTS) -> None:
    """Refuse zones that the subject lacks and media that nobody knows. Raises DomainError."""
    complaints = []
    zones = tables.zones[recipe.kind]
    glues = {name for held in tables.holds.values() for name in held}
    if recipe.material not in tables.materials:
        known = ", ".join(tables.materials)
        complaints.append(f"no material is called '{recipe.material}': use {known}")
    for one in recipe.passes:
        for zone in unknown_zones(zones, one.zones):
            known = ", ".join((*zones, "recesses", "edges"))
            complaints.append(
                f"pass '{one.name}': no zone '{zone}' on a {recipe.kind}: use {known}"
            )
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
