"""The application as a server runs it."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "muster.settings.serve")
application = get_wsgi_application()

if processes := int(os.environ.get("CRISP_PROCESSES", "0")):
    from muster.apps import request_pool

    request_pool.begin(processes)
