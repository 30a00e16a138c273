"""A bench for drills: a user with a muster of his own, who ticks, and loses no tick of his."""

from __future__ import annotations

import gzip
import json
import time
import urllib.error
import urllib.request
import uuid
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from http.client import HTTPException
from http.cookiejar import CookieJar
from typing import Any

PASSWORD = "reeds and silt"
MOST_AT_ONCE = 500
PATIENCE_S = 120.0
"""So long what no tick depends upon is asked again where the server says to try again."""


def force(times: int = 1) -> dict[str, Any]:
    """Sixteen models, or so many times as many; sittings at any hour."""
    return {
        "name": "Reed Coast", "zone": "Europe/London",
        "units": [{"line": f"{12 * times} pikes foot 1/72", "recipe": "infantry-six"},
                  {"line": f"{4 * times} lancers mounted", "recipe": "mounted"}],
        "weekdays": [{"weekday": day, "start": "00:05", "end": "23:55"} for day in range(7)],
        "parade_day": (datetime.now(UTC) + timedelta(days=40)).date().isoformat(),
    }  # fmt: skip


class Bench:
    """One user at his bench. Signs up and begins a muster."""

    def __init__(self, address: str, times: int = 1) -> None:
        self.address = address
        self.jar = CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))
        self.acknowledged: list[str] = []
        """Ids of facts that the server has said to have stored."""
        self.waiting: list[dict[str, Any]] = []
        """The outbox: facts that are sent until the server has them."""
        self.told: set[str] = set()
        """What was answered instead of storing."""
        self.number = 0
        self.opener.open(address + "/", timeout=60).read()
        self.asked("sign-up", {"name": f"bench-{uuid.uuid4().hex[:10]}", "password": PASSWORD})
        self.muster = self.asked("musters", force(times))["id"]
        call = self.asked(f"musters/{self.muster}")["bench"]["call"]
        self.call = {"unit": call["unit"], "pass_keys": call["pass_keys"], "tray": 1}
        self.models = call["models"]

    def ask(self, path: str, body: Any = None, timeout: float = 60) -> Any:
        """What the API answers. Raises OSError where it does not, or says no."""
        request = urllib.request.Request(f"{self.address}/api/{path}")
        if body is not None:
            request.data = json.dumps(body).encode()
            request.add_header("Content-Type", "application/json")
        tokens = [one.value for one in self.jar if one.name == "csrftoken"]
        request.add_header("X-CSRFToken", (tokens[0] or "") if tokens else "")
        request.add_header("Accept-Encoding", "gzip")
        with self.opener.open(request, timeout=timeout) as answer:
            sent = answer.read()
        zipped = answer.headers.get("Content-Encoding") == "gzip"
        return json.loads(gzip.decompress(sent) if zipped else sent)

    def asked(self, path: str, body: Any = None) -> Any:
        """As ``ask``, again while it answers 503 with "try again", as it does when a machine is
        slower than its limits. Raises HTTPError with what was said where that does not end."""
        until = time.monotonic() + PATIENCE_S
        while True:
            try:
                return self.ask(path, body)
            except urllib.error.HTTPError as error:
                if error.code != 503 or time.monotonic() > until:
                    error.add_note(error.read().decode(errors="replace"))
                    raise
                time.sleep(float(error.headers.get("Retry-After") or 1))

    def tick(self) -> None:
        """One more model is done: into the outbox."""
        model = self.models[self.number % len(self.models)]
        self.number += 1
        self.waiting.append({"id": str(uuid.uuid4()), "kind": "tick", "model": model,
                             "at": datetime.now(UTC).isoformat(), **self.call})  # fmt: skip

    def send(self, timeout: float = 10) -> bool:
        """Send what waits; whether the server has it all now."""
        if not self.waiting:
            return True
        try:
            some = self.waiting[:MOST_AT_ONCE]
            answer = self.ask(f"musters/{self.muster}/facts", {"facts": some}, timeout)
        except urllib.error.HTTPError as error:
            with suppress(ValueError, OSError):
                self.told |= set(json.load(error)["complaints"])
            return False
        except (OSError, ValueError, EOFError, HTTPException):
            return False
        stored = set(answer["stored"])
        self.acknowledged += stored
        self.waiting = [one for one in self.waiting if one["id"] not in stored]
        return not self.waiting

    def look(self, timeout: float = 60) -> bool:
        """Read the mended view; whether it came."""
        try:
            self.ask(f"musters/{self.muster}", timeout=timeout)
        except (OSError, ValueError, EOFError, HTTPException):
            return False
        return True

    def kept(self) -> list[str]:
        """The ids of all facts that the server gives out."""
        return [fact["id"] for fact in self.asked(f"musters/{self.muster}/file")["facts"]]

    def lost_and_doubled(self) -> tuple[int, int]:
        """Acknowledged ticks that are not there, and ticks that are there twice."""
        kept = self.kept()
        return len(set(self.acknowledged) - set(kept)), len(kept) - len(set(kept))

    def work(self, until: float, every_s: float, taken: dict[str, list[float]]) -> int:
        """Tick until a moment; ``taken``: seconds to the acknowledgement, and to the view.
        Returns how often no answer came."""
        failed = 0
        while time.monotonic() < until:
            begun = time.monotonic()
            self.tick()
            if self.send(60):
                taken["acknowledged"].append(time.monotonic() - begun)
                if self.look():
                    taken["view"].append(time.monotonic() - begun)
                else:
                    failed += 1
            else:
                failed += 1
            time.sleep(max(0.0, every_s - (time.monotonic() - begun)))
        return failed
