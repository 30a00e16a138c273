"""Build in the browser: a tracked vehicle from a template, its choices changed by press, by keys
and by hand, and the plan that follows."""

from __future__ import annotations

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.common.by import By

from muster.apps.accounts.management.commands.load_demo import Command as LoadDemo
from tests.browser.driving import Browser
from tests.browser.test_jobs import newcomer
from tests.browser.test_way import check
from tests.conftest import Clock

pytestmark = pytest.mark.django_db(transaction=True)

MOUTH = "//ul[@aria-label='Joints']//button[contains(@aria-label, '{}')]"


def calls(browser: Browser) -> list[str]:
    """The calls of the plan, by name."""
    names: list[str] = browser.driver.execute_async_script(
        "const done=arguments[0];const id=location.pathname.split('/')[1];"
        "fetch('/api/musters/'+id).then(a=>a.json())"
        ".then(v=>done(v.board.calls.map(c=>c.name)))"
    )
    return names


def version(browser: Browser) -> int:
    """The muster's version: one more with every change, also one that takes another back."""
    found: int = browser.driver.execute_async_script(
        "const done=arguments[0];const id=location.pathname.split('/')[1];"
        "fetch('/api/musters/'+id).then(a=>a.json()).then(v=>done(v.version))"
    )
    return found


def way_of(browser: Browser, joint: str) -> str:
    """What is written at a mouth."""
    text: str = browser.find(MOUTH.format(joint)).get_attribute("aria-label") or ""
    return text


@pytest.fixture
def haulers(browser: Browser, held: Clock) -> Browser:
    """Three haulers on the roll, planned of one piece."""
    newcomer(browser, ("3 haulers vehicle 1/72",), ("Tuesday", "Thursday", "Saturday"))
    browser.press("Plan it")
    browser.find("//h1[.='Plan']")
    browser.driver.execute_script("localStorage.setItem('tour', 'ended')")
    return browser


@pytest.fixture
def tracked(haulers: Browser) -> Browser:
    """The same, built from the template."""
    haulers.keys("2")
    haulers.find("//h1[.='Haulers']")
    haulers.find("//button[contains(., 'Tracked vehicle, tracks as bands')]").click()
    haulers.find("//*[@data-reason]")
    return haulers


def test_a_tracked_vehicle_from_its_template_two_choices_changed_and_the_plan_follows(
    tracked: Browser,
) -> None:
    browser = tracked
    names = calls(browser)
    assert any(one.startswith("clean lower hull") for one in names)
    assert any("join" in one and "upper hull" in one for one in names)
    # One: the running gear is left apart, by the table of its ways.
    browser.find(MOUTH.format("Running gear on the lower hull")).click()
    browser.find("//h2[contains(., 'Running gear on the lower hull')]")
    browser.find("//table//button[contains(., 'paint apart')]").click()
    browser.until(lambda: way_of(browser, "Running gear on the").startswith("apart"))
    browser.until(lambda: "fit the running gear" in " ".join(calls(browser)))
    assert any(one.endswith(": running gear") for one in calls(browser))
    browser.find("//button[contains(., 'As proposed')]")
    # Two: the lamps go on last of all, by keys.
    mouth = browser.find(MOUTH.format("Lamps and rails"))
    mouth.click()
    written = way_of(browser, "Lamps and rails")
    mouth.send_keys(Keys.ARROW_RIGHT)
    browser.until(lambda: way_of(browser, "Lamps and rails") != written)
    browser.press("Join it later")
    browser.until(lambda: "fit the lamps and rails" in calls(browser))
    # The evenings come from plans of their own.
    browser.until(lambda: "≥" not in browser.find("//table[caption]").text)
    # And it is all taken back by one key each.
    browser.driver.execute_script("document.activeElement.blur()")
    for _ in range(3):
        before = version(browser)
        browser.keys("u")
        browser.until(lambda before=before: version(browser) > before)
    assert sorted(calls(browser)) == sorted(names)
    browser.until(lambda: not browser.driver.find_elements(
        By.XPATH, "//button[contains(., 'As proposed')]"
    ))  # fmt: skip


