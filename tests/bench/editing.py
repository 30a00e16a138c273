"""How soon the rooms answer a change, in the browser: from the key to the painted page.

The recipe editor at a turn of the damp dial, the mixing bench at a drop more. ./crisp demo, then in
another shell: .run/venv/bin/python -m tests.bench.editing [ADDRESS]
"""

from __future__ import annotations

import statistics
import sys
import tempfile

from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service

from tests.browser.conftest import ARGUMENTS, Browser

CHANGES = 60
RECIPE = "Vehicle with solvent wash"

# The answer counts once it is on the page and painted.
MEASURE = """
const [path, even, done] = arguments
const begun = performance.now()
const watch = new PerformanceObserver((list) => {
  if (!list.getEntries().some((entry) => entry.name.includes(path))) return
  watch.disconnect()
  requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - begun)))
})
watch.observe({ type: 'resource' })
"""
TURN = """
const key = even ? 'ArrowUp' : 'ArrowDown'
document.querySelector('[role=slider]').dispatchEvent(new KeyboardEvent('keydown', {key}))
"""
DROP = """
document.querySelector(`[aria-label^="${even ? '+' : '−'} one drop"]`).click()
"""


def timed(browser: Browser, what: str, path: str, act: str) -> None:
    """Print the median and the 95th percentile in milliseconds."""
    run = browser.driver.execute_async_script
    took = sorted(run(MEASURE + act, path, n % 12 < 6) for n in range(CHANGES))
    p95 = took[int(len(took) * 0.95) - 1]
    print(f"{what}: {CHANGES} changes, median {statistics.median(took):.0f} ms, 95 % {p95:.0f} ms")


def main() -> None:
    """Both rooms of the demo."""
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for argument in (*ARGUMENTS, f"--user-data-dir={tempfile.mkdtemp()}"):
        options.add_argument(argument)
    driver = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    driver.set_script_timeout(20)
    browser = Browser(driver, sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8000")
    browser.go("/")
    browser.press("Open the demo")
    browser.find("//h1[.='Plan']")
    browser.keys("4")
    browser.find(f"//ul[@aria-label='Recipes']//button[contains(., '{RECIPE}')]").click()
    browser.find("//summary[contains(., 'What if')]").click()
    browser.find("//*[@role='slider']")
    timed(browser, "Recipe editor", "/api/draft-check", TURN)
    browser.press("Colour")
    browser.press("Find a mix")
    browser.find("//p[@role='status'][contains(., 'apart')]")
    timed(browser, "Mixing bench", "/api/predict", DROP)
    driver.quit()


if __name__ == "__main__":
    main()
