"""How soon the rooms answer a change, in the browser: from the key to the painted page.

A recipe of eleven passes and of as many as there can be, dragged and thickened; the damp dial; the
mixing bench at a drop more. ./crisp demo, then in another shell:
.run/venv/bin/python -m tests.bench.editing [ADDRESS]
"""

from __future__ import annotations

import statistics

from muster.core.recipes.recipe import MOST_PASSES
from tests.bench.demo_browser import in_the_demo
from tests.browser.driving import Browser

CHANGES = 60
SHORT = "vehicle-solvent"

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
COAT = """
document.querySelector(`[aria-label$="${even ? 'thicker' : 'thinner'}"]`).click()
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


# Frames while a pass is dragged up and down the stack, as the hand does it.
DRAG = """
const done = arguments[0]
const grips = [...document.querySelectorAll('[data-grip]')]
const box = grips[Math.min(6, grips.length - 1)].getBoundingClientRect()
const at = (type, y, target) => target.dispatchEvent(new PointerEvent(type,
  {clientX: box.x + 5, clientY: y, bubbles: true, pointerId: 1, button: 0}))
at('pointerdown', box.y + 10, grips[Math.min(6, grips.length - 1)])
const took = []
let last = performance.now(), n = 0
const step = () => {
  const now = performance.now()
  took.push(now - last)
  last = now
  at('pointermove', box.y + 10 + 160 * Math.sin(n / 8), window)
  if (++n < 120) return requestAnimationFrame(step)
  window.dispatchEvent(new KeyboardEvent('keydown', {key: 'Escape'}))
  done(took.slice(5))
}
requestAnimationFrame(step)
"""


def frames(browser: Browser, what: str) -> None:
    """Print the median and the 95th percentile of a frame in milliseconds."""
    took = sorted(browser.driver.execute_async_script(DRAG))
    p95 = took[int(len(took) * 0.95) - 1]
    print(f"{what}, dragged: a frame median {statistics.median(took):.1f} ms, 95 % {p95:.1f} ms")
    browser.driver.execute_script("document.querySelector('[data-row]').click()")


LONG = """
const [many, done] = arguments
const csrf = document.cookie.match(/csrftoken=([^;]+)/)[1]
const ways = ['brush', 'dry-brush', 'wash', 'sponge', 'varnish', 'spray', 'stipple', 'pin wash']
const colours = ['#5a5a2c', '#8a7a59', '#3a2a20', '#66703f', '#7a3327', '#c9b083']
const passes = Array.from({length: many}, (_, n) => ({
  key: `p${n}`, name: `pass ${n}`, technique: ways[n % 8], minutes: 3, tool: 'brush',
  colour: ways[n % 8] === 'varnish' ? null : colours[n % 6],
  finish: ways[n % 8] === 'varnish' ? 'satin' : null, part: n % 13 ? `part-${n % 13}` : null}))
fetch('/api/recipes', {method: 'POST', headers: {'Content-Type': 'application/json',
  'X-CSRFToken': csrf}, body: JSON.stringify({name: `Of ${many} passes`, kind: 'vehicle', passes})})
  .then((r) => r.json()).then((all) => done(all.at(-1).recipe.id))
"""


def long_recipe(browser: Browser, many: int) -> str:
    """A recipe of so many passes on twelve parts; its id."""
    return str(browser.driver.execute_async_script(LONG, many))


def main() -> None:
    """Both rooms of the demo."""
    with in_the_demo(20) as browser:
        muster = browser.driver.current_url.split("/")[3]
        for many in (None, MOST_PASSES):
            address = (
                f"/{muster}/recipes?recipe={SHORT if many is None else long_recipe(browser, many)}"
            )
            browser.go(address)
            browser.find("//li[@data-pass]")
            frames(browser, f"{many or 'Eleven'} passes")
            timed(browser, f"{many or 'Eleven'} passes, a coat more", "/api/draft-check", COAT)
        browser.go(f"/{muster}/recipes?recipe={SHORT}")
        browser.find("//summary[contains(., 'What if')]").click()
        browser.find("//*[@role='slider']")
        timed(browser, "Recipe editor", "/api/draft-check", TURN)
        browser.press("Colour")
        browser.press("Find a mix")
        browser.find("//p[@role='status'][contains(., 'apart')]")
        timed(browser, "Mixing bench", "/api/predict", DROP)


if __name__ == "__main__":
    main()
