"""Every operation of the published API, asked what its description allows and what it does not:
never a fault of ours. Thousands: ``CRISP_EXAMPLES=200 ./crisp test tests/apps/test_fuzzed.py``."""

from __future__ import annotations

import json
import os
from typing import Any
from urllib.parse import urlencode

import pytest
import schemathesis
from django.test import Client
from hypothesis import HealthCheck, Phase, settings
from schemathesis import Case

from muster.api.root import api
from tests.conftest import Clock, post

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "2"))
ENDS = ("/api/me/delete", "/api/sign-out", "/api/sign-in", "/api/sign-up", "/api/open-demo")
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
            "pot_id": pots[0]["id"], "code": "infantry-six", "fact_id": 1}  # fmt: skip


# A new recipe asks what a changed one asks, and its body takes long to draw.
@schema.exclude(path=list(ENDS)).exclude(path="/api/recipes", method="POST").parametrize()
@settings(
    max_examples=EXAMPLES, deadline=None, derandomize=True, database=None,
    phases=[Phase.explicit, Phase.generate], suppress_health_check=list(HealthCheck),
)  # fmt: skip
def test_no_request_is_answered_by_a_fault_of_ours(case: Case, full: dict[str, Any]) -> None:
    # A number in the path is mostly that of something there is: what lies behind it is asked too.
    for name in case.path_parameters or {}:
        if name in full and len(str(case.body)) % 4:
            case.path_parameters[name] = full[name]
    sent = case.as_transport_kwargs(base_url="http://testserver")
    body, more = sent.get("data"), {}
    if sent.get("json") is not None:
        body, more = json.dumps(sent["json"]), {"content_type": "application/json"}
    path = sent["url"].removeprefix("http://testserver")
    answer = full["client"].generic(
        sent["method"], f"{path}?{urlencode(sent.get('params') or {}, doseq=True)}",
        body if isinstance(body, str | bytes) else "", **more,
    )  # fmt: skip
    assert answer.status_code < 500, (path, body, answer.content[:400])
    if answer.status_code >= 400 and answer.status_code != 405:
        assert answer.json()["complaints"], path
