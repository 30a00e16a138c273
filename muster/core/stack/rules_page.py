"""The page of rules, media and habits, written from what is registered, so that it cannot drift."""

from __future__ import annotations

from muster.core.craft.media import MEDIA
from muster.core.craft.techniques import TECHNIQUES
from muster.core.craft.zones import ZONES
from muster.core.stack import rules as _rules
from muster.core.stack.finding import RULES
from muster.core.stack.formatting import duration
from muster.core.stack.habits.house import ORDERED

assert _rules.__path__, "importing the package registers its rules"


def rules_page() -> str:
    """Markdown."""
    lines = [
        "# What a recipe's layers do to each other",
        "",
        "Written from the registry by `muster.cli.publish`. Times are for a thin coat at 20 °C and",
        "50 % humidity, common practice with no source; a product's label comes first.",
        "",
        "| rule | code | watches for |",
        "| --- | --- | --- |",
    ]
    for rule in sorted(RULES.values(), key=lambda one: one.number):
        lines.append(f"| {rule.number} | {rule.code} | {rule.about} |")
    lines += ["", "## Media", "", "| name | thinned with | dry to touch | recoat | cured |",
              "| --- | --- | --- | --- | --- |"]  # fmt: skip
    for one in MEDIA.values():
        times = " | ".join(duration(value) for value in (one.touch, one.recoat, one.cured))
        lines.append(f"| {one.name} | {one.carrier or 'nothing'} | {times} |")
    lines += ["", "## Techniques", ""]
    lines += ["| name | grade | covers | minutes a model |", "| --- | --- | --- | --- |"]
    for technique in TECHNIQUES.values():
        grade = technique.grade.name.lower()
        lines.append(
            f"| {technique.name} | {grade} | {technique.cover:.0%} | {technique.minutes:g} |"
        )
    lines += ["", "## Zones", ""]
    for kind, zones in ZONES.items():
        lines.append(f"- {kind}: {', '.join(zones)}; and recesses, edges")
    lines += ["", "## House habits", ""]
    for habit in ORDERED:
        for way, reason in habit.ways.items():
            ours = " (ours)" if way == habit.ours else ""
            lines.append(f"- `{habit.name}={way}`{ours}: {reason}")
    return "\n".join(lines) + "\n"
