"""Whole jobs in the browser: what a painter enters is planned, and what is left is mended."""

from __future__ import annotations

import json
from typing import Any

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import Select

from muster.apps.recipes.models import RecipeVersion
from muster.core.craft.techniques import TECHNIQUES
from muster.core.recipes.recipe import RECIPE
from tests.browser.driving import Browser
from tests.conftest import Clock

TAB = "\ue004"

LEFT = "//section[contains(@aria-label, 'What is left')]/div[contains(., 'Left:')]"

pytestmark = pytest.mark.django_db(transaction=True)


def newcomer(
    browser: Browser, lines: tuple[str, ...], days: tuple[str, ...], parade: str = ""
) -> None:
    """Sign up and come as far as the recipes."""
    browser.go("/")
    browser.commit("//input[@name='name']", "ada", TAB)
    browser.commit("//input[@name='password']", "reeds and silt", TAB)
    browser.press("Begin")
    for number, line in enumerate(lines, 1):
        browser.commit("//input[@name='line']", line)
        browser.find(f"//li[{number}]/b")
    browser.press("Next")
    for day in days:
        browser.find(f"//label[contains(., '{day}')]/input").click()
    if parade:
        browser.commit("//input[@name='parade']", parade, TAB)
    browser.press("Next")


def planned(browser: Browser) -> None:
    browser.press("Plan it")
    browser.find("//h1[.='Plan']")
    browser.find("//*[name()='svg']//*[@role='button'][@aria-pressed]")


def calls(browser: Browser) -> list[str]:
    """The calls in view on the board, as they are said."""
    path = "//*[name()='svg']//*[@role='button'][@aria-pressed]"
    return [
        one.get_attribute("aria-label") or ""
        for one in browser.driver.find_elements(By.XPATH, path)
    ]


def recipe_changed(code: str, key: str, **changes: Any) -> None:
    """A pass of a starter as its user would have it, before any unit uses it."""
    row = RecipeVersion.objects.get(recipe__code=code)
    for one in row.document["passes"]:
        if one["key"] == key:
            one.update(changes)
    row.save()


def test_a_newcomer_with_evenings_only_gets_everything_planned(
    browser: Browser, held: Clock
) -> None:
    """Timber buildings among the units: their spray can wants daylight, and gets by without."""
    lines = ("24 pikes foot 28 mm", "5 farmhouses", "2 half-tracks 1-48")
    newcomer(browser, lines, ("Tuesday", "Thursday"), "27 March")
    assert "not said" not in browser.text()
    planned(browser)
    assert "31 of 31" in browser.text()
    assert not browser.driver.find_elements(By.XPATH, LEFT)


def test_what_cannot_be_pressed_says_why(browser: Browser, held: Clock) -> None:
    browser.go("/")
    browser.commit("//input[@name='name']", "ada", TAB)
    browser.commit("//input[@name='password']", "reeds and silt", TAB)
    browser.press("Begin")
    browser.find("//*[.='type a unit first']")
    browser.commit("//input[@name='line']", "6 marsh wisps")
    browser.find("//*[.='choose the kind of Marsh wisps']")
    Select(browser.find("//select[@aria-label='Kind of Marsh wisps']")).select_by_value("figure")
    browser.press("Next")
    browser.find("//*[.='choose a weekday first']")


def test_without_a_parade_day_the_plan_says_when_it_is_done(browser: Browser, held: Clock) -> None:
    newcomer(browser, ("12 pikes foot",), ("Tuesday", "Saturday"))
    planned(browser)
    browser.find("//header[contains(., 'done by')]")
    assert "late" not in browser.find("//header").text
    browser.keys("n")
    browser.commit("//input[@aria-label='Parade day']", "20 March")
    browser.find("//header[contains(., 'Saturday 20 March')]")
    browser.press("No parade day")
    browser.find("//header[contains(., 'done by')]")


