"""Parts in the plan: they are painted on their own, meet at their joints, and nothing is lost."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest

from muster.core.build.built import BUILD_STEPS, build_recipe
from muster.core.build.kit import Build, JointChoice, Mishap, Part
from muster.core.build.templates.shape import TEMPLATES
from muster.core.choices import Unit
from muster.core.craft.tables import DEFAULTS
from muster.core.pipeline import Derived, derive, plan_first
from muster.core.plan.checking import check as check_plan
from muster.core.plan.plan import Plan
from muster.core.recipes.recipe import Recipe
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.snapshot import Snapshot
from muster.core.stack.check import check
from muster.core.stack.parts import reaches
from muster.core.views.build import build_view
from muster.core.views.build_tried import ways_planned
from muster.core.views.shortly import planned_shortly
from tests.core.build.making import HAULER, built, chooser, template
from tests.core.making import NOW, choices, evenings, ticks, unit


def haulers(build: Build, count: int = 3, **more: Any) -> Unit:
    return unit(count, id="haul", name="Haulers", kind="vehicle", recipe="hauler", build=build,
                **more)  # fmt: skip


def planned(*units: Unit, facts: Any = (), **more: Any) -> tuple[Derived, Plan]:
    known = {(one.id, one.version): one for one in (*STARTERS, HAULER)}
    force = choices(*units, evenings=evenings(14), **more)
    made, plan = plan_first(derive(Snapshot(force, facts, known, NOW)))
    assert check_plan(made.instance.problem, plan) == []
    return made, plan


def spans(made: Derived, plan: Plan) -> dict[str, tuple[int, int]]:
    """By pass of a call, from its first start to its last end."""
    found: dict[str, tuple[int, int]] = {}
    for block in plan.blocks:
        if block.do == "work":
            key = made.calls[block.ref].keys[0]
            start, _ = found.get(key, (block.start, 0))
            found[key] = (start, block.end)
    return found


@pytest.mark.parametrize("code", TEMPLATES)
def test_a_plan_of_every_template_passes_its_checker_and_leaves_nothing(code: str) -> None:
    kind = TEMPLATES[code].kinds[0]
    recipe = HAULER if kind == "vehicle" else next(one for one in STARTERS if one.kind == kind)
    made, plan = planned(unit(3, kind=kind, recipe=recipe.id, build=Build(template(code))))
    assert not plan.left
    assert not made.trouble


def zones_in_order(recipe: Recipe) -> dict[str, list[str]]:
    """By zone, the recipe's own passes that meet it."""
    found: dict[str, list[str]] = {}
    names = {one.key: one.name.partition(":")[0] for one in recipe.passes}
    for one, reach in zip(recipe.passes, reaches(recipe, DEFAULTS), strict=True):
        if DEFAULTS.techniques[one.technique].act not in BUILD_STEPS:
            for zone in reach.zones:
                found.setdefault(zone, []).append(names[one.key])
    return found


@pytest.mark.parametrize("code", ["tracked-bands", "tracked-links", "wheeled-vehicle"])
@pytest.mark.parametrize("way", [None, "fix", "apart"])
def test_every_zone_gets_the_passes_that_it_got_in_one_piece_in_their_order(
    code: str, way: Any
) -> None:
    """Decals apart: those go where the markings are, whole or not."""
    kit = template(code)
    said = tuple(JointChoice(one.id, way) for one in kit.joints) if way else ()
    mine = zones_in_order(built(HAULER, Build(kit, choices=said)).recipe)
    whole = zones_in_order(replace(HAULER, passes=HAULER.passes))
    for zone in ("upper", "lower", "wheels", "tracks", "front", "lights"):
        assert [one for one in mine[zone] if one != "numbers"] == [
            one for one in whole[zone] if one != "numbers"
        ], zone


def test_fixed_first_passes_take_what_the_recipe_says_and_what_cutting_in_takes() -> None:
    build = Build(template("tracked-bands"), choices=tuple(
        JointChoice(one.id, "fix") for one in template("tracked-bands").joints
    ))  # fmt: skip
    made = built(HAULER, build)
    own = {one.key for one in HAULER.passes}
    paint = sum(one.minutes for one in made.recipe.passes if set(made.sources[one.key]) & own)
    assessor = chooser(HAULER, build).assessor
    beside = sum(
        line.minutes for name in assessor.joints for line in assessor.of(name, "fix", 0).lines
        if line.what in ("cutting in beside it", "painting over overspray")
    )  # fmt: skip
    assert beside > 5
    whole = sum(one.minutes for one in HAULER.passes)
    assert paint == pytest.approx(whole + beside, abs=0.1)


@pytest.mark.parametrize("code", ["tracked-bands", "wheeled-vehicle", "boat"])
def test_the_stack_finds_nothing_worse_in_what_is_built_than_in_one_piece(code: str) -> None:
    before = {one.code for one in check(HAULER, scale=72).findings if one.severity == "error"}
    made = built(HAULER, Build(template(code))).recipe
    after = {one.code for one in check(made, scale=72).findings if one.severity == "error"}
    assert after <= before


