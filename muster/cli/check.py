"""``crisp check``: what a recipe's layers do to each other. Needs no database and no network."""

from __future__ import annotations

import argparse
import json
import sys
from dataclasses import asdict
from pathlib import Path
from typing import Any

from muster.core.craft.climate import Climate
from muster.core.errors import DomainError
from muster.core.formats.recipe import read
from muster.core.recipes.recipe import Recipe
from muster.core.stack.cautions import FIRST
from muster.core.stack.check import Report, check
from muster.core.stack.finding import Repair
from muster.core.stack.formatting import duration
from muster.core.stack.habits.house import Habits, chosen, habits_from
from muster.core.stack.repair_cost import cost_of

NONE, FINDINGS, REFUSED = 0, 1, 2


def main(arguments: list[str] | None = None) -> int:
    """Exit 0 nothing found, 1 findings, 2 refused."""
    parser = argparse.ArgumentParser(prog="crisp check", description="Look a recipe over.")
    parser.add_argument("recipe", type=Path)
    parser.add_argument("--room", default="20,50", help="degrees C and percent: 12,75")
    parser.add_argument("--habit", action="append", default=[],
                        help="all-acrylic, or NAME=WAY; may be given again")  # fmt: skip
    parser.add_argument("--scale", type=int, help="of the unit, 72 for 1/72; else the recipe's own")
    parser.add_argument("--json", action="store_true", help="the report as JSON")
    given = parser.parse_args(arguments)
    try:
        recipe = read(given.recipe.read_bytes())
        report = check(recipe, _room(given.room), _habits(given.habit), scale=_scale(given.scale))
    except OSError as error:
        print(f"{given.recipe}: {error.strerror}: name a file that can be read", file=sys.stderr)
        return REFUSED
    except DomainError as refusal:
        for complaint in refusal.complaints:
            print(f"{given.recipe}: {complaint}", file=sys.stderr)
        return REFUSED
    if given.json:
        print(json.dumps(as_json(report, recipe), indent=1, ensure_ascii=False))
    else:
        print(said(report, recipe))
    return FINDINGS if report.findings else NONE


def _room(words: str) -> Climate:
    try:
        celsius, humidity = (float(word) for word in words.split(","))
        return Climate(celsius, humidity)
    except ValueError as error:
        raise DomainError(f"--room {words}: two numbers such as 12,75 ({error})") from error


def _scale(number: int | None) -> int | None:
    if number is not None and not 1 <= number <= 1000:
        raise DomainError(f"--scale {number}: use 1 to 1000, 72 for 1/72")
    return number


def _habits(words: list[str]) -> Habits:
    try:
        return habits_from(words)
    except ValueError as error:
        raise DomainError(f"--habit: {error}") from error


def as_json(report: Report, given: Recipe) -> dict[str, Any]:
    """The report as plain values."""
    steps = [
        {
            "key": step.layer.pass_.key, "name": step.layer.name, "start_min": round(step.start, 1),
            "wait_min": round(step.wait.minutes, 1), "needed_min": round(step.wait.needed, 1),
            "why": step.wait.why, "stated": step.wait.stated,
        }
        for step in report.walked.steps
    ]  # fmt: skip
    findings = [
        {
            "code": one.code, "severity": one.severity, "pass": one.key, "words": one.words,
            "repairs": [{"do": type(repair).__name__.lower(), "words": repair.words,
                         "cost": cost_of(report.walked, repair, given)}
                        for repair in one.repairs],
        }
        for one in report.findings
    ]  # fmt: skip
    return {
        "recipe": report.walked.recipe.name, "room": asdict(report.walked.climate),
        "habits": chosen(report.walked.habits), "findings": findings, "passes": steps,
        "offers": [{"after": one.key, "words": one.words, "saves_min": round(one.saves, 1)}
                   for one in report.offers],
        "cautions": [{"pass": one.key, "words": one.words, "serious": one.serious}
                     for one in report.cautions],
    }  # fmt: skip


def said(report: Report, given: Recipe) -> str:
    """The report as text: passes from the bare material up, what is said at each seam."""
    climate = report.walked.climate
    lines = [
        f"{report.walked.recipe.name}, at {climate.celsius:g} °C and {climate.humidity:g} %",
        "",
    ]
    by_key: dict[str, list[str]] = {}
    for one in report.findings:
        words = [f"    {one.severity} ({one.code}): {one.words}"]
        words += [f"        can be mended: {_with_cost(report, repair, given)}"
                  for repair in one.repairs]  # fmt: skip
        by_key.setdefault(one.key, []).extend(words)
    for caution in report.cautions:
        by_key.setdefault(caution.key, []).append(f"    caution: {caution.words}")
    for number, step in enumerate(report.walked.steps, 1):
        lines.append(f"{number:3} {step.layer.name}, {step.layer.pass_.minutes:g} min a model")
        lines += by_key.pop(step.layer.pass_.key, [])
        if step.wait.minutes or step.wait.stated:
            why = f": {step.wait.why}" if step.wait.why else ""
            own = f" (yours; {duration(step.wait.needed)} needed)" if step.wait.stated else ""
            lines.append(f"    wait {duration(step.wait.minutes)}{own}{why}")
            lines += [f"        {one.words}" for one in report.offers
                      if one.key == step.layer.pass_.key]  # fmt: skip
    lines += [line for rest in by_key.values() for line in rest]
    if report.cautions:
        lines += ["", FIRST]
    if not report.findings:
        lines += ["", "Nothing found."]
    return "\n".join(lines)


def _with_cost(report: Report, repair: Repair, given: Recipe) -> str:
    cost = cost_of(report.walked, repair, given)
    return f"{repair.words}, {cost}" if cost else repair.words


if __name__ == "__main__":
    from muster.cli.running import run

    sys.exit(run(main))
