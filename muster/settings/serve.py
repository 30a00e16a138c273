"""Settings for ``crisp demo`` and ``crisp start``."""

from muster.settings.base import *  # noqa: F403
