"""Stories from the bench, checked from the file to the sentence."""

from __future__ import annotations

import pytest

from muster.core.craft.climate import Climate
from muster.core.stack.check import check
from muster.core.stack.habits.house import Habits
from tests.core.stack.making import BASE, GLOSS, MATT, SATIN, UNDER, p, recipe


def codes(*passes, climate=None, habits=None, **more):
    """What is found of passes that begin above the undercoat."""
    report = check(recipe(*passes, **more), climate, habits)
    found = {(one.code, one.severity) for one in report.findings}
    return found - {("no undercoat", "warning")}


def sentence(code, *passes, **more):
    return next(o.words for o in check(recipe(*passes, **more)).findings if o.code == code)


def test_decals_on_matt_silver_and_on_gloss_they_do_not() -> None:
    assert ("silvering", "error") in codes(UNDER, BASE, p("decal", "numbers"), MATT)
    assert codes(UNDER, BASE, GLOSS, p("decal", "numbers"), MATT) == set()


def test_a_house_that_trusts_its_fluids_is_only_reminded() -> None:
    found = codes(UNDER, BASE, p("decal", "numbers"), MATT, habits=Habits(decal_ground="fluids"))
    assert found == {("silvering", "note")}


def test_a_wash_over_unsealed_fluid_lifts_it() -> None:
    oxide = p("spray", "oxide", stand_min=1500)
    chip = p("scratch", "chip", carrier="water", trial="good")
    fluid = p("fluid", "chipping fluid")
    wash = p("wash", "wash")
    assert ("unsealed chips", "error") in codes(oxide, fluid, BASE, chip, wash, MATT)
    assert codes(oxide, fluid, BASE, chip, SATIN, wash, MATT) == set()


def test_a_second_round_of_fluid_over_a_seal_is_no_fault() -> None:
    oxide = p("spray", "oxide", stand_min=1500)
    chip = p("scratch", "chip", carrier="water", trial="good")
    one = p("fluid", "first fluid")
    two = p("fluid", "second fluid")
    stripes = p("spray", "stripes", zones=["upper"])
    assert codes(oxide, one, BASE, chip, SATIN, two, stripes, chip, SATIN, MATT) == set()


def test_matt_over_wet_mud_dulls_it() -> None:
    mud = p("brush", "wet mud", zones=["lower"], finish="gloss")
    assert ("late coat", "warning") in codes(BASE, mud, MATT)
    assert ("late coat", "warning") not in codes(BASE, MATT, mud)


def test_a_dry_brush_strays_on_finished_cloth() -> None:
    cloth, links = p("brush", "cloth", zones=["cloth"]), p("dry-brush", "links", zones=["metal"])
    said = sentence("stray dry-brush", cloth, links, MATT, kind="figure")
    assert "'links'" in said and "cloth" in said
    assert codes(links, cloth, MATT, kind="figure") == set()


def test_pigment_under_varnish_vanishes_and_loose_it_rubs_off() -> None:
    dust = p("pigment", "dust")
    assert ("dulled pigment", "warning") in codes(BASE, dust, MATT)
    assert ("loose pigment", "error") in codes(BASE, MATT, dust)
    assert codes(BASE, MATT, dust, p("fix", "fix the dust")) == set()


def test_a_water_varnish_over_fresh_oil_crazes() -> None:
    oil = p("wash", "oil wash", medium="oil", stand_min=600)
    said = sentence("sealed too soon", BASE, SATIN, oil, MATT)
    assert "10 h" in said and "crazes" in said
    assert codes(BASE, SATIN, p("wash", "oil wash", medium="oil"), MATT) == set()


def test_wiping_back_an_enamel_wash_over_a_seal_is_the_intended_act() -> None:
    wash = p("wash", "enamel wash", medium="enamel wash")
    wipe = p("wipe back", "wipe back", carrier="white spirit")
    assert codes(BASE, SATIN, wash, wipe, MATT) == set()


def test_wiping_back_over_bare_acrylic_scrubs_what_is_not_cured() -> None:
    wash, wipe = p("wash", "wash"), p("wipe back", "wipe back", carrier="water")
    found = codes(p("brush", "base"), p("wash", "wash", stand_min=3), wipe, MATT)
    assert ("lifts", "error") not in codes(p("brush", "base"), SATIN, wash, wipe, MATT)
    assert found == set() or ("lifts", "error") in found


def test_thin_coats_of_the_same_paint_are_no_fault() -> None:
    coats = [p("spray", f"coat {n}") for n in range(4)]
    assert codes(*coats, MATT) == set()


def test_a_can_on_bare_foam_eats_it() -> None:
    assert ("eats the ground", "error") in codes(p("spray can"), kind="base", material="foam")


def test_varnish_on_a_damp_evening_fogs() -> None:
    assert ("fog", "error") in codes(BASE, MATT, climate=Climate(12, 80))
    assert ("fog", "warning") in codes(BASE, MATT, climate=Climate(20, 70))
    assert codes(BASE, MATT, climate=Climate(20, 60)) == set()


def test_an_all_acrylic_house_washes_with_water_and_waits_less() -> None:
    wash = p("pin wash", "pin wash")
    usual = check(recipe(BASE, GLOSS, wash, MATT))
    acrylic = check(recipe(BASE, GLOSS, wash, MATT), habits=Habits(weathering="all-acrylic"))
    assert usual.walked.steps[2].wait.minutes > 10 * acrylic.walked.steps[2].wait.minutes
    assert acrylic.walked.steps[2].layer.carrier == "water"
    assert any("Open a window" in one.words for one in usual.cautions)
    assert not any("Open a window" in one.words for one in acrylic.cautions)


@pytest.mark.parametrize("technique", ["spray can", "spray"])
def test_lacquer_warns_before_it_starts(technique: str) -> None:
    report = check(recipe(p(technique, "grey", medium="can"), MATT))
    assert any(one.serious and "respirator" in one.words for one in report.cautions)


def test_a_wash_over_grass_whose_glue_has_cured_is_common_practice() -> None:
    grass = p("grass", "grass", zones=["ground"])
    soon, later = p("wash", "wash", stand_min=20), p("wash", "wash")
    wet = {**grass, "stand_min": 30}
    assert ("lifts", "error") in codes(p("texture", "paste"), wet, soon, kind="base")
    assert codes(p("texture", "paste"), {**grass, "stand_min": 1500}, later, kind="base") == set()


def test_scratching_without_fluid_scratches_the_paint_off() -> None:
    said = sentence("fluid window", BASE, p("scratch", "chip", carrier="water"), MATT)
    assert "no chipping fluid under it" in said


def test_glue_sets_before_the_model_is_handled() -> None:
    glued = p("assemble", "build", adhesive="solvent cement")
    step = check(recipe(glued, BASE, MATT)).walked.steps[0]
    assert (step.wait.minutes, step.wait.why) == (20, "build sets")


def test_a_hot_room_dries_varnish_before_it_lands() -> None:
    found = check(recipe(UNDER, BASE, MATT), Climate(30, 40)).findings
    assert "dries before it lands" in found[0].words
