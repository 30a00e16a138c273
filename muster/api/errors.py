"""What an API call answers when it cannot be carried out."""

from __future__ import annotations

import logging
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.db import DatabaseError, DataError
from django.http import Http404, HttpRequest, HttpResponse
from django.http.multipartparser import MultiPartParserError
from ninja import NinjaAPI, Schema
from ninja.errors import (
    AuthenticationError,
    HttpError,
    Throttled,
    ValidationError,
    ValidationErrorContext,
)

from muster.api.pages import BROKEN, DISK_FULL, NO_DATABASE, disk_is_full
from muster.apps.request_ids import current_id
from muster.apps.request_limits import TOO_LARGE
from muster.apps.versions import Outdated
from muster.core.errors import DomainError, in_words

MOST_COMPLAINTS = 20

log = logging.getLogger("muster")


class Complaint(Schema):
    """What is wrong, where, and how to mend it."""

    complaints: list[str]


class MusterAPI(NinjaAPI):
    """The API, whose complaints can say what was sent."""

    def validation_error_from_error_contexts(
        self, error_contexts: list[ValidationErrorContext[Any]]
    ) -> ValidationError:
        """The complaints of all parts of a request, each with where and what."""
        return ValidationError(
            [
                {**one, "loc": (context.model.__ninja_param_source__, *_place(context, one["loc"]))}
                for context in error_contexts
                for one in context.pydantic_validation_error.errors(include_url=False)
            ]
        )


def _place(context: ValidationErrorContext[Any], place: Any) -> tuple[Any, ...]:
    return tuple(context.model.__ninja_flatten_map_reverse__.get(place, place))


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

    @api.exception_handler(AuthenticationError)
    def nobody(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
        return complain(request, ["you are not signed in: sign in again; nothing is lost"], 401)

    @api.exception_handler(HttpError)
    def unreadable(request: HttpRequest, error: HttpError) -> HttpResponse:
        words = "this cannot be read: send JSON" if error.status_code == 400 else str(error)
        if isinstance(error, Throttled):
            words = f"too many of these in a short time: wait {error.wait or 60:.0f} seconds"
        return complain(request, [words], error.status_code)

    @api.exception_handler(RequestDataTooBig)
    def too_large(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
        return complain(request, [TOO_LARGE], 413)

    @api.exception_handler(MultiPartParserError)
    def no_form(request: HttpRequest, error: MultiPartParserError) -> HttpResponse:
        return complain(request, ["the form cannot be read: send the file once more"], 400)

    @api.exception_handler(DataError)
    def no_room(request: HttpRequest, error: DataError) -> HttpResponse:
        log.warning("a value has no room in its column", exc_info=error)
        return complain(request, ["something in it is too long or too large: shorten it"], 422)

    @api.exception_handler(DatabaseError)
    def no_database(request: HttpRequest, error: DatabaseError) -> HttpResponse:
        log.exception("the database failed")
        return complain(request, [DISK_FULL if disk_is_full() else NO_DATABASE], 503)

    @api.exception_handler(Exception)
    def broken(request: HttpRequest, error: Exception) -> HttpResponse:
        log.exception("an answer failed")
        words = f"{BROKEN} If it happens again, the log says more under {current_id.get()}."
        return complain(request, [words], 500)

    @api.exception_handler(ValidationError)
    def invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
        return complain(request, [in_words(one) for one in error.errors[:MOST_COMPLAINTS]], 422)
