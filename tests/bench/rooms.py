"""How soon each room can be used: from the address to what it is for, at the demo's size and at ten
times it; and how large the first script is.

./crisp demo, then in another shell: .run/venv/bin/python -m tests.bench.rooms [ADDRESS]
"""

from __future__ import annotations

import gzip
import re
import statistics
from pathlib import Path

from tests.bench.demo_browser import in_the_demo

DIST = Path(__file__).resolve().parents[2] / "web" / "dist"
TIMES = 5
READY = {
    "roll": "main section h2", "colour": "[aria-label=Paints] button", "recipes": "[data-row]",
    "plan": "[data-call]", "bench": "h1.call", "supplies": "main table tbody tr",
    "house": "#air",
}  # fmt: skip

# Watches from the first moment of a page for what the room is for, painted.
WATCH = """
const wanted = %r
const look = () => {
  const room = location.pathname.split('/')[2]
  const at = wanted[room] && document.querySelector(wanted[room])
  if (at && at.getClientRects().length) requestAnimationFrame(() => { window.usable = performance.now() })
  else requestAnimationFrame(look)
}
look()
"""  # noqa: E501

TENFOLD = """
const done = arguments[0]
const token = /csrftoken=([^;]+)/.exec(document.cookie)[1]
const headers = {'X-CSRFToken': token}
fetch('/api/musters').then(one => one.json()).then(async (list) => {
  const found = list.find(one => one.name === 'Reed Coast')
  const raw = await (await fetch(`/api/musters/${found.id}/file`)).json()
  raw.choices.name = 'Tenfold'
  raw.choices.rack *= 10
  raw.choices.parade_day = null
  for (const fact of raw.facts) fact.id = crypto.randomUUID()
  for (const unit of raw.choices.units) unit.count = Math.min(500, unit.count * 10)
  const form = new FormData()
  form.append('file', new Blob([JSON.stringify(raw)]), 'tenfold.json')
  const made = await (await fetch('/api/import', {method: 'POST', headers, body: form})).json()
  await fetch(`/api/musters/${made.id}`)
  await fetch(`/api/musters/${made.id}/plan/stop`, {method: 'POST', headers})
  done([found.id, made.id])
})
"""


def first_script() -> int:
    """Bytes of the scripts that the first page names, compressed."""
    page = (DIST / "index.html").read_text()
    names = set(re.findall(r'(?:src|href)="[^"]*?([^"/]+\.js)"', page))
    return sum(len(gzip.compress((DIST / "assets" / name).read_bytes())) for name in names)


def main() -> None:
    """Print the figures."""
    print(f"first script: {first_script() / 1000:.0f} kB compressed")
    with in_the_demo(240) as browser:
        driver = browser.driver
        musters = driver.execute_async_script(TENFOLD)
        driver.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": WATCH % READY})
        for muster, size in zip(musters, ("the demo", "ten times"), strict=True):
            for room in READY:
                took = []
                for _ in range(TIMES):
                    browser.go(f"/{muster}/{room}")
                    took.append(
                        browser.until(lambda: driver.execute_script("return window.usable"))
                    )
                    # What else it asks for is answered first: each from rest.
                    if room == "plan":
                        browser.find("//tr[contains(., 'This plan')]")
                span = f"{min(took):.0f} to {max(took):.0f}"
                print(f"{size}, {room}: {statistics.median(took):.0f} ms ({span})")


if __name__ == "__main__":
    main()
