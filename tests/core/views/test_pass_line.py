"""A pass as a line of words: what was said, and what follows from its layers."""

from __future__ import annotations

from typing import Any

from muster.core.craft.climate import Climate
from muster.core.craft.tables import DEFAULTS
from muster.core.stack.habits.house import OURS
from muster.core.views.draft_report import Draft, DraftReport
from tests.core.stack.making import BASE, CHIP, FLUID, GLOSS, MATT, UNDER, p, recipe


def seen(*passes: dict[str, Any], **more: Any) -> DraftReport:
    made = recipe(*passes, **more)
    return Draft(made, Climate(), OURS, DEFAULTS, {}, {}).seen()


def line(report: DraftReport, index: int) -> dict[str, tuple[str, bool]]:
    return {word.field: (word.text, word.stated) for word in report.seams[index].line}


def test_what_follows_from_the_layers_is_said_softly() -> None:
    pin = p("pin wash", "pin", mix=[{"name": "Peat"}, {"name": "white spirit", "parts": 4}],
            minutes=5, colour="#3a2a20")  # fmt: skip
    words = line(seen(UNDER, BASE, GLOSS, pin, MATT), 3)
    assert words["technique"] == ("pin wash", True)
    assert words["mix"] == ("1 Peat : 4 white spirit", True)
    assert words["minutes"] == ("5 min a model", True)
    assert words["medium"] == ("enamel wash", False)
    assert words["zones"] == ("the whole model", False)
    assert words["cover"] == ("15% of it", False)
    assert words["purpose"] == ("meant to shade", False)
    assert words["stand_min"] == ("then wait 12 h", False)
    assert words["coats"] == ("×1", False)


def test_what_is_said_takes_the_place_of_what_would_follow() -> None:
    wash = p("wash", "wash", medium="oil", zones=["lower"], purpose="tone down", coats=2,
             stand_min=90, cover=0.5, tier="close", all_but=["wheels"])  # fmt: skip
    words = line(seen(UNDER, BASE, wash), 2)
    assert words["medium"] == ("thinned oil", True) or words["medium"] == ("oil", True)
    assert words["zones"] == ("lower", True) and words["all_but"] == ("all but wheels", True)
    assert words["purpose"] == ("meant to tone down", True)
    assert words["coats"] == ("×2", True) and words["cover"] == ("50% of it", True)
    assert words["stand_min"][1] and words["tier"] == ("from close up", True)


def test_a_window_is_said_where_the_layers_give_one() -> None:
    words = line(seen(UNDER, BASE, FLUID, p("spray", "top"), CHIP), 3)
    assert words["window_min"][0].startswith("the next within") and not words["window_min"][1]


def test_a_tool_is_worth_a_word_where_it_is_not_the_usual_one() -> None:
    report = seen(UNDER, p("brush", "a", tool="brush"), p("brush", "b", tool="airbrush"))
    quiet = {word.field: word.quiet for word in report.seams[1].line}
    assert quiet["tool"] and "brush · brush" not in report.seams[1].words
    assert not {word.field: word.quiet for word in report.seams[2].line}["tool"]
    assert "airbrush" in report.seams[2].words


def test_a_step_without_paint_says_nothing_of_paint() -> None:
    words = line(seen(UNDER, p("drill", "holes")), 1)
    assert not {"mix", "coats", "cover", "purpose", "medium", "zones"} & set(words)


def test_zones_that_no_paint_meets_are_told_and_those_that_keep_their_undercoat() -> None:
    low = p("brush", "low", zones=["lower"])
    assert seen(low).uncovered and "lower" not in seen(low).uncovered
    assert "glass" not in seen(low).uncovered and "wheels" not in seen(low).uncovered
    grounded = seen(UNDER, low, p("brush", "high", zones=["upper"]))
    assert grounded.uncovered == [] and "running gear" in grounded.grounded
    assert seen(UNDER).grounded == []
    # A wash over the bare material leaves it bare; what only adds to a painted model says nothing.
    assert "upper" in seen(low, p("wash", "wash")).uncovered
    assert seen(p("sponge", "rust"), MATT).uncovered == []


def test_what_makes_a_film_thicker_is_known_by_what_it_is_of() -> None:
    report = seen(UNDER, p("brush", "a"), p("texture", "mud"), p("decal", "n"), p("drill", "d"))
    assert [one.thickens for one in report.seams] == ["coats", "coats", "thick", "", ""]
