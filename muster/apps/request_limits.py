"""How large a request may be and of what kind, asked before any of it is read."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse

MOST_BYTES: int = settings.REQUEST_MOST_BYTES
TOO_LARGE = f"what was sent is larger than {MOST_BYTES // 1_000_000} MB: send less at once"


KINDS = ("application/json", "multipart/form-data")
"""What another site's page cannot send without asking is the first; the second are files, which
only whoever shows his token can send."""
NO_KIND = "this cannot be read: send JSON, or a file as a form"


class RequestLimits:
    """Middleware that turns away what is too large, or of no kind that is read here."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, or 413, or 415."""
        length = request.META.get("CONTENT_LENGTH") or "0"
        if not length.isdecimal() or int(length) > MOST_BYTES:
            return JsonResponse({"complaints": [TOO_LARGE]}, status=413)
        if int(length) and request.path.startswith("/api/"):
            kind = request.META.get("CONTENT_TYPE", "").partition(";")[0].strip().lower()
            if kind not in KINDS:
                return JsonResponse({"complaints": [NO_KIND]}, status=415)
        return self.get_response(request)
