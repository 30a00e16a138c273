"""The choice: no worse than any other there is, explained by what it saves."""

from __future__ import annotations

import random
from dataclasses import replace
from itertools import product

import pytest

from muster.core.build.assess import Assessor
from muster.core.build.choose import MOST_NODES, Chooser, ways_of
from muster.core.build.kit import Build, Cover, Joint, JointChoice, Kit, Part
from muster.core.build.needs import settled
from muster.core.build.stages import staged
from muster.core.craft.tables import DEFAULTS
from muster.core.recipes.starters_vehicles import STARTERS
from tests.core.build.making import HAULER, chooser, chosen, house, kit, random_kit, template


def every_choice(made: Chooser) -> float:
    """The least minutes of all ways of all joints, each combination looked at by itself."""
    names = list(made.assessor.joints)
    ways = [made.open_ways(name) for name in names]
    tried = (made.evaluate(dict(zip(names, each, strict=True))) for each in product(*ways))
    return min(one.minutes for one in tried if one is not None)


@pytest.mark.parametrize("seed", range(60))
def test_no_choice_of_all_there_are_takes_less(seed: int) -> None:
    made = chooser(HAULER, Build(random_kit(seed, 3 + seed % 5)))
    best = made.choose()
    assert best.minutes == pytest.approx(every_choice(made))
    assert best.gap_min == 0


@pytest.mark.parametrize("seed", range(20))
def test_what_the_user_has_said_stands_and_the_rest_is_the_best_with_it(seed: int) -> None:
    made = random_kit(seed, 6)
    dice = random.Random(seed)
    one = dice.choice(made.joints)
    way = dice.choice(ways_of(one))
    said = chooser(HAULER, Build(made, choices=(JointChoice(one.id, way),)))
    best = said.choose()
    assert best.ways[one.id] == way
    assert best.minutes == pytest.approx(every_choice(said))


@pytest.mark.parametrize("seed", range(8))
def test_the_gap_of_a_large_kit_is_told_and_is_true(seed: int) -> None:
    """What is proven is no more than what any way of choosing reaches."""
    made = chooser(HAULER, Build(random_kit(seed, 40, 60)))
    best = made.choose()
    assert best.bound_min <= best.minutes + 1e-9
    dice = random.Random(seed)
    for _ in range(300):
        ways = {name: dice.choice(made.open_ways(name)) for name in made.order}
        other = made.evaluate(ways)
        assert other is None or other.minutes >= best.bound_min - 1e-9


def test_a_joint_is_told_by_what_it_saves_and_what_it_costs() -> None:
    """Wheels of another colour, hull behind them: masks and cutting in against handling."""
    made = chooser(HAULER, Build(template("tracked-bands")))
    best = made.choose()
    assert best.ways["on-gear"] == "apart"
    assert best.ways["on-tracks"] == "lift"
    assert best.ways["on-upper"] == "fix", "its seam is filled before paint"
    fixed = made.assessor.of("on-gear", "fix", 0)
    said = {line.what for line in fixed.lines}
    assert {"cutting in beside it", "getting at hull behind the wheels"} <= said


def test_a_roof_waits_for_who_sits_below_it() -> None:
    best = chosen(HAULER, Build(template("truck-with-cab")))
    for inner in ("on-driver", "on-inside", "on-glass"):
        assert best.slots["on-roof"] >= best.slots[inner]


def test_a_run_is_lifted_off_only_where_its_neighbour_is_not_glued_on() -> None:
    made = Build(template("tracked-links"), choices=(JointChoice("on-tracks", "lift"),))
    best = chosen(HAULER, made)
    assert best.ways["on-gear"] == "apart"
    assert best.slots["on-gear"] >= best.slots["on-tracks"]


def test_thin_rails_go_on_after_the_wash() -> None:
    """Dry-brushed twice and washed: thin parts snap in the hand."""
    best = chosen(house(), Build(template("timber-building")))
    keys = [one.key for one in house().passes]
    assert best.ways["on-rails"] == "apart"
    assert best.slots["on-rails"] == keys.index("wash") + 1


def test_boxes_of_one_colour_are_stacked_first_and_of_two_colours_are_not() -> None:
    """Boxes glued into a stack before painting cost an evening of masking."""
    made = template("stack-of-boxes")
    plain = house(*house().passes, kind="base")
    assert set(chosen(plain, Build(made)).ways.values()) == {"fix"}
    two = replace(made, parts=(
        replace(made.parts[0], zones=("ground",)), replace(made.parts[1], zones=("rocks",)),
        *made.parts[2:],
    ))  # fmt: skip
    spray = replace(plain.passes[0], key="rust", zones=("rocks",), purpose=None)
    red = replace(spray, key="red", zones=("ground",))
    coloured = replace(plain, passes=(plain.passes[0], spray, red, *plain.passes[1:]))
    assert chosen(coloured, Build(two)).ways["on-second"] == "apart"


def test_glass_and_what_stays_unpainted_is_not_on_while_all_is_sprayed() -> None:
    made = kit(
        Part("hull", "Hull", ("upper", "lower")), Part("glass", "Windows", ("glass",),
                                                      material="clear"),
        Part("ropes", "Ropes", painted=False),
        joints=(Joint("on-glass", "glass", "hull"), Joint("on-ropes", "ropes", "hull")),
    )  # fmt: skip
    best = chosen(HAULER, Build(made))
    assert best.slots["on-glass"] >= 2
    assert best.slots["on-ropes"] >= 2


