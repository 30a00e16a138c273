"""A finger on the glass."""

from __future__ import annotations

from selenium.webdriver.remote.webelement import WebElement

from tests.browser.driving import Browser

STEPS = 6


def touch(browser: Browser, kind: str, *points: tuple[float, float]) -> None:
    """touchStart, touchMove or touchEnd, with the fingers that are then on the glass."""
    browser.driver.execute_cdp_cmd(
        "Input.dispatchTouchEvent",
        {"type": kind, "touchPoints": [{"x": x, "y": y} for x, y in points]},
    )


def drag(browser: Browser, start: tuple[float, float], end: tuple[float, float]) -> None:
    """Put a finger down, draw it to another place, lift it."""
    touch(browser, "touchStart", start)
    for n in range(1, STEPS + 1):
        share = n / STEPS
        at = (start[0] + (end[0] - start[0]) * share, start[1] + (end[1] - start[1]) * share)
        touch(browser, "touchMove", at)
    touch(browser, "touchEnd")


def middle(browser: Browser, element: WebElement) -> tuple[float, float]:
    """The middle of something, brought into view."""
    browser.driver.execute_script("arguments[0].scrollIntoView({block: 'center'})", element)
    box = browser.driver.execute_script("return arguments[0].getBoundingClientRect()", element)
    return box["left"] + box["width"] / 2, box["top"] + box["height"] / 2
