"""How soon the recipe editor answers a change, in the browser: from the key to the changed page.

./crisp demo, then in another shell: .run/venv/bin/python -m tests.bench.editing [ADDRESS]
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

# One turn of the damp dial; the answer counts once it is on the page and painted.
MEASURE = """
const up = arguments[0], done = arguments[1]
const begun = performance.now()
const watch = new PerformanceObserver((list) => {
  if (!list.getEntries().some((entry) => entry.name.includes('/api/look'))) return
  watch.disconnect()
  requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - begun)))
})
watch.observe({ type: 'resource' })
const key = up ? 'ArrowUp' : 'ArrowDown'
document.querySelector('[role=slider]').dispatchEvent(new KeyboardEvent('keydown', {key}))
"""


def main() -> None:
    """Print the median and the 95th percentile in milliseconds."""
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for argument in (*ARGUMENTS, f"--user-data-dir={tempfile.mkdtemp()}"):
        options.add_argument(argument)
    driver = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    browser = Browser(driver, sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8000")
    browser.go("/")
    browser.press("Open the demo")
    browser.find("//h1[.='Plan']|//h1[.='Musters']")
    if "Musters" in browser.text():
        browser.find("//a[contains(@href, '/plan')]").click()
        browser.find("//h1[.='Plan']")
    browser.keys("4")
    browser.find(f"//ul[@aria-label='Recipes']//button[contains(., '{RECIPE}')]").click()
    browser.find("//summary[contains(., 'What if')]").click()
    browser.find("//*[@role='slider']")
    driver.set_script_timeout(20)
    took = [driver.execute_async_script(MEASURE, n % 12 < 6) for n in range(CHANGES + 3)][3:]
    took.sort()
    p95 = took[int(len(took) * 0.95) - 1]
    print(
        f"{RECIPE}: {CHANGES} changes, median {statistics.median(took):.0f} ms, 95 % {p95:.0f} ms"
    )
    driver.quit()


if __name__ == "__main__":
    main()
