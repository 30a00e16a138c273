"""The words and limits that screens show are those that the core goes by."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from muster.core.craft.climate import Climate, spray_limit
from muster.core.craft.tables import DEFAULTS


@pytest.fixture
def words(ada: Client) -> dict[str, Any]:
    found: dict[str, Any] = ada.get("/api/vocabulary").json()
    return found


def test_every_kind_of_subject_has_zones_and_every_tier_a_name(words: dict[str, Any]) -> None:
    assert set(words["kinds"]) == set(DEFAULTS.zones)
    assert [row["tier"] for row in words["tiers"]] == ["table", "hand", "close"]
    assert len({row["words"] for row in words["tiers"]}) == 3


def test_what_only_thins_is_told(words: dict[str, Any]) -> None:
    assert {"water", "white spirit", "lacquer thinner", "retarder"} <= set(words["thinners"])


def test_the_limits_that_are_drawn_are_where_the_judgement_turns(words: dict[str, Any]) -> None:
    at = words["spraying"]
    for inside, outside, judged in (
        (Climate(20, at["care_above_percent"]), Climate(20, at["care_above_percent"] + 0.1),
         (None, "warn")),
        (Climate(20, at["fogs_above_percent"]), Climate(20, at["fogs_above_percent"] + 0.1),
         ("warn", "refuse")),
        (Climate(at["care_below_celsius"], 50), Climate(at["care_below_celsius"] - 0.1, 50),
         (None, "warn")),
        (Climate(at["care_above_celsius"], 50), Climate(at["care_above_celsius"] + 0.1, 50),
         (None, "warn")),
        (Climate(at["fogs_below_celsius"], 50), Climate(at["fogs_below_celsius"] - 0.1, 50),
         ("warn", "refuse")),
    ):  # fmt: skip
        assert (spray_limit(inside), spray_limit(outside)) == judged
