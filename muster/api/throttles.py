"""How often something may be asked: by the address that asks, or by whoever is signed in."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.throttling import SimpleRateThrottle

HEAVY = "120/m"
"""Of what computes for long."""


class ByAddress(SimpleRateThrottle):
    """So often from one address; ``rate``: ``20/h``."""

    def __init__(self, scope: str, rate: str) -> None:
        super().__init__(rate)
        self.scope = scope

    def get_cache_key(self, request: HttpRequest) -> str:
        """What is counted together."""
        return f"throttle-{self.scope}-{self.get_ident(request)}"


class ByUser(ByAddress):
    """So often of one user."""

    def get_cache_key(self, request: HttpRequest) -> str:
        """What is counted together."""
        return f"throttle-{self.scope}-{request.user.pk}"