def test_a_joint_waits_for_both_of_its_sides_and_the_whole_for_its_glue() -> None:
    made, plan = planned(haulers(Build(template("tracked-bands"))))
    at = spans(made, plan)
    assert at["on-gear"][0] >= at["gear-dust"][1]
    assert at["on-gear"][0] >= at["dust"][1]
    joint = made.instance.problem.tasks[next(id for id in made.calls if "/on-gear" in id)]
    assert at["matt"][0] >= at["on-gear"][1] - (joint.per_item_s * 2) + joint.dry_s
    links = {(one.before.keys[0], one.after.keys[0]) for one in made.instance.follows}
    assert ("gear-undercoat", "undercoat") not in links
    assert ("undercoat", "gear-undercoat") not in links, "neither waits for the other"


def test_items_of_parts_are_told_by_where_they_hang() -> None:
    made, _ = planned(haulers(Build(template("truck-with-cab"), choices=(
        JointChoice("on-inside", "apart"), JointChoice("on-driver", "apart"),
    ))))  # fmt: skip
    items = set(made.instance.problem.items)
    assert {"haul-1", "haul-1/inside", "haul-1/inside/driver"} <= items
    weights = made.instance.problem.items
    assert weights["haul-1/inside"].weight == 0, "parts count as no models"


def test_the_wheels_of_six_vehicles_are_sprayed_together_and_meet_them_again() -> None:
    kit = template("tracked-bands")
    gear = tuple(replace(one, together=one.id == "gear") for one in kit.parts)
    build = Build(replace(kit, parts=gear))
    made, plan = planned(haulers(build, 6, tray_size=2))
    wheels = [call for call in made.calls.values() if call.keys[0] == "gear-main"]
    assert [call.models for call in wheels] == [(1, 2, 3, 4, 5, 6)]
    assert wheels[0].tray_name == "Haulers, gear"
    joints = [call for call in made.calls.values() if call.keys[0] == "on-gear"]
    assert [call.models for call in joints] == [(1, 2), (3, 4), (5, 6)]
    end = max(b.end for b in plan.blocks if b.ref.endswith("/gear-dust"))
    assert all(b.start >= end for b in plan.blocks if b.ref.endswith("/on-gear"))
    assert not plan.left


def test_a_crew_that_is_another_unit_is_done_before_it_is_fitted() -> None:
    kit = template("truck-with-cab")
    crew = tuple(replace(one, unit="pikes", painted=False) if one.id == "driver" else one
                 for one in kit.parts)  # fmt: skip
    _, plan = planned(
        unit(3, recipe="infantry-six"), haulers(Build(replace(kit, parts=crew)))
    )  # fmt: skip
    last = max(b.end for b in plan.blocks if b.do == "work" and b.ref.startswith("pikes"))
    first = min(b.start for b in plan.blocks if b.ref.endswith("/on-driver"))
    assert first >= last
    # A unit that has left the roll holds nothing up.
    alone, plan = planned(haulers(Build(replace(kit, parts=crew))))
    assert not alone.trouble
    assert not plan.left


def test_what_came_off_is_mended_on_those_models_alone() -> None:
    build = Build(template("tracked-bands"), mishaps=(Mishap("1", "broken", "lamps", (2,), 7),))
    made, plan = planned(haulers(build))
    call = next(one for one in made.calls.values() if one.keys[0] == "mishap-1")
    assert (call.models, call.per_item_s, call.name) == ((2,), 420, "mend the lamps and rails")
    assert not plan.left
    gone = replace(build, mishaps=(Mishap("1", "broken", "lamps", (9,), 7),))
    assert "mishap-1" not in {c.keys[0] for c in planned(haulers(gone))[0].calls.values()}


def test_what_was_painted_before_there_was_a_kit_was_painted_whole() -> None:
    """Undercoated and sprayed, then taken apart on paper: nothing is done twice."""
    told = tuple(
        replace(one, unit="haul")
        for one in (*ticks(range(1, 4)), *ticks(range(1, 3), "main", 20, 5))
    )
    since = NOW + timedelta(hours=1)
    kit = template("tracked-bands")
    known = {("hauler", 1): HAULER}
    force = choices(haulers(Build(kit, since)), evenings=evenings(14))
    made = derive(Snapshot(force, told, known, NOW + timedelta(hours=2)))
    done = {key for _, model, key in made.state.ticks if model == 1}
    assert {"undercoat", "gear-undercoat", "main", "gear-main", "clean-lower", "on-upper",
            "drill-upper", "fill-upper"} <= done  # fmt: skip
    assert "wheels" not in done
    assert "on-gear" not in done
    third = {key for _, model, key in made.state.ticks if model == 3}
    assert "gear-undercoat" in third
    assert "gear-main" not in third
    # Ticked with the kit at hand, a pass says what it says.
    later = derive(Snapshot(
        replace(force, units=(haulers(Build(kit, datetime(2027, 1, 1, tzinfo=UTC))),)), told,
        known, NOW + timedelta(hours=2),
    ))  # fmt: skip
    assert ("haul", 1, "gear-main") not in later.state.ticks


