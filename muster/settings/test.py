"""Settings for tests: the same database server, a database of its own."""

import os

from muster.settings.base import *  # noqa: F403
from muster.settings.base import CACHES, DATABASES

WHITENOISE_USE_FINDERS = True
WHITENOISE_AUTOREFRESH = True
DEMO_ACCOUNT = True
CACHES["plans"] = CACHES["default"]
SIGN_UPS = "10000/h"
# What tests keep that run beside others does not meet what those keep.
DATABASES["default"]["TEST"]["NAME"] = os.environ.get("CRISP_TEST_DATABASE", "test_crisp_muster")
