"""What a problem file must not hold is refused, with the id and how to mend it."""

from __future__ import annotations

import copy
import json
from typing import Any

import pytest

from muster.core.errors import DomainError
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from, read_problem

EXAMPLE: dict[str, Any] = json.loads("""
{"format": "crisp-muster/plan-problem", "version": 1, "origin": "2027-03-02T00:00:00+00:00",
 "now": 70580, "day_s": 1800, "item_day_s": 15,
 "sittings": [{"start": 70200, "end": 79200}],
 "conditions": [{"tag": "daylight", "start": 28800, "end": 64800}],
 "clocks": {"water": [{"from": 0, "rate": 1.0}, {"from": 86400, "rate": 0.6}]},
 "places": {"rack": 40},
 "tools": {"airbrush": {"setup_s": 300, "cleanup_s": 480, "open_families": 1}},
 "families": {"black": {"tool": "airbrush", "setup_s": 60, "cleanup_s": 120, "open_s": 600,
                        "life_s": null}},
 "items": [{"id": "pike-1", "unit": "pikes", "weight": 1, "due": 2160000},
           {"id": "pike-2", "unit": "pikes", "weight": 1, "due": 2160000}],
 "tasks": [{"id": "pikes-a/undercoat", "items": ["pike-1", "pike-2"], "per_item_s": 24,
            "family": "black", "break": "item", "dry_s": 1200, "clock": "water",
            "places": {"rack": 1}, "needs": [], "not_before": null},
           {"id": "pikes-a/base", "items": ["pike-1", "pike-2"], "per_item_s": 36,
            "family": "black", "break": "item", "dry_s": 900, "clock": "water",
            "places": {"rack": 1}, "needs": [], "not_before": null}],
 "links": [{"before": "pikes-a/undercoat", "after": "pikes-a/base", "stand_s": 3600,
            "window_s": null, "clock": "water"}],
 "holds": [], "pins": [],
 "done": [{"task": "pikes-a/undercoat", "from_s": 0, "to_s": 12, "start": 70560, "end": 70575}],
 "open": [{"family": "black", "first_start": 70560, "last_end": 70575}], "out": ["airbrush"]}
""")


def test_the_worked_example_gives_the_worked_plan() -> None:
    plan = Planner(problem_from(EXAMPLE)).first().to_json()
    starts = [(block["do"], block["start"], block["end"]) for block in plan["blocks"]]
    assert starts == [
        ("work", 70580, 70616),
        ("close", 70616, 70736),
        ("open", 74132, 74192),
        ("work", 74192, 74264),
        ("close", 74264, 74384),
        ("put_away", 74384, 74864),
    ]
    assert (plan["hands_on_s"], plan["finish"], plan["mean_done"], plan["cost_s"]) == (
        888,
        74864,
        75146,
        935,
    )


def spoil(path: list[Any], value: Any) -> dict[str, Any]:
    raw = copy.deepcopy(EXAMPLE)
    at = raw
    for key in path[:-1]:
        at = at[key]
    if isinstance(at, list) and path[-1] == "+":
        at.append(value)
    else:
        at[path[-1]] = value
    return raw


SECOND = {"before": "pikes-a/base", "after": "pikes-a/undercoat"}
CASES = [
    (["colour"], 1, "unknown key 'colour'"),
    (["version"], 2, "version must be 1"),
    (["tasks", 0, "family"], "blue", "no family 'blue'"),
    (["tasks", 0, "items"], ["pike-9"], "no item 'pike-9'"),
    (["tasks", 0, "items"], [], "has no items"),
    (["tasks", 0, "items"], ["pike-1", "pike-1"], "stands in it twice"),
    (["tasks", 0, "per_item_s"], 0, "make it 1 or more"),
    (["tasks", 0, "dry_s"], -1, "make it 0 or more"),
    (["tasks", 0, "dry_s"], 1.5, "whole number"),
    (["tasks", 0, "break"], "half", "'none', 'item' or 'any'"),
    (["sittings", "+"], {"start": 79000, "end": 80000}, "overlaps"),
    (["sittings", 0, "end"], 70200, "later than its start"),
    (["links", "+"], SECOND, "form a cycle"),
    (["links", 0, "window_s"], 60, "longer than its window"),
    (["holds", "+"], {"from": "pikes-a/base", "to": "pikes-a/undercoat", "places": {"rack": 1}},
     "no links lead"),
    (["clocks", "water", 1, "from"], 0, "must rise"),
    (["clocks", "water", 1, "rate"], 0, "last rate is 0"),
    (["clocks", "water", 1, "rate"], 0.1234, "three decimals"),
    (["done", 0, "end"], 80000, "later than now"),
    (["done", 0, "from_s"], 4, "without a gap"),
    (["open", 0, "last_end"], 80000, "later than now"),
    (["tasks", 0, "wants"], {"daylight": -1}, "make it 0 or more"),
    (["items", "+"], {"id": "pike-1"}, "stands twice"),
    (["origin"], "tomorrow", "date and time"),
    (["places", "rack"], -3, "make it 0 or more"),
]  # fmt: skip


@pytest.mark.parametrize(("path", "value", "words"), CASES)
def test_is_refused_with_what_to_change(path: list[Any], value: Any, words: str) -> None:
    with pytest.raises(DomainError) as refusal:
        problem_from(spoil(path, value))
    assert words in str(refusal.value)


@pytest.mark.parametrize("text", [b"", b"[", b"[1]", b"\xff\xfe", b"[" * 100_000])
def test_a_broken_file_is_refused(text: bytes) -> None:
    with pytest.raises(DomainError):
        read_problem(text)