def test_a_roof_that_is_dragged_over_the_driver_is_told_and_mended_by_its_offer(
    haulers: Browser,
) -> None:
    browser = haulers
    browser.keys("2")
    browser.find("//h1[.='Haulers']")
    browser.find("//button[contains(., 'Truck with a cab')]").click()
    browser.find("//*[@data-reason]")
    driver = browser.find(MOUTH.format("Driver on the"))
    driver.click()
    for _ in range(3):
        before = version(browser)
        browser.press("Join it later")
        browser.until(lambda before=before: version(browser) > before)
    roof = browser.find(MOUTH.format("Cab roof on the"))
    far = 400 - int(roof.location["x"])
    hand = ActionChains(browser.driver).click_and_hold(roof)
    hand.move_by_offset(-20, 0).move_by_offset(far + 20, 0).perform()
    # What would come of it is in sight while the hand still holds it.
    browser.until(lambda: "fix" in way_of(browser, "Cab roof on the")
                  or "first" in way_of(browser, "Cab roof on the"))  # fmt: skip
    ActionChains(browser.driver).release().perform()
    browser.find("//*[contains(., 'no way in for the driver with the cab roof on')]")
    browser.find("//button[.='driver first']").click()
    browser.until(lambda: "no way in for the driver" not in browser.text())


def test_mishaps_prints_and_parts_have_their_places_and_a_kit_is_known_next_time(
    tracked: Browser,
) -> None:
    browser = tracked
    browser.press("something broke")
    part = browser.find("//label[contains(., 'Part')]/select")
    part.find_element(By.XPATH, "./option[contains(., 'Tracks')]").click()
    models = browser.find("//label[contains(., 'Models')]/input")
    models.clear()
    models.send_keys("2")
    browser.press("Plan the mending")
    browser.find("//li[contains(., 'Tracks') and contains(., 'came off, model 2')]")
    browser.until(lambda: "refit the tracks" in calls(browser))
    browser.press("rescale a print")
    browser.find("//section[@aria-label='Rescale a print']//*[contains(., '41.7 %')]")
    browser.driver.execute_script("document.activeElement.blur()")
    browser.keys("p")
    browser.commit("//label[contains(., 'Another part')]/input", "Tool box")
    browser.find("//ul[@aria-label='Joints']//button[contains(@aria-label, 'Tool box on the')]")
    browser.find("//section[@aria-label='Parts, joints and jobs']//button[contains(., 'Tool box')]"
                 ).click()  # fmt: skip
    browser.find("//label[contains(., 'fragile')]/input").click()
    browser.find("//li//button[normalize-space(.)='Keep']").click()
    browser.find("//button[contains(., 'Tool box') and contains(., 'fragile')]")
    browser.press("Take the kit away: of one piece again")
    browser.find("//h2[.='Built before']")
    browser.find("//button[contains(., 'Haulers') and contains(., 'seven parts')]")


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_axe_finds_nothing_serious_in_build(browser: Browser, held: Clock, light: str) -> None:
    LoadDemo().handle(fresh=True)
    browser.go("/")
    browser.press("Open the demo")
    browser.find("//h1[.='Plan']")
    muster = browser.driver.current_url.split("/")[3]
    browser.driver.execute_script(
        f"localStorage.setItem('light', '{light}');localStorage.setItem('tour', 'ended')"
    )
    browser.go(f"/{muster}/build?unit=haulers")
    browser.find("//*[@data-reason]")
    check(browser, "build", light)
    for panel in ("as a list for the bench", "parts, joints, jobs", "something broke",
                  "rescale a print"):  # fmt: skip
        browser.press(panel)
        browser.find("//section[@aria-label]")
        check(browser, panel, light)
    browser.go(f"/{muster}/build?unit=pikes")
    browser.find("//h2[.='From a template']")
    check(browser, "a kit to start from", light)
