"""Settings for tests: the same database server, a database of its own."""

from muster.settings.base import *  # noqa: F403

WHITENOISE_USE_FINDERS = True
WHITENOISE_AUTOREFRESH = True
DEMO_ACCOUNT = True
