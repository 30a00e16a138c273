"""Each request has an id: in its answer, in the log, and in what an error page says."""

from __future__ import annotations

import json
import logging
import uuid
from collections.abc import Callable
from contextvars import ContextVar
from datetime import UTC, datetime

from django.http import HttpRequest, HttpResponse

current_id: ContextVar[str] = ContextVar("request_id", default="-")


class RequestId:
    """Middleware that gives requests their ids."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, with the id in a header."""
        current_id.set(uuid.uuid4().hex[:12])
        answer = self.get_response(request)
        # An answer that was made in another process is logged there, under an id of its own.
        answer.setdefault("X-Request-Id", current_id.get())
        return answer


class WithId(logging.Filter):
    """Puts the id of the request under way into each log record."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Add it; let every record pass."""
        record.request_id = current_id.get()
        return True


class AsJson(logging.Formatter):
    """Each record as one line of JSON."""

    def format(self, record: logging.LogRecord) -> str:
        """Time, level, request, logger, words, and the traceback where there is one."""
        row = {
            "time": datetime.fromtimestamp(record.created, UTC).isoformat(),
            "level": record.levelname,
            "request": getattr(record, "request_id", "-"),
            "logger": record.name,
            "message": record.getMessage(),
        }
        if record.exc_info:
            row["traceback"] = self.formatException(record.exc_info)
        return json.dumps(row, ensure_ascii=False)
