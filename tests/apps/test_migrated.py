"""What landed before is brought to the form of today, and opens."""

from __future__ import annotations

import gzip
import importlib
import json
import os
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest
from django.apps import apps
from django.db import connection
from django.test import Client

from muster.apps.plan.models import PlanRun
from muster.apps.recipes.models import RecipeVersion
from muster.apps.roll.models import Version
from tests.conftest import Clock

ROOT = Path(__file__).resolve().parents[2]


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


LANDED = Path(__file__).with_name("landed.sql.gz")
"""A ``mariadb-dump`` of the demo's database, as it was before the code was named anew."""
OPEN_ALL = """
import json
import django
django.setup()
from django.contrib.auth.models import User
from django.test import Client
from muster.apps.exchange.muster_files import export_all
found = []
for user in User.objects.all():
    client = Client()
    client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
    for one in client.get("/api/musters").json():
        path = f"/api/musters/{one['id']}"
        view = client.get(path)
        body = {"version": view.json()["version"], "command": {"do": "set_rack", "rack": 30}}
        changed = client.post(f"{path}/command", body, content_type="application/json")
        reads = [client.get(where).status_code for where in
                 (f"{path}/file", f"{path}/supplies", "/api/recipes", "/api/shelf", "/api/house")]
        found.append({"view": view.status_code, "changed": changed.status_code, "reads": reads,
                      "calls": len(view.json()["board"]["calls"]), "models": one["models"],
                      "trouble": view.json()["trouble"]})
    assert len(list(export_all(user))) == len(found)
print(json.dumps(found))
"""


@pytest.mark.django_db(transaction=True)
def test_a_database_that_landed_before_is_brought_to_today_and_all_of_it_opens() -> None:
    name = f"{connection.settings_dict['NAME']}_landed"
    environment = {
        **os.environ, "CRISP_DATABASE": name, "CRISP_HOSTS": "testserver",
        "DJANGO_SETTINGS_MODULE": "muster.settings.test",
    }  # fmt: skip
    values = connection.settings_dict
    client = ["mariadb", "--no-defaults", "-h127.0.0.1", f"-P{values['PORT']}", "-ucrisp",
              f"-p{values['PASSWORD']}"]  # fmt: skip
    made = f"DROP DATABASE IF EXISTS {name}; CREATE DATABASE {name} CHARACTER SET utf8mb4 " \
           "COLLATE utf8mb4_bin"  # fmt: skip
    try:
        subprocess.run([*client, "-e", made], check=True)
        subprocess.run([*client, name], input=gzip.decompress(LANDED.read_bytes()), check=True)
        migrate = [sys.executable, "manage.py", "migrate", "--noinput", "-v0"]
        subprocess.run(migrate, cwd=ROOT, env=environment, check=True)
        opened = subprocess.run([sys.executable, "-c", OPEN_ALL], cwd=ROOT, env=environment,
                                capture_output=True, text=True)  # fmt: skip
        assert opened.returncode == 0, opened.stderr
    finally:
        subprocess.run([*client, "-e", f"DROP DATABASE IF EXISTS {name}"], check=True)
    musters = json.loads(opened.stdout)
    assert [one["models"] for one in musters] and all(one["calls"] for one in musters)
    for one in musters:
        assert one["view"] == one["changed"] == 200 and set(one["reads"]) == {200}
        assert one["trouble"] == []
