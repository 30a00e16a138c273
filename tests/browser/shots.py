"""The pictures in docs/screenshots, from the demo: run by ``crisp shots`` alone."""

from __future__ import annotations

from pathlib import Path

import pytest

from muster.apps.accounts.management.commands.load_demo import Command as LoadDemo
from muster.apps.plan.models import PlanRun
from muster.apps.plan.tasks import improve
from tests.browser.driving import Browser

SHOTS = Path(__file__).resolve().parents[2] / "docs" / "screenshots"
VIEWS = (
    ("plan", "day", (1280, 800)), ("plan", "lamp", (1280, 800)), ("bench", "day", (1280, 800)),
    ("roll", "day", (1280, 800)), ("recipes", "day", (1280, 800)), ("bench", "lamp", (844, 390)),
    ("plan", "day", (390, 844)), ("colour", "day", (1280, 800)), ("supplies", "day", (1280, 800)),
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
    muster = browser.driver.current_url.split("/")[3]
    for room, light, (width, height) in VIEWS:
        browser.size(width, height, touch=width < 1000)
        browser.driver.execute_script(f"localStorage.setItem('light', '{light}')")
        browser.go(f"/{muster}/{room}")
        browser.find("//h1 | //h2")
        ready = {
            "plan": "proven within", "bench": "models", "roll": "Pikes", "colour": "Reed green",
            "supplies": "On the shelf", "house": "Ground for decals",
        }  # fmt: skip
        browser.find(f"//*[contains(., '{ready.get(room, 'undercoat')}')]")
        browser.until(lambda: "Reading the muster" not in browser.text())
        if room == "plan" and width > 1000:
            browser.find("//tr[contains(., 'This plan')]")
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
