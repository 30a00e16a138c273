"""What real jobs showed to be said wrongly: each beside its near case, where it is rightly said."""

from __future__ import annotations

from typing import Any

import pytest

from muster.core.stack.check import check
from muster.core.stack.formatting import duration
from muster.core.stack.walk import walk
from tests.core.stack.making import DARK, DECALS, GLOSS, GREEN, MATT, SATIN, UNDER, p, recipe

CAN = p("spray can", "undercoat", colour="#9b9c9a")
OLIVE = p("spray", "olive", colour=GREEN)
OIL = p("wash", "oil wash", medium="oil")
ENAMEL = p("brush", "enamel", medium="enamel", colour=GREEN)
CLAY = p("brush", "clay", medium="clay wash", colour="#c2ae88", cover=0.4)
TRACKS = p("brush", "tracks", colour="#4c4640", part="tracks", coats=2)
WHITE = "#eeeeea"


def codes(*passes: dict[str, Any], **more: Any) -> set[str]:
    """What is found but for notes."""
    found = check(recipe(*passes, **more)).findings
    return {one.code for one in found if one.severity != "note"}


def waits(*passes: dict[str, Any], **more: Any) -> list[float]:
    """Minutes after each pass."""
    return [step.wait.minutes for step in walk(recipe(*passes, **more)).steps]


OWN_KIND = [
    (ENAMEL, p("brush", "details", medium="enamel", zones=["rear"], cover=0.2, colour=DARK)),
    (ENAMEL, p("brush", "second coat", medium="enamel", colour=GREEN)),
    (ENAMEL, p("wash", "thinned enamel", medium="enamel", colour=DARK)),
    ({**CAN, "stand_min": 30}, p("spray can", "second coat", colour="#9b9c9a")),
    (OLIVE, p("varnish", "matt", tool="spray can", finish="matt")),
    (OLIVE, p("varnish", "satin", medium="enamel varnish", finish="satin")),
    (CLAY, {**CLAY, "name": "clay shade", "colour": "#6b5a40"}),
    ({**DECALS, "stand_min": 0}, {**DECALS, "name": "a further number"}),
]  # fmt: skip


@pytest.mark.parametrize(("first", "second"), OWN_KIND, ids=lambda one: one["name"])
def test_own_kind_over_own_kind_is_no_fault(first: dict[str, Any], second: dict[str, Any]) -> None:
    assert not codes(UNDER, SATIN, GLOSS, first, second, MATT) & {
        "lifts", "unprotected paint", "hot over soft", "wrinkles", "sealed too soon",
        "bare decal", "silvering",
    }  # fmt: skip


def test_own_kind_too_soon_and_another_kind_are_faults() -> None:
    soon = {**ENAMEL, "stand_min": 60}
    flooded = p("wash", "enamel wash", medium="enamel wash", colour=DARK)
    assert "lifts" in codes(UNDER, soon, {**ENAMEL, "name": "again"}, MATT)
    assert "unprotected paint" in codes(UNDER, {**ENAMEL, "stand_min": 800}, flooded, MATT)
    again = p("spray can", "again", colour="#9b9c9a")
    assert "wrinkles" in codes({**CAN, "stand_min": 200}, again, MATT)


