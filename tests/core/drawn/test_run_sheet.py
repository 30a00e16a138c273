"""The run sheet: the sitting in order, nothing lost, one page for an evening."""

from __future__ import annotations

from xml.etree import ElementTree as Xml

from muster.core.drawn.page import Page
from muster.core.drawn.run_sheet import HEIGHT, LEFT, RIGHT, run_sheet
from muster.core.pipeline import plan_first
from muster.core.recipes.recipe import MixPart
from muster.core.views.agenda import Agenda, next_agenda
from muster.core.views.board import board_of
from muster.core.views.roll import roll_of
from tests.core.making import a_pass, choices, derived, recipe, unit

SVG = "{http://www.w3.org/2000/svg}"
SPRAY = a_pass(
    "undercoat", 0.5, tool="airbrush", technique="spray", medium="lacquer", setup_min=1,
    cleanup_min=2, dry_min=20, stand_min=60,
)  # fmt: skip
COAT = a_pass("base", 3, tool="brush", setup_min=1, cleanup_min=1, dry_min=15, stand_min=30,
              mix=(MixPart("Reed green", 5), MixPart("Silt", 2)))  # fmt: skip


def sheet(count: int = 12, after: int = 0) -> tuple[list[Page], Agenda]:
    made, plan = plan_first(
        derived(choices(unit(count, tray_size=6)), recipes=(recipe(SPRAY, COAT),))
    )
    agenda = next_agenda(board_of(made, plan, roll_of(made)), after)
    assert agenda is not None
    return run_sheet(made, agenda), agenda


def words(page: Page) -> list[str]:
    return [one.text or "" for one in Xml.fromstring(page.text()).iter(f"{SVG}text")]


def test_an_evening_fits_on_one_page_with_its_day_and_hours() -> None:
    (page,), _ = sheet()
    assert (page.width, page.height) == (210, 297)
    assert words(page)[0] == "Tuesday 2 March, 19:30 to 22:00"


def test_calls_stand_in_order_with_a_box_for_each_model() -> None:
    (page,), agenda = sheet()
    said = words(page)
    names = [s for s in said if s.startswith(("undercoat, ", "base, "))]
    steps = [s.card for s in agenda.steps if s.card]
    assert [f"{card.name}, {card.tray_name}" for card in steps] == [
        one.removesuffix(", goes on") for one in names
    ]
    models = sum(len(s.models) for s in agenda.steps)
    boxes = [one for one in Xml.fromstring(page.text()).iter(f"{SVG}rect")
             if one.get("width") == "4.40"]  # fmt: skip
    assert len(boxes) == models > 0


def test_a_mix_is_in_whole_drops_of_its_ratio() -> None:
    (page,), _ = sheet()
    mixes = [one for one in words(page) if "Reed green" in one and one.startswith("drops:")]
    assert mixes and all("Silt" in one for one in mixes)
    green, silt = (int(part.split()[0]) for part in mixes[0].removeprefix("drops: ").split(",")[:2])
    assert green * 2 == silt * 5


def test_what_to_be_careful_of_stands_below_with_the_label_first() -> None:
    (page,), agenda = sheet()
    said = words(page)
    warned = {w for s in agenda.steps if s.card for w in s.card.cautions}
    assert warned and warned <= set(said) | {w for w in warned if any(
        one.rstrip("…") and w.startswith(one.rstrip("…")) for one in said)}  # fmt: skip
    assert any("label" in one for one in said)


def test_a_long_day_runs_over_and_loses_no_call() -> None:
    made, plan = plan_first(derived(choices(unit(90, tray_size=2)), recipes=(recipe(SPRAY, COAT),)))
    agenda = next_agenda(board_of(made, plan, roll_of(made)))
    assert agenda is not None
    pages = run_sheet(made, agenda)
    said = [one for page in pages for one in words(page)]
    assert len(pages) > 1 and f"1 of {len(pages)}" in said
    assert sum(", Pikes " in one for one in said) == sum(s.card is not None for s in agenda.steps)


def test_nothing_stands_outside_the_page() -> None:
    pages, _ = sheet(24)
    for page in pages:
        for one in Xml.fromstring(page.text()).iter(f"{SVG}text"):
            assert LEFT - 0.1 <= float(one.get("x") or 0) <= RIGHT + 0.1
            assert 0 < float(one.get("y") or 0) < HEIGHT


def test_where_no_sitting_has_work_there_is_no_agenda() -> None:
    made, plan = plan_first(derived(choices()))
    board = board_of(made, plan, roll_of(made))
    assert next_agenda(board, 50) is None
