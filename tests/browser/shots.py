"""The pictures in docs/screenshots, from the demo: run by ``crisp shots`` alone."""

from __future__ import annotations

from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys

from muster.apps.accounts.management.commands.load_demo import Command as LoadDemo
from muster.apps.plan.models import PlanRun
from muster.apps.plan.tasks import improve
from tests.browser.driving import Browser

SHOTS = Path(__file__).resolve().parents[2] / "docs" / "screenshots"
VIEWS = (
    ("plan", "day", (1280, 800)), ("plan", "lamp", (1280, 800)), ("bench", "day", (1280, 800)),
    ("roll", "day", (1280, 800)), ("recipes", "day", (1280, 800)), ("bench", "lamp", (844, 390)),
    ("plan", "day", (390, 844)), ("colour", "day", (1280, 800)), ("supplies", "day", (1280, 800)),
    ("build", "day", (1280, 800)), ("build", "lamp", (1280, 800)),
    ("house", "day", (1280, 800)), ("recipes", "lamp", (1280, 800)), ("recipes", "day", (390, 844)),
)  # fmt: skip


@pytest.mark.django_db(transaction=True)
def test_take_the_pictures(browser: Browser) -> None:
    LoadDemo().handle(fresh=True)
    # What a worker does in the first seconds.
    for run in PlanRun.objects.filter(status=PlanRun.Status.QUEUED):
        improve.func(run.pk)
    SHOTS.mkdir(parents=True, exist_ok=True)
    browser.go("/")
    browser.press("Open the demo")
    browser.find("//h1[.='Plan']")
    browser.driver.execute_script("localStorage.setItem('tour', 'ended')")
    muster = browser.driver.current_url.split("/")[3]
    for room, light, (width, height) in VIEWS:
        browser.size(width, height, touch=width < 1000)
        browser.driver.execute_script(f"localStorage.setItem('light', '{light}')")
        browser.go(f"/{muster}/{room}")
        browser.find("//h1 | //h2")
        ready = {
            "plan": "proven within", "bench": "models", "roll": "Pikes", "colour": "Reed green",
            "supplies": "On the shelf", "house": "Ground for decals", "build": "a model",
        }  # fmt: skip
        browser.find(f"//*[contains(., '{ready.get(room, 'undercoat')}')]")
        browser.until(lambda: "Reading the muster" not in browser.text())
        if room == "plan" and width > 1000:
            browser.find("//tr[contains(., 'This plan')]")
        if room == "build":
            browser.find("//*[@data-reason]")
            browser.until(lambda: "≥" not in browser.find("//table[caption]").text)
            browser.find("//p[contains(., 'apart saves')]")
        if room == "colour":
            browser.press("Find a mix")
            browser.find("//section[@aria-labelledby='answers']//li")
            browser.find("//p[@role='status'][contains(., 'apart')]")
        if room == "bench" and width > 1000:
            browser.press("Start this call")
            browser.find("//button[contains(., 'is done')]")
        if room == "recipes":
            browser.find("//h1/button").click()
            browser.find("//ul[@aria-label='Recipes']//button[contains(., 'Haulers')]").click()
            browser.find("//*[@role='status'][contains(., 'nothing goes wrong')]")
            if light == "lamp":
                browser.keys("s")
                browser.find("//h2[.='Closed']")
            elif width > 1000:
                browser.find("//button[@data-row][b[.='pin wash']]").click()
                browser.find("//p[contains(@aria-label, 'word by word')]")
            browser.driver.execute_script("document.activeElement.blur()")
        name = f"{room}-{light}-{width}.png"
        assert browser.driver.save_screenshot(str(SHOTS / name))
        if (room, light, width) == ("plan", "day", 1280):
            _in_the_hand(browser)
            _beside(browser)
    browser.size(1280, 1000)
    browser.driver.execute_script("localStorage.setItem('light', 'day')")
    browser.go("/parts")
    browser.find("//h1[.='Shared parts']")
    assert browser.driver.save_screenshot(str(SHOTS / "parts-day-1280.png"))


def _in_the_hand(browser: Browser) -> None:
    """A call taken up, with its rails."""
    call = browser.find("//*[@data-call][contains(@aria-label, 'Pikes 2, cloth')]")
    hand = ActionChains(browser.driver)
    hand.move_to_element(call).click_and_hold().move_by_offset(40, 3).perform()
    browser.find("//*[@data-rail]")
    ActionChains(browser.driver).move_by_offset(170, 4).perform()
    assert browser.driver.save_screenshot(str(SHOTS / "plan-drag-1280.png"))
    browser.keys(Keys.ESCAPE)
    ActionChains(browser.driver).release().perform()


def _beside(browser: Browser) -> None:
    """Whole units, looked at beside the plan."""
    browser.find("//button[@aria-label='Look at: Whole units']").click()
    browser.find("//*[@aria-label='A plan beside the plan']")
    browser.until(lambda: "24 models" in browser.text())
    assert browser.driver.save_screenshot(str(SHOTS / "plan-beside-1280.png"))
