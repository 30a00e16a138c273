"""Headless Chromium on the real interface, and what tests say to it."""

from __future__ import annotations

import tempfile
import threading
from collections.abc import Iterator
from typing import Any

import pytest
from django.core.signals import request_finished, request_started
from django.test import Client
from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service

from tests.browser.driving import ARGUMENTS, PATIENCE_S, Browser
from tests.conftest import NEW, Clock, post

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


class Requests:
    """How many requests are being answered."""

    def __init__(self) -> None:
        self.begun = self.ended = 0
        request_started.connect(self._begin)
        request_finished.connect(self._end)

    def _begin(self, **_: Any) -> None:
        self.begun += 1

    def _end(self, **_: Any) -> None:
        self.ended += 1

    def none(self) -> bool:
        """Whether all that were begun have been answered."""
        return self.ended >= self.begun

    def close(self) -> None:
        """Count no more."""
        request_started.disconnect(self._begin)
        request_finished.disconnect(self._end)


@pytest.fixture
def browser(driver: webdriver.Chrome, live_server: Any) -> Iterator[Browser]:
    """A browser that nobody has signed in with, at 1280 × 800."""
    made = Browser(driver, live_server.url)
    made.size(1280, 800)
    made.go("/healthz")
    driver.delete_all_cookies()
    driver.execute_script("localStorage.clear()")
    driver.get_log("browser")
    under_way = Requests()
    yield made
    driver.get("about:blank")
    # A request that is still answered would hold locks while the tables are emptied.
    made.until(under_way.none)
    under_way.close()
