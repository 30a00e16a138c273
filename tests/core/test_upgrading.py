"""Older documents are read as what they meant."""

from __future__ import annotations

from datetime import date
from typing import Any

from muster.core.choices import CHOICES
from muster.core.formats.upgrading import choices_2, muster_file_3, recipe_2, recipe_3
from muster.core.recipes.recipe import RECIPE, Pass


def evenings(*days: str, start: str = "19:30:00", end: str = "22:00:00") -> list[dict[str, str]]:
    return [{"id": f"e{n}", "day": day, "start": start, "end": end} for n, day in enumerate(days)]


def old(rows: list[dict[str, str]]) -> dict[str, Any]:
    return {"name": "Reed Coast", "zone": "Europe/London", "evenings": rows}


def test_a_list_of_evenings_becomes_the_rhythm_that_it_was() -> None:
    rows = evenings("2027-03-02", "2027-03-09", "2027-03-23")
    new = CHOICES.validate_python(choices_2(old(rows)))
    assert [(one.weekday, one.since) for one in new.rhythm] == [(1, date(2027, 3, 2))]
    assert [one.day for one in new.lost] == [date(2027, 3, 16)]
    assert new.evenings == ()


def test_evenings_that_keep_no_weekday_stand_alone() -> None:
    new = CHOICES.validate_python(choices_2(old(evenings("2027-03-02", "2027-03-04"))))
    assert (new.rhythm, len(new.evenings)) == ((), 2)
    far = CHOICES.validate_python(choices_2(old(evenings("2027-03-02", "2027-06-29"))))
    assert (far.rhythm, len(far.evenings)) == ((), 2)


def test_what_is_new_already_or_no_document_is_left_as_it_is() -> None:
    new = choices_2(old(evenings("2027-03-02", "2027-03-09")))
    assert choices_2(new) == new
    for odd in (None, [], {"evenings": "none"}, old([{"day": "soon"}])):
        assert choices_2(odd) == odd


def test_daylight_that_was_needed_is_wanted_and_a_cut_that_nobody_said_follows_the_work() -> None:
    one = {"key": "a", "name": "a", "technique": "spray can", "minutes": 50, "cut": "item",
           "needs": ["daylight", "dry air"]}  # fmt: skip
    raw = {"id": "r", "name": "r", "kind": "figure", "version": 1, "passes": [one]}
    new = RECIPE.validate_python(recipe_2(raw)).passes[0]
    assert (new.needs, new.wants, new.cut, new.breaks) == (("dry air",), ("daylight",), None, "any")
    kept = RECIPE.validate_python(recipe_2({**raw, "passes": [{**one, "cut": "none"}]}))
    assert kept.passes[0].cut == "none"


def test_a_file_says_its_version_and_newer_ones_are_not_touched() -> None:
    raw = {"format": "crisp-muster/muster", "version": 1, "choices": old([]), "recipes": []}
    assert muster_file_3(raw)["version"] == 3
    assert muster_file_3({**raw, "version": 2})["choices"] == raw["choices"]
    newer = {**raw, "version": 3}
    assert muster_file_3(newer) is newer


def read_3(**said: object) -> Pass:
    """A pass of version 2 as it is read today."""
    one = {"key": "a", "name": "a", "technique": "brush", "minutes": 5, **said}
    raw = {"id": "r", "name": "r", "kind": "vehicle", "version": 1, "passes": [one]}
    return RECIPE.validate_python(recipe_3(raw)).passes[0]


def test_what_names_and_notes_said_becomes_fields_once() -> None:
    assert read_3(technique="sponge", note="torn pieces, swapped often").varied
    assert not read_3(technique="sponge", note="one piece").varied
    assert read_3(technique="glue", name="railings").fragile
    assert read_3(technique="decal", note="wet with setting fluid").carrier == "softener"
    assert read_3(name="wet mud").finish == "gloss"
    assert read_3(name="main colour, modulated", technique="spray").purpose == "modulate"
    assert read_3(name="mudguards").finish is None
