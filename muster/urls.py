"""Addresses: the API, health, and the one page of the front end for everything else."""

from __future__ import annotations

from django.urls import path, re_path

from muster.api.pages import healthz, shell
from muster.api.root import api

urlpatterns = [
    path("api/", api.urls),
    path("healthz", healthz),
    re_path(r"^(?!api/|static/).*$", shell),
]
handler404 = "muster.api.pages.missing"
handler500 = "muster.api.pages.failed"
