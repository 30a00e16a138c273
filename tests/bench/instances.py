"""Problems to measure the planner by: invented forces of every kind that makes planning hard.

Repeatable for a seed. Figures are common practice at 1/72; nothing here is anybody's force.
"""

from __future__ import annotations

import random
from itertools import pairwise
from typing import Any

HOUR, DAY = 3600, 86_400
TOOLS = {
    "airbrush": {"setup_s": 300, "cleanup_s": 480, "open_families": 1},
    "palette": {"setup_s": 60, "cleanup_s": 120, "open_families": 6},
}
COLOURS = (
    "green", "cloth", "leather", "steel", "flesh", "wood", "bone", "silt", "rust", "indigo",
)  # fmt: skip


def sittings(count: int, chance: random.Random) -> list[dict[str, int]]:
    """Two evenings of two and a half hours and one morning of three a week."""
    found: list[dict[str, int]] = []
    day = 0
    while len(found) < count:
        if day % 7 in (1, 3):
            start = day * DAY + 19 * HOUR + 1800
            found.append({"start": start, "end": start + 9000})
        elif day % 7 == 5:
            start = day * DAY + 10 * HOUR
            found.append({"start": start, "end": start + 10_800 + 600 * chance.randrange(4)})
        day += 1
    return found


def force(
    trays: int,
    seed: int = 1,
    *,
    passes: int = 6,
    models: int = 6,
    rack: int | None = None,
    windows: bool = False,
    daylight: bool = False,
    long_work: bool = False,
    parts: bool = False,
    due_share: float | None = None,
    colours: int = 8,
    handles: int | None = None,
    wants: bool = False,
    bench_share: float = 1.0,
) -> dict[str, Any]:
    """A problem of so many trays that share undercoats, colours, washes and varnish.

    ``due_share``: dues at that share of the sittings (None: none); ``rack``: places in all;
    ``handles``: so many, one for each model from its first colour to its varnish; ``wants``:
    daylight is a wish; ``bench_share``: of the sittings that would be plenty.
    """
    chance = random.Random(seed)
    families: dict[str, Any] = {
        "undercoat": _family("airbrush", 60, 120, 600),
        "wash": _family("palette", 30, 30, None),
        "varnish": _family("airbrush", 60, 180, 900),
    }
    for name in COLOURS[:colours]:
        families[name] = _family("palette", 60, 40, 1800, 3 * HOUR)
    items: list[dict[str, Any]] = []
    tasks: list[dict[str, Any]] = []
    links: list[dict[str, Any]] = []
    holds: list[dict[str, Any]] = []
    for tray in range(trays):
        names = [f"t{tray}-{n}" for n in range(models + chance.randrange(-1, 2))]
        items += [{"id": n, "unit": f"u{tray // 3}", "weight": 1 + chance.randrange(3) / 2}
                  for n in names]  # fmt: skip
        chain: list[dict[str, Any]] = []
        if long_work:
            chain.append(_task(tray, "assemble", names, 1200 + 300 * chance.randrange(5), None,
                               break_="any", dry_s=HOUR))  # fmt: skip
        chain.append(_task(tray, "undercoat", names, 25 + chance.randrange(15), "undercoat",
                           dry_s=1200))  # fmt: skip
        for number in range(passes - 3):
            colour = COLOURS[chance.randrange(colours)]
            chain.append(_task(tray, f"base-{number}", names, 60 + 15 * chance.randrange(8),
                               colour, dry_s=900))  # fmt: skip
        chain.append(_task(tray, "wash", names, 40 + chance.randrange(30), "wash", dry_s=2700))
        chain.append(_task(tray, "varnish", names, 20, "varnish", dry_s=2 * HOUR,
                           needs=["daylight"] if daylight else [],
                           wants={"daylight": 900} if wants else {}))  # fmt: skip
        if handles is not None:
            first = next(task for task in chain if "/base-" in task["id"])
            holds.append({"from": first["id"], "to": chain[-1]["id"], "places": {"handles": 1}})
        if parts:
            links += _parts(chain, names, tray, items, tasks)
        for before, after in pairwise(chain):
            wet = windows and after["id"].endswith("/wash")
            links.append({"before": before["id"], "after": after["id"],
                          "stand_s": 900 if wet else 1800, "clock": "water",
                          "window_s": 5400 if wet else None})  # fmt: skip
        tasks += chain
    work = sum(task["per_item_s"] * len(task["items"]) for task in tasks)
    bench = sittings(max(1, int(bench_share * (8 + int(work * 1.5 / 9000)))), chance)
    if due_share is not None:
        for index, item in enumerate(items):
            share = due_share * (0.5 + 0.5 * index / len(items))
            item["due"] = bench[min(len(bench) - 1, int(share * work / 9000) + 2)]["end"]
    conditions = [
        {"tag": "daylight", "start": s["start"], "end": min(s["end"], s["start"] + 2 * HOUR)}
        for s in bench
        if s["start"] % DAY < 12 * HOUR
    ]
    slow = [{"from": 0, "rate": 1.0}]
    for day in range(2, bench[-1]["end"] // DAY, 5):
        slow += [{"from": day * DAY, "rate": 0.7}, {"from": (day + 1) * DAY, "rate": 1.0}]
    return {
        "format": "crisp-muster/plan-problem", "version": 1,
        "origin": "2027-03-01T00:00:00+00:00", "sittings": bench,
        "conditions": conditions if daylight or wants else [],
        "clocks": {"water": slow, "cure": [{"from": 0, "rate": 1.0}]},
        "places": {"rack": rack if rack is not None else 10 * models * trays,
                   **({"handles": handles} if handles is not None else {})},
        "tools": TOOLS, "families": families, "items": items, "tasks": tasks, "links": links,
        "holds": holds,
    }  # fmt: skip


def _family(
    tool: str, setup_s: int, cleanup_s: int, open_s: int | None, life_s: int | None = None
) -> dict[str, Any]:
    return {"tool": tool, "setup_s": setup_s, "cleanup_s": cleanup_s, "open_s": open_s,
            "life_s": life_s}  # fmt: skip


def _task(
    tray: int, name: str, items: list[str], per_item_s: int, family: str | None,
    break_: str = "item", dry_s: int = 900, needs: list[str] | None = None,
    wants: dict[str, int] | None = None,
) -> dict[str, Any]:  # fmt: skip
    return {"id": f"t{tray}/{name}", "items": items, "per_item_s": per_item_s, "family": family,
            "break": break_, "dry_s": dry_s, "clock": "water", "places": {"rack": 1},
            "needs": needs or [], "wants": wants or {}}  # fmt: skip


def _parts(
    chain: list[dict[str, Any]], names: list[str], tray: int, items: list[dict[str, Any]],
    tasks: list[dict[str, Any]],
) -> list[dict[str, Any]]:  # fmt: skip
    """Wheels painted apart: undercoated and painted, then met by the wash."""
    wheels = [f"{name}/wheels" for name in names]
    items += [{"id": wheel, "unit": f"u{tray // 3}", "weight": 0} for wheel in wheels]
    one = _task(tray, "wheels-undercoat", wheels, 15, "undercoat", dry_s=1200)
    two = _task(tray, "wheels", wheels, 50, "steel", dry_s=900)
    tasks += [one, two]
    wash = next(task for task in chain if task["id"].endswith("/wash"))
    return [
        {"before": one["id"], "after": two["id"], "stand_s": 1800, "clock": "water"},
        {"before": two["id"], "after": wash["id"], "stand_s": 1800, "clock": "water"},
    ]


KINDS: dict[str, dict[str, Any]] = {
    "4 trays": {"trays": 4},
    "12 trays": {"trays": 12},
    "30 trays": {"trays": 30, "passes": 8},
    "66 trays": {"trays": 66},
    "140 trays": {"trays": 140, "passes": 14},
    "12, windows": {"trays": 12, "windows": True},
    "12, scarce rack": {"trays": 12, "rack": 14},
    "12, daylight": {"trays": 12, "daylight": True},
    "12, dues": {"trays": 12, "due_share": 0.8},
    "12, long work": {"trays": 12, "long_work": True},
    "12, parts": {"trays": 12, "parts": True},
    "12, handles": {"trays": 12, "rack": 30, "handles": 20},
    "12, wishes": {"trays": 12, "wants": True},
    "12, too little bench": {"trays": 12, "bench_share": 0.25},
    "12, half done": {"trays": 12, "handles": 24},
    "30, all of it": {"trays": 30, "windows": True, "rack": 40, "daylight": True,
                      "due_share": 0.9, "long_work": True, "parts": True},
}  # fmt: skip
"""Every kind by name."""


HALF_DONE = "12, half done"
"""The kind of which half an evening is fact."""
