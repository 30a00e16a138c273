"""Pages that stand outside the front end: its shell, health, and what is shown in trouble."""

from __future__ import annotations

import re
import shutil
import sys

from django.conf import settings
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import render
from django.templatetags.static import static
from django.utils.html import format_html
from django.views.decorators.csrf import ensure_csrf_cookie

from muster.apps.plan.heartbeat import worker_lives
from muster.apps.request_ids import current_id

NO_DATABASE = (
    "The database does not answer. What you did last may not be kept: wait a moment, then try "
    "again. If it stays away, start Crisp Muster anew; nothing acknowledged is lost."
)
DISK_FULL = (
    "The disk is full, so nothing more can be kept: make room on it, then try again. Nothing "
    "acknowledged is lost."
)
LEAST_FREE = 2_000_000
BROKEN = "Something went wrong on our side and nothing was changed. Try again."
NOTHING_HERE = "There is nothing at this address."


def disk_is_full() -> bool:
    """Whether there is hardly any room where the database lies."""
    return shutil.disk_usage(settings.RUN_DIR).free < LEAST_FREE


@ensure_csrf_cookie
def shell(request: HttpRequest) -> HttpResponse:
    """The front end; of a muster's rooms the muster is asked for before their script has come."""
    page = render(request, "index.html")
    if found := re.match(r"^/(\d{1,15})/\w+$", request.path):
        parts = f"/api/musters/{found[1]}/parts?have="
        page["Link"] = f"<{parts}>; rel=preload; as=fetch; crossorigin"
    return page


def healthz(request: HttpRequest) -> JsonResponse:
    """Whether database, tables and worker are as they should be; 503 where one is not."""
    try:
        executor = MigrationExecutor(connection)
        pending = executor.migration_plan(executor.loader.graph.leaf_nodes())
        found = {"database": True, "tables": not pending, "worker": not pending and worker_lives()}
    except DatabaseError:
        found = {"database": False, "tables": False, "worker": False}
    return JsonResponse(found, status=200 if found["database"] and found["tables"] else 503)


def missing(request: HttpRequest, exception: Exception | None = None) -> HttpResponse:
    """404."""
    return _trouble(request, 404, "There is nothing here", NOTHING_HERE)


def failed(request: HttpRequest) -> HttpResponse:
    """500, or 503 where it was the database."""
    if isinstance(sys.exc_info()[1], DatabaseError):
        return _trouble(
            request,
            503,
            "The database does not answer",
            DISK_FULL if disk_is_full() else NO_DATABASE,
        )
    words = f"{BROKEN} If it happens again, the log says more under {current_id.get()}."
    return _trouble(request, 500, "That did not work", words)


def _trouble(request: HttpRequest, status: int, title: str, words: str) -> HttpResponse:
    if request.path.startswith("/api/"):
        return JsonResponse({"complaints": [words]}, status=status)
    return HttpResponse(
        format_html(
            '<!doctype html><html lang="en-GB"><head><meta charset="utf-8">'
            '<meta name="viewport" content="width=device-width, initial-scale=1">'
            '<title>{title}</title><link rel="stylesheet" href="{style}"></head>'
            '<body><main><h1>{title}</h1><p>{words}</p><p><a href="/musters">To your musters</a>'
            "</p></main></body></html>",
            title=title, words=words, style=static("trouble.css"),
        ),
        status=status,
    )  # fmt: skip
