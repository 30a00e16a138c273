"""One order of work out of passes, jobs and joints: it breaks no need, and every circle that is
told is a real one, and the smallest through what it is told of."""

from __future__ import annotations

from collections import deque
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.build.checks.c01_closed_in import findings as closed_in
from muster.core.build.checks.finding import Checked
from muster.core.build.kit import Build, Joint, JointChoice, Part
from muster.core.build.needs import Need, Step, circles_of, needs_of
from muster.core.craft.tables import DEFAULTS
from tests.core.build.making import HAULER, built, chooser, kit, random_kit, template


def shortest(needs: list[Need], start: Step, goal: Step) -> int | None:
    """Steps from one to another, looked for in a plain way."""
    far, open_ = {start: 0}, deque([start])
    while open_:
        at = open_.popleft()
        if at == goal:
            return far[at]
        for one in needs:
            if one.before == at and one.after not in far:
                far[one.after] = far[at] + 1
                open_.append(one.after)
    return None


@settings(max_examples=60, deadline=None)
@given(st.integers(0, 10_000), st.integers(3, 9), st.lists(st.integers(0, 12), max_size=8))
def test_every_circle_is_real_and_smallest_and_none_is_missed(
    seed: int, parts: int, places: list[int]
) -> None:
    made = chooser(HAULER, Build(random_kit(seed, parts, jobs=4)))
    slots = {
        name: min(at, len(HAULER.passes)) for name, at in zip(made.order, places, strict=False)
    }
    needs = needs_of(made.assessor, {**dict.fromkeys(made.order, 0), **slots})
    circles = circles_of(needs)
    known = set(needs)
    for circle in circles:
        assert set(circle.needs) <= known, "each of its needs is one"
        ring = [one.before for one in circle.needs]
        assert [one.after for one in circle.needs] == [*ring[1:], ring[0]]
        told = circle.needs[0]
        back = shortest(needs, told.after, told.before)
        assert back is not None
        assert len(circle.needs) == back + 1
    # Where nothing is told, nothing comes before itself.
    if not circles:
        steps = {one.before for one in needs}
        assert all(
            shortest(needs, one.after, one.before) is None for one in needs if one.before in steps
        )


@settings(max_examples=60, deadline=None)
@given(st.integers(0, 10_000), st.integers(3, 12))
def test_the_order_breaks_no_need(seed: int, parts: int) -> None:
    """What goes in before what closes it in, holes before the hull, paint in the recipe's order,
    bare work before paint."""
    build = Build(random_kit(seed, parts, jobs=6))
    made = built(HAULER, build)
    keys = [one.key for one in made.recipe.passes]
    at = {each: n for n, key in enumerate(keys) for each in made.sources[key]}
    first = {
        each: keys.index(key) for key in reversed(keys) for each in made.sources[key]
    }  # fmt: skip
    for name in build.kit.joints_in_use:
        # To dry-fit it, or to bare its faces, is not to close it.
        closing = made.closing.get(name.id)
        if closing is not None:
            at[name.id] = first[name.id] = keys.index(closing)
    assessor = chooser(HAULER, build).assessor
    needs = needs_of(assessor, made.slots)
    told = {step for circle in circles_of(needs) for need in circle.needs
            for step in (need.before, need.after)}  # fmt: skip
    for need in needs:
        if need.why == "place" or {need.before, need.after} & told:
            continue
        before, after = at.get(need.before.name), first.get(need.after.name)
        if before is not None and after is not None:
            assert before <= after, need


def test_every_pass_joint_and_job_is_in_the_order_once_and_nothing_is_forgotten() -> None:
    for code in ("tracked-bands", "truck-with-cab", "open-topped", "boat"):
        build = Build(template(code))
        made = built(HAULER, build)
        inside = [each for key in made.sources for each in made.sources[key]]
        wanted = {joint.id for joint in build.kit.joints_in_use}
        wanted |= {one.key for one in HAULER.passes}
        left = {"marks-lower", "marks-hull"}
        wanted |= {job.id for job in build.kit.jobs} - left
        assert wanted <= set(inside)
        closing = [made.closing.get(joint.id) for joint in build.kit.joints_in_use]
        assert None not in closing


def circle(build: Build) -> list[str]:
    made = chooser(HAULER, build)
    checked = Checked(HAULER, made.assessor, made.choose(), DEFAULTS, 72, {})
    return [one.words for one in closed_in(checked)]


def test_what_closes_each_other_in_is_told_with_the_way_out_that_there_is() -> None:
    """No place is right for two lids that shut each other in: one must lift off."""
    made = kit(
        Part("hull", "Hull", ("upper",)), Part("a", "Front lid"), Part("b", "Rear lid"),
        joints=(Joint("j", "a", "hull", closes=("b",)), Joint("k", "b", "hull", closes=("a",))),
    )  # fmt: skip
    assert len(circle(Build(made))) == 1
    one = chooser(HAULER, Build(made))
    checked = Checked(HAULER, one.assessor, one.choose(), DEFAULTS, 72, {})
    offers = next(closed_in(checked)).offers
    assert [offer.words for offer in offers] == [
        "hold the rear lid by magnets, so that it lifts off"
    ] or [offer.words for offer in offers] == [
        "hold the front lid by magnets, so that it lifts off"
    ]
    assert circle(offers[0].build) == []


@pytest.mark.parametrize("before", ["undercoat", "main", "wheels", "gloss", "end"])
def test_a_roof_is_told_of_exactly_where_it_comes_before_who_sits_below(before: str) -> None:
    build = Build(template("truck-with-cab"), choices=(
        JointChoice("on-roof", "apart", before), JointChoice("on-driver", "apart", "gloss"),
    ))  # fmt: skip
    keys = [one.key for one in HAULER.passes]
    early = before != "end" and keys.index(before) < keys.index("gloss")
    assert bool([one for one in circle(build) if "driver" in one]) == early


def test_holes_are_drilled_before_the_hull_is_closed_and_its_seam_is_filled_after() -> None:
    keys = [one.key for one in built(HAULER, Build(template("tracked-bands"))).recipe.passes]
    inorder = ["drill-upper", "on-upper", "fill-upper", "sand-upper", "undercoat", "on-gear"]
    assert sorted(inorder, key=keys.index) == inorder


def test_tracks_go_on_when_the_lower_hull_is_weathered() -> None:
    keys = [one.key for one in built(HAULER, Build(template("tracked-bands"))).recipe.passes]
    assert keys.index("dust") < keys.index("on-gear") < keys.index("matt")


def test_a_recipe_that_assembles_leaves_that_to_the_joints() -> None:
    from tests.core.making import a_pass

    whole = replace(HAULER, passes=(
        a_pass("assemble", 20, technique="assemble"), *HAULER.passes[:3],
        a_pass("fit", 4, technique="glue", part="gear"), *HAULER.passes[3:],
    ))  # fmt: skip
    made = built(whole, Build(template("tracked-bands")))
    assert not {"assemble", "fit"} & {one.key for one in made.recipe.passes}
