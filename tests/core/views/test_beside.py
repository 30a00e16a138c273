"""Two drafts side by side: aligned by pass, with what differs."""

from __future__ import annotations

from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from muster.core.craft.climate import Climate
from muster.core.craft.tables import DEFAULTS
from muster.core.stack.habits.house import OURS
from muster.core.stack.undercoat import Undercoat, with_undercoat
from muster.core.views.beside import Beside, beside
from muster.core.views.draft_report import Draft
from tests.core.stack.making import BASE, DECALS, GLOSS, MATT, UNDER, p, recipe

DARK = {**UNDER, "colour": "#1c1d1f"}
PALE = {**BASE, "colour": "#8a8a4a"}


def draft(*passes: dict[str, Any], undercoat: Undercoat = "as it is", **more: Any) -> Draft:
    made = with_undercoat(recipe(*passes, **more), undercoat)
    return Draft(made, Climate(), OURS, DEFAULTS, {}, {})


def named(found: Beside) -> list[tuple[str, str]]:
    return [(row.one.name if row.one else "", row.other.name if row.other else "")
            for row in found.rows]  # fmt: skip


def test_a_draft_beside_itself_differs_in_nothing() -> None:
    found = beside(draft(DARK, PALE, MATT), draft(DARK, PALE, MATT))
    assert found.same and found.one == found.other
    assert all(row.apart == [] for row in found.rows)


def test_a_pass_that_one_lacks_stands_alone_and_the_rest_stays_aligned() -> None:
    found = beside(draft(DARK, PALE, GLOSS, DECALS, MATT), draft(DARK, PALE, DECALS, MATT))
    assert named(found) == [
        ("undercoat", "undercoat"), ("base", "base"), ("gloss coat", ""), ("numbers", "numbers"),
        ("matt coat", "matt coat"),
    ]  # fmt: skip
    marks = found.rows[3].apart
    assert any(said.startswith("rules say: silvering") for said in marks), marks
    assert found.other.grave > found.one.grave == 0


def test_another_undercoat_shows_in_the_colours_above_it() -> None:
    found = beside(draft(DARK, PALE), draft(DARK, PALE, undercoat="white"))
    assert any("apart" in said for said in found.rows[1].apart)
    assert "done otherwise" in found.rows[0].apart and not found.same


def test_minutes_and_waits_that_differ_are_told() -> None:
    slow = {**PALE, "minutes": PALE.get("minutes", 1) + 2.5, "stand_min": 300}
    apart = beside(draft(DARK, PALE, MATT), draft(DARK, slow, MATT)).rows[1].apart
    assert "2.5 min more" in apart and "waits 5 h" in apart


def test_recipes_of_other_keys_answer_each_other_by_technique() -> None:
    other = draft(p("spray", "grey coat"), p("spray", "sand"), p("wash", "brown"), MATT)
    found = beside(draft(UNDER, BASE, MATT), other)
    assert ("undercoat", "grey coat") in named(found) and ("", "brown") in named(found)


KEYS = st.lists(st.sampled_from(["spray", "brush", "wash", "varnish"]), min_size=1, max_size=6)


@given(KEYS, KEYS)
def test_every_pass_of_both_stands_once_and_in_its_order(one: list[str], other: list[str]) -> None:
    left, right = (draft(*[p(name, f"{name} {n}") for n, name in enumerate(names)])
                   for names in (one, other))  # fmt: skip
    found = beside(left, right)
    assert [a for a, _ in named(found) if a] == [each.name for each in left.recipe.passes]
    assert [b for _, b in named(found) if b] == [each.name for each in right.recipe.passes]
