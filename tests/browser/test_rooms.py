"""The rooms in the browser: sittings, forgotten evenings, touch-ups, musters, and trouble."""

from __future__ import annotations

import pytest
from selenium.webdriver.common.by import By

from muster.apps.bench.models import Fact
from muster.apps.roll.models import Muster
from tests.browser.driving import Browser
from tests.browser.test_way import at_the_bench, sign_up
from tests.conftest import Clock

pytestmark = pytest.mark.django_db(transaction=True)
ESCAPE = "\ue00c"


def shown_sittings(browser: Browser) -> int:
    return len(browser.driver.find_elements(By.XPATH, "//*[@role='dialog']//li"))


def test_sittings_are_added_and_taken_out_and_taken_back(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.keys("n")
    browser.find("//*[@role='dialog']//h2[contains(., 'Sittings and parade day')]")
    # Three weekdays, not every evening of the next weeks.
    browser.until(lambda: shown_sittings(browser) == 3)
    browser.find("//*[contains(., 'Nothing differs in the next weeks')]")
    browser.press("to move or lose one")
    first = "//button[@aria-label='Lost: take out the sitting of Tuesday 2 March']"
    browser.find(first).click()
    browser.until(lambda: not browser.driver.find_elements(By.XPATH, first))
    browser.press("Only what differs")
    browser.find("//li[contains(., 'Tuesday 2 March') and contains(., 'lost')]")
    browser.until(lambda: shown_sittings(browser) == 4)
    browser.press("Take back")
    browser.find("//*[contains(., 'Nothing differs in the next weeks')]")
    rack = browser.find("//label[contains(., 'Rack places')]/input")
    rack.clear()
    rack.send_keys("0\t")
    browser.find("//*[@role='dialog']//*[contains(., 'choose 1 to')]")
    browser.keys(ESCAPE)
    browser.until(lambda: not browser.driver.find_elements(By.XPATH, "//*[@role='dialog']"))


def test_after_a_forgotten_evening_one_says_when_it_was_finished(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    held.move(minutes=35)
    at_the_bench(browser)
    browser.press("Start this call")
    browser.find("//button[contains(., 'is done')]")
    browser.until(lambda: Fact.objects.count() == 1)
    held.move(hours=9)
    browser.driver.refresh()
    browser.find("//*[@role='alertdialog'][contains(., 'left running')]")
    proposed = browser.find("//input[@aria-label='I finished about']")
    assert proposed.get_attribute("value").startswith(("19:", "20:", "21:"))
    browser.press("All done then")
    browser.find("//button[contains(., 'Start this call')]")
    done = [row.value() for row in Fact.objects.all() if row.value().kind == "tick"]
    assert done
    assert all(one.at.hour in (19, 20, 21) for one in done)


def test_a_touch_up_is_marked_by_key_and_press(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    held.move(minutes=35)
    at_the_bench(browser)
    browser.keys("t")
    browser.find("//*[contains(., 'Press the model that needs a touch-up')]")
    browser.find("//ol/li/button[starts-with(@aria-label, 'Model')]").click()
    browser.find("//button[contains(@aria-label, 'touch-up noted')]")
    assert [row.value().kind for row in Fact.objects.all()] == ["touch_up"]


def test_each_figure_of_the_head_opens_what_it_is_made_of(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    for words, inside in (
        ("36 of 36", "Pikes 24 of 24"), (" h ", "Setting up and cleaning up"),
        (" %", "Pikes 0 of"), ("27 March", "the last call ends"),
    ):  # fmt: skip
        browser.find(f"//header//button[contains(., '{words}')]").click()
        browser.find(f"//header//li[contains(normalize-space(.), '{inside}')]")
        browser.keys(ESCAPE)


def test_a_muster_is_removed_after_saying_what_goes_with_it(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.go("/musters")
    browser.find("//*[contains(., '36 models, parade Saturday 27 March')]")
    browser.press("Remove")
    browser.find("//*[@role='alert'][contains(., 'for good')]")
    browser.press("Remove First")
    browser.find("//*[contains(., 'There is no muster yet')]")
    assert Muster.objects.count() == 0


def test_a_muster_that_is_not_there_can_be_left(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.go("/99999/plan")
    browser.find("//*[contains(., 'There is no such thing here')]")
    browser.press("All musters")
    browser.find("//h1[.='Musters']")


def test_an_address_that_leads_nowhere_says_so(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.go("/nowhere/at/all")
    browser.find("//h1[.='There is nothing here']")


def test_other_tray_sizes_stand_beside_the_plan_and_can_be_used(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    browser.press("Stop")
    browser.find("//tr[contains(., 'This plan')]")
    browser.find("//*[contains(., 'all in time in')]")
    browser.find("//button[@aria-label='Take: Whole units']").click()
    browser.until(lambda: Muster.objects.get().version == 2)
    browser.press("Roll")
    browser.find("//section[@aria-label='Guns']")
    browser.press("Take back")
    browser.until(lambda: Muster.objects.get().version == 3)
