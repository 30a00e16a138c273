"""A finger on the glass."""

from __future__ import annotations

from tests.browser.driving import Browser

STEPS = 6


def drag(browser: Browser, start: tuple[float, float], end: tuple[float, float]) -> None:
    """Put a finger down, draw it to another place, lift it."""

    def touch(kind: str, points: list[tuple[float, float]]) -> None:
        browser.driver.execute_cdp_cmd(
            "Input.dispatchTouchEvent",
            {"type": kind, "touchPoints": [{"x": x, "y": y} for x, y in points]},
        )

    touch("touchStart", [start])
    for n in range(1, STEPS + 1):
        share = n / STEPS
        touch("touchMove", [(start[0] + (end[0] - start[0]) * share,
                             start[1] + (end[1] - start[1]) * share)])  # fmt: skip
    touch("touchEnd", [])
