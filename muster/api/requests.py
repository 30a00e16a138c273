"""Requests as handlers get them."""

from __future__ import annotations

from typing import Annotated

from django.contrib.auth.models import User
from django.http import HttpRequest
from pydantic import Field

from muster.core.vocabulary import Colour


class UserRequest(HttpRequest):
    """A request of somebody who is signed in, as every handler that asks for that gets it."""

    user: User


RowId = Annotated[int, Field(ge=1, le=2**53)]
"""Of a row in the database, as a browser can still say it."""

Hex = Colour
"""A colour as the API takes it: #rrggbb."""

Line = Annotated[str, Field(max_length=300)]
"""What is typed in one line."""

Password = Annotated[str, Field(max_length=500)]