def test_waits_are_those_of_the_bench() -> None:
    enamel_wash = p("wash", "wash", medium="enamel wash")
    rust = p("streak", "rust", medium="oil")
    mud = p("pigment", "mud", medium="bound pigment", thick=2, warm_air=True, zones=["lower"])
    plaster = p("texture", "plaster", medium="plaster", thick=6)
    filtered = p("filter", "filter", medium="enamel wash")
    pin = p("pin wash", "pin", medium="enamel wash")
    bath = p("wash parts", "bath")
    nights = {
        "oil over enamel wash": waits(UNDER, SATIN, enamel_wash, p("streak", "s", medium="oil"))[2],
        "rust over oil": waits(UNDER, SATIN, OIL, rust)[2],
        "thick mud under warm air": waits(UNDER, SATIN, mud, {**mud, "name": "again"})[2],
        "plaster": waits(plaster, p("brush", "earth"), kind="base")[0],
        "thick oil": waits(UNDER, SATIN, {**OIL, "thick": 3}, MATT)[2],
        "filter to pin wash": waits(UNDER, SATIN, filtered, pin)[2],
        "can to oil wash": waits(CAN, OIL)[0],
        "washed parts": waits(bath, UNDER)[0],
    }
    most = {"oil over enamel wash": 720, "rust over oil": 1440, "thick mud under warm air": 140,
            "plaster": 720, "thick oil": 5760, "filter to pin wash": 720, "can to oil wash": 1440,
            "washed parts": 60}  # fmt: skip
    assert nights == {name: pytest.approx(minutes) for name, minutes in most.items()}


@pytest.mark.parametrize(
    ("glue", "sets", "handle"),
    [("solvent cement", 1, 20), ("superglue", 0.5, 5), ("epoxy", 5, 20), ("white glue", 30, 120),
     ("foam glue", 10, 60), ("hot glue", 1, 5)],
)  # fmt: skip
def test_glue_is_waited_for_until_set_for_more_glue_and_until_handled_for_paint(
    glue: str, sets: float, handle: float
) -> None:
    glued = p("glue", "part", adhesive=glue)
    assert waits(glued, {**glued, "name": "next part"}, UNDER)[:2] == [sets, handle]


@pytest.mark.parametrize(
    ("minutes", "said"),
    [(0.5, "30 s"), (25, "25 min"), (60 * 60, "60 h"), (7200, "5 d"), (5040, "3½ d")],
)
def test_durations_are_said_as_painters_say_them(minutes: float, said: str) -> None:
    assert duration(minutes) == said


def test_a_part_does_not_wait_for_another_parts_oil() -> None:
    oily = p("wash", "oil", medium="oil", part="tracks")
    wheels = p("brush", "wheels", part="wheels", colour=DARK)
    apart = waits(UNDER, TRACKS, oily, wheels, MATT)
    together = waits(UNDER, OLIVE, {**OIL}, p("brush", "rims", colour=DARK, zones=["wheels"]), MATT)
    assert apart[2] == 0 and together[2] >= 1440


@pytest.mark.parametrize(
    ("passes", "more"),
    [
        ((UNDER, p("spray", "light from above", colour=WHITE, cover=0.5)), {}),
        ((UNDER, p("spray", "pre-shade", colour=DARK, purpose="shade"),
          p("spray", "olive", colour="#b3a37c")), {}),
        ((UNDER, OLIVE, p("spray", "fade", colour="#d8d2b0", dilution=8)), {}),
        ((UNDER, OLIVE, p("dry-brush", "light", colour="#98a06c"),
          p("dry-brush", "dust", colour="#75654a", purpose="tone down")), {}),
        ((p("spray can", "brick", colour="#8f4d3b"),
          p("brush", "slates", colour="#5c646b", zones=["roof"], coats=2),
          p("wash", "soot", colour="#3a2a20", zones=["walls"])), {"kind": "building"}),
        ((UNDER, OLIVE, p("brush", "hull", colour=GREEN, zones=["lower"]), TRACKS,
          p("dry-brush", "links", colour="#8f9498", part="tracks", zones=["tracks"])), {}),
        ((UNDER, OLIVE, p("wash", "wash", colour="#3a2a20", zones=["lower"])), {}),
        ((UNDER, OLIVE, p("brush", "gloss patch", medium="acrylic varnish", finish="gloss",
                          cover=0.05), DECALS), {}),
    ],
)  # fmt: skip
def test_what_a_pass_is_for_is_known(
    passes: tuple[dict[str, Any], ...], more: dict[str, Any]
) -> None:
    assert not codes(*passes, MATT, **more)


