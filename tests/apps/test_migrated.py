"""What landed before is brought to the form of today, and opens."""

from __future__ import annotations

import importlib
from typing import Any

from django.apps import apps
from django.test import Client

from muster.apps.plan.models import PlanRun
from muster.apps.recipes.models import RecipeVersion
from muster.apps.roll.models import Version
from tests.conftest import Clock


def run(module: str) -> None:
    importlib.import_module(module).forwards(apps, None)


def test_a_muster_with_a_list_of_evenings_opens_with_its_rhythm(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    row = Version.objects.get(muster=muster["id"])
    old = {k: v for k, v in row.choices.items()
           if k not in ("rhythm", "lost", "moved", "order", "waived", "cuts")}  # fmt: skip
    old["evenings"] = [
        {"id": f"e{n}", "day": day, "start": "19:30:00", "end": "22:00:00"}
        for n, day in enumerate(("2027-03-04", "2027-03-11", "2027-03-18", "2027-03-25"))
    ]
    Version.objects.filter(pk=row.pk).update(choices=old)
    run("muster.apps.roll.migrations.0002_rhythm")
    view = ada.get(f"/api/musters/{muster['id']}").json()
    assert [(one["weekday"], one["since"]) for one in view["rhythm"]] == [(3, "2027-03-04")]
    assert view["board"]["left"] == []


def test_recipes_that_needed_daylight_want_it(ada: Client, muster: dict[str, Any]) -> None:
    row = RecipeVersion.objects.get(recipe__code="timber-building")
    for one in row.document["passes"]:
        one["needs"], one["cut"] = ["daylight"], "item"
        del one["wants"]
    row.save()
    run("muster.apps.recipes.migrations.0003_wants")
    one = RecipeVersion.objects.get(pk=row.pk).value().passes[0]
    assert (one.needs, one.wants, one.cut) == ((), ("daylight",), None)


def test_a_plan_kept_by_an_older_version_is_read_and_mended(
    ada: Client, muster: dict[str, Any]
) -> None:
    run_ = PlanRun.objects.get(muster=muster["id"])
    for key in ("left", "left_weight", "left_s", "wants_s", "dropped_pins"):
        run_.plan.pop(key)
    run_.plan["bounds"].pop("left_weight")
    run_.save()
    assert ada.get(f"/api/musters/{muster['id']}").status_code == 200
    run_.plan |= {"status": "impossible", "blocks": [], "reasons": ["no sitting"]}
    run_.version = 0
    run_.save()
    view = ada.get(f"/api/musters/{muster['id']}").json()
    assert view["board"]["pieces"]
