"""Settings for tests: the same database server, a database of its own, a clock that can be set."""

from muster.settings.base import *  # noqa: F403

STATICFILES_DIRS = []
WHITENOISE_AUTOREFRESH = True
WHITENOISE_ROOT = None