def test_without_that_purpose_the_same_is_said() -> None:
    pale = p("spray", "cream", colour="#e3ddcb")
    assert "shows through" in codes({**UNDER, "colour": DARK}, pale, MATT)
    assert not codes({**UNDER, "colour": DARK}, {**pale, "purpose": "modulate"}, MATT)
    assert "silvering" in {one.code for one in check(recipe(UNDER, OLIVE, DECALS, MATT)).findings}


def test_a_wipe_does_not_lift_what_it_wipes_but_what_lies_below() -> None:
    white = p("spray", "white", colour=WHITE, cover=0.8, medium="acrylic")
    cleaner = p("wipe back", "cleaner", carrier="alcohol")
    hard = p("brush", "enamel grey", medium="enamel", colour="#777a7c")
    assert "lifts" not in codes(hard, white, cleaner, SATIN, MATT)
    assert "lifts" in codes(UNDER, OLIVE, white, cleaner, SATIN, MATT)


def test_pastel_laid_into_wet_fixer_is_fixed_and_a_shown_model_rubs_off_nothing() -> None:
    fixer = p("brush", "fixer", medium="acrylic fixer", zones=["lower"], cover=0.5, stand_min=1)
    chalk = p("pastel", "chalk", colour="#c2ae88", zones=["lower"])
    worn = (UNDER, OLIVE, MATT)
    assert "loose pigment" not in codes(*worn, fixer, chalk)
    assert "loose pigment" in codes(*worn, {**fixer, "stand_min": 600}, chalk)
    assert "loose pigment" in codes(*worn, chalk)
    assert not codes(*worn, chalk, use="shown")


def test_small_marks_are_no_base_for_lights() -> None:
    eye = p("brush", "eye dot", colour="#fcfcfa", zones=["face"], cover=0.02)
    light = p("highlight", "cheeks", colour="#e0b392", zones=["face"])
    face = p("brush", "face", colour="#bf8a66", zones=["skin"], coats=2)
    coat = p("brush", "coat", colour=GREEN, zones=["cloth"], coats=2)
    assert not codes(UNDER, coat, face, eye, light, MATT, kind="figure")
    white = {**face, "colour": "#fcfcfa", "coats": 4}
    assert "no headroom" in codes(UNDER, coat, white, {**light, "colour": "#fdfdfb"}, MATT,
                                  kind="figure")  # fmt: skip


@pytest.mark.parametrize(
    ("glue", "pair", "right"),
    [
        ("epoxy", ("foam", "foam"), True), ("white glue", ("scatter", "print"), True),
        ("white glue", ("print", "board"), True), ("white glue", ("clear", "polystyrene"), True),
        ("epoxy", ("clear", "resin"), True), ("superglue", ("photo-etch", "resin"), True),
        ("hot glue", ("wood", "board"), True), ("solvent cement", ("polystyrene",) * 2, True),
        ("solvent cement", ("polystyrene", "resin"), False),
        ("solvent cement", ("photo-etch", "polystyrene"), False),
        ("hot glue", ("foam", "foam"), False), ("solvent cement", ("print", "print"), False),
        ("superglue", ("foam", "wood"), False), ("solvent cement", ("clear", "clear"), False),
        ("superglue", ("clear", "polystyrene"), False),
    ],
)  # fmt: skip
def test_a_glue_is_judged_by_the_two_materials_that_meet(
    glue: str, pair: tuple[str, str], right: bool
) -> None:
    glued = p("glue", "joint", adhesive=glue, materials=list(pair))
    wrong = {"wrong glue", "eats the ground", "frosted glass"}
    report = check(recipe(glued, UNDER, OLIVE, MATT))
    found = [one for one in report.findings if one.code in wrong]
    assert (not found) == right
    for one in found:
        assert one.repairs, "there is always a way out"