def test_windows_go_in_when_the_spraying_is_over() -> None:
    best = chosen(house(), Build(template("brick-building")))
    assert best.slots["on-glass"] >= 1
    assert best.slots["on-floor"] >= best.slots["on-glass"], "the floors close the windows in"


def test_a_roof_that_must_still_slide_is_not_painted_on_its_walls() -> None:
    made = template("timber-building")
    assert chosen(house(), Build(made)).ways["on-roof"] == "apart"
    glued = replace(made, joints=tuple(replace(one, hold="glue") for one in made.joints))
    assert chosen(house(), Build(glued)).ways["on-roof"] == "fix"


def test_what_can_be_opened_again_closes_nothing_in() -> None:
    cab = kit(
        Part("hull", "Hull", ("upper",)), Part("crew", "Crew", ("crew",)), Part("roof", "Roof"),
        joints=(
            Joint("on-crew", "crew", "hull", hard=1),
            Joint("on-roof", "roof", "hull", closes=("crew",),
                  covers=(Cover("crew", seen=True),)),
        ),
    )  # fmt: skip
    assert chosen(HAULER, Build(cab)).slots["on-roof"] > 0
    loose = replace(cab, joints=(cab.joints[0], replace(cab.joints[1], hold="magnet")))
    assert chosen(HAULER, Build(loose)).slots["on-roof"] == 0


def test_under_the_habit_to_fix_first_little_is_not_worth_leaving_apart() -> None:
    made = Build(template("open-topped"))
    free = chooser(HAULER, made).choose()
    held = chooser(HAULER, made, fixed_habit=True).choose()
    apart = sum(way in ("apart", "lift") for way in free.ways.values())
    assert sum(way in ("apart", "lift") for way in held.ways.values()) < apart
    evaluated = chooser(HAULER, made).evaluate(held.ways)
    assert evaluated is not None
    assert held.minutes == pytest.approx(evaluated.minutes), "the margin is no work"


def test_minutes_of_a_joint_are_those_of_its_lines() -> None:
    made = Kit("two", (Part("a", "A", ("upper",)), Part("b", "B", ("wheels",))),
               (Joint("j", "b", "a", fit_min=3, again_min=2, mask_min=5, hard=0.5),))  # fmt: skip
    assessor = Assessor(Build(made), staged(HAULER, made, DEFAULTS))
    fixed = assessor.of("j", "fix", 0)
    # The wheels' brush takes six minutes; half as long again beside the hull.
    assert {line.what: line.minutes for line in fixed.lines} == {
        "fitting it": 3, "cutting in beside it": 3,
    }  # fmt: skip
    late = assessor.late(assessor.joints["j"])
    assert HAULER.passes[late - 1].key == "wheels"
    apart = assessor.of("j", "apart", late)
    work = {line.what: line.minutes for line in apart.lines if not line.risk}
    # Three passes on a holder of its own: two sprayed, one by brush.
    assert work == {
        "fitting it": 5, "baring the faces": 1, "handling it by itself": 0.25 * 2 + 0.4 + 0.5,
    }  # fmt: skip


def test_nothing_is_fitted_between_the_fluid_and_its_scratching() -> None:
    """Fluid, top colour, scratch: all in one sitting, or the fluid hardens."""
    winter = next(one for one in STARTERS if one.id == "vehicle-chipping")
    keys = [one.key for one in winter.passes]
    wet = {keys.index("fluid") + 1, keys.index("chip")}
    for code in ("truck-with-cab", "tracked-bands", "open-topped", "boat"):
        best = chosen(winter, Build(template(code)))
        inside = range(min(wet), max(wet) + 1)
        assert not [slot for slot in best.slots.values() if slot in inside], code


def test_a_part_that_sits_on_another_is_painted_with_what_that_has() -> None:
    """A roof without a zone of its own is chipped with the cab that it sits on."""
    made = chooser(HAULER, Build(template("truck-with-cab")))
    by_key = {stage.one.key: stage.shares for stage in made.assessor.stages}
    assert "roof" in by_key["main"]
    assert "roof" not in by_key["wheels"]
    front = replace(HAULER, passes=(*HAULER.passes[:2], replace(HAULER.passes[2], key="band",
                                                                zones=("upper",))))  # fmt: skip
    shares = chooser(front, Build(template("truck-with-cab"))).assessor.stages[2].shares
    assert set(shares) == {"upper", "roof"}


def test_the_same_kit_is_always_chosen_alike() -> None:
    made = Build(random_kit(5, 60, 90))
    assert MOST_NODES < 10_000
    one, two = (chosen(HAULER, made) for _ in range(2))
    assert (one.ways, one.slots) == (two.ways, two.slots)


@pytest.mark.parametrize("seed", range(10))
def test_settled_places_close_nobody_out(seed: int) -> None:
    made = chooser(HAULER, Build(random_kit(seed, 12)))
    slots = settled(made.assessor, dict.fromkeys(made.order, 0) | {"j3": 5})
    closing = {name: made.assessor.inside(joint) for name, joint in made.assessor.joints.items()}
    for name, inner in closing.items():
        if not any(name in closing[each] for each in inner):
            assert all(slots[name] >= slots[each] for each in inner)
