"""How the board follows the hand: script a frame while 30 trays × 20 sittings are panned, zoomed
from a month to one evening and back, and a call is dragged; and how soon its rails are there.

./crisp demo, then in another shell: .run/venv/bin/python -m tests.bench.board [ADDRESS]
"""

from __future__ import annotations

from selenium import webdriver

from tests.bench.demo_browser import in_the_demo

FRAMES = 150

BEGIN = """
const done = arguments[0]
const token = /csrftoken=([^;]+)/.exec(document.cookie)[1]
const units = Array.from({length: 5}, (_, n) => ({line: `36 pikes ${n + 1} foot 1/72`, recipe: 'infantry-six'}))
const weekdays = Array.from({length: 7}, (_, weekday) => ({weekday, start: '19:30', end: '22:30'}))
fetch('/api/musters', {method: 'POST', headers: {'X-CSRFToken': token, 'Content-Type': 'application/json'},
  body: JSON.stringify({name: 'Bench', zone: 'UTC', units, weekdays, parade_day: null})})
  .then(one => one.json()).then(one => done(one.id))
"""  # noqa: E501

# One act a frame; its script is the act and all that follows it before the page is laid out.
EACH_FRAME = """
const [act, frames, done] = [new Function('n', arguments[0]), arguments[1], arguments[2]]
window.board = document.querySelector('[aria-label="The board"]')
const took = [], script = []
let n = 0, last = performance.now()
const step = async () => {
  const now = performance.now()
  took.push(now - last)
  last = now
  act(n)
  // What scrolls tells of it before the next frame; what is rendered anew follows in microtasks.
  window.board.dispatchEvent(new Event('scroll'))
  for (let wait = 0; wait < 8; wait += 1) await null
  script.push(performance.now() - now)
  if (++n < frames) requestAnimationFrame(step)
  else done([took.slice(3), script.slice(3)])
}
requestAnimationFrame(step)
"""
PAN = "window.board.scrollLeft = n * 25"
ZOOM = """
const box = window.board.getBoundingClientRect()
window.board.dispatchEvent(new WheelEvent('wheel', {ctrlKey: true, bubbles: true, cancelable: true,
  deltaY: Math.floor(n / 50) % 2 ? -18 : 18, clientX: box.x + 600, clientY: box.y + 200}))
"""
TAKE = """
const box = document.querySelectorAll('[data-call]')[30]
const edge = box.getBoundingClientRect()
window.grip = [edge.x + 1, edge.y + 5]
box.dispatchEvent(new PointerEvent('pointerdown',
  {clientX: edge.x + 1, clientY: edge.y + 5, bubbles: true, pointerId: 1, button: 0}))
window.dispatchEvent(new PointerEvent('pointermove',
  {clientX: edge.x + 20, clientY: edge.y + 6, pointerId: 1}))
"""
RAILS = (
    """
const done = arguments[0]
const begun = performance.now()
"""
    + TAKE
    + """
const look = () => document.querySelectorAll('[data-rail]').length
  ? done(performance.now() - begun) : requestAnimationFrame(look)
look()
"""
)
DRAG = """
window.dispatchEvent(new PointerEvent('pointermove', {clientX: window.grip[0] + 20 + n * 3,
  clientY: window.grip[1] + 10 * Math.sin(n / 9), pointerId: 1}))
"""
DROP = "window.dispatchEvent(new KeyboardEvent('keydown', {key: 'Escape'}))"


def row(driver: webdriver.Chrome, what: str, act: str) -> None:
    """Print script a frame, and the frames themselves, in milliseconds."""
    frames, script = (sorted(one) for one in driver.execute_async_script(EACH_FRAME, act, FRAMES))
    print(f"{what}: script {_two(script)} ms a frame; frames {_two(frames)} ms")


def _two(took: list[float]) -> str:
    return f"{took[len(took) // 2]:.1f} / {took[int(len(took) * 0.95)]:.1f}"


def main() -> None:
    """Print the figures."""
    with in_the_demo(120) as browser:
        driver = browser.driver
        muster = driver.execute_async_script(BEGIN)
        browser.go(f"/{muster}/plan")
        browser.press("Stop")
        browser.find("//button[contains(., 'Improve for')]")
        count = driver.execute_script(
            "return [...new Set([...document.querySelectorAll('[data-call]')]"
            ".map(one => one.dataset.call.split(' ')[0]))].length"
        )
        print(f"calls drawn at the usual scale: {count}")
        row(driver, "pan", PAN)
        row(driver, "zoom", ZOOM)
        browser.go(f"/{muster}/plan")
        browser.find("//button[contains(., 'Improve for')]")
        rails_ms = driver.execute_async_script(RAILS)
        print(f"from the press to the rails: {rails_ms:.0f} ms")
        row(driver, "drag", DRAG)
        driver.execute_script(DROP)


if __name__ == "__main__":
    main()