def test_an_oil_wash_is_wiped_back_in_its_sitting(browser: Browser, held: Clock) -> None:
    newcomer(browser, ("3 haulers 1/72",), ("Tuesday", "Thursday", "Saturday"))
    row = RecipeVersion.objects.get(recipe__code="vehicle-solvent")
    one = RECIPE.validate_python(row.document)
    keys = [each.key for each in one.passes]
    at = keys.index("pin")
    passes = row.document["passes"]
    passes[at] |= {"medium": "oil", "window_min": None, "stand_min": None, "dry_min": None}
    wipe = TECHNIQUES["wipe back"]
    passes.insert(
        at + 1,
        {"key": "wiped", "name": "wipe back", "technique": wipe.name, "minutes": 4, "tool": "brush",
         "mix": [{"name": "white spirit", "parts": 1}], "carrier": "white spirit"},
    )  # fmt: skip
    row.save()
    planned(browser)
    assert not browser.driver.find_elements(By.XPATH, LEFT)
    view = browser.driver.execute_async_script(
        "const done=arguments[0];fetch('/api'+location.pathname.replace('/plan','')"
        ".replace('/','/musters/')).then(a=>a.text()).then(done)"
    )
    board = json.loads(view)["board"]
    ends = {p["call"]: p["end"] for p in board["pieces"]}
    starts = {p["call"]: p["start"] for p in reversed(board["pieces"])}
    wash, wiped = ends["haulers.1/pin"], starts["haulers.1/wiped"]
    assert wash[:10] == wiped[:10] and wiped >= wash


def test_what_is_left_says_why_and_its_first_remedy_places_it(
    browser: Browser, held: Clock
) -> None:
    newcomer(browser, ("2 farmhouses", "6 pikes foot"), ("Tuesday", "Thursday"))
    recipe_changed("timber-building", "undercoat", needs=["daylight"], wants=[])
    planned(browser)
    left = browser.find(LEFT)
    assert "Brown undercoat, Farmhouses: needs daylight, and no sitting has any." in left.text
    assert any("Pikes" in one for one in calls(browser))
    browser.find("//header[contains(., 'two models left: see Plan')]")
    first = browser.find(f"{LEFT}//li[1]")
    assert "daylight" in first.text
    first.find_element(By.XPATH, ".//button[normalize-space(.)='Do it']").click()
    browser.until(lambda: not browser.driver.find_elements(By.XPATH, LEFT))
    browser.until(lambda: any("Farmhouses" in one for one in calls(browser)))


def test_the_crew_comes_before_the_cab_and_a_circle_is_refused_in_words(
    browser: Browser, held: Clock
) -> None:
    newcomer(browser, ("4 crew foot", "2 trucks"), ("Tuesday", "Saturday"))
    planned(browser)
    browser.press("Roll")

    def say(after: str, before: str) -> None:
        browser.find(f"//button[@aria-label='Change {after}']").click()
        Select(
            browser.find("//select[@aria-label='Unit that comes first']")
        ).select_by_visible_text(before)
        browser.press("Say so")

    say("Trucks", "Crew")
    browser.find("//section[@aria-label='Trucks']//*[.='after Crew']")
    browser.find("//section[@aria-label='Trucks']//*[contains(., 'waits until')]")
    browser.find("//button[@aria-label='Change Trucks']").click()
    say("Crew", "Trucks")
    browser.find("//*[contains(., 'wait for one another in a circle')]")
    browser.press("Plan")
    browser.find("//footer[contains(., 'waits for another unit')]")
    said = calls(browser)
    crew = [one for one in said if one.startswith("Crew")]
    assert crew and said.index(crew[-1]) < min(
        (n for n, one in enumerate(said) if one.startswith("Trucks")), default=len(said)
    )


def test_one_evening_of_the_rhythm_is_lost_and_another_moved(browser: Browser, held: Clock) -> None:
    newcomer(browser, ("6 pikes foot",), ("Tuesday",), "27 March")
    planned(browser)
    browser.keys("n")
    browser.find("//li[contains(., 'Tuesday')]//button[normalize-space(.)='End it']")
    browser.press("to move or lose one")
    browser.find("//button[@aria-label='Lost: take out the sitting of Tuesday 9 March']").click()
    browser.find("//button[@aria-label='Move the sitting of Tuesday 16 March']").click()
    browser.commit("//input[@aria-label='To the day']", "17 March", TAB)
    browser.press("Move it")
    browser.press("Only what differs")
    browser.find("//li[contains(., 'Tuesday 9 March') and contains(., 'lost')]")
    browser.find("//li[contains(., 'Wednesday 17 March') and contains(., 'moved')]")
