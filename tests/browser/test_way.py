"""The whole way in the browser: sign up, three questions, plan, bench, and the plan mends."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest
from selenium.webdriver.common.by import By

from muster.apps.accounts.management.commands.load_demo import Command as LoadDemo
from muster.apps.bench.models import Fact
from tests.browser.driving import Browser
from tests.conftest import Clock

AXE = Path(__file__).resolve().parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
ENTER, TAB = "\ue007", "\ue004"

pytestmark = pytest.mark.django_db(transaction=True)


def sign_up(browser: Browser) -> None:
    """Sign up and answer the three questions for three units."""
    browser.go("/")
    browser.commit("//input[@name='name']", "ada", TAB)
    browser.commit("//input[@name='password']", "reeds and silt", TAB)
    browser.press("Begin")
    for line in ("24 pikes foot 1/72", "8 lancers mounted", "4 guns"):
        browser.commit("//input[@name='line']", line)
        name = line.split()[1].capitalize()
        browser.find(f"//li/span[normalize-space(.)='{name}']")
    browser.press("Next")
    for day in ("Tuesday", "Thursday", "Saturday"):
        browser.interactions += 1
        browser.find(f"//label[contains(., '{day}')]/input").click()
    browser.commit("//input[@name='parade']", "27 March", TAB)
    browser.press("Next")
    browser.press("Plan it")
    browser.find("//h1[.='Plan']")
    browser.find("//*[contains(., 'proven within')]")


def test_from_nothing_to_a_plan_in_at_most_fifteen_interactions(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    assert browser.interactions <= 15
    assert "36 of 36" in browser.text()
    calls = browser.driver.find_elements(By.CSS_SELECTOR, "svg [role=button][aria-pressed]")
    assert len(calls) > 5


def at_the_bench(browser: Browser) -> None:
    """Open the bench as it is now."""
    muster = browser_path(browser, browser.driver.current_window_handle)[0]
    browser.go(f"/{muster}/bench")
    browser.find("//button[contains(., 'Start this call')]")


def test_bench_tick_end_early_and_everything_is_as_it_was_after_a_reload(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    held.move(minutes=35)
    at_the_bench(browser)
    browser.press("Start this call")
    browser.find("//button[contains(., 'is done')]")
    held.move(minutes=1)
    browser.driver.refresh()
    browser.press("is done")
    browser.until(lambda: Fact.objects.count() == 2)
    browser.find("//button[contains(@aria-label, ': wet')]")
    browser.press("End")
    browser.press("Leave them open")
    browser.find("//button[contains(., 'Start this call')]")
    before = [
        one.get_attribute("aria-label")
        for one in browser.driver.find_elements(By.XPATH, "//ol/li/button")
    ]
    browser.driver.refresh()
    browser.find("//button[contains(., 'Start this call')]")
    after = [
        one.get_attribute("aria-label")
        for one in browser.driver.find_elements(By.XPATH, "//ol/li/button")
    ]
    assert before == after
    assert Fact.objects.count() == 3


def test_a_second_tab_with_an_old_version_is_told(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.press("Roll")
    browser.find("//h2[contains(., '24 Pikes')]")
    first = browser.driver.current_window_handle
    browser.driver.switch_to.new_window("tab")
    browser.go("/" + "/".join(browser_path(browser, first)))
    browser.commit("//input[@name='line']", "6 archers foot")
    browser.find("//h2[contains(., '6 Archers')]")
    browser.driver.close()
    browser.driver.switch_to.window(first)
    browser.commit("//input[@name='line']", "5 riders mounted")
    browser.find("//*[contains(., 'Changed elsewhere meanwhile: 6 Archers added')]")
    browser.find("//h2[contains(., '6 Archers')]")


def browser_path(browser: Browser, window: str) -> list[str]:
    """The path that a window shows."""
    here = browser.driver.current_window_handle
    browser.driver.switch_to.window(window)
    path = browser.driver.current_url.split("/")[3:]
    browser.driver.switch_to.window(here)
    return path


def test_keys_alone_can_work_the_plan_and_the_bench(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.keys("1")
    browser.find("//h1[.='Roll']")
    browser.keys("5")
    browser.find("//h1[.='Plan']")
    first = browser.find("//section[@aria-live]//h2").text
    browser.keys("\ue014")
    browser.until(lambda: browser.find("//section[@aria-live]//h2").text != first)
    held.move(minutes=35)
    browser.keys("6")
    at_the_bench(browser)
    browser.keys(ENTER)
    browser.find("//button[contains(., 'is done')]")
    browser.keys(" ")
    browser.until(lambda: Fact.objects.count() == 2)
    browser.keys("u")
    browser.until(lambda: Fact.objects.count() == 3)
    browser.keys("?")
    browser.find("//*[@role='dialog']//*[contains(., 'Keys of this room')]")


def test_a_phone_in_landscape_works_the_bench_without_scrolling(
    browser: Browser, held: Clock
) -> None:
    sign_up(browser)
    held.move(minutes=35)
    browser.size(844, 390, touch=True)
    browser.go("/" + browser_path(browser, browser.driver.current_window_handle)[0] + "/bench")
    start = browser.find("//button[contains(., 'Start this call')]")
    assert start.rect["y"] + start.rect["height"] <= 390
    assert start.rect["height"] >= 72
    start.click()
    browser.find("//button[contains(., 'is done')]")
    pip = browser.find("//button[starts-with(@aria-label, 'Model 1')]")
    assert min(pip.rect["width"], pip.rect["height"]) >= 44
    pip.click()
    browser.until(lambda: Fact.objects.count() == 2)


def test_an_undo_survives_a_reload(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    browser.press("Roll")
    browser.commit("//input[@name='line']", "6 archers foot")
    browser.find("//h2[contains(., '6 Archers')]")
    browser.driver.refresh()
    browser.press("Take back")
    browser.until(lambda: "6 Archers" not in browser.find("//main").text)


def test_ticks_without_a_connection_arrive_later_and_once(browser: Browser, held: Clock) -> None:
    sign_up(browser)
    held.move(minutes=35)
    at_the_bench(browser)
    browser.press("Start this call")
    browser.find("//button[contains(., 'is done')]")
    browser.until(lambda: Fact.objects.count() == 1)
    offline(browser, True)
    browser.press("is done")
    browser.find("//*[contains(., 'not yet sent')]")
    assert Fact.objects.count() == 1
    offline(browser, False)
    browser.until(lambda: Fact.objects.count() == 2)


def offline(browser: Browser, off: bool) -> None:
    """Cut the connection, or bring it back."""
    browser.driver.execute_cdp_cmd("Network.enable", {})
    browser.driver.execute_cdp_cmd(
        "Network.emulateNetworkConditions",
        {"offline": off, "latency": 0, "downloadThroughput": -1, "uploadThroughput": -1},
    )


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_axe_finds_nothing_serious_in_any_room(browser: Browser, held: Clock, light: str) -> None:
    LoadDemo().handle(fresh=True)
    browser.go("/")
    check(browser, "the door", light)
    browser.press("Open the demo")
    browser.find("//h1[.='Plan']")
    muster = browser_path(browser, browser.driver.current_window_handle)[0]
    for room in ("plan", "roll", "recipes", "bench", "colour", "supplies", "house"):
        browser.driver.execute_script(f"localStorage.setItem('light', '{light}')")
        browser.go(f"/{muster}/{room}")
        browser.find("//h1 | //h2")
        browser.find("//*[contains(., 'models still to do')]")
        check(browser, room, light)
    for page in ("/musters", "/begin"):
        browser.go(page)
        browser.find("//h1")
        check(browser, page, light)


def check(browser: Browser, place: str, light: str) -> None:
    """Nothing serious by axe, and nothing refused by the content policy."""
    browser.driver.execute_cdp_cmd("Page.setBypassCSP", {"enabled": True})
    browser.driver.execute_script(AXE.read_text())
    found = browser.driver.execute_async_script(
        "const done = arguments[0]; axe.run(document).then((r) => done(JSON.stringify("
        "r.violations.map((v) => [v.id, v.impact, v.nodes.map((n) => n.html)]))))"
    )
    bad = [row for row in json.loads(found) if row[1] in ("serious", "critical")]
    assert bad == [], (place, light)
    said: list[dict[str, Any]] = browser.driver.get_log("browser")
    refused = [one["message"] for one in said if "Content Security Policy" in one["message"]]
    assert refused == [], (place, light)
