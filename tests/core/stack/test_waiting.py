"""Waiting follows the room, the film and what comes next; laws that hold for any recipe."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.craft.climate import Climate, deficit_kpa, saturation_kpa, spray_limit
from muster.core.craft.clocks import drying_factor
from muster.core.craft.media import MEDIA, Grade, State
from muster.core.craft.techniques import TECHNIQUES
from muster.core.recipes.recipe import Recipe
from muster.core.stack.attack import attacks
from muster.core.stack.check import check
from muster.core.stack.finding import mended
from muster.core.stack.habits.house import Habits, habits_from
from muster.core.stack.resolve_waits import with_resolved_waits
from muster.core.stack.walk import walk
from tests.core.stack.making import BASE, CHIP, FLUID, MATT, SATIN, UNDER, p, recipe

FAO_56 = {1: 0.657, 5: 0.872, 10: 1.228, 15: 1.705, 20: 2.338, 25: 3.168, 30: 4.243, 35: 5.623}
"""e°(T), kPa: FAO Irrigation and drainage paper 56 (Allen et al. 1998), annex 2, table 2.3.

The figures are from memory."""

rooms = st.builds(Climate, st.floats(5, 35), st.floats(10, 95))
waters = [one.name for one in MEDIA.values() if one.clock == "water" and one.carrier == "water"]


@pytest.mark.parametrize(("celsius", "kpa"), FAO_56.items())
def test_saturation_pressure_equals_the_published_table(celsius: int, kpa: float) -> None:
    assert saturation_kpa(celsius) == pytest.approx(kpa, abs=0.0006)
    assert deficit_kpa(Climate(celsius, 50)) == pytest.approx(kpa / 2, abs=0.0004)


def test_at_twenty_degrees_and_fifty_percent_nothing_changes() -> None:
    assert drying_factor("water", Climate()) == 1
    assert drying_factor("cure", Climate()) == 1
    assert drying_factor("cure", Climate(10, 50)) == 2


@given(st.floats(5, 34), st.floats(10, 90), st.floats(0.1, 5))
def test_waits_fall_with_temperature_and_rise_with_humidity(
    celsius: float, humidity: float, more: float
) -> None:
    climate = Climate(celsius, humidity)
    for clock in ("water", "cure"):
        assert drying_factor(clock, Climate(celsius + more / 5, humidity)) <= drying_factor(
            clock, climate
        )
        assert drying_factor(clock, Climate(celsius, humidity + more)) >= drying_factor(
            clock, climate
        )


def test_spraying_wants_air_that_is_neither_damp_nor_cold() -> None:
    assert [spray_limit(Climate(20, rh)) for rh in (60, 70, 80)] == [None, "warn", "refuse"]
    assert spray_limit(Climate(8, 50)) == "refuse"


def test_what_is_waited_for_is_chosen_by_what_comes_next() -> None:
    base = p("brush", "base")
    waits = {
        name: walk(recipe(base, p(name))).steps[0].wait.minutes
        for name in ("brush", "mask", "assemble")
    }
    acrylic = MEDIA["acrylic"]
    assert waits == {
        "brush": acrylic.recoat, "mask": acrylic.cured, "assemble": acrylic.touch
    }  # fmt: skip


def test_a_stated_wait_overrules_and_shows_what_was_needed() -> None:
    wait = walk(recipe(p("brush", "base", stand_min=5), p("brush", "lights"))).steps[0].wait
    assert (wait.minutes, wait.stated, wait.needed) == (5, True, 25)


def test_thick_films_wait_with_the_square_and_warm_air_hastens_water() -> None:
    thin, thick, warm = (
        walk(recipe(p("brush", "base", **more), p("assemble"))).steps[0].wait.minutes
        for more in ({}, {"thick": 3}, {"warm_air": True})
    )
    assert thick == 4 * thin
    assert warm == pytest.approx(thin * 0.2)


def test_warm_air_does_nothing_for_enamel() -> None:
    cold, warm = (
        walk(recipe(p("brush", "base", medium="enamel", warm_air=air), p("assemble")))
        .steps[0].wait.minutes
        for air in (False, True)
    )  # fmt: skip
    assert cold == warm


@st.composite
def recipes(draw: st.DrawFn) -> Recipe:
    """Any recipe of four or five passes."""
    names = st.sampled_from(sorted(TECHNIQUES))
    made = [
        p(draw(names), f"pass {number}", stand_min=draw(st.integers(0, 3000)),
          medium=draw(st.sampled_from([None, *MEDIA])))
        for number in range(draw(st.integers(4, 5)))
    ]  # fmt: skip
    return recipe(*made)


@given(recipes(), st.integers(1, 20_000))
@settings(max_examples=150, deadline=None)
def test_a_recipe_that_only_waits_longer_never_gains_a_lifts(made: Recipe, more: int) -> None:
    longer = replace(
        made, passes=tuple(replace(o, stand_min=(o.stand_min or 0) + more) for o in made.passes)
    )

    def lifts(one: Recipe) -> set[str]:
        # A wet oil is told by a name of its own.
        told = ("lifts", "local first", "sealed too soon", "unprotected paint", "hot over soft")
        return {f.key for f in check(one).findings if f.code in told}

    assert lifts(longer) <= lifts(made)


@given(recipes(), rooms)
@settings(max_examples=100, deadline=None)
def test_any_recipe_can_be_walked_and_its_repairs_mend_it_and_wake_nothing(
    made: Recipe, climate: Climate
) -> None:
    report = check(made, climate)
    marks = Counter((one.code, one.key) for one in report.findings)
    for finding in report.findings:
        for repair in finding.repairs:
            changed, habits = mended(made, Habits(), repair)
            after = Counter((o.code, o.key) for o in check(changed, climate, habits).findings)
            mark = (finding.code, finding.key)
            assert after[mark] < marks[mark] and not after - marks, repair.words


@pytest.mark.parametrize("medium", sorted(MEDIA))
def test_sealing_never_makes_an_exposed_layer_worse(medium: str) -> None:
    """Whatever comes over a sealed layer meets the seal, not the layer."""
    top = p("brush", "top", medium="enamel", zones=["upper"])
    walked = walk(recipe(p("brush", "base", medium=medium), SATIN, top))
    met = {one.layer.name: one for one in walked.steps[2].exposed}
    assert "base" not in met or met["base"].sealed


def test_a_carrier_attacks_by_grade_and_state() -> None:
    walked = walk(recipe(BASE, p("wash", "wash"), MATT))
    base, wash = walked.steps[0].layer, walked.steps[1].layer
    assert wash.grade == Grade.FLOOD
    assert attacks(wash, base, State.TOUCH)
    assert not attacks(wash, base, State.RECOATABLE)


def test_settling_gives_every_pass_its_waits_and_keeps_the_users_own() -> None:
    made = with_resolved_waits(
        recipe(p("brush", "base", stand_min=40), p("pin wash", "wash"), MATT)
    )
    assert [one.stand_min is not None and one.dry_min is not None for one in made.passes] == [
        True
    ] * 3
    assert made.passes[0].stand_min == 40
    assert made.passes[1].clock == "cure"
    assert with_resolved_waits(made) == made


@pytest.mark.parametrize(
    ("words", "said"),
    [(["loud"], "all-acrylic"), (["decal_ground=tape"], "decal_ground="), (["size=9"], "habit")],
)
def test_a_habit_that_nobody_has_is_refused_with_the_ways_there_are(words, said: str) -> None:
    with pytest.raises(ValueError, match=said):
        habits_from(words)


def test_a_room_that_is_none_is_refused() -> None:
    for celsius, humidity in ((80, 50), (-40, 50), (20, 120), (20, -1)):
        with pytest.raises(ValueError, match="°C"):
            Climate(celsius, humidity)


def test_a_film_under_a_varnish_is_sealed_and_one_under_paint_is_hidden() -> None:
    top = p("wash", "wash")
    sealed = walk(recipe(p("brush", "base"), SATIN, top)).steps[2].exposed
    hidden = walk(recipe(p("brush", "base"), p("brush", "coat"), top)).steps[2].exposed
    partly = walk(recipe(p("brush", "base"), p("dry-brush", "lights"), top)).steps[2].exposed
    assert [(one.layer.name, one.sealed) for one in sealed] == [
        ("satin coat", False), ("base", True)
    ]  # fmt: skip
    assert [one.layer.name for one in hidden] == ["coat"]
    assert [one.layer.name for one in partly] == ["lights", "base"]


def test_a_pass_on_edges_or_recesses_touches_a_little_of_every_zone() -> None:
    film = walk(recipe(p("brush", "edges", zones=["edges"]))).steps[0].layer
    assert film.cover <= 0.2
    assert "upper" in film.zones and "glass" not in film.zones and "inside" not in film.zones


def test_a_wash_that_is_wiped_has_the_window_of_its_medium() -> None:
    """An enamel wash can be worked for four hours, an acrylic one for five minutes."""
    spirit = p("wipe back", carrier="white spirit")
    oily = with_resolved_waits(
        recipe(UNDER, BASE, SATIN, p("pin wash", medium="enamel wash"), spirit, MATT)
    )
    assert [one.window_min for one in oily.passes] == [None, None, None, 240, None, None]
    acrylic = with_resolved_waits(
        recipe(UNDER, BASE, SATIN, p("wash"), p("wipe back", carrier="water"), MATT)
    )
    assert acrylic.passes[3].window_min == 5
    own = with_resolved_waits(
        recipe(UNDER, p("wash", window_min=20), p("wipe back", carrier="water"))
    )
    assert own.passes[1].window_min == 20


def test_chipping_fluid_is_scratched_within_the_hour_and_unworked_washes_have_no_window() -> None:
    chipped = with_resolved_waits(recipe(UNDER, SATIN, FLUID, p("spray", "top"), CHIP, SATIN, MATT))
    assert chipped.passes[3].window_min == 60
    plain = with_resolved_waits(
        recipe(UNDER, BASE, SATIN, p("pin wash", medium="enamel wash"), MATT)
    )
    assert all(one.window_min is None for one in plain.passes)


def test_a_window_never_ends_before_its_wait() -> None:
    late = recipe(UNDER, p("wash", stand_min=90), p("wipe back", carrier="water"))
    assert with_resolved_waits(late).passes[1].window_min is None


def test_in_an_all_acrylic_house_a_wiped_wash_is_worked_in_minutes() -> None:
    oily = recipe(UNDER, BASE, SATIN, p("pin wash"), p("wipe back", carrier="white spirit"), MATT)
    house = Habits(weathering="all-acrylic")
    assert with_resolved_waits(oily, house).passes[3].window_min == 5
    assert with_resolved_waits(oily).passes[3].window_min == 240
