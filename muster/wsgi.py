"""The application as a server runs it."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "muster.settings.serve")
application = get_wsgi_application()