def test_of_a_joint_with_an_unknown_side_only_the_impossible_is_said() -> None:
    assert not codes(p("glue", "something", adhesive="white glue"), UNDER, OLIVE, MATT)
    assert "wrong glue" in codes(p("glue", "x", adhesive="solvent cement"), UNDER, OLIVE, MATT,
                                 material="metal")  # fmt: skip


def test_sizes_are_judged_at_the_units_own_scale() -> None:
    splash = p("splash", "mud", size_mm=1.5, medium="acrylic mud", tried=None, trial="on card")
    made = recipe(UNDER, OLIVE, MATT, splash)
    found = {scale: {one.code for one in check(made, scale=scale).findings} for scale in (35, 72)}
    assert "too big" in found[72] and "too big" not in found[35]


def test_a_zone_that_nobody_knows_is_kept_and_said() -> None:
    helmet = p("brush", "helmet", colour=DARK, zones=["helmet"], coats=2)
    coat = p("brush", "coat", colour=GREEN, zones=["cloth"], coats=2)
    face = p("brush", "face", colour="#bf8a66", zones=["skin"], coats=2)
    found = check(recipe(UNDER, coat, face, helmet, MATT, kind="figure")).findings
    assert [(one.code, one.severity) for one in found] == [("zone of its own", "note")]
    assert "helmet" in found[0].words


def test_a_good_trial_silences_what_it_tried_and_one_that_lifted_is_said() -> None:
    trim = p("brush", "trim", medium="alcohol acrylic", colour=DARK, cover=0.3)
    assert "lifts" in codes(UNDER, OLIVE, trim, MATT)
    assert not codes(UNDER, OLIVE, {**trim, "tried": "good"}, MATT)
    wash = p("wash", "wash", colour=DARK, tried="lifted")
    found = check(recipe(UNDER, OLIVE, wash, MATT)).findings
    assert "on your trial" in next(one.words for one in found if one.code == "lifts")


def test_materials_by_part_have_rules_of_their_own() -> None:
    grille = p("brush", "grille", colour=DARK, part="grille", coats=2)
    metal = {"materials": {"grille": "photo-etch"}}
    can = {**CAN, "all_but": ["grille"]}
    assert "no undercoat" in codes(can, OLIVE, grille, MATT, **metal)
    primed = p("spray", "primer", medium="primer", part="grille")
    assert "no undercoat" not in codes(can, OLIVE, primed, grille, MATT, **metal)


def test_dilution_and_varnish_in_the_paint_count() -> None:
    mist = p("spray", "dust", colour="#c2ae88", dilution=8)
    assert not codes({**UNDER, "colour": DARK}, OLIVE, mist, MATT)
    assert "shows through" in codes({**UNDER, "colour": DARK}, {**mist, "dilution": 1}, MATT)
    tough = {**OLIVE, "varnish_share": 0.2, "finish": "satin"}
    assert "no final coat" not in codes(CAN, tough)
    assert "no final coat" in codes(CAN, {**tough, "varnish_share": 0.05})


def test_steps_without_paint_take_none_and_wait_for_nothing_but_the_hand() -> None:
    steps = [p(name) for name in ("drill", "file", "scrape", "score", "cut", "pin", "clean",
                                  "test-fit", "soak")]  # fmt: skip
    walked = walk(recipe(*steps, UNDER, OLIVE, MATT))
    assert not any(step.layer.lays for step in walked.steps[: len(steps)])
    assert [step.wait.minutes for step in walked.steps[: len(steps)]] == [0] * len(steps)
    assert codes(*steps, UNDER, OLIVE, MATT) == set()


def test_a_material_that_nobody_knows_is_said_and_judged_by_no_rule() -> None:
    glued = p("glue", "horn", adhesive="superglue", materials=["horn", "polystyrene"])
    found = check(recipe(glued, UNDER, OLIVE, MATT, materials={"grip": "bone"})).findings
    assert [(one.code, one.severity) for one in found] == [("unknown material", "note")] * 2
    assert "'bone'" in found[0].words and "'horn'" in found[1].words
