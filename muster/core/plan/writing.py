"""A problem out to its file format; ``reading`` takes it in again."""

from __future__ import annotations

from typing import Any

from muster.core.plan.plan import plain
from muster.core.plan.problem import Problem


def problem_to_json(problem: Problem) -> dict[str, Any]:
    """The problem as ``crisp-muster/plan-problem`` writes it, every key said."""
    return {
        "format": "crisp-muster/plan-problem",
        "version": 1,
        "origin": problem.origin,
        "now": problem.now,
        "day_s": problem.day_s,
        "item_day_s": problem.item_day_s,
        "sittings": [{"start": s.start, "end": s.end} for s in problem.sittings],
        "conditions": [{"tag": c.tag, "start": c.start, "end": c.end} for c in problem.conditions],
        "clocks": {
            name: [{"from": rate.start, "rate": rate.milli / 1000} for rate in rates]
            for name, rates in problem.clocks.items()
        },
        "places": problem.places,
        "tools": {
            name: {"setup_s": t.setup_s, "cleanup_s": t.cleanup_s, "open_families": t.open_families}
            for name, t in problem.tools.items()
        },
        "families": {
            name: {"tool": f.tool, "setup_s": f.setup_s, "cleanup_s": f.cleanup_s,
                   "open_s": f.open_s, "life_s": f.life_s}
            for name, f in problem.families.items()
        },
        "items": [
            {"id": i.id, "unit": i.unit, "weight": plain(i.weight), "due": i.due}
            for i in problem.items.values()
        ],
        "tasks": [
            {"id": t.id, "items": list(t.items), "per_item_s": t.per_item_s, "family": t.family,
             "break": t.break_.value, "dry_s": t.dry_s, "clock": t.clock, "places": t.places,
             "needs": list(t.needs), "wants": t.wants, "not_before": t.not_before}
            for t in problem.tasks.values()
        ],
        "links": [
            {"before": k.before, "after": k.after, "stand_s": k.stand_s, "window_s": k.window_s,
             "clock": k.clock}
            for k in problem.links
        ],
        "holds": [{"from": h.from_, "to": h.to, "places": h.places} for h in problem.holds],
        "pins": [
            {"task": p.task, "start": p.start, "slack_s": p.slack_s} for p in problem.pins
        ],
        "done": [
            {"task": d.task, "from_s": d.from_s, "to_s": d.to_s, "start": d.start, "end": d.end}
            for d in problem.done
        ],
        "open": [
            {"family": o.family, "first_start": o.first_start, "last_end": o.last_end}
            for o in problem.open
        ],
        "out": list(problem.out),
    }  # fmt: skip
