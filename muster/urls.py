"""Addresses: the API, health, and the one page of the front end for everything else."""

from __future__ import annotations

from django.db import connection
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import render
from django.urls import path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie

from muster.apps.api import api


@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """The front end."""
    return render(request, "index.html")


def healthz(request: HttpRequest) -> JsonResponse:
    """Whether the database answers."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
    except Exception:
        return JsonResponse({"database": False}, status=503)
    return JsonResponse({"database": True})


urlpatterns = [
    path("api/", api.urls),
    path("healthz", healthz),
    re_path(r"^(?!api/|static/).*$", page),
]
