"""Fifty benches at once: how soon a tick is acknowledged while every plan mends.

``python -m tests.bench.ticking http://127.0.0.1:8000``, beside a server that runs (``./crisp
start``). Each bench is a user of its own with a muster of its own, who ticks every two seconds and
reads the mended view after each tick. The accounts are deleted at the end.
"""

from __future__ import annotations

import argparse
import gzip
import json
import statistics
import threading
import time
import urllib.error
import urllib.request
import uuid
from datetime import UTC, datetime, timedelta
from http.cookiejar import CookieJar
from typing import Any

PASSWORD = "reeds and silt"


def new(times: int) -> dict[str, Any]:
    """Sixteen models, or so many times as many."""
    return {
        "name": "Reed Coast", "zone": "Europe/London",
        "units": [{"line": f"{12 * times} pikes foot 1/72", "recipe": "infantry-six"},
                  {"line": f"{4 * times} lancers mounted", "recipe": "mounted"}],
        "weekdays": [{"weekday": day, "start": "00:05", "end": "23:55"} for day in range(7)],
        "parade_day": (datetime.now(UTC) + timedelta(days=40)).date().isoformat(),
    }  # fmt: skip


class Bench:
    """One user at his bench."""

    def __init__(self, address: str, times: int) -> None:
        self.address = address
        self.jar = CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))
        self.acks: list[float] = []
        self.views: list[float] = []
        self.failed = 0
        self.opener.open(address + "/", timeout=60).read()
        self.ask("sign-up", {"name": f"bench-{uuid.uuid4().hex[:10]}", "password": PASSWORD})
        self.muster = self.ask("musters", new(times))["id"]
        call = self.ask(f"musters/{self.muster}")["bench"]["call"]
        self.call = {"unit": call["unit"], "pass_keys": call["pass_keys"], "tray": 1}
        self.models = call["models"]

    def ask(self, path: str, body: Any = None) -> Any:
        """What the API answers."""
        request = urllib.request.Request(f"{self.address}/api/{path}")
        if body is not None:
            request.data = json.dumps(body).encode()
            request.add_header("Content-Type", "application/json")
        tokens = [one.value for one in self.jar if one.name == "csrftoken"]
        request.add_header("X-CSRFToken", tokens[0] or "" if tokens else "")
        request.add_header("Accept-Encoding", "gzip")
        with self.opener.open(request, timeout=60) as answer:
            body = answer.read()
        zipped = answer.headers.get("Content-Encoding") == "gzip"
        return json.loads(gzip.decompress(body) if zipped else body)

    def tick(self, number: int) -> None:
        """Tick a model, and read the mended view."""
        model = self.models[number % len(self.models)]
        fact = {"id": str(uuid.uuid4()), "kind": "tick", "model": model,
                "at": datetime.now(UTC).isoformat(), **self.call}  # fmt: skip
        begun = time.monotonic()
        try:
            assert self.ask(f"musters/{self.muster}/facts", {"facts": [fact]})["stored"]
            self.acks.append(time.monotonic() - begun)
            self.ask(f"musters/{self.muster}")
            self.views.append(time.monotonic() - begun)
        except (urllib.error.URLError, AssertionError):
            self.failed += 1

    def work(self, until: float, delay: float) -> None:
        """Tick every two seconds."""
        time.sleep(delay)
        number = 0
        while time.monotonic() < until:
            begun = time.monotonic()
            self.tick(number)
            number += 1
            time.sleep(max(0.0, 2 - (time.monotonic() - begun)))


def main() -> None:
    """Print p50 and p95 in milliseconds, and leave nothing behind."""
    reads = argparse.ArgumentParser()
    reads.add_argument("address")
    reads.add_argument("--benches", type=int, default=50)
    reads.add_argument("--times", type=int, default=1, help="a force so many times as large")
    reads.add_argument("--seconds", type=float, default=20)
    given = reads.parse_args()
    benches = [Bench(given.address, given.times) for _ in range(given.benches)]
    try:
        until = time.monotonic() + given.seconds
        threads = [
            threading.Thread(target=one.work, args=(until, 2 * n / len(benches)))
            for n, one in enumerate(benches)
        ]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        acks = sorted(s for one in benches for s in one.acks)
        views = sorted(s for one in benches for s in one.views)
        print(f"{len(acks) / given.seconds:.0f} ticks a second, "
              f"{sum(one.failed for one in benches)} failed")  # fmt: skip
        for name, rows in (("acknowledged", acks), ("mended view read", views)):
            late = rows[int(0.95 * len(rows))]
            print(f"{name}: p50 {1000 * statistics.median(rows):.0f} ms, p95 {1000 * late:.0f} ms")
    finally:
        for one in benches:
            one.ask("me/delete", {"password": PASSWORD})


if __name__ == "__main__":
    main()
