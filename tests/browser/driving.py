"""A browser as tests drive it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from selenium import webdriver
from selenium.common.exceptions import StaleElementReferenceException
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

ARGUMENTS = (
    "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-background-networking",
    "--disable-component-update", "--disable-sync", "--no-first-run", "--hide-scrollbars",
    "--disable-dev-shm-usage", "--lang=en-GB", "--accept-lang=en-GB",
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
                try:
                    if one.is_displayed():
                        return one
                except StaleElementReferenceException:
                    continue
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
