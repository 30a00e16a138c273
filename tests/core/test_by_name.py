"""Two spellings are one name: of a paint, a medium, a technique, a zone."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from muster.core.amounts.requirements import Stock, requirements
from muster.core.by_name import ByName
from muster.core.colour.mixed_passes import dried, thins
from muster.core.colour.owned import OwnedPaint
from muster.core.craft.tables import Own, OwnMedium, tables_of
from muster.core.house import USUAL
from muster.core.recipes.recipe import MixPart
from muster.core.vocabulary import name_key
from tests.core.making import BASE, NOW

SILT = OwnedPaint("Silt brown", "#705a44")
SPELLINGS = ("silt brown", "SILT BROWN", "Silt\u200b brown", "Silt  brown")


@given(st.text(min_size=1))
def test_case_and_what_has_no_width_do_not_tell_two_names_apart(name: str) -> None:
    middle = len(name) // 2
    assert name_key(f"{name[:middle]}\u200b{name[middle:]}") == name_key(name)
    assert name_key(name_key(name)) == name_key(name)


def test_a_mapping_by_name_shows_the_first_spelling_and_keeps_the_last_value() -> None:
    rows = ByName({"Silt brown": 1})
    rows["silt BROWN"] = 2
    assert dict(rows) == {"Silt brown": 2}
    assert all(spelling in rows for spelling in SPELLINGS) and "Silt" not in rows
    del rows["SILT brown"]
    assert len(rows) == 0


def test_a_mix_finds_its_paint_however_that_is_typed() -> None:
    shelf = ByName([(SILT.name, SILT)])
    for spelling in SPELLINGS:
        mixed = replace(BASE, mix=(MixPart(spelling, 3), MixPart("Water", 1)))
        assert dried(mixed, shelf) == dried(replace(BASE, mix=(MixPart(SILT.name, 1),)), shelf)
    assert thins("WATER") and not thins("Water lily")


def test_what_is_on_the_shelf_in_other_letters_is_not_bought_again() -> None:
    shelf = ByName([("SILT BROWN", Stock(17.0, 17.0, 3.0))])
    [need] = requirements({"Silt brown": {"pikes": 2.0}}, shelf)
    assert (need.owned, need.short_ml) == (True, 0.0)


def test_an_own_medium_in_capitals_stands_for_the_one_of_that_name() -> None:
    tables = tables_of(Own(media=(OwnMedium("Acrylic", "acrylic", touch_min=7),)))
    assert tables.media["acrylic"].touch == 7
    assert list(tables.media).count("acrylic") == 1 and "Acrylic" not in list(tables.media)


def test_a_paint_is_awaited_once_however_it_is_spelt() -> None:
    house = USUAL.with_delivery("Silt brown", NOW.date()).with_delivery("silt BROWN", None)
    assert house.awaited == ()
