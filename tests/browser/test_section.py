"""The recipe as an instrument: passes picked, moved, thickened and dropped by mouse, keys and
touch; each word of a pass changed in place."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from muster.core.craft.zones import ZONES
from tests.apps.test_extremes import a_pass
from tests.browser.driving import Browser
from tests.browser.test_recipes import choose_recipe, open_recipe, row, rows
from tests.browser.test_way import check
from tests.browser.touching import drag, middle, touch
from tests.conftest import post

pytestmark = pytest.mark.django_db(transaction=True)

HAULER = "Vehicle with solvent wash"
LINE = "//p[contains(@aria-label, 'word by word')]"


@pytest.fixture
def hauler(inside: Browser) -> Browser:
    open_recipe(inside, HAULER)
    return inside


def pick(browser: Browser, name: str) -> None:
    found = browser.find(row(name))
    middle(browser, found)
    found.click()
    browser.find(f"//p[@aria-label='{name}, word by word']")


def word(browser: Browser, field: str) -> str:
    found = browser.driver.find_elements(By.XPATH, f"{LINE}/button[@data-field='{field}']")
    return found[0].text if found else ""


def grip(browser: Browser, name: str) -> Any:
    return browser.find(f"//li[@data-pass][.//b[.='{name}']]//*[@data-grip]")


def test_a_pass_is_dragged_to_another_place_and_taken_back(hauler: Browser) -> None:
    before = rows(hauler)
    mouse = ActionChains(hauler.driver)
    mouse.click_and_hold(grip(hauler, "dust")).move_by_offset(0, 40).move_by_offset(0, 70).perform()
    hauler.find("//*[.='lay it here']")
    ActionChains(hauler.driver).release().perform()
    hauler.until(lambda: rows(hauler) != before)
    now = rows(hauler)
    assert sorted(now) == sorted(before) and now.index("dust") > before.index("dust")
    hauler.keys("u")
    hauler.until(lambda: rows(hauler) == before)


def test_a_pass_dragged_out_at_the_side_is_taken_out(hauler: Browser) -> None:
    before = rows(hauler)
    mouse = ActionChains(hauler.driver)
    mouse.click_and_hold(grip(hauler, "brass")).move_by_offset(-60, 5).move_by_offset(-200, 0)
    mouse.perform()
    hauler.find("//*[.='take it out']")
    ActionChains(hauler.driver).release().perform()
    hauler.until(lambda: "brass" not in rows(hauler))
    hauler.press("Take back")
    hauler.until(lambda: rows(hauler) == before)


def test_a_finger_moves_a_pass_on_a_phone(hauler: Browser) -> None:
    hauler.size(390, 844, touch=True)
    before = rows(hauler)
    at = middle(hauler, grip(hauler, "seal"))
    drag(hauler, at, (at[0], at[1] + 110))
    hauler.until(lambda: rows(hauler) != before)
    assert rows(hauler).index("seal") > before.index("seal")


def test_keys_pick_move_thicken_and_take_out(hauler: Browser) -> None:
    pick(hauler, "main colour")
    before = rows(hauler)
    hauler.keys("]")
    hauler.until(lambda: rows(hauler).index("main colour") == before.index("main colour") - 1)
    hauler.keys("[")
    hauler.until(lambda: rows(hauler) == before)
    hauler.keys("+")
    hauler.until(lambda: word(hauler, "coats") == "×2")
    hauler.keys("-")
    hauler.until(lambda: word(hauler, "coats") == "×1")
    hauler.keys(Keys.ARROW_UP)
    above = before[before.index("main colour") - 1]
    hauler.find(f"//p[@aria-label='{above}, word by word']")
    hauler.keys(Keys.DELETE)
    hauler.until(lambda: above not in rows(hauler))
    hauler.keys("u")
    hauler.until(lambda: above in rows(hauler))


def test_a_film_is_pulled_thicker_in_the_section(hauler: Browser) -> None:
    hauler.keys("s")
    hauler.find("//h2[.='Closed']")
    pick(hauler, "main colour")
    pull = hauler.find("//*[@data-pull]")
    drawn = "//*[name()='svg'][contains(@aria-label, 'Section of upper')]"
    before = hauler.find(drawn).get_attribute("innerHTML")
    mouse = ActionChains(hauler.driver)
    mouse.click_and_hold(pull).move_by_offset(0, -12).move_by_offset(0, -12).perform()
    hauler.until(lambda: hauler.find("//*[@data-pull]").text == "+2")
    ActionChains(hauler.driver).release().perform()
    hauler.until(lambda: word(hauler, "coats") == "×3")
    hauler.until(lambda: hauler.find(drawn).get_attribute("innerHTML") != before)
    hauler.find("//*[contains(., 'µm')][contains(., 'not to scale')]")


def test_a_finger_pulls_a_film_thicker_and_presses_words_and_zones(hauler: Browser) -> None:
    hauler.size(390, 844, touch=True)
    hauler.press("Section")
    pick(hauler, "main colour")
    at = middle(hauler, hauler.find("//*[@data-pull]"))
    drag(hauler, at, (at[0], at[1] - 26))
    hauler.until(lambda: word(hauler, "coats") == "×3")
    hauler.press("Schematic")
    where = hauler.find(f"{LINE}/button[@data-field='zones']")
    middle(hauler, where)
    where.click()
    zone = hauler.find("//*[@role='button'][starts-with(@aria-label, 'lower')]/*")
    spot = middle(hauler, zone)
    touch(hauler, "touchStart", spot)
    touch(hauler, "touchEnd")
    hauler.until(lambda: word(hauler, "all_but") == "all but lower")


def test_each_word_is_pressed_and_changed_in_place(hauler: Browser) -> None:
    pick(hauler, "main colour")
    assert word(hauler, "medium") == "sprayed water acrylic"
    hauler.find(f"{LINE}/button[@data-field='medium']").click()
    hauler.driver.switch_to.active_element.send_keys("lacq" + Keys.ENTER)
    hauler.until(lambda: word(hauler, "medium") == "lacquer")
    focused = hauler.driver.switch_to.active_element
    hauler.until(lambda: focused.get_attribute("data-field") == "medium")
    hauler.find(f"{LINE}/button[@data-field='minutes']").click()
    hauler.driver.switch_to.active_element.send_keys(Keys.ARROW_UP * 3 + Keys.ENTER)
    hauler.until(lambda: word(hauler, "minutes") == "6.5 min a model")
    hauler.find(f"{LINE}/button[@data-field='mix']").click()
    hauler.driver.switch_to.active_element.send_keys("2 Silt" + Keys.ENTER)
    hauler.find("//ul[@aria-label='Parts of the mix']/li[contains(., 'Silt')]")
    hauler.find("//button[@aria-label='One part more of Silt']").click()
    hauler.driver.switch_to.active_element.send_keys(Keys.ESCAPE)
    hauler.until(lambda: word(hauler, "mix") == "1 Oxide red : 3 Silt")
    # What nothing was said of yet, too: behind more.
    hauler.find(f"{LINE}/button[@data-field='more']").click()
    hauler.find("//button[@data-field='cover']").click()
    hauler.driver.switch_to.active_element.send_keys("60" + Keys.ENTER)
    hauler.until(lambda: word(hauler, "cover") == "60% of it")
    hauler.find("//button[@data-field='tier']").click()
    hauler.press("close up")
    hauler.until(lambda: word(hauler, "tier") == "from close up")


def test_a_number_out_of_its_limits_is_refused_in_words(hauler: Browser) -> None:
    pick(hauler, "main colour")
    hauler.find(f"{LINE}/button[@data-field='coats']").click()
    hauler.driver.switch_to.active_element.send_keys("40" + Keys.ENTER)
    hauler.find("//*[@role='alert'][contains(., 'Type 1 to')]")
    assert word(hauler, "coats") == "×1"


def test_a_zone_pressed_away_is_left_out_and_shows_bare(hauler: Browser) -> None:
    pick(hauler, "undercoat")
    hauler.find(f"{LINE}/button[@data-field='zones']").click()
    upper = "//*[@role='button'][starts-with(@aria-label, 'upper')]"
    hauler.find(upper).send_keys(Keys.ENTER)
    hauler.until(lambda: word(hauler, "all_but") == "all but upper")
    hauler.find(f"{upper}[@aria-pressed='false']")
    hauler.find(upper).send_keys(Keys.ENTER)
    hauler.until(lambda: word(hauler, "all_but") == "")


def test_a_zone_pressed_shows_its_stack_and_a_layer_pressed_picks_its_pass(
    hauler: Browser,
) -> None:
    hauler.find("//*[@role='button'][starts-with(@aria-label, 'metal')]").send_keys(Keys.ENTER)
    stack = "//ol[starts-with(@aria-label, 'Stack of metal')]"
    hauler.find(f"{stack}//button[contains(., 'brass')]").click()
    hauler.find("//p[@aria-label='brass, word by word']")


def test_a_zone_without_paint_is_told_at_a_glance(hauler: Browser) -> None:
    pick(hauler, "undercoat")
    hauler.press("take it out")
    pick(hauler, "main colour")
    hauler.find(f"{LINE}/button[@data-field='zones']").click()
    hauler.find("//div[@role='group']/button[.='lower']").click()
    hauler.find("//figcaption//*[contains(., 'bare:')][contains(., 'upper')]")


def test_two_undercoats_stand_side_by_side(hauler: Browser) -> None:
    hauler.press("Beside another")
    beside = "//section[@aria-label='Side by side']"
    hauler.find(f"{beside}//li[contains(., 'main colour')][contains(., 'apart')]")
    hauler.find(f"{beside}//li[contains(., 'fit the wheels')][contains(., 'the same')]")
    hauler.find(f"{beside}//option[contains(., 'Infantry in six colours')]").click()
    hauler.find(f"{beside}//li[contains(., 'only there')]")
    check(hauler, "side by side", "day")
    hauler.press("Close")
    assert "main colour" in rows(hauler)


def test_a_part_in_view_shows_its_own_passes_and_its_material(hauler: Browser) -> None:
    hauler.find("//div[@aria-label='Parts']/button[contains(., 'wheels')]").click()
    hauler.until(lambda: "wheels" in rows(hauler) and "brass" not in rows(hauler))
    hauler.find("//div[@aria-label='Parts']/button[contains(., 'polystyrene')]")


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_axe_finds_nothing_serious_while_a_pass_is_changed(hauler: Browser, light: str) -> None:
    hauler.driver.execute_script(f"localStorage.setItem('light', '{light}')")
    hauler.driver.refresh()
    hauler.find("//*[@role='status'][contains(., 'nothing goes wrong')]")
    pick(hauler, "pin wash")
    hauler.find(f"{LINE}/button[@data-field='medium']").click()
    hauler.find("//input[@placeholder='a few letters']")
    check(hauler, "a word open", light)
    hauler.driver.switch_to.active_element.send_keys(Keys.ESCAPE)
    hauler.find("//h1/button").click()
    hauler.find("//ul[@aria-label='Recipes']")
    check(hauler, "recipes open", light)


def test_every_zone_can_be_pressed_with_the_mouse(hauler: Browser) -> None:
    found = hauler.driver.execute_script(
        """const box = document.querySelector('svg[aria-label^="Zones of"]').getBoundingClientRect()
        const met = new Set()
        for (let x = box.left; x < box.right; x += 2)
          for (let y = box.top; y < box.bottom; y += 2) {
            const zone = document.elementFromPoint(x, y)?.closest('[role="button"]')
            if (zone) met.add(zone.getAttribute('aria-label').split(',')[0])
          }
        return [...met]"""
    )
    assert set(found) >= set(ZONES["vehicle"])


def test_layers_that_cannot_be_looked_at_are_told_and_the_passes_stay(
    inside: Browser, ada: Client
) -> None:
    one = a_pass("fit", "glue", adhesive="plastic cement")
    odd = {"name": "Odd glue", "kind": "vehicle", "passes": [one]}
    assert post(ada, "recipes", odd).status_code == 200
    choose_recipe(inside, "Odd glue")
    inside.find("//p[@role='alert'][contains(., 'no glue is called')]")
    assert rows(inside) == ["fit"]
    pick(inside, "fit")


def test_a_draft_is_kept_in_hand_while_one_looks_at_another_recipe_or_room(
    hauler: Browser,
) -> None:
    pick(hauler, "dust")
    hauler.press("take it out")
    hauler.until(lambda: "dust" not in rows(hauler))
    choose_recipe(hauler, "Ground")
    hauler.keys("3")
    hauler.find("//h1[.='Colour']")
    choose_recipe(hauler, HAULER)
    hauler.until(lambda: "matt coat" in rows(hauler))
    assert "dust" not in rows(hauler)
    hauler.press("Take back")
    hauler.until(lambda: "dust" in rows(hauler))
    hauler.find("//p[contains(., 'nothing goes wrong')]")
    pick(hauler, "dust")
    hauler.press("take it out")
    hauler.press("Drop the changes")
    hauler.until(lambda: "dust" in rows(hauler))
    hauler.find("//button[contains(., 'Keep as version')][@disabled]")
    # Dropping can be taken back, too.
    hauler.press("Take back")
    hauler.until(lambda: "dust" not in rows(hauler))
