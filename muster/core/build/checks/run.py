"""Every check on a build."""

from __future__ import annotations

from collections.abc import Mapping
from importlib import import_module
from pkgutil import iter_modules

from muster.core.build import checks
from muster.core.build.assess import Assessor
from muster.core.build.checks.finding import CHECKS, BuildFinding, Checked
from muster.core.build.choose import Chosen
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.recipes.recipe import Recipe

for _module in sorted(each.name for each in iter_modules(checks.__path__)):
    if _module.startswith("c"):
        import_module(f"{checks.__name__}.{_module}")

GRAVITY = ("warning", "note")


def check_build(
    recipe: Recipe, assessor: Assessor, chosen: Chosen, scale: int,
    units: Mapping[str, int] | None = None, tables: Tables = DEFAULTS,
) -> tuple[BuildFinding, ...]:  # fmt: skip
    """What is wrong, the gravest first. ``scale``: of the model; ``units``: of the muster, by id,
    with their scales."""
    checked = Checked(recipe, assessor, chosen, tables, scale, units or {})
    found = [one for check in CHECKS for one in check(checked)]
    return tuple(sorted(found, key=lambda one: GRAVITY.index(one.severity)))
