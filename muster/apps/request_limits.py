"""How large a request may be, asked before any of it is read."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse

MOST_BYTES: int = settings.REQUEST_MOST_BYTES
TOO_LARGE = f"what was sent is larger than {MOST_BYTES // 1_000_000} MB: send less at once"


class RequestLimits:
    """Middleware that turns away what is too large."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, or 413."""
        length = request.META.get("CONTENT_LENGTH") or "0"
        if not length.isdecimal() or int(length) > MOST_BYTES:
            return JsonResponse({"complaints": [TOO_LARGE]}, status=413)
        return self.get_response(request)
