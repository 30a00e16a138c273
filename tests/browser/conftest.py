"""Headless Chromium on the real interface, and what tests say to it."""

from __future__ import annotations

import tempfile
import threading
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.test import Client
from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

from tests.conftest import NEW, Clock, post

ARGUMENTS = (
    "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-background-networking",
    "--disable-component-update", "--disable-sync", "--no-first-run", "--hide-scrollbars",
    "--disable-dev-shm-usage",
)  # fmt: skip
PATIENCE_S = 20


class Browser:
    """A browser that waits on conditions, never on time."""

    def __init__(self, driver: webdriver.Chrome, address: str) -> None:
        self.driver = driver
        self.address = address
        self.interactions = 0

    def size(self, width: int, height: int, touch: bool = False) -> None:
        """The size of the window; ``touch``: as a phone has it."""
        self.driver.execute_cdp_cmd(
            "Emulation.setDeviceMetricsOverride",
            {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": touch},
        )
        self.driver.execute_cdp_cmd("Emulation.setTouchEmulationEnabled", {"enabled": touch})

    def go(self, path: str) -> None:
        """Open a page."""
        self.driver.get(self.address + path)

    def until(self, holds: Callable[[], Any]) -> Any:
        """Wait until something holds."""
        return WebDriverWait(self.driver, PATIENCE_S, 0.05).until(lambda _: holds())

    def find(self, xpath: str) -> WebElement:
        """Wait for something that is shown."""

        def shown() -> WebElement | None:
            for one in self.driver.find_elements(By.XPATH, xpath):
                if one.is_displayed():
                    return one
            return None

        found: WebElement = self.until(shown)
        return found

    def press(self, words: str) -> None:
        """Press the button or link with these words."""
        self.interactions += 1
        path = f"//*[self::button or self::a][contains(normalize-space(.), '{words}')]"
        self.until(lambda: self.find(path).is_enabled())
        self.find(path).click()

    def commit(self, xpath: str, text: str, key: str = "\ue007") -> None:
        """Type into a field and commit it with Enter (or another key)."""
        self.interactions += 1
        field = self.find(xpath)
        field.clear()
        field.send_keys(text + key)

    def keys(self, text: str) -> None:
        """Press keys with nothing in particular focused."""
        self.driver.switch_to.active_element.send_keys(text)

    def text(self) -> str:
        """All that the page says."""
        return self.driver.find_element(By.TAG_NAME, "body").text


SMALL = {**NEW, "units": [{"line": "3 pikes foot 1/72", "recipe": "infantry-six"}]}


@pytest.fixture
def inside(browser: Browser, ada: Client, held: Clock) -> Browser:
    """A browser that is signed in already, in a small muster; signing up has its own tests."""
    made = post(ada, "musters", SMALL)
    assert made.status_code == 200, made.content
    cookie = {"name": "sessionid", "value": ada.cookies["sessionid"].value, "path": "/"}
    browser.driver.add_cookie(cookie)
    browser.go(f"/{made.body['id']}/roll")
    browser.find("//*[contains(., 'models still to do')]")
    return browser


@pytest.fixture(scope="session")
def driver() -> Iterator[webdriver.Chrome]:
    """One browser for all tests, with a fresh profile."""
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for argument in (*ARGUMENTS, f"--user-data-dir={tempfile.mkdtemp()}"):
        options.add_argument(argument)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    made = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    yield made
    made.quit()
    # A request that still plans must not be cut off within compiled code when Python ends.
    for thread in threading.enumerate():
        if "process_request" in thread.name:
            thread.join(PATIENCE_S)


@pytest.fixture
def browser(driver: webdriver.Chrome, live_server: Any) -> Iterator[Browser]:
    """A browser that nobody has signed in with, at 1280 × 800."""
    made = Browser(driver, live_server.url)
    made.size(1280, 800)
    made.go("/healthz")
    driver.delete_all_cookies()
    driver.execute_script("localStorage.clear()")
    driver.get_log("browser")
    yield made
    driver.get("about:blank")
