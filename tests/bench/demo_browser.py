"""A browser in the running demo, for benchmarks of the screens."""

from __future__ import annotations

import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager

from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service

from tests.browser.driving import ARGUMENTS, Browser

USUAL = "http://127.0.0.1:8000"


@contextmanager
def in_the_demo(patience_s: int) -> Iterator[Browser]:
    """In its plan, without the tour; at the address that the command names, or the usual one."""
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for argument in (*ARGUMENTS, f"--user-data-dir={tempfile.mkdtemp()}"):
        options.add_argument(argument)
    driver = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    driver.set_script_timeout(patience_s)
    try:
        browser = Browser(driver, sys.argv[1] if len(sys.argv) > 1 else USUAL)
        browser.size(1280, 800)
        browser.go("/")
        browser.press("Open the demo")
        browser.find("//h1[.='Plan']")
        driver.execute_script("localStorage.setItem('tour', 'ended')")
        yield browser
    finally:
        driver.quit()
