"""What a server behind a proxy is set to, by one setting each."""

from __future__ import annotations

import json
import logging
import os
import subprocess
import sys
from typing import Any

import pytest

from muster.apps.request_ids import AsJson, WithId, current_id

READ = """
import json, os
os.environ['DJANGO_SETTINGS_MODULE'] = 'muster.settings.serve'
from django.conf import settings
names = json.loads(os.environ['NAMES'])
print(json.dumps({name: getattr(settings, name) for name in names}))
"""
NAMES = ("SESSION_COOKIE_SECURE", "CSRF_COOKIE_SECURE", "SECURE_SSL_REDIRECT",
         "SECURE_HSTS_SECONDS", "SECURE_PROXY_SSL_HEADER", "CSRF_TRUSTED_ORIGINS")  # fmt: skip


def settings_with(**more: str) -> dict[str, Any]:
    """The settings of a server that is started so."""
    kept = {key: value for key, value in os.environ.items() if not key.startswith("CRISP_H")}
    made = subprocess.run(
        [sys.executable, "-c", READ], capture_output=True, text=True, check=True,
        env={**kept, "NAMES": json.dumps(NAMES), **more},
    )  # fmt: skip
    found: dict[str, Any] = json.loads(made.stdout)
    return found


def test_on_loopback_nothing_asks_for_https() -> None:
    plain = settings_with()
    assert not any(plain[name] for name in NAMES)


def test_one_setting_makes_cookies_secure_and_tells_browsers_to_come_by_https() -> None:
    behind = settings_with(CRISP_HTTPS="1", CRISP_HOSTS="muster.example")
    assert all(behind[name] for name in NAMES)
    assert behind["SECURE_PROXY_SSL_HEADER"] == ["HTTP_X_FORWARDED_PROTO", "https"]
    assert behind["CSRF_TRUSTED_ORIGINS"] == ["https://muster.example"]


@pytest.mark.parametrize("failed", [False, True])
def test_a_log_line_of_json_tells_time_level_request_and_what_went_wrong(failed: bool) -> None:
    token = current_id.set("a1b2")
    try:
        error = ValueError("no such tray")
        told = (ValueError, error, None) if failed else None
        record = logging.LogRecord("muster", logging.ERROR, "", 1, "row %s", (7,), told)
        WithId().filter(record)
        row = json.loads(AsJson().format(record))
    finally:
        current_id.reset(token)
    assert (row["level"], row["request"], row["logger"], row["message"]) == (
        "ERROR", "a1b2", "muster", "row 7",
    )  # fmt: skip
    assert ("traceback" in row) == failed
