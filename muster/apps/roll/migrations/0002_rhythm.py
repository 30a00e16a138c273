"""Sittings as a weekly rhythm with exceptions, where they were a list up to the parade day."""

from django.db import migrations

from muster.core.formats.upgrading import choices_2


def forwards(apps, schema_editor):
    for row in apps.get_model("roll", "Version").objects.iterator():
        row.choices = choices_2(row.choices)
        row.save(update_fields=["choices"])


class Migration(migrations.Migration):
    dependencies = [("roll", "0001_initial")]

    operations = [migrations.RunPython(forwards, migrations.RunPython.noop)]
