"""Passwords that are none."""

from __future__ import annotations

from django.contrib.auth.models import AbstractBaseUser
from django.core.exceptions import ValidationError

LEAST_SIGNS = 4


class SomethingInIt:
    """Refuses what is blank, or one or two signs again and again."""

    def validate(self, password: str, user: AbstractBaseUser | None = None) -> None:
        """Raises ValidationError, as Django's validators do."""
        if len(set("".join(password.split()))) < LEAST_SIGNS:
            raise ValidationError(self.get_help_text())

    def get_help_text(self) -> str:
        """What is wanted."""
        return f"Use {LEAST_SIGNS} different letters, digits or signs at least, not only spaces."
