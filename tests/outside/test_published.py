"""Against things outside the project: published rules, standards and facts of the trade."""

from __future__ import annotations

import json
import re
from datetime import UTC, date, datetime, time
from itertools import pairwise, permutations
from pathlib import Path
from typing import Any

import jsonschema
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from muster.core.formats import muster as muster_format
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from
from muster.core.typed.unit_line import MM_TO_SCALE
from tests.core.making import choices, derived
from tests.core.plan.making import problem_json, task

ROOT = Path(__file__).resolve().parents[2]
some = settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.too_slow])
jobs = st.lists(
    st.tuples(st.integers(1, 30), st.integers(1, 90), st.integers(1, 9)), min_size=2, max_size=5
)


def one_machine(rows: list[tuple[int, int, int]], **more: Any) -> dict[str, Any]:
    """Jobs (seconds, due, weight) in one unbroken sitting, nothing shared, nothing drying."""
    return problem_json(
        sittings=[{"start": 0, "end": 100_000}],
        items=[{"id": f"j{n}", "weight": w, "due": due} for n, (_, due, w) in enumerate(rows)],
        tasks=[task(f"t{n}", [f"j{n}"], per, **{"break": "none"})
               for n, (per, _, _) in enumerate(rows)],
        day_s=0, **more,
    )  # fmt: skip


def best_plan(raw: dict[str, Any], steps: int = 400) -> Plan:
    planner = Planner(problem_from(raw))
    planner.first()
    return planner.improve(steps, lambda: 1.0)


@given(jobs)
@some
def test_smith_1956_weighted_completions_are_least_by_time_over_weight(
    rows: list[tuple[int, int, int]],
) -> None:
    """W. E. Smith, Various optimizers for single-stage production, NRLQ 3 (1956): WSPT."""
    plan = best_plan(one_machine([(per, 10**6, w) for per, _, w in rows], item_day_s=86_400))
    at = total = 0
    for per, _, weight in sorted(rows, key=lambda row: row[0] / row[2]):
        at += per
        total += weight * at
    assert plan.score.cost_s == at + total


@given(jobs)
@some
def test_moore_1968_the_number_of_late_jobs_is_least_by_dropping_the_longest(
    rows: list[tuple[int, int, int]],
) -> None:
    """J. M. Moore, An n job, one machine sequencing algorithm, Management Science 15 (1968).

    In order of due dates, whenever a job would be late drop the longest taken so far.
    """
    kept: list[int] = []
    late = 0
    for per, due, _ in sorted(rows, key=lambda row: row[1]):
        kept.append(per)
        if sum(kept) > due:
            kept.remove(max(kept))
            late += 1
    plan = best_plan(one_machine([(per, due, 1) for per, due, _ in rows], item_day_s=0), 3000)
    assert plan.bounds.late_weight <= late
    assert plan.score.late_weight == late


@given(jobs)
@some
def test_jackson_1955_where_due_date_order_is_in_time_so_is_the_plan(
    rows: list[tuple[int, int, int]],
) -> None:
    """J. R. Jackson, Scheduling a production line to minimize maximum tardiness (UCLA, 1955)."""
    at, slack = 0, 0
    for per, due, _ in sorted(rows, key=lambda row: row[1]):
        at += per
        slack = max(slack, at - due)
    eased = [(per, due + slack, w) for per, due, w in rows]
    assert best_plan(one_machine(eased, item_day_s=0), 3000).score.late_weight == 0


def test_graham_1979_chains_with_delays_by_trying_every_order() -> None:
    """1 | chains, delays | ΣwC (notation of Graham et al., 1979): every order, tried by hand."""
    rows = [(7, 4), (3, 9), (12, 2)]
    names = [f"m-{n}" for n in range(3)]
    raw = problem_json(
        sittings=[{"start": 0, "end": 10_000}],
        items=[{"id": name, "weight": 1} for name in names],
        tasks=[task(f"{name}-{k}", [name], row[k]) for name, row in zip(names, rows, strict=True)
               for k in (0, 1)],
        links=[{"before": f"{n}-0", "after": f"{n}-1", "stand_s": 10} for n in names],
        day_s=0, item_day_s=86_400,
    )  # fmt: skip
    best = 10**9
    for order in set(permutations([0, 0, 1, 1, 2, 2])):
        at, seen, ready, total = 0, [0, 0, 0], [0, 0, 0], 0
        for job in order:
            at = max(at, ready[job]) + rows[job][seen[job]]
            seen[job] += 1
            ready[job] = at + 10
            total += at if seen[job] == 2 else 0
        best = min(best, total)
    assert best_plan(raw, 2000).score.cost_s == best + sum(map(sum, rows))


