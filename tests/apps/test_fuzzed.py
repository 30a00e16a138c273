"""Every operation of the published API, asked what its description allows and what it does not:
never a fault of ours. Thousands: ``CRISP_EXAMPLES=200 ./crisp test tests/apps/test_fuzzed.py``."""

from __future__ import annotations

import json
import os
from typing import Any
from urllib.parse import urlencode
from zlib import crc32

import pytest
import schemathesis
from django.core.cache import cache
from django.test import Client
from hypothesis import HealthCheck, Phase, settings
from schemathesis import Case

from muster.api.root import api
from tests.conftest import Clock, post

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "2"))
SELDOM = {
    "/api/musters/{muster_id}/command": 40, "/api/house": 6, "/api/recipes/{code}": 6,
    "/api/draft-check": 6, "/api/draft-beside": 6,
}  # fmt: skip
"""What has many hundreds of cases, for every field of a long body: a run asks one of so many, the
same ones each time; a long run asks them all."""

TRIALS = [
    "/api/musters/{muster_id}/plan/try", "/api/musters/{muster_id}/plan/alternatives",
    "/api/musters/{muster_id}/build/{unit}/try",
]  # fmt: skip
"""What takes a command, as the door of commands does, and changes nothing."""

TOO_OFTEN = 429
"""What is asked too often is asked again as if it were not, or its answer was never seen."""

ENDS = ["/api/me/delete", "/api/sign-out", "/api/sign-in", "/api/sign-up", "/api/open-demo"]
"""What ends the session, or needs none: tested by hand."""

description = json.loads(json.dumps(api.get_openapi_schema()))
schema = schemathesis.openapi.from_dict(description)


@pytest.fixture
def full(ada: Client, held: Clock, muster: dict[str, Any]) -> dict[str, Any]:
    """Somebody with a muster and a shelf; the number of each."""
    shelf = post(ada, "shelf/typed", {"line": "Reed #66703f acrylic 17 ml"}).body
    drops = [{"paint": shelf[0]["id"], "drops": 3}]
    pots = post(ada, "pots", {"name": "pale", "drops": drops, "target": "#66703f"}).body
    return {"client": ada, "muster_id": muster["id"], "paint_id": shelf[0]["id"],
            "pot_id": pots[0]["id"], "code": "infantry-six", "fact_id": 1,
            "unit": "pikes"}  # fmt: skip


ALL = [Phase.explicit, Phase.generate]


def usual(examples: int, phases: list[Phase]) -> settings:
    """The same cases in every run, however slow the machine."""
    return settings(
        max_examples=examples, phases=phases, deadline=None, derandomize=True, database=None,
        suppress_health_check=list(HealthCheck),
    )  # fmt: skip


# A new recipe asks what a changed one asks, and its body takes long to draw.
@schema.exclude(path=ENDS).exclude(
    path=[*TRIALS, "/api/recipes"], method="POST").parametrize()  # fmt: skip
@usual(EXAMPLES, ALL)
def test_no_request_is_answered_by_a_fault_of_ours(case: Case, full: dict[str, Any]) -> None:
    one_of = SELDOM.get(case.operation.path, 1) if "CRISP_EXAMPLES" not in os.environ else 1
    if crc32(json.dumps(case.body, default=str).encode()) % one_of == 0:
        ask(case, full)


@schema.include(path=TRIALS, method="POST").parametrize()
@usual(20 * EXAMPLES, [Phase.generate])
def test_no_trial_is_answered_by_a_fault_of_ours(case: Case, full: dict[str, Any]) -> None:
    ask(case, full)


def ask(case: Case, full: dict[str, Any]) -> None:
    """Ask it, as somebody who has a muster. Raises AssertionError where the answer is our fault."""
    # A number in the path is mostly that of something there is: what lies behind it is asked too.
    for name in case.path_parameters or {}:
        if name in full and len(str(case.body)) % 4:
            case.path_parameters[name] = full[name]
    sent = case.as_transport_kwargs(base_url="http://testserver")
    body, more = sent.get("data"), {}
    if sent.get("json") is not None:
        body, more = json.dumps(sent["json"]), {"content_type": "application/json"}
    path = sent["url"].removeprefix("http://testserver")
    path = f"{path}?{urlencode(sent.get('params') or {}, doseq=True)}"
    sent_body = body if isinstance(body, str | bytes) else ""
    answer = full["client"].generic(sent["method"], path, sent_body, **more)
    if answer.status_code == TOO_OFTEN:
        cache.clear()
        answer = full["client"].generic(sent["method"], path, sent_body, **more)
    assert answer.status_code < 500, (path, body, answer.content[:400])
    if answer.status_code >= 400 and answer.status_code != 405:
        assert answer.json()["complaints"], path
