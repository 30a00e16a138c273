"""Rows of a user's own shadow the defaults and never overwrite them."""

from __future__ import annotations

import pytest

from muster.core.craft.media import MEDIA
from muster.core.craft.tables import (
    DEFAULTS,
    Own,
    OwnAdhesive,
    OwnMaterial,
    OwnMedium,
    OwnTechnique,
    OwnZone,
    tables_of,
)
from muster.core.craft.techniques import TechniqueTrait
from muster.core.errors import DomainError
from muster.core.stack.check import check
from muster.core.stack.walk import walk
from tests.core.stack.making import BASE, ENAMEL, UNDER, p, recipe


def test_an_own_paint_waits_by_its_own_minutes_and_the_default_stays() -> None:
    own = Own(media=(OwnMedium("acrylic sprayed", "acrylic sprayed", touch_min=40, recoat_min=90),))
    walked = walk(recipe(UNDER, BASE), tables=tables_of(own))
    assert walked.steps[0].wait.minutes == 90
    assert MEDIA["acrylic sprayed"].recoat == 15
    assert walk(recipe(UNDER, BASE)).steps[0].wait.minutes == 15


def test_a_paint_like_an_enamel_is_judged_as_one() -> None:
    own = tables_of(Own(media=(OwnMedium("Harbour wash", "enamel wash", recoat_min=600),)))
    wash = p("pin wash", "harbour wash", medium="Harbour wash")
    report = check(recipe(UNDER, BASE, wash), tables=own)
    assert {"unprotected paint"} <= {one.code for one in report.findings}
    usual = check(recipe(UNDER, BASE, ENAMEL))
    assert {one.code for one in report.findings} == {one.code for one in usual.findings}


def test_without_the_row_the_paint_is_refused_with_what_is_known() -> None:
    wash = p("pin wash", "harbour wash", medium="Harbour wash")
    with pytest.raises(
        DomainError, match="no medium is called 'Harbour wash': use acrylic sprayed"
    ):
        check(recipe(UNDER, wash))


def test_own_ways_zones_materials_and_glues_are_known() -> None:
    own = tables_of(
        Own(
            techniques=(OwnTechnique("flick", "splash", minutes=2.5, cover=0.2),),
            zones=(OwnZone("vehicle", "deck", ("upper",)),),
            materials=(OwnMaterial("dense resin", "resin"),),
            adhesives=(OwnAdhesive("resin glue", ("resin",)),),
        )
    )
    assert own.techniques["flick"].minutes == 2.5
    assert own.techniques["flick"].has(TechniqueTrait.EFFECT)
    assert "deck" in own.zones["vehicle"]["upper"].beside
    fine = recipe(
        p("glue", adhesive="resin glue"), p("spray", zones=["deck"]), material="dense resin"
    )
    codes = {one.code for one in check(fine, tables=own).findings}
    assert "wrong glue" not in codes and "release agent" in codes
    wrong = recipe(p("glue", adhesive="solvent cement"), UNDER, material="dense resin")
    assert "wrong glue" in {one.code for one in check(wrong, tables=own).findings}
    assert "deck" not in DEFAULTS.zones["vehicle"]


@pytest.mark.parametrize(
    ("own", "words"),
    [
        (Own(media=(OwnMedium("X", "emulsion"),)), "medium 'X': like 'emulsion'"),
        (Own(media=(OwnMedium("X", "acrylic", touch_min=90),)), "dry to touch 90, recoat 25"),
        (Own(techniques=(OwnTechnique("X", "flicking"),)), "technique 'X': like 'flicking'"),
        (Own(zones=(OwnZone("figure", "X", ("wing",)),)), "zone 'X': beside 'wing': a figure has"),
    ],
)
def test_rows_that_cannot_hold_are_refused(own: Own, words: str) -> None:
    with pytest.raises(DomainError, match=words):
        tables_of(own)


def test_a_glue_of_ones_own_takes_as_long_as_its_label_says() -> None:
    own = tables_of(Own(adhesives=(OwnAdhesive("slow epoxy", ("resin",), handle_min=480),)))
    glued = recipe(p("glue", adhesive="slow epoxy"), UNDER, material="resin")
    assert walk(glued, tables=own).steps[0].wait.minutes == 480
