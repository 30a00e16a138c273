"""Files that come in and go out by the API."""

from __future__ import annotations

from django.http import HttpResponse
from ninja.files import UploadedFile

from muster.core.errors import DomainError
from muster.core.formats.document import size_in_words


def upload(file: UploadedFile, most_bytes: int, what: str) -> bytes:
    """What a file holds. Raises DomainError where it is larger than any such thing is."""
    if file.size is None or file.size > most_bytes:
        raise DomainError(f"the file is larger than {size_in_words(most_bytes)}: it is no {what}")
    content: bytes = file.read()
    return content


def as_file(
    content: str | bytes, name: str, content_type: str = "application/json"
) -> HttpResponse:
    """An answer that the browser keeps as a file."""
    answer = HttpResponse(content, content_type=content_type)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer
