"""Problems for tests: small ones by hand, and any that Hypothesis can think of."""

from __future__ import annotations

from typing import Any

from hypothesis import strategies as st

FORMAT = {
    "format": "crisp-muster/plan-problem",
    "version": 1,
    "origin": "2027-03-02T00:00:00+00:00",
}


def problem_json(**parts: Any) -> dict[str, Any]:
    """A problem from its parts; what is not given is empty."""
    base: dict[str, Any] = {"sittings": [], "families": {}, "items": [], "tasks": [], "links": []}
    return {**FORMAT, **base, **parts}


def task(name: str, items: list[str], per: int = 10, **rest: Any) -> dict[str, Any]:
    """A task without a family, cut between items, unless ``rest`` says otherwise."""
    return {"id": name, "items": items, "per_item_s": per, "family": None, **rest}


def items(*names: str, **rest: Any) -> list[dict[str, Any]]:
    """Items of one unit."""
    return [{"id": name, "unit": "unit", **rest} for name in names]


def _or_none(draw: st.DrawFn, low: int, high: int) -> int | None:
    return draw(st.one_of(st.none(), st.integers(low, high)))


HELD: list[dict[str, int]] = [{"rack": 1}, {"handles": 1}, {"rack": 1, "handles": 2}]
DETAIL_ZONES: list[dict[str, int]] = [{}, {"rack": 1}, {"rack": 2}, {"handles": 1, "rack": 1}]


@st.composite
def problems(draw: st.DrawFn, most_trays: int = 3, most_items: int = 3) -> dict[str, Any]:
    """Any problem that the reader takes, with every rule of the model in play."""
    sittings, at = [], draw(st.integers(0, 30))
    for _ in range(draw(st.integers(1, 5))):
        length = draw(st.integers(60, 400))
        sittings.append({"start": at, "end": at + length})
        at += length + draw(st.integers(0, 900))
    conditions = [
        {"tag": "daylight", "start": s["start"] + draw(st.integers(-20, 60)), "end": s["end"]}
        for s in sittings
        if draw(st.booleans())
    ]
    conditions = [{**c, "start": max(0, c["start"])} for c in conditions if c["start"] < c["end"]]
    clocks = {
        "water": [
            {"from": 100 * n, "rate": draw(st.sampled_from([0.4, 0.625, 1, 1.5]))}
            for n in range(draw(st.integers(1, 3)))
        ]
    }
    clock = st.sampled_from(["wall", "water"])
    tools = {
        name: {
            "setup_s": draw(st.sampled_from([0, 5, 20])),
            "cleanup_s": draw(st.sampled_from([0, 5, 20])),
            "open_families": draw(st.integers(1, 2)),
        }
        for name in ("airbrush", "palette")
    }
    families = {
        name: {
            "tool": draw(st.sampled_from([None, "airbrush", "palette"])),
            "setup_s": draw(st.sampled_from([0, 4, 9])),
            "cleanup_s": draw(st.sampled_from([0, 4, 9])),
            "open_s": _or_none(draw, 0, 60),
            "life_s": _or_none(draw, 60, 200),
        }
        for name in ("black", "green", "brass")
    }
    all_items, tasks, links, holds = [], [], [], []
    for tray in range(draw(st.integers(1, most_trays))):
        names = [f"t{tray}-{n}" for n in range(draw(st.integers(1, most_items)))]
        parts = [f"{name}/wheels" for name in names] if draw(st.booleans()) else []
        due = _or_none(draw, 50, 2000)
        all_items += [
            {"id": n, "unit": f"t{tray}", "weight": draw(st.sampled_from([1, 2.5])), "due": due}
            for n in names
        ]
        all_items += [{"id": n, "unit": f"t{tray}", "weight": 0} for n in parts]
        previous: list[str] = []
        for number in range(draw(st.integers(1, 4))):
            worked = parts if parts and draw(st.integers(0, 3)) == 0 else names
            name = f"t{tray}/{number}"
            per = draw(st.integers(1, 20))
            tasks.append({
                "id": name, "items": worked, "per_item_s": per,
                "family": draw(st.sampled_from([None, "black", "green", "brass"])),
                "break": draw(st.sampled_from(["none", "item", "item", "any"])),
                "dry_s": draw(st.sampled_from([0, 0, 30, 120])), "clock": draw(clock),
                "places": draw(st.sampled_from(DETAIL_ZONES)),
                "needs": draw(st.sampled_from([[], [], [], ["daylight"]])),
                "not_before": draw(st.sampled_from([None, None, 150])),
                "wants": draw(st.sampled_from([{}, {}, {"daylight": 40}, {"quiet": 5}])),
            })  # fmt: skip
            for before in previous[-draw(st.integers(1, 2)) :]:
                stand = draw(st.sampled_from([0, 10, 60]))
                window = draw(st.sampled_from([None, None, None, 30, 400]))
                links.append({
                    "before": before, "after": name, "stand_s": stand, "clock": draw(clock),
                    "window_s": None if window is None else stand + window,
                })  # fmt: skip
            if previous and draw(st.integers(0, 4)) == 0:
                where = draw(st.sampled_from(HELD))
                holds.append({"from": previous[-1], "to": name, "places": where})
            previous.append(name)
    pins = []
    if draw(st.integers(0, 3)) == 0:
        pins.append({
            "task": draw(st.sampled_from(tasks))["id"], "start": draw(st.integers(0, 600)),
            "slack_s": draw(st.integers(0, 300)),
        })  # fmt: skip
    return problem_json(
        sittings=sittings, conditions=conditions, clocks=clocks, tools=tools, families=families,
        places={"rack": draw(st.integers(2, 12)), "handles": draw(st.integers(1, 6))},
        items=all_items, tasks=tasks, links=links, holds=holds, pins=pins,
    )  # fmt: skip
