"""What tests of the application share: a clock that is set, users, and a muster."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from hypothesis import settings

from muster.apps import clock
from muster.apps.recipes.services import give_starters
from muster.core.plan import vetting
from muster.core.plan.plan import Plan
from muster.core.plan.problem import Problem

# How long an example takes depends on what else the machine does: speed has its benchmarks.
settings.register_profile("without deadline", deadline=None)
settings.load_profile("without deadline")

TUESDAY = datetime(2027, 3, 2, 19, 0, tzinfo=UTC)


class Clock:
    """The application's clock, held still until it is moved."""

    def __init__(self) -> None:
        self.now = TUESDAY

    def __call__(self) -> datetime:
        return self.now

    def move(self, **by: float) -> datetime:
        """Let time pass."""
        self.now += timedelta(**by)
        return self.now


@pytest.fixture
def held(monkeypatch: pytest.MonkeyPatch) -> Clock:
    """A Tuesday evening at seven."""
    made = Clock()
    monkeypatch.setattr(clock, "now", made)
    return made


@pytest.fixture
def user_of(db: None) -> Callable[[str], Client]:
    """Sign a new user in."""

    def make(name: str) -> Client:
        user = User.objects.create_user(name, password="reeds and silt")
        give_starters(user)
        client = Client()
        client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
        return client

    return make


@pytest.fixture
def ada(user_of: Callable[[str], Client]) -> Client:
    """A user with the starter recipes."""
    return user_of("ada")


NEW: dict[str, Any] = {
    "name": "Reed Coast",
    "zone": "Europe/London",
    "units": [
        {"line": "12 pikes foot 1/72", "recipe": "infantry-six"},
        {"line": "4 lancers mounted", "recipe": "mounted"},
        {"line": "2 guns", "recipe": "gun-crew"},
    ],
    "weekdays": [
        {"weekday": day, "start": "19:30", "end": "22:00"} for day in (1, 3)
    ] + [{"weekday": 5, "start": "10:00", "end": "13:00"}],
    "parade_day": "2027-03-27",
}  # fmt: skip


def post(client: Client, path: str, body: Any) -> Any:
    """Post JSON; the response with ``.body``, its parsed answer."""
    answer = client.post(f"/api/{path}", body, content_type="application/json")
    answer.body = answer.json() if answer.content else None  # type: ignore[attr-defined]
    return answer


@pytest.fixture
def muster(ada: Client, held: Clock) -> dict[str, Any]:
    """A muster of three units, planned; its view."""
    made = post(ada, "musters", NEW)
    assert made.status_code == 200, made.content
    return ada.get(f"/api/musters/{made.body['id']}").json()


@pytest.fixture(autouse=True)
def _a_refused_plan_is_a_failure(monkeypatch: pytest.MonkeyPatch) -> None:
    """The gate would hide a planner's mistake behind a lesser plan; in tests it fails."""

    def fail(problem: Problem, plan: Plan, complaints: list[str]) -> None:
        raise AssertionError(f"the planner broke a rule: {complaints[:3]}")

    monkeypatch.setattr(vetting, "report", fail)
