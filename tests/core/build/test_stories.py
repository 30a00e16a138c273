"""What painters regret, each found, explained, and mended by its own offer; and the near cases in
which nothing is said."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.build.checks.finding import BuildFinding
from muster.core.build.kit import (
    Build,
    Cover,
    Fault,
    Job,
    Joint,
    JointChoice,
    Kit,
    Mishap,
    Part,
    complaints_of,
)
from muster.core.build.templates.shape import TEMPLATES
from muster.core.recipes.recipe import Recipe
from muster.core.recipes.starters_vehicles import STARTERS
from tests.core.build.making import HAULER, built, codes, found, house, kit, placed, template


def mended(recipe: Recipe, build: Build, code: str, which: int = 0, scale: int = 72) -> Build:
    """The build as the offer of a finding would have it: the finding is gone, and no other has
    come of it."""
    before = found(recipe, build, scale)
    one = next(each for each in before if each.code == code)
    then = one.offers[which].build
    assert complaints_of(then.kit) == []
    after = found(recipe, then, scale)
    assert {each.code for each in after} <= {each.code for each in before} - {code} | {
        each.code for each in before if sum(o.code == each.code for o in before) > 1
    }
    return then


def words(findings: tuple[BuildFinding, ...], code: str) -> str:
    return next(one.words for one in findings if one.code == code)


def test_the_closed_hull_and_the_undrilled_hole() -> None:
    left = Build(template("tracked-bands"), jobs_left=("drill-upper",))
    assert words(found(HAULER, left), "left closed") == (
        "left out: holes for rails, from inside; once the upper hull is on, nobody gets there again"
    )
    then = mended(HAULER, left, "left closed")
    keys = [one.key for one in built(HAULER, then).recipe.passes]
    assert keys.index("drill-upper") < keys.index("on-upper")


def test_marks_that_nobody_sees_are_left_out_and_nothing_is_said() -> None:
    """Ejector marks behind the wheels."""
    made = Build(template("tracked-bands"))
    assert found(HAULER, made) == ()
    assert "marks-lower" not in {
        each for ids in built(HAULER, made).sources.values() for each in ids
    }  # fmt: skip
    done = replace(made, jobs_done=("marks-lower",))
    assert any("marks-lower" in ids for ids in built(HAULER, done).sources.values())


def test_the_floor_that_closes_the_windows() -> None:
    bricks = house(
        *house().passes[:1], replace(house().passes[1], key="frames", zones=("windows",)),
        *house().passes[1:],
    )  # fmt: skip
    made = Build(template("brick-building"))
    assert "closed in" not in codes(found(bricks, made))
    early = placed(made, "on-floor", "undercoat", "fix")
    early = placed(early, "on-frames", "wash", "apart")
    said = found(bricks, early)
    shut = [one.words for one in said if one.code == "closed in"]
    assert "no way in for the window frames with the floors on: window frames first" in shut
    # Later floors would only be closed in by the roof in their turn: that is not offered. Each
    # offer that is taken leaves one trouble less, until there is none.
    build, many = early, len(shut)
    while many:
        one = next(each for each in found(bricks, build) if each.code == "closed in")
        assert len(one.offers) == 1
        build = one.offers[0].build
        left = codes(found(bricks, build)).count("closed in")
        assert left < many
        many = left


def test_the_cab_and_its_driver() -> None:
    made = Build(template("truck-with-cab"))
    assert "closed in" not in codes(found(HAULER, made))
    shut = placed(made, "on-roof", "undercoat", "fix")
    said = found(HAULER, shut)
    assert words(said, "closed in") == (
        "no way in for the driver with the cab roof on: driver first, or leave the cab roof out "
        "until 'faces' is done"
    )
    both = next(one for one in said if one.code == "closed in").offers
    assert [one.words for one in both] == ["driver first", "leave the cab roof out until then"]
    assert "closed in" not in codes(found(HAULER, both[1].build))
    assert words(said, "no reach") == (
        "with the cab roof on before 'undercoat', cab inside and driver can no longer be painted"
    )
    late = next(one for one in said if one.code == "no reach").offers[0].build
    assert "no reach" not in codes(found(HAULER, late))
    # The plan itself never closes him out: the roof waits, whatever was said.
    keys = [one.key for one in built(HAULER, shut).recipe.passes]
    assert keys.index("on-driver") < keys.index("on-roof")


def test_boxes_stacked_and_then_masked() -> None:
    """One finding less than an evening lost: what was said is weighed, and can be let go."""
    made = template("stack-of-boxes")
    said = Build(made, choices=tuple(JointChoice(one.id, "mask") for one in made.joints))
    free = Build(made)
    recipe = house(*house().passes, kind="base")

    def minutes(build: Build) -> float:
        return sum(one.minutes for one in built(recipe, build).recipe.passes)

    assert minutes(said) >= minutes(free)


def test_railings_before_the_wash() -> None:
    early = Build(template("timber-building"), choices=(JointChoice("on-rails", "fix"),))
    said = words(found(house(), early), "fragile early")
    assert said == (
        "the ladders and railings would be on for 3 rough passes, 'planks' first: thin parts snap"
    )
    mended(house(), early, "fragile early", 0)
    pinned = mended(house(), early, "fragile early", 1)
    assert any(job.work == "pin" and job.part == "rails" for job in pinned.kit.jobs)
    # What is proposed has weighed it, and says nothing.
    assert "fragile early" not in codes(found(house(), Build(template("timber-building"))))


def test_wheel_bores_and_the_roof_that_must_still_slide() -> None:
    made = template("timber-building")
    roof = next(one for one in made.joints if one.part == "roof")
    assert "sticks" not in codes(found(house(), Build(made)))
    bare = replace(made, joints=tuple(
        replace(one, keep_free="") if one.part == "roof" else one for one in made.joints
    ))  # fmt: skip
    assert words(found(house(), Build(bare)), "sticks") == (
        "the roof must still move: two films of paint and it sticks"
    )
    mended(house(), Build(bare), "sticks")
    glued = replace(roof, adhesive="superglue")
    stuck = replace(made, joints=tuple(glued if one.part == "roof" else one for one in made.joints))
    assert words(found(house(), Build(stuck)), "glued slide") == (
        "superglue on the roof, which must still move"
    )
    mended(house(), Build(stuck), "glued slide")


def test_axle_ends_are_kept_free_where_wheels_are_painted_apart() -> None:
    passes = built(HAULER, Build(template("tracked-bands"))).recipe.passes
    painted = [one for one in passes if one.part == "gear" and one.technique in ("spray", "brush")]
    assert painted
    assert all("joints" in one.all_but for one in painted)
    keys = [one.key for one in passes]
    assert keys.index("bare-on-gear") < keys.index("on-gear")


def test_struts_that_want_a_pin() -> None:
    made = template("aircraft")
    unpinned = replace(made, jobs=tuple(job for job in made.jobs if job.part != "struts"))
    recipe = next(one for one in STARTERS if one.kind == "aircraft")
    said = [one for one in found(recipe, Build(unpinned)) if one.code == "weak joint"]
    assert [one.part for one in said] == ["legs", "struts"]
    assert said[0].words == "the undercarriage: a joint this thin comes off again without a pin"
    assert [one.part for one in found(recipe, Build(made)) if one.code == "weak joint"] == ["legs"]


def test_a_joint_that_came_off_is_pinned_on_the_next() -> None:
    made = replace(template("figure-on-base"), jobs=())
    sword = replace(made.parts[1], fragile=False)
    made = replace(made, parts=(made.parts[0], sword, made.parts[2]))
    assert "weak joint" not in codes(found(HAULER, Build(made)))
    off = Build(made, mishaps=(Mishap("1", "came off", "weapon", (2,), 4.0),))
    assert words(found(HAULER, off), "weak joint") == (
        "the weapon came off before: pin it, or drill it for a rod"
    )
    mended(HAULER, off, "weak joint")
    once = built(HAULER, off)
    key = next(one.key for one in once.recipe.passes if one.name == "refit the weapon")
    assert once.models[key] == (2,)


def test_vinyl_tracks_that_are_painted_flat_crack() -> None:
    flat = Build(template("tracked-bands"), choices=(JointChoice("on-tracks", "apart"),))
    assert words(found(HAULER, flat), "cracks") == (
        "the tracks are painted flat and bent afterwards: the paint cracks"
    )
    # Fixed first the inner wheels could not be painted: that is not offered.
    assert [one.words for one in found(HAULER, flat)[0].offers] == [
        "bend them first, lift off as one"
    ]
    mended(HAULER, flat, "cracks")
    hard = replace(flat, kit=replace(flat.kit, parts=tuple(
        replace(one, material=None) for one in flat.kit.parts
    )))  # fmt: skip
    assert "cracks" not in codes(found(HAULER, hard))


def test_pipes_that_were_made_and_go_nowhere() -> None:
    made = template("printed-terrain")
    loose = replace(made, joints=tuple(one for one in made.joints if one.part != "pipes"))
    assert words(found(house(), Build(loose)), "goes nowhere") == (
        "the pipes go nowhere: made, and fitted to nothing"
    )
    fitted = mended(house(), Build(loose), "goes nowhere", 0)
    assert fitted.kit.joint("on-pipes") is not None
    spare = mended(house(), Build(loose), "goes nowhere", 1)
    assert [one.id for one in spare.kit.parts if not one.fitted] == ["pipes"]


@pytest.mark.parametrize(
    ("of", "into", "said"), [(87, 72, "83 %"), (35, 48, "137 %"), (76, 72, None), (72, 72, None)]
)
def test_a_crew_of_another_scale(of: int, into: int, said: str | None) -> None:
    """1/87 people in a 1/72 cab stand at 83 %: 72/87 = 0.8276. 1/76 beside 1/72 nobody sees."""
    made = template("truck-with-cab")
    crew = tuple(replace(one, scale=of) if one.id == "driver" else one for one in made.parts)
    build = Build(replace(made, parts=crew))
    findings = found(HAULER, build, into)
    if said is None:
        assert "other scale" not in codes(findings)
        return
    assert f"stand at {said.replace(' %', '%')}" in words(findings, "other scale")
    mended(HAULER, build, "other scale", scale=into)


def test_two_turrets_and_one_hull() -> None:
    def tank(*fitted: bool, hold: str = "glue") -> Build:
        parts = [Part("hull", "Hull", ("upper", "lower"))]
        joints = []
        for name, here in zip(("early", "late"), fitted, strict=True):
            parts.append(Part(name, f"{name} turret", option="turret", fitted=here))
            joints.append(Joint(f"on-{name}", name, "hull", hold=hold))  # type: ignore[arg-type]
        return Build(kit(*parts, joints=tuple(joints)))

    assert words(found(HAULER, tank(False, False)), "no option") == (
        "turret: the kit has 2, and none is chosen"
    )
    then = mended(HAULER, tank(False, False), "no option", 1)
    assert [one.id for one in then.kit.in_use] == ["hull", "late"]
    assert words(found(HAULER, tank(True, True)), "two options") == (
        "turret: the early turret and the late turret are both glued onto one place"
    )
    for which in range(3):
        mended(HAULER, tank(True, True), "two options", which)
    assert not found(HAULER, tank(True, False))
    assert not found(HAULER, tank(True, True, hold="magnet")), "held by magnets they are swapped"


@pytest.mark.parametrize(
    ("one", "glue", "code"),
    [("resin", "solvent cement", "wrong glue"), ("clear", "superglue", "frosted"),
     ("polystyrene", "solvent cement", None), ("resin", "superglue", None),
     ("clear", "white glue", None)],
)  # fmt: skip
def test_glue_by_the_two_materials(one: str, glue: str, code: str | None) -> None:
    """Common practice: solvent cement welds polystyrene alone, superglue frosts clear parts."""
    made = kit(
        Part("hull", "Hull", ("upper", "lower")),
        Part("part", "Part", material=one, painted=False),  # type: ignore[arg-type]
        joints=(Joint("j", "part", "hull", adhesive=glue),),
    )
    said = codes(found(HAULER, Build(made)))
    assert said == ([code] if code else [])
    if code:
        assert mended(HAULER, Build(made), code).kit.joints[0].adhesive is None


def test_a_seam_that_is_filled_after_paint() -> None:
    late = Build(template("tracked-bands"), choices=(JointChoice("on-upper", "apart"),))
    assert words(found(HAULER, late), "late seam") == (
        "the seam of the upper hull is filled and sanded after paint: it is painted twice"
    )
    mended(HAULER, late, "late seam")


def test_a_part_that_no_pass_paints() -> None:
    plain = replace(HAULER, passes=tuple(one for one in HAULER.passes if one.key != "faces"))
    said = found(plain, Build(template("truck-with-cab")))
    assert words(said, "unpainted") == (
        "no pass of the recipe paints the driver: undercoat is all there is"
    )
    mended(plain, Build(template("truck-with-cab")), "unpainted")


def test_crew_of_another_unit_that_has_left_the_roll() -> None:
    made = template("truck-with-cab")
    crew = tuple(replace(one, unit="crews") if one.id == "driver" else one for one in made.parts)
    build = Build(replace(made, parts=crew))
    assert "no such unit" in codes(found(HAULER, build))
    assert "no such unit" not in codes(found(HAULER, build, units={"crews": 72}))


@pytest.mark.parametrize("code", TEMPLATES)
def test_what_is_proposed_for_a_template_wakes_no_warning(code: str) -> None:
    """Its own figures meet its own rules."""
    for recipe in STARTERS:
        if recipe.kind in TEMPLATES[code].kinds:
            said = found(recipe, Build(template(code)))
            assert [one.words for one in said if one.severity == "warning"] == []


def test_a_cover_that_is_small_is_no_alarm() -> None:
    def gun(share: float) -> Build:
        made = kit(
            Part("hull", "Hull", ("lower",)), Part("shield", "Shield", ("upper",)),
            joints=(Joint("j", "shield", "hull", covers=(Cover("lower", share, seen=True),)),),
        )  # fmt: skip
        return Build(made, choices=(JointChoice("j", "fix"),))

    assert "no reach" in codes(found(HAULER, gun(0.5)))
    assert "no reach" not in codes(found(HAULER, gun(0.05)))


@pytest.mark.parametrize(
    ("kind", "part", "said", "offered"),
    [("brittle", "tracks", "tracks, a fault of this kit: brittle", "it is fragile"),
     ("fit", "upper", "upper hull, a fault of this kit: fit", "test-fit it, 2 min"),
     ("gap", "gear", "running gear, a fault of this kit: gap",
      "fill and sand its seam, 5 min"),
     ("missing", "stowage", "stowage, a fault of this kit: missing", "leave it off"),
     ("ejector marks", "stowage", "stowage, a fault of this kit: ejector marks",
      "clean them off, 3 min")],
)  # fmt: skip
def test_a_fault_of_the_kit_is_met_before_it_costs_anything(
    kind: str, part: str, said: str, offered: str
) -> None:
    made = template("tracked-bands")
    build = Build(replace(made, faults=(Fault(kind, part),)))  # type: ignore[arg-type]
    one = next(each for each in found(HAULER, build) if each.code == "kit fault")
    assert (one.words, one.offers[0].words, one.severity) == (said, offered, "note")
    mended(HAULER, build, "kit fault")
    known = Build(replace(made, faults=(Fault("odd part", part),)))
    assert not found(HAULER, known), "what only has to be known is no alarm"


def test_fragile_prints_want_spares() -> None:
    made = template("printed-terrain")
    assert "no spares" not in codes(found(house(), Build(made)))
    bare = replace(made, parts=tuple(replace(one, spares=0) for one in made.parts))
    assert words(found(house(), Build(bare)), "no spares") == (
        "the railings: fragile, printed, and none to spare"
    )
    mended(house(), Build(bare), "no spares")


def test_a_kit_that_cannot_hold_is_refused_with_how_to_mend_it() -> None:
    ring = Kit("ring", (Part("a", "A"), Part("b", "B"), Part("c", "C")),
               (Joint("j", "b", "c"), Joint("k", "c", "b")))  # fmt: skip
    assert complaints_of(ring) == [
        "b, c take each other up in a ring: join one of them to another part"
    ]
    twice = Kit("twice", (Part("a", "A"), Part("a", "A")), (Joint("j", "a", "x"),),
                (Job("k", "clean", "y"),))  # fmt: skip
    assert complaints_of(twice) == [
        "part 'a' stands twice: rename one", "joint 'j': the kit has no part 'x'",
        "job 'k': the kit has no part 'y'",
    ]  # fmt: skip
    upside = Kit("up", (Part("a", "A"), Part("b", "B")), (Joint("j", "a", "b"),))
    assert complaints_of(upside) == ["'A' is the main part: join the others onto it"]
