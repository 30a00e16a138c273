"""The first five minutes: a roster pasted, the tour, finding by typing, days and times as the user
writes them; counted and timed from signing up to the first ticked model."""

from __future__ import annotations

import time
from typing import Any

import pytest
from selenium.webdriver import Keys
from selenium.webdriver.common.by import By

from muster.apps.bench.models import Fact
from muster.apps.roll.models import Muster
from tests.browser.driving import Browser
from tests.browser.test_way import at_the_bench, check, sign_up
from tests.conftest import Clock

pytestmark = pytest.mark.django_db(transaction=True)

ROSTER = "24 pikes foot 1/72\n8 lancers mounted\n4 guns"


def test_from_signing_up_to_the_first_ticked_model(
    browser: Browser, held: Clock, record_property: Any
) -> None:
    """Fifteen interactions to the plan, four more to the first model; a newcomer's hand aside, what
    the program takes of it is seconds."""
    begun = time.monotonic()
    sign_up(browser)
    to_plan = browser.interactions
    held.move(minutes=35)
    browser.press("Bench")
    browser.press("Start this call")
    browser.press("is done")
    browser.until(lambda: Fact.objects.count() >= 2)
    took = time.monotonic() - begun
    record_property("interactions", browser.interactions)
    record_property("seconds", round(took, 1))
    assert to_plan <= 15 and browser.interactions <= 18
    assert took < 60


def test_a_roster_pasted_at_the_beginning_is_read_whole(browser: Browser, held: Clock) -> None:
    browser.go("/")
    browser.commit("//input[@name='name']", "ada", Keys.TAB)
    browser.commit("//input[@name='password']", "reeds and silt", Keys.TAB)
    browser.press("Begin")
    field = browser.find("//input[@name='line']")
    browser.driver.execute_script(
        "const data = new DataTransfer(); data.setData('text', arguments[1]);"
        "arguments[0].dispatchEvent(new ClipboardEvent('paste',"
        "{clipboardData: data, bubbles: true, cancelable: true}))",
        field, ROSTER + "\n6 marsh wisps\nnothing at all",
    )  # fmt: skip
    browser.press("Read it")
    browser.find("//li[contains(., 'Lancers') and contains(., '1/72, as above')]")
    browser.find("//li[contains(., 'Line 5:')]")
    browser.find("//*[contains(., 'one line to mend above')]")
    area = browser.find("//textarea")
    area.clear()
    area.send_keys(ROSTER)
    browser.press("Read it")
    browser.press("Add all 3, 36 models")
    browser.find("//li[contains(., 'Guns')]//span[contains(., '1/72, as above')]")
    browser.find("//button[.='Next']")


def test_a_roster_is_added_to_a_muster_and_taken_back_at_once(inside: Browser) -> None:
    inside.press("Several at once")
    inside.find("//textarea").send_keys("count;name;kind\n6;Reed archers;foot\n2;Carts;vehicle")
    inside.press("Read it")
    check(inside, "a roster", "day")
    inside.press("Add all 2, 8 models")
    inside.find("//h2[.='6 Reed archers']")
    inside.find("//h2[.='2 Carts']")
    assert Muster.objects.get().version == 2
    inside.press("Take back")
    inside.until(lambda: "Reed archers" not in inside.find("//main").text)


# ---- finding -----------------------------------------------------------------------------------


def finding(browser: Browser) -> Any:
    return browser.find("//input[starts-with(@aria-label, 'Find a unit')]")


def test_typing_anywhere_finds_a_unit_a_call_a_recipe_a_room(inside: Browser) -> None:
    inside.keys("pikes")
    assert finding(inside).get_attribute("value") == "pikes"
    inside.find("//*[@role='option'][contains(., 'unit') and contains(., 'Pikes')]")
    inside.find("//*[@role='option'][contains(., 'call')]")
    check(inside, "finding", "day")
    finding(inside).send_keys(Keys.ENTER)
    inside.until(lambda: "unit=pikes" in inside.driver.current_url)
    inside.find("//button[@aria-label='Change Pikes'][@aria-expanded='true']")
    inside.keys("/")
    finding(inside).send_keys("undercoat")
    inside.find("//*[@role='option'][contains(., 'undercoat')]")
    finding(inside).send_keys(Keys.ENTER)
    inside.find("//section[@aria-label='The chosen call']//h2[contains(., 'undercoat')]")
    inside.keys("mounted")
    inside.find("//*[@role='option'][contains(., 'recipe')]").click()
    inside.find("//h1//*[contains(., 'Mounted')] | //h1[contains(., 'Mounted')]")
    inside.keys("supp")
    inside.find("//*[@role='option'][contains(., 'room')]").click()
    inside.find("//h1[.='Supplies']")


def test_a_letter_by_itself_is_still_a_key_and_two_are_a_word(inside: Browser) -> None:
    light = "return document.documentElement.dataset.light"
    before = inside.driver.execute_script(light)
    inside.keys("l")
    inside.until(lambda: inside.driver.execute_script(light) != before)
    inside.keys("la")
    assert finding(inside).get_attribute("value") == "la"
    finding(inside).send_keys(Keys.ESCAPE)
    inside.until(lambda: not inside.driver.find_elements(By.XPATH, "//*[@role='dialog']"))
    now = inside.driver.execute_script(light)
    assert now != before


