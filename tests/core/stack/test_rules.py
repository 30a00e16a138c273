"""Each rule catches its case, leaves the near one alone, and is silenced by its own repairs."""

from __future__ import annotations

import pytest

from muster.core.stack.check import check
from muster.core.stack.finding import RULES, Finding, mended
from tests.core.stack.cases import CASES, Case

NAMES = [f"{number}-{case.code}" for number, case in enumerate(CASES)]
BESIDE = {
    "loose pigment": "dulled pigment",
    "late coat": "no final coat",
    "too stark": "will not show",
    "too big": "too small",
}
"""Codes that a rule of another code says."""


def found(case: Case, near: bool = False) -> list[Finding]:
    habits = (case.near_habits or case.habits) if near else case.habits
    return list(check(case.near if near else case.caught, case.climate, habits).findings)


@pytest.mark.parametrize("case", CASES, ids=NAMES)
def test_it_is_caught(case: Case) -> None:
    assert case.code in {one.code for one in found(case)}


@pytest.mark.parametrize("case", CASES, ids=NAMES)
def test_the_near_case_is_left_alone(case: Case) -> None:
    assert case.code not in {one.code for one in found(case, near=True)}


@pytest.mark.parametrize("case", CASES, ids=NAMES)
def test_each_repair_silences_it_and_wakes_nothing_graver(case: Case) -> None:
    before = found(case)
    graver = {(one.code, one.key) for one in before if one.severity == "error"}
    mine = [one for one in before if one.code == case.code]
    for finding in mine:
        for repair in finding.repairs:
            recipe, habits = mended(case.caught, case.habits, repair)
            after = check(recipe, case.climate, habits).findings
            left = [
                one
                for one in after
                if (one.code, one.key, one.severity) == (case.code, finding.key, finding.severity)
            ]
            assert len(left) < len(mine) or not left, repair.words
            woken = {(one.code, one.key) for one in after if one.severity == "error"} - graver
            assert not woken, (repair.words, woken)


def test_every_rule_has_a_case() -> None:
    assert {BESIDE.get(case.code, case.code) for case in CASES} == set(RULES)
    assert sorted(one.number for one in RULES.values()) == sorted(set(range(1, 41)))
