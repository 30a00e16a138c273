"""What every answer says of itself: who may keep it, and what a page may ask of the browser."""

from __future__ import annotations

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

PERMISSIONS = ", ".join(
    f"{name}=()"
    for name in ("accelerometer", "camera", "display-capture", "geolocation", "gyroscope", "hid",
                 "magnetometer", "microphone", "midi", "payment", "serial", "usb")
)  # fmt: skip
"""Nothing here needs them. The screen may be kept awake at the bench."""


class ResponseHeaders:
    """Middleware that sets them."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer."""
        answer = self.get_response(request)
        answer["Permissions-Policy"] = PERMISSIONS
        if request.path.startswith("/api/"):
            # Whoever uses the browser next reads nothing out of its store.
            answer["Cache-Control"] = "no-store"
        return answer