def test_typing_in_a_field_finds_nothing(inside: Browser) -> None:
    inside.find("//input[@name='line']").send_keys("pikes")
    assert not inside.driver.find_elements(By.XPATH, "//*[@role='dialog']")


def test_an_act_is_found_by_its_words(inside: Browser) -> None:
    inside.press("Plan")
    inside.find("//*[@data-call]")
    inside.keys("sittings")
    inside.find("//*[@role='option'][contains(., 'Sittings and parade day')]").click()
    inside.find("//*[@role='dialog']//h2[.='Sittings and parade day']")


# ---- the tour ----------------------------------------------------------------------------------


def test_the_tour_goes_through_the_rooms_and_is_found_again(inside: Browser) -> None:
    inside.press("Take the tour")
    rooms = []
    for number in range(1, 10):
        inside.find(f"//aside[@aria-label='The tour'][contains(., '{number} of 9')]")
        if number == 1:
            inside.press("To it") if "/plan" not in inside.driver.current_url else None
        inside.until(
            lambda: inside.driver.find_elements(
                By.XPATH, "//aside//button[.='Next'] | //aside//button[.='Done']"
            )
        )
        rooms.append(inside.driver.current_url.split("/")[-1].split("?")[0])
        if number == 4:
            check(inside, "the tour", "day")
        inside.press("Done" if number == 9 else "Next")
    assert rooms == ["plan", "plan", "plan", "bench", "roll", "recipes", "colour", "supplies",
                     "house"]  # fmt: skip
    inside.until(lambda: not inside.driver.find_elements(By.XPATH, "//aside"))
    inside.keys("tour")
    inside.find("//*[@role='option'][contains(., 'Take the tour')]").click()
    inside.find("//aside[contains(., '1 of 9')]")
    inside.press("End the tour")
    inside.until(lambda: not inside.driver.find_elements(By.XPATH, "//aside"))
    inside.driver.refresh()
    inside.find("//h1")
    assert not inside.driver.find_elements(By.XPATH, "//aside")


# ---- days and times ----------------------------------------------------------------------------


def test_a_day_is_typed_or_picked_and_a_time_turned(inside: Browser, held: Clock) -> None:
    inside.press("Plan")
    inside.find("//*[@data-call]")
    inside.keys("n")
    day = inside.find("//input[@aria-label='A sitting on']")
    day.send_keys("soon" + Keys.TAB)
    inside.find("//*[@role='alert'][contains(., 'no day: type 27 March')]")
    day.clear()
    day.send_keys("1 March" + Keys.TAB)
    # The day before the clock's is next year's.
    inside.until(lambda: day.get_attribute("value") == "Wed 1 Mar 2028")
    inside.find("//button[@aria-label='A sitting on: pick a day']").click()
    inside.find("//button[@data-day='2028-03-01'][@aria-pressed='true']").send_keys(
        Keys.ARROW_DOWN + Keys.ARROW_RIGHT
    )
    inside.driver.switch_to.active_element.send_keys(Keys.ENTER)
    inside.until(lambda: day.get_attribute("value") == "Thu 9 Mar 2028")
    start = inside.find("//form//input[@aria-label='from']")
    start.clear()
    start.send_keys("7:30pm" + Keys.ARROW_UP)
    inside.until(lambda: start.get_attribute("value") == "19:45")
    start.clear()
    start.send_keys("25:00" + Keys.TAB)
    inside.find("//*[@role='alert'][contains(., 'no time')]")


def test_in_a_country_with_twelve_hours_clocks_say_so(inside: Browser, held: Clock) -> None:
    agent = inside.driver.execute_script("return navigator.userAgent")
    held.move(minutes=35)
    inside.driver.execute_cdp_cmd(
        "Emulation.setUserAgentOverride", {"userAgent": agent, "acceptLanguage": "en-US"}
    )
    try:
        inside.driver.refresh()
        inside.press("Plan")
        inside.find("//*[@data-call][contains(@aria-label, ' pm to ')]")
        inside.find("//header[contains(., 'Saturday, March 27')]")
        said = inside.find("//section[@aria-label='The chosen call']").text
        assert " pm" in said and "19:" not in said and "20:" not in said
        at_the_bench(inside)
        assert " pm" in inside.find("//*[@aria-label='Call ends about']").text
    finally:
        inside.driver.execute_cdp_cmd(
            "Emulation.setUserAgentOverride", {"userAgent": agent, "acceptLanguage": "en-GB"}
        )


# ---- everywhere --------------------------------------------------------------------------------


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_the_page_of_shared_parts_is_silent_under_axe(browser: Browser, light: str) -> None:
    browser.driver.execute_script(f"localStorage.setItem('light', '{light}')")
    browser.go("/parts")
    browser.find("//h1[.='Shared parts']")
    check(browser, "parts", light)


def test_an_empty_muster_says_what_to_do_first_in_each_room(inside: Browser) -> None:
    inside.find("//button[@aria-label='Change Pikes']").click()
    inside.press("Take off the roll")
    inside.find("//button[contains(., 'paste a whole roster')]")
    for room, words in (
        ("Plan", "To the roll"), ("Bench", "To the roll"), ("Supplies", "To the recipes"),
    ):  # fmt: skip
        inside.press(room)
        inside.find(f"//a[contains(., '{words}')]")
    inside.press("Colour")
    inside.find("//*[contains(., 'The shelf is empty')]")
    check(inside, "empty", "day")
