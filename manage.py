"""Django's own commands, for those who develop."""

import os
import sys

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "muster.settings.serve")
    from django.core.management import execute_from_command_line

    execute_from_command_line(sys.argv)
