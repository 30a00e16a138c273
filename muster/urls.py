"""Addresses: the API, health, and the one page of the front end for everything else."""

from __future__ import annotations

from django.urls import path, re_path

from muster.apps.api import api
from muster.apps.pages import healthz, shell

urlpatterns = [
    path("api/", api.urls),
    path("healthz", healthz),
    re_path(r"^(?!api/|static/).*$", shell),
]
handler404 = "muster.apps.pages.missing"
handler500 = "muster.apps.pages.failed"
