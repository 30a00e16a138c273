"""The room as a Django app."""

from django.apps import AppConfig
from django.conf import settings


class PlanConfig(AppConfig):
    name = "muster.apps.plan"

    def ready(self) -> None:
        """Keep problems on which the planner fails."""
        from muster.core.plan import vetting
        from muster.faults import keeper

        vetting.report = keeper(settings.RUN_DIR / "faults")
