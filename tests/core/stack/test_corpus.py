"""The corpus: sound recipes are left alone, each mistake is named and rightly mended first."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.craft.climate import Climate
from muster.core.recipes.recipe import MixPart, Recipe
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.stack.check import check
from muster.core.stack.finding import mended
from muster.core.stack.habits.house import Habits
from muster.core.stack.walk import walk
from tests.core.stack.cases import CASES
from tests.core.stack.corpus.faulty import FAULTY, Mistake
from tests.core.stack.corpus.sound import SOUND

ROOMS = st.builds(Climate, st.floats(5, 34), st.floats(10, 92))
WAYS = [Habits(), Habits(weathering="all-acrylic"), Habits(decal_ground="fluids"),
        Habits(wash_ground="matt"), Habits(varnish="end")]  # fmt: skip
ABOUT_WAITING = {
    "lifts", "hot over soft", "unprotected paint", "sealed too soon", "mask on soft paint",
    "wrinkles", "local first", "handled soft", "fluid ground", "bare decal",
}  # fmt: skip
OTHERWISE = {
    "dulled pigment": {"dulled pigment", "loose pigment"},
    "no final coat": {"no final coat", "late coat"},
    "will not show": {"will not show", "too stark"},
    "too small": {"too small", "too big"},
}
"""Codes that a rule of another code says."""


@pytest.mark.parametrize("made", SOUND.values(), ids=SOUND)
def test_of_a_sound_recipe_nothing_is_said_but_notes(made: Recipe) -> None:
    said = [one for one in check(made).findings if one.severity != "note"]
    assert not said, [(one.severity, one.code, one.words) for one in said]


@pytest.mark.parametrize("mistake", FAULTY.values(), ids=FAULTY)
def test_a_mistake_is_named_and_the_first_repair_is_the_right_one(mistake: Mistake) -> None:
    found = [one for one in check(mistake.made).findings if one.severity != "note"]
    mine = [one for one in found if one.code in OTHERWISE.get(mistake.code, {mistake.code})]
    assert mine, [(one.code, one.words) for one in found]
    if mistake.first:
        assert mine[0].repairs, mine[0].words
        assert mine[0].repairs[0].words.startswith(mistake.first), mine[0].repairs


@pytest.mark.parametrize("mistake", FAULTY.values(), ids=FAULTY)
def test_of_one_mistake_one_thing_is_said(mistake: Mistake) -> None:
    found = [one for one in check(mistake.made).findings if one.severity != "note"]
    assert len(found) == 1, [(one.code, one.words) for one in found]


def every_recipe() -> dict[str, Recipe]:
    """Starters, the case table, and the corpus."""
    return {
        **{one.id: one for one in STARTERS},
        **{f"{number}-{case.code}": case.caught for number, case in enumerate(CASES)},
        **SOUND,
        **{name: mistake.made for name, mistake in FAULTY.items()},
    }


@pytest.mark.parametrize("made", every_recipe().values(), ids=every_recipe())
def test_every_repair_takes_its_finding_away_wakes_none_and_buries_no_effect(made: Recipe) -> None:
    before = check(made)
    marks = Counter((one.code, one.key) for one in before.findings)
    shown = effects_in_sight(made)
    for finding in before.findings:
        for repair in finding.repairs:
            mended_one, habits = mended(made, Habits(), repair)
            after = Counter((o.code, o.key) for o in check(mended_one, habits=habits).findings)
            mark = (finding.code, finding.key)
            assert after[mark] < marks[mark], repair.words
            assert not after - marks, (repair.words, after - marks)
            gone = {one.key for one in made.passes} - {one.key for one in mended_one.passes}
            assert shown - gone <= effects_in_sight(mended_one), repair.words


def effects_in_sight(made: Recipe) -> set[str]:
    """The effects and lights that are seen when all is done: nothing covers them whole."""
    walked = walk(made)
    found = set()
    for step in walked.steps:
        film = step.layer
        if film.paints and film.purpose in ("wear", "light", "shade", "mark", "tone down"):
            hidden: set[str] = set()
            for later in walked.after(step):
                if later.layer.paints and later.layer.purpose == "hide":
                    if later.layer.cover >= 0.9:
                        hidden |= set(later.layer.zones)
            if not set(film.zones) <= hidden:
                found.add(film.pass_.key)
    return found


@pytest.mark.parametrize("made", every_recipe().values(), ids=every_recipe())
def test_no_rule_reads_a_name(made: Recipe) -> None:
    nonsense = replace(
        made,
        name="xq",
        passes=tuple(
            replace(
                one, name=f"zz{number}", note="",
                mix=tuple(MixPart(f"vv{at}", part.parts) for at, part in enumerate(one.mix)),
            )
            for number, one in enumerate(made.passes)
        ),
    )  # fmt: skip
    assert marks_of(nonsense) == marks_of(made)


def marks_of(made: Recipe) -> Counter[tuple[str, str, str]]:
    return Counter((one.code, one.severity, one.key) for one in check(made).findings)


@given(st.sampled_from(list(every_recipe().values())), ROOMS, st.sampled_from(WAYS), st.data())
@settings(max_examples=300, deadline=None)
def test_at_the_computed_waits_nothing_is_said_about_waiting(
    made: Recipe, climate: Climate, habits: Habits, data: st.DataObject
) -> None:
    odd = st.floats(0.3, 4).map(lambda times: round(times, 3))
    passes = tuple(
        replace(
            one, stand_min=None, dry_min=None, window_min=None,
            minutes=min(6000.0, max(0.1, round(one.minutes * data.draw(odd), 2))),
        )
        for one in made.passes
    )  # fmt: skip
    found = check(replace(made, passes=passes), climate, habits).findings
    longer = tuple(replace(one, stand_min=60_000) for one in passes)
    # What no wait ends is said whatever one waits.
    for_ever = {
        (one.code, one.key) for one in check(replace(made, passes=longer), climate, habits).findings
    }
    about = [one for one in found if one.code in ABOUT_WAITING]
    assert not [one.words for one in about if (one.code, one.key) not in for_ever]
