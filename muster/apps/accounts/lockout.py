"""What somebody who guesses is told."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest, JsonResponse


def locked(request: HttpRequest, *rest: Any) -> JsonResponse:
    """Too many wrong tries for this name from this address."""
    words = "too many wrong tries for this name: wait a quarter of an hour, then sign in again"
    return JsonResponse({"complaints": [words]}, status=429)
