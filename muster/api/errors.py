"""What an API call answers when it cannot be carried out."""

from __future__ import annotations

import logging

from django.db import DatabaseError, DataError
from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI, Schema
from ninja.errors import ValidationError

from muster.api.pages import BROKEN, NO_DATABASE
from muster.apps.request_ids import current_id
from muster.apps.versions import Outdated
from muster.core.errors import DomainError, in_words

log = logging.getLogger("muster")


class Complaint(Schema):
    """What is wrong, where, and how to mend it."""

    complaints: list[str]


def answer_errors(api: NinjaAPI) -> None:
    """Let the API answer every error in one shape."""

    def complain(request: HttpRequest, complaints: list[str], status: int) -> HttpResponse:
        return api.create_response(request, {"complaints": complaints}, status=status)

    @api.exception_handler(DomainError)
    def refused(request: HttpRequest, error: DomainError) -> HttpResponse:
        return complain(request, list(error.complaints), 422)

    @api.exception_handler(Outdated)
    def outdated(request: HttpRequest, error: Outdated) -> HttpResponse:
        since = "; ".join(error.changed) or "something"
        return complain(request, [f"Changed elsewhere meanwhile: {since}. Look again."], 409)

    @api.exception_handler(Http404)
    def missing(request: HttpRequest, error: Http404) -> HttpResponse:
        return complain(request, ["There is no such thing here."], 404)

    @api.exception_handler(DataError)
    def no_room(request: HttpRequest, error: DataError) -> HttpResponse:
        log.warning("a value has no room in its column", exc_info=error)
        return complain(request, ["something in it is too long or too large: shorten it"], 422)

    @api.exception_handler(DatabaseError)
    def no_database(request: HttpRequest, error: DatabaseError) -> HttpResponse:
        log.exception("the database failed")
        return complain(request, [NO_DATABASE], 503)

    @api.exception_handler(Exception)
    def broken(request: HttpRequest, error: Exception) -> HttpResponse:
        log.exception("an answer failed")
        words = f"{BROKEN} If it happens again, the log says more under {current_id.get()}."
        return complain(request, [words], 500)

    @api.exception_handler(ValidationError)
    def invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
        return complain(request, [in_words(one) for one in error.errors], 422)