def test_leaving_apart_is_not_asked_of_passes_that_are_not_done_from_afar() -> None:
    far = replace(HAULER, passes=tuple(
        replace(one, tier="close") if one.key == "wheels" else one for one in HAULER.passes
    ))  # fmt: skip
    made = derive(Snapshot(choices(haulers(Build(template("tracked-bands")), tier="table")), (),
                           {("hauler", 1): far}, NOW))  # fmt: skip
    assert "wheels" not in {call.keys[0] for call in made.calls.values()}
    assert all(stage != "wheels" for ids in made.works["haul"].sources.values() for stage in ids)


def test_a_part_that_the_recipe_knows_keeps_its_passes() -> None:
    """A recipe that paints its wheels apart already, with a joint of its own."""
    solvent = next(one for one in STARTERS if one.id == "vehicle-solvent")
    kit = template("tracked-bands")
    wheels = tuple(replace(one, id="wheels") if one.id == "gear" else one for one in kit.parts)
    joints = tuple(
        replace(one, part="wheels" if one.part == "gear" else one.part,
                lifts="wheels" if one.lifts == "gear" else one.lifts)
        for one in kit.joints
    )  # fmt: skip
    jobs = tuple(replace(one, part="wheels") if one.part == "gear" else one for one in kit.jobs)
    made = build_recipe(solvent, Build(replace(kit, parts=wheels, joints=joints, jobs=jobs)))
    keys = [one.key for one in made.recipe.passes]
    assert "fit" not in keys, "the kit's joint does that"
    painted = next(one for one in made.recipe.passes if one.key == "wheels")
    assert painted.part == "wheels"
    assert keys.index("wheels") < keys.index("on-gear")


def test_the_list_for_the_bench_fills_a_box_when_every_coat_is_on() -> None:
    coated = replace(HAULER, passes=tuple(
        replace(one, coats=2) if one.key == "faces" else one for one in HAULER.passes
    ))  # fmt: skip
    build = Build(template("tracked-bands"))

    def done(*keys: str) -> int:
        told = tuple(replace(one, unit="haul") for key in keys for one in ticks(range(1, 4), key))
        snapshot = Snapshot(choices(haulers(build)), told, {("hauler", 1): coated}, NOW)
        made = derive(snapshot)
        view = build_view(made, made.snapshot.choices.units[0])
        assert view is not None
        return next(one.done for one in view.order if one.key == "faces")

    assert (done(), done("faces-coat-1"), done("faces-coat-1", "faces-coat-2")) == (0, 0, 3)
    assert done("faces") == 3


def test_the_way_that_stands_is_planned_where_it_was_put() -> None:
    end = Build(template("tracked-bands"), choices=(JointChoice("on-lamps", "apart", "end"),))
    made, plan = planned(haulers(end))
    rows = {one.way: one for one in ways_planned(made, plan, "haul", "on-lamps")}
    as_it_stands = planned_shortly(made, plan)
    end_of = max(block.end for block in as_it_stands.blocks if block.do == "work")
    assert rows["apart"].hands_on_s == as_it_stands.score.hands_on_s
    assert rows["apart"].finish == made.instance.moment(end_of)
    assert rows["fix"].finish != rows["apart"].finish


def test_wheels_painted_apart_by_the_recipe_are_part_of_the_running_gear_of_the_kit() -> None:
    solvent = next(one for one in STARTERS if one.id == "vehicle-solvent")
    made = build_recipe(solvent, Build(template("tracked-bands")))
    keys = [one.key for one in made.recipe.passes]
    assert "fit" not in keys, "or they would be fitted twice"
    wheels = next(one for one in made.recipe.passes if one.key == "wheels")
    assert wheels.zones == ("wheels",)
    assert wheels.part in (None, "gear")


@pytest.mark.parametrize("code", TEMPLATES)
def test_what_is_proposed_wakes_no_rule_of_the_stack(code: str) -> None:
    """Beyond what it says of the recipe in one piece; its own figures meet its own rules."""
    for recipe in (one for one in STARTERS if one.kind in TEMPLATES[code].kinds):
        before = {one.code for one in check(recipe).findings}
        after = check(build_recipe(recipe, Build(template(code))).recipe).findings
        new = [one for one in after if one.code not in before and one.severity == "error"]
        assert [one.words for one in new] == []
        rules = {"fragile early", "painted joint", "wrong glue", "no reach", "frosted"}
        assert not [one.words for one in after if one.code in rules - before]


def test_a_kit_of_one_part_changes_nothing() -> None:
    from muster.core.build.kit import Kit

    one = Kit("one", (Part("body", "Body", ("upper", "lower")),))
    made = built(HAULER, Build(one)).recipe
    assert [(p.key, p.minutes, p.part) for p in made.passes] == [
        (p.key, p.minutes, None) for p in HAULER.passes
    ]
