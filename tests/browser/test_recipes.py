"""Recipes in the browser: what the layers say while one edits, and what one press mends."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import Select

from muster.apps.plan.models import PlanRun
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from tests.browser.driving import Browser
from tests.browser.test_way import at_the_bench, sign_up
from tests.conftest import Clock

SELECT_ALL = "\ue009a\ue000"

pytestmark = pytest.mark.django_db(transaction=True)


ALL = "//h1/button"


def choose_recipe(browser: Browser, name: str) -> None:
    browser.keys("4")
    browser.find(ALL).click()
    browser.find(f"//ul[@aria-label='Recipes']//button[contains(., '{name}')]").click()
    browser.find(f"{ALL}[starts-with(., '{name}')]")


def open_recipe(browser: Browser, name: str) -> None:
    choose_recipe(browser, name)
    browser.find("//*[@role='status'][contains(., 'nothing goes wrong')]")


def test_a_coat_taken_out_goes_wrong_and_one_press_mends_it(inside: Browser) -> None:
    browser = inside
    open_recipe(browser, "Vehicle with solvent wash")
    browser.find(row("gloss coat")).click()
    browser.press("take it out")
    browser.find("//*[contains(., 'air under the film shines silver')]")
    browser.find("//*[@role='status'][contains(., 'one thing to mend')]")
    browser.press("A gloss coat first, adds 2 h")
    browser.find("//*[@role='status'][contains(., 'nothing goes wrong')]")
    browser.find("//button[contains(., 'Keep as version 2')][not(@disabled)]")


def test_a_damp_room_waits_longer_and_an_all_acrylic_house_shorter(inside: Browser) -> None:
    browser = inside
    open_recipe(browser, "Vehicle with solvent wash")

    def hours() -> float:
        return float(browser.find("//b[contains(., ' h')][../self::p]").text.split()[0])

    usual = hours()
    browser.find("//summary[contains(., 'What if')]").click()
    browser.find("//label[contains(., 'all')]/input[@type='checkbox']").click()
    browser.until(lambda: hours() < usual / 2)
    acrylic = hours()
    browser.find("//*[@role='slider']").send_keys("\ue008" + "\ue013" * 6)
    browser.find("//*[contains(., 'fogs or turns grainy')]")
    browser.until(lambda: hours() > acrylic)


def row(name: str) -> str:
    """The row of a pass, which opens it."""
    return f"//button[@data-row][b[.='{name}']]"


def rows(browser: Browser) -> list[str]:
    """The passes by name, from the last to the first."""
    found = browser.driver.find_elements(By.XPATH, "//li[@data-pass]//button[@data-row]/b")
    return [one.text for one in found]


def test_a_pass_is_added_by_typing_a_few_letters_and_taken_back(inside: Browser) -> None:
    browser = inside
    open_recipe(browser, "Vehicle by panel modulation")
    before = rows(browser)
    browser.find(row("main colour, modulated")).click()
    browser.find("//p[.='lands over main colour, modulated']")
    browser.commit("//input[contains(@placeholder, 'pinw')]", "sponge 2 Silt, running gear")
    at = before.index("main colour, modulated")
    browser.until(lambda: rows(browser) == [*before[:at], "sponge", *before[at:]])
    browser.find("//*[@role='button'][starts-with(@aria-label, 'running gear')]").click()
    browser.find(
        "//ol[starts-with(@aria-label, 'Stack of running gear')]//button[contains(., 'sponge')]"
    )
    browser.press("Take back")
    browser.until(lambda: "sponge" not in rows(browser))


def test_a_recipe_holds_a_smaller_one_and_a_unit_follows_when_told(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    open_recipe(browser, "Gun and crew")
    Select(browser.find("//label[contains(., 'recipe to hold')]/select")).select_by_visible_text(
        "Ground"
    )
    browser.press("unfold")
    browser.find("//li[@data-pass]//ol/li[contains(., 'ground paste') or contains(., 'paste')]")
    browser.press("Keep as version 2")
    browser.find("//*[@role='alertdialog']//input[@type='checkbox']").click()
    browser.press("Keep it")
    browser.find("//section[contains(., 'keeps version 1')]//li[contains(., 'new')]")
    browser.press("Follow version 2")
    browser.until(lambda: "keeps version 1" not in browser.text())
    assert {unit.recipe_version for unit in choices_of(Muster.objects.get()).units} == {1, 2}


def test_a_trial_patch_that_went_well_quiets_the_note(inside: Browser) -> None:
    browser = inside
    open_recipe(browser, "Infantry over light from above")
    browser.find(row("thin cloth")).click()
    browser.press("take it out")
    browser.commit("//input[contains(@placeholder, 'pinw')]", "glaze 1 Reed green, cloth")
    browser.find("//p[contains(., 'cannot be undone')]")
    browser.press("a trial patch")
    browser.press("Record the trial")
    browser.find("//form[contains(., 'Tried on')]//li[contains(., 'good')]")
    browser.until(lambda: "cannot be undone" not in browser.text())


def test_the_damp_dial_moves_the_plan_and_a_habit_changes_what_is_proposed(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    before = PlanRun.objects.latest("id").plan["blocks"]
    browser.press("House")
    browser.find("//*[@role='slider']").send_keys("\ue008" + "\ue013" * 4 + "\ue012" * 3)
    browser.find("//p[contains(., 'spray with care')]")
    browser.press("Keep it as usual")
    browser.find("//button[contains(., 'Take back: The room usually')]")
    browser.until(lambda: PlanRun.objects.latest("id").plan["blocks"] != before)
    browser.find("//label[contains(., 'real layers, real edges')]/input").click()
    browser.find("//button[contains(., 'Take back: Chips: fluid')]")
    choose_recipe(browser, "Rust, to nest")
    browser.find("//input[contains(@placeholder, 'pinw')]").send_keys("chips")
    browser.find("//form//*[@role='status'][contains(., 'chipping fluid')]")


def test_a_recipe_file_is_shown_before_it_is_taken_in(inside: Browser, tmp_path: Path) -> None:
    browser = inside
    browser.keys("4")
    browser.find(ALL).click()
    browser.find("//label[contains(., 'From a file')]")
    file = tmp_path / "mud.json"
    recipe = {"name": "Delta mud", "kind": "vehicle", "passes": [{"technique": "spray"}]}
    file.write_text(json.dumps({"format": "crisp-muster/recipe", "version": 1, "recipe": recipe}))
    browser.driver.find_element(By.XPATH, "//input[@type='file']").send_keys(str(file))
    browser.find("//section[@aria-label='What the file holds'][contains(., 'Delta mud')]")
    browser.press("Take it in")
    browser.find(f"{ALL}[starts-with(., 'Delta mud')]")


def test_a_unit_is_finished_first_and_minutes_are_left_free(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.keys("1")
    browser.find("//button[starts-with(@aria-label, 'Change ')]").click()
    browser.press("Finish first")
    browser.find("//p[contains(., 'finished first')]")
    browser.keys("5")
    browser.find("//h1[.='Plan']")
    browser.keys("n")
    spare = browser.find("//label[contains(., 'Minutes left free')]/input")
    spare.send_keys(SELECT_ALL + "15\t")
    browser.until(lambda: choices_of(Muster.objects.get()).spare_min == 15)
    assert choices_of(Muster.objects.get()).finish_first
    browser.press("Take back")
    browser.until(lambda: choices_of(Muster.objects.get()).spare_min == 0)


def test_reasons_of_a_call_say_what_they_hold_it_by(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.find("//h1[.='Plan']")

    def proven() -> bool:
        body = browser.driver.find_element(By.TAG_NAME, "body").text
        return "sooner without)" in body or "does not hold it)" in body

    for _ in range(8):
        browser.keys("\ue014")
        if proven():
            break
    browser.until(proven)


def test_a_serious_caution_is_asked_about_once_before_the_call_begins(
    browser: Browser, held: Clock
) -> None:
    """The timber building begins with a spray can, by daylight: on Saturday morning."""
    sign_up(browser)
    browser.keys("1")
    browser.commit("//input[@name='line']", "2 houses building")
    browser.find("//h2[contains(., '2 Houses')]")
    for name in ("Pikes", "Lancers", "Guns"):
        browser.find(f"//button[@aria-label='Change {name}']").click()
        browser.press("Take off the roll")
        browser.until(lambda name=name: f"Change {name}" not in browser.driver.page_source)
    held.move(hours=88)
    at_the_bench(browser)
    browser.find("//p[contains(., 'respirator')]")
    browser.press("Start this call")
    browser.find("//*[@role='alertdialog'][contains(., 'Before you start')]")
    browser.press("Read: start the call")
    browser.find("//button[contains(., 'is done')]")


def test_a_recipe_begins_empty_is_typed_kept_put_away_and_brought_back(inside: Browser) -> None:
    """By keys alone, once the room is open."""
    browser = inside
    open_recipe(browser, "Vehicle with solvent wash")
    browser.find(ALL).click()
    browser.press("New recipe")
    browser.until(lambda: browser.driver.switch_to.active_element.tag_name == "input")
    browser.driver.switch_to.active_element.send_keys("Peat barges\ue007")
    browser.find("//button[contains(., 'Keep it')][@aria-disabled='true' or @disabled]")
    line = "//input[contains(@placeholder, 'pinw')]"
    browser.commit(line, "undercoat can")
    browser.find(row("undercoat"))
    browser.find(line).send_keys("brush 2 Green 117, 1 Sand, x2, by the light of a lamp")
    browser.find("//form//*[@role='status'][contains(., '2 Green 117 : 1 Sand')]")
    browser.find("//form//*[@role='status'][contains(., 'by the light of a lamp')]")
    browser.find(line).send_keys("\ue007")
    browser.find(row("brush"))
    browser.press("Keep it")
    kept = f"{ALL}[starts-with(., 'Peat barges')]"
    browser.find("//p[contains(., 'version 1')]")
    browser.find(kept)
    browser.press("Put away")
    browser.until(lambda: not browser.driver.find_elements(By.XPATH, kept))
    browser.find(ALL).click()
    browser.find("//summary[contains(., 'one recipe put away')]").click()
    browser.press("Bring back")
    browser.find(kept)


def test_a_units_scale_can_change(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.keys("1")
    browser.find("//button[starts-with(@aria-label, 'Change ')]").click()
    scale = browser.find("//label[contains(., 'Scale, 1/')]/input")
    scale.send_keys(SELECT_ALL + "35\t")
    browser.until(lambda: choices_of(Muster.objects.get()).units[0].scale == 35)
    browser.press("Take back")
    browser.until(lambda: choices_of(Muster.objects.get()).units[0].scale == 72)
