"""Small kits, a tracked vehicle's recipe, and what is worked out of them."""

from __future__ import annotations

import random
from dataclasses import replace
from typing import Any

from muster.core.build.assess import Assessor
from muster.core.build.built import BuiltRecipe, build_recipe
from muster.core.build.checks.finding import BuildFinding
from muster.core.build.checks.run import check_build
from muster.core.build.choose import Chooser, Chosen
from muster.core.build.kit import (
    Build,
    Cover,
    Job,
    Joint,
    JointChoice,
    Kit,
    Part,
    complaints_of,
)
from muster.core.build.stages import staged
from muster.core.build.templates.all import templates_for
from muster.core.build.templates.shape import TEMPLATES
from muster.core.craft.tables import DEFAULTS
from muster.core.recipes.recipe import MixPart, Recipe
from muster.core.vocabulary import Kind
from tests.core.making import a_pass


def sprayed(key: str, minutes: float = 4, **more: Any) -> Any:
    return a_pass(key, minutes, technique="spray", tool="airbrush", colour="#7a3b2a", **more)


def brushed(key: str, minutes: float = 4, **more: Any) -> Any:
    return a_pass(key, minutes, tool="brush", colour="#444444", mix=(MixPart(key),), **more)


HAULER = Recipe("hauler", "Hauler", "vehicle", 1, (
    sprayed("undercoat", 0.5, purpose="ground"), sprayed("main", 5),
    brushed("wheels", 6, zones=("wheels",)), brushed("tracks", 4, zones=("tracks",)),
    brushed("cab", 3, zones=("inside",)), brushed("faces", 3, zones=("crew",)),
    a_pass("gloss", 2, technique="varnish", tool="airbrush", finish="gloss"),
    a_pass("numbers", 6, technique="decal"),
    a_pass("seal", 2, technique="varnish", tool="airbrush", finish="satin"),
    a_pass("pin", 8, technique="pin wash", tool="brush"),
    a_pass("dust", 4, technique="stipple", tool="sponge"),
    a_pass("matt", 0.5, technique="varnish", tool="airbrush", finish="matt"),
))  # fmt: skip


def house(*passes: Any, kind: Kind = "building") -> Recipe:
    """A building, sprayed, dry-brushed, washed, dulled."""
    usual = (
        sprayed("undercoat", 3, purpose="ground"),
        a_pass("planks", 12, technique="dry-brush", tool="brush"),
        a_pass("pale", 8, technique="dry-brush", tool="brush"),
        a_pass("wash", 1, technique="wash", tool="brush"),
        a_pass("matt", 0.5, technique="varnish", tool="airbrush", finish="matt"),
    )
    return Recipe("house", "House", kind, 1, passes or usual, material="wood")


def kit(*parts: Part, joints: tuple[Joint, ...] = (), jobs: tuple[Job, ...] = ()) -> Kit:
    """A kit that holds together."""
    made = Kit("Sluice works", parts, joints, jobs)
    assert complaints_of(made) == []
    return made


def template(code: str) -> Kit:
    """The kit of a template."""
    return TEMPLATES[code].kit


def chooser(recipe: Recipe, build: Build, fixed_habit: bool = False) -> Chooser:
    """What chooses for a build."""
    return Chooser(Assessor(build, staged(recipe, build.kit, DEFAULTS)), fixed_habit)


def chosen(recipe: Recipe, build: Build) -> Chosen:
    """The choice."""
    return chooser(recipe, build).choose()


def found(
    recipe: Recipe, build: Build, scale: int = 72, units: dict[str, int] | None = None
) -> tuple[BuildFinding, ...]:
    """What is wrong with a build."""
    made = chooser(recipe, build)
    return check_build(recipe, made.assessor, made.choose(), scale, units)


def codes(findings: tuple[BuildFinding, ...]) -> list[str]:
    """What they are."""
    return [one.code for one in findings]


def built(recipe: Recipe, build: Build) -> BuiltRecipe:
    """What a kit makes of a recipe."""
    return build_recipe(recipe, build)


def placed(build: Build, joint: str, before: str, way: Any = None) -> Build:
    """The build with a joint closed before a pass."""
    return replace(build, choices=(*build.choices, JointChoice(joint, way, before)))


assert templates_for("vehicle"), "importing them registers them"

ZONES = ("upper", "lower", "running gear", "wheels", "tracks", "front", "metal", "stowage",
         "lights", "inside", "crew")  # fmt: skip


def random_kit(seed: int, parts: int, joints: int = 0, jobs: int = 0) -> Kit:
    """A kit of so many parts, each on one of those before it; further joints only align."""
    dice = random.Random(seed)
    made = [
        Part(f"p{n}", f"Part {n}", (ZONES[n - 1],) if 0 < n <= len(ZONES) else (),
             fragile=dice.random() < 0.2, painted=dice.random() < 0.9)
        for n in range(parts)
    ]  # fmt: skip
    rows = []
    for n in range(1, parts):
        on = dice.randrange(max(0, n - 5), n)
        inner = {f"p{dice.randrange(1, parts)}"} - {f"p{n}", f"p{on}"}
        shown = Cover(dice.choice(ZONES), round(dice.random(), 2), seen=dice.random() < 0.6)
        rows.append(Joint(
            f"j{n}", f"p{n}", f"p{on}", fit_min=dice.uniform(0.5, 5),
            again_min=dice.uniform(0, 4), mask_min=dice.uniform(1, 9), hard=dice.random(),
            aligns=dice.random() < 0.3, weak=dice.random() < 0.3, gap=dice.random() < 0.2,
            lifts=f"p{on}" if on and dice.random() < 0.2 else None,
            closes=tuple(inner) if dice.random() < 0.2 else (),
            covers=(shown,) if dice.random() < 0.4 else (),
        ))  # fmt: skip
    while len(rows) < joints:
        one, two = dice.sample(range(1, parts), 2)
        rows.append(Joint(f"j{len(rows) + 1}", f"p{one}", f"p{two}"))
    work = [
        Job(f"k{n}", dice.choice(("clean", "drill", "fill", "sand")), f"p{dice.randrange(parts)}",
            minutes=dice.uniform(0.5, 4),
            before=dice.choice(rows).id if dice.random() < 0.2 else None)
        for n in range(jobs)
    ]  # fmt: skip
    return Kit("random", tuple(made), tuple(rows), tuple(work))