def test_json_schema_2020_12_the_published_schema_takes_what_is_written() -> None:
    """JSON Schema draft 2020-12, by the reference library jsonschema (PyPI)."""
    schema = muster_format.schema()
    jsonschema.Draft202012Validator.check_schema(schema)
    for name in ("reed-coast.json", "lock-watch.json"):
        document = muster_format.read((ROOT / "demo" / name).read_bytes())
        jsonschema.validate(json.loads(muster_format.write(document)), schema)


def test_iana_time_zones_a_sitting_keeps_its_local_hour_over_summer_time() -> None:
    """IANA tz database: London goes to +01:00 on 28 March 2027, Auckland to +12:00 on 4 April."""
    made = choices(zone="Europe/London")
    before = made.local(date(2027, 3, 27), time(19, 30))
    after = made.local(date(2027, 3, 28), time(19, 30))
    assert (after - before.astimezone(UTC)).total_seconds() == 23 * 3600
    assert after.astimezone(UTC) == datetime(2027, 3, 28, 18, 30, tzinfo=UTC)
    south = choices(zone="Pacific/Auckland")
    assert (
        south.local(date(2027, 4, 3), time(12)).utcoffset()
        != south.local(date(2027, 4, 5), time(12)).utcoffset()
    )


def test_iso_8601_moments_of_a_plan_are_utc() -> None:
    """ISO 8601: an offset of zero is written as +00:00."""
    assert derived().instance.origin.isoformat().endswith("+00:00")


@pytest.mark.parametrize(
    ("gauge_mm", "scale"), [(6, 285), (10, 160), (15, 100), (20, 72), (28, 56), (54, 32)]
)
def test_gauges_stand_for_the_usual_scales(gauge_mm: int, scale: int) -> None:
    """Common practice: a man of some 1.6 m to the eye, so gauge × scale is near 1.55 m to 1.75 m.

    The nominal pairs are common practice, from memory, no source.
    """
    assert MM_TO_SCALE[gauge_mm] == scale
    assert 1.4 <= gauge_mm * scale / 1000 <= 1.75


def _tokens(light: str) -> dict[str, str]:
    css = (ROOT / "web" / "src" / "theme.css").read_text()
    block = css[css.index(":root {" if light == "day" else ":root[data-light='lamp'] {") :]
    block = block[: block.index("}")]
    return dict(re.findall(r"--(\w+): (#[0-9a-f]{6});", block))


def _luminance(colour: str) -> float:
    """Relative luminance of sRGB, WCAG 2.2, "relative luminance"."""
    parts = [int(colour[n : n + 2], 16) / 255 for n in (1, 3, 5)]
    red, green, blue = (c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts)
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def _contrast(one: str, two: str) -> float:
    high, low = sorted((_luminance(one), _luminance(two)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def test_wcag_contrast_formula_gives_its_known_values() -> None:
    """WCAG 2.2: black on white is 21:1; #767676 on white is the grey that just passes 4.5:1."""
    assert _contrast("#000000", "#ffffff") == pytest.approx(21)
    assert _contrast("#767676", "#ffffff") == pytest.approx(4.54, abs=0.005)


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_wcag_1_4_3_text_is_readable_on_every_surface(light: str) -> None:
    """WCAG 2.2, 1.4.3 (AA): 4.5:1 for text; 1.4.11: 3:1 for lines that mean something."""
    tokens = _tokens(light)
    for text in ("ink", "soft"):
        for surface in ("ground", "paper", "past"):
            assert _contrast(tokens[text], tokens[surface]) >= 4.5, (text, surface)
    assert _contrast(tokens["warning"], tokens["ground"]) >= 4.5
    # On paper the warning is a bar, never a word.
    assert _contrast(tokens["warning"], tokens["paper"]) >= 3
    assert _contrast(tokens["key"], tokens["ground"]) >= 3


@pytest.mark.parametrize("light", ["day", "lamp"])
def test_iso_3664_surfaces_about_paint_are_neutral(light: str) -> None:
    """ISO 3664: colours are judged against neutral surroundings; red, green, blue are equal."""
    for name, colour in _tokens(light).items():
        if name != "warning":
            assert colour[1:3] == colour[3:5] == colour[5:7], name


def test_a_tray_long_enough_dries_while_one_works_along_it() -> None:
    """Arithmetic of the trade: the first of n is dry when (n − 1) × minutes reach its dry time."""
    for count, stands_idle in ((3, True), (7, False)):
        names = [f"m-{n}" for n in range(count)]
        raw = problem_json(
            sittings=[{"start": 0, "end": 50_000}],
            items=[{"id": name} for name in names],
            tasks=[task("base", names, 300, dry_s=1500), task("light", names, 300)],
            links=[{"before": "base", "after": "light"}],
        )  # fmt: skip
        work = sorted((b.start, b.end) for b in best_plan(raw).blocks if b.do == "work")
        idle = any(two[0] > one[1] for one, two in pairwise(work))
        assert idle == stands_idle
