"""What attacks what: laws over every medium, technique and state there is."""

from __future__ import annotations

import itertools
from dataclasses import replace

import pytest

from muster.core.craft.climate import Climate
from muster.core.craft.media import MEDIA, Grade, MediumTrait, State
from muster.core.craft.techniques import TECHNIQUES
from muster.core.stack.attack import attacks
from muster.core.stack.check import check
from muster.core.stack.layer import AppliedLayer, apply_pass
from tests.core.stack.making import p, recipe

FILMS = [name for name, row in MEDIA.items() if row.carrier is not None]
LAID = [name for name, row in TECHNIQUES.items() if row.act == "lay" and row.medium]


def film(technique: str = "brush", medium: str | None = None, **more: object) -> AppliedLayer:
    return apply_pass(recipe(p(technique, "film", medium=medium, **more)), 0, Climate())


@pytest.mark.parametrize("medium", FILMS)
@pytest.mark.parametrize("grade", [Grade.MIST, Grade.BRUSH, Grade.FLOOD, Grade.SCRUB])
def test_a_wet_film_is_moved_by_the_lightest_mist_of_what_it_is_thinned_with(
    medium: str, grade: Grade
) -> None:
    wet = film(medium=medium)
    assert wet.medium is not None
    if wet.medium.least(wet.medium.carrier, State.WET) is None:  # type: ignore[arg-type]
        pytest.skip("nothing moves it")
    if wet.medium_has(MediumTrait.REWETS) or wet.medium_has(MediumTrait.DECAL):
        pytest.skip("its own kind may come at once")
    over = film(medium=medium)
    over = replace(over, grade=grade)
    assert attacks(over, wet, State.WET)


@pytest.mark.parametrize("medium", FILMS)
def test_what_is_harder_attacks_no_less_and_what_is_older_no_more(medium: str) -> None:
    """Over every carrier: a stronger hand does at least as much, a drier film bears at least it."""
    target = film(medium=medium)
    for carrier in ("water", "alcohol", "lacquer thinner", "white spirit", "softener"):
        over = film("brush", "acrylic", carrier=carrier)
        does = {
            (grade, state): attacks(replace(over, grade=grade), target, state)
            for grade, state in itertools.product(Grade, State)
        }
        for grade, state in does:
            if grade < Grade.SCRUB:
                assert does[grade, state] <= does[Grade(grade + 1), state]
            if state < State.CURED:
                assert does[grade, State(state + 1)] <= does[grade, state]
        assert not any(does[Grade.NONE, state] for state in State)


@pytest.mark.parametrize("medium", [n for n, r in MEDIA.items() if r.has(MediumTrait.FLUID)])
def test_fluid_lets_go_whenever_water_comes(medium: str) -> None:
    over = film("wash", "acrylic wash")
    assert all(attacks(over, film(medium=medium), state) for state in State)


@pytest.mark.parametrize("technique", LAID)
def test_what_lays_a_film_is_dry_before_it_can_be_coated_and_cured_last(technique: str) -> None:
    laid = film(technique)
    assert 0 <= laid.touch <= laid.recoat <= laid.cured
    ages = (0.0, laid.touch, laid.recoat, laid.cured)
    states = [laid.state(age) for age in ages if age < float("inf")]
    assert states == sorted(states)


@pytest.mark.parametrize(("glossy", "zones", "found"), [(1, 2, False), (2, 3, True), (2, 4, False)])
def test_a_wash_pools_only_where_gloss_is_most_of_what_it_meets(
    glossy: int, zones: int, found: bool
) -> None:
    """Half is not most."""
    names = ("skin", "cloth", "gear", "metal")[:zones]
    coats = [
        p("brush", name, zones=(name,), finish="gloss" if at < glossy else "matt", cover=1.0)
        for at, name in enumerate(names)
    ]
    wash = p("wash", "wash", zones=names, carrier="water")
    codes = [one.code for one in check(recipe(*coats, wash, kind="figure")).findings]
    assert ("gloss pools" in codes) == found


def test_the_only_pass_of_a_recipe_is_never_to_be_left_out() -> None:
    """A splash too fine to be seen could be left out, but then nothing were a recipe."""
    one = p("splash", "splash", colour="#010000", size_mm=0.01)
    findings = check(recipe(one)).findings
    assert "too small" in [found.code for found in findings]
    assert all(repair.words for found in findings for repair in found.repairs)
    assert not any(type(repair).__name__ == "Remove" for found in findings
                   for repair in found.repairs)  # fmt: skip
