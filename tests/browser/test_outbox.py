"""No tick is lost: whatever happens between the bench and the server, and in whichever tab."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from django.contrib.sessions.models import Session
from selenium.webdriver.common.by import By

from muster.apps.bench.models import Fact
from tests.browser.driving import Browser
from tests.browser.test_way import TAB, at_the_bench, sign_up
from tests.conftest import Clock

pytestmark = pytest.mark.django_db(transaction=True)
WAITING = "//*[contains(., 'kept here, not yet sent')]"


@pytest.fixture
def begun(browser: Browser, held: Clock) -> Iterator[Browser]:
    """A call is begun on the bench; what waits is thrown away at the end."""
    sign_up(browser)
    held.move(minutes=40)
    at_the_bench(browser)
    browser.press("Start this call")
    browser.until(lambda: ticks("begin") == 1)
    yield browser
    browser.driver.execute_cdp_cmd("Network.emulateNetworkConditions", ONLINE)
    browser.driver.execute_script("indexedDB.deleteDatabase('crisp-muster')")


ONLINE = {"offline": False, "latency": 0, "downloadThroughput": -1, "uploadThroughput": -1}


def offline(browser: Browser) -> None:
    browser.driver.execute_cdp_cmd("Network.enable", {})
    browser.driver.execute_cdp_cmd("Network.emulateNetworkConditions", {**ONLINE, "offline": True})


def online(browser: Browser) -> None:
    browser.driver.execute_cdp_cmd("Network.emulateNetworkConditions", ONLINE)


def ticks(kind: str = "tick") -> int:
    return Fact.objects.filter(document__kind=kind).count()


def tick(browser: Browser, times: int = 1) -> None:
    """Tick the current model, by its key."""
    browser.find("//button[contains(., 'is done')]")
    browser.driver.execute_script("document.activeElement.blur()")
    for _ in range(times):
        browser.keys(" ")


def test_ticks_outlive_the_end_of_a_session_and_go_on_after_signing_in(
    begun: Browser, held: Clock
) -> None:
    Session.objects.all().delete()
    tick(begun, 2)
    begun.find(WAITING)
    begun.driver.find_element(By.LINK_TEXT, "Sign in to send").click()
    begun.commit("//input[@name='name']", "ada", TAB)
    begun.commit("//input[@name='password']", "reeds and silt", TAB)
    begun.press("Sign in")
    begun.find("//h1[.='Musters']")
    begun.find("//a[.//b[.='First']]").click()
    begun.until(lambda: ticks() == 2)


def test_ticks_without_a_server_are_shown_at_once_and_sent_when_it_answers(
    begun: Browser, held: Clock
) -> None:
    offline(begun)
    tick(begun, 3)
    begun.find(WAITING)
    done = "//*[starts-with(@aria-label, 'Model') and contains(@aria-label, 'wet')]"
    begun.until(lambda: len(begun.driver.find_elements(By.XPATH, done)) >= 3)
    assert ticks() == 0
    online(begun)
    begun.until(lambda: ticks() == 3)
    begun.until(lambda: not begun.driver.find_elements(By.XPATH, WAITING))


def test_a_tab_that_is_closed_leaves_its_ticks_to_another(begun: Browser, held: Clock) -> None:
    address = begun.driver.current_url
    offline(begun)
    tick(begun, 2)
    begun.find(WAITING)
    first = begun.driver.current_window_handle
    begun.driver.switch_to.new_window("tab")
    second = begun.driver.current_window_handle
    begun.driver.switch_to.window(first)
    begun.driver.close()
    begun.driver.switch_to.window(second)
    begun.driver.get(address)
    begun.until(lambda: ticks() == 2)


def test_a_fact_that_is_refused_stays_with_its_reason_until_its_user_decides(
    begun: Browser, held: Clock
) -> None:
    """As when another device has taken the model off the roll meanwhile; or a clock goes wrong."""
    # What was asked before the clock went wrong would set the page's own by it.
    quiet = "const last = performance.getEntriesByType('resource').map((e) => e.responseEnd);" \
            "return performance.now() - Math.max(0, ...last) > 1500"  # fmt: skip
    begun.until(lambda: begun.driver.execute_script(quiet))
    held.move(days=-2)
    tick(begun)
    begun.find("//*[contains(., 'Not taken')]")
    assert "still to come: set the clock right" in begun.text()
    assert ticks() == 0
    held.move(days=2)
    begun.press("Send again")
    begun.until(lambda: ticks() == 1)
    begun.until(lambda: "Not taken" not in begun.text())
