"""How long the rooms wait: reading a muster, ticking and commanding, with a force and ten times it.

./crisp demo, then in another shell: .run/venv/bin/python -m tests.bench.reading
"""

from __future__ import annotations

import json
import os
import statistics
import time
import uuid
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from typing import Any

import django

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "muster.settings.serve")
os.environ.setdefault("CRISP_HOSTS", "testserver")
TIMES = 15


def median_ms(act: Callable[[], Any]) -> float:
    """The median of so many calls, after one that warms up."""
    act()
    found = []
    for _ in range(TIMES):
        begun = time.monotonic()
        act()
        found.append(time.monotonic() - begun)
    return 1000 * statistics.median(found)


def measure(client: Any, owner: Any, times: int) -> str:
    """One row: the demo's force with its units so many times as large."""
    from muster.apps.accounts.management.commands.load_demo import DEMO
    from muster.apps.exchange.muster_files import keep_document
    from muster.apps.recipes.services import give_starters
    from muster.core.formats import muster as muster_format
    from muster.core.formats.shift import shift_muster, with_sitting_around

    give_starters(owner)
    raw = json.loads((DEMO / "reed-coast.json").read_text())
    for unit in raw["choices"]["units"]:
        unit["count"] = min(500, unit["count"] * times)
    raw["choices"]["rack"] *= times
    for fact in raw["facts"]:
        fact["id"] = str(uuid.uuid4())
    if times > 1:
        # The rhythm goes on as long as the work needs it.
        raw["choices"]["parade_day"] = None
    document = muster_format.read(json.dumps(raw).encode())
    now = datetime.now(UTC)
    document = shift_muster(document, now)
    document = replace(document, choices=with_sitting_around(document.choices, now))
    muster = keep_document(owner, document)
    path = f"/api/musters/{muster.pk}"
    begun = time.monotonic()
    view = client.get(path).json()
    first = time.monotonic() - begun
    call = view["bench"]["call"]
    assert call is not None, view["board"]["left"]

    def tick() -> None:
        body = {"id": str(uuid.uuid4()), "kind": "touch_up", "at": datetime.now(UTC).isoformat(),
                "unit": call["unit"], "pass_keys": call["pass_keys"], "model": call["models"][0],
                "tray": 1}  # fmt: skip
        answer = client.post(f"{path}/facts", {"facts": [body]}, content_type="application/json")
        assert answer.json()["stored"] == [body["id"]], answer.content

    def mend() -> None:
        tick()
        client.get(path)

    read, ticked, mended = median_ms(lambda: client.get(path)), median_ms(tick), median_ms(mend)
    size = len(client.get(path).content) // 1000
    models = sum(unit["count"] for unit in raw["choices"]["units"])
    return (
        f"| {models} | {len(view['board']['calls'])} | {1000 * first:.0f} | {read:.0f} | "
        f"{ticked:.0f} | {mended:.0f} | {size} |"
    )


def main() -> None:
    """Print the table, and leave nothing behind."""
    django.setup()
    from django.contrib.auth.models import User
    from django.test import Client

    owner = User.objects.create_user(f"bench-{uuid.uuid4().hex[:8]}")
    client = Client()
    client.force_login(owner, backend="django.contrib.auth.backends.ModelBackend")
    try:
        print(print("| models | calls | first plan, ms | read | fact kept | and mended | kB |"))
        print("| --- | --- | --- | --- | --- | --- | --- |")
        for times in (1, 10):
            print(measure(client, owner, times), flush=True)
    finally:
        owner.delete()


if __name__ == "__main__":
    main()
